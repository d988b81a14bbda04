"""A direction as it is written, or that of a line that is named: ``along 30``, ``along L1``."""

from collections.abc import Callable
from typing import cast

from ...figures import EndlessLine, Line, Point
from ...problem import refuse
from ..planner import Env, Planner
from ..tree import PLACES, Given, Name, Number


def plan_turn(p: Planner, given: Given) -> Callable[[Env, Point], float]:
    """A direction in the core's degrees. Raises `Refused` (no_line) for a place, and for a name that is that of no line."""
    way = given.arguments[0]
    if isinstance(way, PLACES):
        raise refuse("no_line", given.start, given.end, word=given.word)
    if not isinstance(way, Name):
        turn = p.direction(cast(Number, way))
        return turn if not isinstance(turn, float) else lambda env, last: turn
    slot = p.slot(way)

    def of_line(env: Env, last: Point) -> float:
        line = env[slot]
        if not isinstance(line, Line | EndlessLine):
            raise refuse("no_line", way.start, way.end, word=given.word)
        return line.direction

    return of_line
