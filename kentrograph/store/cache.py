"""Evaluated books by drawing and revision: a cache that any worker can rebuild, never the truth."""

from collections import OrderedDict
from collections.abc import Iterator
from contextlib import contextmanager
from threading import Lock
from uuid import UUID
from weakref import WeakValueDictionary

from ..core.book.book import Book

MOST_STEPS = 250_000
"""Of all drawings that are kept together; some kB each."""
LEAST = 20
"""What a drawing counts for besides its steps."""
OF_ONE = 2


class _Lock:
    """A lock that can be referred to weakly."""

    def __init__(self) -> None:
        self.lock = Lock()


class BookCache:
    """The newest evaluated books of the drawings that were asked for last; safe to use from several threads. A book itself is
    never changed, and shares with the one before it what is the same: a drawing counts by the steps of its newest."""

    def __init__(self, most_steps: int = MOST_STEPS) -> None:
        self.most_steps = most_steps
        self._books: OrderedDict[UUID, dict[int, Book]] = OrderedDict()
        self._pinned: dict[UUID, tuple[int, Book]] = {}
        self._counts: dict[UUID, int] = {}
        self._total = 0
        self._making: WeakValueDictionary[UUID, _Lock] = WeakValueDictionary()
        self._lock = Lock()

    def get(self, id: UUID, revision: int) -> Book | None:
        """The evaluated book, if it is still here."""
        with self._lock:
            found = self._books.get(id, {}).get(revision)
            if found is not None:
                self._books.move_to_end(id)
                return found
            pinned = self._pinned.get(id)
            return pinned[1] if pinned is not None and pinned[0] == revision else None

    def pin(self, id: UUID, revision: int, book: Book) -> None:
        """Keeps a book of a drawing besides the newest ones, for as long as any of them is kept; one of each drawing."""
        with self._lock:
            self._pinned[id] = (revision, book)

    def nearest(self, id: UUID, revision: int) -> tuple[int, Book] | None:
        """The newest book of a drawing that is older than a revision, with its own."""
        with self._lock:
            older = [at for at in self._books.get(id, {}) if at < revision]
            return (max(older), self._books[id][max(older)]) if older else None

    def put(self, id: UUID, revision: int, book: Book) -> None:
        """Keeps an evaluated book, and lets the drawings go that were not asked for the longest, where they are too many."""
        with self._lock:
            of_one = self._books.setdefault(id, {})
            of_one[revision] = book
            self._books.move_to_end(id)
            # Older revisions are followed by the log.
            for old in sorted(of_one)[:-OF_ONE]:
                del of_one[old]
            counts = len(of_one[max(of_one)].order) + LEAST
            self._total += counts - self._counts.get(id, 0)
            self._counts[id] = counts
            while len(self._books) > 1 and self._total > self.most_steps:
                gone, _ = self._books.popitem(last=False)
                self._total -= self._counts.pop(gone)
                self._pinned.pop(gone, None)

    def of(self, id: UUID) -> list[Book]:
        """All books of a drawing that are here."""
        with self._lock:
            return list(self._books.get(id, {}).values())

    @contextmanager
    def making(self, id: UUID) -> Iterator[None]:
        """One at a time makes the book of a drawing: the others find it made."""
        with self._lock:
            # Held by those that wait for it, and gone with the last of them.
            one = self._making.setdefault(id, _Lock())
        with one.lock:
            yield
