"""How a reading stands to what is wanted of it."""

from math import inf
from typing import Literal

from ..book.manner import Header
from ..book.readings import QUANTITIES
from ..book.values import Reading

Verdict = Literal["out", "close", "within", "none"]
"""Out of its limits; within them, but close to one; within; nothing is wanted of it. The first is the most trouble."""

CLOSE = 0.1
"""So much of the width between two limits, next to either, is close."""
HALF_A_SECOND = 0.5 / 3600.0


def verdict(reading: Reading, header: Header) -> Verdict:
    """A reading with limits is held against them; one of which only a value is wanted should show that value. The nominal size of
    a dimension that is drawn as it is written is within, wherever its limits lie; so is what lies on a nominal value."""
    off, wanted = reading.difference, reading.wanted
    if off is None or wanted is None:
        return "none"
    if not wanted.limited or (wanted.nominal and reads_as_wanted(reading, header)):
        return "within" if reads_as_wanted(reading, header) else "out"
    if not reading.good:
        return "out"
    width = wanted.high - wanted.low
    # What has a limit on one side only is close to nothing.
    near = width < inf and min(off - wanted.low, wanted.high - off) < CLOSE * width
    return "close" if near and not reading.is_wanted else "within"


def reads_as_wanted(reading: Reading, header: Header) -> bool:
    """Whether a reading cannot be told from the value wanted as the drawing shows numbers."""
    shown = HALF_A_SECOND if QUANTITIES[reading.kind] in ("direction", "turn") else 0.5 * header.shown
    return reading.difference is not None and abs(reading.difference) < shown
