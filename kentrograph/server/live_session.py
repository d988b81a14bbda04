"""The socket of a drafting table: reads of the open line, changes, and news of changes made elsewhere."""

import asyncio
import logging
from collections import deque
from collections.abc import Awaitable
from typing import TypeVar
from uuid import UUID

import orjson
from fastapi import WebSocket, WebSocketDisconnect
from pydantic import TypeAdapter, ValidationError
from starlette.types import Message

from ..core.book.book import Book
from ..core.language.messages import sentence
from ..core.problem import Refused
from ..core.replica.answers import read_within
from ..store import packed
from ..store.changes import Asked
from ..store.database import UNANSWERED, unanswered
from ..store.errors import StaleBase, StoreError
from .authorization import check
from .caller import Caller, Callers
from .metrics import READ_SECONDS as READS
from .permissions import MESSAGES, Need
from .refusals import CLOSED, LONGEST_REASON
from .rooms import Room, Rooms
from .sentences import schema_sentence
from .service import Service
from .socket_schemas import ClientMessage, DoRequest, EchoRequest, Opening, OtherView, ReadRequest, WhereRequest
from .tracking import Fault
from .work import Work

log = logging.getLogger("kentrograph")
T = TypeVar("T")
_MESSAGES: TypeAdapter[ReadRequest | DoRequest | EchoRequest | WhereRequest] = TypeAdapter(ClientMessage)
MOST_REPLIES = 64
"""Answers that wait for a reader who is slow: until they are taken nothing further is read of what they send."""
ALIVE = b'{"type":"alive"}'
ALIVE_SECONDS = 5.0
"""Of silence, until a table is sent a sign of life."""
FAR = 500
"""A table that is more revisions behind is sent the whole drawing afresh, so that nothing old is kept for its sake."""


