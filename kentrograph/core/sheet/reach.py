"""How far a drawing reaches in a direction."""

from collections.abc import Sequence
from math import hypot, inf
from typing import assert_never

from ..figures import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Point
from .asked import Asked
from .frame import Frame

Interval = tuple[float, float]


class Reach:
    """How far figures reach on paper; what was asked once is known."""

    def __init__(self, figures: Sequence[Figure], frame: Frame, known: dict[Interval, Interval] | None = None) -> None:
        self._figures = figures
        self.frame = frame
        self._known: dict[Interval, Interval] = {} if known is None else known
        self.asking = Asked()

    def unasked(self) -> "Reach":
        """The same, of which nothing is noted down."""
        return Reach(self._figures, self.frame, self._known)

    def of(self, ux: float, uy: float) -> Interval:
        """Least and greatest along a unit vector on paper; infinitely little of a drawing that is empty."""
        c, s = self.frame.cosine, self.frame.sine
        vx, vy = ux * c + uy * s, uy * c - ux * s
        if (vx, vy) not in self._known:
            spans = [extent(figure, vx, vy) for figure in self._figures]
            self._known[vx, vy] = min((low for low, _ in spans), default=inf), max((high for _, high in spans), default=-inf)
        low, high = self._known[vx, vy]
        moved = self.frame.x * ux + self.frame.y * uy
        found = low * self.frame.size + moved, high * self.frame.size + moved
        self.asking.reaches[ux, uy] = found
        return found


def extent(figure: Figure, ux: float, uy: float) -> Interval:
    """Least and greatest of what a figure has along a unit vector; a line without ends does not count."""
    match figure:
        case Point(x, y):
            return x * ux + y * uy, x * ux + y * uy
        case Line(a, b):
            return _span((a.x * ux + a.y * uy, b.x * ux + b.y * uy))
        case EndlessLine():
            return inf, -inf
        case Circle(c, r):
            return c.x * ux + c.y * uy - r, c.x * ux + c.y * uy + r
        case Arc(c, r, start, end):
            ends = [start.x * ux + start.y * uy, end.x * ux + end.y * uy]
            far = [c.x * ux + c.y * uy + sign * r for sign in (1.0, -1.0) if _covers(figure, sign * ux, sign * uy)]
            return _span((*ends, *far))
        case Ellipse():
            return _of_ellipse(figure, ux, uy)
        case Outline(pieces):
            return _span(tuple(v for piece in pieces for v in extent(piece, ux, uy)))
        case FigureSet(members):
            return _span(tuple(v for member in members for v in extent(member, ux, uy)))
        case _:
            assert_never(figure)


def _span(values: tuple[float, ...]) -> Interval:
    return min(values), max(values)


def _covers(arc: Arc, ux: float, uy: float) -> bool:
    """Whether an arc runs through the direction of a vector from its centre."""
    dx, dy = arc.start.x - arc.centre.x, arc.start.y - arc.centre.y
    ex, ey = arc.end.x - arc.centre.x, arc.end.y - arc.centre.y
    if arc.sweep < 0.0:
        dx, dy, ex, ey = ex, ey, dx, dy
    after_start, before_end = dx * uy - dy * ux >= 0.0, ux * ey - uy * ex >= 0.0
    return (after_start and before_end) if abs(arc.sweep) <= 180.0 else (after_start or before_end)


def _of_ellipse(e: Ellipse, ux: float, uy: float) -> Interval:
    """The whole of it: a part reaches no further."""
    ax, ay = e.at(0.0).x - e.centre.x, e.at(0.0).y - e.centre.y
    bx, by = -ay * e.b / e.a, ax * e.b / e.a
    middle, far = e.centre.x * ux + e.centre.y * uy, hypot(ax * ux + ay * uy, bx * ux + by * uy)
    return middle - far, middle + far
