"""Scaling: by a factor, or so that one distance becomes another."""

from math import hypot
from typing import cast

from ...figures import Point
from ...figures.similarity import Similarity, dilation
from ...problem import refusal
from ..chain import place_in
from ..crossings import called
from ..kind import GivenSpec
from ..planner import Env, Planner
from ..tree import Number, Statement
from .carrying import By, about, about_place


def _by(p: Planner, statement: Statement) -> By:
    place, number, pair = about_place(p, statement)
    if number is not None:
        factor = called(p.number(cast(Number, number)))
        return lambda env, last: _scaling(place(env, last), factor(env, last), statement)
    start, end = (place_in(p, statement, one) for one in pair)

    def by(env: Env, last: Point) -> Similarity:
        centre, a, b = place(env, last), start(env, last), end(env, last)
        before, after = (hypot(at.x - centre.x, at.y - centre.y) for at in (a, b))
        if before == 0.0:
            raise refusal("same_places")
        return _scaling(centre, after / before, statement)

    return by


def _scaling(about: Point, factor: float, statement: Statement) -> Similarity:
    if not factor > 0.0:
        given = next(g for g in statement.givens if g.word in ("by", "to"))
        raise refusal("bad_factor", given.start, given.end, value=factor)
    return dilation(about, factor)


KIND = about(
    "scale",
    "scaled",
    _by,
    GivenSpec("by", "factor", "how many times as large"),
    ("whose distance is changed", "at the distance"),
    explanation="scale about a place, by a factor or from one distance to another",
    examples=(
        ("scale C3 about C3 by 2", "by a factor; its name goes with it"),
        ("C9 = scale C2 about P1 from P3 to P2 keeping", "so that one distance becomes another; the original stays"),
    ),
)
