"""Closed forms as one writes them down: centres and radii only, no sides, no residuals, no special positions."""

from math import hypot, sqrt

Circle = tuple[float, float, float]
Line = tuple[float, float, float]
"""Unit normal and offset: nx x + ny y = d."""

_SIGNS = [(1.0, s, t) for s in (1.0, -1.0) for t in (1.0, -1.0)]


def three_circles(a: Circle, b: Circle, c: Circle) -> list[Circle]:
    """Circles that touch three circles, by elimination."""
    found: list[Circle] = []
    (x1, y1, r1), (x2, y2, r2), (x3, y3, r3) = a, b, c
    for s1, s2, s3 in _SIGNS:
        p, q, r = s1 * r1, s2 * r2, s3 * r3
        a2, b2, d2 = 2 * (x2 - x1), 2 * (y2 - y1), 2 * (q - p)
        a3, b3, d3 = 2 * (x3 - x1), 2 * (y3 - y1), 2 * (r - p)
        c2 = x2 * x2 + y2 * y2 - q * q - x1 * x1 - y1 * y1 + p * p
        c3 = x3 * x3 + y3 * y3 - r * r - x1 * x1 - y1 * y1 + p * p
        under = a2 * b3 - a3 * b2
        if under == 0.0:
            continue
        mx, kx = (c2 * b3 - c3 * b2) / under, (d3 * b2 - d2 * b3) / under
        my, ky = (a2 * c3 - a3 * c2) / under, (a3 * d2 - a2 * d3) / under
        u, v = mx - x1, my - y1
        qa, qb, qc = kx * kx + ky * ky - 1.0, u * kx + v * ky - p, u * u + v * v - p * p
        spread = qb * qb - qa * qc
        if spread < 0.0 or qa == 0.0:
            continue
        root = sqrt(spread)
        for radius in ((-qb + root) / qa, (-qb - root) / qa):
            found.append((mx + kx * radius, my + ky * radius, abs(radius)))
    return found


def three_lines(a: Line, b: Line, c: Line) -> list[Circle]:
    """The four circles that touch three lines."""
    found: list[Circle] = []
    (a1, b1, d1), (a2, b2, d2), (a3, b3, d3) = a, b, c
    p, q, r = a2 * b3 - a3 * b2, a3 * b1 - a1 * b3, a1 * b2 - a2 * b1
    for s1, s2, s3 in _SIGNS:
        under = s1 * p + s2 * q + s3 * r
        if under == 0.0 or r == 0.0:
            continue
        radius = -(d1 * p + d2 * q + d3 * r) / under
        e, f = d1 + s1 * radius, d2 + s2 * radius
        found.append(((e * b2 - f * b1) / r, (a1 * f - a2 * e) / r, abs(radius)))
    return found


def two_circles_radius(a: Circle, b: Circle, radius: float) -> list[Circle]:
    """Circles of a radius that touch two circles."""
    found: list[Circle] = []
    (x1, y1, r1), (x2, y2, r2) = a, b
    d = hypot(x2 - x1, y2 - y1)
    if d == 0.0:
        return found
    ux, uy = (x2 - x1) / d, (y2 - y1) / d
    for p in (radius + r1, abs(radius - r1)):
        for q in (radius + r2, abs(radius - r2)):
            along = (d * d + p * p - q * q) / (2 * d)
            square = p * p - along * along
            if square < 0.0:
                continue
            half = sqrt(square)
            fx, fy = x1 + along * ux, y1 + along * uy
            found += [(fx - half * uy, fy + half * ux, radius), (fx + half * uy, fy - half * ux, radius)]
    return found


def common_tangents(a: Circle, b: Circle) -> list[tuple[float, float, float, float]]:
    """The touching places of the four common tangents."""
    found: list[tuple[float, float, float, float]] = []
    (x1, y1, r1), (x2, y2, r2) = a, b
    d = hypot(x2 - x1, y2 - y1)
    if d == 0.0:
        return found
    ex, ey = (x2 - x1) / d, (y2 - y1) / d
    for p in (r1, -r1):
        for q in (r2, -r2):
            u = (q - p) / d
            if abs(u) > 1.0:
                continue
            v = sqrt(1.0 - u * u)
            nx, ny = u * ex - v * ey, u * ey + v * ex
            found.append((x1 - p * nx, y1 - p * ny, x2 - q * nx, y2 - q * ny))
    return found
