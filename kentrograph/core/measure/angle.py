"""Angles between directions."""

from math import atan2, degrees

from ..figures import EndlessLine, Line, Point
from ..meet.carriers import way_of
from ..problem import refuse
from ..tolerance import TOLERANCE


def turn_between(ax: float, ay: float, bx: float, by: float) -> float:
    """Degrees from one direction to another, -180 < t <= 180, positive counter-clockwise."""
    turn = degrees(atan2(ax * by - ay * bx, ax * bx + ay * by))
    return 180.0 if turn == -180.0 else turn


def between_lines(a: Line | EndlessLine, b: Line | EndlessLine) -> float:
    """Degrees from the direction of one line, as it runs, to that of another."""
    p, q = way_of(a), way_of(b)
    return turn_between(p.ux, p.uy, q.ux, q.uy)


def at_corner(a: Point, corner: Point, b: Point) -> float:
    """Degrees at the middle one of three places, from the first to the last. Raises `Refused` (same_places)."""
    for other in (a, b):
        if TOLERANCE.same_place(other.x, other.y, corner.x, corner.y):
            raise refuse("same_places")
    return turn_between(a.x - corner.x, a.y - corner.y, b.x - corner.x, b.y - corner.y)
