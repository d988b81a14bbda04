"""Places that are taken from figures by construction: crossings, feet, touching points, places along and past."""

from collections.abc import Callable, Sequence
from math import hypot
from typing import Any, get_args

from ..construct.arcs import on_rim
from ..construct.solution import Solution, take
from ..figures import Arc, Curve, Ellipse, EndlessLine, FiniteCurve, Line, Outline, Point, RoundCurve, StraightCurve
from ..figures.along import heading, place_along
from ..intersect import feet, intersect_long, intersect_outlines, nearest, tangent_places
from ..intersect.intersection import NEITHER, Spot
from ..measure.closest import closest
from ..problem import refusal
from ..tolerance import TOLERANCE
from .planner import Env, NumberPlan, Planner
from .sight_lines import plan_sight
from .tree import Along, CrossingOf, FootOf, Name, OnAt, Past, Sight

Names = tuple[Name | Sight, Name | Sight]
Solutions = Callable[[Env, Point], Sequence[Solution]]
PlaceFunction = Callable[[Env, Point], Point]


def called(plan: NumberPlan) -> Callable[[Env, Point], float]:
    """A number plan that can be called, whether it depends on anything or not."""
    return (lambda env, last: plan) if isinstance(plan, float) else plan


def curve_of(figure: Any, name: Name) -> Curve:
    """The figure, if it is one that runs somewhere. Raises `Refused` (no_curve) for points, numbers and outlines."""
    if isinstance(figure, Curve):
        return figure
    raise refusal("no_curve", name.start, name.end, name=name.text)


# Crossings --------------------------------------------------------------------------------------------


def plan_crossings(p: Planner, node: CrossingOf) -> Solutions:
    """All crossings of two figures, in the documented order: true ones first, then those past an end."""
    names = (node.first, node.second)
    if isinstance(node.first, Name) and isinstance(node.second, Name):
        first, second = p.slot(node.first), p.slot(node.second)

        def find(env: Env, last: Point) -> Sequence[Solution]:
            return between(env[first], env[second])

    else:
        one, other = plan_sight(p, node.first), plan_sight(p, node.second)

        def find(env: Env, last: Point) -> Sequence[Solution]:
            return between(one(env, last), other(env, last))

    def between(a: Any, b: Any) -> Sequence[Solution]:
        if type(a) not in _CURVES or type(b) not in _CURVES:
            if isinstance(a, Outline) or isinstance(b, Outline):
                return _outline_crossings(a, b, node)
            for thing, name in zip((a, b), names, strict=True):
                if isinstance(name, Name):
                    curve_of(thing, name)
        found = intersect_long(a, b)
        if found.how == "coincident":
            raise refusal("same_locus", node.start, node.end, first=names[0].text, second=names[1].text)
        if not found.spots:
            raise _apart(a, b, node)
        return Spots(found.spots, names)

    return find


class Spots(Sequence[Solution]):
    """Where two figures meet as solutions, each made only when it is looked at."""

    __slots__ = ("names", "spots")

    def __init__(self, spots: tuple[Spot, ...], names: Names) -> None:
        self.spots, self.names = spots, names

    def __len__(self) -> int:
        return len(self.spots)

    def __getitem__(self, index: Any) -> Any:
        if isinstance(index, slice):
            return [self[i] for i in range(*index.indices(len(self)))]
        at, sign, past = self.spots[index]
        return Solution(at, sign if len(self.spots) > 1 else "", "" if past is NEITHER else _note(self.names, past))

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Spots) and self.spots == other.spots

    def __hash__(self) -> int:
        return hash(self.spots)


COUNTED = ("first", "second", "third", "fourth")
"""Side words of solutions that only their order tells apart."""

_CURVES = frozenset(get_args(Curve))


def _note(names: Names, past: tuple[bool, bool]) -> str:
    if not (past[0] or past[1]):
        return ""
    return f"past the end of {' and '.join(n.text for n, beyond in zip(names, past, strict=True) if beyond)}"


def _curve(figure: Any, name: Name | Sight) -> Curve:
    return curve_of(figure, name) if isinstance(name, Name) else figure


def _apart(a: Any, b: Any, node: CrossingOf) -> Exception:
    names = {"first": node.first.text, "second": node.second.text}
    if isinstance(a, StraightCurve) and isinstance(b, StraightCurve):
        return refusal("parallel", node.start, node.end, **names)
    return refusal("no_crossing", node.start, node.end, gap=closest(a, b)[0], **names)


