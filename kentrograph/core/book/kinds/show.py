"""Steps that show figures, or all that a pen draws."""

from ..kind import GivenSpec, Kind, Naming
from ..planner import Plan, Planner
from ..tree import Statement
from .marking import PEN_GIVENS, plan_sight


def plan_show(p: Planner, statement: Statement) -> Plan:
    """``show C1 L4``, ``show pencil``."""
    return plan_sight(p, statement, "show")


KIND = Kind(
    word="show",
    group="carry",
    explanation="bring back to sight what was hidden",
    plan=plan_show,
    letter="",
    draws="show",
    puts_place=False,
    first="Name the figures, or click on them; or say a pen: pencil, ink, fine, hidden, axis.",
    givens=(GivenSpec("figures", "figures", "what is to be seen again", repeats=True), *PEN_GIVENS),
    examples=(("show C1", "to be seen again"), ("show pencil", "all that is drawn in pencil")),
    shapes=True,
    naming=Naming(),
    marks="show",
)
