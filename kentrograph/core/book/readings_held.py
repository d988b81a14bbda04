"""A measured value, as a step holds it."""

from dataclasses import dataclass, field
from math import remainder

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
    def is_wanted(self) -> bool:
        """Whether it is the value wanted itself, but for what rounding leaves of either."""
        off = self.difference
        return off is not None and self.wanted is not None and abs(off) <= self._slack

    @property
    def _slack(self) -> float:
        assert self.wanted is not None
        return TOLERANCE.length(abs(self.value) + abs(self.wanted.value))

    @property
    def good(self) -> bool | None:
        """Whether it lies within the limits that were asked for; None where none were. A limit itself is within."""
        off = self.difference
        if off is None or self.wanted is None or not self.wanted.limited:
            return None
        return self.wanted.low - self._slack <= off <= self.wanted.high + self._slack