class LiveSession:
    """One open table. It remembers only which book it has sent, and what has still to be sent."""

    def __init__(self, socket: WebSocket, rooms: Rooms, callers: Callers, caller: Caller, id: UUID, whole: bool = False) -> None:
        self.socket = socket
        self.rooms = rooms
        self.callers = callers
        self.caller = caller
        self.id = id
        self.whole = whole
        """Whether it will have the whole book, and nothing that was kept of it."""
        self.room: Room | None = None
        self.told: tuple[int, str] | None = None
        """The revision and the name that the other side has; None while it believes that the drawing is gone."""
        self.book: Book | None = None
        self.opened: int | None = None
        """The revision that the other side has by what was kept of it."""
        self.may = socket.scope["state"]["may"]
        self._woken = asyncio.Event()
        self._replies: deque[bytes] = deque()
        self._taken = asyncio.Event()
        self._said_gone = False
        self._backing = False
        self._look = False
        self._others = False
        self._in_company = False
        self.seat = rooms.presence.seat()

    @property
    def service(self) -> Service:
        """The one that answers."""
        return self.rooms.service

    @property
    def work(self) -> Work:
        """The threads in which that is done."""
        return self.rooms.work

    @property
    def person(self) -> UUID | None:
        """Who sits here; None for a guest."""
        return self.caller.person.id if self.caller.person is not None else None

    @property
    def whose(self) -> object:
        """On whose behalf it works."""
        return self.person or self.caller.links

    # What the room tells

    def wake(self) -> None:
        """The drawing has come to another state."""
        self._woken.set()

    def backing_changed(self) -> None:
        """The picture under it has."""
        self._backing = True
        self._woken.set()

    def look_again(self) -> None:
        """What may be done here may have changed."""
        self._look = True
        self._woken.set()

    def others_changed(self) -> None:
        """Somebody has come or gone, or is elsewhere on the drawing."""
        self._others = True
        self._woken.set()

    async def serve(self) -> None:
        """Sends the whole book, then answers until the other side goes."""
        await self.socket.accept()
        # Before anything is shown it is known what may be done with it.
        await self.socket.send_bytes(orjson.dumps({"type": "standing", "may": self.may.name.lower()}))
        if not self.whole:
            await self._tell_what_is_kept()
        self.room = self.rooms.enter(self.id, self)
        self._tell_where(None)
        self._woken.set()
        sender = asyncio.create_task(self._send_all())
        try:
            while True:
                message = await self.socket.receive()
                await self._answer(_text_of(message))
                while len(self._replies) >= MOST_REPLIES:
                    self._taken.clear()
                    await self._taken.wait()
        except WebSocketDisconnect:
            pass
        finally:
            sender.cancel()
            self.rooms.leave(self.room, self)
            self.rooms.presence.leave(self.id, self.seat)

    async def _tell_what_is_kept(self) -> None:
        """Of a large drawing something can be shown before its book is there."""
        try:
            opening = await self.work.background(self.service.opening, self.id)
        except UNANSWERED:
            # The room waits until the database answers again, and sends the whole.
            return
        if opening is not None:
            # Not as it is called: the book is to follow in any case.
            self.opened, self.told = opening.revision, (opening.revision, "")
            told = Opening(revision=opening.revision, steps=opening.steps, name=opening.name)
            await self.socket.send_bytes(told.model_dump_json().encode())

    # Out: one sender, the newest state first, then the answers in their order

    async def _send_all(self) -> None:
        try:
            while True:
                if not await self._is_woken():
                    # A client that hears nothing for long takes the connection for lost.
                    await self.socket.send_bytes(ALIVE)
                    continue
                self._woken.clear()
                if self._look and not await self._still_may():
                    return
                await self._bring_up_to_date()
                if self._backing:
                    self._backing = False
                    await self.socket.send_bytes(b'{"type":"backing"}')
                if self._others:
                    self._others = False
                    await self._tell_of_others()
                while self._replies:
                    await self.socket.send_bytes(self._replies.popleft())
                    self._taken.set()
        except (WebSocketDisconnect, RuntimeError):
            # It went while it was sent to; who receives hears of it.
            pass
        except Exception:
            log.exception("a table could not be told what became of drawing %s", self.id)
            await self.socket.close(1011)
        finally:
            self._taken.set()

    async def _is_woken(self) -> bool:
        """Whether there is something to tell; waits for it, but not for long."""
        try:
            async with asyncio.timeout(ALIVE_SECONDS):
                await self._woken.wait()
        except TimeoutError:
            return False
        return True

    async def _meanwhile(self, work: Awaitable[T]) -> T:
        """What comes of something that may take long; until then signs of life are sent."""
        task = asyncio.ensure_future(work)
        while not (await asyncio.wait({task}, timeout=ALIVE_SECONDS))[0]:
            await self.socket.send_bytes(ALIVE)
        return task.result()

    async def _bring_up_to_date(self) -> None:
        assert self.room is not None
        while True:
            state = self.room.state
            if state is None:
                if self.room.gone and not self._said_gone:
                    self.told, self._said_gone = None, True
                    await self.socket.send_bytes(b'{"type":"gone"}')
                return
            if (state.revision, state.name) == self.told:
                return
            if self.opened is not None:
                self.book = await self._meanwhile(self.work.background(self.service.opened_at, self.id, self.opened))
                self.opened = None
            far = self.told is None or self.book is None or state.revision - self.told[0] > FAR
            large = far and not self.whole and len(state.book.order) >= packed.FROM
            if large and await self._meanwhile(self.rooms.packing.kept(self.id)):
                # Such a one is fetched, and not sent: making the message of it takes as long as keeping it.
                await self._tell_what_is_kept()
                if self.opened is not None:
                    continue
            since = None if far or self.told is None else self.told[0]
            message = await self._meanwhile(self.room.message(since, None if far else self.book, state))
            self.book, self.told, self._said_gone = state.book, (state.revision, state.name), False
            await self.socket.send_bytes(message)

    async def _still_may(self) -> bool:
        """Looks what may be done here now; closes the table where nothing may be."""
        self._look = False
        try:
            self.caller, now = await self.work.background(self.callers.standing, self.caller.token, self.caller.links, self.id)
        except UNANSWERED:
            self._look = True
            return True
        try:
            check(self.caller, now, Need.SEE)
        except StoreError as error:
            await self.socket.close(CLOSED[error.status], error.message[:LONGEST_REASON])
            return False
        if now is not self.may:
            self.may = now
            self._reply({"type": "standing", "may": now.name.lower()})
        return True

    async def _tell_of_others(self) -> None:
        # A guest by a link gets no names of others.
        if self.caller.person is None:
            return
        others = self.rooms.presence.others(self.id, self.seat)
        if others or self._in_company:
            self._in_company = bool(others)
            await self.socket.send_bytes(b'{"type":"others","others":[%s]}' % b",".join(others))

    def _tell_where(self, message: WhereRequest | None) -> None:
        who = OtherView(seat=self.seat, name=self.caller.name)
        if message is not None:
            who.at, who.selected, who.mending = message.at, message.selected, message.mending
        self.rooms.presence.put(self.id, self.seat, who.model_dump_json().encode())

    def _reply(self, message: object) -> None:
        self._replies.append(message if isinstance(message, bytes) else orjson.dumps(message))
        self._woken.set()

    # In

    async def _answer(self, raw: str | bytes) -> None:
        try:
            message = _MESSAGES.validate_json(raw)
        except ValidationError as error:
            where, said = schema_sentence(error.errors(include_url=False, include_input=False)[0])
            self._refuse(_seq_of(raw), "bad_message", f"{where}: {said}" if where else said)
            return
        try:
            check(self.caller, self.may, MESSAGES[message.type])
            if isinstance(message, EchoRequest):
                self._reply({"type": "echo", "seq": message.seq})
            elif isinstance(message, ReadRequest):
                await self._read(message)
            elif isinstance(message, WhereRequest):
                self._tell_where(message)
            else:
                await self._do(message)
        except Refused as refused:
            problem = refused.problem
            self._refuse(message.seq, problem.kind, sentence(problem), problem.start, problem.end)
        except StoreError as error:
            self._refuse(message.seq, error.code, error.message)
        except UNANSWERED as error:
            told = unanswered(error)
            self._refuse(message.seq, told.code, told.message)
        except WebSocketDisconnect:
            raise
        except Exception:
            # A fault of ours must not close the table on what is being written. What was written is nobody's but the drafter's.
            log.exception("could not answer a %s", message.type)
            fault = Fault()
            self._refuse(message.seq, fault.code, fault.message)

    async def _read(self, message: ReadRequest) -> None:
        if self.book is not None:
            with READS.time():
                self._reply(await self.work.run(self.whose, self._line, self.book, message))

    def _line(self, book: Book, message: ReadRequest) -> bytes:
        with self.service.reading(self.id):
            line, whole = read_within(book, message, message.seq)
            if not whole:
                self.service.forget(self.id)
            return orjson.dumps(line)

    async def _do(self, message: DoRequest) -> None:
        try:
            asked = Asked(self.caller.name, message.base, message.key)
            _, revision = await self.rooms.act(self.whose, self.id, asked, message.act)
        except StaleBase:
            assert self.room is not None
            self.room.changed()
            raise
        self._reply({"type": "done", "seq": message.seq, "revision": revision})

    def _refuse(self, seq: int, code: str, message: str, start: int = 0, end: int = 0) -> None:
        self._reply({"type": "refused", "seq": seq, "code": code, "message": message, "start": start, "end": end})


def _text_of(message: Message) -> str | bytes:
    """What a frame holds, as text or bytes: both may carry a message. Raises `WebSocketDisconnect` for the last one."""
    if message["type"] == "websocket.disconnect":
        raise WebSocketDisconnect(message.get("code", 1000))
    found: str | bytes = message.get("text") or message.get("bytes") or b""
    return found


def _seq_of(raw: str | bytes) -> int:
    try:
        found = orjson.loads(raw)
    except orjson.JSONDecodeError:
        return 0
    seq = found.get("seq") if isinstance(found, dict) else None
    return seq if isinstance(seq, int) else 0
