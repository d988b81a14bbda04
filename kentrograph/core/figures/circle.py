"""Circles and arcs."""

from dataclasses import dataclass
from math import pi, radians

from ..angles import direction_of
from ..problem import refuse
from ..tolerance import LARGEST
from .point import Point


def checked_radius(radius: float) -> float:
    """The radius, refused unless it is positive and not too large."""
    if not 0.0 < radius <= LARGEST:
        raise refuse("too_large", value=radius) if radius > LARGEST or radius != radius else refuse("bad_radius", value=radius)
    return radius


@dataclass(frozen=True, slots=True)
class Circle:
    """A whole circle. Raises `Refused` (bad_radius) for a radius that is not positive.

    >>> Circle(Point(0.0, 0.0), 0.0)
    Traceback (most recent call last):
    ...
    kentrograph.core.problem.Refused: ('bad_radius', {'value': 0.0})
    """

    centre: Point
    radius: float

    def __post_init__(self) -> None:
        checked_radius(self.radius)

    @property
    def length(self) -> float:
        """Circumference in the drawing's unit."""
        return 2.0 * pi * self.radius


@dataclass(frozen=True, slots=True)
class Arc:
    """Part of a circle, from ``start`` to ``end`` about ``centre``.

    ``sweep`` is in degrees, positive counter-clockwise, never zero and less than a full turn. The ends are
    kept as they were given, so that what meets there meets exactly.
    """

    centre: Point
    radius: float
    start: Point
    end: Point
    sweep: float

    def __post_init__(self) -> None:
        checked_radius(self.radius)
        if not 0.0 < abs(self.sweep) < 360.0:
            raise refuse("bad_sweep", value=self.sweep)

    @property
    def length(self) -> float:
        """Length along the arc in the drawing's unit."""
        return self.radius * abs(radians(self.sweep))

    @property
    def from_direction(self) -> float:
        """Direction of its start from the centre, degrees counter-clockwise from east."""
        return direction_of(self.start.x - self.centre.x, self.start.y - self.centre.y)
