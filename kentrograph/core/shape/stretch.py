"""Places on a figure, and the stretch of it from one place to another.

A stretch runs as its figure does: a line and an open outline from start to end, an arc and a part of an ellipse as they
sweep, a circle and a whole ellipse counter-clockwise, a closed outline as its pieces do.
"""

from dataclasses import replace
from math import hypot
from typing import NamedTuple, assert_never

from ..angles import direction_of, full_turn
from ..figures import Arc, Circle, Curve, Ellipse, EndlessLine, Line, Outline, Point
from ..figures.along import Longish
from ..figures.box import box_of
from ..figures.outline import Piece
from ..intersect import nearest
from ..intersect.within import distance_along, swept
from ..problem import refusal
from ..tolerance import POLISHED, TOLERANCE


class Cut(NamedTuple):
    """A place on a figure. Cuts of one figure are in the order in which the figure runs over them.

    piece: which piece of an outline it lies on, else 0. along: how far along that piece: degrees from where an arc, a circle
    or an ellipse begins, a length on lines. at: the place itself. off: how far the place that was meant lies beside it.
    """

    piece: int
    along: float
    at: Point
    off: float = 0.0


def is_closed(figure: Longish) -> bool:
    """Whether a figure comes back to where it began."""
    return isinstance(figure, Circle) or (isinstance(figure, Ellipse) and figure.whole) or getattr(figure, "closed", False)


def cut_at(figure: Longish, place: Point) -> Cut:
    """The place on what is drawn of a figure that is nearest to a place.

    What lies on the figure is kept as it was given, so that what meets there goes on meeting; an end that cannot be told
    from the place is the end.

    >>> cut_at(Line(Point(0.0, 0.0), Point(9.0, 0.0)), Point(4.0, 3.0))
    Cut(piece=0, along=4.0, at=Point(x=4.0, y=0.0), off=3.0)
    """
    at = nearest(figure, place)
    off = hypot(at.x - place.x, at.y - place.y)
    reach = _reach(figure)
    slack = TOLERANCE.length(reach, max(abs(at.x), abs(at.y)))
    if not is_closed(figure):
        for end, cut in ((_start(figure), start_of), (_end(figure), end_of)):
            if end is not None and hypot(end.x - at.x, end.y - at.y) <= slack:
                return cut(figure)._replace(off=0.0 if off <= slack else off)
    if off <= POLISHED * reach + TOLERANCE.noise_share * max(abs(at.x), abs(at.y)):
        at = place
    return _on(figure, at, 0.0 if off <= slack else off, slack)


def cut_on(figure: Line | Arc, at: Point, slack: float) -> Cut:
    """The same for a place that is known to lie on a line or an arc: it is not looked for again.

    ``slack`` is how far from an end it still is that end.
    """
    end = figure.end
    if abs(at.x - figure.start.x) <= slack and abs(at.y - figure.start.y) <= slack:
        return Cut(0, 0.0, figure.start)
    if abs(at.x - end.x) <= slack and abs(at.y - end.y) <= slack:
        return Cut(0, _full(figure), end)
    return Cut(0, _along(figure, at), at)


def _start(figure: Longish) -> Point | None:
    return None if isinstance(figure, EndlessLine | Circle) else figure.start


def _end(figure: Longish) -> Point | None:
    return None if isinstance(figure, EndlessLine | Circle) else figure.end


def _reach(figure: Longish) -> float:
    """The size of a figure, for the tolerance; an endless one has none."""
    match figure:
        case Circle(_, radius) | Arc(_, radius):
            return radius
        case Ellipse(_, a, b):
            return max(a, b)
        case Line():
            return figure.length
        case EndlessLine():
            return 0.0
        case Outline():
            left, low, right, high = box_of(figure)
            return hypot(right - left, high - low)
        case _:
            assert_never(figure)


def _on(figure: Longish, at: Point, off: float, slack: float) -> Cut:
    """A cut at a place that lies on a figure."""
    if not isinstance(figure, Outline):
        return Cut(0, _along(figure, at), at, off)
    away = [hypot(p.x - at.x, p.y - at.y) for p in (nearest(piece, at) for piece in figure.pieces)]
    piece = min(range(len(away)), key=away.__getitem__)
    one = figure.pieces[piece]
    if hypot(one.end.x - at.x, one.end.y - at.y) <= slack:
        # A corner is where the next piece begins.
        following = piece + 1
        if following < len(figure.pieces):
            return Cut(following, 0.0, figure.pieces[following].start, off)
        return Cut(0, 0.0, figure.start, off) if figure.closed else Cut(piece, _full(one), one.end, off)
    if hypot(one.start.x - at.x, one.start.y - at.y) <= slack:
        return Cut(piece, 0.0, one.start, off)
    return Cut(piece, _along(one, at), at, off)


