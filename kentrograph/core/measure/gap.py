"""Whether two figures touch, miss or cross, and by how much."""

from dataclasses import dataclass
from math import hypot
from typing import Any, Literal

from ..angles import unit_vector
from ..figures import Arc, Ellipse, FigureSet, Line, Outline, Point, RoundCurve, StraightCurve
from ..figures.box import box_of
from ..intersect import feet, intersect
from ..intersect.ellipses import apart
from ..intersect.supporting_curves import way_of
from ..tolerance import TOLERANCE
from .closest import closest, parts_of, tree_of

State = Literal["touches", "gap", "crosses", "lies on"]


@dataclass(frozen=True, slots=True)
class Gap:
    """How two figures stand to each other. ``number`` is the gap; where they touch, what is left of it; where a line, a
    circle or an ellipse crosses a round figure, how deep it lies within, negative; 0 where others cross.

    A gap and an overlap of the same size are judged alike: both touch, or neither does.
    """

    state: State
    number: float


def gap_between(a: Any, b: Any) -> Gap:
    """The gap of any two things; what touches by the tolerance says so, with its residual."""
    if isinstance(a, Outline | FigureSet) or isinstance(b, Outline | FigureSet):
        return _gap_of_parts(a, b)
    if isinstance(a, Point) or isinstance(b, Point):
        apart = closest(a, b)[0]
        return Gap("touches" if apart <= _slack(a, b) else "gap", apart)
    met = intersect(a, b)
    if met.how == "coincident":
        return Gap("lies on", 0.0)
    if met.how == "touching":
        return Gap("touches", _residual(a, b))
    if met.how == "crossing":
        if all(_at_ends(a, b, spot.at) for spot in met.spots):
            return Gap("touches", _left_at_ends(a, b))
        depth = _residual(a, b)
        return Gap("touches" if depth != 0.0 and abs(depth) <= _slack(a, b) else "crosses", depth)
    apart = closest(a, b)[0]
    return Gap("touches" if apart <= _slack(a, b) else "gap", apart)


def _gap_of_parts(a: Any, b: Any) -> Gap:
    """Of those parts that lie so near that they may touch, how they stand to each other; else the shortest distance."""
    ones, others = parts_of(a), parts_of(b)
    straight = all(isinstance(part, StraightCurve) for part in (*ones, *others))
    near: list[Gap] = []
    for n, k in tree_of(ones).pairs(tree_of(others), _slack(a, b)):
        near.append(gap_between(ones[n], others[k]))
        if straight and near[-1].state == "crosses":
            # Nothing counts before a crossing, and those of lines are all alike.
            return near[-1]
    met = [gap for gap in near if gap.state != "gap"]
    return _least(met) if met else Gap("gap", closest(a, b)[0])


def _least(gaps: list[Gap]) -> Gap:
    """A crossing counts before a touch, a touch before a gap; among gaps the smallest."""
    order = {"crosses": 0, "lies on": 1, "touches": 2, "gap": 3}
    return min(gaps, key=lambda g: (order[g.state], g.number))


def _residual(a: Any, b: Any) -> float:
    """How far from touching: the distance from a line less the radius, the distance from a centre less the radius.

    Figures are taken as long as they need to be. For an ellipse its half breadth square to the line stands for the
    radius (published: its support function), and the feet of the perpendiculars give the distances from a centre.
    """
    for one, other in ((a, b), (b, a)):
        if isinstance(other, StraightCurve):
            if isinstance(one, RoundCurve):
                return abs(way_of(other).off(one.centre.x, one.centre.y)) - one.radius
            if isinstance(one, Ellipse):
                way = way_of(other)
                c, s = unit_vector(one.turn)
                half = hypot(one.a * (c * way.uy - s * way.ux), one.b * (s * way.uy + c * way.ux))
                return abs(way.off(one.centre.x, one.centre.y)) - half
        if isinstance(one, Ellipse) and isinstance(other, RoundCurve):
            around = feet(one, other.centre)
            near, far = (hypot(p.x - other.centre.x, p.y - other.centre.y) for p in (around[0], around[-1]))
            return max(near - other.radius, other.radius - far)
    if isinstance(a, Ellipse) and isinstance(b, Ellipse):
        return apart(a, b)
    if isinstance(a, RoundCurve) and isinstance(b, RoundCurve):
        d = hypot(b.centre.x - a.centre.x, b.centre.y - a.centre.y)
        outside, inside = d - (a.radius + b.radius), abs(a.radius - b.radius) - d
        return max(outside, inside)
    return 0.0


def _left_at_ends(a: Any, b: Any) -> float:
    """What is left between two figures that meet where one of them ends: from that end to the other one."""
    return min(closest(p, other)[0] for one, other in ((a, b), (b, a)) for p in _ends(one))


def _at_ends(a: Any, b: Any, at: Point) -> bool:
    """Whether two figures meet only where one of them ends."""
    slack = _slack(a, b)
    return any(hypot(p.x - at.x, p.y - at.y) <= slack for one in (a, b) for p in _ends(one))


def _ends(one: Any) -> tuple[Point, ...]:
    has = isinstance(one, Line | Arc) or (isinstance(one, Ellipse) and not one.whole)
    return (one.start, one.end) if has else ()


def _slack(a: Any, b: Any) -> float:
    boxes = [box_of(one) for one in (a, b)]
    size = max(hypot(x[2] - x[0], x[3] - x[1]) for x in boxes)
    if not size > 0.0:
        size = 0.0
    return 10.0 * TOLERANCE.length(size, max(abs(v) for x in boxes for v in x))
