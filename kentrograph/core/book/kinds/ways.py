"""A direction as it is written, or that of a line that is named: ``along 30``, ``along L1``."""

from collections.abc import Callable
from typing import cast

from ...figures import Point, StraightCurve
from ...problem import refusal
from ..planner import Env, Planner
from ..tree import PLACES, Given, Name, Number


def plan_turn(p: Planner, given: Given) -> Callable[[Env, Point], float]:
    """A direction in degrees of the core, or that of a line or a number by its name. Raises `Refused` (no_line) for all else."""
    way = given.arguments[0]
    if isinstance(way, PLACES):
        raise refusal("no_line", given.start, given.end, word=given.word)
    if not isinstance(way, Name):
        turn = p.direction(cast(Number, way))
        return turn if not isinstance(turn, float) else lambda env, last: turn
    slot = p.slot(way)

    def named(env: Env, last: Point) -> float:
        found = env[slot]
        if isinstance(found, StraightCurve):
            return found.direction
        if isinstance(found, float):
            return p.manner.direction_to_core(found)
        raise refusal("no_line", way.start, way.end, word=given.word)

    return named
