"""The box around marks."""

from collections.abc import Sequence

from ..figures.box import Box, box_of, empty_box, join
from .marks import Fill, Lettering, Mark, Picture, Stroke, Within
from .tilted import of_lettering


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
