"""What the routes and the socket share: one transaction a call."""

from collections.abc import Iterator
from contextlib import contextmanager
from functools import partial
from threading import Lock
from typing import TypeVar
from uuid import UUID

from fastapi import Request
from sqlalchemy import Engine
from sqlalchemy.orm import Session

from ..store import changes
from ..store.cache import BookCache
from ..store.changes import State
from .commands import edit_maker
from .schemas import Act, Redo, Undo


def service_of(request: Request) -> "Service":
    """The one that answers a request."""
    service: Service = request.app.state.service
    return service


T = TypeVar("T")


class Service:
    """Drawings, for one worker. It keeps nothing but a cache."""

    def __init__(self, engine: Engine) -> None:
        self.engine = engine
        self.cache = BookCache()
        self._reading: dict[UUID, Lock] = {}
        self._guard = Lock()

    @contextmanager
    def session(self) -> Iterator[Session]:
        """A transaction: committed at the end, rolled back on any error."""
        with Session(self.engine, expire_on_commit=False) as session, session.begin():
            yield session

    @contextmanager
    def reading(self, id: UUID) -> Iterator[None]:
        """One read of a drawing at a time: what is worked out about a book (its index, its places) is kept and shared."""
        with self._guard:
            lock = self._reading.setdefault(id, Lock())
        with lock:
            yield

    def in_turns(self, id: UUID, work: Iterator[T]) -> list[T]:
        """All that a generator comes to, with the lock of `reading` taken anew for each piece of its work: nobody's pointer waits
        for the whole."""
        found: list[T] = []
        while True:
            with self.reading(id):
                try:
                    found.append(next(work))
                except StopIteration:
                    return found

    def state(self, id: UUID) -> State:
        """A drawing as it stands."""
        with self.session() as session:
            return changes.current_state(session, self.cache, id)

    def act(self, id: UUID, base: int | None, author: str, act: Act) -> State:
        """Does one act; it is committed when this returns."""
        make = edit_maker(act)
        alone = partial(self.reading, id)
        with self.session() as session:
            if make is not None:
                return changes.change(session, self.cache, id, base, author, make, alone)
            if isinstance(act, Undo):
                return changes.undo(session, self.cache, id, base, author, alone)
            assert isinstance(act, Redo)
            return changes.redo(session, self.cache, id, base, author, alone)
