"""What is worked with at the table: the book, what is in hand, and where in the book it would be written."""

from dataclasses import dataclass, replace
from typing import Any

from ..book.book import Book
from .draft import Draft
from .hand import Hand
from .pointer import Pointer


@dataclass(frozen=True, slots=True)
class Desk:
    """A book with what is in hand; ``index`` is where a step would stand that is written now, or stands that is mended."""

    book: Book
    hand: Hand
    index: int

    @property
    def draft(self) -> Draft | None:
        """What is being written."""
        return self.hand.draft

    @property
    def pointer(self) -> Pointer | None:
        """Where the pointer is."""
        return self.hand.pointer

    def but(self, **changes: Any) -> "Desk":
        """The same with something else in hand, by the fields of `Hand`."""
        return Desk(self.book, replace(self.hand, **changes), self.index)
