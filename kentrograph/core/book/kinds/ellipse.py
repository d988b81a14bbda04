"""Ellipses, whole and in part."""

from math import atan2, cos, degrees, hypot, radians, sin

from ...angles import direction_of, full_turn
from ...figures import Ellipse, halfway
from ...problem import refuse
from ..kind import GivenKind, Kind, in_turn
from ..planner import Plan, Planner
from ..tree import Statement
from .bindings import Facts, value
from .choices import Choices, plan_choice, size, turning


def plan_ellipse(p: Planner, statement: Statement) -> Plan:
    """An ellipse, or the part of it between two directions counted from its first axis."""
    turned = turning(p)

    def across(f: Facts) -> Ellipse:
        a, b = next(x.values for x in f if x.word == "across")
        half = hypot(b.x - a.x, b.y - a.y) / 2
        if half == 0.0:
            raise refuse("same_places")
        turn = direction_of(b.x - a.x, b.y - a.y)
        return _part(f, Ellipse(halfway(a, b), half, half * value(f, "ratio"), turn))

    choices: Choices = {
        frozenset({"centre", "axes"}): lambda f: _part(f, Ellipse(value(f, "centre"), *size(f), turned(f))),
        frozenset({"across", "ratio"}): across,
    }
    return plan_choice(p, statement, choices, {"turned", "part"}, lambda ellipse: ellipse.centre)


def _part(f: Facts, whole: Ellipse) -> Ellipse:
    found = next((x.values for x in f if x.word == "part"), None)
    if found is None:
        return whole
    begin, end = (_eccentric(whole, d) for d in found)
    sweep = full_turn(end - begin)
    return Ellipse(whole.centre, whole.a, whole.b, whole.turn, begin, sweep if sweep > 0.0 else 360.0)


def _eccentric(e: Ellipse, direction: float) -> float:
    """The eccentric angle at a direction from the centre, both in degrees from the first axis."""
    t = radians(direction)
    return full_turn(degrees(atan2(e.a * sin(t), e.b * cos(t))))


KIND = Kind(
    word="ellipse",
    group="place",
    explanation="an ellipse, or part of one",
    plan=plan_ellipse,
    letter="E",
    draws="ellipse",
    puts_place=True,
    first="Where is its centre? 40, 25, or point; or across.",
    bare=in_turn("centre", "axes"),
    givens=(
        GivenKind("centre", "place", "its centre"),
        GivenKind("axes", "pair", "its two half axes: 30, 20", blamed=("bad_axis",)),
        GivenKind("across", "two places", "the two ends of one axis"),
        GivenKind("ratio", "factor", "the other axis over this one", blamed=("bad_axis",)),
        GivenKind("turned", "turn", "how far it is turned"),
        GivenKind("part", "turns", "from and to, in degrees on the ellipse", blamed=("bad_sweep",)),
    ),
    examples=(
        ("ellipse centre P3 axes 25, 12 turned 15", "centre and half axes"),
        ("ellipse across P1 P2 ratio 0.5", "the two ends of an axis"),
        ("ellipse centre P3 axes 25, 12 part 0 to 120", "part of one, by directions from its first axis"),
    ),
)
