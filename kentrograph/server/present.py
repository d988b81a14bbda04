"""Books as they go over the wire, and what comes over it as what the desk looks at."""

from dataclasses import replace

import orjson

from ..core.book.book import Book
from ..core.book.scene import pen_of, seen, sharing
from ..core.desk.draft import Draft
from ..core.desk.line_views import Looked
from ..core.desk.pointing import Pointer, Snapping
from ..core.desk.views import step_view
from ..core.language.codec import header_data
from ..core.sheet.at_table import moved_on_paper
from ..core.snap.kinds import KINDS as PLACE_KINDS
from ..store.changes import State
from .schemas import BookView, HeaderView, Placed
from .socket_schemas import DraftData, PointerData, ReadRequest, SnappingData


def book_message(state: State, known: Book | None) -> bytes:
    """A `BookView` for a receiver who has ``known`` already; the whole of it where that is None.

    It is made step by step: nobody else can run while a long text is made in one go.
    """
    book = state.book
    if known is not None and known.header != book.header:
        # The words of every step may be others now.
        known = None
    moved = moved_on_paper(book, known) if known is not None else set()
    looked_at = _looked_at(book, known) | moved if known is not None else set()
    last = book.last_place()
    frame = BookView(
        type="book",
        id=state.id,
        name=state.name,
        revision=state.revision,
        header=HeaderView(**header_data(book.header)),
        whole=known is None,
        gone=[id for id in looked_at if known is not None and id in known.order and id not in book.order],
        placed=_placed(book, known, looked_at) if known is not None else [],
        undo=state.undo,
        redo=state.redo,
        last=[last.x, last.y],
        steps=[],
    )
    differ = book.order if known is None else _differing(book, known, looked_at, moved)
    steps = b",".join(orjson.dumps(step_view(book, id)) for id in differ)
    return b"%s%s]}" % (orjson.dumps(frame).removesuffix(b"]}"), steps)


def _looked_at(book: Book, known: Book) -> set[str]:
    """The steps of two books that may differ.

    Where the one came of the other by an edit these are what that touched, and what shares a name with it.
    """
    if book.before is not known.stamp:
        return {*known.order, *book.order}
    return {id for touched in book.touched for id in (touched, *sharing(book, touched), *sharing(known, touched))}


def _differing(book: Book, known: Book, looked_at: set[str], moved: set[str]) -> list[str]:
    """The steps that a receiver does not have as they are now, in the order of the book."""
    differ = (id for id in looked_at if id in book.order and (id in moved or _differs(book, known, id)))
    return sorted(differ, key=book.order.key)


def _placed(book: Book, known: Book, looked_at: set[str]) -> list[Placed]:
    """The steps that have come to stand elsewhere, the last first: each finds the one that it stands in front of."""
    found = [id for id in looked_at if id in book.order and not (id in known.order and known.order.key(id) == book.order.key(id))]
    return [Placed(id, book.order.next_to(id)) for id in sorted(found, key=book.order.key, reverse=True)]


def _differs(book: Book, known: Book, id: str) -> bool:
    if id not in known.steps:
        return True
    if _looks(book, id) != _looks(known, id):
        # A later step has shaped what comes of this one, or no longer does.
        return True
    same = book.steps[id] is known.steps[id] or book.steps[id] == known.steps[id]
    return not (same and (book.values[id] is known.values[id] or book.values[id] == known.values[id]))


def _looks(book: Book, id: str) -> list[tuple[bool, str]]:
    """Whether each figure of a step is seen, and with what it is drawn."""
    return [(seen(book, one), pen_of(book, one)) for one, _, _ in book.figures_of(id)] or [(False, pen_of(book, id))]


def looked(request: ReadRequest) -> Looked:
    """What a table asks to have read."""
    pointer, carry = pointer_of(request.pointer), request.carry
    return Looked(
        draft=_draft(request.draft),
        text=request.text,
        mend=request.mend,
        in_front_of=request.in_front_of,
        pointer=pointer,
        choice=request.choice,
        selected=request.selected,
        pull=request.pull,
        aimed=request.aimed,
        carried=tuple(carry.figures) if carry else (),
        start=replace(pointer, x=carry.x, y=carry.y) if carry and pointer else None,
        copied=carry.copied if carry else False,
        stroke=tuple(request.stroke),
    )


def _draft(data: DraftData | None) -> Draft | None:
    return Draft(data.kind, tuple(data.rows), data.at, data.again, tuple(data.clicks)) if data else None


def pointer_of(data: PointerData | None) -> Pointer | None:
    """Where the pointer is, as the desk looks at it."""
    if data is None:
        return None
    s = data.snapping or SnappingData(off=[kind.key for kind in PLACE_KINDS.values() if not kind.on], turns=[])
    snapping = Snapping(frozenset(PLACE_KINDS) - frozenset(s.off), s.parts, s.turn, s.step, s.grid, tuple(s.turns), s.ink_only)
    return Pointer(data.x, data.y, data.reach, data.pixel, data.level, data.swing, data.turned, snapping, tuple(data.passed))
