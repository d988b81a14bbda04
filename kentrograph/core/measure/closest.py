"""The shortest distance between any two things, and where it is measured.

Method: where the two meet it is 0; otherwise it lies at an end of one of them or on a line that is square to both, and
all of those are tried. Source: common practice. Of an ellipse and a line or a circle they are known in closed form or as
zeros of a sum of sines; of two ellipses every local minimum is narrowed, seen from either of them.
"""

from math import atan2, hypot, inf, pi
from typing import Any, assert_never

from ..figures import (
    Arc,
    CentredCurve,
    Circle,
    Curve,
    Ellipse,
    EndlessLine,
    FigureSet,
    Line,
    Outline,
    Point,
    RoundCurve,
    StraightCurve,
)
from ..figures.box import box_of
from ..figures.box_tree import BoxTree
from ..intersect import intersect, nearest
from ..intersect.ellipses import nearest_angles
from ..intersect.narrowing import zero_between
from ..intersect.supporting_curves import way_of
from ..intersect.within import within
from ..problem import refusal

Pair = tuple[float, Point, Point]
_SAMPLES = 96


def place_of(thing: Any) -> Point:
    """The place that a thing stands for: a point itself, a round figure by its centre. Raises `Refused` (not_a_place)."""
    if isinstance(thing, Point):
        return thing
    if isinstance(thing, CentredCurve):
        return thing.centre
    raise refusal("not_a_place")


def distance_between(first: Any, second: Any) -> float:
    """The shortest distance between two things, in the drawing's unit; 0 where they meet."""
    return closest(first, second)[0]


def closest(first: Any, second: Any) -> Pair:
    """The shortest distance, the place on the first thing and the place on the second."""
    if isinstance(first, Outline | FigureSet) or isinstance(second, Outline | FigureSet):
        return _closest_parts(parts_of(first), parts_of(second))
    if isinstance(first, Point):
        return _pair(first, nearest(second, first))
    if isinstance(second, Point):
        return _pair(nearest(first, second), second)
    met = intersect(first, second)
    if met.spots:
        return (0.0, met.spots[0].at, met.spots[0].at)
    if met.how == "coincident":
        at = _any_place(first, second)
        return (0.0, at, at)
    candidates = [_pair(p, nearest(second, p)) for p in _ends(first)]
    candidates += [_pair(nearest(first, p), p) for p in _ends(second)]
    candidates += _square_to_both(first, second)
    return min(candidates, key=_distance)


def parts_of(thing: Any) -> list[Any]:
    """What a thing is made of: the pieces of an outline, of all outlines in a set; else itself."""
    if isinstance(thing, FigureSet):
        return [part for member in thing.members for part in parts_of(member)]
    return list(thing.pieces) if isinstance(thing, Outline) else [thing]


def tree_of(parts: list[Any]) -> BoxTree:
    """The boxes of parts, to find those near others; a line without ends is everywhere."""
    everywhere = (-inf, -inf, inf, inf)
    return BoxTree([everywhere if isinstance(part, EndlessLine) else box_of(part) for part in parts])


def _closest_parts(ones: list[Any], others: list[Any]) -> Pair:
    """The closest of all pairs of parts: the likely ones first, until no other pair can be closer than the closest found."""
    best: list[Pair] = []

    def measure(n: int, k: int) -> float:
        pair = closest(ones[n], others[k])
        if not best or pair[0] < best[0][0]:
            best[:] = [pair]
        return pair[0]

    tree_of(ones).closest(tree_of(others), measure)
    return best[0]


def _distance(pair: Pair) -> float:
    return pair[0]


def _pair(a: Point, b: Point) -> Pair:
    return (hypot(b.x - a.x, b.y - a.y), a, b)


def _ends(curve: Curve) -> list[Point]:
    match curve:
        case Line() | Arc():
            return [curve.start, curve.end]
        case Ellipse():
            return [] if curve.whole else [curve.start, curve.end]
        case EndlessLine(through):
            # Any place will do where a line without ends is parallel to something.
            return [through]
        case Circle():
            return []
        case _:
            assert_never(curve)


def _any_place(first: Curve, second: Curve) -> Point:
    for p in (*_ends(first), *_ends(second)):
        if within(first, p) and within(second, p):
            return p
    return nearest(first, place_of(first)) if isinstance(first, CentredCurve) else _ends(first)[0]


