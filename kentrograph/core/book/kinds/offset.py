"""Figures beside a figure."""

from ...construct.solution import Solution
from ...figures import Figure, Point
from ...measure.distance_to import distance_to
from ...problem import Refused, refusal
from ...shape.cut import LONGISH
from ...shape.offset import deepest, offset, sides_of
from ..crossings import called
from ..kind import GivenSpec, Kind, Naming, after_figures
from ..planner import Env, Plan, Planner
from ..tree import Statement
from ..values import StepResult
from .bindings import check_words
from .choosing import chooser_of
from .cutting import only_operand
from .given import by_word, length_of_given, needs


def plan_offset(p: Planner, statement: Statement) -> Plan:
    """``offset K1 by 5 left``, ``offset C1 by 5 inside round``: what lies at that distance, on that side."""
    check_words(statement, {"figures": len(statement.givens)})
    slot, operand = only_operand(p, statement)
    givens = by_word(statement, ("by", "round"))
    if "by" not in givens:
        raise needs(statement, "by a distance")
    by = givens["by"]
    distance = called(length_of_given(p, by))
    stated = [side for given in statement.givens for side in given.sides]
    choose = chooser_of(p, statement)
    rounded, name = "round" in givens, operand.text

    def draw(env: Env, last: Point) -> StepResult:
        figure = env[slot]
        if not isinstance(figure, LONGISH):
            raise refusal("not_cut", operand.start, operand.end, name=name, word="offset")
        much = distance(env, last)

        def made(side: str) -> tuple[Figure, ...]:
            try:
                found = offset(figure, much, side, rounded, name)
            except Refused as refused:
                raise Refused(refused.problem.at(by.start, by.end)) from None
            if not found:
                raise refusal("nothing_left", by.start, by.end, name=name, most=deepest(figure, much, side, rounded, name))
            return found

        if stated:
            found = made(stated[0])
            return StepResult(found[0], more=found[1:])
        both: list[tuple[str, tuple[Figure, ...]]] = []
        for side in sides_of(figure):
            try:
                both.append((side, made(side)))
            except Refused:
                # Of one side there may be nothing left; where of neither, the first says why.
                continue
        if not both:
            made(sides_of(figure)[0])
        solutions = [Solution(found[0], side if len(both) > 1 else "") for side, found in both]
        index = choose(env, last, solutions, lambda one, at: distance_to(one, at.x, at.y)) or 0
        found = both[index][1]
        return StepResult(found[0], None, solutions if len(solutions) > 1 else (), index, "", found[1:])

    return draw


KIND = Kind(
    word="offset",
    group="shape",
    explanation="a figure beside another, at a distance",
    plan=plan_offset,
    implied_words=after_figures("by"),
    first="Name the figure, or click on it; then by a distance, and on which side.",
    givens=(
        GivenSpec("figures", "figures", "beside what it lies"),
        GivenSpec("by", "length", "how far beside", sides=("left", "right", "inside", "outside"), blamed=("bad_length",)),
        GivenSpec("round", "nothing", "outer corners round, not sharp"),
    ),
    examples=(
        ("offset K1 by 4 inside", "an outline within an outline; what folds over itself is cut out"),
        ("offset K1 by 5 outside round", "around it, with round corners; without `round` they are sharp"),
        ("offset L2 by 6 right", "a line beside a line, as it runs"),
    ),
    shapes=True,
    always_keeps=True,
    edges=True,
    naming=Naming(counted=True),
)
