"""Outlines joined from pieces."""

from ...figures import Ellipse, Outline, Piece, Point
from ...problem import refusal
from ...shape.join import joined
from ..kind import GivenSpec, Kind
from ..planner import Env, Plan, Planner
from ..tree import Name, Statement
from ..values import StepResult
from .bindings import check_words
from .given import by_word, length_of_given, needs


def plan_join(p: Planner, statement: Statement) -> Plan:
    """``K1 = join L1 A1 L2``, ``join L1 A1 within 0.01``: one outline of pieces that meet end to end."""
    check_words(statement, {"figures": len(statement.givens)})
    figures = [g for g in statement.givens if g.word == "figures"]
    operands = [(p.slot(a), g, a.text) for g in figures for a in g.arguments if isinstance(a, Name)]
    if not operands:
        raise needs(statement, "the names of pieces")
    given = by_word(statement, ("within",)).get("within")
    width = length_of_given(p, given) if given is not None else 0.0

    def draw(env: Env, last: Point) -> StepResult:
        pieces = []
        for slot, of, name in operands:
            piece = env[slot]
            if isinstance(piece, Outline) and piece.closed:
                raise refusal("closed_piece", of.start, of.end, name=name)
            if not isinstance(piece, Piece | Outline) or (isinstance(piece, Ellipse) and piece.whole):
                raise refusal("no_piece", of.start, of.end)
            pieces.append(piece)
        within = width if isinstance(width, float) else width(env, last)
        if given is not None and not within > 0.0:
            raise refusal("bad_length", given.start, given.end, value=within)
        outline, moved = joined(pieces, [name for _, _, name in operands], within)
        return StepResult(outline, outline.end, note="; ".join(moved))

    return draw


KIND = Kind(
    word="join",
    group="shape",
    explanation="one outline of pieces that meet end to end",
    plan=plan_join,
    letter="K",
    draws="outline",
    first="Click on the pieces, or name them: L1 A1 L2.",
    givens=(
        GivenSpec("figures", "figures", "the pieces, in any order", repeats=True),
        GivenSpec("within", "length", "gaps up to this length are closed"),
    ),
    examples=(
        ("join L1 L2", "one outline of pieces that meet end to end, named in any order"),
        ("join E2 L3", "parts of ellipses, too; closed where they come back to where they began"),
    ),
    marks="taken",
)
