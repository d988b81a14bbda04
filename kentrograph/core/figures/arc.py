"""Arcs of circles."""

from dataclasses import dataclass
from math import radians

from ..angles import direction_of
from ..problem import refusal
from .circle import checked_radius
from .point import Point


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
            raise refusal("bad_sweep", value=self.sweep)

    @property
    def length(self) -> float:
        """Length along the arc in the drawing's unit."""
        return self.radius * abs(radians(self.sweep))

    @property
    def from_direction(self) -> float:
        """Direction of its start from the centre, degrees counter-clockwise from east."""
        return direction_of(self.start.x - self.centre.x, self.start.y - self.centre.y)
