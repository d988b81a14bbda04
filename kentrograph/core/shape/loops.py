"""Closed ways: which way round they run, what lies in them, and how they are put together."""

from itertools import pairwise

from ..construct.outlines import reversed_piece
from ..figures import Arc, Circle, Ellipse, Line, Outline, Point
from ..figures.along import place_along
from ..figures.outline import Piece
from ..measure.area import signed_area
from ..measure.inside import is_inside
from ..tolerance import TOLERANCE

Loop = Outline | Circle | Ellipse
"""A closed way: a circle or an ellipse where it is one all round."""


def clockwise(curve: Circle | Ellipse) -> Outline:
    """A circle or an ellipse alone, run clockwise, as two halves: it is free within what lies around it."""
    if isinstance(curve, Circle):
        a, b = place_along(curve, 0.0), place_along(curve, 0.5 * curve.length)
        return Outline((Arc(curve.centre, curve.radius, b, a, -180.0), Arc(curve.centre, curve.radius, a, b, -180.0)), True)
    halves = [Ellipse(curve.centre, curve.a, curve.b, curve.turn, begin, -180.0) for begin in (360.0, 180.0)]
    return Outline(tuple(halves), True)


def turned(loop: Loop) -> Loop:
    """A loop run the other way; two halves of a circle are the circle."""
    if not isinstance(loop, Outline):
        return loop
    pieces = loop.pieces
    first = pieces[0]
    if len(pieces) == 2 and all(not isinstance(p, Line) and p.sweep == -180.0 for p in pieces):
        if isinstance(first, Arc):
            return Circle(first.centre, first.radius)
        if isinstance(first, Ellipse):
            return Ellipse(first.centre, first.a, first.b, first.turn)
    return Outline(tuple(reversed_piece(piece) for piece in reversed(pieces)), True)


def is_counter(loop: Loop) -> bool:
    """Whether a loop runs counter-clockwise."""
    return not isinstance(loop, Outline) or signed_area(loop) > 0.0


def lies_in(one: Loop, other: Loop) -> bool:
    """Whether a loop that does not cross another one lies within it."""
    return is_inside(other, place_along(one, 0.3819660112501051 * one.length))


def meeting(pieces: list[Piece]) -> list[Piece]:
    """Pieces whose ends are put on one another where they were a hair apart."""
    made: list[Piece] = []
    for piece, following in pairwise([*pieces, pieces[0]]):
        end = following.start
        if isinstance(piece, Line) and (piece.end.x, piece.end.y) != (end.x, end.y):
            piece = Line(piece.start, end)
        elif isinstance(piece, Arc):
            piece = Arc(piece.centre, piece.radius, piece.start, end, piece.sweep)
        made.append(piece)
    return made


class Places:
    """Places by numbers: those that cannot be told apart have one."""

    def __init__(self, away: float) -> None:
        self._size = 1e3 * TOLERANCE.length(0.0, away)
        self._known: dict[tuple[int, int], int] = {}

    def number(self, at: Point) -> int:
        """The number of a place, which may lie in the next cell to where it was met before."""
        x, y = round(at.x / self._size), round(at.y / self._size)
        for i in (x, x - 1, x + 1):
            for j in (y, y - 1, y + 1):
                if (i, j) in self._known:
                    return self._known[i, j]
        self._known[x, y] = len(self._known)
        return self._known[x, y]
