"""A named set of figures."""

from ...figures import FigureSet, Point
from ...problem import refusal
from ..kind import GivenSpec, Kind
from ..planner import Env, Plan, Planner
from ..tree import Statement
from ..values import StepResult, Untouchable
from .bindings import check_words
from .given import needs


def plan_group(p: Planner, statement: Statement) -> Plan:
    """``G1 = group K1 C1 C2``: wherever G1 is shaped, these are."""
    check_words(statement, {"figures": len(statement.givens)})
    names = statement.operands
    if not names:
        raise needs(statement, "the names of figures")
    if len(statement.names) > 1:
        raise refusal("too_many_names", 0, statement.kind_start, count=1)
    seen: set[str] = set()
    for name in names:
        if name.key in seen:
            raise refusal("named_twice", name.start, name.end, name=name.text)
        seen.add(name.key)
    slots = [(p.slot(name), name) for name in names]

    def draw(env: Env, last: Point) -> StepResult:
        for slot, name in slots:
            if isinstance(env[slot], Untouchable):
                raise refusal("not_shaped", name.start, name.end, name=name.text, word="group")
        return StepResult(FigureSet(tuple(env[slot] for slot, _ in slots), tuple(name.key for name in names)))

    return draw


KIND = Kind(
    word="group",
    group="carry",
    explanation="a name for several figures together",
    plan=plan_group,
    letter="G",
    first="Name the figures, or click on them.",
    givens=(GivenSpec("figures", "figures", "what belongs together", repeats=True),),
    examples=(("group C3 C4 L2", "wherever the group is moved, turned, copied, they are; a figure may stand in several"),),
    shapes=True,
    always_keeps=True,
    collects=True,
    gathers=True,
    unseen=True,
)
