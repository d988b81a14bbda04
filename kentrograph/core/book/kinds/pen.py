"""Another pen for figures that are there."""

from ..kind import GivenSpec, Kind, Naming
from ..planner import Plan, Planner
from ..tree import Statement
from .given import needs, too_many
from .marking import PEN_GIVENS, pens_named, plan_mark


def plan_pen(p: Planner, statement: Statement) -> Plan:
    """``pen hidden L1 L2``: from here on these are drawn with it."""
    pens = pens_named(statement)
    if not pens:
        raise needs(statement, "a pen: pencil, ink, fine, hidden or axis")
    if len(pens) > 1:
        second = [given for given in statement.givens if given.word in pens][1]
        raise too_many(statement, second, pens[:1])
    if not statement.operands:
        raise needs(statement, "the names of figures")
    return plan_mark(p, statement, f"pen {pens[0]}")


KIND = Kind(
    word="pen",
    group="carry",
    explanation="another pen for figures that are there",
    plan=plan_pen,
    first="Say which pen, pencil, ink, fine, hidden or axis; then name the figures, or click on them.",
    givens=(GivenSpec("figures", "figures", "what is drawn with it", repeats=True), *PEN_GIVENS),
    examples=(
        ("pen hidden C3 L2", "dashed, as hidden edges are"),
        ("pen axis L1", "long dashed dotted, as centre lines are"),
        ("pen ink C1", "continuous and wide, as visible edges are; `fine` is narrow, `pencil` does not print"),
    ),
    shapes=True,
    naming=Naming(),
    marks="pen",
)
