"""Splitting: a figure cut at places; nothing goes."""

from ...figures import Point
from ...shape.cut import split
from ..kind import GivenSpec, Kind, Naming, after_figures
from ..planner import Env, Plan, Planner
from ..tree import Statement
from ..values import StepResult
from .bindings import check_words
from .cutting import beside, first_operand, longish, only_operand, plan_cut, to_part
from .given import needs


def plan_split(p: Planner, statement: Statement) -> Plan:
    """``split L1 at P2; P3``: the pieces, as the figure runs; of a closed figure from the first place that is named."""
    check_words(statement, {"figures": len(statement.givens), "at": len(statement.givens)})
    slot, operand = only_operand(p, statement)
    givens = [g for g in statement.givens if g.word == "at"]
    if not givens:
        raise needs(statement, f"at a place on {operand.text}")
    cuts = [(given, plan_cut(p, statement, given)) for given in givens]

    def draw(env: Env, last: Point) -> StepResult:
        figure = longish(env[slot], "split", operand.text)
        found = [(given, cut(figure, env, last)) for given, cut in cuts]
        made = split(figure, [cut for _, cut in found], operand.text)
        return StepResult(made[0], note=beside(found, operand.text), more=made[1:])

    return draw


KIND = Kind(
    word="split",
    group="shape",
    explanation="cut a figure at places",
    plan=plan_split,
    implied_words=after_figures("at"),
    first="Name the figure, or click on it; then at and a place on it, or several.",
    givens=(GivenSpec("figures", "figures", "what is cut"), GivenSpec("at", "places", "where it is cut", repeats=True)),
    examples=(
        ("L8 L9 = split L1 at 25% of L1; 60% of L1", "the first piece keeps the name"),
        ("A9 = split C1 at crossing of C1 L2 entering; crossing of C1 L2 leaving", "a circle is cut at two places"),
    ),
    shapes=True,
    naming=Naming(carried=first_operand, becomes=to_part, counted=True),
)
