"""What a reading is compared with: ``wanted 45 within -0.1 to +0.2``, ``wanted 45 to 45.2``, ``wanted 25 H7``, ``least 40``."""

import re
from collections.abc import Callable

from ..book.tree import Given, Number
from .cursor import Cursor

_FIT = re.compile(r"[A-Za-z]{1,2}[0-9]{1,2}")


def compared(c: Cursor, read: Callable[[Cursor], Number]) -> list[Given]:
    """The givens with which a reading is compared, as far as there are any; ``read`` reads one of its numbers."""
    c.take_op(";")
    if c.at_word("least", "most"):
        return _limits(c, read)
    if not c.at_word("wanted"):
        return []
    start = c.advance().start
    value = read(c)
    if c.take_word("to"):
        return [Given("wanted", (value, read(c)), (), start, c.last)]
    givens = [Given("wanted", (value,), (), start, c.last)]
    token = c.tok
    if token.kind == "word" and _FIT.fullmatch(token.text):
        c.advance()
        return [*givens, Given(f"fit {c.text[token.start : token.end]}", (), (), token.start, c.last)]
    c.take_op(";")
    start = c.tok.start
    if c.take_op("\u00b1"):
        return [*givens, Given("within", (read(c),), (), start, c.last)]
    if c.take_word("within"):
        first = read(c)
        both = (first, read(c)) if c.take_word("to") else (first,)
        givens.append(Given("within", both, (), start, c.last))
    return givens


def _limits(c: Cursor, read: Callable[[Cursor], Number]) -> list[Given]:
    givens: list[Given] = []
    while c.at_word("least", "most") and c.tok.text not in {g.word for g in givens}:
        token = c.advance()
        givens.append(Given(token.text, (read(c),), (), token.start, c.last))
        c.take_op(";")
    return givens
