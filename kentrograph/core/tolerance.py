"""The one place that says what "touches", "parallel" and "the same place" mean.

Lengths are compared with lengths and angles with angles, never one with the other.

A length is *nothing* when it is below ``size_share`` of the size of what is compared plus
``noise_share`` of how far from the datum it lies. The second part is what double precision leaves of
a coordinate: a place 1e7 from the datum is known to about 2e-9 and no better, whatever its size.
"""

from dataclasses import dataclass
from math import hypot

LARGEST = 1e15
"""No coordinate or length may be larger (in the drawing's unit): beyond it doubles are whole units apart."""


@dataclass(frozen=True, slots=True)
class Tolerance:
    """What counts as equal.

    size_share: share of the size of the figures compared; no unit.
    noise_share: share of their distance from the datum; no unit, a few units in the last place.
    angle: radians.
    """

    size_share: float = 1e-10
    noise_share: float = 8e-15
    angle: float = 1e-11

    def length(self, size: float, away: float = 0.0) -> float:
        """The length below which a difference is nothing, for figures of ``size``, ``away`` from the datum.

        >>> Tolerance().length(100.0) <= 1.01e-8
        True
        """
        return self.size_share * size + self.noise_share * away

    def same_place(self, ax: float, ay: float, bx: float, by: float) -> bool:
        """Whether two places cannot be told apart at all: only noise of their coordinates lies between them."""
        away = max(abs(ax), abs(ay), abs(bx), abs(by))
        return hypot(ax - bx, ay - by) <= self.noise_share * away

    def parallel(self, sine: float) -> bool:
        """Whether two directions, with this sine between them, are the same or opposite."""
        return abs(sine) <= self.angle


TOLERANCE = Tolerance()
"""The tolerance of the application; passed down, never changed."""
