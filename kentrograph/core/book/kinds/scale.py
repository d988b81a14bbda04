"""Scaling: by a factor, or so that one distance becomes another."""

from math import hypot

from ...figures import Point
from ...figures.similarity import Similarity, dilation
from ...problem import refusal
from ..kind import GivenSpec
from .carrying import about


def _by_factor(centre: Point, factor: float) -> Similarity:
    if not factor > 0.0:
        raise refusal("bad_factor", value=factor)
    return dilation(centre, factor)


def _by_places(centre: Point, start: Point, end: Point) -> Similarity:
    before, after = (hypot(at.x - centre.x, at.y - centre.y) for at in (start, end))
    if before == 0.0:
        raise refusal("same_places")
    return _by_factor(centre, after / before)


KIND = about(
    "scale",
    "scaled",
    _by_factor,
    _by_places,
    GivenSpec("by", "factor", "how many times as large", blamed=("bad_factor",)),
    ("whose distance is changed", "at the distance"),
    explanation="scale about a place, by a factor or from one distance to another",
    examples=(
        ("scale C3 about C3 by 2", "by a factor; its name goes with it"),
        ("C9 = scale C2 about P1 from P3 to P2 keeping", "so that one distance becomes another; the original stays"),
    ),
)
