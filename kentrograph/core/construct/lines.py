"""Lines from whatever determines them."""

from math import hypot
from typing import assert_never

from ..angles import unit
from ..figures import Arc, Circle, Curve, Ellipse, EndlessLine, Line, Point, StraightCurve
from ..intersect import intersect_long
from ..intersect.supporting_curves import supporting_curve, way_of
from ..measure.closest import closest
from ..problem import refusal
from ..tolerance import TOLERANCE
from .loci import Locus, from_two_loci
from .solution import Solution

Vector = tuple[float, float]


def vector_of(line: StraightCurve) -> Vector:
    """The unit vector along which a line runs."""
    w = way_of(line)
    return w.ux, w.uy


def endless_through(at: Point, vector: Vector) -> EndlessLine:
    """The endless line through a place along a unit vector."""
    return EndlessLine(at, *vector)


def endless_through_two(a: Point, b: Point) -> EndlessLine:
    """The endless line through two places, running from the first to the second."""
    Line(a, b)
    return EndlessLine(a, *unit(b.x - a.x, b.y - a.y))


def with_length(start: Point, vector: Vector, length: float) -> Line:
    """A line from a place along a unit vector; a negative length runs the other way."""
    return Line(start, Point(start.x + length * vector[0], start.y + length * vector[1]))


def until(start: Point, vector: Vector, end: Curve | Point) -> list[Solution]:
    """Lines from a place along a unit vector until they meet a figure, the first one ahead first, then those behind.

    Until a place, the line ends level with it: at the foot of the perpendicular from there. Figures are taken as long as
    they need to be. Raises `Refused`: same_locus (it runs along the figure), until_apart with the gap.
    """
    way = EndlessLine(start, *vector)
    if isinstance(end, Point):
        along = (end.x - start.x) * vector[0] + (end.y - start.y) * vector[1]
        return [Solution(with_length(start, vector, along))]
    met = intersect_long(way, end)
    if met.how == "coincident":
        raise refusal("same_locus", first="the line", second="the figure it is to run to")
    slack = TOLERANCE.length(_size(end), max(abs(start.x), abs(start.y)))
    spots = [s for s in met.spots if hypot(s.at.x - start.x, s.at.y - start.y) > slack]
    if not spots:
        raise refusal("until_apart", gap=closest(way, end)[0])
    found = [((s.at.x - start.x) * vector[0] + (s.at.y - start.y) * vector[1], s) for s in spots]
    found.sort(key=lambda one: (one[0] < 0.0, abs(one[0])))
    return [Solution(Line(start, s.at), s.sign, PAST_IT if s.past[1] else "") for _, s in found]


PAST_IT = "past the end of what it runs to"
"""The note of a figure that runs until the continuation of another."""


def _size(curve: Curve) -> float:
    """How large a figure is, for what counts as the same place on it."""
    match curve:
        case Circle() | Arc():
            return curve.radius
        case Ellipse():
            return max(curve.a, curve.b)
        case Line() | EndlessLine():
            return way_of(curve).size
        case _:
            assert_never(curve)


def reaching(start: Point, length: float, end: Curve) -> list[Solution]:
    """Lines of a length from a place that end on a figure.

    Raises `Refused`: bad_radius for no length, length_too_short with the least that would do, loci_apart with the gap.
    """
    least = closest(start, end if isinstance(end, Ellipse) else supporting_curve(end))[0]
    circle = Circle(start, length)
    if length < least - TOLERANCE.length(least, max(abs(start.x), abs(start.y))):
        raise refusal("length_too_short", length=length, least=least)
    found = from_two_loci(Locus(circle, "that length"), Locus(end, "the figure it is to end on"))
    return [one._replace(figure=Line(start, one.figure)) for one in found if isinstance(one.figure, Point)]


def beside(line: StraightCurve, off: float) -> EndlessLine:
    """The line parallel to one at a distance: to its left where that is positive, to its right where it is negative."""
    w = way_of(line)
    return EndlessLine(Point(w.x - off * w.uy, w.y + off * w.ux), w.ux, w.uy)


def parallel_at(line: StraightCurve, distance: float) -> list[Solution]:
    """The two lines parallel to one, at a distance: left, then right, as it runs. At distance 0 it is the line itself."""
    if distance == 0.0:
        return [Solution(beside(line, 0.0))]
    sides = (("left", distance), ("right", -distance)) if distance > 0 else (("right", distance), ("left", -distance))
    found = [Solution(beside(line, d), sign) for sign, d in sides]
    return sorted(found, key=lambda s: s.signature != "left")


def bisector_of_places(a: Point, b: Point) -> EndlessLine:
    """The square line through the middle of two places, running to the left of the way from the first to the second.

    Source, published: Euclid, Elements I.10 and I.11.
    """
    Line(a, b)
    ux, uy = unit(b.x - a.x, b.y - a.y)
    return EndlessLine(Point(a.x + (b.x - a.x) / 2, a.y + (b.y - a.y) / 2), -uy, ux)


