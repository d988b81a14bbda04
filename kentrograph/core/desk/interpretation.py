"""What was typed, beside the value it was understood as: ``140 - 48`` = 92 mm."""

import re
from collections.abc import Iterator
from typing import Any

from ..book.book import Book
from ..book.chain import Link, chain_of
from ..book.kinds import STATEMENT_KINDS
from ..book.names import parted
from ..book.pieces import part_of
from ..book.planner import DRAWING, Planner, Quantity
from ..book.step import Step, planner_of
from ..book.surroundings import Surroundings
from ..book.tree import (
    PLACES,
    Argument,
    Bearing,
    Coordinates,
    Given,
    Name,
    NamedPlace,
    PlaceOf,
    Plain,
    Portion,
    Statement,
    SymbolBody,
    Words,
)
from ..figures import Point, StraightCurve
from ..language import display
from ..language.vocabulary import SHORT
from ..problem import Problem, Refused, refusal
from ..units import plain

_SHARED = frozenset({"touching", "through", "at"})
_PAIRS = frozenset(g.word for kind in STATEMENT_KINDS.values() for g in kind.givens if g.takes == "pair")


def given_texts(statement: Statement) -> list[str]:
    """Each given as it was typed, with its word where one word begins several: ``touching C1 C2``."""
    return [_with_word(g, _in_full(g, statement.text[g.start : g.end])) for g in statement.givens]


def in_full(statement: Statement) -> str:
    """The text of a statement without the short forms of the trade: ``d 24`` is ``diameter 24``, ``40 x 25`` is ``40, 25``."""
    text = statement.text
    for given in reversed(statement.givens):
        text = text[: given.start] + _in_full(given, text[given.start : given.end]) + text[given.end :]
    return text


_SHORT_SIZE = re.compile(r"((?:curve\s+)?)[rdRD\u2300\u00d8\u00f8]\s*(?=[\d.(+-])", re.IGNORECASE)
_TIMES = re.compile(r"\s+[xX\u00d7]\s+|(?<=\d)\s*[xX\u00d7]\s*(?=[\d.])|\s*\u00d7\s*")


def _in_full(given: Given, text: str) -> str:
    if given.word in (*SHORT.values(), "curve radius") and _SHORT_SIZE.match(text):
        return _SHORT_SIZE.sub(rf"\g<1>{given.word.split()[-1]} ", text, count=1)
    if given.word in _PAIRS and "," not in text and ".." not in text:
        return _TIMES.sub(", ", text, count=1)
    return text


def _with_word(given: Given, text: str) -> str:
    if given.word in _SHARED and not text.lower().startswith(given.word):
        return f"{given.word} {text}"
    return text


def named(given: Given) -> bool:
    """Whether a given only names places of figures, with no number in it."""
    return bool(given.arguments) and all(isinstance(a, NamedPlace | PlaceOf) for a in given.arguments)


def given_values(book: Book, step: Step, index: int) -> list[str]:
    """For each given, the value it was understood as; empty where the text says the same already."""
    if all(_says_itself(argument) for given in step.statement.givens for argument in given.arguments):
        # Of most steps of a large drawing nothing has to be worked out.
        return [""] * len(step.statement.givens)
    planner = planner_of(step, book.header.manner.unit)
    shown: dict[int, list[str]] = {}
    for link, value in worked_out(book, planner, step.statement, index, book.last_place(index)):
        # Where there is nothing to show the step itself says what is wrong.
        if value is not None:
            words = _in_words(book, planner.quantity(link.given.word), link.argument, value)
            shown.setdefault(id(link.given), []).append(words)
    return ["; ".join(w for w in shown.get(id(given), ()) if w) for given in step.statement.givens]


def worked_out(book: Book, planner: Planner, statement: Statement, index: int, last: Point) -> Iterator[tuple[Link, Any]]:
    """The arguments of a statement with their values, each place counting from the one before it; None for what cannot be worked
    out, as what stands behind the name of something that is not there."""
    for link, value in _attempted(book, planner, statement, index, last):
        yield link, None if isinstance(value, Problem) else value


