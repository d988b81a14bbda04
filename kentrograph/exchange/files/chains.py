"""Pieces that a file gives end to end, as the figure that they are: a line, an arc, a whole circle, an outline."""

from collections.abc import Sequence
from math import degrees, hypot, remainder

from ...core.construct.outlines import chained
from ...core.figures import Arc, Circle, Ellipse, Figure, Line, Outline, Point
from ...core.figures.outline import Piece

SAME_SHARE = 1e-9
"""Arcs whose centres and radii differ by less than this share of the radius are parts of one circle, where both are exact."""
_TURNED = 1e-6
"""Degrees by which two parts of one ellipse may seem to be turned, or not to follow on one another."""
_ROUNDING = 1e-14
"""What doubles leave of a coordinate, as a share of it, after a few sums."""


def figure_of(pieces: Sequence[Piece], closed: bool, share: float = SAME_SHARE, slack: float = 0.0) -> Figure:
    """The figure of a chain. Arcs of one circle behind one another are one: files have to divide them, for their own reasons.
    ``slack`` is how far apart their centres may lie because numbers were rounded."""
    if len(pieces) == 2 and all(isinstance(piece, Line) for piece in pieces) and not _apart(pieces[0].start, pieces[1].end):
        # There and back is one line.
        return pieces[0]
    joined = _joined(pieces, share, slack)
    if len(joined) == 1:
        (one,) = joined
        if not isinstance(one, Circle) and closed and isinstance(one, Ellipse | Arc):
            return Outline((one, Line(one.end, one.start)), True) if _apart(one.start, one.end) else one
        return one
    rest = [piece for piece in joined if not isinstance(piece, Circle)]
    return chained(rest, closed)


def _joined(pieces: Sequence[Piece], share: float, slack: float) -> list[Piece | Circle]:
    found: list[Piece | Circle] = []
    for piece in pieces:
        last = found[-1] if found else None
        if isinstance(last, Arc) and isinstance(piece, Arc) and _one_circle(last, piece, share, slack):
            sweep = last.sweep + piece.sweep
            centre, radius = last.centre, last.radius
            if abs(sweep) >= 360.0 - _TURNED or (abs(sweep) > 359.0 and not _apart(last.start, piece.end)):
                return [Circle(centre, radius)] if len(found) == 1 and piece is pieces[-1] else list(pieces)
            found[-1] = Arc(centre, radius, last.start, piece.end, sweep)
        elif isinstance(last, Ellipse) and isinstance(piece, Ellipse) and _one_ellipse(last, piece, share, slack):
            found[-1] = Ellipse(last.centre, last.a, last.b, last.turn, last.begin, last.sweep + piece.sweep)
        else:
            found.append(piece)
    return found


def _one_ellipse(a: Ellipse, b: Ellipse, share: float, slack: float) -> bool:
    slack += share * max(a.a, a.b) + max(abs(a.centre.x), abs(a.centre.y)) * _ROUNDING
    turned = _TURNED + degrees(4.0 * slack / min(a.a, a.b))
    return (
        a.sweep * b.sweep > 0.0
        and abs(a.sweep + b.sweep) < 360.0
        and abs(a.a - b.a) + abs(a.b - b.b) <= 2.0 * slack
        and hypot(a.centre.x - b.centre.x, a.centre.y - b.centre.y) <= slack
        and abs(remainder(a.turn - b.turn, 360.0)) <= turned
        and abs(remainder(a.begin + a.sweep - b.begin, 360.0)) <= turned
    )


def _one_circle(a: Arc, b: Arc, share: float, slack: float) -> bool:
    slack += share * max(a.radius, b.radius) + max(abs(a.centre.x), abs(a.centre.y)) * _ROUNDING
    return (
        a.sweep * b.sweep > 0.0
        and abs(a.radius - b.radius) <= slack
        and hypot(a.centre.x - b.centre.x, a.centre.y - b.centre.y) <= slack
    )


def _apart(a: Point, b: Point) -> bool:
    return (a.x, a.y) != (b.x, b.y)
