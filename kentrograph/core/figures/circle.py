"""Circles."""

from dataclasses import dataclass
from math import pi

from ..problem import refusal
from ..tolerance import LARGEST
from .point import Point


def checked_radius(radius: float) -> float:
    """The radius, refused unless it is positive and not too large."""
    if not 0.0 < radius <= LARGEST:
        raise refusal("too_large", value=radius) if radius > LARGEST or radius != radius else refusal("bad_radius", value=radius)
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
