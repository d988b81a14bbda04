"""Numbers typed in a field beside the open line, read by the same language: in any unit, with sums and names."""

import re
from typing import Literal

from ..book.book import Book
from ..figures import Line
from ..problem import Problem, Refused, refuse
from .trying import tried

LARGEST = 1e12
"""No step, and no distance on a picture, is larger; in the drawing's unit."""
Field = Literal["length", "turn", "directions"]


def length_of(book: Book, text: str) -> float:
    """A length of more than nothing, in the drawing's unit. Raises `Refused`."""
    value = _number(book, text)
    if not 0.0 < value <= LARGEST:
        raise refuse("bad_length", value=value)
    return value


def numbers_of(book: Book, field: Field, text: str) -> list[float]:
    """What stands in a field: a step of lengths (the drawing's unit) or of directions (degrees), 0 for none; or
    directions as the drawing counts them, with commas between. Raises `Refused` with the reason."""
    if field == "directions":
        return [_direction(book, one) for one in re.split(r"[;,]", text) if one.strip()]
    value, most = _number(book, text), 180.0 if field == "turn" else LARGEST
    if not 0.0 <= value <= most:
        raise refuse("bad_step", value=value, most=most)
    return [value]


def _number(book: Book, text: str) -> float:
    try:
        _, value = tried(book, f"field_ = {text}", "field", len(book.order))
    except Refused as refused:
        raise refuse("unread_number", found=text.strip()) from refused
    if isinstance(value, Problem):
        raise Refused(value)
    assert isinstance(value.figure, float)
    return value.figure


def _direction(book: Book, text: str) -> float:
    # As the direction of a line it is read with bearings, minutes and the drawing's convention.
    try:
        _, value = tried(book, f"line from 0, 0 direction {text} length 1", "field", len(book.order))
    except Refused as refused:
        # What the grammar says of a line is no answer here.
        raise refuse("unread_direction", found=text.strip()) from refused
    if isinstance(value, Problem):
        raise Refused(value)
    assert isinstance(value.figure, Line)
    return round(book.header.manner.direction_from_core(value.figure.direction), 9)
