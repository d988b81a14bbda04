"""What is wrong with a figure by itself: an outline that crosses itself or almost closes, a stretch too short to be meant."""

from collections.abc import Iterator
from math import hypot

from ..figures import Outline, Point
from ..figures.along import place_along
from ..figures.box import box_of
from ..figures.box_tree import BoxTree
from ..figures.outline import Piece
from ..intersect import intersect
from ..tolerance import TOLERANCE
from .finding import Finding, Place
from .looked import Looked

SHORT_SHARE = 0.2
"""What is shorter than this share of the limit, nobody meant."""
_ALMOST = 10.0
"""An open outline whose ends lie no further apart than so many limits almost closes."""
_OF_ITS_LENGTH = 0.05
"""... and than this share of its length."""


def alone(f: Looked, limit: float) -> Iterator[Finding]:
    """What is wrong with one figure."""
    if f.pen != "pencil":
        for n, piece in enumerate(f.curves, 1):
            if isinstance(piece, Piece) and piece.length < SHORT_SHARE * limit:
                yield Finding("short", Place(f.id, "body", place_along(piece, 0.5 * piece.length), n), piece.length)
    if isinstance(f.figure, Outline):
        outline = f.figure
        gap = hypot(outline.end.x - outline.start.x, outline.end.y - outline.start.y)
        if not outline.closed and len(outline.pieces) > 1 and gap <= min(_ALMOST * limit, _OF_ITS_LENGTH * outline.length):
            yield Finding("open", Place(f.id, "end", outline.end), gap, Place(f.id, "start", outline.start))
        at = crossing_of_itself(outline)
        if at is not None:
            yield Finding("crosses", Place(f.id, "body", at), 0.0)


def crossing_of_itself(outline: Outline) -> Point | None:
    """A place where an outline crosses, or runs into, itself; None where it does neither.

    Neighbours may meet in the corner that they share, and nowhere else.
    """
    pieces = outline.pieces
    boxes = [box_of(piece) for piece in pieces]
    tree = BoxTree(boxes)
    size = max(max(b[2] - b[0], b[3] - b[1]) for b in boxes)
    for n, piece in enumerate(pieces):
        for k in tree.within(*boxes[n]):
            if k <= n:
                continue
            shared = _shared(outline, n, k)
            for spot in intersect(piece, pieces[k]).spots:
                slack = _SPOT * TOLERANCE.length(size, max(abs(spot.at.x), abs(spot.at.y)))
                if all(hypot(spot.at.x - p.x, spot.at.y - p.y) > slack for p in shared):
                    return spot.at
    return None


_SPOT = 1000.0
"""A crossing so many times what counts as nothing off a shared corner is that corner: neighbours may leave it nearly alike."""


def _shared(outline: Outline, n: int, k: int) -> list[Point]:
    """The corners in which two pieces, the first of them earlier, follow each other."""
    pieces: tuple[Piece, ...] = outline.pieces
    found = [pieces[n].end] if k == n + 1 else []
    if outline.closed and n == 0 and k == len(pieces) - 1:
        found.append(pieces[0].start)
    return found
