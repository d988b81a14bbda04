"""Evaluated books by drawing and revision: a cache that any worker can rebuild, never the truth."""

from collections import OrderedDict
from collections.abc import Iterator
from contextlib import contextmanager
from threading import Lock
from uuid import UUID
from weakref import WeakValueDictionary

from ..core.book.book import Book

MOST = 64
OF_ONE = 2


class _Lock:
    """A lock that can be referred to weakly."""

    def __init__(self) -> None:
        self.lock = Lock()


class BookCache:
    """The last few evaluated books; safe to use from several threads. A book itself is never changed."""

    def __init__(self) -> None:
        self._books: OrderedDict[tuple[UUID, int], Book] = OrderedDict()
        self._making: WeakValueDictionary[UUID, _Lock] = WeakValueDictionary()
        self._lock = Lock()

    def get(self, id: UUID, revision: int) -> Book | None:
        """The evaluated book, if it is still here."""
        with self._lock:
            found = self._books.get((id, revision))
            if found is not None:
                self._books.move_to_end((id, revision))
            return found

    def nearest(self, id: UUID, revision: int) -> tuple[int, Book] | None:
        """The newest book of a drawing that is older than a revision, with its own."""
        with self._lock:
            older = [at for one, at in self._books if one == id and at < revision]
            return (max(older), self._books[id, max(older)]) if older else None

    def put(self, id: UUID, revision: int, book: Book) -> None:
        """Keeps an evaluated book, and lets the one that was not asked for the longest go."""
        with self._lock:
            self._books[(id, revision)] = book
            self._books.move_to_end((id, revision))
            # One drawing that changes quickly must not put out all others: older revisions are followed by the log.
            for old in sorted(at for one, at in self._books if one == id)[:-OF_ONE]:
                del self._books[id, old]
            while len(self._books) > MOST:
                self._books.popitem(last=False)

    def of(self, id: UUID) -> list[Book]:
        """All books of a drawing that are here."""
        with self._lock:
            return [book for (one, _), book in self._books.items() if one == id]

    @contextmanager
    def making(self, id: UUID) -> Iterator[None]:
        """One at a time makes the book of a drawing: the others find it made."""
        with self._lock:
            # Held by whoever waits for it, and gone with the last of them.
            one = self._making.setdefault(id, _Lock())
        with one.lock:
            yield
