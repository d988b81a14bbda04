"""What was typed, beside the value it was understood as: ``140 - 48`` = 92 mm."""

from typing import Any, cast

from ..book.book import Book
from ..book.kind import Quantity
from ..book.kinds import ALL
from ..book.places import as_function, plan_next, plan_place
from ..book.planner import Planner
from ..book.step import Step
from ..book.tree import PLACES, Bearing, Coordinates, Given, Name, Number, Plain, Portion, Statement
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
    planner = Planner(step.manner, book.header.manner.unit)
    last = book.last_place(index)
    shown: list[str] = []
    for position, given in enumerate(step.statement.givens):
        quantity = ALL[step.statement.kind].quantity(given.word)
        words: list[str] = []
        for argument in given.arguments:
            if isinstance(argument, Name | Portion):
                continue
            try:
                value, last = _value(book, planner, quantity, argument, last, index, position == 0)
            except Refused:
                # The step itself says what is wrong; here there is only nothing to show.
                value = ""
            words.append(value)
        shown.append("; ".join(w for w in words if w))
    return shown


def _value(
    book: Book, planner: Planner, quantity: Quantity | None, argument: Any, last: Point, index: int, first: bool
) -> tuple[str, Point]:
    header = book.header
    if isinstance(argument, PLACES):
        place = argument
        plan = as_function(plan_place(planner, place)) if first else plan_next(planner, place)
        at = plan(env_of(book, planner, index), last)
        if isinstance(place, Coordinates) and _literal(place.x) and _literal(place.y):
            return "", at
        return display.place(at, header), at
    number = cast(Number, argument)
    if _literal(number):
        return "", last
    plan_number = planner.length(number) if quantity == "length" else planner.number(number)
    value = plan_number if isinstance(plan_number, float) else plan_number(env_of(book, planner, index), last)
    if quantity in ("direction", "turn"):
        return display.dms(value), last
    return (f"{plain(value)} {header.manner.unit}" if quantity == "length" else plain(value)), last


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
