"""Readings of all that is named: the box around it, how many there are, how a traverse closes."""

from math import fsum, hypot
from typing import Any

from ...angles import direction_of
from ...figures import EndlessLine, Point
from ...figures.box import box_of, empty_box
from ...figures.similarity import rotation, transformed
from ...measure.traverse import inner_angles, legs_of, misclosure
from ...problem import refusal
from ...tolerance import TOLERANCE
from .reading_kind import ANY, OFFSET, Counting, Read, ReadingKind, along_datum


def _box(p: Counting, *things: Any) -> Read:
    """The box around all of them, along the datum."""
    level = p.manner.datum.turn
    about = Point(0.0, 0.0)
    x0, y0, x1, y1 = empty_box()
    for thing in things:
        if isinstance(thing, EndlessLine):
            raise refusal("no_length", name="it")
        a, b, c, d = box_of(transformed(thing, rotation(about, -level)) if level else thing)
        x0, y0, x1, y1 = min(x0, a), min(y0, b), max(x1, c), max(y1, d)
    return x1 - x0, {"height": y1 - y0}, ""


def _closing(p: Counting, a: Any) -> Read:
    """By how much a traverse misses its beginning; for each unit of that, how long it is; and the sum of its inner angles."""
    legs = legs_of(a)
    dx, dy = misclosure(a)
    across, up = along_datum(p, dx, dy)
    off = hypot(dx, dy)
    parts = {"across": across, "up": up}
    if off > TOLERANCE.closing(a.length, max(abs(a.start.x), abs(a.start.y)), len(legs)):
        parts |= {"direction": p.manner.direction_from_core(direction_of(dx, dy)), "ratio": a.length / off}
    parts["angles"] = fsum(inner_angles(legs))
    return off, parts, ""


def _count(p: Counting, figure: Any) -> Read:
    """How many figures a set has; how many are like a figure only the drawing tells (see `plan_reading`)."""
    return float(len(figure.members)), {}, ""


READINGS = (
    ReadingKind(
        word="box",
        title="Box",
        explanation="width and height of all that is named, along the datum",
        said="width of a box",
        read=_box,
        counts=ANY,
        parts={"height": ("length", "height of a box")},
        of_one=True,
        rare=True,
    ),
    ReadingKind(
        word="count",
        title="Count",
        explanation="how many figures of the same kind and size there are; of a set, how many it has",
        said="how many a set has",
        read=_count,
        counts=(1,),
        quantity="count",
        of_one=True,
        rare=True,
    ),
    ReadingKind(
        word="closing",
        title="Closing",
        explanation="by how much a path walked leg by leg misses its beginning",
        said="misclosure of a traverse",
        read=_closing,
        counts=(1,),
        parts={
            **OFFSET,
            "direction": ("direction", "direction"),
            "ratio": ("count", "length of a traverse for each unit of its misclosure"),
            "angles": ("turn", "sum of the inner angles of a traverse"),
        },
        of_one=True,
        rare=True,
    ),
)
