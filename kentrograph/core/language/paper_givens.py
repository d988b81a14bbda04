"""Givens of what stands on paper: words of a person's own, choices, scales."""

from ..book.kind import GivenSpec
from ..book.tree import Binary, Given, Words
from .cursor import Cursor
from .numbers import direction, number
from .places import thing


def way(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    """``along L1``, ``along 30``."""
    if c.tok.kind == "end":
        c.fail("a direction", "the name of a line")
    of = c.at_edge() or (c.at_name() and c.peek().text != "." and c.ask(c.tok, "step"))
    return [Given(spec.word, (thing(c) if of else direction(c),), (), start, c.last)]


def words(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    """``says "Break all edges"``."""
    if c.tok.kind != "quoted":
        c.fail("words in quotation marks")
    return [Given(spec.word, (Words(c.advance().text[1:]),), (), start, c.last)]


def two_words(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    """``field "Material" "mild steel"``."""
    first = words(c, spec, start)[0].arguments
    if c.tok.kind != "quoted":
        c.fail("what stands in the field, in quotation marks")
    return [Given(spec.word, (*first, Words(c.advance().text[1:])), (), start, c.last)]


def choice(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    """``paper A3``, ``A3``."""
    return [Given(spec.word, (), (c.need_word(*spec.choices),), start, c.last)]


def scale(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    """``scale 1:2``: paper by nature."""
    first = number(c)
    at = c.tok.start
    if not c.take_op(":"):
        return [Given(spec.word, (first,), (), start, c.last)]
    second = number(c)
    return [Given(spec.word, (Binary("/", first, second, at, c.last),), (), start, c.last)]
