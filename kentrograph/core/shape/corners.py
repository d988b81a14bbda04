"""Corners of outlines: rounded by an arc, or cut off by a line.

An arc that rounds a corner touches both pieces, so its centre lies at its radius beside each of them, on the side to which the
corner turns: beside a line a parallel line, beside an arc a circle about the same centre. Where these two meet is the centre;
the feet from there are the touching places. Source: common practice.
"""

from collections.abc import Callable
from dataclasses import replace
from math import atan2, degrees, hypot

from ..angles import unit_vector
from ..construct.arcs import about_to
from ..construct.outlines import reversed_piece
from ..figures import Arc, Circle, Ellipse, EndlessLine, Line, Outline, Point
from ..figures.along import heading, place_along
from ..figures.outline import Piece
from ..intersect import feet, intersect_long
from ..intersect.supporting_curves import way_of
from ..measure.area import signed_area
from ..problem import Refused, refusal
from ..tolerance import TOLERANCE
from .stretch import Cut, cut_at, end_of, part_of, start_of

Way = Callable[[Piece, Piece], tuple[Cut, Piece, Cut]]
"""What is put between two pieces that meet in a corner: where the first is cut, what comes between, where the second is cut.

Raises `Refused` where it does not fit."""


def turn_between(before: Piece, after: Piece) -> tuple[float, float]:
    """Sine and cosine of the angle by which an outline turns from one piece into the next, to the left."""
    ax, ay = heading(before, False)
    bx, by = heading(after, True)
    return -(ax * by - ay * bx), -(ax * bx + ay * by)


def inner_angle(outline: Outline, corner: int) -> float:
    """The angle inside a corner of an outline, degrees, by the number of the piece that begins there; of an open one that between
    the two pieces, which has no inside. Raises `Refused` (no_corner) at an end of an open one."""
    pieces = outline.pieces
    if not outline.closed and not 0 < corner < len(pieces):
        raise refusal("no_corner")
    turn = degrees(atan2(*turn_between(pieces[corner - 1], pieces[corner])))
    if not outline.closed:
        return 180.0 - abs(turn)
    return 180.0 - (turn if signed_area(outline) > 0.0 else -turn)


def is_smooth(before: Piece, after: Piece) -> bool:
    """Whether a piece goes on into the next without a corner, by the noise of their coordinates and radii."""
    sine, cosine = turn_between(before, after)
    away = max(abs(v) for piece in (before, after) for at in (piece.start, piece.end) for v in (at.x, at.y))
    noise = sum(TOLERANCE.direction_noise(piece.length, away) for piece in (before, after))
    return cosine > 0.0 and TOLERANCE.smooth(sine, noise)


def rounding(radius: float) -> Way:
    """Corners rounded with a radius. Raises `Refused`: bad_radius, no_rounding of ellipses, no_corner, does_not_fit."""
    if not radius > 0.0:
        raise refusal("bad_radius", value=radius)

    def way(before: Piece, after: Piece) -> tuple[Cut, Piece, Cut]:
        if is_smooth(before, after):
            raise refusal("no_corner")
        sine, _ = turn_between(before, after)
        side = 1.0 if sine > 0.0 else -1.0
        corner = before.end
        found: list[tuple[float, Point, Cut, Cut]] = []
        for spot in intersect_long(_beside(before, side * radius), _beside(after, side * radius)).spots:
            cuts = [_touch(piece, spot.at) for piece in (before, after)]
            if all(cut is not None for cut in cuts):
                first, second = (cut for cut in cuts if cut is not None)
                found.append((hypot(spot.at.x - corner.x, spot.at.y - corner.y), spot.at, first, second))
        if not found:
            raise refusal("does_not_fit")
        _, centre, first, second = min(found, key=lambda one: one[0])
        arc = about_to(centre, first.at, second.at, side < 0.0)
        return first, Arc(centre, radius, first.at, second.at, arc.sweep), second

    return way


