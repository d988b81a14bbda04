"""What a step holds once evaluated."""

from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import partial
from math import remainder
from typing import Any, NamedTuple

from ..construct.solution import Solution
from ..figures import Figure, Point
from ..problem import Problem
from ..tolerance import TOLERANCE
from .wanted import Wanted


@dataclass(frozen=True, slots=True)
class Reading:
    """A measured value. ``parts`` are the further numbers that belong to it (across, up, direction)."""

    kind: str
    value: float
    parts: dict[str, float] = field(default_factory=dict)
    wanted: Wanted | None = None
    state: str = ""
    """How two figures stand to each other, for a gap: touches, gap, crosses, lies on."""
    shown: str = ""
    """The unit of length in which it is shown, or the parts of an inch (``1/16``); the drawing's where that is empty."""

    @property
    def difference(self) -> float | None:
        """By how much it differs from the value wanted; a direction by the smaller turn, -180 to 180 degrees."""
        if self.wanted is None:
            return None
        off = self.value - self.wanted.value
        return remainder(off, 360.0) if self.kind == "direction" else off

    @property
    def good(self) -> bool | None:
        """Whether it lies within the limits that were asked for; None where none were. A limit itself is within."""
        off = self.difference
        if off is None or self.wanted is None or not self.wanted.limited:
            return None
        slack = TOLERANCE.length(abs(self.value) + abs(self.wanted.value))
        return self.wanted.low - slack <= off <= self.wanted.high + slack


@dataclass(frozen=True, slots=True)
class Mark:
    """What a step holds that draws nothing, and changes how others are drawn: see `scene`."""

    says: str
    """pen and its name, hide, or show."""


Untouchable = float | Reading | Mark
"""What a step holds that is no figure: it is not drawn, nor snapped to, nor shaped."""


class Drawn(NamedTuple):
    """A step that could be drawn: its figure, number or reading.

    ``last`` is the place that it put down last, for relative entries that follow; None where it put down none.
    """

    figure: Figure | float | Reading | Mark
    last: Point | None = None
    solutions: Sequence[Solution] = ()
    taken: int = 0
    note: str = ""
    """What a person should know of it: that a crossing lies past an end."""
    more: tuple[Figure, ...] = ()
    """Where several figures come of a step, those after the first, in the order of its names."""

    @property
    def results(self) -> tuple[Any, ...]:
        """All figures that come of it, in the order of the step's names."""
        return (self.figure, *self.more)


drawn_plainly = partial(tuple.__new__, Drawn)
"""A `Drawn` from all six of its fields, without the call in Python that naming them takes: for the everyday plans."""

Value = Drawn | Problem
