"""What a reading is compared with: a value with its limits on either side, a fit, or a limit alone."""

import re
from collections.abc import Callable
from math import inf
from typing import cast

from ...figures import Point
from ...problem import Refused, refusal
from ..fits import fit_limits
from ..parts import in_unit
from ..planner import Env, NumberPlan, Planner
from ..readings import QUANTITIES
from ..tree import Azimuth, Bearing, Number, Statement
from ..wanted import Wanted
from .given import needs, too_many

COMPARED = frozenset({"wanted", "within", "deviations", "least", "most"})
"""The words of what a reading is compared with; a fit stands behind the value wanted."""


Limits = Callable[[Env, Point, float], Wanted]
"""Returns what a reading of a value is compared with; for a dimension without a nominal, that value is the nominal."""


def plan_wanted(p: Planner, statement: Statement, kind: str, nominal: bool = False) -> Limits | None:
    """What a reading of a kind is compared with, in what it is measured in itself; None where nothing is. With ``nominal`` it is
    that of a dimension, which may have limits alone. Raises `Refused` for a tolerance of nothing (needs_given)."""
    given = {g.word: [_extra(p, kind, cast(Number, a)) for a in g.arguments] for g in statement.givens if g.word in COMPARED}
    fit = next((g for g in statement.givens if g.word.startswith("fit ")), None)
    said = [g for g in statement.givens if g.word in ("within", "deviations") or g is fit]
    if said and "wanted" not in given and not nominal:
        raise needs(statement, "wanted, with the value that it should have")
    if len(said) > 1 or (said and given.keys() & {"least", "most"}):
        other = next(g for g in statement.givens if g is not said[0] and (compares(g.word) and g.word != "wanted"))
        raise too_many(statement, other, [said[0].word])
    clockwise = any(isinstance(a, Bearing | Azimuth) for g in statement.givens if g.word == "wanted" for a in g.arguments)
    # Deviations of a bearing or an azimuth count clockwise, however the drawing does.
    mirrored = clockwise and not p.manner.convention.clockwise

    def limits(env: Env, last: Point, value: float) -> Wanted:
        numbers = {word: [v if isinstance(v, float) else v(env, last) for v in given[word]] for word in COMPARED & given.keys()}
        if "wanted" in numbers:
            value, *upto = numbers["wanted"]
            if upto:
                low, high = sorted((value, upto[0]))
                return Wanted(low, 0.0, high - low, nominal=nominal)
        elif "least" in numbers or "most" in numbers:
            least, most = (numbers[word][0] if word in numbers else None for word in ("least", "most"))
            value = least if least is not None else cast(float, most)
            return Wanted(value, 0.0 if least is not None else -inf, inf if most is None else most - value)
        if fit is not None:
            try:
                letters = fit.word.removeprefix("fit ")
                return Wanted(value, *fit_limits(letters, value, p.unit), letters, nominal)
            except Refused as refused:
                raise Refused(refused.problem.at(fit.start, fit.end)) from None
        if "deviations" in numbers:
            upper, lower = numbers["deviations"]
            if upper < lower:
                start, end = said[0].start, said[0].end
                raise refusal("upper_below", start, end, turned=_turned(statement.text[start:end]))
            return Wanted(value, *((-upper, -lower) if mirrored else (lower, upper)), nominal=nominal)
        match numbers.get("within"):
            case [off]:
                return Wanted(value, -abs(off), abs(off), nominal=nominal)
            case [one, other]:
                low, high = sorted((one, other))
                return Wanted(value, *((-high, -low) if mirrored else (low, high)), nominal=nominal)
        return Wanted(value, nominal=nominal)

    return limits if COMPARED & given.keys() or fit is not None else None


def _turned(text: str) -> str:
    """Two deviations the other way round."""
    first, last = re.split(r"\s*/\s*|\s+(?=[-+0])", text.strip("() "), maxsplit=1)
    return f"({last} {first})" if text.startswith("(") else f"{last} {first}"


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
