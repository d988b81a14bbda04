"""Curves of other programs that are lines or arcs in truth: most draw circles with four of them.

Method: a circle through both ends and the middle; the curve is an arc where it stays within a share of the radius beside it.
What a quarter of a circle made of one cubic curve misses is 2.7e-4 of its radius (common practice), so the share is a little
more than that.
"""

from math import atan2, degrees, hypot, remainder

from ...core.construct.circles import through_three
from ...core.figures import Arc, Line, Point
from ...core.problem import Refused
from .svg_path import Bezier

FIT_SHARE = 5e-4
"""By how much of its radius a curve may miss an arc."""
_STRAIGHT_SHARE = 1e-9
_SAMPLES = 16


def straightened(curve: Bezier) -> Line | None:
    """The line that a curve is: its control points lie on it, in order."""
    a, b = curve.start, curve.end
    dx, dy = b.x - a.x, b.y - a.y
    far = hypot(dx, dy)
    if far == 0.0:
        return None
    last = 0.0
    for at in curve.points[1:-1]:
        along, off = ((at.x - a.x) * dx + (at.y - a.y) * dy) / far, ((at.y - a.y) * dx - (at.x - a.x) * dy) / far
        if abs(off) > _STRAIGHT_SHARE * far or not last <= along <= far:
            return None
        last = along
    return Line(a, b)


def rounded(curve: Bezier) -> tuple[Arc, float] | None:
    """The arc that a curve is, and by how much it misses that at most."""
    middle = curve.at(0.5)
    if curve.start == curve.end:
        return None
    try:
        circle = through_three(curve.start, middle, curve.end)
    except Refused:
        return None
    centre, radius = circle.centre, circle.radius
    off, turned, before = 0.0, 0.0, _seen(centre, curve.start)
    for n in range(1, _SAMPLES + 1):
        at = curve.at(n / _SAMPLES)
        off = max(off, abs(hypot(at.x - centre.x, at.y - centre.y) - radius))
        now = _seen(centre, at)
        step = remainder(now - before, 360.0)
        if step * turned < 0.0:
            # It turns back.
            return None
        turned, before = turned + step, now
    if off > FIT_SHARE * radius or not 0.0 < abs(turned) < 360.0:
        return None
    return Arc(centre, radius, curve.start, curve.end, turned), off


def _seen(centre: Point, at: Point) -> float:
    return degrees(atan2(at.y - centre.y, at.x - centre.x))
