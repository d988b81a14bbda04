"""The givens of a statement, worked out: one tuple of values for each, in the order in which they depend on each other."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from math import hypot
from typing import Any

from ...construct.solution import Solution, near, take
from ...figures import Point
from ...meet import nearest
from ...problem import Refused
from ..places import as_function, plan_next, plan_place
from ..planner import Env, Plan, Planner
from ..tree import PLACES, Argument, Given, Name, Statement
from ..values import Drawn
from .given import too_many

_DIRECTIONS = frozenset({"direction", "at"})
_PLAIN = frozenset({"sweep", "turned", "part", "sides", "ratio", "solution"})


@dataclass(frozen=True, slots=True)
class Fact:
    """A given with the values of its arguments."""

    word: str
    values: tuple[Any, ...]
    sides: tuple[str, ...]
    given: Given


Facts = Sequence[Fact]
Draw = Callable[[Facts], "Outcome"]


@dataclass(frozen=True, slots=True)
class Outcome:
    """What a statement draws: its solutions, the side words that choose among them, and the place it puts down last."""

    solutions: list[Solution]
    stated: tuple[str, ...] = ()


def plan_facts(p: Planner, statement: Statement, draw: Draw, last_of: Callable[[Any], Point | None]) -> Plan:
    """A plan that works out every given, draws, and takes the solution that is meant."""
    ordered = sorted(statement.givens, key=lambda g: g.word != "from")
    readers = [(g, [_reader(p, g.word, a, first=i == 0) for a in g.arguments]) for i, g in enumerate(ordered)]

    def plan(env: Env, last: Point) -> Drawn:
        facts: list[Fact] = []
        at = last
        for given, functions in readers:
            values: list[Any] = []
            for function in functions:
                value = function(env, at)
                if isinstance(value, Point):
                    at = value
                values.append(value)
            facts.append(Fact(given.word, tuple(values), given.sides, given))
        return _taken(facts, draw, last_of)

    return plan


def _taken(facts: list[Fact], draw: Draw, last_of: Callable[[Any], Point | None]) -> Drawn:
    choosers = {f.word: f for f in facts if f.word in ("near", "solution")}
    outcome = draw([f for f in facts if f.word not in choosers])
    solutions = outcome.solutions
    if "near" in choosers:
        place = choosers["near"].values[0]
        index = near(solutions, lambda figure: _apart(figure, place))
    else:
        chooser = choosers.get("solution")
        try:
            index = take(solutions, outcome.stated, chooser.values[0] if chooser else None)
        except Refused as refused:
            blamed = chooser or next((f for f in reversed(facts) if f.sides), None)
            if blamed is None:
                raise
            raise Refused(refused.problem.at(blamed.given.start, blamed.given.end)) from None
    one = solutions[index]
    return Drawn(one.figure, last_of(one.figure), tuple(solutions) if len(solutions) > 1 else (), index, one.note)


def _apart(figure: Any, place: Point) -> float:
    at = nearest(figure, place)
    return hypot(at.x - place.x, at.y - place.y)


def _reader(p: Planner, word: str, argument: Argument, first: bool) -> Callable[[Env, Point], Any]:
    if isinstance(argument, PLACES):
        place = argument
        return as_function(plan_place(p, place)) if first else plan_next(p, place)
    if isinstance(argument, Name):
        slot = p.slot(argument)
        return lambda env, last: env[slot]
    number = argument
    if word in _DIRECTIONS:
        plan = p.direction(number)
    else:
        plan = p.number(number) if word in _PLAIN else p.length(number)
    return (lambda env, last: plan) if isinstance(plan, float) else plan


# Looking facts up ---------------------------------------------------------------------------------------


def words_of(statement: Statement) -> list[str]:
    """The words of the givens that say what the figure is, in order."""
    return [g.word for g in statement.givens if g.word not in ("near", "solution")]


def value(facts: Facts, word: str, index: int = 0) -> Any:
    """The first value of the ``index``-th given with this word."""
    return [f for f in facts if f.word == word][index].values[0]


def stated(facts: Facts) -> tuple[str, ...]:
    """All side words."""
    return tuple(side for f in facts for side in f.sides)


def check_words(statement: Statement, limits: dict[str, int]) -> None:
    """Refuses a given that stands more often than the figure can use."""
    count: dict[str, int] = {}
    for given in statement.givens:
        count[given.word] = count.get(given.word, 0) + 1
        if count[given.word] > limits.get(given.word, 1):
            raise too_many(statement, given, [given.word] * limits.get(given.word, 1))
