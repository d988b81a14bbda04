"""What the shelf shows of a drawing: its figures and the box around them, exact, without its book."""

from collections.abc import Sequence
from math import hypot, inf
from typing import Any
from uuid import UUID

from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from ..core.book.book import Book
from ..core.book.scene import all_seen, pen_of
from ..core.figures import EndlessLine, Figure
from ..core.figures.box import box_of, empty_box, join
from ..core.language.report import figure_data
from .tables import ShelfPicture

MOST_FIGURES = 2_000
"""A picture the size of a thumb shows no more."""


def picture_of(book: Book) -> dict[str, Any]:
    """The figures of a drawing that are seen, and the box around them (None where there is nothing)."""
    whole = empty_box()
    seen: list[tuple[float, str, Figure]] = []
    for one, figure in all_seen(book):
        box = box_of(figure)
        join(whole, box)
        size = inf if isinstance(figure, EndlessLine) else hypot(box[2] - box[0], box[3] - box[1])
        seen.append((size, one, figure))
    chosen = [seen[n] for n in telling([size for size, _, _ in seen], MOST_FIGURES)]
    shown = [{**figure_data(figure), "pen": pen_of(book, one)} for _, one, figure in chosen]
    return {"figures": shown, "box": whole if whole[0] <= whole[2] else None}


def telling(sizes: Sequence[float], most: int) -> Sequence[int]:
    """Which of so many figures, by their sizes, tell most of a drawing: half of them the largest, the others from all over it."""
    if len(sizes) <= most:
        return range(len(sizes))
    by_size = sorted(range(len(sizes)), key=lambda n: -sizes[n])
    large, rest = by_size[: most // 2], sorted(by_size[most // 2 :])
    others = most - len(large)
    return sorted([*large, *(rest[n * len(rest) // others] for n in range(others))])


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
