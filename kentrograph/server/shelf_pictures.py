"""The shelf's pictures, made after a change and in the background, one at a time: nobody waits for them."""

import asyncio
import logging
from uuid import UUID

from sqlalchemy.exc import SQLAlchemyError

from ..store import pictures, shelf
from ..store.errors import NoDrawing
from .service import Service
from .work import Work

log = logging.getLogger("kentrograph")
RESTS = 1.0
"""Seconds from a change until pictures are made: a hand writes several steps in a row."""
RETRY = 5.0


class ShelfPictures:
    """Looks in the database which drawings have none of what they are now: so what a killed server left is found as well."""

    def __init__(self, service: Service, work: Work) -> None:
        self.service = service
        self.work = work
        self._any = asyncio.Event()

    def changed(self) -> None:
        """A drawing has changed here."""
        self._any.set()

    async def run(self) -> None:
        """Makes them until cancelled."""
        failed: set[UUID] = set()
        while True:
            try:
                id = await self.work.background(self._next, failed)
                if id is not None:
                    await self._try(id, failed)
                    continue
            except SQLAlchemyError as error:
                log.warning("pictures for the shelf wait for the database: %s", type(error).__name__)
                await asyncio.sleep(RETRY)
                continue
            self._any.clear()
            await self._any.wait()
            await asyncio.sleep(RESTS)
            failed.clear()

    async def _try(self, id: UUID, failed: set[UUID]) -> None:
        try:
            await self.work.background(self._make, id)
        except SQLAlchemyError:
            raise
        except NoDrawing:
            pass
        except Exception:
            # A fault of ours in one drawing must not keep the others from having theirs; it is tried again after the next change.
            failed.add(id)
            log.exception("no picture can be made of drawing %s", id)

    def _next(self, failed: set[UUID]) -> UUID | None:
        with self.service.session() as session:
            return shelf.without_picture(session, failed)

    def _make(self, id: UUID) -> None:
        state = self.service.state(id)
        with self.service.session() as session:
            pictures.keep_picture(session, id, state.revision, state.book)
