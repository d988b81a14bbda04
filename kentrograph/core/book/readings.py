"""What is measured on figures: one function for each kind of reading, whether it is kept as a step or stands in a number.

Lengths are in the drawing's unit, directions as the planner's manner counts them, angles in degrees.
"""

from collections.abc import Callable, Sequence
from functools import partial
from math import fsum, hypot
from typing import Any

from ..angles import direction_of
from ..figures import Arc, Circle, Ellipse, EndlessLine, FigureSet, Line, Outline, Point
from ..figures.along import heading
from ..figures.box import box_of, empty_box
from ..figures.figure_set import members_of
from ..figures.similarity import carried, rotation
from ..measure.angle import at_corner, between_lines
from ..measure.area import area_of, balance, perimeter_of
from ..measure.closest import distance_between, place_of
from ..measure.gap import gap_between
from ..measure.moments import moments_of
from ..measure.traverse import inner_angles, legs_of, misclosure
from ..meet.nearest import feet
from ..meet.within import within
from ..problem import Refused, refuse
from ..shape.corners import inner_angle
from ..shape.faces import Face
from ..shape.within import lies_within, overlap
from ..tolerance import TOLERANCE
from .crossings import called
from .places import plan_thing
from .planner import Env, Planner, as_function
from .tree import PLACES, CornerOf, Name, Place, PlaceOf, Portion
from .values import Untouchable

Read = tuple[float, dict[str, float], str]
"""The value, the further numbers that belong to it, and the state of a gap."""

ReadPlan = Callable[[Env, Point], Read]

_ANY = tuple(range(1, 1001))
COUNTS: dict[str, tuple[int, ...]] = {
    "distance": (2,), "direction": (1, 2), "angle": (1, 2, 3), "length": (1,), "radius": (1,), "area": _ANY, "gap": (2,),
    "across": (2,), "up": (2,), "diameter": (1,), "moments": _ANY, "box": _ANY, "count": (1,), "closing": (1,),
}  # fmt: skip
"""How many things each kind of reading is of."""


def plan_reading(
    p: Planner, what: str, of: Sequence[Place | Name | Portion], less: Sequence[Place | Name | Portion] = ()
) -> ReadPlan:
    """A plan for a reading: what it is of, and for an area what is taken away.

    Of one end of a figure, a direction is the one in which the figure runs there.
    """
    if what == "direction" and len(of) == 1 and isinstance(of[0], PlaceOf) and of[0].what in ("start", "end"):
        tip, at_start = p.slot(of[0].name), of[0].what == "start"
        return lambda env, last: (_direction_at_end(p, env[tip], at_start), {}, "")
    if what == "angle" and len(of) == 1:
        if not isinstance(of[0], CornerOf):
            raise refuse("needs_given", kind="measure angle", more=1, could=["another line", "a corner of an outline"])
        return _plan_corner(p, of[0])
    if what == "count":
        if not isinstance(of[0], Name):
            raise refuse("not_a_figure")
        return _plan_count(p, of[0])
    things: list[Callable[[Env, Point], Any]] = []
    placed = False
    for one in (*of, *less):
        thing = p.behind(placed, partial(plan_thing, p, one))
        things.append(plan_face(p, thing) if what in ("area", "moments") and isinstance(one, PLACES) else thing)
        placed = placed or isinstance(one, PLACES)
    if what in _SUMMED:
        spans = [(one.text, one.start, one.end) if isinstance(one, Name) else ("", 0, 0) for one in (*of, *less)]
        read: Callable[..., Read] = partial(_SUMMED[what], len(of), spans)
    else:
        read = READERS[what]

    def measure(env: Env, last: Point) -> Read:
        found: list[Any] = []
        for thing in things:
            # As in a figure, a relative place counts from the one before it.
            found.append(thing(env, last))
            if type(found[-1]) is Point:
                last = found[-1]
        if any(isinstance(one, Untouchable) for one in found):
            raise refuse("not_a_figure")
        return read(p, *found)

    return measure


def _plan_corner(p: Planner, corner: CornerOf) -> ReadPlan:
    """The angle inside a corner of an outline, between the ways in which its edge runs there."""
    slot, which = p.slot(corner.name), called(p.number(corner.which))
    place = as_function(p.place(corner))

    def angle(env: Env, last: Point) -> Read:
        outline = env[slot]
        if not isinstance(outline, Outline):
            raise refuse("no_angle")
        # Whether there is such a corner is for the place to say.
        place(env, last)
        value = inner_angle(outline, round(which(env, last)) - 1)
        return value, {"turn": 180.0 - value}, ""

    return angle


