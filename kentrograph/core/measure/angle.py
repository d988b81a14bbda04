"""Angles between directions."""

from math import atan2, degrees, hypot, remainder
from typing import assert_never

from ..figures import Arc, Circle, Ellipse, EndlessLine, Line, Outline, Point, StraightCurve
from ..figures.along import Longish
from ..intersect.nearest import nearest
from ..intersect.supporting_curves import way_of
from ..problem import refusal
from ..tolerance import TOLERANCE
from .closest import distance_between


def turn_between(ax: float, ay: float, bx: float, by: float) -> float:
    """Degrees from one direction to another, -180 < t <= 180, positive counter-clockwise."""
    turn = degrees(atan2(ax * by - ay * bx, ax * bx + ay * by))
    return 180.0 if turn == -180.0 else turn


def between_directions(a: float, b: float) -> float:
    """Degrees from one direction to another, -180 < t <= 180."""
    turn = remainder(b - a, 360.0)
    return 180.0 if turn == -180.0 else turn


def between_lines(a: StraightCurve, b: StraightCurve) -> float:
    """Degrees from the direction of one line, as it runs, to that of another."""
    p, q = way_of(a), way_of(b)
    return turn_between(p.ux, p.uy, q.ux, q.uy)


def running_at(figure: Longish, at: Point) -> tuple[float, float]:
    """The unit vector along which a figure runs at the place on it that is nearest to another; circles run counter-clockwise.

    Of an outline that of the piece there; at its corners of the piece that begins there.
    """
    match figure:
        case Line() | EndlessLine():
            way = way_of(figure)
            return way.ux, way.uy
        case Circle(centre) | Arc(centre):
            rx, ry = at.x - centre.x, at.y - centre.y
            r = hypot(rx, ry)
            if r == 0.0:
                raise refusal("same_places")
            sign = -1.0 if isinstance(figure, Arc) and figure.sweep < 0.0 else 1.0
            return -sign * ry / r, sign * rx / r
        case Ellipse():
            u, v = figure.to_own(*_on(figure, at))
            return figure.heading_at(degrees(atan2(v / figure.b, u / figure.a)))
        case Outline(pieces):
            return running_at(min(reversed(pieces), key=lambda piece: distance_between(at, piece)), at)
        case _:
            assert_never(figure)


def _on(figure: Ellipse, at: Point) -> tuple[float, float]:
    foot = nearest(figure, at)
    return foot.x, foot.y


def at_corner(a: Point, corner: Point, b: Point) -> float:
    """Degrees at the middle one of three places, from the first to the last. Raises `Refused` (same_places)."""
    for other in (a, b):
        if TOLERANCE.same_place(other.x, other.y, corner.x, corner.y):
            raise refusal("same_places")
    return turn_between(a.x - corner.x, a.y - corner.y, b.x - corner.x, b.y - corner.y)
