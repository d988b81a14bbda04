"""Ellipses, whole or in part."""

from dataclasses import dataclass
from math import atan2, cos, degrees, hypot, pi, radians, sin

from ..angles import unit_vector
from ..problem import refusal
from ..tolerance import LARGEST
from .ellipse_length import perimeter, span
from .point import Point


@dataclass(frozen=True, slots=True)
class Ellipse:
    """An ellipse with half axes ``a`` (along ``turn``) and ``b`` (square to it), from ``begin`` over ``sweep``.

    ``turn`` is the direction of the first axis, in degrees. ``begin`` and ``sweep`` are in degrees of the eccentric
    angle; a whole ellipse has begin 0 and sweep 360, a part that runs clockwise has a sweep below 0. Raises `Refused`
    (bad_axis, bad_sweep).

    >>> Ellipse(Point(0.0, 0.0), 3.0, 2.0, 0.0, 0.0, 0.0)
    Traceback (most recent call last):
    ...
    kentrograph.core.problem.Refused: ('bad_sweep', {'value': 0.0})
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
                raise refusal("bad_axis", value=axis)
        if not (0.0 < self.sweep <= 360.0 or -360.0 < self.sweep < 0.0):
            raise refusal("bad_sweep", value=self.sweep)

    @property
    def whole(self) -> bool:
        """Whether it is not only a part."""
        return self.sweep == 360.0

    def at(self, angle: float) -> Point:
        """The place at an eccentric angle (radians)."""
        return self._at(cos(angle), sin(angle))

    def at_degrees(self, angle: float) -> Point:
        """The place at an eccentric angle in degrees, exact at the ends of the axes."""
        return self._at(*unit_vector(angle))

    def _at(self, cosine: float, sine: float) -> Point:
        c, s = unit_vector(self.turn)
        u, v = self.a * cosine, self.b * sine
        return Point(self.centre.x + u * c - v * s, self.centre.y + u * s + v * c)

    def to_own(self, x: float, y: float) -> tuple[float, float]:
        """A place in the ellipse's own axes, from its centre."""
        c, s = unit_vector(self.turn)
        dx, dy = x - self.centre.x, y - self.centre.y
        return dx * c + dy * s, dy * c - dx * s

    def vector(self, u: float, v: float) -> tuple[float, float]:
        """A vector in the ellipse's own axes, along the drawing's."""
        c, s = unit_vector(self.turn)
        return u * c - v * s, u * s + v * c

    def angle_at(self, x: float, y: float) -> float:
        """The eccentric angle (radians) of a place on it."""
        u, v = self.to_own(x, y)
        return atan2(v / self.b, u / self.a)

    def past_begin(self, angle: float) -> float:
        """Degrees of the eccentric angle from where it begins, as it runs, to an eccentric angle (radians); 0 <= d < 360."""
        past = degrees(angle) - self.begin
        return (past if self.sweep > 0.0 else -past) % 360.0

    def covers(self, angle: float) -> bool:
        """Whether an eccentric angle (radians) lies in the part that there is."""
        return self.whole or self.past_begin(angle) <= abs(self.sweep)

    def direction_at(self, angle: float) -> float:
        """The direction from the centre, counted from the first axis, at an eccentric angle; both in degrees."""
        turn = degrees(atan2(self.b * sin(radians(angle)), self.a * cos(radians(angle))))
        return turn % 360.0

    def heading_at(self, angle: float) -> tuple[float, float]:
        """The unit vector along which it runs at an eccentric angle (degrees)."""
        c, s = unit_vector(angle)
        u, v = (-self.a * s, self.b * c) if self.sweep > 0.0 else (self.a * s, -self.b * c)
        size = hypot(u, v)
        return self.vector(u / size, v / size)

    @property
    def start(self) -> Point:
        """Where the part begins."""
        return self.at_degrees(self.begin)

    @property
    def end(self) -> Point:
        """Where the part ends."""
        return self.at_degrees(self.begin + self.sweep)

    @property
    def length(self) -> float:
        """Length along it, in the drawing's unit."""
        if self.whole:
            return perimeter(self.a, self.b)
        low, high = sorted((self.begin, self.begin + self.sweep))
        return span(self.a, self.b, radians(low), radians(high))

    @property
    def area(self) -> float:
        """Area of the whole ellipse."""
        return pi * self.a * self.b
