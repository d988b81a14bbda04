"""The arguments of a statement in the order in which they are written, each place counting from the one before it.

There is one reading of a relative place: what a step draws, what its rows echo, its handles, and where the pointer's next
place counts from all follow the same chain.
"""

from collections.abc import Callable, Iterator, Sequence
from functools import partial
from typing import Any, NamedTuple, cast

from ..figures import Point
from ..problem import Refused
from .places import offset_of, plan_place, plan_thing
from .planner import Env, NumberPlan, Planner, as_function
from .tree import PLACES, Argument, Coordinates, Given, Name, Number, Place, Polar, Portion, Statement, SymbolBody, Words

ArgumentPlan = Callable[[Env, Point], Any]


class Link(NamedTuple):
    """One argument of a given, and its plan, which needs the first ``names`` of the planner's names."""

    given: Given
    argument: Argument
    plan: ArgumentPlan
    names: int


def chain_of(p: Planner, statement: Statement, patient: bool = False) -> tuple[Link, ...]:
    """All arguments of a statement. Only what stands before its own first place needs the last place of the steps before it.

    Raises `Refused` for an argument that cannot be planned; a ``patient`` chain only does so when its plan is called.
    """
    links: list[Link] = []
    placed = False
    for given in statement.givens:
        for argument in given.arguments:
            try:
                plan = p.behind(placed, partial(argument_plan, p, given.word, argument))
            except Refused as refused:
                if not patient:
                    raise
                plan = _refusing(refused)
            links.append(Link(given, argument, plan, len(p.names)))
            placed = placed or is_place(p, given.word, argument)
    return tuple(links)


def _refusing(refused: Refused) -> ArgumentPlan:
    """A plan that cannot be made, and says so when it is called."""

    def plan(env: Env, last: Point) -> Any:
        raise refused

    return plan


def is_place(p: Planner, word: str, argument: Argument) -> bool:
    """Whether an argument is a place for sure: not an offset that looks like one, nor a name that may be a figure's."""
    return isinstance(argument, PLACES) and p.quantity(word) != "offset"


def argument_plan(p: Planner, word: str, argument: Argument) -> ArgumentPlan:
    """The plan of one argument: a place, a figure, or a number as the given takes it."""
    if p.quantity(word) == "offset":
        return offset_of(p, cast("Coordinates | Polar", argument))
    if isinstance(argument, PLACES):
        return as_function(plan_place(p, argument))
    if isinstance(argument, Name | Portion):
        return plan_thing(p, argument)
    if isinstance(argument, SymbolBody | Words):
        return lambda env, last: argument
    plan = number_plan(p, word, argument)
    return (lambda env, last: plan) if isinstance(plan, float) else plan


def number_plan(p: Planner, word: str, number: Number) -> NumberPlan:
    """The plan of a number, read as what the given takes: a length converted, a direction turned, all else as it stands."""
    match p.quantity(word):
        case "length":
            return p.length(number)
        case "direction":
            return p.direction(number)
        case _:
            return p.number(number)


def follow(chain: Sequence[Link], env: Env, last: Point) -> Iterator[tuple[Link, Any, Point]]:
    """Each argument's value, and the place that it counts from. Raises `Refused` where one cannot be worked out."""
    for link in chain:
        value = link.plan(env, last)
        yield link, value, last
        if type(value) is Point:
            last = value


def place_in(p: Planner, statement: Statement, place: Place) -> Callable[[Env, Point], Point]:
    """The plan of one place of a statement, which counts from the place that is written before it, if there is one. A place
    within another one, as the place in a foot, counts as the first of the statement does."""
    needs_last, p.needs_last = p.needs_last, False
    own = as_function(plan_place(p, place))
    relative, p.needs_last = p.needs_last, needs_last
    if not relative:
        return own
    chain = chain_of(p, statement)
    at = next((n for n, link in enumerate(chain) if link.argument is place), 0)
    before = [link.plan for link in chain[:at] if isinstance(link.argument, (*PLACES, Name))]

    def counted(env: Env, last: Point) -> Point:
        for plan in before:
            value = plan(env, last)
            if type(value) is Point:
                last = value
        return own(env, last)

    return counted
