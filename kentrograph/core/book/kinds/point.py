"""Points."""

from ...figures import Point
from ..places import plan_place
from ..planner import Env, Plan, Planner
from ..tree import Statement
from ..values import Drawn
from .given import by_word, needs, place_of_given, refuse_not_yet


def plan_point(p: Planner, statement: Statement) -> Plan:
    """A point at a place."""
    refuse_not_yet(statement, ["place"])
    givens = by_word(statement)
    if "place" not in givens:
        raise needs(statement, "a place, such as 40, 25 or 50 at 30")
    place = plan_place(p, place_of_given(givens["place"]))
    if isinstance(place, Point):
        drawn = Drawn(place, place)
        return lambda env, last: drawn

    def draw(env: Env, last: Point) -> Drawn:
        point = place(env, last)
        return Drawn(point, point)

    return draw
