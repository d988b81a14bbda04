"""The nearest thing that would work, as a text that one key takes: ``radius 15.7`` for a radius that is too small."""

from math import floor, log10, pi
from typing import NamedTuple

from ..book.step import Step
from ..problem import Problem
from ..tolerance import ROUGH_SHARE
from ..units import convert

_SHARES = {"radius": 1.0, "diameter": 2.0, "circumference": 2.0 * pi}
_LENGTH = {"length": 1.0}
_OF_CORNERS = {"radius": 1.0, "by": 1.0}
_BETTER = {
    "radius_too_small": ("least", _SHARES),
    "radius_not_possible": ("nearest", _SHARES),
    "length_too_short": ("least", _LENGTH),
    "does_not_fit": ("most", _OF_CORNERS),
    "nothing_left": ("below", _OF_CORNERS),
    "none_fits": ("most", _OF_CORNERS),
}
"""The field of a problem in which the better size stands, and the givens that it is a size for."""


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
    field, shares = _BETTER.get(problem.kind, ("", {}))
    better = problem.fields.get("most" if field == "below" else field)
    given = next((g for g in step.statement.givens if g.word in shares), None)
    if better is None or given is None:
        return None
    if field == "most" and len(given.arguments) > 1:
        # Of two lengths the one does not say the other.
        return None
    size = convert(better * shares[given.word], unit, step.manner.unit)
    if field == "most":
        size = _down(size)
    if field == "below":
        size = _below(size)
    if not size > 0.0:
        return None
    text = step.statement.text
    written = " ".join([given.word, f"{size:.12g}", *given.sides])
    return Suggestion(written, text[: given.start] + written + text[given.end :], given.start, given.end)


def _down(size: float) -> float:
    """A size in six digits, no greater than it was."""
    short = float(f"{size:.6g}")
    return short if short <= size else float(f"{size * (1.0 - ROUGH_SHARE):.6g}")


def _below(size: float) -> float:
    """The next rounder size in three digits below one that is too large itself."""
    step = 10.0 ** (floor(log10(size)) - 2) if size > 0.0 else 0.0
    return float(f"{size - step:.3g}")


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
