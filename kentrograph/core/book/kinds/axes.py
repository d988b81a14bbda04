"""Centre marks, and the circles on which the centres of what was repeated lie."""

from math import hypot
from typing import Any

from ...construct.circles import through_three
from ...figures import Circle, FigureSet, Outline, Point, RoundCurve
from ...problem import Refused, refusal
from ...tolerance import TOLERANCE
from ..kind import GivenSpec, Kind
from ..on_paper import Axes
from ..planner import Env, Plan, Planner
from ..tree import Statement
from ..values import StepResult
from .bindings import check_words
from .given import needs


def plan_axes(p: Planner, statement: Statement) -> Plan:
    """``axes C1 C2 S1``."""
    check_words(statement, {"figures": len(statement.givens)})
    names = statement.operands
    if not names:
        raise needs(statement, "the names of circles, arcs or sets of them")
    slots = [(p.slot(name), name) for name in names]

    def draw(env: Env, last: Point) -> StepResult:
        rims: list[RoundCurve] = []
        through: list[Circle] = []
        for slot, name in slots:
            found = rims_of(env[slot])
            if not found:
                raise refusal("no_rim", name.start, name.end, name=name.text)
            rims += found
            common = _circle_of_centres(found) if isinstance(env[slot], FigureSet) else None
            through += [common] if common is not None else []
        return StepResult(Axes(tuple(rims), tuple(through)))

    return draw


def rims_of(figure: Any) -> list[RoundCurve]:
    """The round figures of a figure: itself, those of a set, the arcs of an outline."""
    if isinstance(figure, RoundCurve):
        return [figure]
    parts = figure.members if isinstance(figure, FigureSet) else figure.pieces if isinstance(figure, Outline) else ()
    return [rim for part in parts for rim in rims_of(part)]


def _circle_of_centres(rims: list[RoundCurve]) -> Circle | None:
    """The circle on which all centres lie, if there is one."""
    centres = [rim.centre for rim in rims]
    third = len(centres) // 3
    if not third:
        return None
    try:
        found = through_three(centres[0], centres[third], centres[2 * third])
    except Refused:
        return None
    away = max(abs(v) for centre in centres for v in (centre.x, centre.y))
    slack = TOLERANCE.length(2.0 * found.radius, away)
    off = (abs(hypot(c.x - found.centre.x, c.y - found.centre.y) - found.radius) for c in centres)
    return found if max(off) <= slack else None


KIND = Kind(
    word="axes",
    group="paper",
    explanation="centre marks, and the circle on which the centres of a set lie",
    plan=plan_axes,
    letter="Axes",
    first="Name circles, arcs, or sets of them, or click on them.",
    givens=(GivenSpec("figures", "figures", "what gets centre marks", repeats=True),),
    spares=("figures",),
    examples=(("axes C1 C2 C4", "centre marks; of what was repeated about a place the circle through the centres, too"),),
)
