"""The box around marks."""

from collections.abc import Sequence

from ..figures.box import Box, box_of, empty_box
from .marks import Fill, Lettering, Mark, Picture, Stroke, Within
from .tilted import of_lettering


def join(found: Box, other: Sequence[float]) -> None:
    """Stretches a box as far as another one reaches."""
    found[0], found[1] = min(found[0], other[0]), min(found[1], other[1])
    found[2], found[3] = max(found[2], other[2]), max(found[3], other[3])


def bounds(marks: Sequence[Mark]) -> Box:
    """The box around marks: left, bottom, right, top."""
    found = empty_box()
    for mark in marks:
        match mark:
            case Stroke(figure):
                join(found, box_of(figure))
            case Fill(places):
                for at in places:
                    join(found, (at.x, at.y, at.x, at.y))
            case Lettering():
                join(found, of_lettering(mark).bounds)
            case Picture():
                join(found, (mark.at.x, mark.at.y, mark.at.x + mark.width, mark.at.y + mark.height))
            case Within(circle):
                join(found, box_of(circle))
    return found
