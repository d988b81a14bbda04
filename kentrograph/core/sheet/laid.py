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
    """Marks; the boxes of its lettering, which nothing else may lie on; and bars, on which no lettering may lie."""

    marks: tuple[Mark, ...]
    words: tuple[Tilted, ...]
    bars: tuple[Tilted, ...] = ()
    grip: Point = Point(0.0, 0.0)
    """The place by which it is dragged: where its value stands."""


Ways = Iterator[Laid]
"""Ways in which something could lie, best first, and so many that one of them is clear of everything."""


def readable(direction: float) -> float:
    """The direction in which words run beside something, so that they are read from below or from the right: above -90, to 90
    degrees. Source: ISO 129-1: 2018, from memory."""
    turn = remainder(direction, 180.0)
    return 90.0 if turn == -90.0 else turn


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


def arrow(tip: Point, direction: float, style: Style) -> Fill:
    """A filled arrowhead that points in a direction. Source: ISO 129-1: 2018, closed filled, about 20 degrees, from memory."""
    ux, uy = unit_vector(direction)
    back, half = style.arrow, style.arrow / 6.0
    x, y = tip.x - back * ux, tip.y - back * uy
    return Fill((tip, Point(x - half * uy, y + half * ux), Point(x + half * uy, y - half * ux)))
