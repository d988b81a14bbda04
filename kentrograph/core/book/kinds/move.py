"""Moving: by two places, or by so far across and up."""

from collections.abc import Collection
from typing import cast

from ...figures import Point
from ...figures.similarity import Similarity, shift
from ..chain import place_in
from ..kind import GivenSpec, Kind, after_figures
from ..places import offset_of
from ..planner import Env, Plan, Planner
from ..tree import Coordinates, Polar, Statement
from .bindings import check_words
from .carrying import KEEPING, By, plan_carrying
from .given import by_word, needs, place_of_given, too_many


def plan_move(p: Planner, statement: Statement) -> Plan:
    """``move K1 C2 from P1 to P5``, ``move K1 by 40, 0``; with ``keeping`` the originals stay."""
    return plan_carrying(p, statement, _by(p, statement), KIND.keeps(statement))


def plan_copy(p: Planner, statement: Statement) -> Plan:
    """``copy K1 by 40, 0``: as ``move ... keeping``."""
    return plan_carrying(p, statement, _by(p, statement), True)


def _by(p: Planner, statement: Statement) -> By:
    check_words(statement, {"figures": len(statement.givens)})
    givens = by_word(statement, ("from", "to", "by", "keeping"))
    if "by" in givens:
        if "from" in givens or "to" in givens:
            raise too_many(statement, givens["by"], ["from and to"])
        offset = offset_of(p, cast("Coordinates | Polar", givens["by"].arguments[0]))
        return lambda env, last: shift(*offset(env, last))
    if "from" not in givens or "to" not in givens:
        raise needs(statement, "from a place to a place", "by 40, 0")
    start, end = (place_in(p, statement, place_of_given(givens[word])) for word in ("from", "to"))

    def by(env: Env, last: Point) -> Similarity:
        a, b = start(env, last), end(env, last)
        return shift(b.x - a.x, b.y - a.y)

    return by


_GIVENS = (
    GivenSpec("figures", "figures", "what is moved", repeats=True),
    GivenSpec("from", "place", "a place of it"),
    GivenSpec("to", "place", "where that place goes"),
    GivenSpec("by", "offset", "so far across and up, or so far in a direction: 40, 0 or 20 at 30"),
)


def bare_carry(has: Collection[str]) -> list[str]:
    """A bare pair is how far it is moved or, where it was said from where, the other place."""
    return after_figures("to" if "from" in has else "by")(has)


KIND = Kind(
    word="move",
    group="carry",
    explanation="move by two places, or by so far across and up",
    plan=plan_move,
    implied_words=bare_carry,
    first="Name what is to be moved, or click on it; then from and to, or by.",
    givens=(*_GIVENS, KEEPING),
    examples=(
        ("move C4 from C4 to P3", "a place of it onto another place; its name goes with it"),
        ("move C3 C4 by 10, -8", "so far across and up; `by 20 at 30`"),
        ("C9 = move C3 by -30, -10 keeping", "the original stays, as with `copy`"),
    ),
    shapes=True,
)
