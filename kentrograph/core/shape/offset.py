"""Figures beside a figure, at a distance from it everywhere: docs/maths/offset.md.

What lies beside an outline is made of three things only: lines and arcs beside its pieces, and, around its outer corners, either
arcs about the corner or what the neighbours go on as. All of these are laid out, cut where they cross, and of the cut pieces
those stay that no other part of the outline is nearer to. What stays hangs together by itself.
"""

from math import hypot
from typing import NamedTuple

from ..construct.arcs import about_to
from ..figures import Arc, CentredCurve, Circle, Curve, Ellipse, EndlessLine, Line, Outline, Point, RoundCurve
from ..figures.along import heading
from ..figures.box import box_of
from ..figures.outline import Piece
from ..intersect import intersect_long
from ..intersect.supporting_curves import way_of
from ..measure.area import signed_area
from ..problem import refusal
from ..tolerance import TOLERANCE
from .arrangement import Laid, Rest, arranged
from .corners import is_smooth, turn_between

Offsettable = Curve | Outline


def sides_of(figure: Offsettable) -> tuple[str, ...]:
    """The words that say on which side of a figure another one may lie, the first taken where nothing is stated."""
    if (isinstance(figure, Outline) and figure.closed) or isinstance(figure, CentredCurve):
        return ("outside", "inside")
    return ("left", "right")


def offset(figure: Offsettable, distance: float, side: str, rounded: bool, name: str) -> tuple[Offsettable, ...]:
    """What lies at a distance beside a figure: one figure, several islands of an outline, or none where nothing is left.

    ``side`` is left or right, as the figure runs, or inside or outside of what is closed, or of an arc. Raises `Refused`:
    bad_length; no_offset with the reason for ellipses; no_such_side.
    """
    if not distance > 0.0:
        raise refusal("bad_length", value=distance)
    left = _to_the_left(figure, side)
    signed = distance if left else -distance
    match figure:
        case Line(start, end):
            dx, dy = _square(figure, signed)
            return (Line(Point(start.x + dx, start.y + dy), Point(end.x + dx, end.y + dy)),)
        case EndlessLine(through, ux, uy):
            return (EndlessLine(Point(through.x - signed * uy, through.y + signed * ux), ux, uy),)
        case Circle(centre, radius):
            return (Circle(centre, radius - signed),) if radius - signed > _nothing(figure) else ()
        case Arc():
            beside = _beside(figure, signed, _nothing(figure))
            return (beside,) if beside is not None else ()
        case Outline():
            if any(isinstance(piece, Ellipse) for piece in figure.pieces):
                raise refusal("no_offset", name=name)
            return _of_outline(figure, signed, rounded)
        case Ellipse(centre, a, b, turn):
            if a != b or not figure.whole:
                raise refusal("no_offset", name=name)
            return (Ellipse(centre, a - signed, b - signed, turn),) if a - signed > _nothing(figure) else ()
        case _:
            raise refusal("not_cut", name=name, word="offset")


def _to_the_left(figure: Offsettable, side: str) -> bool:
    if side in ("left", "right"):
        return side == "left"
    if isinstance(figure, CentredCurve):
        counter = not isinstance(figure, Arc | Ellipse) or figure.sweep > 0.0
    elif isinstance(figure, Outline) and figure.closed:
        counter = signed_area(figure) > 0.0
    else:
        raise refusal("no_such_side", wanted=side, there=["left", "right"])
    return (side == "inside") == counter


def _nothing(figure: Offsettable) -> float:
    box = box_of(figure)
    return TOLERANCE.length(hypot(box[2] - box[0], box[3] - box[1]), max(map(abs, box)))


def _square(line: Line, left: float) -> tuple[float, float]:
    w = way_of(line)
    return -left * w.uy, left * w.ux


def _beside(piece: Piece, left: float, nothing: float) -> Line | Arc | None:
    """What lies so far to the left of a piece; None where an arc has vanished in its centre."""
    if isinstance(piece, Line):
        dx, dy = _square(piece, left)
        return Line(Point(piece.start.x + dx, piece.start.y + dy), Point(piece.end.x + dx, piece.end.y + dy))
    assert isinstance(piece, Arc)
    radius = piece.radius - left if piece.sweep > 0.0 else piece.radius + left
    if radius <= nothing:
        return None
    share, c = radius / piece.radius, piece.centre
    start, end = (Point(c.x + share * (p.x - c.x), c.y + share * (p.y - c.y)) for p in (piece.start, piece.end))
    return Arc(c, radius, start, end, piece.sweep)


# Outlines -----------------------------------------------------------------------------------------------


def _around_ends(outline: Outline, left: float, nothing: float) -> list[Laid]:
    """What lies at the distance from an open outline elsewhere: half circles about its ends, and all on its other side."""
    pieces = outline.pieces
    found: list[Laid] = []
    for piece, at_start in ((pieces[0], True), (pieces[-1], False)):
        tip = piece.start if at_start else piece.end
        one, other = (_square_at(piece, at_start, tip, side) for side in (left, -left))
        for a, b in ((one, other), (other, one)):
            found.append(Laid(Arc(tip, abs(left), a, b, 180.0), -1, True))
    for n, piece in enumerate(pieces):
        beside = _beside(piece, -left, nothing)
        if beside is not None:
            found.append(Laid(beside, -1, True))
        if n + 1 < len(pieces):
            join = _join(piece, pieces[n + 1], None, None, -left, True)
            found += [Laid(part, -1, True) for part in join.pieces] if join is not None else []
    return found


