"""What the shelf shows of a drawing: its figures and the box around them, exact, without its book."""

from typing import Any

from ..core.book.book import Book
from ..core.book.scene import all_seen, pen_of
from ..core.figures.box import empty_box, stretch
from ..core.language.report import figure_data

MOST_FIGURES = 2_000
"""A picture the size of a thumb shows no more."""


def picture_of(book: Book, revision: int) -> dict[str, Any]:
    """The figures of a drawing that are seen, and the box around them (None where there is nothing), at a revision."""
    figures: list[dict[str, Any]] = []
    box = empty_box()
    for one, figure in all_seen(book):
        stretch(box, figure)
        if len(figures) < MOST_FIGURES:
            figures.append({**figure_data(figure), "pen": pen_of(book, one)})
    return {"figures": figures, "box": box if box[0] <= box[2] else None, "of": revision}
