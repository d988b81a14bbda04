"""A figure in another unit, each of its numbers converted with one rounding: 3 in are 76.2 mm, and not 76.19999999999999."""

from dataclasses import replace
from typing import TypeVar, assert_never, cast

from ..units import convert
from . import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Point

F = TypeVar("F", bound=Figure)


def in_unit(figure: F, unit: str, into: str) -> F:
    """The same figure, of the same kind, told in another unit.

    >>> in_unit(Point(3.0, 0.5), "in", "mm")
    Point(x=76.2, y=12.7)
    """
    return figure if unit == into else cast(F, _converted(figure, unit, into))


def _converted(figure: Figure, unit: str, into: str) -> Figure:
    def length(value: float) -> float:
        return convert(value, unit, into)

    def place(at: Point) -> Point:
        return Point(length(at.x), length(at.y))

    match figure:
        case Point():
            return place(figure)
        case Line(start, end):
            return Line(place(start), place(end))
        case EndlessLine(through, ux, uy):
            return EndlessLine(place(through), ux, uy)
        case Circle(centre, radius):
            return Circle(place(centre), length(radius))
        case Arc(centre, radius, start, end, sweep):
            return Arc(place(centre), length(radius), place(start), place(end), sweep)
        case Ellipse(centre, a, b):
            return replace(figure, centre=place(centre), a=length(a), b=length(b))
        case Outline(pieces):
            return replace(figure, pieces=tuple(in_unit(piece, unit, into) for piece in pieces))
        case FigureSet(members):
            return replace(figure, members=tuple(in_unit(member, unit, into) for member in members))
        case _:
            assert_never(figure)
