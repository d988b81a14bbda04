"""The shortest distance between any two things, and where it is measured.

Method: where the two meet it is 0; otherwise it lies at an end of one of them or on a line that is square to both, and
all of those are tried. Source: common practice. Ellipses have no closed form: their local minima are searched.
"""

from math import hypot, radians
from typing import Any

from ..figures import Arc, Circle, Curve, Ellipse, EndlessLine, Line, Outline, Point
from ..meet import meet, nearest
from ..meet.carriers import way_of
from ..meet.within import within
from ..problem import refuse

Pair = tuple[float, Point, Point]
_SAMPLES = 128
_NARROWINGS = 60


def place_of(thing: Any) -> Point:
    """The place that a thing stands for: a point itself, a round figure by its centre. Raises `Refused` (not_a_place)."""
    if isinstance(thing, Point):
        return thing
    if isinstance(thing, Circle | Arc | Ellipse):
        return thing.centre
    raise refuse("not_a_place")


def distance_between(first: Any, second: Any) -> float:
    """The shortest distance between two things, in the drawing's unit; 0 where they meet."""
    return closest(first, second)[0]


def closest(first: Any, second: Any) -> Pair:
    """The shortest distance, the place on the first thing and the place on the second."""
    if isinstance(first, Outline):
        return min((closest(piece, second) for piece in first.pieces), key=_distance)
    if isinstance(second, Outline):
        return min((closest(first, piece) for piece in second.pieces), key=_distance)
    if isinstance(first, Point):
        return _pair(first, nearest(second, first))
    if isinstance(second, Point):
        return _pair(nearest(first, second), second)
    met = meet(first, second)
    if met.spots:
        return (0.0, met.spots[0].at, met.spots[0].at)
    if met.how == "coincident":
        at = _any_place(first, second)
        return (0.0, at, at)
    candidates = [_pair(p, nearest(second, p)) for p in _ends(first)]
    candidates += [_pair(nearest(first, p), p) for p in _ends(second)]
    candidates += _square_to_both(first, second)
    return min(candidates, key=_distance)


def _distance(pair: Pair) -> float:
    return pair[0]


def _pair(a: Point, b: Point) -> Pair:
    return (hypot(b.x - a.x, b.y - a.y), a, b)


def _ends(curve: Curve) -> list[Point]:
    match curve:
        case Line() | Arc():
            return [curve.start, curve.end]
        case Ellipse() if not curve.whole:
            return [curve.start, curve.end]
        case EndlessLine(through):
            # Any place will do where a line without ends is parallel to something.
            return [through]
        case _:
            return []


def _any_place(first: Curve, second: Curve) -> Point:
    for p in (*_ends(first), *_ends(second)):
        if within(first, p) and within(second, p):
            return p
    return nearest(first, place_of(first)) if isinstance(first, Circle | Arc | Ellipse) else _ends(first)[0]


def _square_to_both(a: Curve, b: Curve) -> list[Pair]:
    match a, b:
        case (Ellipse(), _):
            return [_search(a, b)]
        case (_, Ellipse()):
            d, p, q = _search(b, a)
            return [(d, q, p)]
        case (Circle() | Arc(), Circle() | Arc()):
            return [_pair(p, q) for p in _toward(a, b.centre) for q in _toward(b, a.centre)]
        case (Line() | EndlessLine(), Circle() | Arc()):
            return _line_and_round(a, b)
        case (Circle() | Arc(), Line() | EndlessLine()):
            return [(d, q, p) for d, p, q in _line_and_round(b, a)]
        case _:
            # Two lines that do not meet are closest at an end, or all along.
            return []


def _toward(a: Circle | Arc, centre: Point) -> list[Point]:
    """The two places of a round figure on the line through another centre, as far as they are drawn."""
    dx, dy = centre.x - a.centre.x, centre.y - a.centre.y
    d = hypot(dx, dy)
    if d == 0.0:
        return [Point(a.centre.x + a.radius, a.centre.y)] if isinstance(a, Circle) else [a.start]
    places = [Point(a.centre.x + s * a.radius * dx / d, a.centre.y + s * a.radius * dy / d) for s in (1.0, -1.0)]
    return [p for p in places if within(a, p)]


def _line_and_round(line: Line | EndlessLine, curve: Circle | Arc) -> list[Pair]:
    w = way_of(line)
    off = w.off(curve.centre.x, curve.centre.y)
    foot = Point(curve.centre.x + off * w.uy, curve.centre.y - off * w.ux)
    if not within(line, foot) or off == 0.0:
        return []
    return [_pair(foot, q) for q in _toward(curve, foot)]


def _search(e: Ellipse, other: Curve) -> Pair:
    """The least distance of an ellipse's places from another figure: sampled, then narrowed about the least sample."""

    def at(angle: float) -> Pair:
        p = e.at(radians(angle))
        return _pair(p, nearest(other, p))

    step = e.sweep / _SAMPLES
    best = min(range(_SAMPLES + 1), key=lambda k: at(e.begin + k * step)[0])
    low, high = e.begin + (best - 1) * step, e.begin + (best + 1) * step
    if not e.whole:
        low, high = max(low, e.begin), min(high, e.begin + e.sweep)
    for _ in range(_NARROWINGS):
        a, b = low + (high - low) / 3, high - (high - low) / 3
        if at(a)[0] <= at(b)[0]:
            high = b
        else:
            low = a
    return at((low + high) / 2)
