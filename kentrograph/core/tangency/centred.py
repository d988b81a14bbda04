"""Circles whose centre is known, or lies on a figure, and that touch something."""

from collections.abc import Callable
from math import cos, hypot, pi, sin

from ..figures import Circle, Curve, Ellipse, EndlessLine, Point
from ..intersect import intersect_long
from ..intersect.supporting_curves import supporting_curve
from ..problem import refusal
from ..tolerance import TOLERANCE
from .centre_line import on_line_touching_two
from .sides import Side, radius_by, sides_of
from .three import AGAIN, LEFT, RIGHT, UNSIGNED, Raw
from .touched import Touched


def centre_touching(centre: Point, a: Touched) -> list[Raw]:
    """The circles about a centre that touch a given: two about a centre off the rim of a circle, else one or none."""
    slack = TOLERANCE.length(a.size, max(a.away, abs(centre.x), abs(centre.y)))
    if a.r > 0.0 and hypot(centre.x - a.x, centre.y - a.y) <= slack:
        return []
    found: list[Raw] = []
    for side in sides_of(a):
        radius = radius_by(a, side, centre.x, centre.y)
        if radius > slack:
            found.append((3 * side.code + UNSIGNED, centre.x, centre.y, radius, 0.0))
    return sorted(found)


def centre_on_touching_radius(on: Curve, a: Touched, radius: float) -> list[Raw]:
    """The circles of a radius with their centre on a figure that touch a given: where the figure meets their locus."""
    found: list[Raw] = []
    for side in sides_of(a):
        locus = locus_of_centre(a, side, radius)
        if locus is None:
            continue
        for at, sign, _ in intersect_long(on, locus).spots:
            gap = abs(radius_by(a, side, at.x, at.y) - radius)
            found.append((3 * side.code + _SIGNS.get(sign, UNSIGNED), at.x, at.y, radius, gap))
    return sorted(found)


_SIGNS = {"left": LEFT, "entering": LEFT, "right": RIGHT, "leaving": RIGHT}


def locus_of_centre(a: Touched, side: Side, radius: float) -> Circle | EndlessLine | None:
    """Where the centres of the circles of a radius lie that touch a given from one side; None where there are none."""
    if a.line:
        off = radius if side.word == "left" else -radius
        return EndlessLine(Point(a.x - off * a.uy, a.y + off * a.ux), a.ux, a.uy)
    reach = radius + a.r if side.word in ("", "outside") else a.r - radius if side.word == "inside" else radius - a.r
    if reach <= TOLERANCE.length(max(a.r, radius), a.away):
        return None
    return Circle(Point(a.x, a.y), reach)


def centre_on_touching_two(on: Curve, a: Touched, b: Touched) -> list[Raw]:
    """The circles with their centre on a figure that touch two givens."""
    whole = supporting_curve(on)
    if isinstance(whole, EndlessLine):
        return on_line_touching_two(whole, a, b)
    return _on_ring(whole, a, b)


def _on_ring(on: Circle | Ellipse, a: Touched, b: Touched) -> list[Raw]:
    """Round a circle or an ellipse: where the two radii that the givens ask for are the same."""
    found: list[Raw] = []
    extent = max(a.r, b.r, on.radius if isinstance(on, Circle) else on.a)
    away = max(a.away, b.away, abs(on.centre.x), abs(on.centre.y))
    slack = TOLERANCE.length(extent, away)

    def at(t: float) -> tuple[float, float]:
        if isinstance(on, Circle):
            return on.centre.x + on.radius * cos(t), on.centre.y + on.radius * sin(t)
        place = on.at(t)
        return place.x, place.y

    endless = False
    for p in sides_of(a):
        for q in sides_of(b):

            def differ(t: float, p: Side = p, q: Side = q) -> float:
                x, y = at(t)
                return radius_by(a, p, x, y) - radius_by(b, q, x, y)

            if all(abs(differ(2.0 * pi * k / 16)) <= slack for k in range(16)):
                # All of the ring serves; it is infinitely many where the radius is one.
                endless = endless or radius_by(a, p, *at(0.0)) > slack
                continue
            for t, sign in _zeros(differ, slack):
                x, y = at(t)
                radius = radius_by(a, p, x, y)
                if radius > slack:
                    found.append((9 * p.code + 3 * q.code + sign, x, y, radius, abs(differ(t))))
    if endless:
        raise refusal("infinitely_many", isolated=sorted(numbered(found)))
    return sorted(numbered(found))


def numbered(found: list[Raw]) -> list[Raw]:
    """Of circles with the same signs, each that comes later along the figure is marked as the second, third ..."""
    seen: dict[int, int] = {}
    marked: list[Raw] = []
    for raw in found:
        count = seen[raw[0]] = seen.get(raw[0], -1) + 1
        marked.append((raw[0] + AGAIN * count, *raw[1:]))
    return marked


_STEPS = 720
_HALVINGS = 90


def _zeros(f: Callable[[float], float], slack: float) -> list[tuple[float, int]]:
    """Where a smooth function of an angle is zero: by sampling, halving, and looking for touchings between samples.

    Common practice. Zeros nearer to each other than half a degree are found where the samples between them show it.
    """
    grid = [2.0 * pi * k / _STEPS for k in range(_STEPS + 1)]
    values = [f(t) for t in grid]
    found: list[tuple[float, int]] = []
    for k in range(_STEPS):
        u, v = values[k], values[k + 1]
        if u == 0.0:
            found.append((grid[k], LEFT if v < 0.0 else RIGHT))
        elif u * v < 0.0:
            found.append((_halved(f, grid[k], grid[k + 1], u), LEFT if u > 0.0 else RIGHT))
        elif values[k - 1 if k else -2] * u > 0.0 and abs(values[k - 1 if k else -2]) >= abs(u) <= abs(v):
            t = _least(f, grid[k] - 2.0 * pi / _STEPS, grid[k + 1])
            if abs(f(t)) <= slack:
                found.append((t, UNSIGNED))
            elif f(t) * u < 0.0:
                begin, end = grid[k] - 2.0 * pi / _STEPS, grid[k + 1]
                found.append((_halved(f, begin, t, u), LEFT if u > 0.0 else RIGHT))
                found.append((_halved(f, t, end, -u), RIGHT if u > 0.0 else LEFT))
    return found


def _halved(f: Callable[[float], float], a: float, b: float, at_a: float) -> float:
    for _ in range(_HALVINGS):
        m = 0.5 * (a + b)
        if m in (a, b):
            break
        value = f(m)
        if value == 0.0:
            return m
        if (value > 0.0) == (at_a > 0.0):
            a = m
        else:
            b = m
    return a if abs(f(a)) < abs(f(b)) else b


def _least(f: Callable[[float], float], a: float, b: float) -> float:
    """The angle between two at which the function comes nearest to zero, by thirds; a zero it crosses is passed over."""
    sign = 1.0 if f(0.5 * (a + b)) > 0.0 else -1.0
    for _ in range(100):
        p, q = a + (b - a) / 3.0, b - (b - a) / 3.0
        if sign * f(p) < sign * f(q):
            b = q
        else:
            a = p
    return 0.5 * (a + b)
