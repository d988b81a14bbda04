"""A drag from one place of a figure to the other: both ends are stated by letting go."""

from dataclasses import replace

from ..book.book import Book
from ..book.caches import Kept
from ..book.kind import Drag
from ..book.kinds import STATEMENT_KINDS
from .draft import Draft, reading_named
from .hand import Hand
from .picks import Shown, under_pointer
from .pointer import Pointer
from .pointing import OF_FIGURE, evaluate_draft, places_at


def drag_of(kind: str) -> Drag | None:
    """The words of the two ends of a drag of a kind; None where it takes no two places."""
    reading = reading_named(kind)
    if reading is not None:
        return Drag("", "") if reading.between else None
    return STATEMENT_KINDS[kind].drag if kind in STATEMENT_KINDS else None


def dragged(book: Book, hand: Hand, index: int) -> tuple[Draft, Shown] | None:
    """The draft with the place where the pointer went down, and the line with the one where it is; None where nothing is dragged,
    or what is being written takes no two places."""
    draft, start, pointer = hand.draft, hand.drag, hand.pointer
    words = drag_of(draft.kind) if draft is not None else None
    if draft is None or start is None or pointer is None or hand.text or words is None:
        return None
    if draft.again or words.behind > 0:
        # A drag has two ends of its own, whatever the next one would go on from or have in common.
        draft = replace(draft, rows=draft.rows[: words.behind], clicks=(), again=False)
    if len(draft.rows) != words.behind:
        return None
    # From a figure, and not from a place of it: what is drawn between two figures.
    figured = words.figure != "" and _of_figure(book, start, draft, index)
    first = _begun_at(book, draft, words.figure if figured else words.start, start, index)
    begun = first.click or first.line
    if begun.do not in ("given", "write") or begun.draft is None:
        return draft, first
    end = words.end
    if figured:
        # Begun at a figure and ended at a place, it runs from there.
        end = words.figure if _of_figure(book, pointer, begun.draft, index) else words.start
    read = under_pointer(book, begun.draft, end, index, pointer, hand.choice, hand.aimed)
    # The word of the end was not typed: what stands is what was begun.
    return begun.draft, replace(read, line=evaluate_draft(book, begun.draft, index))


def _begun_at(book: Book, draft: Draft, word: str, start: Pointer, index: int) -> Shown:
    """The line where the pointer went down; the last one is kept, since it is the same while the drag goes on."""
    kept, key = _BEGUN.of(book), (draft, word, start, index)
    if key not in kept:
        kept.clear()
        kept[key] = under_pointer(book, draft, word, index, start, None, False)
    return kept[key]


_BEGUN: Kept[dict[tuple[Draft, str, Pointer, int], Shown]] = Kept(dict)


def _of_figure(book: Book, pointer: Pointer, draft: Draft, index: int) -> bool:
    """Whether the figure there is meant more likely than the place."""
    return places_at(book, pointer, 1, draft, index)[0].kind in OF_FIGURE