def _plan_count(p: Planner, name: Name) -> ReadPlan:
    """How many figures of the drawing before it are like a figure: of one kind and size; of a set how many it has."""
    slot, scene = p.slot(name), p.drawing()

    def count(env: Env, last: Point) -> Read:
        figure = env[slot]
        if isinstance(figure, FigureSet):
            return float(len(figure.members)), {}, ""
        return float(env[scene].count_like(figure)), {}, ""

    return count


def plan_face(p: Planner, place: Callable[[Env, Point], Any]) -> Callable[[Env, Point], Face]:
    """The face of the drawing around a place: along ink or, where ink closes nothing in there, along all that is seen."""
    scene = p.drawing()

    def face(env: Env, last: Point) -> Face:
        return env[scene].face_around(place(env, last))  # type: ignore[no-any-return]

    return face


def _distance(p: Planner, a: Any, b: Any) -> Read:
    value = distance_between(a, b)
    if isinstance(a, Point) and isinstance(b, Point):
        dx, dy = _along_datum(p, b.x - a.x, b.y - a.y)
        parts = {"across": dx, "up": dy}
        if value > 0.0:
            parts["direction"] = p.manner.direction_from_core(direction_of(b.x - a.x, b.y - a.y))
        return value, parts, ""
    if isinstance(a, Line) and isinstance(b, Point):
        a, b = b, a
    if isinstance(a, Point) and isinstance(b, Line):
        # Beside the line it is the square distance anyway; past its end it is not, and both are said.
        foot = feet(b, a)[0]
        return value, {} if within(b, foot) else {"square": hypot(foot.x - a.x, foot.y - a.y)}, ""
    if isinstance(a, Circle | Arc) and isinstance(b, Circle | Arc):
        return value, {"centres": hypot(b.centre.x - a.centre.x, b.centre.y - a.centre.y)}, ""
    return value, {}, ""


def _along_datum(p: Planner, dx: float, dy: float) -> tuple[float, float]:
    """An offset counted along and across the datum's direction."""
    moved = p.manner.in_unit(p.unit)
    origin = moved.from_world(Point(0.0, 0.0))
    to = moved.from_world(Point(dx, dy))
    return (dx, dy) if moved.datum.turn == 0.0 else (to[0] - origin[0], to[1] - origin[1])


def _direction(p: Planner, a: Any, b: Any = None) -> Read:
    if b is None:
        if not isinstance(a, Line | EndlessLine):
            raise refuse("no_line", word="direction")
        return p.manner.direction_from_core(a.direction), {}, ""
    start, end = place_of(a), place_of(b)
    if (start.x, start.y) == (end.x, end.y):
        raise refuse("same_places")
    return p.manner.direction_from_core(direction_of(end.x - start.x, end.y - start.y)), {}, ""


def _direction_at_end(p: Planner, figure: Any, at_start: bool) -> float:
    if isinstance(figure, Outline):
        figure = figure.pieces[0] if at_start else figure.pieces[-1]
    if not isinstance(figure, Line | Arc | Ellipse) or (isinstance(figure, Ellipse) and figure.whole):
        raise refuse("no_tip")
    x, y = heading(figure, at_start)
    return p.manner.direction_from_core(direction_of(-x, -y) if at_start else direction_of(x, y))


def _angle(p: Planner, a: Any, b: Any, c: Any = None) -> Read:
    if c is not None:
        turn = at_corner(place_of(a), place_of(b), place_of(c))
    elif isinstance(a, Line | EndlessLine) and isinstance(b, Line | EndlessLine):
        turn = between_lines(a, b)
    else:
        raise refuse("no_angle")
    value = abs(turn)
    return value, {"turn": turn, "acute": min(value, 180.0 - value)}, ""


def _length(p: Planner, a: Any) -> Read:
    length = getattr(a, "length", None)
    if length is None:
        raise refuse("no_length", name="it")
    return float(length), {}, ""


def _across(p: Planner, a: Any, b: Any) -> Read:
    return _beside(p, a, b)[0], {}, ""


def _up(p: Planner, a: Any, b: Any) -> Read:
    return _beside(p, a, b)[1], {}, ""


def _beside(p: Planner, a: Any, b: Any) -> tuple[float, float]:
    """How far across and up one place lies from another, along the datum's direction."""
    start, end = place_of(a), place_of(b)
    return _along_datum(p, end.x - start.x, end.y - start.y)


def _diameter(p: Planner, a: Any) -> Read:
    value, parts, _ = _radius(p, a)
    return 2.0 * value, {"radius": value, "x": parts["x"], "y": parts["y"]}, ""


_Span = tuple[str, int, int]
"""A name and where it stands; an empty one for a place."""


