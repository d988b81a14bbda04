"""Sight lines in words: in parentheses, where a crossing takes a figure."""

from collections.abc import Callable

from ..book.tree import Name, Number, Place, Sight
from .cursor import Cursor
from .numbers import direction

WAYS = ("direction", "parallel", "square")


def name_or_sight(c: Cursor, place: Callable[[Cursor], Place]) -> Name | Sight:
    """A figure by its name, or a sight line in parentheses; ``place`` reads a place."""
    if not c.at_op("("):
        return c.name()
    start = c.advance().start
    kind, through, way, at_start = _sight(c, place)
    if not c.take_op(")"):
        c.fail(")")
    return Sight(kind, through, way, at_start, c.text[start : c.last], start, c.last)  # type: ignore[arg-type]


def _sight(c: Cursor, place: Callable[[Cursor], Place]) -> tuple[str, Place | None, Number | Name | None, bool]:
    # `level` and `plumb` are words only here: figures may have been named so.
    if c.at_word("level", "plumb"):
        kind = c.advance().text
        return kind, None if c.at_op(")") else place(c), None, False
    if c.take_word("continuing"):
        at_start = c.at_word("start") and c.peek().text == "of"
        if at_start or (c.at_word("end") and c.peek().text == "of"):
            c.advance(), c.advance()
        return "continuing", None, c.name(), at_start
    through = place(c) if c.take_word("through") else None
    kind = c.need_word(*WAYS, "level", "plumb", "continuing", "through")
    if kind not in WAYS:
        c.fail(*WAYS)
    way: Number | Name = direction(c) if kind == "direction" else c.name()
    if through is None and c.take_word("through"):
        through = place(c)
    return kind, through, way, False
