"""A dimension or note as it lies on paper: its marks, the boxes that it takes, and ways in which it could lie."""

from collections.abc import Iterator
from dataclasses import dataclass
from math import remainder

from ..angles import unit_vector
from ..figures import Point
from ..figures.similarity import Similarity
from .compose import Composed
from .marks import Fill, Mark, moved
from .style import Style
from .tilted import Tilted

_BESIDE = 0.3
"""Millimetres that lettering keeps free around itself."""


@dataclass(frozen=True, slots=True)
class Laid:
    """Marks; the boxes of its lettering, which nothing else may lie on; bars, on which no lettering may lie; and ``thin`` ones
    where lines run that may cross others, but no lettering."""

    marks: tuple[Mark, ...]
    words: tuple[Tilted, ...]
    bars: tuple[Tilted, ...] = ()
    grip: Point = Point(0.0, 0.0)
    """The place by which it is dragged: where its value stands."""
    thin: tuple[Tilted, ...] = ()

    @property
    def boxes(self) -> tuple[Tilted, ...]:
        """All that it takes."""
        return *self.words, *self.bars, *self.thin


Ways = Iterator[Laid]
"""Ways in which something could lie, best first, and so many that one of them is clear of everything."""


def readable(direction: float) -> float:
    """The direction in which words run beside something, so that they are read from below or from the right: above -60, to 120
    degrees, for what leans a little past the upright is still read upward. Source: ISO 129-1: 2018, from memory.

    >>> readable(92.0), readable(-92.0), readable(180.0), readable(121.0)
    (92.0, 88.0, 0.0, -59.0)
    """
    turn = remainder(direction, 180.0)
    return turn + 180.0 if turn <= -_LEANING else turn


_LEANING = 60.0


def set_at(value: Composed, middle: Point, direction: float, raised: float) -> tuple[list[Mark], list[Tilted]]:
    """A composed value whose middle stands ``raised`` over a place, running in a direction; and the boxes that it takes."""
    ux, uy = unit_vector(direction)
    x = middle.x - value.width / 2.0 * ux - raised * uy
    y = middle.y - value.width / 2.0 * uy + raised * ux
    marks = moved(value.marks, Similarity(ux, uy, x, y), direction, 1.0)
    return marks, [box_around_value(value, x, y, ux, uy)]


def box_around_value(value: Composed, x: float, y: float, ux: float, uy: float) -> Tilted:
    """The box around a composed value whose base line begins at a place and runs along a unit vector."""
    low, high = -0.3 * value.height, 1.05 * value.height
    along, up = value.width / 2.0, (low + high) / 2.0
    middle_x, middle_y = x + along * ux - up * uy, y + along * uy + up * ux
    return Tilted(middle_x, middle_y, ux, uy, along + _BESIDE, (high - low) / 2.0 + _BESIDE)


def dot(at: Point, style: Style) -> Fill:
    """A dot in place of arrowheads where they have no room. Source: ISO 129-1: 2018, from memory."""
    turns = (unit_vector(360.0 * n / _DOT) for n in range(_DOT))
    half = style.arrow / 6.0
    return Fill(tuple(Point(at.x + half * ux, at.y + half * uy) for ux, uy in turns))


_DOT = 12
"""Corners of a dot, which is drawn as a polygon."""


def arrow(tip: Point, direction: float, style: Style) -> Fill:
    """A filled arrowhead that points in a direction. Source: ISO 129-1: 2018, closed filled, about 20 degrees, from memory."""
    ux, uy = unit_vector(direction)
    back, half = style.arrow, style.arrow / 6.0
    x, y = tip.x - back * ux, tip.y - back * uy
    return Fill((tip, Point(x - half * uy, y + half * ux), Point(x + half * uy, y - half * ux)))
