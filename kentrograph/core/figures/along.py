"""Places along a figure, by the distance from its start."""

from math import degrees, hypot
from typing import assert_never

from ..angles import unit_vector
from ..problem import refusal
from ..tolerance import TOLERANCE
from .arc import Arc
from .circle import Circle
from .ellipse import Ellipse
from .endless_line import EndlessLine
from .line import Line
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
            return figure.at_degrees(ellipse_angle(figure, distance))
        case Outline(pieces):
            rest = distance
            if rest < 0.0:
                raise refusal("no_along", length=figure.length)
            for piece in pieces:
                if rest <= piece.length:
                    return place_along(piece, rest)
                rest -= piece.length
            if rest <= TOLERANCE.joint_share * figure.length:
                return figure.end
            raise refusal("no_along", length=figure.length)
        case _:
            assert_never(figure)


def _on_circle(centre: Point, radius: float, direction: float) -> Point:
    c, s = unit_vector(direction)
    return Point(centre.x + radius * c, centre.y + radius * s)


_ROUNDS = 60


def ellipse_angle(e: Ellipse, distance: float) -> float:
    """The eccentric angle (degrees) at a distance along an ellipse.

    Method: Newton's on the length, whose slope is how fast the ellipse is run along, kept between bounds that close in,
    since the length has no inverse in closed form. Raises `Refused` (no_along) past its ends.
    """
    whole = e.length
    if distance == 0.0 or distance == whole:
        return e.begin + (e.sweep if distance else 0.0)
    if not 0.0 < distance < whole:
        raise refusal("no_along", length=whole)
    sign = 1.0 if e.sweep > 0.0 else -1.0
    low, high = 0.0, abs(e.sweep)
    turn = high * (distance / whole)
    for _ in range(_ROUNDS):
        missed = Ellipse(e.centre, e.a, e.b, e.turn, e.begin, sign * turn).length - distance
        if missed > 0.0:
            high = turn
        else:
            low = turn
        c, s = unit_vector(e.begin + sign * turn)
        better = turn - degrees(missed / hypot(e.a * s, e.b * c))
        if not low < better < high:
            better = 0.5 * (low + high)
        if better == turn or better in (low, high):
            break
        turn = better
    return e.begin + sign * turn


def heading(figure: Line | Arc | EndlessLine | Ellipse, at_start: bool) -> tuple[float, float]:
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
        case Ellipse():
            ux, uy = figure.heading_at(figure.begin if at_start else figure.begin + figure.sweep)
        case _:
            assert_never(figure)
    return (-ux, -uy) if at_start else (ux, uy)
