"""The one place that says what "touches", "parallel" and "the same place" mean.

Lengths are compared with lengths and angles with angles, never one with the other.

A length is *nothing* when it is below ``size_share`` of the size of what is compared plus
``noise_share`` of how far from the datum it lies. The second part is what double precision leaves of
a coordinate: a place 1e7 from the datum is known to about 2e-9 and no better, whatever its size.
"""

from dataclasses import dataclass
from math import hypot, sqrt

LARGEST = 1e15
"""No coordinate or length may be larger (in the drawing's unit): beyond it doubles are whole units apart."""
SMALLEST_STEP = 1e-9
"""A step in which positions are counted and that is smaller cannot be told from none."""


@dataclass(frozen=True, slots=True)
class Tolerance:
    """What counts as equal.

    size_share: share of the size of the figures compared; no unit.
    noise_share: share of their distance from the datum; no unit, a few units in the last place.
    angle: radians.
    joint_share: share of the size of a chain by which its ends may miss each other and still meet; no unit.
    """

    size_share: float = 1e-10
    noise_share: float = 8e-15
    angle: float = 1e-11
    joint_share: float = 1e-9

    def length(self, size: float, away: float = 0.0) -> float:
        """The length below which a difference is nothing, for figures of ``size``, ``away`` from the datum.

        >>> Tolerance().length(100.0) <= 1.01e-8
        True
        """
        return self.size_share * size + self.noise_share * away

    def closing(self, size: float, away: float, pieces: int) -> float:
        """The length below which a chain of ``size`` and so many pieces has come back to where it began.

        Each piece that counts from the one before it may lose half a unit in the last place of a coordinate.

        >>> Tolerance().closing(1.0, 0.0, 4)
        1e-09
        """
        return self.joint_share * size + max(self.noise_share, pieces * 1.2e-16) * away

    def same_place(self, ax: float, ay: float, bx: float, by: float) -> bool:
        """Whether two places cannot be told apart at all: only noise of their coordinates lies between them."""
        away = max(abs(ax), abs(ay), abs(bx), abs(by))
        return hypot(ax - bx, ay - by) <= self.noise_share * away

    def parallel(self, sine: float, noise: float = 0.0) -> bool:
        """Whether two directions, with this sine between them, are the same or opposite.

        ``noise`` is the angle (radians) that the coordinates they were taken from leave open: see `direction_noise`.
        """
        return abs(sine) <= self.angle + noise

    def smooth(self, sine: float, noise: float = 0.0) -> bool:
        """Whether two pieces that meet, with this sine between their directions there, go on into one another.

        Touching places are known to the root of what touches: `size_share` of a size is about 1e-5 of an angle.
        """
        return abs(sine) <= sqrt(self.size_share) + noise

    def direction_noise(self, size: float, away: float) -> float:
        """How far the direction of a line of ``size`` may be turned by the noise of its coordinates; 0 for an endless one.

        >>> Tolerance().direction_noise(0.0, 1e7), Tolerance().direction_noise(2.0, 1e7) < 1e-7
        (0.0, True)
        """
        return self.noise_share * away / size if size > 0.0 else 0.0


TOLERANCE = Tolerance()
"""The tolerance of the application; passed down, never changed."""

# What sums leave open ------------------------------------------------------------------------------------

DEPENDENT_SHARE = 1e-9
"""What rounding leaves of an equation that follows from others, as a share of what it was."""
ROUGH_SHARE = 1e-6
"""Share of a size that sums in a hurry may be off: what comes so near to a decision is looked at exactly."""
GLANCING = 1e-4
"""Lines with a smaller sine between them meet where sums in a hurry do not tell well enough for an order."""
SPOT_SHARE = 1e-9
"""Share of what is looked at (a pointer's reach, a cell) within which places lie in one spot."""
NOISE_OF_SUMS = 1e-14
"""Share of the largest term below which a sum of a few terms is nothing but what rounding left of it."""
NOISE_OF_PRODUCTS = 1e-28
"""The same for a square of such sums, against the squares that it is made of."""
POLISHED = 1e-13
"""Share of its size by which a solution may miss its givens before it is worked on further."""
CONVERGED = 1e-15
"""A step of an iteration on numbers about 1 that moves nothing any more."""
SERIES_END = 1e-20
"""A term of a series that adds nothing to the sum so far, as a share of it."""
NUDGE = 1e-8
"""A step to the side for an iteration that stands on a place from which it cannot tell where to go."""
NORMAL = 1e-300
"""Vectors shorter than this are scaled up before they are divided by their length: their squares would vanish."""
