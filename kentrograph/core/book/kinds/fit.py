"""Fitting: moved and turned, so that two places come to lie on two others."""

from ...figures import Point
from ...figures.similarity import Similarity
from ...problem import Refused
from ...shape.repeat import fitting
from ..chain import place_in
from ..kind import GivenSpec, Kind, after_figures
from ..planner import Env, Plan, Planner
from ..tree import Statement
from .bindings import check_words
from .carrying import KEEPING, By, plan_carrying
from .given import by_word, needs, place_of_given


def plan_fit(p: Planner, statement: Statement) -> Plan:
    """``fit K1 from P1; P2 to P3; P4``: P1 lands on P3, the direction to P2 on that to P4; ``scaled``: P2 on P4, too."""
    return plan_carrying(p, statement, _by(p, statement), KIND.keeps(statement))


def _by(p: Planner, statement: Statement) -> By:
    check_words(statement, {"figures": len(statement.givens)})
    givens = by_word(statement, ("from", "to", "scaled", "keeping"))
    if "from" not in givens or "to" not in givens:
        raise needs(statement, "from two places to two places")
    places = [place_in(p, statement, place_of_given(givens[word], n)) for word in ("from", "to") for n in (0, 1)]
    scaled = "scaled" in givens

    def by(env: Env, last: Point) -> Similarity:
        a, b, c, d = (place(env, last) for place in places)
        try:
            return fitting(a, b, c, d, scaled)
        except Refused as refused:
            blamed = givens["from"] if (a.x, a.y) == (b.x, b.y) else givens["to"]
            raise Refused(refused.problem.at(blamed.start, blamed.end)) from None

    return by


KIND = Kind(
    word="fit",
    group="carry",
    explanation="move and turn, by two places onto two others",
    plan=plan_fit,
    implied_words=after_figures("from", "to"),
    first="Name what is to be fitted, or click on it; then from two of its places to where they shall lie.",
    givens=(
        GivenSpec("figures", "figures", "what is moved and turned", repeats=True),
        GivenSpec("from", "two places", "two places of it"),
        GivenSpec("to", "two places", "where the first lands, and in which direction the second lies from there"),
        GivenSpec("scaled", "nothing", "the second lands on its place, too"),
        KEEPING,
    ),
    examples=(
        ("fit L2 from P1; P3 to P2; P3", "its name goes with it"),
        ("L9 = fit L2 from start of L2; end of L2 to P2; P3 scaled keeping", "the second place lands, too"),
    ),
    shapes=True,
)
