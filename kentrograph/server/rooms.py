"""Drawings that are open in this worker: the newest state of each, fetched once and told in one message to all its tables."""

import asyncio
import logging
from collections.abc import Callable, Iterator
from contextlib import contextmanager, nullcontext
from typing import Any, Protocol
from uuid import UUID

from fastapi import Request
from sqlalchemy.exc import SQLAlchemyError

from ..core.book.book import Book
from ..store.announce import BACKING, SHARED
from ..store.changes import Asked, State
from ..store.errors import NoDrawing
from ..store.memory import making_books
from .metrics import changing
from .packing import Packing
from .presence import Presence
from .present import book_message
from .schemas import Act
from .service import Service
from .work import Work, patiently

log = logging.getLogger("kentrograph")
TRAIL = 100
"""Books of which it is remembered what led to them; they share what is the same."""
KEPT = 8
"""Messages that are kept of a drawing: what brings a table from one revision to the newest."""


class Seat(Protocol):
    """A table in a room."""

    @property
    def person(self) -> UUID | None:
        """Who sits here; None for a guest."""

    def wake(self) -> None:
        """There is something new to tell."""

    def backing_changed(self) -> None:
        """The picture under the drawing is another one, or lies elsewhere."""

    def others_changed(self) -> None:
        """Somebody has come or gone, or is elsewhere on the drawing."""

    def look_again(self) -> None:
        """The rights at this table may have changed."""


class Room:
    """One drawing that is open here."""

    def __init__(self, id: UUID, service: Service, work: Work, took: Callable[[State], None]) -> None:
        self.id = id
        self._took = took
        self._trail: dict[object, Book] = {}
        """Of the last books, each by the stamp of the one from which it came."""
        self.service = service
        self.work = work
        self.seats: set[Seat] = set()
        self.state: State | None = None
        self.gone = False
        self._asked = 0
        self._fetching: asyncio.Task[None] | None = None
        self._made: dict[object, asyncio.Task[bytes]] = {}
        self._edits: dict[int, dict[str, Any]] = {}
        """What led to each of the last revisions that were made here."""
        self._acting = 0
        self._announced = -1
        """The newest revision of which the database has told."""

    @contextmanager
    def acting(self) -> Iterator[None]:
        """Around an act that is done here: what the database tells of it is no news."""
        self._acting += 1
        try:
            yield
        finally:
            self._acting -= 1
            self._look_if_behind()

    def announced(self, revision: int) -> None:
        """The database tells of a revision: it is looked at, unless it is made here just now."""
        self._announced = max(self._announced, revision)
        self._look_if_behind()

    def _look_if_behind(self) -> None:
        here = self.state.revision if self.state is not None else -1
        if self._acting == 0 and self._announced > here:
            self.changed()

    def take(self, state: State) -> None:
        """The drawing has come to this; what is older than what is known is left aside."""
        if self.state is not None and state.revision < self.state.revision:
            return
        self.state, self.gone = state, False
        self._took(state)
        self._trail[state.book.before] = state.book
        for stamp in list(self._trail)[:-TRAIL]:
            del self._trail[stamp]
        if state.edit is not None:
            self._edits[state.revision] = state.edit
            for old in list(self._edits)[:-KEPT]:
                del self._edits[old]
        self._wake()

    def _touched(self, known: Book | None, book: Book) -> set[str] | None:
        """What all edits from one book to another touched; None where not all of them were seen here."""
        touched: set[str] = set()
        at = known
        while at is not None and at.stamp is not book.stamp:
            at = self._trail.get(at.stamp)
            if at is not None:
                touched |= at.touched
        return touched if at is not None else None

    def changed(self) -> None:
        """Something has become of the drawing: it is looked at again, once for all who ask meanwhile."""
        self._asked += 1
        if self._fetching is None or self._fetching.done():
            self._fetching = asyncio.create_task(self._fetch())

    async def _fetch(self) -> None:
        seen = -1
        while seen != self._asked:
            seen = self._asked
            try:
                self.take(await self.work.background(self.service.state, self.id))
            except NoDrawing:
                self.state, self.gone = None, True
                self._wake()
            except SQLAlchemyError as error:
                # Everybody is woken again once the database answers again.
                log.warning("drawing %s could not be looked at: %s", self.id, type(error).__name__)
                return

    async def message(self, since: int | None, known: Book | None, state: State) -> bytes:
        """What brings a table that has ``known``, of a revision, to a state (else the whole): made once for all."""
        key = (since, known.stamp if known is not None else None, state.revision, state.name)
        if key not in self._made:
            for old in list(self._made)[: 1 - KEPT]:
                del self._made[old]
            self._made[key] = asyncio.create_task(self.work.background(self._make, since, known, state))
        try:
            return await asyncio.shield(self._made[key])
        except Exception:
            self._made.pop(key, None)
            raise

    def _make(self, since: int | None, known: Book | None, state: State) -> bytes:
        between = range(since + 1, state.revision + 1) if since is not None else range(0)
        here = [self._edits.get(revision) for revision in between]
        edits = [edit for edit in here if edit is not None]
        if since is not None and len(edits) < len(here):
            edits = self.service.edits(self.id, since, state.revision)
        # The whole of a large drawing is made of many small things: see `making_books`.
        with self.service.reading(self.id), making_books() if known is None else nullcontext():
            return book_message(state, known, since, edits, self._touched(known, state.book))

    def _wake(self) -> None:
        for seat in self.seats:
            seat.wake()


