"""Distance and direction between two things."""

from math import hypot
from typing import Any

from ..figures import Arc, Circle, EndlessLine, Line, Point
from ..problem import refuse


def place_of(thing: Any) -> Point:
    """The place that a thing stands for: a point itself, a circle or arc by its centre. Raises `Refused` (not_a_place)."""
    if isinstance(thing, Point):
        return thing
    if isinstance(thing, Circle | Arc):
        return thing.centre
    raise refuse("not_a_place")


def distance_between(first: Any, second: Any) -> float:
    """The shortest distance between two things, in the drawing's unit; 0 where they meet.

    Source: common practice; between a place and a line Euclid, Elements I.12.
    """
    if isinstance(first, Point) and isinstance(second, Point):
        return hypot(second.x - first.x, second.y - first.y)
    if isinstance(second, Point):
        first, second = second, first
    if isinstance(first, Point):
        match second:
            case Circle():
                return abs(hypot(first.x - second.centre.x, first.y - second.centre.y) - second.radius)
            case Line():
                return _to_line(first, second)
            case EndlessLine():
                return abs((first.x - second.through.x) * second.uy - (first.y - second.through.y) * second.ux)
    if isinstance(first, Circle) and isinstance(second, Circle):
        apart = hypot(second.centre.x - first.centre.x, second.centre.y - first.centre.y)
        return max(0.0, apart - first.radius - second.radius, abs(first.radius - second.radius) - apart)
    raise refuse("not_yet", what="the distance between these two kinds of figure")


def _to_line(place: Point, line: Line) -> float:
    dx, dy = line.end.x - line.start.x, line.end.y - line.start.y
    px, py = place.x - line.start.x, place.y - line.start.y
    along = (px * dx + py * dy) / (dx * dx + dy * dy)
    if along <= 0.0:
        return hypot(px, py)
    if along >= 1.0:
        return hypot(place.x - line.end.x, place.y - line.end.y)
    return abs(px * dy - py * dx) / hypot(dx, dy)
