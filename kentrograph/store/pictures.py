"""What the shelf shows of a drawing: its figures and the box around them, exact, without its book."""

from typing import Any
from uuid import UUID

from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from ..core.book.book import Book
from ..core.book.scene import all_seen, pen_of
from ..core.figures.box import empty_box, stretch
from ..core.language.report import figure_data
from .tables import ShelfPicture

MOST_FIGURES = 2_000
"""A picture the size of a thumb shows no more."""


def picture_of(book: Book) -> dict[str, Any]:
    """The figures of a drawing that are seen, and the box around them (None where there is nothing)."""
    figures: list[dict[str, Any]] = []
    box = empty_box()
    for one, figure in all_seen(book):
        stretch(box, figure)
        if len(figures) < MOST_FIGURES:
            figures.append({**figure_data(figure), "pen": pen_of(book, one)})
    return {"figures": figures, "box": box if box[0] <= box[2] else None}


def keep_picture(session: Session, id: UUID, revision: int, book: Book) -> None:
    """Keeps the picture of a drawing at a revision, unless there is one of a later revision."""
    row = {"drawing_id": id, "revision": revision, "picture": picture_of(book)}
    made = insert(ShelfPicture).values(row)
    anew = {name: made.excluded[name] for name in ("revision", "picture")}
    newer = ShelfPicture.revision <= made.excluded.revision
    session.execute(made.on_conflict_do_update(index_elements=["drawing_id"], set_=anew, where=newer))


def get_picture(session: Session, id: UUID) -> ShelfPicture | None:
    """The picture of a drawing, if there is one yet."""
    return session.get(ShelfPicture, id)
