"""Readings."""

from typing import Any, cast

from ...figures import Point
from ...problem import Refused, refuse
from ..parts import QUANTITIES, in_unit
from ..planner import Env, Plan, Planner
from ..readings import COUNTS, plan_reading
from ..tree import Name, Number, Place, Portion, Statement
from ..values import Drawn, Reading


def plan_measure(p: Planner, statement: Statement) -> Plan:
    """A reading that stays live: its value follows what it is measured on."""
    given = statement.givens[0]
    count, allowed = len(given.arguments), COUNTS[given.word]
    if count < min(allowed):
        more = min(allowed) - count
        raise refuse("needs_given", given.end, given.end, kind=f"measure {given.word}", more=more, could=["a place or a figure"])
    if count not in allowed:
        raise refuse("too_many_givens", given.start, given.end, kind="measure", word="the last one", others=["the others"])
    less = next((g for g in statement.givens if g.word == "less"), None)
    if less is not None and given.word != "area":
        raise refuse("too_many_givens", less.start, less.end, kind="measure", word="less", others=[given.word])
    of, holes = (cast("tuple[Place | Name | Portion, ...]", g.arguments if g else ()) for g in (given, less))
    read = plan_reading(p, given.word, of, holes)
    compared = [g for g in statement.givens if g.word in ("wanted", "within")]
    extras = {g.word: _extra(p, given.word, cast(Number, g.arguments[0])) for g in compared}

    def draw(env: Env, last: Point) -> Drawn:
        try:
            value, parts, state = read(env, last)
        except Refused as refused:
            raise Refused(refused.problem.at(given.start, given.end)) from None
        extra = {word: v if isinstance(v, float) else v(env, last) for word, v in extras.items()}
        return Drawn(Reading(given.word, value, parts, extra.get("wanted"), extra.get("within"), state))

    return draw


def _extra(p: Planner, kind: str, number: Number) -> Any:
    """The value wanted, and how far it may be off, in what the reading itself is measured in."""
    quantity = QUANTITIES[kind]
    value, written, unit = p.number(number), p.manner.unit, p.unit
    if isinstance(value, float):
        return in_unit(value, quantity, written, unit)
    return lambda env, last: in_unit(value(env, last), quantity, written, unit)