def _beside(piece: Piece, left: float) -> EndlessLine | Circle:
    """Where everything lies that is so far to the left of a piece; to the right for less than 0."""
    if isinstance(piece, Ellipse):
        raise refusal("no_rounding")
    if isinstance(piece, Line):
        w = way_of(piece)
        return EndlessLine(Point(w.x - left * w.uy, w.y + left * w.ux), w.ux, w.uy)
    radius = piece.radius - left if piece.sweep > 0.0 else piece.radius + left
    if not radius > 0.0:
        raise refusal("does_not_fit")
    return Circle(piece.centre, radius)


def _touch(piece: Piece, centre: Point) -> Cut | None:
    """Where a circle about a centre touches a piece; None where that is past its ends."""
    assert isinstance(piece, Line | Arc)
    foot = feet(piece, centre)[0]
    cut = cut_at(piece, foot)
    return cut if cut.off == 0.0 else None


def cutting_off(before_by: float, after_by: float | None, angle: float | None) -> Way:
    """Corners cut off by a line: so far before, so far after; or so far before, at an angle (degrees) to the first piece.

    Lengths count along the pieces. Raises `Refused`: bad_length, bad_angle, no_corner, does_not_fit.
    """
    for length in (before_by, after_by):
        if length is not None and not length > 0.0:
            raise refusal("bad_length", value=length)
    if angle is not None and not 0.0 < angle < 180.0:
        raise refusal("bad_angle", value=angle)

    def way(before: Piece, after: Piece) -> tuple[Cut, Piece, Cut]:
        if is_smooth(before, after):
            raise refusal("no_corner")
        first = back_from_end(before, before_by)
        if after_by is not None:
            second = cut_at(after, back_from_end(reversed_piece(after), after_by).at)
        else:
            second = _at_angle(before, after, first, angle or 0.0)
        return first, Line(first.at, second.at), second

    return way


def back_from_end(piece: Piece, length: float) -> Cut:
    """The place so far back from the end of a piece. Raises `Refused` (does_not_fit) where it is shorter than that."""
    whole = piece.length
    slack = TOLERANCE.length(whole)
    if length > whole + slack:
        raise refusal("does_not_fit")
    return start_of(piece) if length >= whole - slack else cut_at(piece, place_along(piece, whole - length))


def _at_angle(before: Piece, after: Piece, first: Cut, angle: float) -> Cut:
    """Where a line at an angle to the first piece meets the second: turned from the piece's way toward the second."""
    short = part_of(before, start_of(before), first)
    ux, uy = heading(short if isinstance(short, Piece) else before, False)
    sine, _ = turn_between(before, after)
    c, s = unit_vector(angle if sine > 0.0 else -angle)
    ray = EndlessLine(first.at, ux * c - uy * s, ux * s + uy * c)
    found: list[tuple[float, Cut]] = []
    for spot in intersect_long(ray, after).spots:
        ahead = (spot.at.x - first.at.x) * ray.ux + (spot.at.y - first.at.y) * ray.uy
        cut = cut_at(after, spot.at)
        if ahead > 0.0 and cut.off == 0.0:
            found.append((ahead, cut))
    if not found:
        raise refusal("does_not_fit")
    return min(found, key=lambda one: one[0])[1]


# Of an outline ------------------------------------------------------------------------------------------


def corner_shaped(outline: Outline, number: int, way: Way, name: str) -> Outline:
    """An outline with one corner shaped; corners count from 1, where its first piece begins.

    Raises `Refused`: no_such_corner, end_of_outline for an end of an open one, and what the way refuses.
    """
    count = len(outline.corners)
    if not 1 <= number <= count:
        raise refusal("no_such_corner", name=name, count=count)
    if not outline.closed and number in (1, count):
        raise refusal("end_of_outline", name=name)
    pieces = dict(enumerate(outline.pieces))
    between: dict[int, Piece] = {}
    _shape(pieces, between, (number - 2) % len(pieces), (number - 1) % len(pieces), way)
    return _put_together(outline, pieces, between)


