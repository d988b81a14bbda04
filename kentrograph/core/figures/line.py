"""Lines with two ends."""

from dataclasses import dataclass
from math import hypot

from ..angles import direction_of
from ..problem import refusal
from ..tolerance import TOLERANCE
from .point import Point


@dataclass(frozen=True, slots=True)
class Line:
    """A line from ``start`` to ``end``. Raises `Refused` (zero_length) when the two cannot be told apart.

    >>> Line(Point(1.0, 1.0), Point(1.0, 1.0))
    Traceback (most recent call last):
    ...
    kentrograph.core.problem.Refused: ('zero_length', {'x': 1.0, 'y': 1.0})
    """

    start: Point
    end: Point

    def __post_init__(self) -> None:
        if TOLERANCE.same_place(self.start.x, self.start.y, self.end.x, self.end.y):
            raise refusal("zero_length", x=self.start.x, y=self.start.y)

    @property
    def length(self) -> float:
        """Length in the drawing's unit."""
        return hypot(self.end.x - self.start.x, self.end.y - self.start.y)

    @property
    def direction(self) -> float:
        """Direction from start to end, degrees counter-clockwise from east."""
        return direction_of(self.end.x - self.start.x, self.end.y - self.start.y)
