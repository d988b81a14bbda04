"""Who has which drawing open in this worker, and the database's announcements that wake them."""

import asyncio
import logging
from collections import defaultdict
from uuid import UUID

import psycopg

from ..store.changes import CHANNEL

log = logging.getLogger("kentrograph")
RETRY_SECONDS = 1.0


class Rooms:
    """Tables by drawing. News come through the database only, so that several workers serve one drawing."""

    def __init__(self, url: str) -> None:
        self._url = url.replace("postgresql+psycopg://", "postgresql://")
        self._tables: dict[UUID, set[asyncio.Event]] = defaultdict(set)

    def enter(self, id: UUID, news: asyncio.Event) -> None:
        """Wakes this table when the drawing changes."""
        self._tables[id].add(news)

    def leave(self, id: UUID, news: asyncio.Event) -> None:
        """No longer."""
        self._tables[id].discard(news)
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
                        self._wake(UUID(note.payload.split()[0]))
            except psycopg.OperationalError as error:
                log.warning("lost the database's announcements, trying again: %s", error)
                await asyncio.sleep(RETRY_SECONDS)

    def _wake(self, id: UUID) -> None:
        for news in self._tables.get(id, ()):
            news.set()

    def _wake_all(self) -> None:
        for tables in self._tables.values():
            for news in tables:
                news.set()
