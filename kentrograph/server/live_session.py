"""The socket of a drafting table: reads of the open line, changes, and news of changes made elsewhere."""

import asyncio
import logging
from uuid import UUID

import orjson
from fastapi import WebSocket, WebSocketDisconnect
from pydantic import TypeAdapter, ValidationError
from starlette.concurrency import run_in_threadpool
from starlette.types import Message

from ..core.book.book import Book
from ..core.book.caches import Kept
from ..core.desk.line_views import line_view
from ..core.language.messages import sentence
from ..core.problem import Refused
from ..store.changes import State
from ..store.errors import NoDrawing, StaleBase, StoreError
from ..store.memory import making_books
from .listener import Listener, Pending
from .present import book_message, looked
from .sentences import schema_sentence
from .service import Service
from .socket_schemas import ClientMessage, DoRequest, EchoRequest, ReadRequest

log = logging.getLogger("kentrograph")
_MESSAGES: TypeAdapter[ReadRequest | DoRequest | EchoRequest] = TypeAdapter(ClientMessage)


class LiveSession:
    """One open table. It remembers only which book it has sent."""

    def __init__(self, socket: WebSocket, service: Service, id: UUID) -> None:
        self.socket = socket
        self.service = service
        self.id = id
        self.revision = -1
        self.told: tuple[int, str] | None = None
        """The revision and the name that the other side has; None while it believes that the drawing is gone."""
        self.book: Book | None = None
        self.pending = Pending()
        self.sending = asyncio.Lock()

    async def serve(self, listener: Listener) -> None:
        """Sends the whole book, then answers until the other side goes."""
        await self.socket.accept()
        listener.enter(self.id, self.pending)
        teller = asyncio.create_task(self._tell())
        try:
            await self._bring_up_to_date()
            while True:
                await self._answer(_text_of(await self.socket.receive()))
        except WebSocketDisconnect:
            pass
        finally:
            teller.cancel()
            listener.leave(self.id, self.pending)

    async def _tell(self) -> None:
        while True:
            backing = await self.pending.wait()
            await self._bring_up_to_date()
            if backing:
                await self._send({"type": "backing"})

    async def _bring_up_to_date(self) -> None:
        try:
            state = await run_in_threadpool(self.service.state, self.id)
        except NoDrawing:
            self.told = None
            await self._send({"type": "gone"})
            return
        await self._send_book(state)

    async def _send_book(self, state: State) -> None:
        async with self.sending:
            if state.revision < self.revision or (self.book is not None and (state.revision, state.name) == self.told):
                return
            # Off the loop: the message of a large drawing takes its time, and nobody else's pointer waits for it.
            message = await run_in_threadpool(self._message, state)
            self.revision, self.book, self.told = state.revision, state.book, (state.revision, state.name)
            await self.socket.send_bytes(message)

    def _message(self, state: State) -> bytes:
        with self.service.reading(self.id):
            return whole_message(state) if self.book is None else book_message(state, self.book)

    async def _send(self, message: object) -> None:
        async with self.sending:
            await self.socket.send_bytes(orjson.dumps(message))

    async def _answer(self, raw: str | bytes) -> None:
        try:
            message = _MESSAGES.validate_json(raw)
        except ValidationError as error:
            where, said = schema_sentence(error.errors(include_url=False, include_input=False)[0])
            await self._refuse(_seq_of(raw), "bad_message", f"{where}: {said}" if where else said)
            return
        if isinstance(message, EchoRequest):
            await self._send({"type": "echo", "seq": message.seq})
        elif isinstance(message, ReadRequest):
            await self._read(message)
        else:
            await self._do(message)

    async def _read(self, message: ReadRequest) -> None:
        if self.book is None:
            return
        try:
            view = await run_in_threadpool(self._line, self.book, message)
        except Exception:
            # A fault of ours while something is only looked at must not close the table on what is being written.
            log.exception("could not read the open line: %r", message)
            await self._refuse(message.seq, "fault", "The server could not read this; the fault is in its log.")
        else:
            async with self.sending:
                await self.socket.send_bytes(view)

    def _line(self, book: Book, message: ReadRequest) -> bytes:
        with self.service.reading(self.id):
            return orjson.dumps(line_view(book, looked(message), message.seq))

    async def _do(self, message: DoRequest) -> None:
        try:
            state = await run_in_threadpool(self.service.act, self.id, message.base, message.author, message.act)
        except Refused as refused:
            problem = refused.problem
            await self._refuse(message.seq, problem.kind, sentence(problem), problem.start, problem.end)
        except StaleBase as error:
            await self._bring_up_to_date()
            await self._refuse(message.seq, error.code, error.message)
        except StoreError as error:
            await self._refuse(message.seq, error.code, error.message)
        else:
            await self._send_book(state)
            await self._send({"type": "done", "seq": message.seq, "revision": state.revision})

    async def _refuse(self, seq: int, code: str, message: str, start: int = 0, end: int = 0) -> None:
        await self._send({"type": "refused", "seq": seq, "code": code, "message": message, "start": start, "end": end})


def whole_message(state: State) -> bytes:
    """The whole book as it is sent to a table that opens; kept with the book, so that the next table has it at once."""
    key = (state.name, state.revision, state.undo, state.redo)
    kept = _WHOLE.of(state.book)
    if key not in kept:
        kept.clear()
        with making_books():
            kept[key] = book_message(state, None)
    return kept[key]


_WHOLE: Kept[dict[tuple[str, int, str | None, str | None], bytes]] = Kept(dict)


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