def _along(figure: Curve, at: Point) -> float:
    match figure:
        case Line():
            return min(max(distance_along(figure, at), 0.0), figure.length)
        case EndlessLine():
            return distance_along(figure, at)
        case Circle(centre):
            return direction_of(at.x - centre.x, at.y - centre.y)
        case Arc():
            return _kept(swept(figure, at), abs(figure.sweep))
        case Ellipse():
            past = figure.past_begin(figure.angle_at(at.x, at.y))
            return past if figure.whole else _kept(past, abs(figure.sweep))
        case _:
            assert_never(figure)


def _kept(past: float, sweep: float) -> float:
    """Degrees past the start, kept between the ends: what is off them by a hair lies at the nearer one."""
    if past <= sweep:
        return past
    return 0.0 if 360.0 - past < past - sweep else sweep


def _full(figure: Piece) -> float:
    return figure.length if isinstance(figure, Line) else abs(figure.sweep)


def start_of(figure: Longish) -> Cut:
    """The cut at the start of a figure that has one. Raises `Refused` (no_ends)."""
    if isinstance(figure, EndlessLine) or is_closed(figure):
        raise refusal("no_ends")
    at = _start(figure)
    assert at is not None
    return Cut(0, 0.0, at)


def end_of(figure: Longish) -> Cut:
    """The cut at the end of a figure that has one. Raises `Refused` (no_ends)."""
    if isinstance(figure, EndlessLine) or is_closed(figure):
        raise refusal("no_ends")
    if isinstance(figure, Outline):
        return Cut(len(figure.pieces) - 1, _full(figure.pieces[-1]), figure.end)
    assert not isinstance(figure, Circle)
    return Cut(0, _full(figure), figure.end)


def same_cut(figure: Longish, a: Cut, b: Cut) -> bool:
    """Whether two cuts of a figure cannot be told apart: nothing of the figure lies between them."""
    slack = 2.0 * TOLERANCE.length(_reach(figure), max(abs(a.at.x), abs(a.at.y)))
    if hypot(a.at.x - b.at.x, a.at.y - b.at.y) > slack:
        return False
    # An outline that touches itself, and an arc of nearly a turn, come by one place twice.
    if isinstance(figure, Outline):
        between = _length_between(figure, *sorted((a, b), key=_order))
        return min(between, figure.length - between) <= slack if figure.closed else between <= slack
    if isinstance(figure, Arc | Ellipse) and not is_closed(figure):
        return abs(a.along - b.along) <= 0.5 * abs(figure.sweep)
    return True


def _order(cut: Cut) -> tuple[int, float]:
    return cut[:2]


def _length_between(figure: Outline, a: Cut, b: Cut) -> float:
    part = _of_outline(figure, a, b) if a[:2] != b[:2] else []
    return sum(piece.length for piece in part)


def part_of(figure: Longish, a: Cut, b: Cut) -> Piece | Outline | None:
    """The stretch of a figure from one cut to another; None where nothing lies between them.

    On an open figure ``a`` stands before ``b``. On a closed one the stretch goes on over where the figure begins.
    """
    if same_cut(figure, a, b):
        return None
    match figure:
        case Outline():
            pieces = _of_outline(figure, a, b)
            return Outline(tuple(pieces), False) if pieces else None
        case Circle(centre, radius):
            return Arc(centre, radius, a.at, b.at, full_turn(b.along - a.along))
        case EndlessLine():
            return Line(a.at, b.at)
        case Ellipse() if figure.whole:
            return replace(figure, begin=figure.begin + a.along, sweep=full_turn(b.along - a.along))
        case Line() | Arc() | Ellipse():
            return _of_piece(figure, a.along, a.at, b.along, b.at)
        case _:
            assert_never(figure)


def _of_piece(piece: Piece, a: float, start: Point, b: float, end: Point) -> Piece | None:
    if isinstance(piece, Line):
        return None if TOLERANCE.same_place(start.x, start.y, end.x, end.y) else Line(start, end)
    sense = 1.0 if piece.sweep > 0.0 else -1.0
    if not b > a:
        return None
    if isinstance(piece, Arc):
        whole = a == 0.0 and b == abs(piece.sweep)
        return piece if whole else Arc(piece.centre, piece.radius, start, end, sense * (b - a))
    return replace(piece, begin=piece.begin + sense * a, sweep=sense * (b - a))


def _of_outline(figure: Outline, a: Cut, b: Cut) -> list[Piece]:
    pieces, count = figure.pieces, len(figure.pieces)
    if a.piece == b.piece and a.along < b.along:
        one = _of_piece(pieces[a.piece], a.along, a.at, b.along, b.at)
        return [one] if one is not None else []
    first = pieces[a.piece]
    found: list[Piece | None] = [_of_piece(first, a.along, a.at, _full(first), first.end)]
    number = (a.piece + 1) % count
    while number != b.piece:
        found.append(pieces[number])
        number = (number + 1) % count
    last = pieces[b.piece]
    found.append(_of_piece(last, 0.0, last.start, b.along, b.at))
    return [piece for piece in found if piece is not None]
