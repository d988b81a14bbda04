"""What the routes and the socket share: one transaction a call, and books worked out while no connection is held."""

from collections.abc import Iterator
from contextlib import contextmanager
from functools import partial
from threading import Lock
from typing import Any, TypeVar
from uuid import UUID

from fastapi import Request
from sqlalchemy import Engine
from sqlalchemy.orm import Session

from ..core.book.book import Book
from ..core.book.caches import forget
from ..core.book.index import index_of
from ..core.budget import OverBudget, unlimited, within
from ..core.desk.acts import Act, BringBack, Make, Redo, Undo
from ..core.desk.comparing import bring_back
from ..core.problem import refusal
from ..store import books, changes, history, packed
from ..store.cache import BookCache
from ..store.changes import Asked, Facts, KeptBefore, State
from ..store.memory import making_books


def service_of(request: Request) -> "Service":
    """The one that answers a request."""
    service: Service = request.app.state.service
    return service


T = TypeVar("T")
ACT_SECONDS = (20.0, 0.8)
"""For a change: the whole of it (it may be a script of thousands of steps), and any one step."""


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
    def moment(self) -> Iterator[Session]:
        """A transaction that only reads, and sees the database as it is at one moment."""
        with Session(self.engine, expire_on_commit=False) as session, session.begin():
            session.connection(execution_options={"isolation_level": "REPEATABLE READ"})
            yield session

    @contextmanager
    def reading(self, id: UUID) -> Iterator[None]:
        """One read of a drawing at a time: what is worked out about a book (its index, its places) is kept and shared."""
        with self._guard:
            lock = self._reading.setdefault(id, Lock())
        with lock:
            yield

    @contextmanager
    def _changing(self, id: UUID) -> Iterator[None]:
        with self.reading(id), self.budget(id, *ACT_SECONDS):
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
        """A drawing as it stands. Raises `NoDrawing`."""
        while True:
            with self.session() as session:
                known = changes.facts(session, id)
            if (book := self._book(id, known.revision)) is not None:
                return _state(id, known, book)

    def state_at(self, id: UUID, revision: int | None) -> State:
        """A drawing as it stood at a revision; as it stands where that is None. Raises `NoDrawing`, `NoRevision`."""
        state = self.state(id)
        if revision is None or revision == state.revision:
            return state
        with self.moment() as session:
            found = history.steps_at(session, id, revision)
        with unlimited(), making_books():
            return State(id, state.name, revision, Book.new(*found.read()), None, None)

    def _book(self, id: UUID, revision: int) -> Book | None:
        """The book of a revision that was the newest just now; None where there is a newer one already."""
        if (found := self.cache.get(id, revision)) is not None:
            return found
        # What is in the database was accepted: it is worked out again however long that takes here.
        with self.cache.making(id), unlimited():
            if (found := self.cache.get(id, revision)) is not None:
                return found
            nearest = self.cache.nearest(id, revision)
            if nearest is not None and revision - nearest[0] <= packed.FAR:
                with self.session() as session:
                    edits = packed.edits_since(session, id, nearest[0], revision)
                with self.reading(id):
                    book = packed.followed(nearest[1], edits)
                at = revision
            else:
                with self.moment() as session:
                    loaded = books.load(session, id)
                book, at = books.opened(loaded, id, self.cache), loaded.revision
            if len(book.order) >= packed.FROM:
                # Made here, and not by the first reading, which is to be quick.
                with self.reading(id), making_books():
                    index_of(book)
            self.cache.put(id, at, book)
        return book if at == revision else None

    @contextmanager
    def budget(self, id: UUID, whole: float, step: float) -> Iterator[None]:
        """Works out something of a drawing within so many seconds, of which so many may go to any one step. Raises `Refused`
        (over_budget)."""
        try:
            with within(whole, step):
                yield
        except OverBudget as error:
            self.forget(id)
            raise refusal("over_budget", seconds=min(whole, step)) from error

    def forget(self, id: UUID) -> None:
        """Lets go what was kept with the books of a drawing and may be half worked out: it is made anew when it is needed."""
        for book in self.cache.of(id):
            forget(book)

    def _bringing_back(self, id: UUID, revision: int) -> Make:
        with self.moment() as session:
            header, steps = history.steps_at(session, id, revision).read()
        return lambda book: (bring_back(book, header, steps), f"return to revision {revision}")

    def edits(self, id: UUID, since: int, revision: int) -> list[dict[str, Any]]:
        """What was done between two revisions, as data."""
        if since == revision:
            return []
        with self.session() as session:
            return packed.edits_since(session, id, since, revision)

    def opening(self, id: UUID) -> packed.Opening | None:
        """What can be shown of a drawing before its book is there; None where it is not large, or nothing is kept."""
        with self.session() as session:
            return packed.opening(session, id)

    def opened_at(self, id: UUID, revision: int) -> Book | None:
        """The book of a revision that was kept; None where another one is by now."""
        if (found := self.cache.get(id, revision)) is not None:
            return found
        with self.moment() as session:
            kept = packed.kept(session, id)
        if kept is None or kept.first != revision:
            return None
        book = kept.opened()
        self.cache.pin(id, revision, book)
        return book

    def source(self, id: UUID) -> bytes:
        """All steps of a drawing as they are kept, for a client that works it out itself (JSON). Raises `NoDrawing`."""
        with self.moment() as session:
            changes.facts(session, id)
            return books.source(session, id)

    def act(self, id: UUID, asked: Asked, act: Act) -> tuple[State, int]:
        """Does one act; it is committed, and its book kept, when this returns: how the drawing stands, and in which revision the
        act was done, which is an older one where it was asked for before."""
        try:
            done = self._act(id, asked, act)
        except KeptBefore as before:
            return self.state(id), before.revision
        self.cache.put(id, done.revision, done.book)
        return done, done.revision

    def _act(self, id: UUID, asked: Asked, act: Act) -> State:
        alone = partial(self._changing, id)
        make = self._bringing_back(id, act.revision) if isinstance(act, BringBack) else act.edit
        with self.session() as session:
            if isinstance(act, Undo):
                return changes.undo(session, self.cache, id, asked, alone)
            if isinstance(act, Redo):
                return changes.redo(session, self.cache, id, asked, alone)
            return changes.change(session, self.cache, id, asked, act.own_steps(), make, alone)


def _state(id: UUID, known: Facts, book: Book) -> State:
    return State(id, known.name, known.revision, book, known.undo, known.redo)
