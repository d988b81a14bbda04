"""What was typed, beside the value it was understood as: ``140 - 48`` = 92 mm."""

from collections.abc import Iterator
from typing import Any

from ..book.book import Book
from ..book.chain import Link, chain_of
from ..book.planner import Planner, Quantity
from ..book.step import Step, planner_of
from ..book.tree import PLACES, Argument, Bearing, Coordinates, Given, Name, Plain, Portion, Statement
from ..figures import Point
from ..problem import Refused, refuse
from ..units import plain
from . import display

_SHARED = frozenset({"touching", "through"})


def given_texts(statement: Statement) -> list[str]:
    """Each given as it was typed, with its word where one word begins several: ``touching C1 C2``."""
    return [_with_word(g, statement.text[g.start : g.end]) for g in statement.givens]


def _with_word(given: Given, text: str) -> str:
    if given.word in _SHARED and not text.lower().startswith(given.word):
        return f"{given.word} {text}"
    return text


def given_values(book: Book, step: Step, index: int) -> list[str]:
    """For each given, the value it was understood as; empty where the text says the same already."""
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
    env: list[Any] = []
    for link in chain_of(planner, statement, patient=True):
        env += [book.figure_named(key, index) for key in planner.names[len(env) : link.names]]
        try:
            value = None if None in env else link.plan(env, last)
        except Refused:
            value = None
        if type(value) is Point:
            last = value
        yield link, value


def _in_words(book: Book, quantity: Quantity | None, argument: Argument, value: Any) -> str:
    """A value in words; nothing where the text says the same already, or names a figure."""
    header = book.header
    match argument:
        case Name() | Portion() | Plain() | Bearing():
            return ""
        case Coordinates(x, y) if _literal(x) and _literal(y):
            return ""
    if quantity == "offset":
        return f"{display.length(value[0], header)}, {display.length(value[1], header)}"
    if isinstance(argument, PLACES):
        return display.place(value, header)
    if quantity in ("direction", "turn"):
        return display.dms(value)
    return f"{plain(value)} {header.manner.unit}" if quantity == "length" else plain(value)


def env_of(book: Book, planner: Planner, index: int) -> list[Any]:
    """The figures that a plan needs, as the book holds them before ``index``. Raises `Refused` (unknown_name)."""
    env: list[Any] = []
    for key in planner.names:
        figure = book.figure_named(key, index)
        if figure is None:
            raise refuse("unknown_name", name=key)
        env.append(figure)
    return env


def _literal(node: Any) -> bool:
    return isinstance(node, Plain | Bearing)
