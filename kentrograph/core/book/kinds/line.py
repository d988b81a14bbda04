"""Lines."""

from ...figures import Line, Point
from ..places import as_function, plan_next, plan_place
from ..planner import Env, Plan, Planner
from ..tree import Statement
from ..values import Drawn
from .given import by_word, needs, place_of_given, refuse_not_yet


def plan_line(p: Planner, statement: Statement) -> Plan:
    """A line from one place to another; without a beginning, from the last place."""
    refuse_not_yet(statement, ["from", "to"])
    givens = by_word(statement)
    if "to" not in givens:
        if "from" not in givens:
            raise needs(statement, "from and a place", "to and a place", more=2)
        raise needs(statement, "to and a place")
    start = as_function(plan_place(p, place_of_given(givens["from"]))) if "from" in givens else None
    if start is None:
        p.needs_last = True
    end = plan_next(p, place_of_given(givens["to"]))

    def draw(env: Env, last: Point) -> Drawn:
        a = last if start is None else start(env, last)
        b = end(env, a)
        return Drawn(Line(a, b), b)

    return draw
