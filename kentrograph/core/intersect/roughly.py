"""Where two figures meet, roughly: to find, among the many pairs under a pointer, the few that meet within reach.

Nothing is decided here: what is offered is worked out again exactly. Only pairs that meet far off are left out.
"""

from collections.abc import Iterator
from math import hypot
from typing import Any

from ..figures import Arc, Circle, EndlessLine, Line
from ..tolerance import NOISE_OF_SUMS, ROUGH_SHARE, SPOT_SHARE

RoughCurve = tuple[float, ...]
Rough = tuple[float, float]


def rough_curve(figure: Any) -> RoughCurve | None:
    """A line as a place and a unit vector, a circle as centre and radius; None for anything else."""
    kind = type(figure)
    if kind is Line:
        a, b = figure.start, figure.end
        dx, dy = b.x - a.x, b.y - a.y
        length = hypot(dx, dy)
        return (a.x, a.y, dx / length, dy / length)
    if kind is Circle or kind is Arc:
        return (figure.centre.x, figure.centre.y, figure.radius)
    if kind is EndlessLine:
        return (figure.through.x, figure.through.y, figure.ux, figure.uy)
    return None


def intersect_roughly(a: RoughCurve | None, b: RoughCurve | None, x: float, y: float, reach: float) -> list[Rough] | None:
    """The places within reach of (x, y) where two whole figures may meet; None where only exact sums can tell."""
    if a is None or b is None:
        return None
    # Far from the datum the last digits are noise: a little more than the reach is looked at.
    room = reach * 1.001 + NOISE_OF_SUMS * 100 * (abs(x) + abs(y))
    if len(a) == 4:
        if len(b) == 4:
            return _lines(a, b, x, y, room)
        return _line_and_circle(a, b, x, y, room)
    if len(b) == 4:
        return _line_and_circle(b, a, x, y, room)
    return _circles(a, b, x, y, room)


def _near(found: Iterator[Rough] | list[Rough], x: float, y: float, room: float) -> list[Rough]:
    return [(u, v) for u, v in found if abs(u - x) <= room and abs(v - y) <= room]


def _lines(a: RoughCurve, b: RoughCurve, x: float, y: float, room: float) -> list[Rough] | None:
    ax, ay, ux, uy = a
    bx, by, vx, vy = b
    if abs((x - ax) * uy - (y - ay) * ux) > 1.5 * room or abs((x - bx) * vy - (y - by) * vx) > 1.5 * room:
        return []
    sine = ux * vy - uy * vx
    if abs(sine) < SPOT_SHARE:
        return None
    t = ((bx - ax) * vy - (by - ay) * vx) / sine
    return _near([(ax + t * ux, ay + t * uy)], x, y, room)


def _line_and_circle(line: RoughCurve, circle: RoughCurve, x: float, y: float, room: float) -> list[Rough] | None:
    ax, ay, ux, uy = line
    cx, cy, r = circle
    # Most pairs in the same cells meet nowhere near: neither runs by.
    if abs((x - ax) * uy - (y - ay) * ux) > 1.5 * room or abs(hypot(x - cx, y - cy) - r) > 1.5 * room:
        return []
    off = (cy - ay) * ux - (cx - ax) * uy
    square = (r - off) * (r + off)
    fx, fy = cx + off * uy, cy - off * ux
    if abs(abs(off) - r) <= ROUGH_SHARE * r:
        # All but touching: how it is counted is for the exact sums to say.
        return None
    if square < 0.0:
        return []
    half = square**0.5
    return _near([(fx - half * ux, fy - half * uy), (fx + half * ux, fy + half * uy)], x, y, room)


def _circles(a: RoughCurve, b: RoughCurve, x: float, y: float, room: float) -> list[Rough] | None:
    if abs(hypot(x - a[0], y - a[1]) - a[2]) > 1.5 * room or abs(hypot(x - b[0], y - b[1]) - b[2]) > 1.5 * room:
        return []
    dx, dy = b[0] - a[0], b[1] - a[1]
    d, total = hypot(dx, dy), a[2] + b[2]
    if d < SPOT_SHARE * total or abs(d - total) < ROUGH_SHARE * total or abs(d - abs(a[2] - b[2])) < ROUGH_SHARE * total:
        return None
    along = (d * d + (a[2] - b[2]) * total) / (2.0 * d)
    square = (a[2] - along) * (a[2] + along)
    if square < 0.0:
        return []
    h = square**0.5 / d
    fx, fy = a[0] + along * dx / d, a[1] + along * dy / d
    return _near([(fx - dy * h, fy + dx * h), (fx + dy * h, fy - dx * h)], x, y, room)
