"""A traverse that closes: its misclosure shared out over its legs."""

from ...figures import Outline, Point
from ...measure.traverse import balanced
from ...problem import refusal
from ..kind import GivenSpec, Kind, after_figures
from ..planner import Env, Plan, Planner
from ..tree import Statement
from ..values import StepResult
from .bindings import check_words
from .cutting import only_operand
from .given import by_word


def plan_balance(p: Planner, statement: Statement) -> Plan:
    """``balance K1``, ``balance K1 transit``: by the compass rule, or by the transit rule."""
    check_words(statement, {"figures": len(statement.givens)})
    slot, operand = only_operand(p, statement)
    transit = "transit" in by_word(statement, ("transit",))

    def draw(env: Env, last: Point) -> StepResult:
        figure = env[slot]
        if not isinstance(figure, Outline):
            raise refusal("no_traverse", operand.start, operand.end)
        return StepResult(balanced(figure, "transit" if transit else "compass"))

    return draw


KIND = Kind(
    word="balance",
    group="shape",
    explanation="a traverse made to close, its error shared out",
    plan=plan_balance,
    letter="K",
    draws="outline",
    implied_words=after_figures(),
    first="Name the path that was walked leg by leg, or click on it.",
    givens=(
        GivenSpec("figures", "figures", "the path that should have come back", blamed=("no_traverse", "zero_length")),
        GivenSpec("transit", "nothing", "shared by how far each leg goes up and across, not by its length"),
    ),
    examples=(
        ("balance K4", "by the compass rule: each leg takes a share by its length"),
        ("balance K4 transit", "by the transit rule: by how far each leg goes up and across"),
    ),
    shapes=True,
    always_keeps=True,
)
