"""Affine maps of figures: under them a circle becomes an ellipse, exactly.

Method: an arc is a centre with two conjugate half diameters u and v, from an angle t over a sweep: c + u cos t + v sin t.
The map takes u and v along; their principal axes follow from tan 2 t0 = 2 u.v / (u.u - v.v). Source: common practice
(principal axes of a conic).
"""

from dataclasses import dataclass
from math import atan2, cos, degrees, hypot, pi, sin
from typing import assert_never

from ...core.figures import Arc, CentredCurve, Circle, Ellipse, Line, Point
from ...core.figures.outline import Piece

ROUND_SHARE = 1e-12
"""Half axes that differ by less than this share are those of a circle: what the sums of a transformation leave open."""
Vector = tuple[float, float]


@dataclass(frozen=True, slots=True)
class Affine:
    """x' = a x + c y + e, y' = b x + d y + f, in the order in which files write them."""

    a: float = 1.0
    b: float = 0.0
    c: float = 0.0
    d: float = 1.0
    e: float = 0.0
    f: float = 0.0

    def then(self, inner: "Affine") -> "Affine":
        """The map that applies ``inner`` first and this one after it."""
        return Affine(
            self.a * inner.a + self.c * inner.b,
            self.b * inner.a + self.d * inner.b,
            self.a * inner.c + self.c * inner.d,
            self.b * inner.c + self.d * inner.d,
            self.a * inner.e + self.c * inner.f + self.e,
            self.b * inner.e + self.d * inner.f + self.f,
        )

    def place(self, at: Point) -> Point:
        """Where a place comes to lie."""
        return Point(self.a * at.x + self.c * at.y + self.e, self.b * at.x + self.d * at.y + self.f)

    def vector(self, v: Vector) -> Vector:
        """What a vector becomes."""
        return self.a * v[0] + self.c * v[1], self.b * v[0] + self.d * v[1]


@dataclass(frozen=True, slots=True)
class Round:
    """A circle, an ellipse or a part of one: centre, two conjugate half diameters, the angle where it begins and its sweep
    (radians; a whole one has 2 pi)."""

    centre: Point
    u: Vector
    v: Vector
    begin: float
    sweep: float

    def at(self, angle: float) -> Point:
        """The place at an angle."""
        c, s = cos(angle), sin(angle)
        return Point(self.centre.x + c * self.u[0] + s * self.v[0], self.centre.y + c * self.u[1] + s * self.v[1])

    def angle_of(self, x: float, y: float) -> float:
        """The angle at which a place lies, where the half diameters are square to one another: those of a file are. They have
        some length; it is divided by in two steps, since the square of a very small one is nothing."""
        dx, dy = x - self.centre.x, y - self.centre.y
        (ux, uy), (vx, vy) = self.u, self.v
        long, short = hypot(ux, uy), hypot(vx, vy)
        return atan2((dx * vx + dy * vy) / short / short, (dx * ux + dy * uy) / long / long)

    def mapped(self, by: Affine) -> "Round":
        """What it becomes under a map; the angles stay what they were."""
        return Round(by.place(self.centre), by.vector(self.u), by.vector(self.v), self.begin, self.sweep)

    def figure(self, start: Point | None = None, end: Point | None = None) -> CentredCurve:
        """The figure that it is; an arc keeps the ends that are given. Raises `Refused` where it has no size."""
        (ux, uy), (vx, vy) = self.u, self.v
        dot, square = ux * vx + uy * vy, ux * ux + uy * uy - vx * vx - vy * vy
        size = max(hypot(ux, uy), hypot(vx, vy))
        turned = ux * vy - uy * vx < 0.0
        sweep = -self.sweep if turned else self.sweep
        whole = abs(self.sweep) >= 2.0 * pi
        if hypot(2.0 * dot, square) <= 2.0 * ROUND_SHARE * size * size:
            if whole:
                return Circle(self.centre, size)
            return Arc(self.centre, size, start or self.at(self.begin), end or self.at(self.begin + self.sweep), degrees(sweep))
        t0 = 0.5 * atan2(2.0 * dot, square)
        a = cos(t0) * ux + sin(t0) * vx, cos(t0) * uy + sin(t0) * vy
        b = cos(t0) * vx - sin(t0) * ux, cos(t0) * vy - sin(t0) * uy
        turn = degrees(atan2(a[1], a[0]))
        long, short = hypot(*a), hypot(*b)
        if whole:
            return Ellipse(self.centre, long, short, turn)
        begin = degrees(self.begin - t0)
        return Ellipse(self.centre, long, short, turn, -begin if turned else begin, degrees(sweep))


def round_of(piece: CentredCurve) -> Round:
    """A round figure with two half diameters."""
    match piece:
        case Circle(centre, radius):
            return Round(centre, (radius, 0.0), (0.0, radius), 0.0, 2.0 * pi)
        case Arc(centre, radius, start, _, sweep):
            begin = atan2(start.y - centre.y, start.x - centre.x)
            return Round(centre, (radius, 0.0), (0.0, radius), begin, sweep * pi / 180.0)
        case Ellipse(centre, a, b, turn, begin, sweep):
            c, s = cos(turn * pi / 180.0), sin(turn * pi / 180.0)
            return Round(centre, (a * c, a * s), (-b * s, b * c), begin * pi / 180.0, sweep * pi / 180.0)
        case _:
            assert_never(piece)


def piece_mapped(piece: Piece, by: Affine) -> Piece:
    """A piece of an outline under a map; its ends are those of the map exactly. Raises `Refused`."""
    if isinstance(piece, Line):
        return Line(by.place(piece.start), by.place(piece.end))
    found = round_of(piece).mapped(by).figure(by.place(piece.start), by.place(piece.end))
    assert not isinstance(found, Circle)
    return found