class Rooms:
    """The rooms of this worker, and whose turn it is to change each drawing."""

    def __init__(
        self,
        service: Service,
        work: Work,
        presence: Presence,
        packing: Packing,
        changed: Callable[[], None],
    ) -> None:
        """``changed`` is called with each change that is done here."""
        self.service = service
        self.work = work
        self.presence = presence
        presence.changed = self._others_changed
        self._changed = changed
        self.packing = packing
        self._rooms: dict[UUID, Room] = {}

    def enter(self, id: UUID, seat: Seat) -> Room:
        """The room of a drawing, with this table in it."""
        room = self._rooms.setdefault(id, Room(id, self.service, self.work, self.packing.took))
        room.seats.add(seat)
        if room.state is None:
            room.changed()
        return room

    def leave(self, room: Room, seat: Seat) -> None:
        """This table goes; with the last one the room is forgotten."""
        room.seats.discard(seat)
        if not room.seats and self._rooms.get(room.id) is room:
            del self._rooms[room.id]

    async def act(self, whose: object, id: UUID, asked: Asked, act: Act) -> tuple[State, int]:
        """Does an act once it is its turn, and tells all tables here. As `Service.act`; raises `Busy`, too."""
        room = self._rooms.get(id)
        with changing(), room.acting() if room is not None else nullcontext():
            async with self.work.turn(id):
                state, done = await patiently(lambda: self.work.run(whose, self.service.act, id, asked, act))
            if (room := self._rooms.get(id)) is not None:
                room.take(state)
        self._changed()
        return state, done

    def told(self, id: UUID, what: str) -> None:
        """The database announces something of a drawing."""
        room = self._rooms.get(id)
        if room is None:
            return
        if what.isdigit():
            room.announced(int(what))
        elif what == BACKING:
            for seat in room.seats:
                seat.backing_changed()
        elif what == SHARED:
            for seat in room.seats:
                seat.look_again()
        else:
            room.changed()

    def person_changed(self, id: UUID) -> None:
        """Somebody's standing has changed: their tables look what they may do now."""
        for room in self._rooms.values():
            for seat in room.seats:
                if seat.person == id:
                    seat.look_again()

    def _others_changed(self, id: UUID) -> None:
        if (room := self._rooms.get(id)) is not None:
            for seat in room.seats:
                seat.others_changed()

    def missed(self) -> None:
        """News may have been missed: all is looked at again."""
        for room in self._rooms.values():
            room.changed()
            for seat in room.seats:
                seat.look_again()
                seat.backing_changed()


def rooms_of(request: Request) -> Rooms:
    """Those of the worker that answers a request."""
    found: Rooms = request.app.state.rooms
    return found
