"""How much one person may ask for at once: bodies, half-sent bodies, requests and sockets. One person's load is nobody else's."""

import asyncio
from collections import Counter
from collections.abc import AsyncIterator, Callable, Hashable
from contextlib import asynccontextmanager
from uuid import UUID
from weakref import WeakValueDictionary

from starlette.types import ASGIApp, Message, Receive, Scope, Send

from ..core.budget import OverBudget, within
from ..store.errors import StoreError, TooMuch
from .caller import Caller
from .refusals import answer_refused, close_refused

LARGEST_BODY = 32 * 2**20
"""Bytes: a whole book of `schemas.LONGEST_BOOK` signs, however they are written, and the files that are taken in."""
REQUEST_SECONDS = 30.0
"""For what is worked out to answer one request; what takes longer on purpose (files) tells how far it is, and is called off."""
BODY_PAUSE = 20.0
"""Seconds between two pieces of a body."""
AT_ONCE, WAITING = 6, 60
"""Requests of one person that are worked on at once, and that wait; browsers send six at once."""
SOCKETS = 30
"""Open tables of one person; of a person alone at this machine there may be more."""
SOCKETS_ALONE = 300


class TooLarge(StoreError):
    """More was sent than is read."""

    code, status = "too_large", 413


class TooSlow(StoreError):
    """What was begun to be sent did not go on."""

    code, status = "too_slow", 408


class TooLong(StoreError):
    """It took too long to work out."""

    code, status = "too_long", 422


class _Queue:
    """The requests of one person."""

    def __init__(self) -> None:
        self.running = asyncio.Semaphore(AT_ONCE)
        self.waiting = 0


class Limits:
    """Stands behind the gate, which has found out who calls."""

    def __init__(self, app: ASGIApp, forget: Callable[[UUID], None]) -> None:
        self.app = app
        self._forget_drawing = forget
        self._queues: WeakValueDictionary[Hashable, _Queue] = WeakValueDictionary()
        self._sockets: Counter[Hashable] = Counter()

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """One request or socket. What is no address of the interface has no caller: pages and their files go straight through."""
        caller: Caller | None = scope.get("state", {}).get("caller")
        if caller is None or scope["type"] not in ("http", "websocket"):
            await self.app(scope, receive, send)
            return
        whose = _whose(caller, scope)
        if scope["type"] == "websocket":
            await self._socket(whose, caller, scope, receive, send)
            return
        body = _Body(scope, receive, send)
        if (refused := body.announced()) is not None:
            await answer_refused(refused, send)
            return
        try:
            async with self._turn(whose):
                with within(REQUEST_SECONDS, REQUEST_SECONDS):
                    await self.app(scope, body.receive, body.send)
        except TooMuch as error:
            await answer_refused(error, send)
        except OverBudget:
            # What was kept of the drawing meanwhile may be half done.
            self._forget(scope.get("path_params", {}).get("id"))
            await body.send_refused(TooLong(f"This takes longer than {REQUEST_SECONDS:.0f} s to work out, and was given up."))

    def _forget(self, written: str | None) -> None:
        if written is not None:
            self._forget_drawing(UUID(written))

    async def _socket(self, whose: Hashable, caller: Caller, scope: Scope, receive: Receive, send: Send) -> None:
        most = SOCKETS if caller.office else SOCKETS_ALONE
        if self._sockets[whose] >= most:
            await close_refused(TooMuch(f"You have {most} tables open already; close one of them first."), receive, send)
            return
        self._sockets[whose] += 1
        try:
            await self.app(scope, receive, send)
        finally:
            self._sockets[whose] -= 1
            if not self._sockets[whose]:
                del self._sockets[whose]

    @asynccontextmanager
    async def _turn(self, whose: Hashable) -> AsyncIterator[None]:
        queue = self._queues.get(whose)
        if queue is None:
            queue = self._queues[whose] = _Queue()
        if queue.waiting >= WAITING:
            raise TooMuch("Too many of your requests are under way already; try again once they are answered.")
        queue.waiting += 1
        try:
            await queue.running.acquire()
        finally:
            queue.waiting -= 1
        try:
            yield
        finally:
            queue.running.release()


class _Body:
    """The body of a request: no more of it is read than may be, and not for longer. Who has sent too much has the answer at once,
    and the reader here gets an error that the other side has gone."""

    def __init__(self, scope: Scope, receive: Receive, send: Send) -> None:
        self.scope = scope
        self._receive = receive
        self._send = send
        self._size = 0
        self._whole = False
        self._answered = self._begun = False

    def announced(self) -> TooLarge | None:
        """A refusal for what says beforehand that it is too large."""
        length = dict(self.scope["headers"]).get(b"content-length", b"")
        return _too_large() if length.isdigit() and int(length) > LARGEST_BODY else None

    async def receive(self) -> Message:
        """The next piece."""
        if self._answered:
            return {"type": "http.disconnect"}
        if self._whole:
            return await self._receive()
        try:
            message = await asyncio.wait_for(self._receive(), BODY_PAUSE)
        except TimeoutError:
            return await self._refuse(TooSlow(f"Nothing more came for {BODY_PAUSE:.0f} seconds; send it again."))
        if message["type"] == "http.request":
            self._size += len(message.get("body", b""))
            self._whole = not message.get("more_body", False)
            if self._size > LARGEST_BODY:
                return await self._refuse(_too_large())
        return message

    async def send(self, message: Message) -> None:
        """What is answered, unless it was answered already."""
        if not self._answered:
            self._begun = True
            await self._send(message)

    async def send_refused(self, error: StoreError) -> None:
        """Answers with a refusal, where nothing was answered yet."""
        if not self._answered and not self._begun:
            await answer_refused(error, self._send)

    async def _refuse(self, error: StoreError) -> Message:
        self._answered = True
        await answer_refused(error, self._send, close=True)
        return {"type": "http.disconnect"}


def _too_large() -> TooLarge:
    return TooLarge(f"This is more than {LARGEST_BODY // 2**20} MB, which is more than can be sent at once.")


def _whose(caller: Caller, scope: Scope) -> Hashable:
    """A person, a guest by the links they have, or an address."""
    if caller.person is not None:
        return caller.person.id
    return caller.links or (scope.get("client") or ("",))[0]
