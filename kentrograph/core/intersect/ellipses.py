"""Ellipses with lines, circles and ellipses; everything is done in the first ellipse's own axes, from its centre."""

from math import acos, asin, atan2, cos, hypot, inf, pi, sin, sqrt

from ..angles import unit_vector
from ..figures import Circle, Ellipse, Point
from ..tolerance import Tolerance
from .intersection import APART, COINCIDENT, How, Intersection, Spot
from .narrowing import newton_between
from .supporting_curves import Way, away
from .trigonometric import Coefficients, Zero, turns, value_and_slope, zeros


def line_ellipse(way: Way, e: Ellipse, tolerance: Tolerance) -> Intersection:
    """A way and an ellipse: where it enters, then where it leaves.

    Scaled to a circle across; the place is found there. The half breadth of the ellipse square to the way (published:
    its support function) turns what is left there into a distance.
    """
    px, py = e.to_own(way.x, way.y)
    c, s = unit_vector(e.turn)
    ux, uy = way.ux * c + way.uy * s, way.uy * c - way.ux * s
    qx, qy, vx, vy = px / e.a, py / e.b, ux / e.a, uy / e.b
    speed = hypot(vx, vy)
    wx, wy = vx / speed, vy / speed
    off, along = qx * wy - qy * wx, -(qx * wx + qy * wy)
    slack = tolerance.length(max(e.a, e.b), away(e.centre.x, e.centre.y, way.x, way.y)) / hypot(e.a * uy, e.b * ux)
    if abs(abs(off) - 1.0) <= slack:
        return Intersection("touching", (Spot(_on_way(way, along / speed)),))
    if abs(off) > 1.0:
        return APART
    half = sqrt((1.0 - abs(off)) * (1.0 + abs(off)))
    enter, leave = (_on_way(way, (along + side * half) / speed) for side in (-1.0, 1.0))
    return Intersection("crossing", (Spot(enter, "entering"), Spot(leave, "leaving")))


def _on_way(way: Way, t: float) -> Point:
    return Point(way.x + t * way.ux, way.y + t * way.uy)


def ellipse_circle(e: Ellipse, circle: Circle, tolerance: Tolerance) -> Intersection:
    """An ellipse and a circle: up to four places, in the ellipse's own sense."""
    return ellipse_ellipse(e, Ellipse(circle.centre, circle.radius, circle.radius), tolerance)


def ellipse_ellipse(e: Ellipse, other: Ellipse, tolerance: Tolerance) -> Intersection:
    """Two ellipses: up to four places, by the angle on the first.

    The equation of one, on the other, is a sum of sines and cosines of t and 2t (see `trigonometric`). It is looked at
    along the smaller of the two, where two crossings close together lie far apart in t.
    """
    slack = tolerance.length(max(e.a, e.b, other.a, other.b), away(e.centre.x, e.centre.y, other.centre.x, other.centre.y))
    if _same(e, other, slack):
        return COINCIDENT
    along, across = _smaller_first(e, other)
    found = zeros(_other_on(along, across), lambda t: slack * _steep(along, across, t))
    if not found:
        return APART
    places = [_polished(along, across, zero) for zero in found]
    if along is not e:
        places.sort(key=lambda p: e.angle_at(p.x, p.y))
    how: How = "touching" if all(zero.double for zero in found) else "crossing"
    names = ("first", "second", "third", "fourth")
    return Intersection(how, tuple(Spot(p, names[i] if len(places) > 1 else "") for i, p in enumerate(places)))


def apart(e: Ellipse, other: Ellipse) -> float:
    """How far two ellipses are from touching: the gap where one lies outside or inside the other; where they cross,
    negative, how far the one lies within the other, or comes out of it, where it does so least.

    To first order: the equation of the one over the length of its gradient, at the places of the other where it turns.
    """
    along, across = _smaller_first(e, other)
    k = _other_on(along, across)
    steep = [(t, _steep(along, across, t)) for t in turns(k)]
    values = [value_and_slope(k, t)[0] / rise for t, rise in steep if rise > 0.0]
    if not values:
        return 0.0
    least = min(map(abs, values))
    return least if all(v > 0.0 for v in values) or all(v < 0.0 for v in values) else -least


def _smaller_first(e: Ellipse, other: Ellipse) -> tuple[Ellipse, Ellipse]:
    return (e, other) if max(e.a, e.b) <= max(other.a, other.b) else (other, e)


def _steep(along: Ellipse, across: Ellipse, t: float) -> float:
    """How fast the equation of one ellipse rises square to it, at a place of the other."""
    at = along.at(t)
    u, v = across.to_own(at.x, at.y)
    return 2.0 * hypot(u / across.a**2, v / across.b**2)


def _polished(e: Ellipse, other: Ellipse, zero: Zero) -> Point:
    """A crossing found by its equation, by Newton's method on the two places themselves; a touching place stays where the
    equation turns, which is where it is known best."""
    best = e.at(zero.angle)
    if zero.double:
        return best
    t, s = zero.angle, other.angle_at(best.x, best.y)
    missed = inf
    for _ in range(4):
        p, q = e.at(t), other.at(s)
        dx, dy = q.x - p.x, q.y - p.y
        if not hypot(dx, dy) < missed:
            break
        best, missed = p, hypot(dx, dy)
        px, py = e.vector(-e.a * sin(t), e.b * cos(t))
        qx, qy = other.vector(-other.a * sin(s), other.b * cos(s))
        cross = px * qy - py * qx
        if cross == 0.0:
            break
        t, s = t + (dx * qy - dy * qx) / cross, s + (dx * py - dy * px) / cross
    return best


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
    k = (0.0, b * v, -a * u, 0.0, 0.5 * (a - b) * (a + b))
    found = [zero.angle for zero in zeros(k, lambda t: 0.0)]
    # Every direction is square to a circle at its centre.
    return found or [0.0]


def nearest_angle(e: Ellipse, at: Point) -> float:
    """The eccentric angle (radians) of the place of a whole ellipse that is nearest to another place.

    Method: it lies in the quadrant of that place, where the normal turns past it once only; Newton's method kept between
    bounds. Published: Eberly, "Distance from a Point to an Ellipse" (from memory).

    >>> nearest_angle(Ellipse(Point(0.0, 0.0), 3.0, 2.0), Point(0.0, 0.0)) == 0.5 * pi
    True
    """
    u, v = e.to_own(at.x, at.y)
    scale = max(e.a, e.b)
    a, b, x, y = e.a / scale, e.b / scale, abs(u) / scale, abs(v) / scale
    flat = (a - b) * (a + b)
    if y == 0.0:
        t = acos(a * x / flat) if a * x < flat else 0.0
    elif x == 0.0:
        t = asin(b * y / -flat) if b * y < -flat else 0.5 * pi
    else:
        t = _turned_past(a, b, x, y, flat)
    t = t if u >= 0.0 else pi - t
    return t if v >= 0.0 else -t


def _turned_past(a: float, b: float, x: float, y: float, flat: float) -> float:
    """The angle in the first quadrant at which the normal goes through a place in it."""

    def missed(t: float) -> tuple[float, float]:
        c, s = cos(t), sin(t)
        return flat * s * c - a * x * s + b * y * c, flat * (c * c - s * s) - a * x * c - b * y * s

    return newton_between(missed, 0.0, 0.5 * pi, atan2(y * a, x * b), 1)
