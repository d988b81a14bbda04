"""Numbers typed in a field beside the open line, read by the same language: in any unit, with sums and names."""

import re
from typing import Literal

from ..book.book import Book
from ..book.planner import NumberPlan, Planner
from ..book.statement_planner import StatementPlanner
from ..book.tree import Number
from ..language.cursor import DIRECTION, LENGTH, Wanted
from ..language.numbers import expression
from ..language.places import Reader
from ..problem import Refused, refusal
from .interpretation import env_of

LARGEST = 1e12
"""No step, and no distance on a picture, is larger; in the drawing's unit."""
Field = Literal["length", "turn", "directions"]


def length_of(book: Book, text: str) -> float:
    """A length of more than nothing, in the drawing's unit. Raises `Refused`."""
    value = _number(book, text)
    if not 0.0 < value <= LARGEST:
        raise refusal("bad_length", value=value)
    return value


def numbers_of(book: Book, field: Field, text: str) -> list[float]:
    """What stands in a field: a step of lengths (the drawing's unit) or of directions (degrees), 0 for none; or
    directions as the drawing counts them, with commas between. Raises `Refused` with the reason."""
    if field == "directions":
        return [_direction(book, one) for one in re.split(r"[;,]", text) if one.strip()]
    value, most = _number(book, text), 180.0 if field == "turn" else LARGEST
    if not 0.0 <= value <= most:
        raise refusal("bad_step", value=value, most=most)
    return [value]


def _number(book: Book, text: str) -> float:
    try:
        planner, node = StatementPlanner(book.header.manner, book.header.manner.unit), _read(text, LENGTH)
    except Refused as refused:
        raise refusal("unread_number", found=text.strip()) from refused
    return _value(book, planner, planner.number(node))


def _direction(book: Book, text: str) -> float:
    """A direction with bearings, minutes and the drawing's convention, as the drawing counts it."""
    try:
        planner, node = StatementPlanner(book.header.manner, book.header.manner.unit), _read(text, DIRECTION)
    except Refused as refused:
        raise refusal("unread_direction", found=text.strip()) from refused
    found = _value(book, planner, planner.direction(node))
    return round(book.header.manner.direction_from_core(found), 9)


def _read(text: str, wanted: Wanted) -> Number:
    """The number that a text is, and nothing besides."""
    c = Reader(text)
    node = expression(c, wanted)
    if c.tok.kind != "end":
        c.fail("the end")
    return node


def _value(book: Book, planner: Planner, plan: NumberPlan) -> float:
    """What a number comes to, with the names in it as they stand at the end of the book."""
    if isinstance(plan, float):
        return plan
    return plan(env_of(book, planner, len(book.order)), book.last_place())
