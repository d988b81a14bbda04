"""Mirroring: in a line, or in the line through two places."""

from ...angles import unit
from ...figures import Point, StraightCurve
from ...figures.similarity import Similarity, reflection
from ...intersect.supporting_curves import way_of
from ...problem import refusal
from ..chain import chain_of, follow
from ..kind import GivenSpec, Kind, after_figures
from ..planner import Env, Plan, Planner
from ..tree import Statement
from .bindings import check_words
from .carrying import KEEPING, By, plan_carrying
from .given import by_word, needs


def plan_mirror(p: Planner, statement: Statement) -> Plan:
    """``mirror K1 in L1``, ``mirror K1 in P1 P2``; with ``keeping`` the originals stay."""
    return plan_carrying(p, statement, _by(p, statement), KIND.keeps(statement))


def _by(p: Planner, statement: Statement) -> By:
    check_words(statement, {"figures": len(statement.givens)})
    given = by_word(statement, ("in", "keeping")).get("in")
    if given is None:
        raise needs(statement, "in a line", "in and two places")
    chain = chain_of(p, statement)

    def by(env: Env, last: Point) -> Similarity:
        found = [value for link, value, _ in follow(chain, env, last) if link.given is given]
        if len(found) == 1:
            if not isinstance(found[0], StraightCurve):
                raise refusal("no_mirror", given.start, given.end)
            w = way_of(found[0])
            return reflection(Point(w.x, w.y), w.ux, w.uy)
        places = [getattr(one, "centre", one) for one in found]
        if not all(isinstance(one, Point) for one in places):
            raise refusal("no_mirror", given.start, given.end)
        a, b = places
        if (a.x, a.y) == (b.x, b.y):
            raise refusal("same_places", given.start, given.end)
        return reflection(a, *unit(b.x - a.x, b.y - a.y))

    return by


KIND = Kind(
    word="mirror",
    group="carry",
    explanation="mirror in a line, or in two places",
    plan=plan_mirror,
    implied_words=after_figures("in"),
    first="Name what is to be mirrored, or click on it; then in and a line, or two places.",
    givens=(
        GivenSpec("figures", "figures", "what is mirrored", repeats=True),
        GivenSpec("in", "one or two things", "the line in which it is mirrored, or two places on it"),
        KEEPING,
    ),
    examples=(
        ("mirror C3 in L2", "in a line; its name goes with it"),
        ("C9 = mirror C2 in P2 P3 keeping", "in the line through two places; the original stays"),
    ),
    shapes=True,
)
