"""Arcs between touching places, and arcs that go on from an end until they touch something."""

from math import atan2, degrees, hypot

from ..figures import Arc, Circle, EndlessLine, Line, Point
from ..problem import refusal
from ..tolerance import TOLERANCE
from .at_place import Element, at_place_touching
from .three import Raw
from .touched import Touched


def between(circle: Circle, start: Point, end: Point, major: bool = False) -> Arc:
    """The shorter arc of a circle from one place on it to another; the longer with ``major``. Half a turn runs counter-clockwise.

    Raises `Refused` (same_places) where both are one.
    """
    c = circle.centre
    if TOLERANCE.same_place(start.x, start.y, end.x, end.y):
        raise refusal("same_places")
    ax, ay, bx, by = start.x - c.x, start.y - c.y, end.x - c.x, end.y - c.y
    turn = degrees(atan2(ax * by - ay * bx, ax * bx + ay * by))
    if turn == -180.0:
        turn = 180.0
    if major:
        turn = turn - 360.0 if turn > 0.0 else turn + 360.0
    return Arc(c, circle.radius, start, end, turn)


def by_way_of(circle: Circle, start: Point, via: Point, end: Point) -> Arc:
    """The arc of a circle from one place on it to another by way of a third."""
    cross = (via.x - start.x) * (end.y - via.y) - (via.y - start.y) * (end.x - via.x)
    short = between(circle, start, end)
    return short if (short.sweep > 0.0) == (cross > 0.0) else between(circle, start, end, True)


def leaving_until(start: Point, vector: tuple[float, float], other: Touched) -> list[Raw]:
    """The circles that leave a place along a unit vector and touch a given; the code of the first says left or right."""
    return at_place_touching(Element(Touched(EndlessLine(start, *vector)), start), other)


def leaving_arc(start: Point, vector: tuple[float, float], circle: Circle, end: Point) -> Arc:
    """The arc of a circle that leaves a place along a vector and ends at another place on it."""
    c = circle.centre
    left = vector[0] * (c.y - start.y) - vector[1] * (c.x - start.x) > 0.0
    arc = between(circle, start, end)
    return arc if (arc.sweep > 0.0) == left else between(circle, start, end, True)


def leading_to(figure: Line | Arc, at: Point, vector: tuple[float, float]) -> Line | Arc:
    """The piece of a line or an arc that arrives at a place on it, running along a vector there.

    Where the place lies short of the end that the piece begins at, as the figure runs, the piece is made as long as it needs
    to be. Raises `Refused` (past_its_end) where the place lies at that end or past it: of an arc, nearer to it than to the other.

    >>> leading_to(Line(Point(2.0, 0.0), Point(9.0, 0.0)), Point(1.0, 0.0), (-1.0, 0.0))
    Line(start=Point(x=9.0, y=0.0), end=Point(x=1.0, y=0.0))
    """
    if isinstance(figure, Line):
        behind = max((figure.start, figure.end), key=lambda p: (at.x - p.x) * vector[0] + (at.y - p.y) * vector[1])
        led = (at.x - behind.x) * vector[0] + (at.y - behind.y) * vector[1]
        if led <= 0.0 or TOLERANCE.same_place(behind.x, behind.y, at.x, at.y):
            raise refusal("past_its_end")
        return Line(behind, at)
    c = figure.centre
    # On a circle, running along the vector is counter-clockwise where the centre lies to its left.
    ahead = vector[0] * (c.y - at.y) - vector[1] * (c.x - at.x) > 0.0
    begin, other = (figure.start, figure.end) if ahead == (figure.sweep > 0.0) else (figure.end, figure.start)
    ax, ay, bx, by = begin.x - c.x, begin.y - c.y, at.x - c.x, at.y - c.y
    turn = degrees(atan2(ax * by - ay * bx, ax * bx + ay * by))
    if ahead and turn < 0.0:
        turn += 360.0
    elif not ahead and turn > 0.0:
        turn -= 360.0
    beyond = hypot(at.x - begin.x, at.y - begin.y) < hypot(at.x - other.x, at.y - other.y)
    if TOLERANCE.same_place(begin.x, begin.y, at.x, at.y) or (beyond and abs(turn) > abs(figure.sweep)):
        raise refusal("past_its_end")
    return Arc(c, figure.radius, begin, at, turn)
