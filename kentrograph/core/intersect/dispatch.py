"""Any two figures: the pair is looked up, then what is drawn of each is taken into account."""

from collections.abc import Callable, Sequence
from math import hypot
from typing import Any

from ..budget import watch
from ..figures import Circle, Curve, Ellipse, EndlessLine, Outline, Piece, Point, StraightCurve
from ..figures.along import place_along
from ..figures.box import box_of
from ..figures.box_tree import BoxTree
from ..tolerance import TOLERANCE, Tolerance
from .circles import circle_circle
from .ellipses import ellipse_circle, ellipse_ellipse, line_ellipse
from .intersection import APART, Intersection, Spot
from .lines import line_circle, line_line
from .supporting_curves import supporting_curve, way_of
from .within import distance_along, within

_ENDLESS = (EndlessLine, Circle)
"""Figures of which nothing is left out: no place on them lies past an end."""


def intersect_long(a: Curve, b: Curve, tolerance: Tolerance = TOLERANCE) -> Intersection:
    """How two figures meet when each is taken as long as it needs to be; every spot says whether it lies past an end.

    True crossings come first, then those past an end; among each the documented order of the pair.
    """
    watch()
    whole = _whole(a, b, tolerance)
    if type(a) in _ENDLESS and type(b) in _ENDLESS:
        return whole
    spots = [Spot(s.at, s.sign, (not within(a, s.at, tolerance), not within(b, s.at, tolerance))) for s in whole.spots]
    return Intersection(whole.how, tuple(sorted(spots, key=lambda s: not s.true)))


def intersect(a: Curve, b: Curve, tolerance: Tolerance = TOLERANCE) -> Intersection:
    """How two figures meet as they are drawn."""
    found = intersect_long(a, b, tolerance)
    if found.how == "coincident":
        return found if _overlap(a, b, tolerance) else _ends_meet(a, b, tolerance)
    true = tuple(s for s in found.spots if s.true)
    return Intersection(found.how, true) if true else APART


def _whole(a: Curve, b: Curve, tolerance: Tolerance) -> Intersection:
    if type(a) is Circle and type(b) is Circle:
        return circle_circle(a, b, tolerance)
    first, second = supporting_curve(a), supporting_curve(b)
    match first, second:
        case EndlessLine(), EndlessLine():
            return line_line(way_of(_line(a)), way_of(_line(b)), tolerance)
        case EndlessLine(), Circle():
            return line_circle(way_of(_line(a)), second, tolerance)
        case EndlessLine(), Ellipse():
            return line_ellipse(way_of(_line(a)), second, tolerance)
        case Circle(), Circle():
            return circle_circle(first, second, tolerance)
        case Ellipse(), Circle():
            return ellipse_circle(first, second, tolerance)
        case Ellipse(), Ellipse():
            return ellipse_ellipse(first, second, tolerance)
        case (Circle() | Ellipse(), EndlessLine()) | (Circle(), Ellipse()):
            return _whole(b, a, tolerance)
        case _:
            raise AssertionError(f"no crossing of {first} and {second}")


def _line(curve: Any) -> StraightCurve:
    assert isinstance(curve, StraightCurve)
    return curve


def _overlap(a: Curve, b: Curve, tolerance: Tolerance) -> bool:
    """Whether two figures on the same whole one run along each other for some way.

    They do where the middle of one lies on the other, or an end of one inside the other, away from its ends.
    """
    for one, other in ((a, b), (b, a)):
        if not isinstance(one, Piece) or (isinstance(one, Ellipse) and one.whole):
            return True
        if within(other, place_along(one, one.length / 2.0)):
            return True
        ends = (other.start, other.end) if isinstance(other, Piece) else ()
        slack = _slack(a, b, tolerance)
        for p in (one.start, one.end):
            if within(other, p) and all(hypot(p.x - q.x, p.y - q.y) > slack for q in ends):
                return True
    return False


def _ends_meet(a: Curve, b: Curve, tolerance: Tolerance) -> Intersection:
    """Figures on the same whole one that share only ends: one, or both of two arcs that make a circle."""
    spots: list[Spot] = []
    if isinstance(a, Piece) and isinstance(b, Piece):
        slack = _slack(a, b, tolerance)
        spots = [Spot(p) for p in (a.start, a.end) for q in (b.start, b.end) if hypot(p.x - q.x, p.y - q.y) <= slack]
    return Intersection("touching", tuple(spots)) if spots else APART


def _slack(a: Curve, b: Curve, tolerance: Tolerance) -> float:
    """Within how far two ends are one."""
    figures = [f for f in (a, b) if isinstance(f, Piece)]
    away = max(max(abs(f.start.x), abs(f.start.y), abs(f.end.x), abs(f.end.y)) for f in figures)
    return 2.0 * tolerance.length(max(f.length for f in figures), away)


def intersect_outlines(a: Curve | Outline, b: Curve | Outline, tolerance: Tolerance = TOLERANCE) -> list[Point]:
    """The places where two figures, of which one at least is an outline, meet as they are drawn.

    In the order in which the other figure runs; of two outlines, the first. A corner that two pieces share counts once.
    """
    runs, across = (a, b) if isinstance(a, Outline) == isinstance(b, Outline) or isinstance(b, Outline) else (b, a)
    left, bottom, right, top = box_of(a if isinstance(a, Outline) else b)
    slack = tolerance.length(hypot(right - left, top - bottom), max(map(abs, (left, bottom, right, top))))
    near = _near(across, slack)
    found: list[Point] = []
    for p in runs.pieces if isinstance(runs, Outline) else (runs,):
        spots = [s.at for q in near(p) for s in intersect(p, q, tolerance).spots]
        for at in sorted(spots, key=lambda at: distance_along(p, at)):
            if not any(hypot(at.x - f.x, at.y - f.y) <= 2.0 * slack for f in found):
                found.append(at)
    return found


def _near(across: Curve | Outline, slack: float) -> Callable[[Curve], Sequence[Curve]]:
    """The pieces of a figure that may meet a curve: those whose boxes meet its box, in their order."""
    if not isinstance(across, Outline):
        return lambda curve: (across,)
    pieces = across.pieces
    tree = BoxTree([box_of(piece) for piece in pieces])

    def near(curve: Curve) -> Sequence[Curve]:
        if isinstance(curve, EndlessLine):
            return pieces
        left, low, right, high = box_of(curve)
        return [pieces[n] for n in sorted(tree.within(left - slack, low - slack, right + slack, high + slack))]

    return near
