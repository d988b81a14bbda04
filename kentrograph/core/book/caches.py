"""What is worked out about a book and kept with it: each cache is declared, with its type, by the module that fills it.

Nothing here is part of what a book says: it can be dropped at any time and made again.
"""

from collections.abc import Callable
from typing import Generic, TypeVar

from .network import Network

T = TypeVar("T")


class Shared(Generic[T]):
    """Kept for all revisions of a book together: what stands in it has to say itself what it is of."""

    def __init__(self, make: Callable[[], T], steady: bool = False) -> None:
        """``steady`` is what is never left half worked out: its making looks at no budget."""
        self._make = make
        self.steady = steady

    def of(self, book: Network) -> T:
        """What is kept with this book; new and empty the first time."""
        if self not in book.shared:
            book.shared[self] = self._make()
        found: T = book.shared[self]
        return found


class Kept(Generic[T]):
    """Kept for one revision of a book: gone with it."""

    def __init__(self, make: Callable[[], T]) -> None:
        self._make = make

    def of(self, book: Network) -> T:
        """What is kept with this revision; new and empty the first time."""
        if self not in book.kept:
            book.kept[self] = self._make()
        found: T = book.kept[self]
        return found


def forget(book: Network) -> None:
    """Lets go what is kept with a book and may be half worked out: it is made anew when it is needed."""
    for cache in [cache for cache in book.shared if not cache.steady]:
        del book.shared[cache]
    book.kept.clear()
