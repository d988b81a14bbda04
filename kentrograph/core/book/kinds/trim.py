"""Trimming: a stretch of a figure taken away."""

from ...shape.cut import trimmed
from ..kind import GivenSpec, Kind, Naming
from ..planner import Plan, Planner
from ..tree import Statement
from .between import STRETCH, plan_between
from .cutting import first_operand, to_part


def plan_trim(p: Planner, statement: Statement) -> Plan:
    """``trim L1 from P2 to P3``: what lies before and after; of a closed figure what lies from the second on to the first."""
    return plan_between(p, statement, trimmed)


KIND = Kind(
    word="trim",
    group="shape",
    explanation="take a stretch of a figure away",
    plan=plan_trim,
    first="Click on the stretch that goes, or stroke over several; with Shift the whole figure. Or name it.",
    givens=(GivenSpec("figures", "figures", "what a stretch is taken from"), *STRETCH),
    examples=(
        ("trim C1 from crossing of C1 L2 entering to crossing of C1 L2 leaving", "of a circle an arc is left, with its name"),
        ("L9 = trim L1 from 25% of L1 to 2/5 of L1", "of the middle of a line two: the first keeps the name"),
        ("trim L2 from crossing of L2 C1 leaving to end", "as far as an end"),
    ),
    shapes=True,
    brush=True,
    naming=Naming(carried=first_operand, becomes=to_part, counted=True),
)
