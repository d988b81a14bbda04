"""Turning: by an angle, or so that one direction becomes another."""

from typing import cast

from ...figures import Point
from ...figures.similarity import Similarity, rotation
from ...measure.angle import at_corner
from ..chain import place_in
from ..crossings import called
from ..kind import GivenSpec, Kind, after_figures
from ..planner import Env, Plan, Planner
from ..tree import Number, Statement
from .carrying import By, about_place, plan_carrying


def plan_turn(p: Planner, statement: Statement) -> Plan:
    """``turn K1 about P by 30``, ``turn K1 about P from Q to R``; with ``keeping`` the originals stay."""
    return plan_carrying(p, statement, _by(p, statement), KIND.keeps(statement))


def _by(p: Planner, statement: Statement) -> By:
    about, number, pair = about_place(p, statement)
    if number is not None:
        turn = called(p.number(cast(Number, number)))
        return lambda env, last: rotation(about(env, last), turn(env, last))
    start, end = (place_in(p, statement, place) for place in pair)

    def by(env: Env, last: Point) -> Similarity:
        centre = about(env, last)
        return rotation(centre, at_corner(start(env, last), centre, end(env, last)))

    return by


KIND = Kind(
    word="turn",
    group="carry",
    explanation="turn about a place, by an angle or from one direction to another",
    plan=plan_turn,
    letter="",
    draws="turn",
    puts_place=False,
    implied_words=after_figures("about", "by", "from", "to"),
    first="Name what is to be turned, or click on it; then about a place, and by how much.",
    givens=(
        GivenSpec("figures", "figures", "what is turned", repeats=True),
        GivenSpec("about", "place", "the place about which it is turned"),
        GivenSpec("by", "turn", "how far; counter-clockwise, negative is clockwise"),
        GivenSpec("from", "place", "a place in the direction that is turned"),
        GivenSpec("to", "place", "a place in the direction that it shall have"),
        GivenSpec("keeping", "nothing", "the originals stay, and new figures come"),
    ),
    examples=(
        ("turn L2 about P1 by 30", "by an angle; its name goes with it"),
        ("L9 = turn L2 about P1 from P2 to P3 keeping", "so that one direction becomes another; the original stays"),
    ),
    shapes=True,
)
