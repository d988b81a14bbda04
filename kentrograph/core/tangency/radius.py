"""Circles of a known radius that touch two givens: their centre lies on a locus of each.

The loci are what a person draws: the circle of R + r or of R - r about a centre, the line beside a line at R. Common
practice; the half chord by Heron's formula in factors, which loses no digits.
"""

from math import hypot, sqrt

from ..figures.circle import checked_radius
from ..problem import refusal
from ..tolerance import TOLERANCE
from .three import LEFT, RIGHT, UNSIGNED, Raw
from .touched import Touched, contact

_BOTH, _ONE = (1.0, -1.0), (1.0,)


def touching_two_radius(a: Touched, b: Touched, radius: float) -> list[Raw]:
    """All circles of ``radius`` that touch two givens, in the documented order.

    Raises `Refused`: bad_radius, touched_twice, infinitely_many (concentric circles, parallel lines at twice the radius).
    """
    checked_radius(radius)
    if a.line and b.line:
        return _two_lines(a, b, radius)
    if a.line or b.line:
        return _line_and_circle(a, b, radius)
    return _two_circles(a, b, radius)


def _two_circles(a: Touched, b: Touched, radius: float) -> list[Raw]:
    dx, dy = b.x - a.x, b.y - a.y
    d = hypot(dx, dy)
    slack = TOLERANCE.length(max(a.r, b.r, radius), max(a.away, b.away))
    if d <= slack:
        if abs(a.r - b.r) <= slack:
            raise refusal("touched_twice")
        return _concentric(a, b, radius, slack)
    ux, uy = dx / d, dy / d
    found: list[Raw] = []
    for s in _ONE if a.r == 0.0 else _BOTH:
        p = radius + s * a.r
        at_a = 0 if s > 0.0 else 3 if radius < a.r else 6
        if p < 0.0:
            p = -p
        for t in _ONE if b.r == 0.0 else _BOTH:
            q = radius + t * b.r
            if q < 0.0:
                q = -q
            outside, inside = d - (p + q), abs(p - q) - d
            # A locus of no size is the given itself.
            if outside > slack or inside > slack or p <= slack or q <= slack:
                continue
            key = 3 * at_a + (0 if t > 0.0 else 3 if radius < b.r else 6)
            if outside >= -slack or inside >= -slack:
                along = p if outside >= -slack else (p if p > q else -p)
                if q < p:
                    # Counted from the centre whose locus is the smaller one.
                    along = d + (-q if outside >= -slack else q)
                gap = abs(abs(d - along) - q) if q >= p else abs(abs(along) - p)
                found.append((key + UNSIGNED, a.x + along * ux, a.y + along * uy, radius, gap))
                continue
            along = 0.5 * (d + (p - q) * ((p + q) / d))
            half = sqrt((d + (p + q)) * ((p + q) - d) * (d + (p - q)) * (d - (p - q))) / (2.0 * d)
            gap = max(abs(hypot(along, half) - p), abs(hypot(d - along, half) - q))
            fx, fy, hx, hy = a.x + along * ux, a.y + along * uy, half * uy, half * ux
            found.append((key, fx - hx, fy + hy, radius, gap))
            found.append((key + 1, fx + hx, fy - hy, radius, gap))
    found.sort()
    return found


def _concentric(a: Touched, b: Touched, radius: float, slack: float) -> list[Raw]:
    for s in _BOTH:
        for t in _BOTH:
            p, q = abs(radius + s * a.r), abs(radius + t * b.r)
            if abs(p - q) <= slack and p > slack:
                raise refusal("infinitely_many", isolated=[])
    return []


def _line_and_circle(a: Touched, b: Touched, radius: float) -> list[Raw]:
    line, ring = (a, b) if a.line else (b, a)
    w_line, w_ring = (9, 3) if a.line else (3, 9)
    nx, ny = -line.uy, line.ux
    k = line.off(ring.x, ring.y)
    slack = TOLERANCE.length(max(ring.r, radius, line.size), max(a.away, b.away))
    found: list[Raw] = []
    for side in _BOTH:
        rise = side * radius - k
        for t in _ONE if ring.r == 0.0 else _BOTH:
            reach = abs(radius + t * ring.r)
            spare = reach - abs(rise)
            if spare < -slack or reach <= slack:
                continue
            key = w_line * (side < 0.0)
            if ring.r > 0.0:
                key += w_ring * (0 if t > 0.0 else 1 if radius < ring.r else 2)
            fx, fy = ring.x + rise * nx, ring.y + rise * ny
            if spare <= slack:
                found.append((key + UNSIGNED, fx, fy, radius, abs(spare)))
                continue
            half = sqrt(spare * (reach + abs(rise)))
            gap = abs(hypot(rise, half) - reach)
            # Seen from the centre: the way to the line is -side n; the way to the ring turns from it as half does.
            inner = t < 0.0 and radius < ring.r
            for along in (half, -half):
                turn = -side * along * (-1.0 if inner else 1.0) * (1.0 if a.line else -1.0)
                found.append((key + (LEFT if turn > 0.0 else RIGHT), fx + along * line.ux, fy + along * line.uy, radius, gap))
    found.sort()
    return found


def _two_lines(a: Touched, b: Touched, radius: float) -> list[Raw]:
    contact(a, b)
    sine = a.ux * b.uy - a.uy * b.ux
    off = b.off(a.x, a.y)
    if TOLERANCE.parallel(sine, a.noise + b.noise):
        if abs(abs(off) - 2.0 * radius) <= TOLERANCE.length(max(a.size, b.size, radius), max(a.away, b.away)):
            raise refusal("infinitely_many", isolated=[])
        return []
    found: list[Raw] = []
    for s in _BOTH:
        for t in _BOTH:
            # n . X = s R for the first, and t R - off for the second, from a place on the first.
            p, q = s * radius, t * radius - off
            x, y = (p * b.ux - q * a.ux) / sine, (p * b.uy - q * a.uy) / sine
            gap = max(abs(a.ux * y - a.uy * x - p), abs(b.ux * y - b.uy * x - q))
            found.append((9 * (s < 0.0) + 3 * (t < 0.0) + UNSIGNED, a.x + x, a.y + y, radius, gap))
    return found
