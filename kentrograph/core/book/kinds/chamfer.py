"""Lines that cut a corner off: of two figures, or of an outline."""

from collections.abc import Callable
from math import hypot
from typing import Any, cast

from ...figures import Point, halfway
from ...problem import Refused, refusal
from ...shape.chamfer import chamfers
from ...shape.corners import cutting_off
from ...tangency.choose import Stated, chosen
from ..crossings import called, curve_of
from ..kind import GivenSpec
from ..planner import Env, Plan, Planner
from ..tree import Given, Number, Statement
from ..values import StepResult
from .bindings import drawn_of
from .choosing import chooser_of
from .corners import PlanOfTwo, Sized, Sizing, corner_kind, shaped_corners

Sizes = Callable[[Env, Point], tuple[float, float | None, float | None]]


def plan_chamfer(p: Planner, statement: Statement) -> Plan:
    """``chamfer L1 L2 by 5``, ``by 5; 8``, ``by 5 at 30``; ``trimmed``; of a corner of an outline, or of all."""

    def planned(given: Given) -> tuple[Sizing, PlanOfTwo]:
        sizes = _sizes(p, given)

        def sized(env: Env, last: Point) -> Sized:
            first, second, turn = sizes(env, last)
            return first, lambda times: cutting_off(times * first, None if second is None else times * second, turn)

        return sized, lambda: _of_two(p, statement, given, sizes)

    return shaped_corners(p, statement, ("by", "by at"), "by a length", planned)


def _sizes(p: Planner, given: Given) -> Sizes:
    lengths = given.arguments if given.word == "by" else given.arguments[:1]
    numbers = [called(p.length(cast(Number, argument))) for argument in lengths]
    angle = called(p.number(cast(Number, given.arguments[1]))) if given.word == "by at" else None

    def sizes(env: Env, last: Point) -> tuple[float, float | None, float | None]:
        first = numbers[0](env, last)
        if angle is not None:
            return first, None, angle(env, last)
        return first, numbers[1](env, last) if len(numbers) > 1 else first, None

    return sizes


def _of_two(p: Planner, statement: Statement, given: Given, sizes: Sizes) -> Plan:
    if len(statement.names) > 1:
        raise refusal("too_many_names", 0, statement.kind_start, count=1)
    names = statement.operands
    slots = [p.slot(name) for name in names]
    figures = [g for g in statement.givens if g.word == "figures"]
    loose = tuple(side for g in statement.givens if g.word != "figures" for side in g.sides)
    stated = Stated(tuple(g.sides for g in figures), loose)
    choose = chooser_of(p, statement)

    def draw(env: Env, last: Point) -> StepResult:
        first, second = (curve_of(env[slot], name) for slot, name in zip(slots, names, strict=True))
        try:
            found = chamfers(first, second, *sizes(env, last))
        except Refused as refused:
            blamed = of_both if refused.problem.kind == "no_corner_there" else (given.start, given.end)
            raise Refused(refused.problem.at(*blamed)) from None
        index = choose(env, last, found, _off)
        if index is None:
            index = 0 if stated.nothing or len(found) == 1 else chosen(len(found), lambda n: found[n].sides, stated)
        return drawn_of(found, index, lambda line: line.end)

    of_both = (figures[0].start, figures[1].end)
    return draw


def _off(line: Any, at: Point) -> float:
    middle = halfway(line.start, line.end)
    return hypot(middle.x - at.x, middle.y - at.y)


KIND = corner_kind(
    word="chamfer",
    explanation="a line that cuts a corner off",
    plan=plan_chamfer,
    letter="L",
    draws="line",
    joins="that cross there",
    size=GivenSpec("by", "cut", "so far along each: 5, or 5; 8, or 5 at 30", blamed=("bad_length", "bad_angle")),
    then="by how much",
    meets="meets",
    examples=(
        ("chamfer L1 L2 by 8", "so far along both from where they cross"),
        ("chamfer L1 L2 by 12; 6 trimmed", "so far along the first, so far along the second; both cut there"),
        ("chamfer corner 1 of K1 by 5 at 30", "so far before the corner of an outline, cut at an angle to that piece"),
        ("chamfer K1 by 4", "all its corners; those where it does not fit are named"),
    ),
)
