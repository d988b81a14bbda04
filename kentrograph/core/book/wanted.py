"""What a reading should be: a value with what it may be off, limits, or a fit of the trade."""

from bisect import bisect_left
from dataclasses import dataclass
from math import inf

from ..problem import refuse
from ..tolerance import TOLERANCE
from ..units import convert


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

    @property
    def limited(self) -> bool:
        """Whether it is said how far a reading may be off."""
        return self.low > -inf or self.high < inf


_SIZES = (3.0, 6.0, 10.0, 18.0, 30.0, 50.0, 80.0, 120.0, 180.0, 250.0, 315.0, 400.0, 500.0)
"""Nominal sizes in mm up to which each column of the tables holds."""
_GRADES = {
    5: (4, 5, 6, 8, 9, 11, 13, 15, 18, 20, 23, 25, 27),
    6: (6, 8, 9, 11, 13, 16, 19, 22, 25, 29, 32, 36, 40),
    7: (10, 12, 15, 18, 21, 25, 30, 35, 40, 46, 52, 57, 63),
    8: (14, 18, 22, 27, 33, 39, 46, 54, 63, 72, 81, 89, 97),
    9: (25, 30, 36, 43, 52, 62, 74, 87, 100, 115, 130, 140, 155),
    10: (40, 48, 58, 70, 84, 100, 120, 140, 160, 185, 210, 230, 250),
    11: (60, 75, 90, 110, 130, 160, 190, 220, 250, 290, 320, 360, 400),
    12: (100, 120, 150, 180, 210, 250, 300, 350, 400, 460, 520, 570, 630),
}
"""Widths of the tolerance in micrometres. Source: ISO 286-1, standard tolerance grades, from memory."""
_AWAY = {
    "d": (20, 30, 40, 50, 65, 80, 100, 120, 145, 170, 190, 210, 230),
    "e": (14, 20, 25, 32, 40, 50, 60, 72, 85, 100, 110, 125, 135),
    "f": (6, 10, 13, 16, 20, 25, 30, 36, 43, 50, 56, 62, 68),
    "g": (2, 4, 5, 6, 7, 9, 10, 12, 14, 15, 17, 18, 20),
    "h": (0,) * 13,
}
"""How far a shaft stays below its size, and a hole above it, in micrometres. Source: ISO 286-1, from memory."""
_OVER = {
    "m": (2, 4, 6, 7, 8, 9, 11, 13, 15, 17, 20, 21, 23),
    "n": (4, 8, 10, 12, 15, 17, 20, 23, 27, 31, 34, 37, 40),
    "p": (6, 12, 15, 18, 22, 26, 32, 37, 43, 50, 56, 62, 68),
}
"""How far a shaft stays above its size, in micrometres. Source: ISO 286-1, from memory."""
FITS = "D E F G H JS for holes, d e f g h js m n p for shafts, with a grade of 5 to 12"


def fit_limits(fit: str, size: float, unit: str) -> tuple[float, float]:
    """The least and the greatest deviation of a fit, as ``H7`` or ``g6``, for a size in a unit.

    Sizes up to 500 mm. Raises `Refused` (no_fit) without a place.

    >>> fit_limits("H7", 25.0, "mm"), fit_limits("g6", 25.0, "mm")
    ((0.0, 0.021), (-0.02, -0.007))
    """
    letters, grade = fit.rstrip("0123456789"), fit.lstrip("DEFGHJSdefghjsmnp")
    size_mm = abs(convert(size, unit, "mm"))
    if size_mm > _SIZES[-1]:
        raise refuse("no_fit", found=fit, sizes=True)
    if not grade.isdigit() or int(grade) not in _GRADES:
        raise refuse("no_fit", found=fit, sizes=False)
    # A size that stands at the end of a column stays in it, whatever unit it was written in.
    column = bisect_left(_SIZES, size_mm * (1.0 - TOLERANCE.size_share))
    width = _GRADES[int(grade)][column]
    low: float
    high: float
    if letters in ("js", "JS"):
        low, high = -width / 2, width / 2
    elif letters in _AWAY:
        low, high = -_AWAY[letters][column] - width, -_AWAY[letters][column]
    elif letters.isupper() and letters.lower() in _AWAY:
        low, high = _AWAY[letters.lower()][column], _AWAY[letters.lower()][column] + width
    elif letters in _OVER:
        low, high = _OVER[letters][column], _OVER[letters][column] + width
    else:
        raise refuse("no_fit", found=fit, sizes=False)
    return convert(low / 1000, "mm", unit), convert(high / 1000, "mm", unit)
