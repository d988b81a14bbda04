"""An outline taken apart: its pieces as figures of their own."""

from ...figures import Outline, Point
from ...problem import refusal
from ..kind import GivenSpec, Kind, Naming
from ..planner import Env, Plan, Planner
from ..tree import Statement
from ..values import StepResult
from .bindings import check_words
from .cutting import first_operand, only_operand


def plan_apart(p: Planner, statement: Statement) -> Plan:
    """``apart K1``: K1 is the first of its pieces from here on, the others have names of their own."""
    check_words(statement, {"figures": len(statement.givens)})
    slot, operand = only_operand(p, statement)

    def draw(env: Env, last: Point) -> StepResult:
        outline = env[slot]
        if not isinstance(outline, Outline):
            raise refusal("not_apart", operand.start, operand.end, name=operand.text)
        return StepResult(outline.pieces[0], more=outline.pieces[1:])

    return draw


KIND = Kind(
    word="apart",
    group="shape",
    explanation="the pieces of an outline as figures of their own",
    plan=plan_apart,
    first="Name the outline, or click on it.",
    givens=(GivenSpec("figures", "figures", "what is taken apart"),),
    examples=(("apart K1", "the first piece keeps the name, the others are named L4, A1, …"),),
    shapes=True,
    naming=Naming(carried=first_operand, becomes=lambda kind: "line" if kind == "outline" else kind, counted=True),
)
