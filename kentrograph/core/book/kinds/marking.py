"""Steps that draw nothing, and change how figures are drawn, or whether they are: pen, hide, show."""

from typing import Literal

from ...figures import Point
from ...problem import refusal
from ..kind import GivenSpec, Kind, Naming
from ..pens import PENS
from ..planner import Env, Plan, Planner
from ..tree import Statement
from ..values import Mark, StepResult, Untouchable
from .bindings import check_words
from .given import needs

PEN_GIVENS = tuple(GivenSpec(pen, "nothing", explanation) for pen, explanation in PENS.items())


def plan_mark(p: Planner, statement: Statement, says: str) -> Plan:
    """A mark on the figures that are named. Raises `Refused` (no_new_figure, not_shaped)."""
    check_words(statement, {"figures": len(statement.givens)})
    if statement.names:
        raise refusal("draws_nothing", 0, statement.kind_start, word=statement.kind)
    slots = [(p.slot(name), name) for name in statement.operands]

    def draw(env: Env, last: Point) -> StepResult:
        for slot, name in slots:
            if isinstance(env[slot], Untouchable):
                raise refusal("not_shaped", name.start, name.end, name=name.text, word=statement.kind)
        return StepResult(Mark(says))

    return draw


def sight(word: Literal["hide", "show"], explanation: str, figures: str, *examples: tuple[str, str]) -> Kind:
    """A kind that marks figures, or all that a pen draws: ``figures`` explains which are named."""

    def plan(p: Planner, statement: Statement) -> Plan:
        if not statement.operands and not pens_named(statement):
            raise needs(statement, "the names of figures", "a pen")
        return plan_mark(p, statement, word)

    return Kind(
        word=word,
        group="carry",
        explanation=explanation,
        plan=plan,
        first="Name the figures, or click on them; or say a pen: pencil, ink, fine, hidden, axis.",
        givens=(GivenSpec("figures", "figures", figures, repeats=True), *PEN_GIVENS),
        examples=examples,
        shapes=True,
        naming=Naming(),
        marks=word,
    )


def pens_named(statement: Statement) -> list[str]:
    """The pens that a statement names."""
    return [given.word for given in statement.givens if given.word in PENS]
