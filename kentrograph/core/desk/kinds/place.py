"""Symbols that are placed: where, then the first direction toward the pointer, or as large as to reach there, or both."""

from collections.abc import Iterator
from math import atan2, degrees, hypot

from ...angles import unit_vector
from ...book.book import Book
from ...book.values import StepResult
from ...figures import FigureSet, Point
from ...tolerance import SPOT_SHARE
from ...units import plain
from ..handles.handle import Handle, Rows, from_base, number_of, reach_of, scale_text, turned_text
from ..handles.typed import Typed, turned_about
from ..pointer import Pointer
from ..pointing import evaluate_draft
from .by_givens import rows as rows_by_givens
from .facet import Click, Facet


def _rows(c: Click) -> list[str]:
    if "at" not in c.has:
        return rows_by_givens(c)
    value = evaluate_draft(c.book, c.draft, c.index).value
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


def _handles(typed: Typed, value: StepResult) -> Iterator[Handle]:
    """At its outermost distance from its datum, along its own directions: one states how far it is turned, one its scale."""
    step, placed, at = typed.step, value.figure, value.last
    if not isinstance(placed, FigureSet) or at is None:
        return
    givens = step.statement.givens
    where = {given.word: n for n, given in enumerate(givens)}
    factor = number_of(givens[where["scale"]].arguments[0]) if "scale" in where else 1.0
    turned = number_of(givens[where["turned"]].arguments[0]) if "turned" in where else 0.0
    turn = step.manner.datum.turn + (turned or 0.0)
    reach = reach_of(placed, at)
    if reach == 0.0:
        return

    def along(direction: float) -> Point:
        ux, uy = unit_vector(direction)
        return Point(at.x + reach * ux, at.y + reach * uy)

    if turned is not None:
        words = "changes how far it is turned"
        yield Handle(along(turn), words, step.id, turned_about(at, where.get("turned", len(givens)), 1.0))
    if factor:
        n, own = where.get("scale", len(givens)), reach / factor

        def scale(_: Book, pointer: Pointer) -> Rows | None:
            text = scale_text(from_base(at, pointer)[2], own, pointer)
            return {n: text} if text else None

        yield Handle(along(turn + 90.0), "changes its scale", step.id, scale)


FACET = Facet(_rows, _handles)
