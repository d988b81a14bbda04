"""Which of several results is meant: the nearest to a place, or one by its number."""

from collections.abc import Callable, Sequence
from typing import Any

from ...construct.solution import Solution, near, take
from ...figures import Point
from ...problem import Refused
from ..chain import argument_plan
from ..planner import Env, Planner
from ..tree import Statement
from .given import by_word

Off = Callable[[Any, Point], float]
"""How far a result lies from a place."""
Chooser = Callable[[Env, Point, Sequence[Solution], Off], int | None]


def chooser_of(p: Planner, statement: Statement) -> Chooser:
    """What ``near`` or ``solution`` chooses, by its index from 0; None where neither is given.

    Planning raises `Refused` (given_twice), choosing no_such_solution, at the given.
    """
    givens = by_word(statement, ("near", "solution"))
    plans = {word: argument_plan(p, word, given.arguments[0]) for word, given in givens.items()}

    def choose(env: Env, last: Point, solutions: Sequence[Solution], off: Off) -> int | None:
        if "near" in plans:
            at = plans["near"](env, last)
            return near(solutions, lambda figure: off(figure, at))
        if "solution" not in plans:
            return None
        nth = plans["solution"](env, last)
        try:
            return take(solutions, (), nth)
        except Refused as refused:
            given = givens["solution"]
            raise Refused(refused.problem.at(given.start, given.end)) from None

    return choose
