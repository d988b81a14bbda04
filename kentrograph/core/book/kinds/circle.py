"""Circles."""

from collections.abc import Callable
from math import hypot, pi

from ...figures import Circle, Point
from ..places import as_function, plan_next, plan_place
from ..planner import Env, Plan, Planner
from ..tree import Statement
from ..values import Drawn
from .given import by_word, length_of_given, needs, place_of_given, refuse_not_yet, too_many

_SIZES = {"radius": 1.0, "diameter": 0.5, "circumference": 0.5 / pi}


def plan_circle(p: Planner, statement: Statement) -> Plan:
    """A circle from its centre and its size."""
    refuse_not_yet(statement, ["centre", "through", *_SIZES])
    givens = by_word(statement)
    sizes = [word for word in (*_SIZES, "through") if word in givens]
    if len(sizes) > 1:
        raise too_many(statement, givens[sizes[1]], [sizes[0]])
    if "centre" not in givens or not sizes:
        could = [] if "centre" in givens else ["centre and a place"]
        raise needs(statement, *could, *([] if sizes else [*_SIZES, "through and a place"]), more=len(could) + (not sizes))
    centre = as_function(plan_place(p, place_of_given(givens["centre"])))
    if sizes == ["through"]:
        return _through(centre, plan_next(p, place_of_given(givens["through"])))
    size, share = length_of_given(p, givens[sizes[0]]), _SIZES[sizes[0]]
    fixed = size * share if isinstance(size, float) else None
    if fixed is not None:
        Circle(Point(0.0, 0.0), fixed)

    def draw(env: Env, last: Point) -> Drawn:
        at = centre(env, last)
        radius = fixed if fixed is not None else size(env, at) * share  # type: ignore[operator]
        return Drawn(Circle(at, radius), at)

    return draw


def _through(centre: Callable[[Env, Point], Point], place: Callable[[Env, Point], Point]) -> Plan:
    def draw(env: Env, last: Point) -> Drawn:
        at = centre(env, last)
        to = place(env, at)
        return Drawn(Circle(at, hypot(to.x - at.x, to.y - at.y)), at)

    return draw
