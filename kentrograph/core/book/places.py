"""Plans of places."""

from collections.abc import Callable
from typing import Any, assert_never, get_args

from ..angles import unit, unit_vector
from ..construct.outlines import sector, segment
from ..figures import Arc, CentredCurve, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Piece, Point, halfway
from ..figures.along import place_along
from ..measure.area import area_centre, box_middle
from ..measure.closest import place_of
from ..problem import refusal
from .crossings import chosen, plan_along, plan_crossings, plan_feet, plan_on_at, plan_past
from .on_paper import OnPaper
from .planner import Env, NumberPlan, PlacePlan, Planner, as_function
from .tree import (
    PLACES,
    Along,
    Coordinates,
    CornerOf,
    CrossingOf,
    FootOf,
    MiddleOf,
    Name,
    NamedPlace,
    OnAt,
    Past,
    Place,
    PlaceOf,
    Polar,
    Portion,
    Relative,
    Toward,
)
from .values import Mark, Reading, Untouchable


def plan_place(p: Planner, node: Place) -> PlacePlan:
    """A plan for a place: a point where it depends on nothing, otherwise a function of ``(env, last)``."""
    match node:
        case Coordinates():
            return _absolute(p, _offset(p, node), turned=True)
        case Polar():
            return _absolute(p, _offset(p, node), turned=False)
        case Relative():
            return _relative(p, node)
        case Toward():
            return _toward(p, node)
        case NamedPlace(name):
            return _named(p, name)
        case PlaceOf(what, name):
            slot = p.slot(name)
            return lambda env, last: special_place(env[slot], what, name)
        case CornerOf():
            return _corner(p, node)
        case MiddleOf(first, second):
            a, b = as_function(plan_place(p, first)), as_function(plan_place(p, second))
            return lambda env, last: halfway(a(env, last), b(env, last))
        case Along():
            return plan_along(p, node)
        case Past():
            return plan_past(p, node)
        case OnAt():
            return plan_on_at(p, node)
        case CrossingOf():
            return chosen(plan_crossings(p, node), node.sides)
        case FootOf():
            return chosen(plan_feet(p, node, p.origin(node.place)), node.sides)


def plan_next(p: Planner, node: Place) -> Callable[[Env, Point], Point]:
    """A plan for a place that follows another in the same statement: relative entries count from that one."""
    return as_function(p.behind(True, lambda: plan_place(p, node)))


def plan_thing(p: Planner, node: "Place | Name | Portion") -> Callable[[Env, Point], Any]:
    """A plan for a figure by its name, for what an arc cuts off, or for a place."""
    if isinstance(node, PLACES):
        return as_function(plan_place(p, node))
    if isinstance(node, Portion):
        arc, name, cut_off = p.slot(node.name), node.name, segment if node.what == "segment" else sector

        def portion(env: Env, last: Point) -> Outline:
            figure = env[arc]
            if not isinstance(figure, Arc | Ellipse) or (isinstance(figure, Ellipse) and figure.whole):
                raise refusal("no_portion", name.start, name.end, name=name.text)
            return cut_off(figure)

        return portion
    slot = p.slot(node)
    return lambda env, last: env[slot]


Offset = tuple[float, float]
OffsetPlan = Offset | Callable[[Env, Point], Offset]


def _offset(p: Planner, node: Coordinates | Polar) -> OffsetPlan:
    """Across and up along the world's axes for polar; along the datum's axes for coordinates."""
    if isinstance(node, Coordinates):
        return _pair(p.length(node.x), p.length(node.y), lambda x, y: (x, y))
    return _pair(p.length(node.distance), p.direction(node.direction), _from_polar)


def offset_of(p: Planner, node: Coordinates | Polar) -> Callable[[Env, Point], Offset]:
    """A plan for an offset along the world's axes: across and up count along the datum's."""
    offset = _offset(p, node)
    turn = p.manner.turned if isinstance(node, Coordinates) else None

    def make(env: Env, last: Point) -> Offset:
        x, y = offset if isinstance(offset, tuple) else offset(env, last)
        return turn(x, y) if turn else (x, y)

    return make


def _from_polar(distance: float, direction: float) -> Offset:
    c, s = unit_vector(direction)
    return (distance * c, distance * s)


def _pair(a: NumberPlan, b: NumberPlan, make: Callable[[float, float], Offset]) -> OffsetPlan:
    if isinstance(a, float):
        if isinstance(b, float):
            return make(a, b)
        return lambda env, last: make(a, b(env, last))
    if isinstance(b, float):
        return lambda env, last: make(a(env, last), b)
    return lambda env, last: make(a(env, last), b(env, last))


