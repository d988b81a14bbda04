"""The nearest thing that would work, as a text that one key takes: ``radius 15.7`` for a radius that is too small."""

from collections.abc import Callable
from math import floor, log10, pi
from typing import NamedTuple

from ..book.step import Step
from ..problem import Problem
from ..tolerance import ROUGH_SHARE
from ..units import convert

_SHARES = {"radius": 1.0, "diameter": 2.0, "circumference": 2.0 * pi}
_LENGTH = {"length": 1.0}
_CUT = {"radius": 1.0, "by": 1.0}


def _as_it_is(size: float) -> float:
    return size


def _down(size: float) -> float:
    """A size in six digits, no greater than it was."""
    short = float(f"{size:.6g}")
    return short if short <= size else float(f"{size * (1.0 - ROUGH_SHARE):.6g}")


def _below(size: float) -> float:
    """The next rounder size in three digits below one that is too large itself."""
    step = 10.0 ** (floor(log10(size)) - 2) if size > 0.0 else 0.0
    return float(f"{size - step:.3g}")


class _Better(NamedTuple):
    """The field of a problem in which the better size stands, the givens that it is a size for, and how it is made round."""

    field: str
    shares: dict[str, float]
    rounded: Callable[[float], float] = _as_it_is


_BETTER = {
    "radius_too_small": _Better("least", _SHARES),
    "radius_not_possible": _Better("nearest", _SHARES),
    "length_too_short": _Better("least", _LENGTH),
    "does_not_fit": _Better("most", _CUT, _down),
    "none_fits": _Better("most", _CUT, _down),
    "nothing_left": _Better("most", _CUT, _below),
}


class Suggestion(NamedTuple):
    """What would work in words, and the statement with it in place; ``start`` and ``end`` are what it replaces."""

    words: str
    text: str
    start: int
    end: int


def suggestion(step: Step, problem: Problem, unit: str) -> Suggestion | None:
    """A better size for a step that cannot be drawn with the one it has; None where there is none to offer.

    ``unit`` is the drawing's; the size is written in the unit in which the step is.
    """
    if problem.kind == "bad_sweep":
        return _whole_circle(step, problem)
    better = _BETTER.get(problem.kind)
    size = problem.fields.get(better.field) if better is not None else None
    given = next((g for g in step.statement.givens if better is not None and g.word in better.shares), None)
    # Of two lengths the one does not say the other.
    if better is None or size is None or given is None or len(given.arguments) > 1:
        return None
    size = better.rounded(convert(size * better.shares[given.word], unit, step.manner.unit))
    if not size > 0.0:
        return None
    text = step.statement.text
    written = " ".join([given.word, f"{size:.12g}", *given.sides])
    return Suggestion(written, text[: given.start] + written + text[given.end :], given.start, given.end)


def _whole_circle(step: Step, problem: Problem) -> Suggestion | None:
    """The circle that an arc becomes all the way round, where it is given about a centre."""
    statement = step.statement
    given = {g.word: statement.text[g.start : g.end] for g in statement.givens}
    size = given.get("radius") or (f"through {given['from'].split(None, 1)[1]}" if "from" in given else None)
    if abs(problem.fields["value"]) != 360.0 or "centre" not in given or size is None:
        return None
    written = f"circle {given['centre']} {size}"
    text = statement.text
    return Suggestion(written, text[: statement.kind_start] + written, statement.kind_start, len(text))
