"""Extending: an end brought further or back, along the figure's own line or circle."""

from math import hypot
from typing import Any

from ...construct.solution import Solution, take
from ...figures import Point
from ...problem import Refused
from ...shape import extend
from ..chain import argument_plan
from ..crossings import called
from ..kind import GivenSpec, Kind, Naming, after_figures
from ..planner import Env, Plan, Planner
from ..tree import PLACES, Name, Statement
from ..values import StepResult
from .bindings import check_words, drawn_of
from .choosing import chooser_of
from .cutting import first_operand, no_names, only_operand
from .given import by_word, length_of_given, needs, too_many


def plan_extend(p: Planner, statement: Statement) -> Plan:
    """``extend L1 end to C2``, ``extend L1 start to P3``, ``extend A1 end by 12``."""
    check_words(statement, {"figures": len(statement.givens)})
    slot, operand = only_operand(p, statement)
    no_names(statement)
    givens = by_word(statement, {given.word for given in statement.givens} - {"figures"})
    if "start" in givens and "end" in givens:
        raise too_many(statement, givens["end"], ["start"])
    if "start" not in givens and "end" not in givens:
        raise needs(statement, "start", "end")
    if "to" in givens and "by" in givens:
        raise too_many(statement, givens["by"], ["to"])
    at_end, name = "end" in givens, operand.text
    if "by" in givens:
        length = called(length_of_given(p, givens["by"]))

        def by(env: Env, last: Point) -> StepResult:
            return StepResult(extend.extended_by(env[slot], at_end, length(env, last), name))

        return by
    if "to" not in givens:
        raise needs(statement, "to a figure or a place", "by a length")
    given = givens["to"]
    target = given.arguments[0]
    found = argument_plan(p, "to", target)
    choose = chooser_of(p, statement)

    def to(env: Env, last: Point) -> StepResult:
        other = found(env, last)
        if isinstance(target, PLACES) or isinstance(other, Point):
            return StepResult(extend.extended_to_place(env[slot], at_end, other, name))
        assert isinstance(target, Name)
        reached = extend.extended_to_figure(env[slot], at_end, other, name, target.text)
        solutions = [Solution(one.figure, one.sign if len(reached) > 1 else "", one.note) for one in reached]
        taken = choose(env, last, solutions, lambda made, at: _off(made, at_end, at))
        if taken is None:
            try:
                taken = take(solutions, given.sides)
            except Refused as refused:
                raise Refused(refused.problem.at(given.start, given.end)) from None
        return drawn_of(solutions, taken, lambda figure: None)

    return to


def _off(figure: Any, at_end: bool, at: Point) -> float:
    tip = figure.end if at_end else figure.start
    return hypot(tip.x - at.x, tip.y - at.y)


_SIDES = ("entering", "leaving", "left", "right")

KIND = Kind(
    word="extend",
    group="shape",
    explanation="bring an end further, or back",
    plan=plan_extend,
    implied_words=after_figures("to", "by"),
    first="Name the figure, or click on it; then start or end, and to a figure or a place, or by a length.",
    givens=(
        GivenSpec("figures", "figures", "what is made longer or shorter"),
        GivenSpec("start", "nothing", "its start is brought there"),
        GivenSpec("end", "nothing", "its end is brought there"),
        GivenSpec(
            "to",
            "thing",
            "to where it meets this figure, or level with this place",
            sides=_SIDES,
        ),
        GivenSpec("by", "length", "by so much; shorter where that is less than 0"),
    ),
    examples=(
        ("extend L3 end to C1", "to where it meets a figure, the first ahead; side words take another"),
        ("extend L3 start to P1", "level with a place: as far as its foot"),
        ("extend L3 end by -12", "by a length; less than 0 is shorter"),
    ),
    shapes=True,
    told_apart=lambda has: "ends",
    naming=Naming(carried=first_operand),
)
