"""Lines that cut off the corner where two figures cross."""

from collections.abc import Sequence
from math import degrees

from ..angles import unit_vector
from ..construct.solution import Contact, Solution
from ..figures import Arc, Circle, Ellipse, EndlessLine, Line, Point
from ..figures.along import ellipse_angle
from ..meet import meet_long
from ..meet.carriers import carrier, way_of
from ..meet.within import within
from ..problem import refuse
from ..tolerance import TOLERANCE

Side = Line | EndlessLine | Circle | Arc | Ellipse


def chamfers(first: Side, second: Side, first_by: float, second_by: float | None, angle: float | None) -> list[Solution]:
    """The lines between a place so far from a crossing on the first figure and one so far from it on the second, along each.

    With an ``angle`` (degrees) the line leaves the first figure at it, and ends where it meets the second. Those between places
    that are drawn come first. Each is told by the side of each figure on which it lies. Raises `Refused`: bad_length,
    bad_angle, no_corner_there where the two do not cross.
    """
    for length in (first_by, second_by):
        if length is not None and not length > 0.0:
            raise refuse("bad_length", value=length)
    if angle is not None and not 0.0 < angle < 180.0:
        raise refuse("bad_angle", value=angle)
    met = meet_long(first, second)
    if met.how != "crossing":
        raise refuse("no_corner_there")
    found: list[tuple[bool, Solution]] = []
    for spot in met.spots:
        for ahead in (True, False):
            start = _walked(first, spot.at, first_by, ahead)
            if start is None:
                continue
            if angle is None:
                ends = [_walked(second, spot.at, second_by or 0.0, forward) for forward in (True, False)]
            else:
                ends = [_met_at_angle(first, second, spot.at, start, turn) for turn in (angle, -angle)]
            for end in ends:
                if end is None or TOLERANCE.same_place(start.x, start.y, end.x, end.y):
                    continue
                sides = (_side(first, end), _side(second, start), spot.sign)
                drawn = within(first, start) and within(second, end)
                contacts = [Contact(start, 0.0, not within(first, start)), Contact(end, 0.0, not within(second, end))]
                said = " ".join(word for word in sides if word)
                found.append((drawn, Solution(Line(start, end), said, "" if drawn else "past an end", sides, contacts)))
    if not found:
        raise refuse("does_not_fit")
    found.sort(key=lambda one: not one[0])
    return _apart([one for _, one in found])


def _apart(solutions: Sequence[Solution]) -> list[Solution]:
    """Solutions that no side tells apart are told by their order."""
    if len(solutions) == 1:
        return [solutions[0]._replace(signature="")]
    made: list[Solution] = []
    for one in solutions:
        alike = [other for other in solutions if other.signature == one.signature]
        word = ("first", "second", "third", "fourth")[min(alike.index(one), 3)] if len(alike) > 1 else ""
        sides = (*one.sides[:-1], f"{one.sides[-1]} {word}".strip())
        made.append(one._replace(signature=f"{one.signature} {word}".strip(), sides=sides))
    return made


def _walked(figure: Side, at: Point, length: float, ahead: bool) -> Point | None:
    """The place so far along the whole of a figure from a place on it; None where that comes round to it."""
    sense = 1.0 if ahead else -1.0
    match carrier(figure):
        case EndlessLine():
            w = way_of(figure)  # type: ignore[arg-type]
            return Point(at.x + sense * length * w.ux, at.y + sense * length * w.uy)
        case Circle(centre, radius) as circle:
            if length >= circle.length:
                return None
            from_centre = degrees(sense * length / radius)
            c, s = unit_vector(from_centre)
            dx, dy = at.x - centre.x, at.y - centre.y
            return Point(centre.x + c * dx - s * dy, centre.y + s * dx + c * dy)
        case Ellipse() as whole:
            if length >= whole.length:
                return None
            begin = degrees(whole.angle_at(at.x, at.y))
            stop = ellipse_angle(Ellipse(whole.centre, whole.a, whole.b, whole.turn, sense * begin, 360.0), length)
            return whole.at_degrees(sense * stop)
        case _:
            raise refuse("no_corner_there")


def _met_at_angle(first: Side, second: Side, corner: Point, start: Point, angle: float) -> Point | None:
    """Where a line that leaves the first figure at an angle, turned from the way away from the corner, meets the second."""
    ux, uy = _toward(first, start, corner)
    c, s = unit_vector(angle)
    ray = EndlessLine(start, ux * c - uy * s, ux * s + uy * c)
    ahead = [
        (along, spot.at)
        for spot in meet_long(ray, second).spots
        if (along := (spot.at.x - start.x) * ray.ux + (spot.at.y - start.y) * ray.uy) > 0.0
    ]
    return min(ahead, key=lambda one: one[0])[1] if ahead else None


def _toward(figure: Side, at: Point, corner: Point) -> tuple[float, float]:
    """The unit vector along which a figure leads from a place on it back to its corner."""
    whole = carrier(figure)
    if isinstance(whole, EndlessLine):
        ux, uy = whole.ux, whole.uy
    elif isinstance(whole, Circle):
        ux, uy = -(at.y - whole.centre.y) / whole.radius, (at.x - whole.centre.x) / whole.radius
    else:
        ux, uy = whole.heading_at(degrees(whole.angle_at(at.x, at.y)))
    sense = 1.0 if (corner.x - at.x) * ux + (corner.y - at.y) * uy > 0.0 else -1.0
    return sense * ux, sense * uy


def _side(figure: Side, at: Point) -> str:
    """On which side of a figure a place lies: left or right of a line, inside or outside of what is round."""
    if isinstance(figure, Line | EndlessLine):
        return "left" if way_of(figure).off(at.x, at.y) > 0.0 else "right"
    if isinstance(figure, Ellipse):
        u, v = figure.to_own(at.x, at.y)
        return "inside" if (u / figure.a) ** 2 + (v / figure.b) ** 2 < 1.0 else "outside"
    dx, dy = at.x - figure.centre.x, at.y - figure.centre.y
    return "inside" if dx * dx + dy * dy < figure.radius**2 else "outside"
