"""The outline around a place: the face of the drawing that it lies in."""

from ...figures import Point
from ...problem import Refused
from ..chain import place_in
from ..kind import GivenSpec, Kind, Naming
from ..planner import Env, Plan, Planner
from ..tree import Statement
from ..values import StepResult
from .bindings import check_words
from .given import by_word, needs, place_of_given


def plan_outline(p: Planner, statement: Statement) -> Plan:
    """``outline at 40, 25``: the smallest closed way round, then what lies free within, each an outline of its own."""
    check_words(statement, {})
    givens = by_word(statement, ("at", "ink"))
    if "at" not in givens:
        raise needs(statement, "at a place")
    at = place_in(p, statement, place_of_given(givens["at"]))
    scene = p.drawing()
    only = "ink" in givens

    def draw(env: Env, last: Point) -> StepResult:
        try:
            face = env[scene].face(at(env, last), only)
        except Refused as refused:
            raise Refused(refused.problem.at(givens["at"].start, givens["at"].end)) from None
        return StepResult(face.edge, more=face.holes)

    return draw


KIND = Kind(
    word="outline",
    group="shape",
    explanation="the closed way round a place, traced along what is drawn",
    plan=plan_outline,
    first="Point at a place that is closed in on all sides, or type it: at 40, 25.",
    givens=(
        GivenSpec("at", "place", "a place within"),
        GivenSpec("ink", "nothing", "along ink only, not along pencil"),
    ),
    implied_words=lambda has: ["at"],
    examples=(
        ("outline at 40, 15", "the smallest closed way round the place; what lies free within comes as outlines of its own"),
        ("outline at 30, 30 ink", "along what is drawn in ink only"),
    ),
    shapes=True,
    along=True,
    always_keeps=True,
    naming=Naming(own=lambda statement, kind_of: "outline", counted=True),
)
