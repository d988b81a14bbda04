"""Steps that hide figures, or all that a pen draws."""

from ..kind import GivenSpec, Kind, Naming
from ..planner import Plan, Planner
from ..tree import Statement
from .marking import PEN_GIVENS, plan_sight


def plan_hide(p: Planner, statement: Statement) -> Plan:
    """``hide C1 L4``, ``hide pencil``."""
    return plan_sight(p, statement, "hide")


KIND = Kind(
    word="hide",
    group="carry",
    explanation="keep figures, or all that a pen draws, out of sight",
    plan=plan_hide,
    letter="",
    draws="hide",
    puts_place=False,
    first="Name the figures, or click on them; or say a pen: pencil, ink, fine, hidden, axis.",
    givens=(GivenSpec("figures", "figures", "what is out of sight from here on", repeats=True), *PEN_GIVENS),
    examples=(("hide C1 L2", "out of sight; still named, and measured"), ("hide pencil", "all that is drawn in pencil")),
    shapes=True,
    naming=Naming(),
    marks="hide",
)
