"""Pieces of round figures from one place on them to another."""

from collections.abc import Sequence
from math import degrees, hypot
from typing import Any

from ..angles import full_turn
from ..figures import Arc, CentredCurve, Circle, Ellipse, Point, RoundCurve
from ..intersect import nearest
from ..problem import refusal
from ..tolerance import TOLERANCE
from .arcs import about_to


def along_figure(figure: Any, start: Point, end: Point, sides: Sequence[str], name: str) -> Arc | Ellipse:
    """The part of a circle, an arc's circle or an ellipse from one place on it to another.

    The shorter way; ``major`` the longer one, ``clockwise`` or ``counter-clockwise`` the one that runs so. Raises `Refused`:
    no_rim, not_on with the distance, same_places.
    """
    if not isinstance(figure, CentredCurve):
        raise refusal("no_rim", name=name)
    whole = Ellipse(figure.centre, figure.a, figure.b, figure.turn) if isinstance(figure, Ellipse) else _circle(figure)
    size = max(whole.a, whole.b) if isinstance(whole, Ellipse) else whole.radius
    for place in (start, end):
        at = nearest(whole, place)
        gap = hypot(at.x - place.x, at.y - place.y)
        if gap > TOLERANCE.closing(size, max(abs(place.x), abs(place.y)), 1):
            raise refusal("not_on", name=name, gap=gap)
    if hypot(end.x - start.x, end.y - start.y) <= TOLERANCE.closing(size, max(abs(start.x), abs(start.y)), 1):
        raise refusal("same_places")
    ways = [_part(whole, start, end, clockwise) for clockwise in (False, True)]
    if "clockwise" in sides or "counter-clockwise" in sides:
        return ways["clockwise" in sides]
    ways.sort(key=lambda way: way.length)
    return ways["major" in sides]


def _circle(figure: RoundCurve) -> Circle:
    return Circle(figure.centre, figure.radius)


def _part(whole: Circle | Ellipse, start: Point, end: Point, clockwise: bool) -> Arc | Ellipse:
    if isinstance(whole, Circle):
        arc = about_to(whole.centre, start, end, clockwise)
        return Arc(whole.centre, whole.radius, start, end, arc.sweep)
    begin, finish = (_degrees(whole, p) for p in (start, end))
    turn = full_turn(begin - finish if clockwise else finish - begin)
    return Ellipse(whole.centre, whole.a, whole.b, whole.turn, begin, -turn if clockwise else turn)


def _degrees(e: Ellipse, place: Point) -> float:
    return full_turn(degrees(e.angle_at(place.x, place.y)))
