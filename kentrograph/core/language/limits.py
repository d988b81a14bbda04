"""What a reading or a dimension is compared with: a value wanted, and how far it may be off: docs/guide, *Wanted values*.

``wanted 45 within -0.1 to +0.2`` · ``wanted 45 ±0.1`` · ``wanted 45 (+0.2 -0.1)`` · ``wanted 45 +0.2 -0.1`` · ``wanted 45 H7`` ·
``wanted 45 to 45.2`` · ``least 45`` · ``most 45``; of a dimension the limits alone.
"""

import re

from ..book.fits import FIT
from ..book.tree import Given, Negative, Number, Plain
from ..problem import refusal
from .cursor import DIRECTION, LENGTH, Cursor, Wanted
from .numbers import expression, literal


def compared(c: Cursor, of: Wanted) -> list[Given]:
    """The givens with which a reading is compared, as far as there are any; ``of`` is what its numbers are read for."""
    c.take_op(";")
    if c.at_word("least", "most"):
        return _least_and_most(c, of)
    if not c.at_word("wanted"):
        return limits(c, of)
    start = c.advance().start
    c.limited, before = True, c.limited
    value = expression(c, of)
    c.limited = before
    if c.take_word("to"):
        return [Given("wanted", (value, expression(c, of)), (), start, c.last)]
    givens = [Given("wanted", (value,), (), start, c.last)]
    if _at_fit(c) or (c.tok.kind == "word" and _LIKE_A_FIT.fullmatch(c.tok.text) and not c.ask(c.tok, "figure")):
        # What is none is refused as a fit, and not as a name that nobody has given.
        return [*givens, _fit(c)]
    c.take_op(";")
    return [*givens, *limits(c, of)]


_LIKE_A_FIT = re.compile(r"[A-Za-z]{1,2}[0-9]{1,2}")


def limits(c: Cursor, of: Wanted) -> list[Given]:
    """How far it may be off, as far as that stands here: ``±0.1``, ``within``, an upper and a lower deviation."""
    start = c.tok.start
    if c.take_op("\u00b1"):
        return [Given("within", (expression(c, of),), (), start, c.last)]
    if c.take_word("within"):
        first = expression(c, of)
        both = (first, expression(c, of)) if c.take_word("to") else (first,)
        return [Given("within", both, (), start, c.last)]
    if c.at_deviations():
        return [_deviations(c, of)]
    return []


def limits_alone(c: Cursor) -> list[Given]:
    """The same for a dimension, which takes its nominal from the drawing; also a fit, unless a figure has that name."""
    return [_fit(c)] if at_limits(c) and not c.at_op("(", "+", "-") else limits(c, of_dimension(c))


def of_dimension(c: Cursor) -> Wanted:
    """What the limits of a dimension are read for."""
    return DIRECTION if any(token.text in ("angle", "\u00b0") for token in c.tokens) else LENGTH


def at_limits(c: Cursor) -> bool:
    """Whether limits stand alone where another figure could: a fit that no figure has for its name, deviations."""
    return c.at_deviations() or (_at_fit(c) and not c.ask(c.tok, "figure"))


def _at_fit(c: Cursor) -> bool:
    """Whether a fit stands here; its case counts."""
    return c.tok.kind == "word" and FIT.fullmatch(c.text, c.tok.start, c.tok.end) is not None


def _fit(c: Cursor) -> Given:
    token = c.advance()
    return Given(f"fit {c.text[token.start : token.end]}", (), (), token.start, c.last)


def _deviations(c: Cursor, of: Wanted) -> Given:
    """The upper deviation, then the lower one. Raises `Refused` (upper_below) where they stand the other way round."""
    start = c.tok.start
    closing = c.take_op("(")
    upper = _deviation(c, of)
    c.take_op("/")
    lower = _deviation(c, of)
    if closing and not c.take_op(")"):
        c.fail(")")
    return Given("deviations", (upper, lower), (), start, c.last)


def _deviation(c: Cursor, of: Wanted) -> Number:
    sign = c.take_op("+", "-")
    if c.tok.kind != "num":
        c.fail("a deviation, as +0.2")
    token = c.tok
    value = literal(c, of)
    if sign is None and value != Plain(0.0):
        raise refusal("no_sign", token.start, c.last, found=c.text[token.start : c.last])
    if sign != "-":
        return value
    return Plain(-value.value) if isinstance(value, Plain) else Negative(value)


def _least_and_most(c: Cursor, of: Wanted) -> list[Given]:
    givens: list[Given] = []
    while c.at_word("least", "most") and c.tok.text not in {g.word for g in givens}:
        token = c.advance()
        givens.append(Given(token.text, (expression(c, of),), (), token.start, c.last))
        c.take_op(";")
    return givens
