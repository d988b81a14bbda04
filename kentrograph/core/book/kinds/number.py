"""Named numbers."""

from typing import cast

from ...figures import Point
from ...problem import refusal
from ...tolerance import LARGEST
from ..kind import Kind
from ..planner import Env, Plan, Planner
from ..tree import Number, Statement
from ..values import StepResult


def plan_number(p: Planner, statement: Statement) -> Plan:
    """``a = 45``: a number to be used by its name."""
    value = p.number(cast(Number, statement.givens[0].arguments[0]))

    def draw(env: Env, last: Point) -> StepResult:
        found = value if isinstance(value, float) else value(env, last)
        if not -LARGEST <= found <= LARGEST:
            raise refusal("too_large", statement.kind_start, statement.kind_end, value=found)
        return StepResult(found)

    return draw


KIND = Kind(
    word="number",
    group="number",
    explanation="a number with a name, to be used and changed later",
    plan=plan_number,
    first="",
)
