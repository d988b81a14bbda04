"""What a reading is compared with: a value with its limits on either side, a fit, or a limit alone."""

from collections.abc import Callable
from math import inf
from typing import cast

from ...figures import Point
from ...problem import Refused
from ..parts import QUANTITIES, in_unit
from ..planner import Env, NumberPlan, Planner
from ..tree import Number, Statement
from ..wanted import Wanted, fit_limits
from .given import needs

COMPARED = frozenset({"wanted", "within", "least", "most"})
"""The words of what a reading is compared with; a fit stands behind the value wanted."""


def plan_wanted(p: Planner, statement: Statement, kind: str) -> Callable[[Env, Point], Wanted] | None:
    """What a reading of a kind is compared with, in what it is measured in itself; None where nothing is. Raises `Refused` for a
    tolerance of nothing (needs_given)."""
    given = {g.word: [_extra(p, kind, cast(Number, a)) for a in g.arguments] for g in statement.givens if g.word in COMPARED}
    if "within" in given and "wanted" not in given:
        raise needs(statement, "wanted, with the value that it should have")
    fit = next((g for g in statement.givens if g.word.startswith("fit ")), None)

    def limits(env: Env, last: Point) -> Wanted:
        numbers = {word: [v if isinstance(v, float) else v(env, last) for v in given[word]] for word in COMPARED & given.keys()}
        if "wanted" not in numbers:
            low, high = (numbers[word][0] if word in numbers else None for word in ("least", "most"))
            value = low if low is not None else cast(float, high)
            return Wanted(value, 0.0 if low is not None else -inf, inf if high is None else high - value)
        value, *upto = numbers["wanted"]
        if upto:
            low, high = sorted((value, upto[0]))
            return Wanted(low, 0.0, high - low)
        if fit is not None:
            try:
                letters = fit.word.removeprefix("fit ")
                return Wanted(value, *fit_limits(letters, value, p.unit), letters)
            except Refused as refused:
                raise Refused(refused.problem.at(fit.start, fit.end)) from None
        match numbers.get("within"):
            case [off]:
                return Wanted(value, -abs(off), abs(off))
            case [one, other]:
                return Wanted(value, min(one, other), max(one, other))
        return Wanted(value)

    return limits if COMPARED & given.keys() else None


def compares(word: str) -> bool:
    """Whether a given says what a reading is compared with."""
    return word in COMPARED or word.startswith("fit ")


def _extra(p: Planner, kind: str, number: Number) -> NumberPlan:
    """A number in what the reading itself is measured in."""
    quantity = QUANTITIES[kind]
    value, written, unit = p.number(number), p.manner.unit, p.unit
    if isinstance(value, float):
        return in_unit(value, quantity, written, unit)
    return lambda env, last: in_unit(value(env, last), quantity, written, unit)
