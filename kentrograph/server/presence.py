"""Who is at a table, where they point, what they have selected and what they mend: told as it is, and kept nowhere.

A worker sends to its own tables. Workers tell each other through the database's announcements, a few times a second at
most, so that people who are served by different ones see each other; one that is not heard of any more is forgotten with all
who sat there. While there is one worker only, nothing is announced but that it is there.
"""

import asyncio
import logging
import secrets
import time
from collections.abc import Callable, Iterator
from uuid import UUID

import psycopg

from ..store.announce import TABLES

log = logging.getLogger("kentrograph")
PACE = 0.3
"""Seconds between two tellings: a pointer that moves is seen to move, and is no load."""
ALIVE, FORGOTTEN = 15.0, 40.0
"""Seconds between two signs of life of a worker, and after which one that gives none is forgotten."""
RETRY = 2.0
LONGEST = 7_500
"""Bytes of one announcement; PostgreSQL takes fewer than 8,000 (NOTIFY)."""


class Presence:
    """Everybody at a table, here and with other workers: by their seats, as the data of an `OtherView` in JSON."""

    def __init__(self, url: str) -> None:
        self.worker = secrets.token_hex(4)
        self.changed: Callable[[UUID], None] = lambda drawing: None
        """Told which drawing has other people at it, or the same ones elsewhere on it."""
        self._url = url.replace("postgresql+psycopg://", "postgresql://")
        self._seats = 0
        self._tables: dict[UUID, dict[str, bytes]] = {}
        self._heard: dict[str, float] = {}
        self._moved: dict[UUID, set[str]] = {}
        self._moved_elsewhere: set[UUID] = set()
        self._asking = True
        self._any = asyncio.Event()

    def seat(self) -> str:
        """A name for a table, which no other one has."""
        self._seats += 1
        return f"{self.worker}-{self._seats}"

    def at(self, drawing: UUID) -> dict[str, bytes]:
        """Who is there now, by their seats."""
        return self._tables.get(drawing, {})

    def others(self, drawing: UUID, seat: str) -> list[bytes]:
        """Who is there besides one."""
        return [who for one, who in self.at(drawing).items() if one != seat]

    def put(self, drawing: UUID, seat: str, who: bytes) -> None:
        """Somebody here has come, or is elsewhere on the drawing now."""
        self._tables.setdefault(drawing, {})[seat] = who
        self._move(drawing, seat)

    def leave(self, drawing: UUID, seat: str) -> None:
        """Somebody here has gone."""
        self._drop(drawing, seat)
        self._move(drawing, seat)

    def hear(self, payload: str) -> None:
        """What a worker tells; what this one said itself comes back, too."""
        worker, ask, *tables = payload.split("\n")
        if worker == self.worker:
            return
        if worker not in self._heard:
            # It has heard nothing from here while this one believed to be alone.
            self._tell_all()
        self._heard[worker] = time.monotonic()
        if ask:
            self._tell_all()
        for line in tables:
            drawing, seat, who = line.split(" ", 2)
            if who:
                self._tables.setdefault(UUID(drawing), {})[seat] = who.encode()
            else:
                self._drop(UUID(drawing), seat)
            self._moved_elsewhere.add(UUID(drawing))
            self._any.set()

    def missed(self) -> None:
        """News of other workers may have been missed: they are asked."""
        self._asking = True
        self._any.set()

    async def run(self) -> None:
        """Tells until cancelled; while the database is away the tables here go on being told."""
        connection: psycopg.AsyncConnection | None = None
        not_before = 0.0
        try:
            while True:
                asking = await self._something()
                moved, self._moved = self._moved, {}
                for drawing in {*moved, *self._moved_elsewhere}:
                    self.changed(drawing)
                self._moved_elsewhere.clear()
                if time.monotonic() >= not_before:
                    try:
                        if connection is None or connection.closed:
                            connection = await psycopg.AsyncConnection.connect(self._url, autocommit=True, connect_timeout=5)
                        for payload in self._payloads(moved, asking):
                            await connection.execute("select pg_notify(%s, %s)", (TABLES, payload))
                    except psycopg.Error as error:
                        log.warning("other workers cannot be told who is at which table: %s", type(error).__name__)
                        not_before = time.monotonic() + RETRY
                        self._asking = True
                await asyncio.sleep(PACE)
        finally:
            if connection is not None:
                await connection.close()

    async def _something(self) -> bool:
        """Waits for something to tell, or until a sign of life is due. Whether the others are asked as well."""
        try:
            await asyncio.wait_for(self._any.wait(), ALIVE)
        except TimeoutError:
            self._forget_silent()
        self._any.clear()
        asking, self._asking = self._asking, False
        return asking

    def _payloads(self, moved: dict[UUID, set[str]], asking: bool) -> Iterator[str]:
        """What is announced, in as few pieces as it takes: whose it is and whether they ask; then, a line for each, a drawing, a
        seat, and who sits there now (nothing where that is nobody)."""
        head = f"{self.worker}\n{'ask' if asking else ''}"
        piece, size, told = [head], 0, False
        for drawing, seats in moved.items() if self._heard else ():
            for seat in seats:
                line = f"{drawing} {seat} {self.at(drawing).get(seat, b'').decode()}"
                if size and size + len(line.encode()) > LONGEST:
                    yield "\n".join(piece)
                    piece, size, told = [head], 0, True
                piece.append(line)
                size += len(line.encode()) + 1
        if size or (not told and (asking or not moved)):
            yield "\n".join(piece)

    def _tell_all(self) -> None:
        for drawing, seats in self._tables.items():
            for seat in seats:
                if seat.startswith(self.worker):
                    self._move(drawing, seat)

    def _forget_silent(self) -> None:
        now = time.monotonic()
        silent = {worker for worker, at in self._heard.items() if now - at > FORGOTTEN}
        for worker in silent:
            del self._heard[worker]
        for drawing, seats in list(self._tables.items()):
            for seat in [one for one in seats if one.partition("-")[0] in silent]:
                self._drop(drawing, seat)
                self._moved_elsewhere.add(drawing)
                self._any.set()

    def _move(self, drawing: UUID, seat: str) -> None:
        self._moved.setdefault(drawing, set()).add(seat)
        self._any.set()

    def _drop(self, drawing: UUID, seat: str) -> None:
        seats = self._tables.get(drawing, {})
        seats.pop(seat, None)
        if not seats:
            self._tables.pop(drawing, None)
