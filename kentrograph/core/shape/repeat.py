"""Copies of figures: about a place, in rows, along a figure. Each is where a similarity carries the first."""

from math import degrees, hypot
from typing import Any, assert_never

from ..angles import unit_vector
from ..figures import Arc, CentredCurve, Circle, Ellipse, FigureSet, FiniteCurve, Line, Outline, Point
from ..figures.along import ellipse_angle, heading, place_along
from ..figures.box import box_of
from ..figures.similarity import Similarity, rotation, shift
from ..problem import refusal

MOST_COPIES = 10_000


def counted(value: float) -> int:
    """How often, as a whole number. Raises `Refused` (bad_count)."""
    if value != int(value) or not 1 <= value <= MOST_COPIES:
        raise refusal("bad_count", value=value, most=MOST_COPIES)
    return int(value)


def middle_of(figures: tuple[Any, ...]) -> Point:
    """The place that stands for figures where they are moved and not turned: a centre, or the middle of the box around them."""
    one = figures[0]
    if len(figures) == 1 and isinstance(one, Point):
        return one
    if len(figures) == 1 and isinstance(one, CentredCurve):
        return one.centre
    left, low, right, high = box_of(FigureSet(figures))
    return Point(left + (right - left) / 2.0, low + (high - low) / 2.0)


def about(place: Point, count: int, over: float | None, upright: Point | None) -> list[Similarity]:
    """Copies turned about a place: evenly around the whole turn, or so that the last is turned by ``over`` degrees.

    ``upright`` is the place that is moved, where they are not turned themselves.
    """
    each = 360.0 / count if over is None else over / max(count - 1, 1)
    turns = [rotation(place, each * n) for n in range(count)]
    return turns if upright is None else [_moved(upright, turn.place(upright)) for turn in turns]


def _moved(start: Point, end: Point) -> Similarity:
    return shift(end.x - start.x, end.y - start.y)


def in_rows(across: int, up: int, step: tuple[float, float], other: tuple[float, float]) -> list[Similarity]:
    """Copies in rows: along the first step first. Raises `Refused` (bad_count) for more than anybody looks at."""
    counted(across * up)
    return [shift(i * step[0] + j * other[0], i * step[1] + j * other[1]) for j in range(up) for i in range(across)]


def along(way: FiniteCurve, count: int, ride: Point | None, upright: bool) -> list[Similarity]:
    """Copies along a figure, from its start to its end in equal lengths; around a closed one in equal parts.

    The first stays where it is. ``ride`` is the place of it that lies on the figure in every other copy; the figure's start
    where there is none. They are turned with the way unless ``upright``.
    """
    closed = isinstance(way, Circle) or (isinstance(way, Ellipse) and way.whole) or (isinstance(way, Outline) and way.closed)
    each = way.length / (count if closed else max(count - 1, 1))
    base, (ux, uy) = ride or place_along(way, 0.0), way_at(way, 0.0)
    found = [Similarity()]
    for n in range(1, count):
        at, (vx, vy) = place_along(way, each * n), way_at(way, each * n)
        c, s = (1.0, 0.0) if upright else (ux * vx + uy * vy, ux * vy - uy * vx)
        size = hypot(c, s)
        c, s = c / size, s / size
        found.append(Similarity(c, s, at.x - (c * base.x - s * base.y), at.y - (s * base.x + c * base.y)))
    return found


def way_at(way: FiniteCurve, distance: float) -> tuple[float, float]:
    """The unit vector along which a figure runs, so far from its start; at a corner that of the piece that follows."""
    match way:
        case Line():
            return heading(way, False)
        case Circle(_, radius):
            c, s = unit_vector(degrees(distance / radius))
            return -s, c
        case Arc(centre, radius):
            at = place_along(way, distance)
            sense = 1.0 if way.sweep > 0.0 else -1.0
            return -sense * (at.y - centre.y) / radius, sense * (at.x - centre.x) / radius
        case Ellipse():
            return way.heading_at(ellipse_angle(way, distance))
        case Outline(pieces):
            rest = distance
            for piece in pieces[:-1]:
                if rest < piece.length:
                    return way_at(piece, rest)
                rest -= piece.length
            return way_at(pieces[-1], min(rest, pieces[-1].length))
        case _:
            assert_never(way)


def fitting(p: Point, q: Point, to_p: Point, to_q: Point, scaled: bool) -> Similarity:
    """What carries one place onto another, and the direction to a second onto that to a fourth; ``scaled`` that place, too.

    Raises `Refused` (same_places) where two of a pair are one.
    """
    ax, ay, bx, by = q.x - p.x, q.y - p.y, to_q.x - to_p.x, to_q.y - to_p.y
    a, b = hypot(ax, ay), hypot(bx, by)
    if a == 0.0 or b == 0.0:
        raise refusal("same_places")
    factor = b / a if scaled else 1.0
    c, s = (ax * bx + ay * by) / (a * b), (ax * by - ay * bx) / (a * b)
    size = hypot(c, s)
    mx, my = factor * c / size, factor * s / size
    return Similarity(mx, my, to_p.x - (mx * p.x - my * p.y), to_p.y - (my * p.x + mx * p.y), False, factor)
