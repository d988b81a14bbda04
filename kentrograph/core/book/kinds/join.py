"""Outlines joined from pieces."""

from ...construct import outlines
from ...figures import Arc, Ellipse, Line, Outline
from ...problem import refuse
from ..kind import GivenKind, Kind
from ..planner import Plan, Planner
from ..tree import Name, Statement
from .bindings import Facts, plan_facts
from .given import needs


def plan_join(p: Planner, statement: Statement) -> Plan:
    """One outline of pieces that meet end to end."""
    names = [a.text for g in statement.givens for a in g.arguments if isinstance(a, Name)]
    if not names:
        raise needs(statement, "the names of pieces")

    def make(f: Facts) -> Outline:
        for fact in f:
            piece = fact.values[0]
            if not isinstance(piece, Line | Arc | Ellipse | Outline) or (isinstance(piece, Ellipse) and piece.whole):
                raise refuse("no_piece", fact.given.start, fact.given.end)
        return outlines.joined([x.values[0] for x in f], names)

    return plan_facts(p, statement, make, lambda outline: outline.end)


KIND = Kind(
    word="join",
    group="shape",
    explanation="one outline of pieces that meet end to end",
    plan=plan_join,
    letter="K",
    draws="outline",
    puts_place=False,
    first="Click on the pieces in their order, or name them: L1 A1 L2.",
    givens=(GivenKind("figures", "figures", "the pieces in their order", repeats=True),),
    examples=(
        ("join L1 L2", "one outline of pieces that meet end to end"),
        ("join E2 L3", "parts of ellipses, too; closed where they come back to where they began"),
    ),
)
