"""Lines that touch an ellipse in a direction, and lines that touch two figures of which one at least is an ellipse.

Method: a line that runs along a unit vector, with the unit vector n to its left, and has a convex figure on its left touches
it where n is least there: at its centre less its half breadth along n (published: the support function). Two figures ask for
the same line where two such numbers agree, which is a zero of one function of the direction; it is looked for between stops
that crowd where a flat ellipse turns its narrow side, and a zero that only touches is a place where two lines become one.
"""

from collections.abc import Callable
from math import atan2, cos, hypot, pi, sin
from typing import Any

from ..figures import CentredCurve, Ellipse, EndlessLine, Point, RoundCurve, StraightCurve
from ..intersect.narrowing import zero_between
from ..problem import refusal
from ..tolerance import TOLERANCE
from .tangents import SIDES, RawTangent, Tangent, Vector

_STOPS = 192
Function = Callable[[float], float]
_WORDS = {"left": 0, "right": 1, "": 2}


def tangents_of_ellipse_along(vector: Vector, e: Ellipse) -> list[Tangent]:
    """The two endless lines that run along a unit vector and touch an ellipse: it lies on their left, then on their right."""
    ux, uy = vector
    found: list[Tangent] = []
    for word, s in SIDES:
        at = _contact(e, s, -uy, ux)
        found.append(Tangent((word,), EndlessLine(at, ux, uy), (at,)))
    return found


def common_tangents_with_ellipse(a: Any, b: Any) -> list[RawTangent]:
    """The lines from the touching place of one figure to that of another, as `common_tangents` gives them: circles, arcs,
    ellipses, places. Those with the same sides are told apart by 9 more in the key.

    Raises `Refused` (nothing_touches) where one lies inside the other.
    """
    centre, other = _centre(a), _centre(b)
    dx, dy = other.x - centre.x, other.y - centre.y
    size = max(_reach(a), _reach(b))
    slack = TOLERANCE.length(size, max(abs(v) for p in (centre, other) for v in (p.x, p.y)))
    found: list[RawTangent] = []
    for word_a, s in _signs(a):
        for word_b, t in _signs(b):

            def apart(angle: float, s: float = s, t: float = t) -> float:
                """How far the line that touches the second lies to the left of the one that touches the first."""
                nx, ny = cos(angle), sin(angle)
                return nx * dx + ny * dy + s * _breadth(a, nx, ny) - t * _breadth(b, nx, ny)

            def ahead(angle: float, s: float = s, t: float = t) -> float:
                """How far the one touching place lies ahead of the other, which is also how `apart` changes."""
                nx, ny = cos(angle), sin(angle)
                p, q = _contact(a, s, nx, ny), _contact(b, t, nx, ny)
                return (q.x - p.x) * ny - (q.y - p.y) * nx

            again = 0
            for angle, merged in _zeros(apart, ahead, _stops(a, b), slack):
                nx, ny = cos(angle), sin(angle)
                p, q = _contact(a, s, nx, ny), _contact(b, t, nx, ny)
                key = 3 * _WORDS[word_a] + _WORDS[word_b]
                if merged:
                    found.append((key + 9 * again, p.x, p.y, p.x + size * ny, p.y - size * nx, True))
                elif ahead(angle) > 0.0:
                    found.append((key + 9 * again, p.x, p.y, q.x, q.y, False))
                else:
                    continue
                again += 1
    if not found:
        raise refusal("nothing_touches", names=["", ""])
    return _once(found)


def _once(found: list[RawTangent]) -> list[RawTangent]:
    """A line in which two have become one stands once, whatever sides it has by then."""
    kept: list[RawTangent] = []
    for raw in found:
        if raw[5] and any(k[5] and hypot(k[1] - raw[1], k[2] - raw[2]) <= TOLERANCE.closing(1.0, abs(raw[1]), 1) for k in kept):
            continue
        kept.append(raw)
    return kept


