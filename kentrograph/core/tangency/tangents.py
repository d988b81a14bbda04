"""Lines that touch circles, arcs and ellipses: from a place, of two circles, in a direction.

A line has a circle on its left or on its right as it runs, which is the sign that tells the tangents apart. Source,
published: Euclid, Elements III.17; the four common tangents by the same equation with other signs, derived in
``docs/maths/tangents.md``.
"""

from math import hypot, sqrt
from typing import NamedTuple

from ..angles import unit_vector
from ..figures import Ellipse, EndlessLine, Line, Point, StraightCurve
from ..problem import refusal
from ..tolerance import TOLERANCE
from .touched import Touched

Vector = tuple[float, float]
SIDES = (("left", 1.0), ("right", -1.0))


class Tangent(NamedTuple):
    """A line that touches: the sides on which it has its givens, as it runs, and where it touches each of them.

    ``merged`` where the line of another side has become the same: two circles that touch, a place on the rim.
    """

    sides: tuple[str, ...]
    line: StraightCurve
    at: tuple[Point, ...]
    merged: bool = False


RawTangent = tuple[int, float, float, float, float, bool]
"""A common tangent: its key (3 times the side of the first, plus the second's; left 0, right 1, a place 2), the two touching
places, and whether two have become one there. Where they have, the second place lies ahead of the first on the line."""


def common_tangents(a: Touched, b: Touched) -> list[RawTangent]:
    """The lines from the touching place of one circle to that of another, as numbers; either may be a place. Up to four.

    Raises `Refused`: concentric, one_inside_other (no line touches both), touched_twice.
    """
    ra, rb = a.r, b.r
    dx, dy = b.x - a.x, b.y - a.y
    d = hypot(dx, dy)
    slack = TOLERANCE.length(ra if ra > rb else rb, a.away if a.away > b.away else b.away)
    if d <= slack:
        raise refusal("touched_twice" if abs(ra - rb) <= slack else "concentric")
    if abs(ra - rb) - d > slack:
        raise refusal("one_inside_other", inner=0 if ra < rb else 1, gap=abs(ra - rb) - d)
    ex, ey = dx / d, dy / d
    found: list[RawTangent] = []
    merged = False
    for key_a, s in _KEYS if ra > 0.0 else _PLACE:
        for key_b, t in _KEYS if rb > 0.0 else _PLACE:
            # n.(b - a) = t rb - s ra, with n the unit vector to the left of the line.
            rise = t * rb - s * ra
            spare = d - rise if rise > 0.0 else d + rise
            if spare < -slack:
                continue
            key = 3 * key_a + key_b
            if spare <= slack:
                if not merged:
                    merged = True
                    sign = 1.0 if rise > 0.0 else -1.0
                    at, along = (a, s * ra * sign) if ra <= rb else (b, t * rb * sign)
                    x, y = at.x - along * ex, at.y - along * ey
                    found.append((key, x, y, x + sign * ey * d, y - sign * ex * d, True))
                continue
            u, v = rise / d, sqrt((d - rise) * (d + rise)) / d
            nx, ny = u * ex - v * ey, u * ey + v * ex
            p, q = s * ra, t * rb
            found.append((key, a.x - p * nx, a.y - p * ny, b.x - q * nx, b.y - q * ny, False))
    return found


_KEYS, _PLACE = ((0, 1.0), (1, -1.0)), ((2, 1.0),)


def tangents_along(vector: Vector, a: Touched) -> list[Tangent]:
    """The two endless lines that run along a unit vector and touch a circle: it lies on their left, then on their right."""
    ux, uy = vector
    found: list[Tangent] = []
    for word, s in SIDES:
        at = Point(a.x + s * a.r * uy, a.y - s * a.r * ux)
        found.append(Tangent((word,), EndlessLine(at, ux, uy), (at,)))
    return found


def tangents_of_ellipse(place: Point, e: Ellipse) -> list[Tangent]:
    """The lines from a place to where they touch an ellipse. Raises `Refused` (inside).

    Method: in the ellipse's own coordinates, each over its half axis, it is the unit circle, and tangents stay tangents.
    """
    x, y = e.to_own(place.x, place.y)
    u, v = x / e.a, y / e.b
    d = hypot(u, v)
    away = max(abs(e.centre.x), abs(e.centre.y), abs(place.x), abs(place.y))
    # How far off the rim the place is: the equation of the ellipse over the length of its gradient.
    rise = 2.0 * hypot(u / e.a, v / e.b)
    if abs((d - 1.0) * (d + 1.0)) <= TOLERANCE.length(max(e.a, e.b), away) * rise:
        c, s = unit_vector(e.turn)
        ux, uy = -v * e.a, u * e.b
        size = hypot(ux, uy)
        line = EndlessLine(place, (ux * c - uy * s) / size, (ux * s + uy * c) / size)
        return [Tangent(("left",), line, (place,), True)]
    if d < 1.0:
        raise refusal("inside_ellipse")
    reach = sqrt((d - 1.0) * (d + 1.0))
    c, s = unit_vector(e.turn)
    found: list[Tangent] = []
    for word, side in SIDES:
        # The touching places lie on the polar line of the place: its foot at 1/d from the centre, half its chord reach/d.
        px, py = (u - side * reach * v) / (d * d), (v + side * reach * u) / (d * d)
        ox, oy = px * e.a, py * e.b
        at = Point(e.centre.x + ox * c - oy * s, e.centre.y + ox * s + oy * c)
        found.append(Tangent((word,), Line(place, at), (at,)))
    return found
