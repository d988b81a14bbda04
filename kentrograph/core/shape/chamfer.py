"""Lines that cut off the corner where two figures cross."""

from collections.abc import Sequence
from math import degrees
from typing import NamedTuple

from ..angles import unit_vector
from ..construct.solution import Contact, Solution
from ..figures import Circle, Curve, Ellipse, EndlessLine, Line, Point, StraightCurve
from ..figures.along import ellipse_angle
from ..intersect import intersect_long
from ..intersect.supporting_curves import supporting_curve, way_of
from ..intersect.within import within
from ..measure.angle import running_at
from ..problem import refusal
from ..tolerance import TOLERANCE

Side = Curve


def chamfers(first: Side, second: Side, first_by: float, second_by: float | None, angle: float | None) -> list[Solution]:
    """The lines between a place so far from a crossing on the first figure and one so far from it on the second, along each.

    With an ``angle`` (degrees) the line leaves the first figure at it, and ends where it meets the second. Those between places
    that are drawn come first. Each is told apart by the side of each figure on which it lies. Raises `Refused`: bad_length,
    bad_angle, no_corner_there where the two do not cross.
    """
    for length in (first_by, second_by):
        if length is not None and not length > 0.0:
            raise refusal("bad_length", value=length)
    if angle is not None and not 0.0 < angle < 180.0:
        raise refusal("bad_angle", value=angle)
    met = intersect_long(first, second)
    if met.how != "crossing":
        raise refusal("no_corner_there")
    found: list[tuple[bool, Solution]] = []
    for spot in met.spots:
        for ahead in (True, False):
            start = _walked(first, spot.at, first_by, ahead)
            if start is None:
                continue
            if angle is None:
                ends = [_walked(second, spot.at, second_by or 0.0, forward) for forward in (True, False)]
            else:
                ends = [_met_at_angle(first, ahead, second, spot.at, start, turn) for turn in (angle, -angle)]
            for end in ends:
                if end is None or TOLERANCE.same_place(start.at.x, start.at.y, end.at.x, end.at.y):
                    continue
                sides = (_side(first, end.at), _side(second, start.at), spot.sign)
                contacts = [
                    Contact(one.at, 0.0, not within(figure, one.at), one.onward)
                    for figure, one in ((first, start), (second, end))
                ]
                drawn = not any(contact.past for contact in contacts)
                said = " ".join(word for word in sides if word)
                line = Line(start.at, end.at)
                found.append((drawn, Solution(line, said, "" if drawn else "past an end", sides, contacts)))
    if not found:
        raise refusal("does_not_fit")
    found.sort(key=lambda one: not one[0])
    return _apart([one for _, one in found])


class _Walked(NamedTuple):
    """A place that was come to along a figure from a corner of it, and the unit vector along which it goes on."""

    at: Point
    onward: tuple[float, float]


def _apart(solutions: Sequence[Solution]) -> list[Solution]:
    """Solutions that no side tells apart are told apart by their order."""
    if len(solutions) == 1:
        return [solutions[0]._replace(signature="")]
    made: list[Solution] = []
    for one in solutions:
        alike = [other for other in solutions if other.signature == one.signature]
        word = ("first", "second", "third", "fourth")[min(alike.index(one), 3)] if len(alike) > 1 else ""
        sides = (*one.sides[:-1], f"{one.sides[-1]} {word}".strip())
        made.append(one._replace(signature=f"{one.signature} {word}".strip(), sides=sides))
    return made


def _walked(figure: Side, corner: Point, length: float, ahead: bool) -> _Walked | None:
    """So far along the whole of a figure from a place on it; None where that comes round to it."""
    sense = 1.0 if ahead else -1.0
    match supporting_curve(figure):
        case EndlessLine():
            w = way_of(figure)  # type: ignore[arg-type]
            at = Point(corner.x + sense * length * w.ux, corner.y + sense * length * w.uy)
        case Circle(centre, radius) as circle:
            if length >= circle.length:
                return None
            c, s = unit_vector(degrees(sense * length / radius))
            dx, dy = corner.x - centre.x, corner.y - centre.y
            at = Point(centre.x + c * dx - s * dy, centre.y + s * dx + c * dy)
        case Ellipse() as whole:
            if length >= whole.length:
                return None
            begin = degrees(whole.angle_at(corner.x, corner.y))
            stop = ellipse_angle(Ellipse(whole.centre, whole.a, whole.b, whole.turn, sense * begin, 360.0), length)
            at = whole.at_degrees(sense * stop)
        case _:
            raise refusal("no_corner_there")
    return _Walked(at, _run(figure, at, ahead))


def _run(figure: Side, at: Point, ahead: bool) -> tuple[float, float]:
    """The unit vector along which the whole of a figure runs at a place on it, or against it; what is round runs
    counter-clockwise."""
    ux, uy = running_at(supporting_curve(figure), at)
    return (ux, uy) if ahead else (-ux, -uy)


def _met_at_angle(first: Side, ahead: bool, second: Side, corner: Point, start: _Walked, angle: float) -> _Walked | None:
    """Where a line that leaves the first figure at an angle, turned from the way back to the corner, meets the second.

    Of the two ways in which the second leads away from the corner that one is meant which leaves the first on the side to which
    the line is turned: with the first walked away from the corner, that is to its right where the angle turns left.
    """
    c, s = unit_vector(angle)
    ux, uy = -start.onward[0], -start.onward[1]
    ray = EndlessLine(start.at, ux * c - uy * s, ux * s + uy * c)
    # The first that is drawn; past its ends only where none is.
    ends = [
        (not within(second, spot.at), along, spot.at)
        for spot in intersect_long(ray, second).spots
        if (along := (spot.at.x - start.at.x) * ray.ux + (spot.at.y - start.at.y) * ray.uy) > 0.0
    ]
    if not ends:
        return None
    end = min(ends, key=lambda one: one[:2])[2]
    if isinstance(second, StraightCurve):
        vx, vy = _run(second, end, True)
        forward = (end.x - corner.x) * vx + (end.y - corner.y) * vy > 0.0
    else:
        ux, uy = _run(first, corner, ahead)
        vx, vy = _run(second, corner, True)
        forward = (ux * vy - uy * vx > 0.0) == (angle < 0.0)
    return _Walked(end, _run(second, end, forward))


def _side(figure: Side, at: Point) -> str:
    """On which side of a figure a place lies: left or right of a line, inside or outside of what is round."""
    if isinstance(figure, StraightCurve):
        return "left" if way_of(figure).off(at.x, at.y) > 0.0 else "right"
    if isinstance(figure, Ellipse):
        u, v = figure.to_own(at.x, at.y)
        return "inside" if (u / figure.a) ** 2 + (v / figure.b) ** 2 < 1.0 else "outside"
    dx, dy = at.x - figure.centre.x, at.y - figure.centre.y
    return "inside" if dx * dx + dy * dy < figure.radius**2 else "outside"
