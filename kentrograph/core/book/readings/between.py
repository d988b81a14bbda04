"""Readings from one thing to another: distances, directions, angles, gaps."""

from math import hypot
from typing import Any

from ...angles import direction_of
from ...figures import Line, Point, RoundCurve, StraightCurve
from ...intersect.nearest import feet
from ...intersect.within import within
from ...measure.angle import at_corner, between_lines
from ...measure.closest import distance_between, place_of
from ...measure.gap import gap_between
from ...problem import refusal
from .reading_kind import OFFSET, Counting, Read, ReadingKind, along_datum


def _distance(p: Counting, a: Any, b: Any) -> Read:
    value = distance_between(a, b)
    if isinstance(a, Point) and isinstance(b, Point):
        dx, dy = along_datum(p, b.x - a.x, b.y - a.y)
        parts = {"across": dx, "up": dy}
        if value > 0.0:
            parts["direction"] = p.manner.direction_from_core(direction_of(b.x - a.x, b.y - a.y))
        return value, parts, ""
    if isinstance(a, Line) and isinstance(b, Point):
        a, b = b, a
    if isinstance(a, Point) and isinstance(b, Line):
        # Beside the line it is the square distance anyway; past its end it is not, and both are returned.
        foot = feet(b, a)[0]
        return value, {} if within(b, foot) else {"square": hypot(foot.x - a.x, foot.y - a.y)}, ""
    if isinstance(a, RoundCurve) and isinstance(b, RoundCurve):
        return value, {"centres": hypot(b.centre.x - a.centre.x, b.centre.y - a.centre.y)}, ""
    return value, {}, ""


def _direction(p: Counting, a: Any, b: Any = None) -> Read:
    if b is None:
        if not isinstance(a, StraightCurve):
            raise refusal("no_line", word="direction")
        return p.manner.direction_from_core(a.direction), {}, ""
    start, end = place_of(a), place_of(b)
    if (start.x, start.y) == (end.x, end.y):
        raise refusal("same_places")
    return p.manner.direction_from_core(direction_of(end.x - start.x, end.y - start.y)), {}, ""


def _angle(p: Counting, a: Any, b: Any, c: Any = None) -> Read:
    if c is not None:
        turn = at_corner(place_of(a), place_of(b), place_of(c))
    elif isinstance(a, StraightCurve) and isinstance(b, StraightCurve):
        turn = between_lines(a, b)
    else:
        raise refusal("no_angle")
    value = abs(turn)
    return value, {"turn": turn, "acute": min(value, 180.0 - value)}, ""


def _across(p: Counting, a: Any, b: Any) -> Read:
    return _beside(p, a, b)[0], {}, ""


def _up(p: Counting, a: Any, b: Any) -> Read:
    return _beside(p, a, b)[1], {}, ""


def _beside(p: Counting, a: Any, b: Any) -> tuple[float, float]:
    """How far across and up one place lies from another, along the datum's direction."""
    start, end = place_of(a), place_of(b)
    return along_datum(p, end.x - start.x, end.y - start.y)


def _gap(p: Counting, a: Any, b: Any) -> Read:
    gap = gap_between(a, b)
    return gap.number, {}, gap.state


READINGS = (
    ReadingKind(
        word="distance",
        title="Distance",
        explanation="between two places, or the shortest between two figures",
        said="value of a distance",
        read=_distance,
        counts=(2,),
        parts={
            **OFFSET,
            "direction": ("direction", "direction"),
            "centres": ("length", "from centre to centre, of a distance"),
            "square": ("length", "square to the line, of a distance to its end"),
            "beside": ("length", "how far beside, of a distance along a line"),
        },
        ways=("along",),
        between=True,
    ),
    ReadingKind(
        word="direction",
        title="Direction",
        explanation="from one place to another",
        said="direction",
        read=_direction,
        counts=(1, 2),
        quantity="direction",
        between=True,
    ),
    ReadingKind(
        word="angle",
        title="Angle",
        explanation="between two lines, or at the middle one of three places",
        said="value of an angle",
        read=_angle,
        counts=(1, 2, 3),
        quantity="turn",
        parts={"turn": ("turn", "angle with its sign"), "acute": ("turn", "the acute angle")},
        ways=("at",),
    ),
    ReadingKind(
        word="across",
        title="Across",
        explanation="how far across one place lies from another, along the datum",
        said="how far across, of a distance",
        read=_across,
        counts=(2,),
        between=True,
        rare=True,
    ),
    ReadingKind(
        word="up",
        title="Up",
        explanation="how far up one place lies from another",
        said="how far up, of a distance",
        read=_up,
        counts=(2,),
        between=True,
        rare=True,
    ),
    ReadingKind(
        word="gap",
        title="Touch",
        explanation="whether two figures touch, miss or cross, and by how much",
        said="value of a gap",
        read=_gap,
        counts=(2,),
    ),
)
