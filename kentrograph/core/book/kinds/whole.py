"""An arc, or a part of an ellipse, made whole again."""

from ...shape.cut import whole
from ..kind import GivenSpec, Kind, Naming
from ..planner import Plan, Planner
from ..tree import Statement
from ..values import StepResult
from .bindings import check_words
from .cutting import first_operand, no_names, only_operand


def plan_whole(p: Planner, statement: Statement) -> Plan:
    """``whole A1``: its circle, with its name."""
    check_words(statement, {"figures": len(statement.givens)})
    slot, operand = only_operand(p, statement)
    no_names(statement)
    return lambda env, last: StepResult(whole(env[slot], operand.text))


KIND = Kind(
    word="whole",
    group="shape",
    explanation="an arc, or a part of an ellipse, made whole again",
    plan=plan_whole,
    first="Name the arc or the part of an ellipse, or click on it.",
    givens=(GivenSpec("figures", "figures", "what is made whole"),),
    examples=(("whole E2", "the ellipse that it is a part of; of an arc its circle"),),
    shapes=True,
    naming=Naming(carried=first_operand, becomes=lambda kind: "circle" if kind == "arc" else kind),
)