def half_breadth(e: Ellipse, nx: float, ny: float) -> float:
    """How far an ellipse reaches from its centre along a unit vector."""
    c, s = e.vector(1.0, 0.0)
    return hypot(e.a * (nx * c + ny * s), e.b * (ny * c - nx * s))


def _breadth(figure: Any, nx: float, ny: float) -> float:
    if isinstance(figure, Ellipse):
        return half_breadth(figure, nx, ny)
    return figure.radius if isinstance(figure, RoundCurve) else 0.0


def _contact(figure: Any, s: float, nx: float, ny: float) -> Point:
    """Where a line with n to its left touches a figure that lies on its left (s is 1) or right (-1)."""
    if isinstance(figure, Ellipse):
        c, d = figure.vector(1.0, 0.0)
        u, v = figure.a * (nx * c + ny * d), figure.b * (ny * c - nx * d)
        size = hypot(u, v)
        x, y = figure.vector(figure.a * u / size, figure.b * v / size)
        return Point(figure.centre.x - s * x, figure.centre.y - s * y)
    if isinstance(figure, RoundCurve):
        return Point(figure.centre.x - s * figure.radius * nx, figure.centre.y - s * figure.radius * ny)
    return _centre(figure)


def _centre(figure: Any) -> Point:
    if isinstance(figure, Point):
        return figure
    if isinstance(figure, StraightCurve):
        raise refusal("line_touches_line")
    if isinstance(figure, CentredCurve):
        return figure.centre
    raise refusal("no_touch")


def _reach(figure: Any) -> float:
    return max(figure.a, figure.b) if isinstance(figure, Ellipse) else getattr(figure, "radius", 0.0)


def _signs(figure: Any) -> tuple[tuple[str, float], ...]:
    return (("", 1.0),) if isinstance(figure, Point) else SIDES


def _stops(a: Any, b: Any) -> list[float]:
    """Directions of n, evenly, and closer where it lies along a short axis: the breadth turns quickly there."""
    stops = {2.0 * pi * k / _STOPS for k in range(_STOPS)}
    for figure in (a, b):
        if not isinstance(figure, Ellipse):
            continue
        c, s = figure.vector(1.0, 0.0)
        long, thin = (0.0, figure.b / figure.a) if figure.a >= figure.b else (0.5 * pi, figure.a / figure.b)
        short = atan2(s, c) + long + 0.5 * pi
        for share in (-4.0, -2.0, -1.0, -0.5, -0.25, 0.0, 0.25, 0.5, 1.0, 2.0, 4.0):
            for turn in (0.0, pi):
                stops.add((short + turn + share * thin) % (2.0 * pi))
    return sorted(stops)


def _zeros(value: Function, slope: Function, stops: list[float], slack: float) -> list[tuple[float, bool]]:
    """Where a function of an angle is zero, and where it turns within the slack of zero without passing it.

    ``slope`` has the sign of its derivative, or the opposite one throughout.
    """
    count = len(stops)
    laps = [*stops, stops[0] + 2.0 * pi]
    slopes = [slope(t) for t in stops]
    turns = [
        zero_between(slope, laps[k], laps[k + 1], slopes[k], slopes[(k + 1) % count])
        for k in range(count)
        if (slopes[k] > 0.0) != (slopes[(k + 1) % count] > 0.0)
    ]
    # Between neighbouring turns it runs one way: it is zero there once or not at all.
    values = [(t, value(t)) for t in sorted(t % (2.0 * pi) for t in turns)]
    found = [(t, True) for t, v in values if abs(v) <= slack]
    for (low, v), (high, w) in zip(values, [*values[1:], *values[:1]], strict=True):
        if abs(v) > slack and abs(w) > slack and (v > 0.0) != (w > 0.0):
            found.append((zero_between(value, low, high if high > low else high + 2.0 * pi, v, w) % (2.0 * pi), False))
    return sorted(found)
