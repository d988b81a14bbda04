"""Places along a figure, by the distance from its start."""

from math import degrees, hypot, radians

from ..angles import unit_vector
from ..problem import refuse
from .circle import Arc, Circle
from .ellipse import Ellipse
from .line import EndlessLine, Line
from .outline import Outline
from .point import Point

Longish = Line | Arc | Circle | Ellipse | Outline | EndlessLine


def place_along(figure: Longish, distance: float) -> Point:
    """The place ``distance`` from the start of a figure; a circle starts east of its centre, an endless line where it
    was put through. A distance below 0 or past the end goes on along the continuation.

    Raises `Refused` (no_along) past the ends of an outline or of part of an ellipse, which have no continuation.
    """
    match figure:
        case Line(start, end):
            length = figure.length
            if distance == length:
                return end
            return Point(start.x + distance * (end.x - start.x) / length, start.y + distance * (end.y - start.y) / length)
        case EndlessLine(through, ux, uy):
            return Point(through.x + distance * ux, through.y + distance * uy)
        case Circle(centre, radius):
            return _on_circle(centre, radius, degrees(distance / radius))
        case Arc(centre, radius, _, end, sweep):
            if distance == figure.length:
                return end
            turn = degrees(distance / radius)
            return _on_circle(centre, radius, figure.from_direction + (turn if sweep > 0.0 else -turn))
        case Ellipse():
            return figure.at(_ellipse_angle(figure, distance))
        case Outline(pieces):
            rest = distance
            if rest < 0.0:
                raise refuse("no_along", length=figure.length)
            for piece in pieces:
                if rest <= piece.length:
                    return place_along(piece, rest)
                rest -= piece.length
            if rest <= 1e-9 * figure.length:
                return figure.end
            raise refuse("no_along", length=figure.length)


def _on_circle(centre: Point, radius: float, direction: float) -> Point:
    c, s = unit_vector(direction)
    return Point(centre.x + radius * c, centre.y + radius * s)


def _ellipse_angle(e: Ellipse, distance: float) -> float:
    """The eccentric angle (radians) at a distance along; by bisection, since the length has no closed form."""
    if not 0.0 <= distance <= e.length * (1 + 1e-12):
        raise refuse("no_along", length=e.length)
    low, high = 0.0, e.sweep
    for _ in range(60):
        middle = 0.5 * (low + high)
        if middle in (low, high):
            break
        if Ellipse(e.centre, e.a, e.b, e.turn, e.begin, middle).length < distance:
            low = middle
        else:
            high = middle
    return radians(e.begin + 0.5 * (low + high))


def heading(figure: Line | Arc | EndlessLine, at_start: bool) -> tuple[float, float]:
    """The unit vector along which a figure leaves its end, or its start (then looking back out of it)."""
    match figure:
        case Line(start, end):
            length = figure.length
            ux, uy = (end.x - start.x) / length, (end.y - start.y) / length
        case EndlessLine(_, x, y):
            ux, uy = x, y
        case Arc(centre, _, start, end, sweep):
            tip = start if at_start else end
            rx, ry = tip.x - centre.x, tip.y - centre.y
            r = hypot(rx, ry)
            ux, uy = (-ry / r, rx / r) if sweep > 0.0 else (ry / r, -rx / r)
    return (-ux, -uy) if at_start else (ux, uy)
