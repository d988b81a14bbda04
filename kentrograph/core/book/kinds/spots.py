"""Where on paper something stands: the sheet, and millimetres from its lower left corner."""

from collections.abc import Callable
from typing import cast

from ...figures import Point
from ...problem import refusal
from ..crossings import called
from ..on_paper import Sheet
from ..papers import PAPERS
from ..planner import Env, Planner
from ..tree import Given, Name, Number

Spot = tuple[float, float]
_FURTHEST = max(max(size) for size in PAPERS.values())


def plan_spot(p: Planner, given: Given | None) -> Callable[[Env, Point], Spot | None]:
    """A place on a sheet, in mm from its left edge and from below; None where none is given. Raises `Refused` (off_paper)."""
    if given is None:
        return lambda env, last: None
    x, y = (called(p.number(cast(Number, one))) for one in given.arguments)

    def spot(env: Env, last: Point) -> Spot:
        found = (x(env, last), y(env, last))
        if not all(0.0 <= v <= _FURTHEST for v in found):
            raise refusal("off_paper", given.start, given.end, most=_FURTHEST)
        return found

    return spot


def sheet_of(p: Planner, given: Given | None) -> Callable[[Env], str]:
    """The sheet that is named, in the form that is compared; nothing where none is. Raises `Refused` (no_sheet)."""
    if given is None:
        return lambda env: ""
    name = cast(Name, given.arguments[0])
    slot = p.slot(name)

    def sheet(env: Env) -> str:
        if not isinstance(env[slot], Sheet):
            raise refusal("no_sheet", name.start, name.end, name=name.text)
        return name.key

    return sheet
