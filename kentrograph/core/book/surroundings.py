"""What a step sees that looks at the whole drawing before it."""

import re
from collections.abc import Iterator
from typing import Any

from ..figures import Curve, Outline, Point
from ..measure.alike import alike
from ..problem import Refused
from ..shape.faces import Face, Id, Tracer
from .caches import Kept
from .index import index_half_way, index_of
from .network import Network
from .order import Key
from .scene import in_sight

Known = tuple[Id, Curve]
"""A curve by where its figure stands in the book, and the number of its piece. Not by the ids of steps: what comes first, where
two do alike, is the same in whatever drawing they stand."""
Box = tuple[float, float, float, float]


class Surroundings:
    """The figures that are seen where a step stands, by where they run."""

    def __init__(self, book: Network, at: Key) -> None:
        self._book, self._at = book, at
        self._known: dict[tuple[str, bool], tuple[Known, ...]] = {}
        self._index = index_half_way(book) if book.evaluating else index_of(book)

    def curves(self, box: Box, ink_only: bool) -> Iterator[Known]:
        """The curves that may run in a box (left, bottom, right, top); of outlines their pieces, by their figures and numbers."""
        for id in self._index.in_box(*box, True):
            known = self._known.get((id, ink_only))
            yield from self._curves_of(id, ink_only) if known is None else known

    def face(self, at: Point, ink_only: bool, most: int | None = None) -> Face:
        """The face of the drawing around a place, with no more than ``most`` curves around it. Raises `Refused`: see `Tracer`."""
        return Tracer(lambda box: self.curves(box, ink_only), most).face(at)

    def face_around(self, at: Point, most: int | None = None) -> Face:
        """The face around a place along ink or, where ink closes nothing in there, along all that is seen. Raises `Refused`."""
        if self._book.evaluating:
            return self._face_around(at, most)
        # A look at a place asks for its face several times.
        kept, key = _LAST_FACE.of(self._book), (self._at, at)
        if key not in kept:
            kept.clear()
            kept[key] = self._face_around(at, most)
        return kept[key]

    def _face_around(self, at: Point, most: int | None) -> Face:
        try:
            return self.face(at, True, most)
        except Refused as refused:
            if refused.problem.kind in ("on_an_edge", "too_many_around"):
                raise
        return self.face(at, False, most)

    def count_like(self, figure: Any) -> int:
        """How many figures that are seen are of one kind and size with a figure."""
        book = self._book
        leaves = (leaf for id in book.order.before(self._at) for leaf in book.leaves_of(id))
        return sum(alike(one, figure) and in_sight(book, id.partition("/")[0], self._at) for id, _, one in leaves)

    def _curves_of(self, id: str, ink_only: bool) -> tuple[Known, ...]:
        """The curves of a figure; none where it is not seen."""
        book = self._book
        found: tuple[Known, ...] = ()
        if in_sight(book, id, self._at, ink_only):
            figure = book.figure_of(id)
            if figure is not None and not isinstance(figure, Point):
                step, *numbers = re.split(r"[./]", id)
                place = (book.order.key(step), tuple(map(int, numbers)))
                pieces = figure.pieces if isinstance(figure, Outline) else (figure,)
                found = tuple(((*place, n), piece) for n, piece in enumerate(pieces))
        self._known[id, ink_only] = found
        return found


_LAST_FACE: Kept[dict[tuple[Key, Point], Face]] = Kept(dict)
