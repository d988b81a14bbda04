"""Who has which drawing open in this worker, and the database's announcements that wake them."""

import asyncio
import logging
from collections import defaultdict
from uuid import UUID

import psycopg

from ..store.announce import BACKING, CHANNEL

log = logging.getLogger("kentrograph")
RETRY_SECONDS = 1.0


class Pending:
    """What a table has not been told yet."""

    def __init__(self) -> None:
        self.any = asyncio.Event()
        self.backing = False

    def tell(self, backing: bool) -> None:
        """The drawing has changed, or (``backing``) the picture under it."""
        self.backing = self.backing or backing
        self.any.set()

    async def wait(self) -> bool:
        """Until there is any; whether it is of the picture."""
        await self.any.wait()
        self.any.clear()
        backing, self.backing = self.backing, False
        return backing


class Listener:
    """Tables by drawing. News come through the database only, so that several workers serve one drawing."""

    def __init__(self, url: str) -> None:
        self._url = url.replace("postgresql+psycopg://", "postgresql://")
        self._tables: dict[UUID, set[Pending]] = defaultdict(set)

    def enter(self, id: UUID, pending: Pending) -> None:
        """Wakes this table when the drawing changes."""
        self._tables[id].add(pending)

    def leave(self, id: UUID, pending: Pending) -> None:
        """No longer."""
        self._tables[id].discard(pending)
        if not self._tables[id]:
            del self._tables[id]

    async def listen(self) -> None:
        """Listens until cancelled; after a lost connection, again, and everybody is woken for what was missed."""
        while True:
            try:
                async with await psycopg.AsyncConnection.connect(self._url, autocommit=True) as connection:
                    await connection.execute(f"LISTEN {CHANNEL}")
                    self._wake_all()
                    async for note in connection.notifies():
                        id, what = note.payload.split()
                        self._wake(UUID(id), what == BACKING)
            except psycopg.OperationalError as error:
                log.warning("lost the database's announcements, trying again: %s", error)
                await asyncio.sleep(RETRY_SECONDS)

    def _wake(self, id: UUID, backing: bool) -> None:
        for pending in self._tables.get(id, ()):
            pending.tell(backing)

    def _wake_all(self) -> None:
        for tables in self._tables.values():
            for pending in tables:
                pending.tell(True)
