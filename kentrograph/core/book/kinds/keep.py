"""Keeping: only a stretch of a figure remains."""

from ...shape.cut import kept
from ..kind import GivenSpec, Kind, Naming
from ..planner import Plan, Planner
from ..tree import Statement
from .between import STRETCH, plan_between
from .cutting import first_operand, no_names, to_part


def plan_keep(p: Planner, statement: Statement) -> Plan:
    """``keep L1 from P2 to P3``: what lies between, and nothing else."""
    plan = plan_between(p, statement, lambda figure, a, b, name: (kept(figure, a, b),))
    no_names(statement)
    return plan


KIND = Kind(
    word="keep",
    group="shape",
    explanation="keep only a stretch of a figure",
    plan=plan_keep,
    first="Name the figure, or click on it; then from and to: only the stretch between the two stays.",
    givens=(GivenSpec("figures", "figures", "what a stretch is kept of"), *STRETCH),
    examples=(
        (
            "keep C1 from crossing of C1 L2 entering to crossing of C1 L2 leaving",
            "of a circle, counter-clockwise",
        ),
        ("keep L2 from crossing of L2 C1 entering to crossing of L2 C1 leaving", "of a line what lies between"),
    ),
    shapes=True,
    naming=Naming(carried=first_operand, becomes=to_part),
)