class _Join(NamedTuple):
    """What goes around an outer corner; ``cap`` is what it takes up beyond the distance, where it is drawn sharp."""

    pieces: tuple[Line | Arc, ...]
    cap: Outline | None


def _of_outline(outline: Outline, left: float, rounded: bool) -> tuple[Outline, ...]:
    nothing = _nothing(outline)
    pieces = outline.pieces
    beside = [_beside(piece, left, nothing) for piece in pieces]
    laid: list[Laid] = []
    caps: list[Outline] = []
    if not outline.closed:
        laid += _around_ends(outline, left, nothing)
    for n, piece in enumerate(pieces):
        one = beside[n]
        if one is not None:
            laid.append(Laid(one, n))
        if n + 1 == len(pieces) and not outline.closed:
            break
        following = (n + 1) % len(pieces)
        join = _join(piece, pieces[following], one, beside[following], left, rounded)
        if join is not None:
            # What a neighbour goes on as is one with it; an arc about the corner is nobody's.
            numbers = (n, following) if join.cap is not None else (-n - 1,)
            laid += [Laid(part, number) for part, number in zip(join.pieces, numbers, strict=True)]
            if join.cap is not None:
                caps.append(join.cap)
    distance = abs(left)
    rest = Rest(outline, distance, caps, nothing)
    return arranged(laid, rest, left > 0.0, outline.closed, nothing)


def _join(
    before: Piece, after: Piece, one: Line | Arc | None, other: Line | Arc | None, left: float, rounded: bool
) -> _Join | None:
    """What leads around the corner between two pieces; None where the corner turns to the side on which the offset lies."""
    if is_smooth(before, after):
        return None
    sine, _ = turn_between(before, after)
    if sine * left > 0.0:
        return None
    corner = after.start
    start, end = _square_at(before, False, corner, left), _square_at(after, True, corner, left)
    arc = about_to(corner, start, end, left > 0.0)
    around = Arc(corner, abs(left), start, end, arc.sweep)
    if rounded or one is None or other is None:
        return _Join((around,), None)
    tip = _tip(one, other)
    if tip is None:
        return _Join((around,), None)
    on, back = _going_on(one, tip, True), _going_on(other, tip, False)
    back_round = Arc(corner, abs(left), around.end, around.start, -around.sweep)
    return _Join((on, back), Outline((on, back, back_round), True))


def _square_at(piece: Piece, at_start: bool, corner: Point, left: float) -> Point:
    """The place beside an end of a piece."""
    ux, uy = heading(piece, at_start)
    if at_start:
        ux, uy = -ux, -uy
    return Point(corner.x - left * uy, corner.y + left * ux)


def _tip(one: Line | Arc, other: Line | Arc) -> Point | None:
    """Where two neighbours meet that go on as themselves: ahead of the one and behind the other, by the shortest way."""
    found: list[tuple[float, Point]] = []
    for spot in intersect_long(one, other).spots:
        ahead, back = _further(one, spot.at, True), _further(other, spot.at, False)
        if ahead is not None and back is not None:
            found.append((ahead + back, spot.at))
    return min(found, key=lambda way: way[0])[1] if found else None


def _further(piece: Line | Arc, at: Point, past_end: bool) -> float | None:
    """How far past its end, or before its start, a piece has to go on to reach a place on its whole figure; None where it would
    have to turn back, or go more than half around."""
    if isinstance(piece, Line):
        tip = piece.end if past_end else piece.start
        ux, uy = heading(piece, not past_end)
        along = (at.x - tip.x) * ux + (at.y - tip.y) * uy
        return along if along > 0.0 else None
    made = _going_on(piece, at, past_end)
    assert isinstance(made, Arc)
    return made.length if abs(made.sweep) <= 180.0 else None


def _going_on(piece: Line | Arc, at: Point, past_end: bool) -> Line | Arc:
    """What a piece goes on as: from its end to a place, or from a place to its start."""
    if isinstance(piece, Line):
        return Line(piece.end, at) if past_end else Line(at, piece.start)
    first, last = (piece.end, at) if past_end else (at, piece.start)
    made = about_to(piece.centre, first, last, piece.sweep < 0.0)
    return Arc(piece.centre, piece.radius, first, last, made.sweep)


_MOST_PIECES = 64
"""Of so many pieces the greatest distance that leaves something is still looked for: each try costs an offset."""


def deepest(figure: Offsettable, distance: float, side: str, rounded: bool, name: str) -> float | None:
    """The greatest distance, below one that leaves nothing, that leaves something; None for outlines of very many pieces.

    Of what is round it is the radius; of outlines it is found by halving.
    """
    if isinstance(figure, RoundCurve):
        return figure.radius
    if isinstance(figure, Ellipse):
        return figure.a
    if isinstance(figure, Outline) and len(figure.pieces) > _MOST_PIECES:
        return None
    low, high = 0.0, distance
    for _ in range(40):
        middle = 0.5 * (low + high)
        if offset(figure, middle, side, rounded, name):
            low = middle
        else:
            high = middle
    return high
