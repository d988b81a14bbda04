"""Evaluated books by drawing and revision: a cache that any worker can rebuild, never the truth."""

from collections import OrderedDict
from threading import Lock
from uuid import UUID

from ..core.book.book import Book

MOST = 64


class BookCache:
    """The last few evaluated books; safe to use from several threads. A book itself is never changed."""

    def __init__(self) -> None:
        self._books: OrderedDict[tuple[UUID, int], Book] = OrderedDict()
        self._lock = Lock()

    def get(self, id: UUID, revision: int) -> Book | None:
        """The evaluated book, if it is still here."""
        with self._lock:
            found = self._books.get((id, revision))
            if found is not None:
                self._books.move_to_end((id, revision))
            return found

    def put(self, id: UUID, revision: int, book: Book) -> None:
        """Keeps an evaluated book, and lets the one that was not asked for the longest go."""
        with self._lock:
            self._books[(id, revision)] = book
            self._books.move_to_end((id, revision))
            while len(self._books) > MOST:
                self._books.popitem(last=False)
