"""What is touched, as numbers: a place, a line or a circle; and whether two of them touch each other already."""

from math import hypot

from ..figures import Arc, Circle, EndlessLine, Figure, Line, Point
from ..intersect.supporting_curves import way_of
from ..problem import refusal
from ..tolerance import TOLERANCE


class Touched:
    """A place (``r`` is 0), a circle about (x, y), or, where ``line`` holds, a line through (x, y) along (ux, uy).

    ``size`` is a length that it is known by, ``noise`` how far (radians) a line may be turned by the noise of its
    coordinates; ``figure`` is what it was made from, with its ends.
    """

    __slots__ = ("away", "figure", "finite", "line", "noise", "r", "size", "ux", "uy", "x", "y")

    def __init__(self, figure: Figure) -> None:
        self.figure = figure
        self.line = False
        self.finite = False
        self.r = self.ux = self.uy = 0.0
        kind = type(figure)
        if kind is Circle or kind is Arc:
            self.x, self.y = figure.centre.x, figure.centre.y  # type: ignore[union-attr]
            self.r = self.size = figure.radius  # type: ignore[union-attr]
            self.finite = kind is Arc
        elif kind is Point:
            self.x, self.y = figure.x, figure.y  # type: ignore[union-attr]
            self.size = 0.0
        elif kind is Line or kind is EndlessLine:
            w = way_of(figure)  # type: ignore[arg-type]
            self.line = True
            self.x, self.y, self.ux, self.uy, self.size = w.x, w.y, w.ux, w.uy, w.size
            self.finite = kind is Line
        else:
            raise refusal("no_touch")
        x, y = abs(self.x), abs(self.y)
        self.away = x if x > y else y
        self.noise = TOLERANCE.direction_noise(self.size, self.away) if self.line else 0.0

    @property
    def point(self) -> bool:
        """Whether it is a place."""
        return not self.line and self.r == 0.0

    def off(self, x: float, y: float) -> float:
        """Of a line: the signed distance of a place, positive to its left."""
        return (y - self.y) * self.ux - (x - self.x) * self.uy


_KNOWN: dict[int, Touched] = {}
_KNOWN_MOST = 4096


def touched(figure: Figure) -> Touched:
    """The numbers of a figure; those of figures that many things touch are kept. Raises `Refused` (no_touch)."""
    known = _KNOWN.get(id(figure))
    # A kept one holds its figure, so no other can have the same id; the check is for those that were dropped.
    if known is not None and known.figure is figure:
        return known
    if len(_KNOWN) >= _KNOWN_MOST:
        _KNOWN.clear()
    made = _KNOWN[id(figure)] = Touched(figure)
    return made


Contact = tuple[float, float]
"""How two givens lie to each other, run the same way round and run opposite ways; 0.0 where they touch so."""


def contact(p: Touched, q: Touched) -> Contact:
    """The two numbers that decide how many circles touch both, each exactly 0.0 within the tolerance.

    Two circles: the squared distance less the squared difference of the radii, and less their squared sum. A circle and
    a line: the distance of the line from the centre, less the radius and more it. Two lines: the cosine between them,
    less 1 and more 1. Derived in ``docs/maths/touching.md``. Raises `Refused` (touched_twice) where both are one.
    """
    if p.line:
        if q.line:
            return _two_lines(p, q)
        p, q = q, p
    away = p.away if p.away > q.away else q.away
    if q.line:
        slack = TOLERANCE.length(p.r + q.size, away)
        k = -q.off(p.x, p.y)
        plus, minus = k - p.r, k + p.r
        return (0.0 if -slack <= plus <= slack else plus, 0.0 if -slack <= minus <= slack else minus)
    d = hypot(q.x - p.x, q.y - p.y)
    both, apart = p.r + q.r, abs(p.r - q.r)
    slack = TOLERANCE.length(p.r if p.r > q.r else q.r, away)
    inner, outer = d - apart, d - both
    if d <= slack and apart <= slack:
        raise refusal("touched_twice")
    return (
        0.0 if -slack <= inner <= slack else inner * (d + apart),
        0.0 if -slack <= outer <= slack else outer * (d + both),
    )


def _two_lines(p: Touched, q: Touched) -> Contact:
    cross, dot = p.ux * q.uy - p.uy * q.ux, p.ux * q.ux + p.uy * q.uy
    if TOLERANCE.parallel(cross, p.noise + q.noise):
        slack = TOLERANCE.length(max(p.size, q.size), max(p.away, q.away))
        if abs(p.off(q.x, q.y)) <= slack:
            raise refusal("touched_twice")
        return (0.0, 2.0) if dot > 0.0 else (-2.0, 0.0)
    # One of the two is a small difference where they are nearly parallel: 1 - cos = sin² / (1 + cos).
    if dot > 0.0:
        return (-cross * cross / (1.0 + dot), dot + 1.0)
    return (dot - 1.0, cross * cross / (1.0 - dot))