def _signed(count: int, spans: Sequence[_Span], things: Sequence[Any]) -> list[tuple[float, Any]]:
    """What areas are made of: the first things, less the others, with 1 or -1; what lies free within a face is no part of it.

    Raises `Refused`: hole_outside and holes_overlap, with the name, for what cannot be taken off.
    """
    parts = [part for thing in things[:count] for part in _of_face(thing, 1.0)]
    if len(things) == count:
        return parts
    whole = [figure for sign, figure in parts if sign > 0.0 and area_of(figure) > 0.0]
    off = [figure for sign, figure in parts if sign < 0.0]
    for thing, (name, start, end) in zip(things[count:], spans[count:], strict=True):
        taken = _of_face(thing, -1.0)
        for sign, figure in taken:
            # What encloses nothing says so first.
            area_of(figure)
            if sign > 0.0:
                continue
            if not lies_within(figure, whole):
                raise Refused(refuse("hole_outside", name=name).problem.at(start, end))
            if any(overlap(figure, other) for other in off):
                raise Refused(refuse("holes_overlap", name=name).problem.at(start, end))
            off.append(figure)
        parts += taken
    return parts


def _of_face(thing: Any, sign: float) -> list[tuple[float, Any]]:
    """A figure, the members of a set, or a face: what lies around it, and with the other sign what lies free within."""
    if isinstance(thing, Face):
        return [(sign, thing.edge), *((-sign, hole) for hole in thing.holes)]
    return [(sign, one) for one in members_of(thing)]


def _moments(count: int, spans: Sequence[_Span], p: Planner, *things: Any) -> Read:
    """About the axis across through the area's centre; counted along the datum."""
    level = p.manner.datum.turn
    found = moments_of(_signed(count, spans, things)).turned(level)
    greatest, smallest, axis = found.principal
    centre = Point(*p.manner.in_unit(p.unit).from_world(found.centre))
    parts = {
        "upright": found.xx, "mixed": found.xy, "greatest": greatest, "smallest": smallest, "axis": axis,
        "area": found.area, "x": centre.x, "y": centre.y,
    }  # fmt: skip
    return found.yy, parts, ""


def _box(p: Planner, *things: Any) -> Read:
    """The box around all of them, along the datum."""
    level = p.manner.datum.turn
    about = Point(0.0, 0.0)
    x0, y0, x1, y1 = empty_box()
    for thing in things:
        if isinstance(thing, EndlessLine):
            raise refuse("no_length", name="it")
        a, b, c, d = box_of(carried(thing, rotation(about, -level)) if level else thing)
        x0, y0, x1, y1 = min(x0, a), min(y0, b), max(x1, c), max(y1, d)
    return x1 - x0, {"height": y1 - y0}, ""


def _radius(p: Planner, a: Any) -> Read:
    if not isinstance(a, Circle | Arc):
        raise refuse("no_rim", name="it")
    sweep = {"sweep": a.sweep} if isinstance(a, Arc) else {}
    return a.radius, {"diameter": 2.0 * a.radius, **sweep, "x": a.centre.x, "y": a.centre.y}, ""


def _area(count: int, spans: Sequence[_Span], p: Planner, *things: Any) -> Read:
    """Several areas together, less what is taken away from them; the perimeter is that of what lies around."""
    signed = _signed(count, spans, things)
    parts = {"perimeter": fsum(perimeter_of(one) for sign, one in signed if sign > 0.0)}
    centre = balance(things[0]) if len(signed) == 1 and not isinstance(things[0], Face) else None
    if centre is not None:
        parts |= {"x": centre.x, "y": centre.y}
    return fsum(sign * area_of(one) for sign, one in signed), parts, ""


def _closing(p: Planner, a: Any) -> Read:
    """By how much a traverse misses its beginning; for each unit of that, how long it is; and the sum of its inner angles."""
    legs = legs_of(a)
    dx, dy = misclosure(a)
    across, up = _along_datum(p, dx, dy)
    off = hypot(dx, dy)
    parts = {"across": across, "up": up}
    if off > TOLERANCE.closing(a.length, max(abs(a.start.x), abs(a.start.y)), len(legs)):
        parts |= {"direction": p.manner.direction_from_core(direction_of(dx, dy)), "ratio": a.length / off}
    parts["angles"] = fsum(inner_angles(legs))
    return off, parts, ""


def _gap(p: Planner, a: Any, b: Any) -> Read:
    gap = gap_between(a, b)
    return gap.number, {}, gap.state


READERS: dict[str, Callable[..., Read]] = {
    "distance": _distance,
    "direction": _direction,
    "angle": _angle,
    "length": _length,
    "radius": _radius,
    "gap": _gap,
    "across": _across,
    "up": _up,
    "diameter": _diameter,
    "box": _box,
    "closing": _closing,
}
_SUMMED: dict[str, Callable[..., Read]] = {"area": _area, "moments": _moments}
"""Readings of several things less others: they are told how many are no holes, and where the name of each stands."""
area_of_one = partial(_area, 1, ())
"""The area of one closed figure, or of a face."""
