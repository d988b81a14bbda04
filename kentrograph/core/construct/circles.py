"""Circles from places and sizes, without touching."""

from math import hypot, sqrt

from ..figures import Circle, Point
from ..problem import refusal
from ..tolerance import TOLERANCE
from .lines import bisector_of_places
from .loci import Locus, from_two_loci
from .solution import Solution


def across(a: Point, b: Point) -> Circle:
    """The circle with two places as the ends of a diameter."""
    return Circle(Point(a.x + (b.x - a.x) / 2, a.y + (b.y - a.y) / 2), hypot(b.x - a.x, b.y - a.y) / 2)


def through_three(a: Point, b: Point, c: Point) -> Circle:
    """The circle through three places.

    Method: the centre from the place where the two shorter sides meet, by these; source, published: Euclid, Elements
    IV.5. Raises `Refused`: same_places where two are one, in_line where no circle goes through them.
    """
    bx, by, cx, cy = b.x - a.x, b.y - a.y, c.x - a.x, c.y - a.y
    lb, lc, la = hypot(bx, by), hypot(cx, cy), hypot(c.x - b.x, c.y - b.y)
    if la < lb or la < lc:
        # From there a short side is a difference of its own ends: seen from afar it would lose its digits.
        return through_three(*((b, c, a) if lc >= lb else (c, a, b)))
    away = max(abs(a.x), abs(a.y), abs(b.x), abs(b.y), abs(c.x), abs(c.y))
    if min(lb, lc, la) <= TOLERANCE.length(max(lb, lc, la), away):
        raise refusal("same_places")
    cross = 2.0 * (bx * cy - by * cx)
    # The height over the longest side: below what the coordinates are worth, the three are in line.
    if abs(cross) / 2.0 / max(la, lb, lc) <= TOLERANCE.length(max(la, lb, lc), away):
        raise refusal("in_line")
    ux = (cy * (bx * bx + by * by) - by * (cx * cx + cy * cy)) / cross
    uy = (bx * (cx * cx + cy * cy) - cx * (bx * bx + by * by)) / cross
    return Circle(Point(a.x + ux, a.y + uy), hypot(ux, uy))


def through_two_radius(a: Point, b: Point, radius: float) -> list[Solution]:
    """The circles of a radius through two places: the centre left of the way from the first to the second, then right.

    Raises `Refused` (radius_too_small) with the smallest that spans them. Fact of the trade: half their distance.
    """
    d = hypot(b.x - a.x, b.y - a.y)
    Circle(a, radius)
    away = max(abs(a.x), abs(a.y), abs(b.x), abs(b.y))
    if d <= TOLERANCE.length(0.0, away):
        raise refusal("same_places")
    mx, my = a.x + (b.x - a.x) / 2, a.y + (b.y - a.y) / 2
    spare = radius - d / 2
    if abs(spare) <= TOLERANCE.length(radius, away):
        return [Solution(Circle(Point(mx, my), radius))]
    if spare < 0.0:
        raise refusal("radius_too_small", radius=radius, distance=d, least=d / 2)
    rise = sqrt(spare * (radius + d / 2))
    ux, uy = (b.x - a.x) / d, (b.y - a.y) / d
    left, right = Point(mx - rise * uy, my + rise * ux), Point(mx + rise * uy, my - rise * ux)
    return [Solution(Circle(left, radius), "left"), Solution(Circle(right, radius), "right")]


def centre_on_through_two(on: Locus, a: Point, b: Point) -> list[Solution]:
    """The circles through two places with their centre on a figure."""
    found = from_two_loci(on, Locus(bisector_of_places(a, b), "the square line through the middle of the two places"))
    return [_about(s, a) for s in found]


def centre_on_through_radius(on: Locus, a: Point, radius: float) -> list[Solution]:
    """The circles of a radius through a place with their centre on a figure."""
    found = from_two_loci(on, Locus(Circle(a, radius), "the circle of that radius about the place"))
    return [Solution(Circle(_point(s), radius), s.signature, s.note) for s in found]


def centre_on_two(on: Locus, other: Locus, radius: float) -> list[Solution]:
    """The circles of a radius with their centre on two figures."""
    return [Solution(Circle(_point(s), radius), s.signature, s.note) for s in from_two_loci(on, other)]


def _about(solution: Solution, a: Point) -> Solution:
    at = _point(solution)
    return Solution(Circle(at, hypot(a.x - at.x, a.y - at.y)), solution.signature, solution.note)


def _point(solution: Solution) -> Point:
    assert isinstance(solution.figure, Point)
    return solution.figure


def centre_on_two_through(on: Locus, other: Locus, a: Point) -> list[Solution]:
    """The circles through a place with their centre on two figures."""
    return [_about(s, a) for s in from_two_loci(on, other)]
