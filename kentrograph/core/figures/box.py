"""The box around figures, upright, exact at the quarter points of arcs."""

from collections.abc import Iterable, Sequence
from math import atan2, ceil, cos, floor, inf, pi, radians, sin
from typing import assert_never

from . import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Point

Box = list[float]
_QUARTERS = ((1.0, 0.0), (0.0, 1.0), (-1.0, 0.0), (0.0, -1.0))


def box_of(figure: Figure) -> Box:
    """Left, bottom, right, top of a figure; an endless line counts by the place it goes through."""
    box = empty_box()
    stretch(box, figure)
    return box


def box_around(figures: Iterable[Figure]) -> Box:
    """The box around figures; an empty one around none."""
    box = empty_box()
    for figure in figures:
        stretch(box, figure)
    return box


def join(box: Box, other: Sequence[float]) -> None:
    """Makes a box as large as holds another one."""
    box[0], box[1] = min(box[0], other[0]), min(box[1], other[1])
    box[2], box[3] = max(box[2], other[2]), max(box[3], other[3])


def boxes_meet(one: Sequence[float], other: Sequence[float]) -> bool:
    """Whether two boxes lie on each other."""
    return one[0] < other[2] and other[0] < one[2] and one[1] < other[3] and other[1] < one[3]


def empty_box() -> Box:
    """A box that holds nothing: left of it is right of its right."""
    return [inf, inf, -inf, -inf]


def stretch(box: Box, figure: Figure) -> None:
    """Makes a box large enough to hold a figure."""
    match figure:
        case Point(x, y):
            _add(box, x, y)
        case Line(start, end):
            _add(box, start.x, start.y)
            _add(box, end.x, end.y)
        case EndlessLine(through):
            _add(box, through.x, through.y)
        case Circle(centre, radius):
            _add(box, centre.x - radius, centre.y - radius)
            _add(box, centre.x + radius, centre.y + radius)
        case Arc(centre, radius, _, _, sweep):
            # Both ends and every quarter point that the arc runs over.
            _add(box, figure.start.x, figure.start.y)
            _add(box, figure.end.x, figure.end.y)
            first = figure.from_direction
            low, high = (first, first + sweep) if sweep > 0.0 else (first + sweep, first)
            for quarter in range(floor(low / 90.0) + 1, ceil(high / 90.0)):
                ux, uy = _QUARTERS[quarter % 4]
                _add(box, centre.x + radius * ux, centre.y + radius * uy)
        case Ellipse():
            _stretch_ellipse(box, figure)
        case Outline(pieces):
            for piece in pieces:
                stretch(box, piece)
        case FigureSet(members):
            for member in members:
                stretch(box, member)
        case _:
            assert_never(figure)


def _stretch_ellipse(box: Box, e: Ellipse) -> None:
    turn = radians(e.turn)
    # Where the tangent is upright, and where it is level.
    for t in (atan2(-e.b * sin(turn), e.a * cos(turn)), atan2(e.b * cos(turn), e.a * sin(turn))):
        for angle in (t, t + pi):
            if e.covers(angle):
                at = e.at(angle)
                _add(box, at.x, at.y)
    for at in (e.start, e.end):
        _add(box, at.x, at.y)


def _add(box: Box, x: float, y: float) -> None:
    if x < box[0]:
        box[0] = x
    if x > box[2]:
        box[2] = x
    if y < box[1]:
        box[1] = y
    if y > box[3]:
        box[3] = y
