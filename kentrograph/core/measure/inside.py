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
        turn = atan2(ax * by - ay * bx, ax * bx + ay * by)
        turned += turn
        # A piece that runs counter-clockwise lies right of its chord. On the chord itself the turn says which side is meant.
        if not isinstance(piece, Line) and (turn > 0.0) != (piece.sweep > 0.0) and _in_round(piece, at):
            rounds += 1 if piece.sweep > 0.0 else -1
    return round(turned / (2.0 * pi)) + rounds


def _in_round(piece: Arc | Ellipse, at: Point) -> bool:
    """Whether a place lies inside the circle or the ellipse that a piece is a part of."""
    if isinstance(piece, Arc):
        return hypot(at.x - piece.centre.x, at.y - piece.centre.y) < piece.radius
    u, v = piece.to_own(at.x, at.y)
    return hypot(u / piece.a, v / piece.b) < 1.0


def is_inside(figure: Any, at: Point) -> bool:
    """Whether a place lies inside a circle, a whole ellipse or a closed outline."""
    if isinstance(figure, Circle):
        return hypot(at.x - figure.centre.x, at.y - figure.centre.y) < figure.radius
    if isinstance(figure, Ellipse):
        u, v = figure.to_own(at.x, at.y)
        return figure.whole and hypot(u / figure.a, v / figure.b) < 1.0
    return isinstance(figure, Outline) and figure.closed and winding(figure, at) != 0
