"""Rational splines that are whole circles or ellipses in truth. Readers leave all others out.

A spline is evaluated by de Boor's algorithm in homogeneous coordinates; through five of its places runs one conic, and it is that
where all of many others lie on it. Source: Piegl and Tiller, The NURBS Book, 1997, algorithms A3.1 and A4.1 (from memory).
"""

from bisect import bisect_right
from collections.abc import Sequence
from itertools import pairwise
from math import atan2, cos, hypot, isfinite, pi, sin, sqrt

from ...core.figures import Point
from .affine import Round

_LOOKED_AT = 64
_EXACT = 1e-9
"""By how much a place may lie beside the conic, as a share of its size."""
_MOST = 1000
"""Control points of one that is looked at: a circle has nine at most of those that programs write."""


def whole_of(
    degree: int, places: Sequence[tuple[float, float]], weights: Sequence[float], knots: Sequence[float]
) -> Round | None:
    """The whole circle or ellipse that a spline is; None where it is none, or not well-formed."""
    count = len(places)
    formed = 2 <= degree < count <= _MOST and len(weights) == count and len(knots) == count + degree + 1
    if not formed or any(b < a for a, b in pairwise(knots)) or not all(w > 0.0 for w in weights):
        return None
    first, last = knots[degree], knots[count]
    if not first < last:
        return None
    along = [first + (last - first) * n / _LOOKED_AT for n in range(_LOOKED_AT + 1)]
    found = [_at(degree, places, weights, knots, t) for t in along]
    x0, y0 = min(x for x, _ in found), min(y for _, y in found)
    size = max(max(x for x, _ in found) - x0, max(y for _, y in found) - y0)
    if not 0.0 < size < float("inf") or hypot(found[0][0] - found[-1][0], found[0][1] - found[-1][1]) > _EXACT * size:
        return None
    # Near 0 and of size 1, where the sums lose nothing.
    near = [((x - x0) / size - 0.5, (y - y0) / size - 0.5) for x, y in found[:-1]]
    whole = _through_five([near[n * _LOOKED_AT // 5] for n in range(5)])
    if whole is None or not _runs_round(near, whole) or any(_beside(whole, x, y) > _EXACT for x, y in near):
        return None
    centre, (ux, uy), (vx, vy) = whole
    at = Point((centre[0] + 0.5) * size + x0, (centre[1] + 0.5) * size + y0)
    return Round(at, (ux * size, uy * size), (vx * size, vy * size), 0.0, 2.0 * pi)


_Vector = tuple[float, float]
_Whole = tuple[_Vector, _Vector, _Vector]
"""Centre and two half diameters, square to each other."""


def _at(degree: int, places: Sequence[_Vector], weights: Sequence[float], knots: Sequence[float], t: float) -> _Vector:
    span = min(max(bisect_right(knots, t) - 1, degree), len(places) - 1)
    d = [[weights[n] * places[n][0], weights[n] * places[n][1], weights[n]] for n in range(span - degree, span + 1)]
    for r in range(1, degree + 1):
        for j in range(degree, r - 1, -1):
            low, high = knots[j + span - degree], knots[j + 1 + span - r]
            share = (t - low) / (high - low) if high > low else 0.0
            d[j] = [(1.0 - share) * a + share * b for a, b in zip(d[j - 1], d[j], strict=True)]
    x, y, w = d[degree]
    return x / w, y / w


def _through_five(five: Sequence[_Vector]) -> _Whole | None:
    """The ellipse through five places: a x² + b xy + c y² + d x + e y = 1 about a place within, by elimination."""
    rows = [[x * x, x * y, y * y, x, y, 1.0] for x, y in five]
    for n in range(5):
        pivot = max(range(n, 5), key=lambda k: abs(rows[k][n]))
        rows[n], rows[pivot] = rows[pivot], rows[n]
        if abs(rows[n][n]) < _EXACT:
            return None
        for k in range(5):
            if k != n:
                factor = rows[k][n] / rows[n][n]
                rows[k] = [v - factor * w for v, w in zip(rows[k], rows[n], strict=True)]
    a, b, c, d, e = (rows[n][5] / rows[n][n] for n in range(5))
    det = 4.0 * a * c - b * b
    if not det > 0.0:
        return None
    cx, cy = (b * e - 2.0 * c * d) / det, (b * d - 2.0 * a * e) / det
    rest = 1.0 - 0.5 * (d * cx + e * cy)
    turn = 0.5 * atan2(b, a - c)
    p = a * cos(turn) ** 2 + b * cos(turn) * sin(turn) + c * sin(turn) ** 2
    q = a * sin(turn) ** 2 - b * cos(turn) * sin(turn) + c * cos(turn) ** 2
    if not (rest / p > 0.0 and rest / q > 0.0):
        return None
    long, other = sqrt(rest / p), sqrt(rest / q)
    return (cx, cy), (long * cos(turn), long * sin(turn)), (-other * sin(turn), other * cos(turn))


def _own(whole: _Whole, x: float, y: float) -> _Vector:
    """A place in shares of the two half diameters."""
    (cx, cy), (ux, uy), (vx, vy) = whole
    return ((x - cx) * ux + (y - cy) * uy) / (ux * ux + uy * uy), ((x - cx) * vx + (y - cy) * vy) / (vx * vx + vy * vy)


def _beside(whole: _Whole, x: float, y: float) -> float:
    """About how far a place lies beside an ellipse."""
    off = hypot(*_own(whole, x, y)) - 1.0
    return abs(off) * max(hypot(*whole[1]), hypot(*whole[2])) if isfinite(off) else 1.0


def _runs_round(near: Sequence[_Vector], whole: _Whole) -> bool:
    """Whether places in their order run once all round, and never back."""
    turned = [atan2(v, u) for u, v in (_own(whole, x, y) for x, y in near)]
    steps = [(b - a + pi) % (2.0 * pi) - pi for a, b in zip(turned, [*turned[1:], turned[0]], strict=True)]
    return abs(abs(sum(steps)) - 2.0 * pi) < 1.0 and all(step * steps[0] > 0.0 for step in steps)
