"""Pieces that a file gives end to end, as the figure that they are: a line, an arc, a whole circle, an outline."""

from collections.abc import Sequence
from math import hypot

from ...core.construct.outlines import chained
from ...core.figures import Arc, Circle, Ellipse, Figure, Line, Outline, Point
from ...core.figures.outline import Piece

SAME_SHARE = 1e-9
"""Arcs whose centres and radii differ by less than this share of the radius are parts of one circle, where both are exact."""


def figure_of(pieces: Sequence[Piece], closed: bool, share: float = SAME_SHARE) -> Figure:
    """The figure of a chain. Arcs of one circle behind one another are one: files have to divide them, for their own reasons."""
    joined = _joined(pieces, share)
    if len(joined) == 1:
        (one,) = joined
        if not isinstance(one, Circle) and closed and isinstance(one, Ellipse | Arc):
            return Outline((one, Line(one.end, one.start)), True) if _apart(one.start, one.end) else one
        return one
    rest = [piece for piece in joined if not isinstance(piece, Circle)]
    return chained(rest, closed)


def _joined(pieces: Sequence[Piece], share: float) -> list[Piece | Circle]:
    found: list[Piece | Circle] = []
    for piece in pieces:
        last = found[-1] if found else None
        if isinstance(last, Arc) and isinstance(piece, Arc) and _one_circle(last, piece, share):
            sweep = last.sweep + piece.sweep
            centre, radius = last.centre, last.radius
            if abs(sweep) >= 360.0 * (1.0 - 1e-12):
                return [Circle(centre, radius)] if len(found) == 1 and piece is pieces[-1] else list(pieces)
            found[-1] = Arc(centre, radius, last.start, piece.end, sweep)
        else:
            found.append(piece)
    return found


def _one_circle(a: Arc, b: Arc, share: float) -> bool:
    size = max(a.radius, b.radius)
    away = max(abs(a.centre.x), abs(a.centre.y)) * 1e-14
    return (
        a.sweep * b.sweep > 0.0
        and abs(a.radius - b.radius) <= share * size + away
        and hypot(a.centre.x - b.centre.x, a.centre.y - b.centre.y) <= share * size + away
    )


def _apart(a: Point, b: Point) -> bool:
    return (a.x, a.y) != (b.x, b.y)
