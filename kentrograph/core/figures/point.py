"""The point."""

from dataclasses import dataclass

from ..problem import refusal
from ..tolerance import LARGEST


@dataclass(frozen=True, slots=True)
class Point:
    """A place: x to the right, y up, in the drawing's unit.

    Raises `Refused` (too_large) for coordinates that are not finite or beyond `LARGEST`.
    """

    x: float
    y: float

    def __post_init__(self) -> None:
        # One chained comparison refuses NaN as well: every comparison with it is false.
        if not (-LARGEST <= self.x <= LARGEST and -LARGEST <= self.y <= LARGEST):
            raise refusal("too_large", value=self.y if -LARGEST <= self.x <= LARGEST else self.x)


def halfway(a: Point, b: Point) -> Point:
    """The middle of two places; from the first, so that far from the datum nothing is lost."""
    return Point(a.x + (b.x - a.x) / 2.0, a.y + (b.y - a.y) / 2.0)
