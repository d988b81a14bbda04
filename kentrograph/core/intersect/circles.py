"""Circles with circles."""

from math import hypot, sqrt

from ..figures import Circle, Point
from ..tolerance import Tolerance
from .intersection import APART, COINCIDENT, Intersection, Spot
from .supporting_curves import away


def circle_circle(a: Circle, b: Circle, tolerance: Tolerance) -> Intersection:
    """Two circles: the crossing left of the way from the first centre to the second, then the one to the right.

    Method: the foot of the common chord on the line of centres, and the half chord by Heron's formula in factors, none
    of which loses digits. Source: common practice.
    """
    dx, dy = b.centre.x - a.centre.x, b.centre.y - a.centre.y
    d = hypot(dx, dy)
    slack = tolerance.length(max(a.radius, b.radius), away(a.centre.x, a.centre.y, b.centre.x, b.centre.y))
    outside, inside = d - (a.radius + b.radius), abs(a.radius - b.radius) - d
    if d <= slack and abs(a.radius - b.radius) <= slack:
        return COINCIDENT
    if outside > slack or inside > slack or d == 0.0:
        return APART
    ux, uy = dx / d, dy / d
    if abs(outside) <= slack or abs(inside) <= slack:
        # Measured from the smaller circle's centre, where a radius is worth more digits.
        small, sign = (a, 1.0) if a.radius <= b.radius else (b, -1.0)
        if abs(outside) > slack:
            sign = -sign
        at = Point(small.centre.x + sign * small.radius * ux, small.centre.y + sign * small.radius * uy)
        return Intersection("touching", (Spot(at),))
    # How far along the line of centres the chord stands, from the first centre.
    along = 0.5 * (d + (a.radius - b.radius) * ((a.radius + b.radius) / d))
    # The difference of the radii first: added to a small distance one after the other they would cost it its digits.
    both, apart = a.radius + b.radius, a.radius - b.radius
    heron = (d + both) * (both - d) * (d + apart) * (d - apart)
    half = sqrt(max(0.0, heron)) / (2.0 * d)
    fx, fy = a.centre.x + along * ux, a.centre.y + along * uy
    left, right = Point(fx - half * uy, fy + half * ux), Point(fx + half * uy, fy - half * ux)
    return Intersection("crossing", (Spot(left, "left"), Spot(right, "right")))
