"""Circles that touch an ellipse and two more givens, or one more and have a radius; and circles about a centre that do.

Method: a circle that touches the ellipse at a place there has its centre on the normal, at a signed distance (outward is
positive) whose inverse, the bend, is known for every other given that it is to touch as well: in closed form for a place, a
line or a circle; for another ellipse where the bend of the circle through a place of it turns, as that place runs around.
So the bends that two givens ask for are compared along the first ellipse, and each place where they agree is narrowed
by halving. Derived in ``docs/maths/ellipses.md``. There is no closed form: the residuals of a solution, recomputed from the
printed circle, say how near it is. A pair of solutions that lies between two neighbouring stops can be missed.
"""

from collections.abc import Callable, Sequence
from functools import lru_cache
from math import cos, hypot, pi, sin
from typing import NamedTuple

from ..figures import Arc, Circle, Ellipse, EndlessLine, Figure, Line, Point
from ..intersect.ellipses import nearest_angles
from ..intersect.narrowing import ROUNDS, zero_between
from ..problem import refusal
from ..tolerance import LARGEST, TOLERANCE
from .touched import Touched

Label = float
"""Which of several bends it is: the sign of the run for a line or a circle, the angle on another ellipse."""
Bend = tuple[Label, float]
Labels = tuple[Label, Label]
Values = dict[Labels, float]
Apart = Callable[[float], Values]
Bends = Callable[["_Frame", bool], list[Bend]]
_STOPS, _INNER, _ROUGHLY = 120, 40, 4
_HALVINGS = 80
_FLAT = 0.5 / TOLERANCE.size_share


class Found(NamedTuple):
    """A touching circle: centre and radius, and the eccentric angle (radians) where it touches the first ellipse."""

    x: float
    y: float
    radius: float
    angle: float


class Contact(NamedTuple):
    """Where a circle touches a given, the word for the side, its rank among such words, and by how much it is missed."""

    at: Point
    word: str
    rank: int
    residual: float


class _Frame:
    """The place of an ellipse at an angle, and its outward normal."""

    __slots__ = ("nx", "ny", "px", "py")

    def __init__(self, e: Ellipse, t: float) -> None:
        c, s = cos(t), sin(t)
        p = e.at(t)
        nx, ny = e.vector(e.b * c, e.a * s)
        size = hypot(nx, ny)
        self.px, self.py, self.nx, self.ny = p.x, p.y, nx / size, ny / size


@lru_cache(maxsize=512)
def touching_ellipse(e: Ellipse, others: tuple[Figure, ...], radius: float | None) -> tuple[Found, ...]:
    """All circles that touch an ellipse and one other figure with a radius, or two others; by the angle on the ellipse.

    The last few are kept: while one of them is being chosen the same are asked for at every move of the pointer.
    """
    bends = [_bends(other) for other in others]
    if radius is not None:
        known = [(1.0, 1.0 / radius), (-1.0, -1.0 / radius)]
        bends.append(lambda frame, exactly: known)
    first, second = bends
    extent = _extent((e, *others))

    def apart(t: float, exactly: bool = True) -> Values:
        """By how much each bend that the one given asks for differs from each that the other does."""
        frame = _Frame(e, t)
        others = second(frame, exactly)
        return {(a, b): p - q for a, p in first(frame, exactly) for b, q in others}

    found: list[Found] = []
    stops = [-pi + 2.0 * pi * k / _STOPS for k in range(_STOPS)]
    values = [apart(t, False) for t in stops]
    for k in range(_STOPS):
        low, high = stops[k], stops[k] + 2.0 * pi / _STOPS
        for labels, value, after in _matched(values[k], values[(k + 1) % _STOPS]):
            if value == 0.0 or (value > 0.0) != (after > 0.0):
                found += _circle(e, _narrowed(apart, low, high, labels, value), first, labels[0], others, radius, extent)
        for labels, before, value, after in _dips(values, k):
            if abs(value) <= abs(before) and abs(value) < abs(after):
                t = _deepest(apart, low - 2.0 * pi / _STOPS, high, labels)
                found += _circle(e, t, first, labels[0], others, radius, extent)
    return tuple(_without_doubles(sorted(found, key=lambda one: one.angle), extent))


