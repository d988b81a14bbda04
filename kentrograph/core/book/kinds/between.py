"""What the verbs share that take a stretch of a figure between two places: trim, keep, ink."""

from collections.abc import Callable

from ...figures import Figure, Point
from ...figures.along import Longish
from ...shape.stretch import Cut
from ..kind import GivenSpec
from ..planner import Env, Plan, Planner
from ..tree import Statement
from ..values import StepResult
from .bindings import check_words
from .cutting import beside, longish, only_operand, plan_cut
from .given import by_word, needs

Take = Callable[[Longish, Cut, Cut, str], tuple[Figure, ...]]
"""What comes of a figure, with the cuts from and to, and its name."""

STRETCH = (
    GivenSpec("from", "stop", "where the stretch begins: a place on the figure, or its start"),
    GivenSpec("to", "stop", "where the stretch ends: a place on the figure, or its end"),
)


def plan_between(p: Planner, statement: Statement, take: Take) -> Plan:
    """The figures that come of one figure and the stretch of it between two places. Raises `Refused` (needs_given)."""
    check_words(statement, {"figures": len(statement.givens)})
    slot, operand = only_operand(p, statement)
    givens = by_word(statement, ("from", "to"))
    if len(givens) < 2:
        missing = [word for word in ("from", "to") if word not in givens]
        raise needs(statement, *(f"{word} a place on {operand.text}" for word in missing), more=len(missing))
    cuts = [(given, plan_cut(p, statement, given)) for given in (givens["from"], givens["to"])]

    def draw(env: Env, last: Point) -> StepResult:
        figure = longish(env[slot], statement.kind, operand.text)
        found = [(given, cut(figure, env, last)) for given, cut in cuts]
        made = take(figure, found[0][1], found[1][1], operand.text)
        return StepResult(made[0], note=beside(found, operand.text), more=made[1:])

    return draw