def _square_to_both(a: Curve, b: Curve) -> list[Pair]:
    match a, b:
        case (Ellipse(), Ellipse()):
            return [*_narrowed(a, b), *((d, q, p) for d, p, q in _narrowed(b, a))]
        case (Ellipse(), Circle() | Arc()):
            feet = [a.at(t) for t in nearest_angles(a, b.centre) if a.covers(t)]
            return [_pair(p, q) for p in feet for q in _toward(b, p)]
        case (Ellipse(), Line() | EndlessLine()):
            return _ellipse_and_line(a, b)
        case (_, Ellipse()):
            return [(d, q, p) for d, p, q in _square_to_both(b, a)]
        case (Circle() | Arc(), Circle() | Arc()):
            return [_pair(p, q) for p in _toward(a, b.centre) for q in _toward(b, a.centre)]
        case (Line() | EndlessLine(), Circle() | Arc()):
            return _line_and_round(a, b)
        case (Circle() | Arc(), Line() | EndlessLine()):
            return [(d, q, p) for d, p, q in _line_and_round(b, a)]
        case (Line() | EndlessLine(), Line() | EndlessLine()):
            # Two lines that do not meet are closest at an end, or all along.
            return []
        case _:
            raise AssertionError(f"no distance of {a} and {b}")


def _toward(a: RoundCurve, centre: Point) -> list[Point]:
    """The two places of a round figure on the line through another centre, as far as they are drawn."""
    dx, dy = centre.x - a.centre.x, centre.y - a.centre.y
    d = hypot(dx, dy)
    if d == 0.0:
        return [Point(a.centre.x + a.radius, a.centre.y)] if isinstance(a, Circle) else [a.start]
    places = [Point(a.centre.x + s * a.radius * dx / d, a.centre.y + s * a.radius * dy / d) for s in (1.0, -1.0)]
    return [p for p in places if within(a, p)]


def _line_and_round(line: StraightCurve, curve: RoundCurve) -> list[Pair]:
    w = way_of(line)
    off = w.off(curve.centre.x, curve.centre.y)
    foot = Point(curve.centre.x + off * w.uy, curve.centre.y - off * w.ux)
    if not within(line, foot) or off == 0.0:
        return []
    return [_pair(foot, q) for q in _toward(curve, foot)]


def _ellipse_and_line(e: Ellipse, line: StraightCurve) -> list[Pair]:
    """Where the ellipse runs along the line, and the feet of those places on it."""
    w = way_of(line)
    ux, uy = e.to_own(e.centre.x + w.ux, e.centre.y + w.uy)
    t = atan2(-e.b * ux, e.a * uy)
    found: list[Pair] = []
    for angle in (t, t + pi):
        p = e.at(angle)
        off = w.off(p.x, p.y)
        foot = Point(p.x + off * w.uy, p.y - off * w.ux)
        if e.covers(angle) and within(line, foot):
            found.append(_pair(p, foot))
    return found


def _narrowed(e: Ellipse, other: Ellipse) -> list[Pair]:
    """Every place of an ellipse that is nearer to another one than its neighbours are, with the place nearest to it there.

    The distance falls toward such a place and rises after it: its slope is the way to the other one, against the
    direction in which the ellipse runs. Stops crowd at the sharp ends, where all happens within little of the angle.
    """

    def slope(angle: float) -> tuple[float, Pair]:
        p = e.at_degrees(angle)
        q = nearest(other, p)
        hx, hy = e.heading_at(angle)
        return (p.x - q.x) * hx + (p.y - q.y) * hy, _pair(p, q)

    stops = _stops(e)
    slopes = [slope(t) for t in stops]
    found = [pair for _, pair in slopes]
    pairs = list(zip(stops, stops[1:], slopes, slopes[1:], strict=False))
    if e.whole:
        pairs.append((stops[-1], stops[0] + 360.0, slopes[-1], slopes[0]))
    for low, high, (falls, _), (rises, _) in pairs:
        if falls < 0.0 < rises:
            found.append(slope(zero_between(lambda t: slope(t)[0], low, high, falls, rises))[1])
    return [min(found, key=_distance)]


def _stops(e: Ellipse) -> list[float]:
    """Eccentric angles (degrees) as the ellipse runs: evenly, and closer about the ends of its long axis."""
    sharp, thin = (0.0, e.b / e.a) if e.a >= e.b else (90.0, e.a / e.b)
    offsets = {e.sweep * k / _SAMPLES for k in range(_SAMPLES + (not e.whole))}
    for end in range(4):
        about = sharp + 180.0 * end - e.begin % 360.0
        for share in (-4.0, -2.0, -1.0, -0.5, 0.0, 0.5, 1.0, 2.0, 4.0):
            past = about + share * thin * 45.0
            offset = past if e.sweep > 0.0 else -past
            if 0.0 < offset < abs(e.sweep):
                offsets.add(offset if e.sweep > 0.0 else -offset)
    return [e.begin + offset for offset in sorted(offsets, key=abs)]
