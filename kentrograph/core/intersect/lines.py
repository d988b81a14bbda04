"""Lines with lines and with circles; endless lines and whole circles here, what is drawn of them is looked at later."""

from math import sqrt

from ..figures import Circle, Point
from ..tolerance import Tolerance
from .intersection import APART, COINCIDENT, Intersection, Spot
from .supporting_curves import Way, away


def line_line(a: Way, b: Way, tolerance: Tolerance) -> Intersection:
    """Two ways. Parallel ones are apart, or coincident where no place of one lies off the other.

    Method: the cross product of the directions; the crossing by solving along the first way from its own place, so
    that nothing large is subtracted. Source: common practice.
    """
    sine = a.ux * b.uy - a.uy * b.ux
    noise = sum(tolerance.direction_noise(way.size, away(way.x, way.y)) for way in (a, b))
    if tolerance.parallel(sine, noise):
        slack = tolerance.length(max(a.size, b.size), away(a.x, a.y, b.x, b.y))
        ends = (b.off(a.x, a.y), b.off(a.x + a.size * a.ux, a.y + a.size * a.uy), a.off(b.x, b.y))
        return COINCIDENT if max(map(abs, ends)) <= slack else APART
    t = ((b.x - a.x) * b.uy - (b.y - a.y) * b.ux) / sine
    s = ((b.x - a.x) * a.uy - (b.y - a.y) * a.ux) / sine
    # The nearer of the two given places makes the smaller error.
    if abs(t) <= abs(s):
        return Intersection("crossing", (Spot(Point(a.x + t * a.ux, a.y + t * a.uy)),))
    return Intersection("crossing", (Spot(Point(b.x + s * b.ux, b.y + s * b.uy)),))


def line_circle(way: Way, circle: Circle, tolerance: Tolerance) -> Intersection:
    """A way and a circle: where it enters, then where it leaves, as it runs.

    Method: the foot of the centre, and half the chord as the root of (r - d)(r + d), which keeps its digits where the
    two nearly touch. Source: common practice.
    """
    cx, cy, r = circle.centre.x, circle.centre.y, circle.radius
    d = way.off(cx, cy)
    slack = tolerance.length(r, away(cx, cy, way.x, way.y))
    # From the centre: the foot lies to the right of the centre when the centre is left of the way.
    fx, fy = cx + d * way.uy, cy - d * way.ux
    if abs(abs(d) - r) <= slack:
        return Intersection("touching", (Spot(Point(fx, fy)),))
    if abs(d) > r:
        return APART
    half = sqrt((r - abs(d)) * (r + abs(d)))
    enter = Point(fx - half * way.ux, fy - half * way.uy)
    leave = Point(fx + half * way.ux, fy + half * way.uy)
    return Intersection("crossing", (Spot(enter, "entering"), Spot(leave, "leaving")))
