"""Views: the drawing on a sheet, or figures of it, or what a detail marks, at a scale."""

from typing import Any, cast

from ...figures import Circle, Figure, Point
from ...problem import refusal
from ..crossings import called
from ..kind import GivenSpec, Kind
from ..on_paper import Detail, View
from ..planner import Env, Plan, Planner
from ..tree import Number, Statement
from ..values import StepResult, Untouchable
from .bindings import check_words
from .spots import plan_spot, sheet_of

MOST_SCALE = 100_000


def plan_view(p: Planner, statement: Statement) -> Plan:
    """``view K1 C1 scale 1:5 at 120, 90``, ``view X1 scale 2:1``."""
    names = statement.operands
    check_words(statement, {"figures": len(names)})
    has = {given.word: given for given in statement.givens if given.word != "figures"}
    slots = [(p.slot(name), name) for name in names]
    scale = called(p.number(cast(Number, has["scale"].arguments[0]))) if "scale" in has else None
    turn = called(p.number(cast(Number, has["turned"].arguments[0]))) if "turned" in has else None
    spot, sheet = plan_spot(p, has.get("at")), sheet_of(p, has.get("on"))

    def draw(env: Env, last: Point) -> StepResult:
        figures: list[Figure] = []
        shown: list[str] = []
        window: Circle | None = None
        for slot, name in slots:
            thing: Any = env[slot]
            if isinstance(thing, Detail):
                window = thing.circle
            elif isinstance(thing, Untouchable):
                raise refusal("nothing_to_view", name.start, name.end, name=name.text)
            else:
                figures.append(thing)
                shown.append(name.key)
        found = scale(env, last) if scale is not None else None
        if found is not None and not 1.0 / MOST_SCALE <= found <= MOST_SCALE:
            raise refusal("bad_scale", has["scale"].start, has["scale"].end, most=MOST_SCALE)
        turned = turn(env, last) if turn is not None else 0.0
        return StepResult(View(sheet(env), tuple(figures), tuple(shown), found, turned, spot(env, last), window))

    return draw


KIND = Kind(
    word="view",
    group="paper",
    explanation="the drawing on a sheet, or figures of it, or a detail, at a scale",
    plan=plan_view,
    letter="V",
    first="All of the drawing; or name the figures, or a detail. Say its scale, or leave it to what fits.",
    givens=(
        GivenSpec("figures", "figures", "what is seen; all that is in ink where nothing is named", repeats=True),
        GivenSpec("on", "figure", "the sheet; the last one before it where none is named"),
        GivenSpec("scale", "scale", "paper by nature, as 1:5; the largest of the standard that fits unless stated"),
        GivenSpec("turned", "turn", "by how many degrees it is turned on the sheet"),
        GivenSpec("at", "spot", "where its middle lies: mm from the left edge of the sheet, and from below"),
    ),
    examples=(
        ("view scale 1:2", "the whole drawing, on the last sheet before it"),
        ("view C1 C2 scale 2:1 at 80, 60 turned 30", "figures of it, where they are wanted"),
    ),
)
