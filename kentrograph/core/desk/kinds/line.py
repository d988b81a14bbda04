"""Lines: from place to place, touching, square and parallel to figures; what is held runs on to what is there."""

from math import atan2, degrees, hypot

from ...book.values import StepResult
from ...figures import CentredCurve, Line, StraightCurve
from ...units import plain
from ..pointing import last_of_draft, rounded
from ..working.lines import line_working
from .facet import OF_THE_LAST, Click, Facet

_LEADING = 3.0
"""How far from the pointer, in reaches, a touching place or a foot may lie that a click on the figure means."""


def _rows(c: Click) -> list[str]:
    ring, straight = bool(c.name) and isinstance(c.figure, CentredCurve), bool(c.name) and isinstance(c.figure, StraightCurve)
    until = [f"until {c.name}"] if ring or straight else []
    if "length" in c.has and "from" in c.has:
        # A place gives the direction; a figure is what it ends on.
        held = [f"through {c.place}"] if c.special else [f"direction {_direction(c)}"]
        return [*held, *until] if c.special or not until else [*until, *held]
    if c.has & {"direction", "parallel", "square"} and "from" in c.has:
        # It ends level with a place, or on a figure.
        level = [f"until {c.place}"] if c.special and c.pointed.kind not in OF_THE_LAST else []
        return [*level, *until, f"length {_length(c)}"]
    return _free(c, ring, straight)


def _free(c: Click, ring: bool, straight: bool) -> list[str]:
    """While neither a length nor a direction is held."""
    words = ("touching", "square") if ring else ("square", "parallel") if straight else ()
    touching = [f"{word} {c.name}" for word in words]
    if "square" in c.has:
        touching.reverse()
    ends: list[str] = []
    if "touching" in c.has:
        ends = [f"to {c.place}", f"from {c.place}"]
    elif not c.has & {"through", "parallel", "square", "direction"}:
        ends = [f"{word} {c.place}" for word in ("from", "to") if word not in c.has]
    through = [f"through {c.place}"]
    # Where something is touched already, another round figure is touched as well, whatever sight line runs by.
    another = "touching" in c.has and ring and c.pointed.kind in OF_THE_LAST
    if (c.special and not another) or not touching or not (ring or c.has):
        return [*ends, *through, *touching]
    if "touching" not in c.has and not _leads(c, touching[0]):
        return [*ends, *touching, *through]
    return [*touching, *ends, *through]


def _leads(c: Click, row: str) -> bool:
    """Whether a line that is drawn with this row ends near the pointer: on a quarter point only there. One that is not drawn
    yet may end anywhere."""
    value = c.read(row).value
    if not isinstance(value, StepResult):
        return True
    ends = [one.figure.end for one in value.solutions if isinstance(one.figure, Line)]
    if isinstance(value.figure, Line):
        ends.append(value.figure.end)
    reach = c.pointer.reach * (1.0 if c.pointed.kind == "quarter" else _LEADING)
    return not ends or min(hypot(end.x - c.pointer.x, end.y - c.pointer.y) for end in ends) <= reach


def _direction(c: Click) -> str:
    """Whole degrees toward the pointer, as the drawing counts them."""
    last = last_of_draft(c.book, c.draft, c.index)
    turn = degrees(atan2(c.pointed.at.y - last.y, c.pointed.at.x - last.x))
    return plain(round(c.book.writing.direction_from_core(turn)) % 360, 12)


def _length(c: Click) -> str:
    """How far the pointer has gone along the direction that is held, in round numbers; behind is negative."""
    trial = c.read(f"length 1{c.book.suffix}").value
    figure = trial.figure if isinstance(trial, StepResult) else None
    if not isinstance(figure, Line):
        return "1"
    a, b = figure.start, figure.end
    unit = hypot(b.x - a.x, b.y - a.y)
    along = ((c.pointer.x - a.x) * (b.x - a.x) + (c.pointer.y - a.y) * (b.y - a.y)) / unit
    return f"{plain(rounded(c.pointer, along / unit) or 1.0, 12)}{c.book.suffix}"


FACET = Facet(_rows, working=line_working)
