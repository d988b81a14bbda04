"""Angles: degrees to unit vectors and back, exact at the quarter turns.

Everything in the core is counter-clockwise from east (x to the right, y up). Drawings may show another
convention; `Convention` turns one into the other.
"""

from dataclasses import dataclass
from math import atan2, cos, degrees, fmod, hypot, radians, sin
from typing import Literal

from .tolerance import NORMAL


def unit_vector(direction: float) -> tuple[float, float]:
    """The unit vector in ``direction`` (degrees, counter-clockwise from east).

    The angle is reduced to at most 45 degrees either side of an axis before the sine is taken, so the
    quarter points are exact. Source: common practice (argument reduction).

    >>> unit_vector(90.0), unit_vector(-180.0), unit_vector(720.0)
    ((0.0, 1.0), (-1.0, 0.0), (1.0, 0.0))
    """
    turn = fmod(direction, 360.0)
    quarter = round(turn / 90.0)
    rest = radians(turn - 90.0 * quarter)
    c, s = cos(rest), sin(rest)
    match quarter % 4:
        case 0:
            return (c, s)
        case 1:
            return (0.0 - s, c)
        case 2:
            return (0.0 - c, 0.0 - s)
        case _:
            return (s, 0.0 - c)


def direction_of(dx: float, dy: float) -> float:
    """The direction of a vector in degrees, 0 <= d < 360; exact at the quarter turns. A zero vector gives 0.

    >>> direction_of(0.0, -2.0), direction_of(-1.0, 0.0)
    (270.0, 180.0)
    """
    if dx == 0.0 and dy == 0.0:
        return 0.0
    if abs(dy) <= abs(dx):
        base, rest = (0.0, atan2(dy, dx)) if dx > 0 else (180.0, atan2(-dy, -dx))
    else:
        base, rest = (90.0, atan2(-dx, dy)) if dy > 0 else (270.0, atan2(dx, -dy))
    return full_turn(base + degrees(rest))


def full_turn(direction: float) -> float:
    """The same direction with 0 <= d < 360.

    >>> full_turn(-90.0), full_turn(-1e-30)
    (270.0, 0.0)
    """
    turn = fmod(direction, 360.0)
    if turn < 0.0:
        turn += 360.0
    return 0.0 if turn >= 360.0 else turn + 0.0


def unit(dx: float, dy: float) -> tuple[float, float]:
    """The vector divided by its length, which the caller knows is not zero.

    >>> unit(5e-324, 5e-324) == unit(1.0, 1.0)
    True
    """
    length = hypot(dx, dy)
    if length < NORMAL:
        # Below the normal doubles a length has hardly a digit left; a power of two brings them all back.
        dx, dy = dx * 2.0**600, dy * 2.0**600
        length = hypot(dx, dy)
    return (dx / length, dy / length)


@dataclass(frozen=True, slots=True)
class Convention:
    """How a drawing counts directions: where zero is, and which way they grow."""

    zero: Literal["east", "north"] = "east"
    clockwise: bool = False

    def to_core(self, shown: float) -> float:
        """Degrees as the drawing counts them, to degrees counter-clockwise from east.

        >>> Convention("north", True).to_core(30.0)
        60.0
        """
        start = 90.0 if self.zero == "north" else 0.0
        return start - shown if self.clockwise else start + shown

    def from_core(self, direction: float) -> float:
        """Degrees counter-clockwise from east, to degrees as the drawing counts them, 0 <= d < 360."""
        start = 90.0 if self.zero == "north" else 0.0
        return full_turn(start - direction if self.clockwise else direction - start)
