"""Ellipses from an axis and whatever says how far the other one goes."""

from math import hypot, sqrt

from ..angles import direction_of
from ..figures import Ellipse, Point, halfway
from ..problem import refusal


def about(centre: Point, end: Point) -> Ellipse:
    """The circle with this half axis, as the ellipse of which only the first axis is known. Raises `Refused` (same_places)."""
    half = hypot(end.x - centre.x, end.y - centre.y)
    if half == 0.0:
        raise refusal("same_places")
    return Ellipse(centre, half, half, direction_of(end.x - centre.x, end.y - centre.y))


def across(a: Point, b: Point) -> Ellipse:
    """The same from both ends of the axis; halved after the difference, so that far from the datum nothing is lost."""
    half = hypot(b.x - a.x, b.y - a.y) / 2
    if half == 0.0:
        raise refusal("same_places")
    return Ellipse(halfway(a, b), half, half, direction_of(b.x - a.x, b.y - a.y))


def with_other(axis: Ellipse, other: float) -> Ellipse:
    """With the other half axis of this length. Raises `Refused` (bad_axis)."""
    return Ellipse(axis.centre, axis.a, other, axis.turn)


def through(axis: Ellipse, place: Point) -> Ellipse:
    """With the other half axis for which it runs through a place: b = v / sqrt(1 - (u/a)^2), from its equation.

    Raises `Refused` (beyond_axis) for a place that lies past the ends of the axis, or on it.
    """
    u, v = axis.to_own(place.x, place.y)
    inside = (1.0 - u / axis.a) * (1.0 + u / axis.a)
    if inside <= 0.0 or v == 0.0:
        raise refusal("beyond_axis", other=abs(v), past=max(0.0, abs(u) - axis.a))
    return Ellipse(axis.centre, axis.a, abs(v) / sqrt(inside), axis.turn)
