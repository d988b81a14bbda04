"""Large drawings are kept as they were worked out, now and then, in the background: the next table opens at once."""

import asyncio
import gzip
import logging
from collections.abc import Iterator, Sequence
from dataclasses import fields
from operator import attrgetter
from uuid import UUID

import orjson
from sqlalchemy.exc import SQLAlchemyError

from ..core.book.index import index_of
from ..core.desk.view_types import StepView
from ..core.desk.views import step_view
from ..core.replica.differing import difference
from ..store import packed
from ..store.changes import State
from ..store.errors import NoDrawing
from ..store.memory import give_back, making_books
from .present import frame_of_all
from .service import Service
from .work import Work

log = logging.getLogger("kentrograph")
EVERY = 30
"""Changes between what is kept and what is kept next; as many more may be done before that is too old (`packed.FAR`)."""
RESTS = 2.0
"""Seconds from a change until it is looked at: nobody who draws should wait for it."""
RETRY = 30.0
IN_ONE = 100
"""Views that are made in one turn."""
COLUMNS = tuple(field.name for field in fields(StepView))
"""The fields of each step, in this order: the names of a hundred thousand fields would be half of what is read."""
_columns = attrgetter(*COLUMNS)
_LEVEL = 1


class Packing:
    """Keeps the large drawings that are announced to it."""

    def __init__(self, service: Service, work: Work) -> None:
        self.service = service
        self.work = work
        self._wanted: dict[UUID, None] = {}
        self._kept: dict[UUID, int] = {}
        """Which revision of a drawing is known to be kept."""
        self._making: dict[UUID, asyncio.Task[bool]] = {}
        self._any = asyncio.Event()
        self._loop: asyncio.AbstractEventLoop | None = None

    def took(self, state: State) -> None:
        """A drawing has come to this here."""
        if state.revision - self._kept.get(state.id, -EVERY) >= EVERY:
            self._want(state.id, len(state.book.order))

    def made(self, id: UUID, steps: int) -> None:
        """A drawing was made, with so many steps. For any thread."""
        if self._loop is not None:
            self._loop.call_soon_threadsafe(self._want, id, steps)

    def _want(self, id: UUID, steps: int) -> None:
        if steps >= packed.FROM:
            self._wanted[id] = None
            self._any.set()

    async def run(self) -> None:
        """Keeps them until cancelled."""
        self._loop = asyncio.get_running_loop()
        await self._begin()
        while True:
            await self._any.wait()
            self._any.clear()
            await asyncio.sleep(RESTS)
            while self._wanted:
                id = next(iter(self._wanted))
                del self._wanted[id]
                if not await self.kept(id):
                    # It is announced again with the next change.
                    await asyncio.sleep(RETRY)

    async def _begin(self) -> None:
        """After the application was renewed: what another core has kept is kept anew, that of drawings that are at work first."""
        try:
            for id in await self.work.background(self._left_behind):
                self._want(id, packed.FROM)
        except SQLAlchemyError as error:
            # Each is found out when it is opened.
            log.warning("it could not be looked which drawings another core has kept: %s", type(error).__name__)

    def _left_behind(self) -> Sequence[UUID]:
        with self.service.session() as session:
            return packed.left_behind(session)

    async def kept(self, id: UUID) -> bool:
        """Waits until a drawing is kept, once for all who ask meanwhile; whether it is."""
        task = self._making.get(id)
        if task is None:
            task = self._making[id] = asyncio.create_task(self._try(id))
            task.add_done_callback(lambda _: self._making.pop(id))
        return await asyncio.shield(task)

    async def _try(self, id: UUID) -> bool:
        try:
            self._kept[id] = await self.work.background(self.keep, id)
        except NoDrawing:
            return False
        except SQLAlchemyError as error:
            log.warning("drawing %s could not be kept for opening: %s", id, type(error).__name__)
            return False
        except Exception:
            log.exception("drawing %s cannot be kept for opening", id)
            return False
        return True

    def keep(self, id: UUID) -> int:
        """Keeps a drawing as it stands, unless it was kept just now; the revision that is kept. Raises `NoDrawing`."""
        with making_books():
            revision = self._keep(id)
        give_back()
        return revision

    def _keep(self, id: UUID) -> int:
        state = self.service.state(id)
        with self.service.reading(id):
            # Of a drawing that was made just now nobody has asked yet what is where.
            index_of(state.book)
        before = self.service.opening(id)
        if before is not None and state.revision - before.revision < EVERY:
            return before.revision
        old = self._views_of(id, before.revision) if before is not None else {}
        lines = [frame_of_all(state), orjson.dumps(COLUMNS)]
        for some in self.service.in_turns(id, self._lines(state, old, before.revision if before is not None else None)):
            lines += some
        views = gzip.compress(b"\n".join(lines), _LEVEL, mtime=0)
        with self.service.session() as session:
            packed.keep(session, id, state.revision, state.book, views)
        self.service.cache.pin(id, state.revision, state.book)
        return state.revision

    def _views_of(self, id: UUID, revision: int) -> dict[str, bytes]:
        """The views that were kept, where the book that they are of is at hand."""
        book = self.service.cache.get(id, revision)
        if book is None:
            return {}
        with self.service.session() as session:
            found = packed.views(session, id, revision)
        return dict(zip(book.order, gzip.decompress(found).split(b"\n")[2:], strict=True)) if found is not None else {}

    def _lines(self, state: State, old: dict[str, bytes], revision: int | None) -> Iterator[list[bytes]]:
        """The views of all steps, some at a time; those that were kept where they are the same."""
        book = state.book
        known = self.service.cache.get(state.id, revision) if revision is not None and old else None
        differs = difference(book, known)
        changed = {*differs.steps} if not differs.whole else {*book.order}
        ids = list(book.order)
        for first in range(0, len(ids), IN_ONE):
            some = ids[first : first + IN_ONE]
            yield [old[id] if id in old and id not in changed else orjson.dumps(_columns(step_view(book, id))) for id in some]