def bisectors_of_lines(a: StraightCurve, b: StraightCurve) -> list[Solution]:
    """The lines that halve the angles of two: the one met first turning left from the first line, then turning right.

    Of parallel lines, the one midway. Raises `Refused` (same_locus) for lines that lie on each other.
    Source, published: Euclid, Elements I.9.
    """
    met = intersect_long(a, b)
    p, q = way_of(a), way_of(b)
    if met.how == "coincident":
        raise refusal("same_locus", first="the first line", second="the second")
    if not met.spots:
        off = p.off(q.x, q.y)
        return [Solution(EndlessLine(Point(p.x - off / 2 * p.uy, p.y + off / 2 * p.ux), p.ux, p.uy))]
    at = met.spots[0].at
    # The second line's direction taken on the left of the first, then on its right.
    sine = p.ux * q.uy - p.uy * q.ux
    vx, vy = (q.ux, q.uy) if sine > 0.0 else (-q.ux, -q.uy)
    left, right = _halfway(p.ux, p.uy, vx, vy), _halfway(p.ux, p.uy, -vx, -vy)
    return [Solution(EndlessLine(at, *left), "left"), Solution(EndlessLine(at, *right), "right")]


def _halfway(ux: float, uy: float, vx: float, vy: float) -> Vector:
    """The unit vector halfway between two; by the difference where they are nearly opposite, which keeps its digits."""
    if ux * vx + uy * vy >= 0.0:
        return unit(ux + vx, uy + vy)
    dx, dy = unit(vx - ux, vy - uy)
    left = ux * vy - uy * vx > 0.0
    return (dy, -dx) if left else (-dy, dx)


def square_to(line: StraightCurve, at: Point) -> Line:
    """The line from a place square to another, ending at its foot there. Raises `Refused` (on_line) where it has no length."""
    w = way_of(line)
    off = w.off(at.x, at.y)
    if abs(off) <= TOLERANCE.length(w.size, max(abs(at.x), abs(at.y))):
        raise refusal("on_line")
    return Line(at, Point(at.x + off * w.uy, at.y - off * w.ux))


def square_to_circle(circle: Circle, at: Point) -> Line:
    """The line from a place square to a circle, ending where it meets it first."""
    d = hypot(at.x - circle.centre.x, at.y - circle.centre.y)
    if d == 0.0:
        raise refusal("every_direction")
    share = circle.radius / d
    return Line(at, Point(circle.centre.x + (at.x - circle.centre.x) * share, circle.centre.y + (at.y - circle.centre.y) * share))


def square_to_both(a: Circle | StraightCurve, b: Circle | StraightCurve) -> list[Solution]:
    """The lines that begin on one figure, end on another, and are square to both.

    Of two circles they lie on the line of the centres: from the near and then the far side of the first, to the near and
    then the far side of the second. Raises `Refused`: every_direction for concentric circles, no_square for two lines.
    """
    if not isinstance(a, Circle) and not isinstance(b, Circle):
        raise refusal("no_square")
    first, second, ux, uy = _facing(a, b)
    near = [_rim(a, first, ux, uy), _rim(b, second, -ux, -uy)]
    far = [_rim(a, first, -ux, -uy), _rim(b, second, ux, uy)]
    starts = [near[0], *([far[0]] if isinstance(a, Circle) else [])]
    ends = [near[1], *([far[1]] if isinstance(b, Circle) else [])]
    words = iter(("first", "second", "third", "fourth"))
    found: list[Solution] = []
    for start in starts:
        for end in ends:
            word = next(words)
            # Where the two touch there is no line between them on that side.
            if hypot(end.x - start.x, end.y - start.y) > TOLERANCE.length(1.0, max(abs(start.x), abs(start.y))):
                found.append(Solution(Line(start, end), word))
    return found


def _facing(a: Circle | StraightCurve, b: Circle | StraightCurve) -> tuple[Point, Point, float, float]:
    """The centre of each, or its foot from the other's centre, and the unit vector from the first to the second."""
    first = a.centre if isinstance(a, Circle) else _foot(a, b)
    second = b.centre if isinstance(b, Circle) else _foot(b, a)
    if hypot(second.x - first.x, second.y - first.y) > TOLERANCE.length(1.0, max(abs(first.x), abs(first.y))):
        return first, second, *unit(second.x - first.x, second.y - first.y)
    line = a if not isinstance(a, Circle) else b
    if isinstance(line, Circle):
        raise refusal("every_direction")
    w = way_of(line)
    # A centre on the line: square to it, to its left.
    return first, second, -w.uy, w.ux


def _foot(line: StraightCurve, circle: Circle | StraightCurve) -> Point:
    assert isinstance(circle, Circle)
    w, at = way_of(line), circle.centre
    off = w.off(at.x, at.y)
    return Point(at.x + off * w.uy, at.y - off * w.ux)


def _rim(figure: Circle | StraightCurve, at: Point, ux: float, uy: float) -> Point:
    """The place on a circle in a direction from its centre; on a line the foot itself."""
    r = figure.radius if isinstance(figure, Circle) else 0.0
    return Point(at.x + r * ux, at.y + r * uy)
