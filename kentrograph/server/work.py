"""Whose work runs when: beside the loop, a few at a time, so that nobody's load is somebody else's.

Python runs one thread at a time: the more of them work, the longer the loop waits for its turn. So few work at once, of one
person even fewer, and what waits holds neither a thread nor a connection. Changes of one drawing wait for each other.
"""

import asyncio
from collections.abc import AsyncIterator, Awaitable, Callable
from contextlib import asynccontextmanager
from random import uniform
from typing import ParamSpec, TypeVar
from uuid import UUID
from weakref import WeakValueDictionary

import psycopg
from anyio import CapacityLimiter
from anyio.to_thread import run_sync
from sqlalchemy.exc import OperationalError

from ..store.errors import Busy

AT_ONCE, OF_ONE = 4, 2
"""Pieces of work that run at once; and of those, such as one person asked for."""
MOST_WAITING = 200
"""Changes that wait for one drawing; further ones are refused."""
PATIENCE = 8.0
"""Seconds that a change waits for another worker to be done with the drawing."""
P = ParamSpec("P")
T = TypeVar("T")


class _Turn:
    """Whose turn it is at one drawing."""

    def __init__(self) -> None:
        self.lock = asyncio.Lock()
        self.waiting = 0


class Work:
    """The threads of one worker."""

    def __init__(self) -> None:
        self._all = CapacityLimiter(AT_ONCE)
        self._background = CapacityLimiter(AT_ONCE)
        self._of: WeakValueDictionary[object, asyncio.Semaphore] = WeakValueDictionary()
        self._turns: WeakValueDictionary[UUID, _Turn] = WeakValueDictionary()

    async def run(self, whose: object, function: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
        """Runs a function in a thread, on behalf of somebody."""
        mine = self._of.get(whose)
        if mine is None:
            mine = self._of[whose] = asyncio.Semaphore(OF_ONE)
        async with mine:
            return await run_sync(lambda: function(*args, **kwargs), limiter=self._all)

    async def background(self, function: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
        """Runs what is done for all who have a drawing open, on nobody's behalf."""
        return await run_sync(lambda: function(*args, **kwargs), limiter=self._background)

    @asynccontextmanager
    async def turn(self, drawing: UUID) -> AsyncIterator[None]:
        """Changes of one drawing, one after the other, in the order in which they came. Raises `Busy`."""
        turn = self._turns.get(drawing)
        if turn is None:
            turn = self._turns[drawing] = _Turn()
        if turn.waiting >= MOST_WAITING:
            raise Busy("Too many changes of this drawing wait already; nothing was changed. Try again in a moment.")
        turn.waiting += 1
        try:
            async with turn.lock:
                yield
        finally:
            turn.waiting -= 1


async def patiently(attempt: Callable[[], Awaitable[T]]) -> T:
    """Tries again as long as another worker holds the drawing; between the tries nothing is held. Raises `Busy`."""
    loop = asyncio.get_running_loop()
    until = loop.time() + PATIENCE
    while True:
        try:
            return await attempt()
        except OperationalError as error:
            if not isinstance(error.orig, psycopg.errors.LockNotAvailable):
                raise
            if loop.time() > until:
                raise Busy("This drawing is being changed elsewhere and did not come free; nothing was changed.") from error
        await asyncio.sleep(uniform(0.01, 0.05))
