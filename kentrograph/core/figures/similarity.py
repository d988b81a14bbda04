"""Similarities: moving, turning, mirroring, scaling, and one function that carries any figure by one.

With places as complex numbers a similarity is z → m z + t, or m z̄ + t where it mirrors. Source: common practice.
"""

from dataclasses import dataclass
from typing import assert_never

from ..angles import direction_of, unit_vector
from . import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Point
from .outline import Piece


@dataclass(frozen=True, slots=True)
class Similarity:
    """(x, y) to (``tx`` + mx x - my y, ``ty`` + my x + mx y), with y turned over first where it mirrors."""

    mx: float = 1.0
    my: float = 0.0
    tx: float = 0.0
    ty: float = 0.0
    mirrors: bool = False
    factor: float = 1.0
    """By how much lengths grow: the length of (mx, my), known exactly where it is 1."""

    def vector(self, x: float, y: float) -> tuple[float, float]:
        """Where a vector is carried."""
        if self.mirrors:
            y = -y
        return self.mx * x - self.my * y, self.my * x + self.mx * y

    def place(self, at: Point) -> Point:
        """Where a place is carried."""
        x, y = self.vector(at.x, at.y)
        return Point(x + self.tx, y + self.ty)


def shift(dx: float, dy: float) -> Similarity:
    """Everything moved by a vector.

    >>> shift(3.0, 4.0).place(Point(1.0, 1.0))
    Point(x=4.0, y=5.0)
    """
    return Similarity(tx=dx, ty=dy)


def reflection(through: Point, dx: float, dy: float) -> Similarity:
    """Everything mirrored in the line through a place along a vector of any length but 0.

    >>> reflection(Point(0.0, 2.0), 1.0, 0.0).place(Point(5.0, 7.0))
    Point(x=5.0, y=-3.0)
    """
    square = dx * dx + dy * dy
    mx, my = (dx - dy) * (dx + dy) / square, 2.0 * dx * dy / square
    # The place itself stays where it is.
    x, y = mx * through.x + my * through.y, my * through.x - mx * through.y
    return Similarity(mx, my, through.x - x, through.y - y, True)


def rotation(about: Point, degrees: float) -> Similarity:
    """Everything turned about a place, counter-clockwise.

    >>> rotation(Point(1.0, 0.0), 90.0).place(Point(3.0, 0.0))
    Point(x=1.0, y=2.0)
    """
    c, s = unit_vector(degrees)
    return Similarity(c, s, about.x - (c * about.x - s * about.y), about.y - (s * about.x + c * about.y))


def dilation(about: Point, factor: float) -> Similarity:
    """Everything grown about a place, by a factor above 0.

    >>> dilation(Point(1.0, 0.0), 2.0).place(Point(3.0, 1.0))
    Point(x=5.0, y=2.0)
    """
    return Similarity(factor, 0.0, (1.0 - factor) * about.x, (1.0 - factor) * about.y, False, factor)


def transformed(figure: Figure, by: Similarity) -> Figure:
    """A figure where a similarity carries it; it runs from the carried start to the carried end."""
    match figure:
        case Point():
            return by.place(figure)
        case EndlessLine(through, ux, uy):
            x, y = by.vector(ux, uy)
            return EndlessLine(by.place(through), x / by.factor, y / by.factor)
        case Circle(centre, radius):
            return Circle(by.place(centre), radius * by.factor)
        case Outline(pieces, closed):
            return Outline(tuple(_piece(piece, by) for piece in pieces), closed)
        case Line() | Arc() | Ellipse():
            return _piece(figure, by)
        case FigureSet(members, names, row, pens):
            return FigureSet(tuple(transformed(member, by) for member in members), names, row, pens)
        case _:
            assert_never(figure)


def _piece(piece: Piece, by: Similarity) -> Piece:
    sense = -1.0 if by.mirrors else 1.0
    match piece:
        case Line(start, end):
            return Line(by.place(start), by.place(end))
        case Arc(centre, radius, start, end, sweep):
            return Arc(by.place(centre), radius * by.factor, by.place(start), by.place(end), sense * sweep)
        case Ellipse(centre, a, b, turn, begin, sweep):
            c, s = unit_vector(turn)
            way = turn + direction_of(by.mx, by.my) if not by.mirrors else direction_of(*by.vector(c, s))
            whole = piece.whole
            return Ellipse(
                by.place(centre), a * by.factor, b * by.factor, way,
                0.0 if whole else sense * begin, 360.0 if whole else sense * sweep,
            )  # fmt: skip
        case _:
            assert_never(piece)
