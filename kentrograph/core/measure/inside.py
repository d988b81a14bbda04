"""Whether a place lies inside what is closed.

Method: how often the edge runs around the place. Each piece turns by the angle of its chord, and by a whole turn more where the
place lies between a round piece and its chord. Source: common practice (winding number).
"""

from math import atan2, hypot, pi
from typing import Any

from ..figures import Arc, Circle, Ellipse, Line, Outline, Point


def winding(outline: Outline, at: Point) -> int:
    """How often a closed outline runs around a place, counter-clockwise; for a place on it, the number on either side.

    >>> a, b, c = Point(0.0, 0.0), Point(4.0, 0.0), Point(0.0, 4.0)
    >>> winding(Outline((Line(a, b), Line(b, c), Line(c, a)), True), Point(1.0, 1.0))
    1
    """
    turned, rounds = 0.0, 0
    for piece in outline.pieces:
        ax, ay, bx, by = piece.start.x - at.x, piece.start.y - at.y, piece.end.x - at.x, piece.end.y - at.y
        turned += atan2(ax * by - ay * bx, ax * bx + ay * by)
        if not isinstance(piece, Line) and _in_segment(piece, at):
            rounds += 1 if piece.sweep > 0.0 else -1
    return round(turned / (2.0 * pi)) + rounds


def _in_segment(piece: Arc | Ellipse, at: Point) -> bool:
    """Whether a place lies between a round piece and its chord."""
    if isinstance(piece, Arc):
        if hypot(at.x - piece.centre.x, at.y - piece.centre.y) >= piece.radius:
            return False
    else:
        u, v = piece.to_own(at.x, at.y)
        if hypot(u / piece.a, v / piece.b) >= 1.0:
            return False
    a, b = piece.start, piece.end
    left = (b.x - a.x) * (at.y - a.y) - (b.y - a.y) * (at.x - a.x) > 0.0
    # A piece that runs counter-clockwise lies right of its chord.
    return left != (piece.sweep > 0.0)


def is_inside(figure: Any, at: Point) -> bool:
    """Whether a place lies inside a circle, a whole ellipse or a closed outline."""
    if isinstance(figure, Circle):
        return hypot(at.x - figure.centre.x, at.y - figure.centre.y) < figure.radius
    if isinstance(figure, Ellipse):
        u, v = figure.to_own(at.x, at.y)
        return figure.whole and hypot(u / figure.a, v / figure.b) < 1.0
    return isinstance(figure, Outline) and figure.closed and winding(figure, at) != 0
