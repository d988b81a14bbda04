"""Ellipses, whole and in part."""

from collections.abc import Collection, Sequence
from math import atan2, cos, degrees, radians, sin

from ...angles import full_turn
from ...construct import ellipses
from ...figures import Ellipse
from ..kind import GivenSpec, Kind
from ..planner import Plan, Planner
from ..tree import Statement
from .bindings import Facts, value
from .choices import Choices, plan_choice, size, turning


def plan_ellipse(p: Planner, statement: Statement) -> Plan:
    """An ellipse, or the part of it between two directions counted from its first axis."""
    turned = turning(p)

    def about(f: Facts) -> Ellipse:
        return ellipses.about(value(f, "centre"), value(f, "axis"))

    def across(f: Facts) -> Ellipse:
        return ellipses.across(*next(x.values for x in f if x.word == "across"))

    choices: Choices = {
        frozenset({"centre", "axes", *also}): lambda f: _part(f, Ellipse(value(f, "centre"), *size(f), turned(f)))
        for also in ((), ("turned",))
    }
    for word in ("other", "ratio", "through"):
        choices[frozenset({"centre", "axis", word})] = lambda f: _part(f, _widened(f, about(f)))
        choices[frozenset({"across", word})] = lambda f: _part(f, _widened(f, across(f)))
    return plan_choice(p, statement, choices, {"part"}, lambda ellipse: ellipse.centre)


def _widened(f: Facts, axis: Ellipse) -> Ellipse:
    """With the other half axis, by whichever given says how far it goes."""
    given = {x.word: x.values[0] for x in f}
    if "through" in given:
        return ellipses.through(axis, given["through"])
    return ellipses.with_other(axis, given["other"] if "other" in given else axis.a * given["ratio"])


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


def bare_entries(has: Collection[str]) -> list[str]:
    """A bare entry: the centre; two numbers are the half axes, a place the end of one; then the other, or a place on it."""
    if "axis" in has or "across" in has:
        return [] if set(has) & {"other", "ratio", "through"} else ["other", "through"]
    if "axes" in has:
        return [] if "centre" in has else ["centre"]
    return ["axes", "axis"] if "centre" in has else ["centre"]


def said(has: Sequence[str], done: bool) -> str | None:
    """What comes next, in the order in which an ellipse is drawn by hand."""
    if done:
        return None
    if has == ["centre"]:
        return "Where does one axis end? 50, 25, or point; or axes and both half axes: 30, 20."
    if has in (["centre", "axis"], ["across"]):
        return "A number is the other half axis; or point, or through and a place on it, or ratio 0.5."
    return None


KIND = Kind(
    word="ellipse",
    group="place",
    explanation="an ellipse, or part of one",
    plan=plan_ellipse,
    letter="E",
    puts_place=True,
    first="Where is its centre? 40, 25, or point; or across.",
    implied_words=bare_entries,
    next_hint=said,
    givens=(
        GivenSpec("centre", "place", "its centre"),
        GivenSpec("axes", "pair", "its two half axes: 30, 20", blamed=("bad_axis",)),
        GivenSpec("axis", "place", "an end of its first axis", blamed=("same_places",)),
        GivenSpec("across", "two places", "the two ends of one axis", blamed=("same_places",)),
        GivenSpec("other", "length", "the other half axis", blamed=("bad_axis",)),
        GivenSpec("through", "place", "a place on it", blamed=("beyond_axis",)),
        GivenSpec("ratio", "factor", "the other axis over this one", blamed=("bad_axis",)),
        GivenSpec("turned", "turn", "how far it is turned"),
        GivenSpec("part", "turns", "from and to, in degrees on the ellipse", blamed=("bad_sweep",)),
    ),
    examples=(
        ("ellipse centre P3 axes 25, 12 turned 15", "centre and half axes"),
        ("ellipse centre P3 axis P1 other 8", "its centre, the end of an axis, and the other half axis"),
        ("ellipse centre P3 axis P1 through 55, 30", "and a place on it"),
        ("ellipse across P1 P2 ratio 0.5", "the two ends of an axis; also `other 12`, `through P3`"),
        ("ellipse centre P3 axes 25, 12 part 0 to 120", "part of one, by directions from its first axis"),
    ),
)
