"""Ellipses with lines, circles and ellipses; everything is done in the first ellipse's own axes, from its centre."""

from math import hypot, sqrt

from ..angles import unit_vector
from ..figures import Circle, Ellipse, Point
from ..tolerance import Tolerance
from .carriers import Way, away
from .meeting import APART, COINCIDENT, How, Meeting, Spot
from .trigonometric import Coefficients, candidates


def line_ellipse(way: Way, e: Ellipse, tolerance: Tolerance) -> Meeting:
    """A way and an ellipse: where it enters, then where it leaves. Scaled to a circle across; the place is found there."""
    px, py = e.to_own(way.x, way.y)
    c, s = unit_vector(e.turn)
    ux, uy = way.ux * c + way.uy * s, way.uy * c - way.ux * s
    qx, qy, vx, vy = px / e.a, py / e.b, ux / e.a, uy / e.b
    speed = hypot(vx, vy)
    wx, wy = vx / speed, vy / speed
    off, along = qx * wy - qy * wx, -(qx * wx + qy * wy)
    slack = tolerance.length(max(e.a, e.b), away(e.centre.x, e.centre.y, way.x, way.y)) / min(e.a, e.b)
    if abs(abs(off) - 1.0) <= slack:
        return Meeting("touching", (Spot(_on_way(way, along / speed)),))
    if abs(off) > 1.0:
        return APART
    half = sqrt((1.0 - abs(off)) * (1.0 + abs(off)))
    enter, leave = (_on_way(way, (along + side * half) / speed) for side in (-1.0, 1.0))
    return Meeting("crossing", (Spot(enter, "entering"), Spot(leave, "leaving")))


def _on_way(way: Way, t: float) -> Point:
    return Point(way.x + t * way.ux, way.y + t * way.uy)


def ellipse_circle(e: Ellipse, circle: Circle, tolerance: Tolerance) -> Meeting:
    """An ellipse and a circle: up to four places, in the ellipse's own sense."""
    return ellipse_ellipse(e, Ellipse(circle.centre, circle.radius, circle.radius), tolerance)


def ellipse_ellipse(e: Ellipse, other: Ellipse, tolerance: Tolerance) -> Meeting:
    """Two ellipses: up to four places, by the angle on the first. The second one's equation on the first is a sum of
    sines and cosines of t and 2t (see `trigonometric`)."""
    size = max(e.a, e.b, other.a, other.b)
    slack = tolerance.length(size, away(e.centre.x, e.centre.y, other.centre.x, other.centre.y))
    if _same(e, other, slack):
        return COINCIDENT
    k = _other_on(e, other)
    spots: list[Spot] = []
    touching = False
    for t in sorted(candidates(k)):
        at = e.at(t)
        # How far off the other ellipse the place is: its equation over the length of its gradient.
        u, v = other.to_own(at.x, at.y)
        value = (u / other.a) ** 2 + (v / other.b) ** 2 - 1.0
        steep = 2.0 * hypot(u / other.a**2, v / other.b**2)
        if abs(value) > 10.0 * slack * steep:
            continue
        near = next((s for s in spots if hypot(s.at.x - at.x, s.at.y - at.y) <= 1e-4 * size), None)
        if near is None:
            spots.append(Spot(at))
        else:
            touching = True
    if not spots:
        return APART
    how: How = "touching" if touching or len(spots) == 1 else "crossing"
    names = ("first", "second", "third", "fourth")
    return Meeting(how, tuple(Spot(s.at, names[i]) for i, s in enumerate(spots)) if len(spots) > 1 else tuple(spots))


def _same(e: Ellipse, other: Ellipse, slack: float) -> bool:
    stops = [k * 0.7853981633974483 for k in range(8)]
    for t in stops:
        at = e.at(t)
        u, v = other.to_own(at.x, at.y)
        steep = 2.0 * hypot(u / other.a**2, v / other.b**2)
        if abs((u / other.a) ** 2 + (v / other.b) ** 2 - 1.0) > slack * steep:
            return False
    return True


def _other_on(e: Ellipse, other: Ellipse) -> Coefficients:
    """((u/a)^2 + (v/b)^2 - 1) of the other ellipse, at e's place of angle t."""
    c, s = unit_vector(e.turn - other.turn)
    u0, v0 = other.to_own(e.centre.x, e.centre.y)
    # u = u0 + p cos t + q sin t, v = v0 + m cos t + n sin t, each over the other's half axis.
    u0, p, q = u0 / other.a, e.a * c / other.a, -e.b * s / other.a
    v0, m, n = v0 / other.b, e.a * s / other.b, e.b * c / other.b
    a0 = u0 * u0 + v0 * v0 - 1.0 + 0.5 * (p * p + q * q + m * m + n * n)
    return (a0, 2 * (u0 * p + v0 * m), 2 * (u0 * q + v0 * n), 0.5 * (p * p - q * q + m * m - n * n), p * q + m * n)


def nearest_angles(e: Ellipse, at: Point) -> list[float]:
    """Eccentric angles (radians) at which the normal of an ellipse goes through a place."""
    u, v = e.to_own(at.x, at.y)
    # (a^2 - b^2) sin t cos t - a u sin t + b v cos t = 0.
    scale = max(e.a, e.b)
    a, b, u, v = e.a / scale, e.b / scale, u / scale, v / scale
    k = (0.0, b * v, -a * u, 0.0, 0.5 * (a * a - b * b))
    return candidates(k) or [0.0]