def _absolute(p: Planner, offset: OffsetPlan, turned: bool) -> PlacePlan:
    if p.manner.level:
        if isinstance(offset, tuple):
            return Point(*offset)
        return lambda env, last: Point(*offset(env, last))
    datum = p.manner.in_unit(p.unit)

    def make(xy: Offset) -> Point:
        if turned:
            return Point(*datum.to_world(*xy))
        return Point(datum.datum.x + xy[0], datum.datum.y + xy[1])

    if isinstance(offset, tuple):
        return make(offset)
    return lambda env, last: make(offset(env, last))


def _relative(p: Planner, node: Relative) -> PlacePlan:
    offset = _offset(p, node.offset)
    turn: Callable[[float, float], Offset] | None = None
    if isinstance(node.offset, Coordinates) and p.manner.datum.turn != 0.0:
        turn = p.manner.turned
    if isinstance(offset, tuple) and turn is not None:
        offset, turn = turn(*offset), None
    if node.base is None:
        p.needs_last = True
        if isinstance(offset, tuple):
            dx, dy = offset
            return lambda env, last: Point(last.x + dx, last.y + dy)
        return lambda env, last: _shifted(last, offset(env, last), turn)
    base = plan_place(p, node.base)
    if isinstance(base, Point) and isinstance(offset, tuple):
        return _shifted(base, offset, None)
    from_base = as_function(base)
    if isinstance(offset, tuple):
        across, up = offset

        def beside(env: Env, last: Point) -> Point:
            at = from_base(env, last)
            return Point(at.x + across, at.y + up)

        return beside
    return lambda env, last: _shifted(from_base(env, last), offset(env, last), turn)


def _shifted(base: Point, offset: Offset, turn: Callable[[float, float], Offset] | None) -> Point:
    dx, dy = offset if turn is None else turn(*offset)
    return Point(base.x + dx, base.y + dy)


def _toward(p: Planner, node: Toward) -> PlacePlan:
    if node.target is None:
        raise refusal("needs_pointer", node.start, node.end)
    distance, target = p.length(node.distance), as_function(plan_place(p, node.target))
    p.needs_last = True

    def make(env: Env, last: Point) -> Point:
        to = target(env, last)
        dx, dy = to.x - last.x, to.y - last.y
        if dx == 0.0 and dy == 0.0:
            raise refusal("no_direction", node.start, node.end)
        ux, uy = unit(dx, dy)
        far = distance if isinstance(distance, float) else distance(env, last)
        return Point(last.x + far * ux, last.y + far * uy)

    return make


def _named(p: Planner, name: Name) -> PlacePlan:
    slot = p.slot(name)

    def get(env: Env, last: Point) -> Point:
        figure = env[slot]
        if type(figure) is Point:
            return figure
        if type(figure) in _CENTRED:
            centre: Point = figure.centre
            return centre
        raise refusal("not_a_place", name.start, name.end, name=name.text)

    return get


_CENTRED = frozenset(get_args(CentredCurve))
"""Figures that stand for their centre where a place is wanted."""


def _corner(p: Planner, node: CornerOf) -> PlacePlan:
    slot, which = p.slot(node.name), p.number(node.which)

    def get(env: Env, last: Point) -> Point:
        figure = env[slot]
        if not isinstance(figure, Outline):
            raise refusal("no_such_place", node.name.start, node.name.end, name=node.name.text, what="corner")
        found = figure.corners
        number = which if isinstance(which, float) else which(env, last)
        if number != int(number) or not 1 <= number <= len(found):
            raise refusal("no_such_corner", node.start, node.end, name=node.name.text, count=len(found))
        return found[int(number) - 1]

    return get


def special_place(figure: Any, what: str, name: Name) -> Point:
    """Start, end, middle, centre or box middle of a figure. Raises `Refused` (no_such_place) where it has none."""
    if what == "centre" and isinstance(figure, CentredCurve):
        return figure.centre
    if what in ("start", "end") and isinstance(figure, Piece | Outline):
        return figure.start if what == "start" else figure.end
    if what == "middle":
        return _middle_of(figure, name)
    if what == "box middle" and not isinstance(figure, Untouchable | EndlessLine):
        return box_middle(figure)
    raise refusal("no_such_place", name.start, name.end, name=name.text, what=what)


def _middle_of(figure: Figure | Untouchable, name: Name) -> Point:
    """Halfway along what is open; the area centre of what is closed."""
    match figure:
        case Line(start, end):
            return halfway(start, end)
        case Arc():
            return place_along(figure, figure.length / 2.0)
        case Outline():
            return area_centre(figure) if figure.closed else place_along(figure, figure.length / 2.0)
        case Ellipse() if not figure.whole:
            return place_along(figure, figure.length / 2.0)
        case Circle() | Ellipse():
            return place_of(figure)
        case Point() | EndlessLine() | FigureSet() | float() | Reading() | Mark() | OnPaper():
            raise refusal("no_such_place", name.start, name.end, name=name.text, what="middle")
        case _:
            assert_never(figure)
