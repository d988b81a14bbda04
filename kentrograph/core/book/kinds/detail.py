"""A circle around what is shown larger elsewhere on a sheet."""

from functools import partial
from typing import cast

from ...figures import Circle, Point
from ..crossings import called
from ..kind import GivenSpec, Kind
from ..on_paper import Detail
from ..places import plan_thing
from ..planner import Env, Plan, Planner
from ..tree import Statement
from ..values import StepResult
from .given import by_word, length_of_given, needs, place_of_given


def plan_detail(p: Planner, statement: Statement) -> Plan:
    """``detail at P1 radius 10``."""
    has = by_word(statement)
    lacks = [word for word in ("at", "radius") if word not in has]
    if lacks:
        raise needs(statement, *lacks, more=len(lacks))
    at = partial(plan_thing, p, place_of_given(has["at"]))()
    radius = called(length_of_given(p, has["radius"]))

    def draw(env: Env, last: Point) -> StepResult:
        return StepResult(Detail(Circle(cast(Point, at(env, last)), radius(env, last))))

    return draw


KIND = Kind(
    word="detail",
    group="paper",
    explanation="a circle around what is shown larger elsewhere on the sheet",
    plan=plan_detail,
    letter="X",
    shown=True,
    first="Point at what is shown larger, and say how far around it.",
    givens=(
        GivenSpec("at", "place", "its middle"),
        GivenSpec("radius", "length", "how far around it", blamed=("bad_radius", "too_large")),
    ),
    implied_words=lambda has: [word for word in ("at", "radius") if word not in has],
    examples=(("detail at P1 radius 8", "`view X1 scale 2:1` shows it twice as large"),),
)