def _outline_crossings(a: Any, b: Any, node: CrossingOf) -> list[Solution]:
    """Crossings with an outline as it is drawn, in the order of the first figure's pieces."""
    found = intersect_outlines(
        a if isinstance(a, Outline) else _curve(a, node.first), b if isinstance(b, Outline) else _curve(b, node.second)
    )
    if not found:
        raise _apart(a, b, node)
    return [Solution(at, COUNTED[i] if len(found) > 1 and i < len(COUNTED) else "") for i, at in enumerate(found)]


def plan_feet(p: Planner, node: FootOf, place: PlaceFunction) -> Solutions:
    """Feet of perpendiculars, the nearest place, or touching points of the tangents from a place."""
    slot = p.slot(node.name)

    def find(env: Env, last: Point) -> list[Solution]:
        at, figure = place(env, last), env[slot]
        if node.what == "nearest":
            if isinstance(figure, float):
                raise refusal("no_curve", node.name.start, node.name.end, name=node.name.text)
            return [Solution(nearest(figure, at))]
        curve = curve_of(figure, node.name)
        if node.what == "foot":
            found = feet(curve, at)
            words = ("first", "second")
            return [Solution(f, words[i] if len(found) > 1 and i < 2 else "") for i, f in enumerate(found)]
        return touching_points(curve, at, node)

    return find


def touching_points(curve: Curve, at: Point, node: FootOf) -> list[Solution]:
    """Where the tangents from a place touch a circle. Raises `Refused`: no_tangent for other figures, inside with how far."""
    if not isinstance(curve, RoundCurve):
        raise refusal("no_tangent", node.start, node.end, name=node.name.text)
    found = tangent_places(curve, at)
    if not found:
        gap = curve.radius - hypot(curve.centre.x - at.x, curve.centre.y - at.y)
        raise refusal("inside", node.start, node.end, name=node.name.text, gap=gap)
    return [Solution(s.at, s.sign) for s in found]


def chosen(find: Solutions, sides: tuple[str, ...]) -> PlaceFunction:
    """The one place that the side words mean; the first where nothing is stated."""

    def place(env: Env, last: Point) -> Point:
        found = find(env, last)
        figure = found[take(found, sides)].figure
        assert isinstance(figure, Point)
        return figure

    return place


# Along and past ---------------------------------------------------------------------------------------


def plan_along(p: Planner, node: Along) -> PlaceFunction:
    """A distance, or a part of the length, along a figure. Past its ends it is refused with the length there is."""
    slot = p.slot(node.name)
    amount = called(p.number(node.distance) if node.share else p.length(node.distance))

    def place(env: Env, last: Point) -> Point:
        figure = env[slot]
        if not isinstance(figure, FiniteCurve):
            raise refusal("no_length", node.name.start, node.name.end, name=node.name.text)
        length = figure.length
        distance = amount(env, last) * (length if node.share else 1.0)
        slack = TOLERANCE.length(length)
        if not -slack <= distance <= length + slack:
            raise refusal("past_end", node.start, node.end, name=node.name.text, length=length, distance=distance)
        distance = min(max(distance, 0.0), length)
        return place_along(figure, length - distance if node.from_end else distance)

    return place


def plan_past(p: Planner, node: Past) -> PlaceFunction:
    """A distance past an end, along the continuation of a line or an arc."""
    slot, amount = p.slot(node.name), called(p.length(node.distance))

    def place(env: Env, last: Point) -> Point:
        figure = env[slot]
        if not isinstance(figure, Line | Arc):
            raise refusal("no_end", node.start, node.end, name=node.name.text)
        distance = amount(env, last)
        if node.straight:
            tip = figure.start if node.which == "start" else figure.end
            ux, uy = heading(figure, node.which == "start")
            return Point(tip.x + distance * ux, tip.y + distance * uy)
        return place_along(figure, -distance if node.which == "start" else figure.length + distance)

    return place


def plan_on_at(p: Planner, node: OnAt) -> PlaceFunction:
    """The place on a circle in a direction from its centre; on an ellipse, where that ray from the centre meets it."""
    slot, way = p.slot(node.name), called(p.direction(node.direction))

    def place(env: Env, last: Point) -> Point:
        figure, direction = env[slot], way(env, last)
        if isinstance(figure, RoundCurve):
            return on_rim(figure.centre, figure.radius, direction)
        if isinstance(figure, Ellipse):
            rim = on_rim(figure.centre, 1.0, direction)
            ray = EndlessLine(figure.centre, rim.x - figure.centre.x, rim.y - figure.centre.y)
            return intersect_long(ray, Ellipse(figure.centre, figure.a, figure.b, figure.turn)).spots[-1].at
        raise refusal("no_rim", node.name.start, node.name.end, name=node.name.text)

    return place
