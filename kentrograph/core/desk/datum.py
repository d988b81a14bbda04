"""A datum taken from the drawing: `datum along L1`, `datum P1`, turned into the numbers that a header line holds."""

import re

from ..book.book import Book
from ..book.names import key_of
from ..figures import Line, Point, StraightCurve
from ..problem import Problem, Refused
from .trying import tried


def datum_in_numbers(book: Book, text: str) -> str:
    """The header line with numbers for what it names: along a line, from its start in its direction, or at a place.

    Text that is not such a line, or that names nothing, comes back as it is. A header is no step: it does not follow
    the figure later.
    """
    along = re.fullmatch(r"\s*datum\s+along\s+(\w+)\s*", text, re.IGNORECASE)
    if along:
        figure = book.figure_named(key_of(along[1]), len(book.order))
        if isinstance(figure, StraightCurve):
            start = figure.start if isinstance(figure, Line) else figure.through
            return f"datum {start.x!r}, {start.y!r} direction {figure.direction!r}"
        return text
    named = re.fullmatch(r"\s*datum\s+([A-Za-z].*)", text, re.IGNORECASE)
    at = _place(book, named[1]) if named else None
    if at is None:
        return text
    return f"datum {at.x!r}, {at.y!r} direction {book.header.manner.datum.turn!r}"


def _place(book: Book, words: str) -> Point | None:
    try:
        _, value = tried(book, f"point {words}", "datum", len(book.order))
    except Refused:
        # It names no place: the line is read, and refused, as it stands.
        return None
    if isinstance(value, Problem) or not isinstance(value.figure, Point):
        return None
    return value.figure
