"""The planner of a whole statement: numbers, and the places and readings that numbers hold."""

from collections.abc import Callable

from ..figures import Point
from .kinds.reading_ways import plan_read
from .places import plan_place
from .planner import Env, PlacePlan, Planner
from .tree import Measured, Place


class StatementPlanner(Planner):
    """Plans one statement."""

    def place(self, node: Place) -> PlacePlan:
        return plan_place(self, node)

    def reading(self, node: Measured) -> Callable[[Env, Point], float]:
        read = plan_read(self, node.statement)
        return lambda env, last: read(env, last)[0]
