"""Readings that are taken in a way of their own: along a figure, in a direction, at a place where figures cross."""

from typing import cast

from ...angles import unit_vector
from ...figures import Point
from ...measure.angle import running_at, turn_between
from ...measure.closest import place_of
from ...problem import refusal
from ...shape.stretch import is_closed, part_of
from ..chain import place_in
from ..places import plan_thing
from ..plan_reading import ReadPlan, plan_reading
from ..planner import Env, Planner
from ..readings import READINGS
from ..readings.reading_kind import Read
from ..tree import Given, Name, Place, Portion, Statement
from .cutting import longish, plan_cut
from .given import by_word, needs, place_of_given
from .ways import plan_turn

Things = tuple[Place | Name | Portion, ...]


def plan_read(p: Planner, statement: Statement) -> ReadPlan:
    """What a reading reads, whether it is kept as a step or stands in a number. Raises `Refused`."""
    given = statement.givens[0]
    kind = READINGS[given.word]
    count, allowed = len(given.arguments), kind.counts
    if count < min(allowed):
        more = min(allowed) - count
        raise refusal("needs_given", given.end, given.end, kind=f"measure {given.word}", more=more, could=["a place or a figure"])
    if count not in allowed:
        raise refusal("too_many_givens", given.start, given.end, kind="measure", word="the last one", others=["the others"])
    less = next((g for g in statement.givens if g.word == "less"), None)
    if less is not None and "less" not in kind.ways:
        raise refusal("too_many_givens", less.start, less.end, kind="measure", word="less", others=[given.word])
    of, holes = (cast(Things, g.arguments if g else ()) for g in (given, less))
    return _plan_way(p, statement, of) or plan_reading(p, given.word, of, holes)


def _plan_way(p: Planner, statement: Statement, of: Things) -> ReadPlan | None:
    """A reading that is taken in a way of its own: along a figure, in a direction, at a place; None for all others."""
    given = by_word(statement, ("from", "to", "along", "at"))
    if not given:
        return None
    if "along" in given:
        return _plan_along(p, of, given["along"])
    if "at" in given:
        return _plan_tangents(p, statement, of, given["at"])
    if len(given) < 2:
        raise needs(statement, *(f"{word} a place on it" for word in ("from", "to") if word not in given))
    thing = plan_thing(p, of[0])
    cuts = [plan_cut(p, statement, given[word]) for word in ("from", "to")]

    def stretch(env: Env, last: Point) -> Read:
        figure = longish(thing(env, last), "measure length", "it")
        a, b = (cut(figure, env, last) for cut in cuts)
        closed = is_closed(figure)
        if not closed and (b.piece, b.along) < (a.piece, a.along):
            a, b = b, a
        part = part_of(figure, a, b)
        length = part.length if part is not None else 0.0
        whole = getattr(figure, "length", length)
        return length, {"rest": whole - length} if closed else {}, ""

    return stretch


def _plan_along(p: Planner, of: Things, given: Given) -> ReadPlan:
    """How far one place lies from another in a direction, or along a line; and how far beside that."""
    ends = [plan_thing(p, one) for one in of]
    turn = plan_turn(p, given)

    def along(env: Env, last: Point) -> Read:
        start, end = (place_of(thing(env, last)) for thing in ends)
        ux, uy = unit_vector(turn(env, last))
        dx, dy = end.x - start.x, end.y - start.y
        return dx * ux + dy * uy, {"beside": dy * ux - dx * uy}, ""

    return along


def _plan_tangents(p: Planner, statement: Statement, of: Things, given: Given) -> ReadPlan:
    """The angle between two figures where they cross: that of their tangents there. Raises `Refused` for one, or for three."""
    if len(of) < 2:
        end = statement.givens[0].end
        raise refusal("needs_given", end, end, kind="measure angle", more=1, could=["the figure that crosses it there"])
    if len(of) > 2:
        raise refusal("too_many_givens", given.start, given.end, kind="measure", word="at", others=["a third place"])
    place = place_in(p, statement, place_of_given(given))
    things = [plan_thing(p, one) for one in of]

    def angle(env: Env, last: Point) -> Read:
        at = place(env, last)
        one, other = (running_at(longish(thing(env, last), "measure angle", "it"), at) for thing in things)
        turn = turn_between(*one, *other)
        return abs(turn), {"turn": turn, "acute": min(abs(turn), 180.0 - abs(turn))}, ""

    return angle
