"""Chains from place to place."""

from ...figures import Line, Outline, Point
from ...problem import Refused, refuse
from ..places import as_function, plan_next, plan_place
from ..planner import Env, Plan, Planner
from ..tree import Statement
from ..values import Drawn
from .given import needs, place_of_given, refuse_not_yet


def plan_path(p: Planner, statement: Statement) -> Plan:
    """Lines from place to place; ``close`` draws the last one back to the beginning."""
    refuse_not_yet(statement, ["from", "to", "close"])
    givens = statement.givens
    if not givens or givens[0].word != "from":
        raise needs(statement, "from and a place", more=2)
    for given in givens[1:]:
        if given.word == "from":
            raise refuse("given_twice", given.start, given.end, kind="path", word="from")
        if given.word == "close" and given is not givens[-1]:
            raise refuse("after_close", given.end, givens[-1].end)
    closed = givens[-1].word == "close"
    legs = [g for g in givens if g.word == "to"]
    if not legs:
        raise needs(statement, "to and a place")
    if closed and len(legs) < 2:
        raise needs(statement, "to and one more place: two places do not enclose anything")
    start = as_function(plan_place(p, place_of_given(givens[0])))
    steps = [(plan_next(p, place_of_given(g)), g.start, g.end) for g in legs]

    def draw(env: Env, last: Point) -> Drawn:
        first = at = start(env, last)
        pieces: list[Line] = []
        for place, begin, end in steps:
            to = place(env, at)
            pieces.append(_leg(at, to, begin, end))
            at = to
        if closed:
            if (at.x, at.y) != (first.x, first.y):
                pieces.append(_leg(at, first, givens[-1].start, givens[-1].end))
            at = first
        return Drawn(Outline(tuple(pieces), closed), at)

    return draw


def _leg(at: Point, to: Point, start: int, end: int) -> Line:
    try:
        return Line(at, to)
    except Refused as refused:
        raise Refused(refused.problem.at(start, end)) from None
