"""Readings of what is closed, or of several such things less others."""

from collections.abc import Sequence
from math import fsum
from typing import Any

from ...figures import Point
from ...figures.figure_set import members_of
from ...measure.area import area_of, balance, perimeter_of
from ...measure.moments import moments_of
from ...problem import Refused, refusal
from ...shape.faces import Face
from ...shape.within import lies_within, overlap
from .reading_kind import ANY, CENTRE, Counting, Read, ReadingKind

_Span = tuple[str, int, int]
"""A name and where it stands; an empty one for a place."""


def _signed(count: int, spans: Sequence[_Span], things: Sequence[Any]) -> list[tuple[float, Any]]:
    """What areas are made of: the first things, less the others, with 1 or -1; what lies free within a face is no part of it.

    Raises `Refused`: hole_outside and holes_overlap, with the name, for what cannot be taken off.
    """
    parts = [part for thing in things[:count] for part in _of_face(thing, 1.0)]
    if len(things) == count:
        return parts
    whole = [figure for sign, figure in parts if sign > 0.0 and area_of(figure) > 0.0]
    off = [figure for sign, figure in parts if sign < 0.0]
    for thing, (name, start, end) in zip(things[count:], spans[count:], strict=True):
        taken = _of_face(thing, -1.0)
        for sign, figure in taken:
            # What encloses nothing says so first.
            area_of(figure)
            if sign > 0.0:
                continue
            if not lies_within(figure, whole):
                raise Refused(refusal("hole_outside", name=name).problem.at(start, end))
            if any(overlap(figure, other) for other in off):
                raise Refused(refusal("holes_overlap", name=name).problem.at(start, end))
            off.append(figure)
        parts += taken
    return parts


def _of_face(thing: Any, sign: float) -> list[tuple[float, Any]]:
    """A figure, the members of a set, or a face: what lies around it, and with the other sign what lies free within."""
    if isinstance(thing, Face):
        return [(sign, thing.edge), *((-sign, hole) for hole in thing.holes)]
    return [(sign, one) for one in members_of(thing)]


def _area(count: int, spans: Sequence[_Span], p: Counting, *things: Any) -> Read:
    """Several areas together, less what is taken away from them; the perimeter is that of what lies around."""
    signed = _signed(count, spans, things)
    parts = {"perimeter": fsum(perimeter_of(one) for sign, one in signed if sign > 0.0)}
    centre = balance(things[0]) if len(signed) == 1 and not isinstance(things[0], Face) else None
    if centre is not None:
        parts |= {"x": centre.x, "y": centre.y}
    return fsum(sign * area_of(one) for sign, one in signed), parts, ""


def _moments(count: int, spans: Sequence[_Span], p: Counting, *things: Any) -> Read:
    """About the axis across through the area's centre; counted along the datum."""
    level = p.manner.datum.turn
    found = moments_of(_signed(count, spans, things)).turned(level)
    greatest, smallest, axis = found.principal
    centre = Point(*p.manner.in_unit(p.unit).from_world(found.centre))
    parts = {
        "upright": found.xx, "mixed": found.xy, "greatest": greatest, "smallest": smallest, "axis": axis,
        "area": found.area, "x": centre.x, "y": centre.y,
    }  # fmt: skip
    return found.yy, parts, ""


READINGS = (
    ReadingKind(
        word="area",
        title="Area",
        explanation="of what is closed, `less` its holes",
        said="area of what is closed",
        read=_area,
        counts=ANY,
        quantity="area",
        parts={
            "perimeter": ("length", "length of the edge of what is closed"),
            **CENTRE,
        },
        ways=("less",),
        summed=True,
        of_one=True,
        whole=True,
    ),
    ReadingKind(
        word="moments",
        title="Moments",
        explanation="second moments of area about the area centre, `less` those of holes",
        said="value of a second moment",
        read=_moments,
        counts=ANY,
        quantity="moment",
        parts={
            "upright": ("moment", "the moment about the upright axis"),
            "mixed": ("moment", "the product of inertia"),
            "greatest": ("moment", "the greatest moment"),
            "smallest": ("moment", "the smallest moment"),
            "axis": ("turn", "direction of the axis about which it is greatest"),
            "area": ("area", "area of what is closed"),
            **CENTRE,
        },
        ways=("less",),
        summed=True,
        of_one=True,
        rare=True,
    ),
)
