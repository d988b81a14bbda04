"""Readings."""

from math import hypot
from typing import Any, cast

from ...angles import direction_of
from ...figures import Circle, Point
from ...measure.between import distance_between
from ...problem import refuse
from ..places import plan_thing
from ..planner import Env, Plan, Planner
from ..tree import Name, Number, Place, Statement
from ..values import Drawn, Reading
from .given import refuse_not_yet


def plan_measure(p: Planner, statement: Statement) -> Plan:
    """A reading that stays live: its value follows what it is measured on."""
    refuse_not_yet(statement, ["distance", "wanted", "within"])
    given = statement.givens[0]
    if len(given.arguments) != 2:
        more = 2 - len(given.arguments)
        if more > 0:
            raise refuse("needs_given", given.end, given.end, kind="measure distance", more=more, could=["a place or a figure"])
        raise refuse("too_many_givens", given.start, given.end, kind="measure", word="distance", others=["two things"])
    first, second = (plan_thing(p, cast(Place | Name, a)) for a in given.arguments)
    extras = {g.word: p.length(cast(Number, g.arguments[0])) for g in statement.givens[1:]}

    def draw(env: Env, last: Point) -> Drawn:
        a, b = first(env, last), second(env, last)
        extra = {word: v if isinstance(v, float) else v(env, last) for word, v in extras.items()}
        return Drawn(_distance(a, b, extra.get("wanted"), extra.get("within")))

    return draw


def _distance(a: Any, b: Any, wanted: float | None, within: float | None) -> Reading:
    if isinstance(a, float | Reading) or isinstance(b, float | Reading):
        raise refuse("not_a_figure")
    value = distance_between(a, b)
    parts: dict[str, float] = {}
    if isinstance(a, Point) and isinstance(b, Point):
        dx, dy = b.x - a.x, b.y - a.y
        parts = {"across": dx, "up": dy}
        if hypot(dx, dy) > 0.0:
            parts["direction"] = direction_of(dx, dy)
    elif isinstance(a, Circle) and isinstance(b, Circle):
        parts = {"centres": hypot(b.centre.x - a.centre.x, b.centre.y - a.centre.y)}
    return Reading("distance", value, parts, wanted, within)