def _bends(other: Figure) -> Bends:
    """The bends of the circles that touch at a place with a normal and touch another figure too; of an ellipse roughly or
    as exactly as can be."""
    if isinstance(other, Ellipse):
        return lambda frame, exactly: _bends_of_ellipse(other, frame, ROUNDS if exactly else _ROUGHLY)
    one = Touched(other)

    def bends(f: _Frame, exactly: bool) -> list[Bend]:
        found: list[Bend] = []
        dx, dy = one.x - f.px, one.y - f.py
        if one.line:
            off, cosine = one.off(f.px, f.py), f.ny * one.ux - f.nx * one.uy
            if off != 0.0:
                found = [(s, (s - cosine) / off) for s in (1.0, -1.0)]
        else:
            ahead, under = f.nx * dx + f.ny * dy, (hypot(dx, dy) - one.r) * (hypot(dx, dy) + one.r)
            if under != 0.0:
                found = [(s, 2.0 * (ahead + s * one.r) / under) for s in ((1.0, -1.0) if one.r > 0.0 else (1.0,))]
        return found

    return bends


def _bends_of_ellipse(other: Ellipse, f: _Frame, rounds: int) -> list[Bend]:
    """The bends of the circles through a place with a normal that touch an ellipse: where the bend of the circle through a
    place of that ellipse turns."""
    c, s = other.to_own(f.px, f.py)
    ux, uy = other.to_own(other.centre.x + f.nx, other.centre.y + f.ny)
    a, b = other.a, other.b

    def turning(t: float) -> tuple[float, float]:
        """How the bend of the circle through the place at t changes there (but for a positive factor), and the bend."""
        cosine, sine = cos(t), sin(t)
        wx, wy, vx, vy = a * cosine - c, b * sine - s, -a * sine, b * cosine
        ahead, square = ux * wx + uy * wy, wx * wx + wy * wy
        bend = 2.0 * ahead / square if square > 0.0 else 0.0
        return (ux * vx + uy * vy) * square - 2.0 * (wx * vx + wy * vy) * ahead, bend

    found: list[Bend] = []
    step = 2.0 * pi / _INNER
    before = turning(-pi)[0]
    for k in range(_INNER):
        low, high = -pi + k * step, -pi + (k + 1) * step
        after = turning(high)[0]
        if (before > 0.0) != (after > 0.0):
            t = zero_between(lambda t: turning(t)[0], low, high, before, after, rounds)
            found.append((t, turning(t)[1]))
        before = after
    return found


def _matched(values: Values, after: Values) -> list[tuple[Labels, float, float]]:
    """Each difference with the one at the next stop that goes on from it."""
    found: list[tuple[Labels, float, float]] = []
    for labels, value in values.items():
        nearest = min(after, key=lambda other: _label_gap(labels, other), default=None)
        if nearest is not None and _label_gap(labels, nearest) < 0.7:
            found.append((labels, value, after[nearest]))
    return found


def _label_gap(one: Labels, other: Labels) -> float:
    return max(abs((p - q + pi) % (2.0 * pi) - pi) for p, q in zip(one, other, strict=True))


def _dips(values: list[Values], k: int) -> list[tuple[Labels, float, float, float]]:
    """Differences at stop k with those before and after it, where all three have one sign."""
    found: list[tuple[Labels, float, float, float]] = []
    before = {labels: value for labels, value, _ in _matched(values[k], values[k - 1])}
    for labels, value, after in _matched(values[k], values[(k + 1) % _STOPS]):
        if labels not in before:
            continue
        back = next(v for one, _, v in _matched({labels: value}, values[k - 1]) if one == labels)
        if (back > 0.0) == (value > 0.0) == (after > 0.0):
            found.append((labels, back, value, after))
    return found


def _value(apart: Apart, t: float, labels: Labels) -> tuple[Labels, float]:
    here = apart(t)
    if not here:
        return labels, 0.0
    nearest = min(here, key=lambda other: _label_gap(labels, other))
    return nearest, here[nearest]


def _narrowed(apart: Apart, low: float, high: float, labels: Labels, below: float) -> float:
    for _ in range(_HALVINGS):
        t = 0.5 * (low + high)
        if not low < t < high:
            break
        labels, value = _value(apart, t, labels)
        if (value > 0.0) == (below > 0.0):
            low = t
        else:
            high = t
    return 0.5 * (low + high)


def _deepest(apart: Apart, low: float, high: float, labels: Labels) -> float:
    """Where two bends come nearest to each other between two angles."""
    for _ in range(_HALVINGS):
        a, b = low + (high - low) / 3.0, high - (high - low) / 3.0
        if abs(_value(apart, a, labels)[1]) <= abs(_value(apart, b, labels)[1]):
            high = b
        else:
            low = a
    return 0.5 * (low + high)


