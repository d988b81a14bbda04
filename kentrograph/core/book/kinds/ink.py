"""Inking: a figure, or a stretch of it, drawn in ink over the pencil."""

from ...figures import Point
from ...shape.cut import kept, longish
from ..kind import GivenSpec, Kind, Naming
from ..planner import Env, Plan, Planner
from ..tree import KindOf, Statement
from ..values import StepResult
from .between import STRETCH, plan_between
from .bindings import check_words
from .cutting import only_operand, to_part


def plan_ink(p: Planner, statement: Statement) -> Plan:
    """``ink C1``, ``ink C1 from P2 to P3``: a new figure; the one under it stays, in pencil."""
    if any(given.word in ("from", "to") for given in statement.givens):
        return plan_between(p, statement, lambda figure, a, b, name: (kept(figure, a, b),))
    check_words(statement, {"figures": len(statement.givens)})
    slot, operand = only_operand(p, statement)

    def draw(env: Env, last: Point) -> StepResult:
        figure = env[slot]
        return StepResult(figure if isinstance(figure, Point) else longish(figure, "ink", operand.text))

    return draw


def _drawn(statement: Statement, kind_of: KindOf) -> str | None:
    of = kind_of(statement.operands[0].key) if statement.operands else None
    return to_part(of) if of is not None and any(given.word == "from" for given in statement.givens) else of


KIND = Kind(
    word="ink",
    group="shape",
    explanation="ink a figure over, or a stretch of it",
    plan=plan_ink,
    first="Click on the stretch that you want, or stroke over several; with Shift the whole figure. Or name it.",
    givens=(GivenSpec("figures", "figures", "what is inked over"), *STRETCH),
    examples=(
        ("ink C1 from crossing of C1 L2 leaving to crossing of C1 L2 entering", "a stretch of it, as a figure of its own"),
        ("ink C4", "the whole figure; what lies under it stays, in pencil"),
    ),
    shapes=True,
    always_keeps=True,
    edges=True,
    naming=Naming(own=_drawn, fresh=lambda statement: 1),
    brush=True,
    marks="inked over",
)
