"""Verbs that cut one figure at places on it."""

from collections.abc import Callable, Sequence

from ...figures import Point
from ...figures.along import Longish
from ...problem import Refused, refusal
from ...shape.cut import longish
from ...shape.stretch import Cut, cut_at, end_of, start_of
from ...units import plain
from ..chain import place_in
from ..planner import Env, Planner
from ..tree import Given, Name, Statement
from .given import needs, place_of_given

CutPlan = Callable[[Longish, Env, Point], Cut]


def to_part(kind: str) -> str:
    """What a stretch of a figure is: of a circle an arc."""
    return "arc" if kind == "circle" else kind


def first_operand(statement: Statement) -> tuple[Name, ...]:
    """The name of the one figure that a verb works on."""
    return statement.operands[:1]


def only_operand(p: Planner, statement: Statement) -> tuple[int, Name]:
    """Where the one figure that a verb works on stands in ``env``, and its name. Raises `Refused`."""
    if not statement.operands:
        raise needs(statement, "the name of a figure")
    if len(statement.operands) > 1:
        second = [g for g in statement.givens if g.word == "figures"][1]
        raise refusal("one_figure", second.start, second.end, word=statement.kind)
    return p.slot(statement.operands[0]), statement.operands[0]


def no_names(statement: Statement) -> None:
    """Refuses a name in front of a verb of which nothing comes but the figure that it works on."""
    if statement.names:
        raise refusal("no_new_figure", 0, statement.kind_start, word=statement.kind, name=statement.operands[0].text)


def plan_cut(p: Planner, statement: Statement, given: Given) -> CutPlan:
    """The place at which a given cuts a figure: ``from PLACE``, ``from start``, ``to end``."""
    if not given.arguments:
        tip = start_of if given.sides[0] == "start" else end_of

        def at_tip(figure: Longish, env: Env, last: Point) -> Cut:
            try:
                return tip(figure)
            except Refused as refused:
                raise Refused(refused.problem.at(given.start, given.end)) from None

        return at_tip
    place = place_in(p, statement, place_of_given(given))
    return lambda figure, env, last: cut_at(figure, place(env, last))


def beside(cuts: Sequence[tuple[Given, Cut]], name: str) -> str:
    """What is to be known of places that do not lie on the figure: how far beside it each lies."""
    return "; ".join(f"{given.word} lies {plain(cut.off)} beside {name}: cut at its foot" for given, cut in cuts if cut.off)


__all__ = ["CutPlan", "beside", "first_operand", "longish", "no_names", "only_operand", "plan_cut", "to_part"]
