"""The database's announcements, which wake the rooms of this worker: with them several workers serve one drawing."""

import asyncio
import logging
from uuid import UUID

import psycopg

from ..store.announce import CHANNEL, PERSON, TABLES
from .rooms import Rooms

log = logging.getLogger("kentrograph")
RETRY_SECONDS = 1.0


async def listen(url: str, rooms: Rooms) -> None:
    """Listens until cancelled; after a lost connection, again, and everything is looked at for what was missed."""
    plain = url.replace("postgresql+psycopg://", "postgresql://")
    while True:
        try:
            async with await psycopg.AsyncConnection.connect(plain, autocommit=True) as connection:
                await connection.execute(f"LISTEN {CHANNEL}")
                await connection.execute(f"LISTEN {TABLES}")
                rooms.missed()
                rooms.presence.missed()
                async for note in connection.notifies():
                    if note.channel == TABLES:
                        rooms.presence.hear(note.payload)
                        continue
                    id, what = note.payload.split()
                    if what == PERSON:
                        rooms.person_changed(UUID(id))
                    else:
                        rooms.told(UUID(id), what)
        except psycopg.OperationalError as error:
            log.warning("lost the database's announcements, trying again: %s", error)
            await asyncio.sleep(RETRY_SECONDS)
