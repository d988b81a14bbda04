"""Faces filled with lines: what is cut through."""

from collections.abc import Callable, Iterator
from typing import Any, cast

from ...figures import Circle, Ellipse, Outline, Point
from ...figures.figure_set import members_of
from ...problem import refusal
from ...shape.faces import Face
from ...shape.stretch import is_closed
from ..kind import GivenSpec, Kind
from ..on_paper import Hatch
from ..places import plan_thing
from ..plan_reading import plan_face
from ..planner import Env, Plan, Planner
from ..tree import PLACES, Name, Number, Place, Statement
from ..values import StepResult
from .bindings import check_words
from .given import needs

_LEAST, _MOST = 0.5, 100.0
"""Millimetres on paper between two lines."""


def plan_hatch(p: Planner, statement: Statement) -> Plan:
    """``hatch K1 less C1 C2``, ``hatch at 40, 20``."""
    words = ("figures", "less", "at")
    givens = [given for given in statement.givens if given.word in words]
    check_words(statement, dict.fromkeys(words, len(givens)))
    if not any(given.word != "less" for given in givens):
        raise needs(statement, "what is closed", "at and a place in what is closed")
    plans: list[tuple[str, Callable[[Env, Point], Any]]] = []
    for given in givens:
        one = cast("Place | Name", given.arguments[0])
        plan = plan_thing(p, one)
        plans.append((given.word, plan_face(p, plan) if isinstance(one, PLACES) else plan))
    has = {given.word: given for given in statement.givens if given.word not in words}
    turn = p.direction(cast(Number, has["direction"].arguments[0])) if "direction" in has else 45.0
    apart = p.number(cast(Number, has["apart"].arguments[0])) if "apart" in has else 3.0

    def draw(env: Env, last: Point) -> StepResult:
        faces: list[Face] = []
        holes: list[Any] = []
        for (word, plan), given in zip(plans, givens, strict=True):
            thing = plan(env, last)
            for face in _faces(thing):
                if face is None:
                    raise refusal("nothing_closed", given.start, given.end, word="hatch")
                if word == "less":
                    holes.append(face.edge)
                else:
                    faces.append(face)
        first, *others = faces
        every = turn if isinstance(turn, float) else turn(env, last)
        far = apart if isinstance(apart, float) else apart(env, last)
        if not _LEAST <= far <= _MOST:
            raise refusal("bad_hatch", has["apart"].start, has["apart"].end, least=_LEAST, most=_MOST)
        return StepResult(Hatch((Face(first.edge, (*first.holes, *holes)), *others), every, far))

    return draw


def _faces(thing: Any) -> Iterator[Face | None]:
    """What is closed of a thing, of a set each member; None for what is not."""
    for one in members_of(thing):
        if isinstance(one, Face):
            yield one
        else:
            yield Face(one, ()) if isinstance(one, Circle | Ellipse | Outline) and is_closed(one) else None


KIND = Kind(
    word="hatch",
    group="paper",
    explanation="fill what is closed with lines: it is cut through",
    plan=plan_hatch,
    letter="Hatch",
    first="Name what is closed, or point into it.",
    givens=(
        GivenSpec("figures", "figures", "what is closed", repeats=True),
        GivenSpec("at", "place", "a place in what is closed"),
        GivenSpec("less", "figures", "holes that stay free"),
        GivenSpec("direction", "direction", "in which the lines run; 45 unless stated"),
        GivenSpec("apart", "count", "millimetres on paper from line to line"),
    ),
    implied_words=lambda has: ["at"],
    spares=("figures", "less"),
    examples=(
        ("hatch C2 less C1", "what is closed, less its holes"),
        ("hatch at 22, 17 direction 135 apart 2", "the face around a place; lines 2 mm apart on paper"),
    ),
)
