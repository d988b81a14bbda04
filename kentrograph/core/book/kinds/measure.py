"""Readings."""

from collections.abc import Callable
from math import hypot
from typing import Any, cast

from ...angles import direction_of
from ...figures import Arc, Circle, EndlessLine, Line, Outline, Point
from ...measure.angle import at_corner, between_lines
from ...measure.area import area_centre, area_of, perimeter_of
from ...measure.closest import distance_between, place_of
from ...measure.gap import gap_between
from ...problem import Refused, refuse
from ..places import plan_thing
from ..planner import Env, Plan, Planner
from ..tree import Name, Number, Place, Statement
from ..values import Drawn, Reading

_COUNTS: dict[str, tuple[int, ...]] = {
    "distance": (2,), "direction": (1, 2), "angle": (2, 3), "length": (1,), "radius": (1,), "area": (1,), "gap": (2,),
}  # fmt: skip
"""How many things each kind of reading is of."""


def plan_measure(p: Planner, statement: Statement) -> Plan:
    """A reading that stays live: its value follows what it is measured on."""
    given = statement.givens[0]
    count, allowed = len(given.arguments), _COUNTS[given.word]
    if count < min(allowed):
        more = min(allowed) - count
        raise refuse("needs_given", given.end, given.end, kind=f"measure {given.word}", more=more, could=["a place or a figure"])
    if count not in allowed:
        raise refuse("too_many_givens", given.start, given.end, kind="measure", word="the last one", others=["the others"])
    things = [plan_thing(p, cast(Place | Name, a)) for a in given.arguments]
    holes = [plan_thing(p, cast(Name, a)) for g in statement.givens if g.word == "less" for a in g.arguments]
    if holes and given.word != "area":
        less = next(g for g in statement.givens if g.word == "less")
        raise refuse("too_many_givens", less.start, less.end, kind="measure", word="less", others=[given.word])
    compared = [g for g in statement.givens if g.word in ("wanted", "within")]
    extras = {g.word: _extra(p, given.word, cast(Number, g.arguments[0])) for g in compared}
    read = _READERS[given.word]

    def draw(env: Env, last: Point) -> Drawn:
        found = [t(env, last) for t in things]
        for one in (*found, *(h(env, last) for h in holes)):
            if isinstance(one, float | Reading):
                raise refuse("not_a_figure", given.start, given.end)
        try:
            value, parts, state = read(p, *found, *([[h(env, last) for h in holes]] if given.word == "area" else []))
        except Refused as refused:
            raise Refused(refused.problem.at(given.start, given.end)) from None
        extra = {word: v if isinstance(v, float) else v(env, last) for word, v in extras.items()}
        return Drawn(Reading(given.word, value, parts, extra.get("wanted"), extra.get("within"), state))

    return draw


def _extra(p: Planner, kind: str, number: Number) -> Any:
    # An angle is wanted in degrees and an area in the drawing's unit squared; everything else is a length.
    return p.number(number) if kind in ("angle", "direction", "area") else p.length(number)


Read = tuple[float, dict[str, float], str]


def _distance(p: Planner, a: Any, b: Any) -> Read:
    value = distance_between(a, b)
    if isinstance(a, Point) and isinstance(b, Point):
        dx, dy = _along_datum(p, b.x - a.x, b.y - a.y)
        parts = {"across": dx, "up": dy}
        if value > 0.0:
            parts["direction"] = p.manner.direction_from_core(direction_of(b.x - a.x, b.y - a.y))
        return value, parts, ""
    if isinstance(a, Circle | Arc) and isinstance(b, Circle | Arc):
        return value, {"centres": hypot(b.centre.x - a.centre.x, b.centre.y - a.centre.y)}, ""
    return value, {}, ""


def _along_datum(p: Planner, dx: float, dy: float) -> tuple[float, float]:
    """An offset counted along and across the datum's direction."""
    moved = p.in_drawing(p.manner)
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


def _radius(p: Planner, a: Any) -> Read:
    if not isinstance(a, Circle | Arc):
        raise refuse("no_rim", name="it")
    return a.radius, {"diameter": 2.0 * a.radius, "x": a.centre.x, "y": a.centre.y}, ""


def _area(p: Planner, a: Any, holes: list[Any]) -> Read:
    value = area_of(a) - sum(area_of(h) for h in holes)
    parts = {"perimeter": perimeter_of(a)}
    if not holes and not (isinstance(a, Outline) and value == 0.0):
        centre = area_centre(a)
        parts |= {"x": centre.x, "y": centre.y}
    return value, parts, ""


def _gap(p: Planner, a: Any, b: Any) -> Read:
    gap = gap_between(a, b)
    return gap.number, {}, gap.state


_READERS: dict[str, Callable[..., Read]] = {
    "distance": _distance,
    "direction": _direction,
    "angle": _angle,
    "length": _length,
    "radius": _radius,
    "area": _area,
    "gap": _gap,
}
