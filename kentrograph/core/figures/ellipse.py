"""Ellipses, whole or in part."""

from dataclasses import dataclass
from math import atan2, cos, degrees, hypot, pi, radians, sin

from ..angles import unit_vector
from ..problem import refuse
from ..tolerance import LARGEST
from .point import Point


@dataclass(frozen=True, slots=True)
class Ellipse:
    """An ellipse with half axes ``a`` (along ``turn``) and ``b`` (square to it), from ``begin`` over ``sweep``.

    ``turn`` is the direction of the first axis, in degrees. ``begin`` and ``sweep`` are in degrees of the eccentric
    angle, counter-clockwise; a whole ellipse has begin 0 and sweep 360. Raises `Refused` (bad_axis, bad_sweep).
    """

    centre: Point
    a: float
    b: float
    turn: float = 0.0
    begin: float = 0.0
    sweep: float = 360.0

    def __post_init__(self) -> None:
        for axis in (self.a, self.b):
            if not 0.0 < axis <= LARGEST:
                raise refuse("bad_axis", value=axis)
        if not 0.0 < self.sweep <= 360.0:
            raise refuse("bad_sweep", value=self.sweep)

    @property
    def whole(self) -> bool:
        """Whether it is not only a part."""
        return self.sweep == 360.0

    def at(self, angle: float) -> Point:
        """The place at an eccentric angle (radians)."""
        c, s = unit_vector(self.turn)
        u, v = self.a * cos(angle), self.b * sin(angle)
        return Point(self.centre.x + u * c - v * s, self.centre.y + u * s + v * c)

    def to_own(self, x: float, y: float) -> tuple[float, float]:
        """A place in the ellipse's own axes, from its centre."""
        c, s = unit_vector(self.turn)
        dx, dy = x - self.centre.x, y - self.centre.y
        return dx * c + dy * s, dy * c - dx * s

    def angle_at(self, x: float, y: float) -> float:
        """The eccentric angle (radians) of a place on it."""
        u, v = self.to_own(x, y)
        return atan2(v / self.b, u / self.a)

    def covers(self, angle: float) -> bool:
        """Whether an eccentric angle (radians) lies in the part that there is."""
        if self.whole:
            return True
        past = (degrees(angle) - self.begin) % 360.0
        return past <= self.sweep + 1e-9 or past >= 360.0 - 1e-9

    def direction_at(self, angle: float) -> float:
        """The direction from the centre, counted from the first axis, at an eccentric angle; both in degrees."""
        turn = degrees(atan2(self.b * sin(radians(angle)), self.a * cos(radians(angle))))
        return turn % 360.0

    @property
    def start(self) -> Point:
        """Where the part begins."""
        return self.at(radians(self.begin))

    @property
    def end(self) -> Point:
        """Where the part ends."""
        return self.at(radians(self.begin + self.sweep))

    @property
    def length(self) -> float:
        """Length along it: Gauss-Legendre quadrature on short spans; published: Abramowitz and Stegun 25.4.29."""
        spans = 64
        step = radians(self.sweep) / spans
        total = 0.0
        for k in range(spans):
            middle = radians(self.begin) + (k + 0.5) * step
            for node, weight in _GAUSS:
                for t in (middle - 0.5 * step * node, middle + 0.5 * step * node):
                    total += weight * hypot(self.a * sin(t), self.b * cos(t))
        return total * 0.5 * step

    @property
    def area(self) -> float:
        """Area of the whole ellipse."""
        return pi * self.a * self.b


_GAUSS = (
    (0.1488743389816312, 0.2955242247147529),
    (0.4333953941292472, 0.2692667193099963),
    (0.6794095682990244, 0.2190863625159820),
    (0.8650633666889845, 0.1494513491505806),
    (0.9739065285171717, 0.0666713443086881),
)
"""Nodes and weights of the ten-point rule on -1..1; each stands for both signs."""
