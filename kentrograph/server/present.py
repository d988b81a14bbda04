"""Books as they go over the wire."""

from collections.abc import Sequence
from typing import Any

import orjson

from ..core.book.book import Book
from ..core.desk.view_types import HeaderView
from ..core.desk.views import step_view
from ..core.language.codec import header_data
from ..core.page.differing import difference
from ..store.changes import State
from .schemas import BookView


def book_message(state: State, known: Book | None, since: int | None = None, edits: Sequence[dict[str, Any]] = ()) -> bytes:
    """A `BookView` for a receiver who has ``known`` already, of revision ``since``; the whole of it where that is None.

    It is made step by step: nobody else can run while a long text is made in one go.
    """
    book = state.book
    differs = difference(book, known)
    last = book.last_place()
    frame = BookView(
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
    steps = b",".join(orjson.dumps(step_view(book, id)) for id in differs.steps)
    return b"%s%s]}" % (orjson.dumps(frame).removesuffix(b"]}"), steps)
