"""The planner of a whole statement: numbers, and the places and readings that numbers hold."""

from collections.abc import Callable

from ..figures import Point
from ..problem import refuse
from .places import plan_place
from .planner import Env, PlacePlan, Planner
from .readings import COUNTS, plan_reading
from .tree import Measured, Place


class StatementPlanner(Planner):
    """Plans one statement."""

    def place(self, node: Place) -> PlacePlan:
        return plan_place(self, node)

    def reading(self, node: Measured) -> Callable[[Env, Point], float]:
        if len(node.of) not in COUNTS[node.what]:
            raise refuse("too_many_givens", node.start, node.end, kind="measure", word="the last one", others=["the others"])
        read = plan_reading(self, node.what, node.of, node.less)
        return lambda env, last: read(env, last)[0]
