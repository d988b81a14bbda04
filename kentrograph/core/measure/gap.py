"""Whether two figures touch, miss or cross, and by how much."""

from dataclasses import dataclass
from math import hypot
from typing import Any, Literal

from ..figures import Arc, Circle, EndlessLine, Line, Outline, Point
from ..meet import meet
from ..meet.carriers import way_of
from ..tolerance import TOLERANCE
from .box import box_of
from .closest import closest

State = Literal["touches", "gap", "crosses", "lies on"]


@dataclass(frozen=True, slots=True)
class Gap:
    """How two figures stand to each other. ``number`` is the gap; where they touch, what is left of it; where a line or
    a circle crosses a circle, how deep it lies within, negative."""

    state: State
    number: float


def gap_between(a: Any, b: Any) -> Gap:
    """The gap of any two things; what touches by the tolerance says so, with its residual."""
    if isinstance(a, Outline) or isinstance(b, Outline):
        return _least([gap_between(p, q) for p in _pieces(a) for q in _pieces(b)])
    if isinstance(a, Point) or isinstance(b, Point):
        apart = closest(a, b)[0]
        return Gap("touches" if apart <= _slack(a, b) else "gap", apart)
    met = meet(a, b)
    if met.how == "coincident":
        return Gap("lies on", 0.0)
    if met.how == "touching":
        return Gap("touches", _residual(a, b))
    if met.how == "crossing":
        return Gap("crosses", _residual(a, b)) if not _at_ends(a, b, met.spots[0].at) else Gap("touches", 0.0)
    apart = closest(a, b)[0]
    return Gap("touches" if apart <= _slack(a, b) else "gap", apart)


def _pieces(thing: Any) -> tuple[Any, ...]:
    return thing.pieces if isinstance(thing, Outline) else (thing,)


def _least(gaps: list[Gap]) -> Gap:
    """A crossing counts before a touch, a touch before a gap; among gaps the smallest."""
    order = {"crosses": 0, "lies on": 1, "touches": 2, "gap": 3}
    return min(gaps, key=lambda g: (order[g.state], g.number))


def _residual(a: Any, b: Any) -> float:
    """How far from touching: outside or inside for circles, the distance from the line less the radius for a line."""
    if isinstance(a, Line | EndlessLine) and isinstance(b, Circle | Arc):
        a, b = b, a
    if isinstance(a, Circle | Arc) and isinstance(b, Line | EndlessLine):
        return abs(way_of(b).off(a.centre.x, a.centre.y)) - a.radius
    if isinstance(a, Circle | Arc) and isinstance(b, Circle | Arc):
        d = hypot(b.centre.x - a.centre.x, b.centre.y - a.centre.y)
        outside, inside = d - (a.radius + b.radius), abs(a.radius - b.radius) - d
        return max(outside, inside)
    return 0.0


def _at_ends(a: Any, b: Any, at: Point) -> bool:
    """Whether two figures meet only where one of them ends."""
    slack = _slack(a, b)
    ends = [p for one in (a, b) if isinstance(one, Line | Arc) for p in (one.start, one.end)]
    return any(hypot(p.x - at.x, p.y - at.y) <= slack for p in ends)


def _slack(a: Any, b: Any) -> float:
    boxes = [box_of(one) for one in (a, b)]
    size = max(hypot(x[2] - x[0], x[3] - x[1]) for x in boxes)
    if not size > 0.0:
        size = 0.0
    return 10.0 * TOLERANCE.length(size, max(abs(v) for x in boxes for v in x))