def _circle(
    e: Ellipse, t: float, first: Bends, label: Label,
    others: Sequence[Figure], radius: float | None, extent: float,
) -> list[Found]:  # fmt: skip
    """The circle at an angle, if it is one and touches all; none where the bends only passed each other at a pole."""
    frame = _Frame(e, t)
    bends = first(frame, True)
    if not bends:
        return []
    bend = min(bends, key=lambda one: _label_gap((one[0], 0.0), (label, 0.0)))[1]
    if not abs(bend) * _FLAT * extent > 1.0:
        return []
    signed = 1.0 / bend if radius is None else radius if bend > 0.0 else -radius
    x, y, size = frame.px + signed * frame.nx, frame.py + signed * frame.ny, abs(signed)
    away = max(abs(x), abs(y), extent)
    if not TOLERANCE.length(extent, away) < size < LARGEST or away > LARGEST:
        return []
    missed = max(_missed(one, x, y, size) for one in others)
    return [Found(x, y, size, t)] if missed <= 100.0 * TOLERANCE.length(max(extent, size), away) else []


def _missed(figure: Figure, x: float, y: float, radius: float) -> float:
    """By how much a circle misses touching a figure."""
    return touched_by(figure, x, y, radius).residual


def touched_by(figure: Figure, x: float, y: float, radius: float, near: float | None = None) -> Contact:
    """Where a circle touches a figure, from which side, and by how much it misses; ``near`` an angle on an ellipse."""
    centre = Point(x, y)
    if isinstance(figure, Ellipse):
        feet = [(t, figure.at(t)) for t in nearest_angles(figure, centre)]
        if near is None:
            t, at = min(feet, key=lambda f: abs(hypot(f[1].x - x, f[1].y - y) - radius))
        else:
            t, at = min(feet, key=lambda f: abs((f[0] - near + pi) % (2.0 * pi) - pi))
        f = _Frame(figure, t)
        outside = (x - at.x) * f.nx + (y - at.y) * f.ny > 0.0
        # Of what lies on the inner side, the flatter one encloses the other, next to where they touch.
        bent = hypot(figure.a * sin(t), figure.b * cos(t)) ** 3 / (figure.a * figure.b)
        rank = 0 if outside else 1 if radius < bent else 2
        return Contact(at, ("outside", "inside", "enclosing")[rank], rank, abs(hypot(at.x - x, at.y - y) - radius))
    one = Touched(figure)
    if one.line:
        off = one.off(x, y)
        rank = 0 if off > 0.0 else 1
        return Contact(Point(x + off * one.uy, y - off * one.ux), ("left", "right")[rank], rank, abs(abs(off) - radius))
    d = hypot(x - one.x, y - one.y)
    if one.r == 0.0:
        return Contact(Point(one.x, one.y), "", 0, abs(d - radius))
    gaps = (abs(d - one.r - radius), abs(one.r - radius - d), abs(radius - one.r - d))
    rank = gaps.index(min(gaps))
    share = (-one.r if rank == 2 else one.r) / d if d > 0.0 else 0.0
    at = Point(one.x + share * (x - one.x), one.y + share * (y - one.y))
    return Contact(at, ("outside", "inside", "enclosing")[rank], rank, gaps[rank])


def centred_on(centre: Point, e: Ellipse) -> list[Found]:
    """The circles about a place that touch an ellipse: one for each normal through it."""
    found: list[Found] = []
    for t in nearest_angles(e, centre):
        p = e.at(t)
        radius = hypot(p.x - centre.x, p.y - centre.y)
        if radius > TOLERANCE.length(max(e.a, e.b), max(abs(centre.x), abs(centre.y))):
            found.append(Found(centre.x, centre.y, radius, t))
    return _without_doubles(sorted(found, key=lambda one: one.radius), max(e.a, e.b))


def _without_doubles(found: list[Found], extent: float) -> list[Found]:
    """Each circle once, however often it was found: as touching the ellipse in one place."""
    kept: list[Found] = []
    for one in found:
        slack = 1e3 * TOLERANCE.length(max(extent, one.radius), max(abs(one.x), abs(one.y)))
        if not any(abs(one.x - k.x) <= slack and abs(one.y - k.y) <= slack and abs(one.radius - k.radius) <= slack for k in kept):
            kept.append(one)
    return kept


def _extent(figures: Sequence[Figure]) -> float:
    """A length by which the givens are known: how far they reach, and how far they lie apart."""
    sizes: list[float] = []
    places: list[Point] = []
    for figure in figures:
        match figure:
            case Ellipse(centre, a, b):
                sizes.append(max(a, b))
                places.append(centre)
            case Circle(centre, radius) | Arc(centre, radius):
                sizes.append(radius)
                places.append(centre)
            case Line(start):
                places.append(start)
            case EndlessLine(through):
                places.append(through)
            case Point():
                places.append(figure)
            case _:
                raise refusal("no_touch")
    first = places[0]
    return max(*sizes, *(hypot(p.x - first.x, p.y - first.y) for p in places), 0.0)


__all__ = ["Contact", "Found", "centred_on", "touched_by", "touching_ellipse"]
