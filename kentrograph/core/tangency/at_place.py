"""Circles that touch something at a given place: their centre lies on the square line there, so one number is left.

Positions on that line are counted from the place: to the left of a line, away from the centre of a circle. The
equations are linear. Derived in ``docs/maths/touching.md``; source, published: Euclid, Elements III.19 (the centre is on
the square line at the touching place).
"""

from math import hypot

from ..figures import Point
from ..problem import refusal
from ..tolerance import LARGEST, TOLERANCE
from .three import UNSIGNED, Raw
from .touched import Touched

_SIGNS = (1.0, -1.0)


class Element:
    """A place on a figure with the direction square to it there."""

    __slots__ = ("at", "figure", "nx", "ny")

    def __init__(self, figure: Touched, at: Point) -> None:
        """Raises `Refused` (not_on) with the gap where the place does not lie on the figure."""
        self.figure, self.at = figure, at
        away = max(figure.away, abs(at.x), abs(at.y))
        if figure.line:
            gap = figure.off(at.x, at.y)
            self.nx, self.ny = -figure.uy, figure.ux
        else:
            dx, dy = at.x - figure.x, at.y - figure.y
            d = hypot(dx, dy)
            gap = d - figure.r
            self.nx, self.ny = (dx / d, dy / d) if d > 0.0 else (0.0, 0.0)
        if figure.point or abs(gap) > 10.0 * TOLERANCE.length(figure.size, away):
            raise refusal("not_on", gap=abs(gap))

    def raw(self, position: float, gap: float, code: int = 0) -> Raw | None:
        """The circle whose centre is at this position; None where it is the given circle, a place, or a line."""
        r = self.figure.r
        radius = abs(position)
        size = max(r, self.figure.size)
        if not TOLERANCE.length(0.0, max(abs(self.at.x), abs(self.at.y))) < radius < LARGEST:
            return None
        if r > 0.0 and position < 0.0 and abs(radius - r) <= TOLERANCE.length(size):
            return None
        own = (position < 0.0) if self.figure.line else (0 if position > 0.0 else 1 if radius < r else 2)
        return (9 * own + 3 * code + UNSIGNED, self.at.x + position * self.nx, self.at.y + position * self.ny, radius, gap)


def at_place_radius(element: Element, radius: float) -> list[Raw]:
    """The two circles of a radius that touch there."""
    return _listed([element.raw(s * radius, 0.0) for s in _SIGNS])


def at_place_touching(element: Element, other: Touched) -> list[Raw]:
    """The circles that touch there and touch another given, or go through a place: two at most.

    Raises `Refused` (infinitely_many) where the other given touches the first one there.
    """
    nx, ny, at = element.nx, element.ny, element.at
    if other.line:
        k, slope = other.off(at.x, at.y), -other.uy * nx + other.ux * ny
        # Its distance from the other line is k + p n.m, and that is the radius on one side or the other.
        pairs = [(k, side - slope) for side in _SIGNS]
        slack = TOLERANCE.length(max(other.size, element.figure.size), max(other.away, element.figure.away))
        on = abs(k) <= slack
    else:
        wx, wy = other.x - at.x, other.y - at.y
        d = hypot(wx, wy)
        power = (d - other.r) * (d + other.r)
        slope = nx * wx + ny * wy
        signs = (1.0,) if other.r == 0.0 else _SIGNS
        pairs = [(0.5 * power, slope - s * other.r) for s in signs]
        slack = TOLERANCE.length(max(other.r, element.figure.size), max(other.away, element.figure.away))
        on = abs(d - other.r) <= slack
    if on and not other.point and any(abs(under) <= (TOLERANCE.angle if other.line else slack) for _, under in pairs):
        raise refusal("infinitely_many", isolated=[])
    found: list[Raw | None] = []
    for over, under in pairs:
        if on or abs(over) >= LARGEST * abs(under):
            continue
        position = over / under
        found.append(element.raw(position, *_contact_at(element, other, position)))
    return _listed(found)


def _contact_at(element: Element, other: Touched, position: float) -> tuple[float, int]:
    """By how much the circle at this position misses the other given, and the code of the side it touches it from."""
    x, y = element.at.x + position * element.nx, element.at.y + position * element.ny
    radius = abs(position)
    if other.line:
        off = other.off(x, y)
        return abs(abs(off) - radius), int(off < 0.0)
    d = hypot(other.x - x, other.y - y)
    if other.r == 0.0:
        return abs(d - radius), 0
    outside, inner = abs(d - radius - other.r), abs(d - abs(radius - other.r))
    return (outside, 0) if outside <= inner else (inner, 1 if radius < other.r else 2)


def _listed(found: list[Raw | None]) -> list[Raw]:
    return sorted(one for one in found if one is not None)
