"""Symbols that are placed: where, then the first direction toward the pointer, or as large as to reach there, or both."""

from math import atan2, degrees, hypot

from ...book.values import StepResult
from ...figures import FigureSet
from ...tolerance import SPOT_SHARE
from ...units import plain
from ..handles.handle import reach_of, scale_text, turned_text
from ..pointing import stands
from .by_givens import FACET as BY_GIVENS
from .facet import Click, Facet


def _rows(c: Click) -> list[str]:
    if "at" not in c.has:
        return BY_GIVENS.rows(c)
    value = stands(c.book, c.draft, c.index).value
    placed = value.figure if isinstance(value, StepResult) else None
    if not isinstance(placed, FigureSet) or not isinstance(value, StepResult) or value.last is None:
        return []
    dx, dy = c.pointed.at.x - value.last.x, c.pointed.at.y - value.last.y
    reach, far = reach_of(placed, value.last), hypot(dx, dy)
    if far <= SPOT_SHARE * c.pointer.reach:
        return []
    exact = plain((degrees(atan2(dy, dx)) - c.book.writing.datum.turn) % 360.0, 9)
    turned = "" if "turned" in c.has else f"turned {exact}" if c.special else turned_text(c.book, dx, dy, c.pointer)
    scale = "" if "scale" in c.has or reach == 0.0 else scale_text(far, reach, c.pointer)
    return [row for row in dict.fromkeys((turned, f"{turned} {scale}".strip() if scale else "", scale)) if row]


FACET = Facet(_rows)
