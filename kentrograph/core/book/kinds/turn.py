"""Turning: by an angle, or so that one direction becomes another."""

from typing import cast

from ...figures import Point
from ...figures.similarity import Similarity, rotation
from ...measure.angle import at_corner
from ..chain import place_in
from ..crossings import called
from ..kind import GivenSpec
from ..planner import Env, Planner
from ..tree import Number, Statement
from .carrying import By, about, about_place


def _by(p: Planner, statement: Statement) -> By:
    centre, number, pair = about_place(p, statement)
    if number is not None:
        turn = called(p.number(cast(Number, number)))
        return lambda env, last: rotation(centre(env, last), turn(env, last))
    start, end = (place_in(p, statement, place) for place in pair)

    def by(env: Env, last: Point) -> Similarity:
        at = centre(env, last)
        return rotation(at, at_corner(start(env, last), at, end(env, last)))

    return by


KIND = about(
    "turn",
    "turned",
    _by,
    GivenSpec("by", "turn", "how far; counter-clockwise, negative is clockwise"),
    ("in the direction that is turned", "in the direction"),
    explanation="turn about a place, by an angle or from one direction to another",
    examples=(
        ("turn L2 about P1 by 30", "by an angle; its name goes with it"),
        ("L9 = turn L2 about P1 from P2 to P3 keeping", "so that one direction becomes another; the original stays"),
    ),
)