def corners_shaped(outline: Outline, way: Way, name: str) -> tuple[Outline, list[int]]:
    """An outline with all its corners shaped, and the numbers of those where it does not fit, one after the other as it runs.

    Raises `Refused` (none_fits) where it fits at none.
    """
    count = len(outline.pieces)
    pieces = dict(enumerate(outline.pieces))
    between: dict[int, Piece] = {}
    unfit: list[int] = []
    for after in range(0 if outline.closed else 1, count):
        try:
            _shape(pieces, between, (after - 1) % count, after, way)
        except Refused as refused:
            if refused.problem.kind != "no_corner":
                unfit.append(after + 1)
            if refused.problem.kind not in ("no_corner", "does_not_fit", "no_rounding"):
                raise
    if not between and unfit:
        raise refusal("none_fits", name=name)
    if not between:
        raise refusal("no_corners", name=name)
    return _put_together(outline, pieces, between), unfit


_HALVINGS = 50


def greatest(shaped: Callable[[float], object]) -> float:
    """The greatest share of a size that does not fit with which it does, by halving; 0 where none is found.

    What comes back fits as it is written, with ten digits.
    """
    low, high = 0.0, 1.0
    for _ in range(_HALVINGS):
        middle = 0.5 * (low + high)
        try:
            shaped(middle)
        except Refused:
            high = middle
        else:
            low = middle
    return low


def _shape(pieces: dict[int, Piece], between: dict[int, Piece], before: int, after: int, way: Way) -> None:
    """Shapes the corner between two pieces, of which either may be used up already."""
    if before not in pieces or after not in pieces or before == after:
        raise refusal("does_not_fit")
    first, put, second = way(pieces[before], pieces[after])
    between[after] = put
    one, other = pieces[before], pieces[after]
    for number, part in ((before, part_of(one, start_of(one), first)), (after, part_of(other, second, end_of(other)))):
        if part is None:
            del pieces[number]
        else:
            assert isinstance(part, Piece)
            pieces[number] = part


def _put_together(outline: Outline, pieces: dict[int, Piece], between: dict[int, Piece]) -> Outline:
    """The outline of what is left of its pieces, with what was put in front of some of them; it begins as it did, at what is
    left of its first piece."""
    made: list[Piece] = []
    for number in range(len(outline.pieces)):
        if number in between and number > 0:
            made.append(between[number])
        if number in pieces:
            made.append(pieces[number])
    if 0 in between:
        made.append(between[0])
    return replace(outline, pieces=tuple(_full_round(made, outline.closed)))


def _full_round(pieces: list[Piece], closed: bool) -> list[Piece]:
    """Pieces of which those are one that round two corners with nothing left between: the full round end of a slot."""
    made: list[Piece] = []
    for piece in pieces:
        one = _as_one(made[-1], piece) if made else None
        made[-1:] = [one] if one is not None else [*made[-1:], piece]
    if closed and len(made) > 2 and (one := _as_one(made[-1], made[0])) is not None:
        # Where the outline begins there is a corner no more: it begins with the end that is round now.
        made = [one, *made[1:-1]]
    return made


def _as_one(before: Piece, after: Piece) -> Arc | None:
    """Two arcs of one circle that run on into each other, as one; None for any others, and where that would be a whole circle."""
    if not isinstance(before, Arc) or not isinstance(after, Arc) or before.sweep * after.sweep < 0.0:
        return None
    c, d, sweep = before.centre, after.centre, before.sweep + after.sweep
    slack = TOLERANCE.length(before.radius, max(abs(c.x), abs(c.y)))
    same = hypot(c.x - d.x, c.y - d.y) <= slack and abs(before.radius - after.radius) <= slack
    return Arc(c, before.radius, before.start, after.end, sweep) if same and abs(sweep) < 360.0 - _TURNED else None


_TURNED = 0.01
"""Degrees: an arc that is nearer to a whole turn than this stays two."""
