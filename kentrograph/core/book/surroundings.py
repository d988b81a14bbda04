"""What a step sees that looks at the whole drawing before it."""

from collections.abc import Iterator

from ..figures import Curve, Outline, Point
from .index import index_half_way, index_of
from .network import Network
from .order import Key
from .scene import pen_of, seen

Box = tuple[float, float, float, float]


class Surroundings:
    """The figures that are seen where a step stands, by where they run."""

    def __init__(self, book: Network, at: Key) -> None:
        self._book, self._at = book, at
        self._index = index_half_way(book) if book.evaluating else index_of(book)

    def curves(self, box: Box, ink_only: bool) -> Iterator[tuple[tuple[str, int], Curve]]:
        """The curves that may run in a box (left, bottom, right, top); of outlines their pieces, by their figures and numbers."""
        book, key = self._book, self._book.order.key
        for id in self._index.in_box(*box, True):
            if not key(book.step_of(id)) < self._at or not seen(book, id, self._at):
                continue
            if ink_only and pen_of(book, id, self._at) == "pencil":
                continue
            figure = book.figure_of(id)
            if isinstance(figure, Outline):
                yield from (((id, n), piece) for n, piece in enumerate(figure.pieces))
            elif figure is not None and not isinstance(figure, Point):
                yield (id, 0), figure
