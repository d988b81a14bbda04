"""A drag from one place of a figure to the other: both ends are stated by letting go."""

from dataclasses import replace

from ..book.caches import Kept
from ..book.kind import Drag
from ..book.kinds import STATEMENT_KINDS
from .desk import Desk
from .draft import Draft, reading_named
from .picks import Shown, under_pointer
from .pointer import Pointer
from .pointing import OF_FIGURE, evaluate_draft, places_at


def drag_of(kind: str) -> Drag | None:
    """The words of the two ends of a drag of a kind; None where it takes no two places."""
    reading = reading_named(kind)
    if reading is not None:
        return Drag("", "") if reading.between else None
    return STATEMENT_KINDS[kind].drag if kind in STATEMENT_KINDS else None


def dragged(desk: Desk) -> tuple[Desk, Shown] | None:
    """What is in hand with the place where the pointer went down, and the line with the one where it is; None where nothing is
    dragged, or what is being written takes no two places."""
    draft, start, pointer = desk.draft, desk.hand.drag, desk.pointer
    words = drag_of(draft.kind) if draft is not None else None
    if draft is None or start is None or pointer is None or desk.hand.text or words is None:
        return None
    if draft.again or words.behind > 0:
        # A drag has two ends of its own, whatever the next one would go on from or have in common.
        draft = replace(draft, rows=draft.rows[: words.behind], clicks=(), again=False)
    if len(draft.rows) != words.behind:
        return None
    desk = desk.but(draft=draft)
    # From a figure, and not from a place of it: what is drawn between two figures.
    figured = words.figure != "" and _of_figure(desk, start)
    first = _begun_at(desk, words.figure if figured else words.start, start)
    begun = first.click or first.line
    if begun.do not in ("given", "write") or begun.draft is None:
        return desk, first
    desk, end = desk.but(draft=begun.draft), words.end
    if figured:
        # Begun at a figure and ended at a place, it runs from there.
        end = words.figure if _of_figure(desk, pointer) else words.start
    read = under_pointer(desk.but(text=end))
    # The word of the end was not typed: what stands is what was begun.
    return desk, replace(read, line=evaluate_draft(desk.book, begun.draft, desk.index))


def _begun_at(desk: Desk, word: str, start: Pointer) -> Shown:
    """The line where the pointer went down; the last one is kept, since it is the same while the drag goes on."""
    kept, key = _BEGUN.of(desk.book), (desk.draft, word, start, desk.index)
    if key not in kept:
        kept.clear()
        kept[key] = under_pointer(desk.but(text=word, pointer=start, choice=None, aimed=False))
    return kept[key]


_BEGUN: Kept[dict[tuple[Draft | None, str, Pointer, int], Shown]] = Kept(dict)


def _of_figure(desk: Desk, pointer: Pointer) -> bool:
    """Whether the figure there is meant more likely than the place."""
    return places_at(desk.book, pointer, 1, desk.draft, desk.index)[0].kind in OF_FIGURE
