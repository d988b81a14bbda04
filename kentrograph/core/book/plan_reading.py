"""Plans of readings: what is measured on figures, whether it is kept as a step or stands in a number."""

from collections.abc import Callable, Sequence
from functools import partial
from typing import Any

from ..angles import direction_of
from ..figures import Ellipse, FigureSet, Outline, Piece, Point
from ..figures.along import heading
from ..problem import refusal
from ..shape.corners import inner_angle
from ..shape.faces import Face
from .crossings import called
from .places import plan_thing
from .planner import Env, Planner, as_function
from .readings import READINGS
from .readings.reading_kind import Read
from .tree import PLACES, CornerOf, Name, Place, PlaceOf, Portion
from .values import Untouchable

ReadPlan = Callable[[Env, Point], Read]


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
            raise refusal("needs_given", kind="measure angle", more=1, could=["another line", "a corner of an outline"])
        return _plan_corner(p, of[0])
    if what == "count":
        if not isinstance(of[0], Name):
            raise refusal("not_a_figure")
        return _plan_count(p, of[0])
    kind = READINGS[what]
    things: list[Callable[[Env, Point], Any]] = []
    placed = False
    for one in (*of, *less):
        thing = p.behind(placed, partial(plan_thing, p, one))
        things.append(plan_face(p, thing) if kind.summed and isinstance(one, PLACES) else thing)
        placed = placed or isinstance(one, PLACES)
    read = kind.read
    if kind.summed:
        spans = [(one.text, one.start, one.end) if isinstance(one, Name) else ("", 0, 0) for one in (*of, *less)]
        read = partial(kind.read, len(of), spans)

    def measure(env: Env, last: Point) -> Read:
        found: list[Any] = []
        for thing in things:
            # As in a figure, a relative place counts from the one before it.
            found.append(thing(env, last))
            if type(found[-1]) is Point:
                last = found[-1]
        if any(isinstance(one, Untouchable) for one in found):
            raise refusal("not_a_figure")
        return read(p, *found)

    return measure


def _plan_corner(p: Planner, corner: CornerOf) -> ReadPlan:
    """The angle inside a corner of an outline, between the ways in which its edge runs there."""
    slot, which = p.slot(corner.name), called(p.number(corner.which))
    place = as_function(p.place(corner))

    def angle(env: Env, last: Point) -> Read:
        outline = env[slot]
        if not isinstance(outline, Outline):
            raise refusal("no_angle")
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


def _direction_at_end(p: Planner, figure: Any, at_start: bool) -> float:
    if isinstance(figure, Outline):
        figure = figure.pieces[0] if at_start else figure.pieces[-1]
    if not isinstance(figure, Piece) or (isinstance(figure, Ellipse) and figure.whole):
        raise refusal("no_tip")
    x, y = heading(figure, at_start)
    return p.manner.direction_from_core(direction_of(-x, -y) if at_start else direction_of(x, y))
