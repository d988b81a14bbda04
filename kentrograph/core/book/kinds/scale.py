"""Scaling: by a factor, or so that one distance becomes another."""

from math import hypot
from typing import cast

from ...figures import Point
from ...figures.similarity import Similarity, dilation
from ...problem import refusal
from ..chain import place_in
from ..crossings import called
from ..kind import GivenSpec, Kind, after_figures
from ..planner import Env, Plan, Planner
from ..tree import Number, Statement
from .carrying import By, about_place, plan_carrying


def plan_scale(p: Planner, statement: Statement) -> Plan:
    """``scale K1 about P by 2``, ``scale K1 about P from Q to R``; with ``keeping`` the originals stay."""
    return plan_carrying(p, statement, _by(p, statement), KIND.keeps(statement))


def _by(p: Planner, statement: Statement) -> By:
    about, number, pair = about_place(p, statement)
    if number is not None:
        factor = called(p.number(cast(Number, number)))
        return lambda env, last: _scaling(about(env, last), factor(env, last), statement)
    start, end = (place_in(p, statement, place) for place in pair)

    def by(env: Env, last: Point) -> Similarity:
        centre, a, b = about(env, last), start(env, last), end(env, last)
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


KIND = Kind(
    word="scale",
    group="carry",
    explanation="scale about a place, by a factor or from one distance to another",
    plan=plan_scale,
    letter="",
    draws="scale",
    puts_place=False,
    implied_words=after_figures("about", "by", "from", "to"),
    first="Name what is to be scaled, or click on it; then about a place, and by how much.",
    givens=(
        GivenSpec("figures", "figures", "what is scaled", repeats=True),
        GivenSpec("about", "place", "the place that stays where it is"),
        GivenSpec("by", "factor", "how many times as large"),
        GivenSpec("from", "place", "a place whose distance is changed"),
        GivenSpec("to", "place", "a place at the distance that it shall have"),
        GivenSpec("keeping", "nothing", "the originals stay, and new figures come"),
    ),
    examples=(
        ("scale C3 about C3 by 2", "by a factor; its name goes with it"),
        ("C9 = scale C2 about P1 from P3 to P2 keeping", "so that one distance becomes another; the original stays"),
    ),
    shapes=True,
)
