"""What a reading should be: a value with what it may be off, limits, or a fit of the trade."""

from dataclasses import dataclass
from math import inf


@dataclass(frozen=True, slots=True)
class Wanted:
    """A wanted value, and how far a reading may lie below (``low``, zero or negative) and above it (``high``).

    In the drawing's unit, or degrees. Without limits on either side nothing was asked but to be compared.
    """

    value: float
    low: float = -inf
    high: float = inf
    fit: str = ""
    """The fit of the trade from which the limits come, where they do."""
    nominal: bool = False
    """Whether the value is the nominal size of a dimension: what is drawn is that, wherever its limits lie."""

    @property
    def limited(self) -> bool:
        """Whether limits are stated for a reading."""
        return self.low > -inf or self.high < inf
