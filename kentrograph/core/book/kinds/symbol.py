"""Symbols: small books of their own, to be placed as often as one likes."""

from ...figures import Point
from ..kind import Kind
from ..planner import Env, Plan, Planner
from ..tree import Statement, SymbolBody
from ..values import StepResult


def plan_symbol(p: Planner, statement: Statement) -> Plan:
    """``symbol bolt`` ... ``end symbol``: what its lines draw, about its own datum. It may place symbols that stand before it."""
    body = statement.givens[0].arguments[0]
    assert isinstance(body, SymbolBody)
    slots = {name.key: p.slot(name) for name in statement.uses}

    def draw(env: Env, last: Point) -> StepResult:
        return StepResult(body.drawn({key: env[slot] for key, slot in slots.items()}, p.manner, p.unit))

    return draw


KIND = Kind(
    word="symbol",
    group="block",
    explanation="a small drawing, to be placed as often as one likes",
    plan=plan_symbol,
    first="A symbol is a block of lines in a text, from symbol and its name to end symbol.",
    unseen=True,
)
SYMBOL = KIND.word
"""The word with which a symbol begins, and its body follows."""
