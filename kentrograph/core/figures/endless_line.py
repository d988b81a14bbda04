"""Lines without ends."""

from dataclasses import dataclass

from ..angles import direction_of
from .point import Point


@dataclass(frozen=True, slots=True)
class EndlessLine:
    """A line without ends, through a place along the unit vector (ux, uy)."""

    through: Point
    ux: float
    uy: float

    @property
    def direction(self) -> float:
        """Direction in which it runs, degrees counter-clockwise from east."""
        return direction_of(self.ux, self.uy)
