"""Readings of one curve: how long it is, how large it is round."""

from typing import Any

from ...figures import Arc, RoundCurve
from ...problem import refusal
from .reading_kind import CENTRE, Counting, Read, ReadingKind


def _length(p: Counting, a: Any) -> Read:
    length = getattr(a, "length", None)
    if length is None:
        raise refusal("no_length", name="it")
    return float(length), {}, ""


def _radius(p: Counting, a: Any) -> Read:
    if not isinstance(a, RoundCurve):
        raise refusal("no_rim", name="it")
    sweep = {"sweep": a.sweep} if isinstance(a, Arc) else {}
    return a.radius, {"diameter": 2.0 * a.radius, **sweep, "x": a.centre.x, "y": a.centre.y}, ""


def _diameter(p: Counting, a: Any) -> Read:
    value, parts, _ = _radius(p, a)
    return 2.0 * value, {"radius": value, "x": parts["x"], "y": parts["y"]}, ""


READINGS = (
    ReadingKind(
        word="length",
        title="Length",
        explanation="of a line, an arc or an outline",
        said="length",
        read=_length,
        counts=(1,),
        parts={"rest": ("length", "the other way round, of a length along what is closed")},
        ways=("from", "to"),
        of_one=True,
        whole=True,
    ),
    ReadingKind(
        word="radius",
        title="Radius",
        explanation="of a circle or an arc",
        said="radius",
        read=_radius,
        counts=(1,),
        parts={"diameter": ("length", "diameter"), "sweep": ("turn", "sweep"), **CENTRE},
        of_one=True,
    ),
    ReadingKind(
        word="diameter",
        title="Diameter",
        explanation="of a circle or an arc",
        said="diameter",
        read=_diameter,
        counts=(1,),
        parts={"radius": ("length", "radius"), **CENTRE},
        of_one=True,
        rare=True,
    ),
)
