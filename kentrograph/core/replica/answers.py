"""The answer to what a table asks to have read, within so many seconds."""

from ..book.book import Book
from ..book.caches import forget
from ..budget import OverBudget, within
from ..desk.hand import Hand
from ..desk.line_views import cut_short, look
from ..desk.view_types import LineView

READ_SECONDS = 1.5
"""For what is only looked at while it is written."""


def read_within(book: Book, hand: Hand, seq: int = 0, seconds: float = READ_SECONDS) -> tuple[LineView, bool]:
    """The open line, and whether it was read to its end: what would take longer is cut short, and what was kept with the book
    meanwhile let go."""
    try:
        with within(seconds, seconds):
            return look(book, hand, seq), True
    except OverBudget:
        forget(book)
        return cut_short(book, hand, seconds, seq), False
