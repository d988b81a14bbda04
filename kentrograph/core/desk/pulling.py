"""Handles of a figure: the places by which it can be pulled, and in words what pulling changes.

Pulling changes the given that put the place there: a coordinate, a radius, a length, or the point that is named.
"""

from typing import NamedTuple

from ..book.book import Book
from ..book.caches import Kept
from ..book.values import OnPaper, StepResult
from ..problem import Refused
from .draft_from import draft_of
from .handles.fitting import text_of
from .handles.handle import Handle
from .handles.numbers import number_handles
from .handles.paper import paper_handles
from .handles.places import place_handles
from .handles.typed import Typed
from .kinds import facet_of
from .pointer import Pointer


def handles(book: Book, id: str) -> list[Handle]:
    """The handles of a step's figure: of its places in the order of its givens, then of its numbers.

    None of a figure that waits. The last ones are kept: every move of the pointer over a selected figure asks for them.
    """
    kept = _HANDLES.of(book)
    if id not in kept:
        kept.clear()
        kept[id] = _found(book, id)
    return kept[id]


_HANDLES: Kept[dict[str, list[Handle]]] = Kept(dict)


def _found(book: Book, id: str) -> list[Handle]:
    step, value = book.steps[id], book.values[id]
    if not isinstance(value, StepResult) or draft_of(step) is None or step.reads:
        return []
    if isinstance(value.figure, OnPaper):
        return paper_handles(book, step, value.figure)
    try:
        return [
            *place_handles(book, step, _found),
            *number_handles(book, step, value),
            *facet_of(step.statement.kind).handles(Typed(step), value),
        ]
    except Refused:
        # A place that cannot be worked out has no handle; the step itself says why.
        return []


class Pulled(NamedTuple):
    """What a pulled handle would write: the whole text of its step, and only what changes in it."""

    text: str
    becomes: str


def pulled(book: Book, handle: Handle, pointer: Pointer) -> Pulled | None:
    """The handle's step with the handle at the pointer; None where nothing there would do."""
    step = book.steps[handle.step]
    changed = handle.rows(book.in_hand(step.manner), pointer)
    if isinstance(changed, dict):
        return Pulled(text_of(step, changed), " · ".join(changed[n] for n in sorted(changed)))
    return Pulled(changed, changed) if changed else None
