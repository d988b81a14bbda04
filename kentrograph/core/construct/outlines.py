"""Rectangles, polygons, and outlines joined from pieces."""

from math import cos, hypot, pi

from ..angles import unit_vector
from ..figures import Arc, Ellipse, Line, Outline, Point
from ..figures.box import box_around
from ..figures.outline import Piece
from ..problem import refusal
from ..tolerance import TOLERANCE

MOST_SIDES = 10_000


def closed_through(corners: list[Point]) -> Outline:
    """The closed outline of straight lines through these corners."""
    return Outline(tuple(Line(a, b) for a, b in zip(corners, [*corners[1:], corners[0]], strict=True)), True)


def rectangle(corner: Point, width: float, height: float, turn: float) -> Outline:
    """A rectangle from a corner: along ``turn`` (degrees), then across. Raises `Refused` (bad_size) for a side of 0."""
    for side in (width, height):
        if side == 0.0:
            raise refusal("bad_size")
    c, s = unit_vector(turn)
    offsets = [(0.0, 0.0), (width, 0.0), (width, height), (0.0, height)]
    return closed_through([Point(corner.x + u * c - v * s, corner.y + u * s + v * c) for u, v in offsets])


def rectangle_between(a: Point, b: Point, turn: float) -> Outline:
    """A rectangle between opposite corners; ``turn`` is the direction of its first side."""
    c, s = unit_vector(turn)
    dx, dy = b.x - a.x, b.y - a.y
    return rectangle(a, dx * c + dy * s, dy * c - dx * s, turn)


def rectangle_about(centre: Point, width: float, height: float, turn: float) -> Outline:
    """A rectangle about its centre."""
    c, s = unit_vector(turn)
    u, v = -width / 2, -height / 2
    return rectangle(Point(centre.x + u * c - v * s, centre.y + u * s + v * c), width, height, turn)


def polygon(centre: Point, sides: float, radius: float, turn: float) -> Outline:
    """A regular polygon; its first corner lies in direction ``turn``. Raises `Refused` (bad_sides, bad_radius)."""
    if sides != int(sides) or not 3 <= sides <= MOST_SIDES:
        raise refusal("bad_sides", value=sides, most=MOST_SIDES)
    if not radius > 0.0:
        raise refusal("bad_radius", value=radius)
    corners: list[Point] = []
    for k in range(int(sides)):
        c, s = unit_vector(turn + 360.0 * k / sides)
        corners.append(Point(centre.x + radius * c, centre.y + radius * s))
    return closed_through(corners)


def radius_of_flats(sides: float, flats: float) -> float:
    """The corner radius of a regular polygon with this distance across flats. Common practice."""
    return flats / 2.0 / cos(pi / sides) if sides >= 3 else flats


def chained(pieces: list[Piece], close: bool) -> Outline:
    """The outline of a chain of pieces, each of which begins where the one before it ends.

    It is closed where it comes back to where it began, within what a chain of its size and place can tell; its last piece
    then ends exactly there. With ``close`` a line leads back where it does not. Two lines, there and back, enclose nothing.
    """
    first, last = pieces[0].start, pieces[-1].end
    if comes_back(pieces):
        if (last.x, last.y) != (first.x, first.y):
            pieces = [*pieces[:-1], ending_at(pieces[-1], first)]
        closed = close or len(pieces) > 2 or any(not isinstance(p, Line) for p in pieces)
        return Outline(tuple(pieces), closed)
    return Outline((*pieces, Line(last, first)), True) if close else Outline(tuple(pieces), False)


def comes_back(pieces: list[Piece]) -> bool:
    """Whether a chain ends where it begins."""
    first, last = pieces[0].start, pieces[-1].end
    gap = hypot(last.x - first.x, last.y - first.y)
    if gap == 0.0:
        return len(pieces) > 1
    box = box_around(pieces)
    size = hypot(box[2] - box[0], box[3] - box[1])
    return len(pieces) > 1 and gap <= TOLERANCE.closing(size, max(map(abs, box)), len(pieces))


def segment(arc: Arc | Ellipse) -> Outline:
    """What lies between an arc, or a part of an ellipse, and its chord. Raises `Refused` (zero_length) where it has none."""
    return Outline((arc, Line(arc.end, arc.start)), True)


def sector(arc: Arc | Ellipse) -> Outline:
    """What lies between an arc, or a part of an ellipse, and the lines from its ends to its centre."""
    return Outline((Line(arc.centre, arc.start), arc, Line(arc.end, arc.centre)), True)


def ending_at(piece: Piece, end: Point) -> Piece:
    """A piece that ends at a place a hair from where it ended; a part of an ellipse ends where its angle says."""
    if isinstance(piece, Line):
        return Line(piece.start, end)
    if isinstance(piece, Ellipse):
        return piece
    return Arc(piece.centre, piece.radius, piece.start, end, piece.sweep)


def reversed_piece(piece: Piece) -> Piece:
    """The same piece run the other way."""
    if isinstance(piece, Arc):
        return Arc(piece.centre, piece.radius, piece.end, piece.start, -piece.sweep)
    if isinstance(piece, Ellipse):
        return Ellipse(piece.centre, piece.a, piece.b, piece.turn, piece.begin + piece.sweep, -piece.sweep)
    return Line(piece.end, piece.start)