def unfit(book: Book, step: Step, index: int) -> Problem | None:
    """What is wrong with one of a step's givens by itself, however many more it needs; None where each can be worked out."""
    planner = planner_of(step, book.header.manner.unit)
    for link, value in _attempted(book, planner, step.statement, index, book.last_place(index)):
        if isinstance(value, Problem):
            return value if value.end > value.start else value.at(link.given.start, link.given.end)
        given = link.given
        declared = STATEMENT_KINDS[step.statement.kind].given(given.word) if step.statement.kind in STATEMENT_KINDS else None
        if declared is not None and declared.straight and not isinstance(value, StraightCurve):
            return Problem("no_line", {"word": given.word}, given.start, given.end)
    return None


def _attempted(book: Book, planner: Planner, statement: Statement, index: int, last: Point) -> Iterator[tuple[Link, Any]]:
    """The arguments of a statement with their values, or what is wrong with them."""
    env: list[Any] = []
    for link in chain_of(planner, statement, patient=True):
        for key in planner.names[len(env) : link.names]:
            env.append(Surroundings(book, book.key_at(index)) if key == DRAWING else book.figure_named(key, index))
        unknown = [key for key, figure in zip(planner.names, env, strict=False) if figure is None]
        try:
            value = _unknown(book, statement, unknown[0], index) if unknown else link.plan(env, last)
        except Refused as refused:
            value = refused.problem
        if type(value) is Point:
            last = value
        yield link, value


def unknown_use(book: Book, statement: Statement, index: int) -> Problem | None:
    """The first name in a statement that nothing before it has."""
    found = next((use for use in statement.uses if book.find(use.key, index) is None), None)
    return Problem("unknown_name", {"name": found.text}, found.start, found.end) if found is not None else None


def _unknown(book: Book, statement: Statement, key: str, index: int) -> Problem:
    """Why a name stands for nothing that is drawn."""
    key, path = parted(key)
    use = next(use for use in statement.uses if use.key == key)
    whole = book.figure_named(key, index)
    if path and whole is not None:
        try:
            part_of(whole, path, use.text)
        except Refused as refused:
            return refused.problem.at(use.start, use.end)
    if book.find(key, index) is None:
        return Problem("unknown_name", {"name": use.text}, use.start, use.end)
    return Problem("waits", {"on": use.text}, use.start, use.end)


def _in_words(book: Book, quantity: Quantity | None, argument: Argument, value: Any) -> str:
    """A value in words; nothing where the text says the same already, or names a figure."""
    if _says_itself(argument):
        return ""
    header = book.header
    if quantity == "offset":
        return f"{display.length(value[0], header)}, {display.length(value[1], header)}"
    if isinstance(argument, PLACES):
        return display.place(value, header)
    if quantity == "direction":
        return display.direction(value, header)
    if quantity == "turn":
        return display.dms(value)
    if quantity == "length":
        return display.length(value, header) if header.parts else f"{plain(value)} {header.manner.unit}"
    return plain(value)


def env_of(book: Book, planner: Planner, index: int) -> list[Any]:
    """The figures that a plan needs, as the book holds them before ``index``. Raises `Refused` (unknown_name)."""
    env: list[Any] = []
    for key in planner.names:
        figure = book.figure_named(key, index)
        if figure is None:
            raise refusal("unknown_name", name=key)
        env.append(figure)
    return env


def _says_itself(argument: Argument) -> bool:
    """Whether the text of an argument says its value already, or names a figure."""
    if type(argument) is Coordinates:
        return isinstance(argument.x, _LITERAL) and isinstance(argument.y, _LITERAL)
    return isinstance(argument, _PLAIN)


_LITERAL = (Plain, Bearing)
_PLAIN = (Name, Portion, Plain, Bearing, SymbolBody, Words)
