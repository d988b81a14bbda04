"""What a line or an arc runs to: `until L1`, `until P2`."""

from ...figures import Curve, Point
from ...problem import refusal
from ..crossings import curve_of
from ..tree import Name
from .bindings import Facts


def runs_to(facts: Facts) -> Curve | Point:
    """A curve or a place. Raises `Refused` (no_curve) for anything else."""
    fact = next(x for x in facts if x.word == "until")
    return fact.values[0] if isinstance(fact.values[0], Point) else ends_on(facts)


def ends_on(facts: Facts) -> Curve:
    """A curve, and no place. Raises `Refused` (no_curve)."""
    fact = next(x for x in facts if x.word == "until")
    argument = fact.given.arguments[0]
    if not isinstance(argument, Name):
        raise refusal("no_curve", fact.given.start, fact.given.end, name="the place")
    return curve_of(fact.values[0], argument)
