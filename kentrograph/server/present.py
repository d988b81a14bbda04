"""Books as they go over the wire."""

from collections.abc import Sequence
from collections.abc import Set as AbstractSet
from typing import Any

import orjson

from ..core.book.book import Book
from ..core.desk.view_types import HeaderView
from ..core.desk.views import step_view
from ..core.language.codec import header_data
from ..core.replica.differing import Difference, difference
from ..store.changes import State
from .schemas import BookView


def book_message(
    state: State,
    known: Book | None,
    since: int | None = None,
    edits: Sequence[dict[str, Any]] = (),
    touched: AbstractSet[str] | None = None,
) -> bytes:
    """A `BookView` for a receiver who has ``known`` already, of revision ``since``; the whole of it where that is None.
    ``touched`` is what all edits between touched, where that is known.

    It is made step by step: nobody else can run while a long text is made in one go.
    """
    book = state.book
    differs = difference(book, known, touched)
    steps = b",".join(orjson.dumps(step_view(book, id)) for id in differs.steps)
    return b"%s%s]}" % (orjson.dumps(_frame(state, differs, since, edits)).removesuffix(b"]}"), steps)


def frame_of_all(state: State) -> bytes:
    """The `BookView` of a whole book, but for its steps."""
    return orjson.dumps(_frame(state, Difference(True, [], [], []), None, ()))


def _frame(state: State, differs: Difference, since: int | None, edits: Sequence[dict[str, Any]]) -> BookView:
    book = state.book
    last = book.last_place()
    return BookView(
        type="book",
        id=state.id,
        name=state.name,
        revision=state.revision,
        header=HeaderView(**header_data(book.header)),
        whole=differs.whole,
        gone=differs.gone,
        placed=differs.placed,
        undo=state.undo,
        redo=state.redo,
        last=[last.x, last.y],
        since=since,
        edits=list(edits),
        steps=[],
    )
