"""ISO code system for tolerances on linear sizes: deviations by letter and grade.

Source: ISO 286-1, 2010, tables 1 to 5 (standard tolerance grades, fundamental deviations of holes and shafts). From memory; the
tests hold each cell against the formulas from which the standard made it. Sizes in millimetres, deviations in micrometres.
"""

import re
from bisect import bisect_left

from ..problem import refusal
from ..tolerance import TOLERANCE
from ..units import convert

RANGES = (
    3, 6, 10, 18, 30, 50, 80, 120, 180, 250, 315, 400, 500, 630, 800, 1000, 1250, 1600, 2000, 2500, 3150,
)  # fmt: skip
"""Up to which size each column of the grades holds."""
_SMALL = 500.0
"""Up to here the standard has all letters and the grades 01 and 0."""
GRADES: dict[str, tuple[float, ...]] = {
    "01": (0.3, 0.4, 0.4, 0.5, 0.6, 0.6, 0.8, 1, 1.2, 2, 2.5, 3, 4),
    "0": (0.5, 0.6, 0.6, 0.8, 1, 1, 1.2, 1.5, 2, 3, 4, 5, 6),
    "1": (0.8, 1, 1, 1.2, 1.5, 1.5, 2, 2.5, 3.5, 4.5, 6, 7, 8, 9, 10, 11, 13, 15, 18, 22, 26),
    "2": (1.2, 1.5, 1.5, 2, 2.5, 2.5, 3, 4, 5, 7, 8, 9, 10, 11, 13, 15, 18, 21, 25, 30, 36),
    "3": (2, 2.5, 2.5, 3, 4, 4, 5, 6, 8, 10, 12, 13, 15, 16, 18, 21, 24, 29, 35, 41, 50),
    "4": (3, 4, 4, 5, 6, 7, 8, 10, 12, 14, 16, 18, 20, 22, 25, 28, 33, 39, 46, 55, 68),
    "5": (4, 5, 6, 8, 9, 11, 13, 15, 18, 20, 23, 25, 27, 32, 36, 40, 47, 55, 65, 78, 96),
    "6": (6, 8, 9, 11, 13, 16, 19, 22, 25, 29, 32, 36, 40, 44, 50, 56, 66, 78, 92, 110, 135),
    "7": (10, 12, 15, 18, 21, 25, 30, 35, 40, 46, 52, 57, 63, 70, 80, 90, 105, 125, 150, 175, 210),
    "8": (14, 18, 22, 27, 33, 39, 46, 54, 63, 72, 81, 89, 97, 110, 125, 140, 165, 195, 230, 280, 330),
    "9": (25, 30, 36, 43, 52, 62, 74, 87, 100, 115, 130, 140, 155, 175, 200, 230, 260, 310, 370, 440, 540),
    "10": (40, 48, 58, 70, 84, 100, 120, 140, 160, 185, 210, 230, 250, 280, 320, 360, 420, 500, 600, 700, 860),
    "11": (60, 75, 90, 110, 130, 160, 190, 220, 250, 290, 320, 360, 400, 440, 500, 560, 660, 780, 920, 1100, 1350),
    "12": (100, 120, 150, 180, 210, 250, 300, 350, 400, 460, 520, 570, 630, 700, 800, 900, 1050, 1250, 1500, 1750, 2100),
    "13": (140, 180, 220, 270, 330, 390, 460, 540, 630, 720, 810, 890, 970, 1100, 1250, 1400, 1650, 1950, 2300, 2800, 3300),
    "14": (250, 300, 360, 430, 520, 620, 740, 870, 1000, 1150, 1300, 1400, 1550, 1750, 2000, 2300, 2600, 3100, 3700, 4400, 5400),
    "15": (400, 480, 580, 700, 840, 1000, 1200, 1400, 1600, 1850, 2100, 2300, 2500,
           2800, 3200, 3600, 4200, 5000, 6000, 7000, 8600),
    "16": (600, 750, 900, 1100, 1300, 1600, 1900, 2200, 2500, 2900, 3200, 3600, 4000,
           4400, 5000, 5600, 6600, 7800, 9200, 11000, 13500),
    "17": (1000, 1200, 1500, 1800, 2100, 2500, 3000, 3500, 4000, 4600, 5200, 5700, 6300,
           7000, 8000, 9000, 10500, 12500, 15000, 17500, 21000),
    "18": (1400, 1800, 2200, 2700, 3300, 3900, 4600, 5400, 6300, 7200, 8100, 8900, 9700,
           11000, 12500, 14000, 16500, 19500, 23000, 28000, 33000),
}  # fmt: skip
"""Table 1: the width of each grade."""
STEPS = (
    3, 6, 10, 14, 18, 24, 30, 40, 50, 65, 80, 100, 120, 140, 160, 180, 200, 225, 250, 280, 315, 355, 400, 450, 500,
    560, 630, 710, 800, 900, 1000, 1120, 1250, 1400, 1600, 1800, 2000, 2240, 2500, 2800, 3150,
)  # fmt: skip
"""Up to which size each column of the deviations holds, where they are told apart more finely than the grades."""
_BELOW: dict[str, tuple[float, ...]] = {
    "a": (270, 270, 280, 290, 290, 300, 300, 310, 320, 340, 360, 380, 410, 460, 520, 580, 660, 740, 820, 920, 1050, 1200,
          1350, 1500, 1650),
    "b": (140, 140, 150, 150, 150, 160, 160, 170, 180, 190, 200, 220, 240, 260, 280, 310, 340, 380, 420, 480, 540, 600,
          680, 760, 840),
    "c": (60, 70, 80, 95, 95, 110, 110, 120, 130, 140, 150, 170, 180, 200, 210, 230, 240, 260, 280, 300, 330, 360, 400,
          440, 480),
    "cd": (34, 46, 56, 70, 85, 100),
    "d": (20, 30, 40, 50, 65, 80, 100, 120, 145, 170, 190, 210, 230, 260, 290, 320, 350, 390, 430, 480, 520),
    "e": (14, 20, 25, 32, 40, 50, 60, 72, 85, 100, 110, 125, 135, 145, 160, 170, 195, 220, 240, 260, 290),
    "ef": (10, 14, 18, 23, 28, 35),
    "f": (6, 10, 13, 16, 20, 25, 30, 36, 43, 50, 56, 62, 68, 76, 80, 86, 98, 110, 120, 130, 145),
    "fg": (4, 6, 8, 10, 12, 15),
    "g": (2, 4, 5, 6, 7, 9, 10, 12, 14, 15, 17, 18, 20, 22, 24, 26, 28, 30, 32, 34, 38),
    "h": (0,) * 21,
}  # fmt: skip
"""How far a shaft stays below its size, and a hole above it."""
_OVER: dict[str, tuple[float | None, ...]] = {
    "m": (2, 4, 6, 7, 8, 9, 11, 13, 15, 17, 20, 21, 23, 26, 30, 34, 40, 48, 58, 68, 76),
    "n": (4, 8, 10, 12, 15, 17, 20, 23, 27, 31, 34, 37, 40, 44, 50, 56, 66, 78, 92, 110, 135),
    "p": (6, 12, 15, 18, 22, 26, 32, 37, 43, 50, 56, 62, 68, 78, 88, 100, 120, 140, 170, 195, 240),
    "r": (10, 15, 19, 23, 23, 28, 28, 34, 34, 41, 43, 51, 54, 63, 65, 68, 77, 80, 84, 94, 98, 108, 114, 126, 132,
          150, 155, 175, 185, 210, 220, 250, 260, 300, 330, 370, 400, 440, 460, 550, 580),
    "s": (14, 19, 23, 28, 28, 35, 35, 43, 43, 53, 59, 71, 79, 92, 100, 108, 122, 130, 140, 158, 170, 190, 208, 232, 252,
          280, 310, 340, 380, 430, 470, 520, 580, 640, 720, 820, 920, 1000, 1100, 1250, 1400),
    "t": (None, None, None, None, None, None, 41, 48, 54, 66, 75, 91, 104, 122, 134, 146, 166, 180, 196, 218, 240, 268,
          294, 330, 360, 400, 450, 500, 560, 620, 680, 780, 840, 960, 1050, 1200, 1350, 1500, 1650, 1900, 2100),
    "u": (18, 23, 28, 33, 33, 41, 48, 60, 70, 87, 102, 124, 144, 170, 190, 210, 236, 258, 284, 315, 350, 390, 435, 490,
          540, 600, 660, 740, 840, 940, 1050, 1150, 1300, 1450, 1600, 1850, 2000, 2300, 2500, 2900, 3200),
    "v": (None, None, None, None, 39, 47, 55, 68, 81, 102, 120, 146, 172, 202, 228, 252, 284, 310, 340, 385, 425, 475,
          530, 595, 660),
    "x": (20, 28, 34, 40, 45, 54, 64, 80, 97, 122, 146, 178, 210, 248, 280, 310, 350, 385, 425, 475, 525, 590, 660, 740,
          820),
    "y": (None, None, None, None, None, 63, 75, 94, 114, 144, 174, 214, 254, 300, 340, 380, 425, 470, 520, 580, 650, 730,
          820, 920, 1000),
    "z": (26, 35, 42, 50, 60, 73, 88, 112, 136, 172, 210, 258, 310, 365, 415, 465, 520, 575, 640, 710, 790, 900, 1000,
          1100, 1250),
    "za": (32, 42, 52, 64, 77, 98, 118, 148, 180, 226, 274, 335, 400, 470, 535, 600, 670, 740, 820, 920, 1000, 1150,
           1300, 1450, 1600),
    "zb": (40, 50, 67, 90, 108, 136, 160, 200, 242, 300, 360, 445, 525, 620, 700, 780, 880, 960, 1050, 1200, 1300, 1500,
           1650, 1850, 2100),
    "zc": (60, 80, 97, 130, 150, 188, 218, 274, 325, 405, 480, 585, 690, 800, 900, 1000, 1150, 1250, 1350, 1550, 1700,
           1900, 2100, 2400, 2600),
}  # fmt: skip
"""How far a shaft stays above its size; None where the standard has none."""
_J_SHAFT = {
    "5": (2, 2, 2, 3, 4, 5, 7, 9, 11, 13, 16, 18, 20), "6": (2, 2, 2, 3, 4, 5, 7, 9, 11, 13, 16, 18, 20),
    "7": (4, 4, 5, 6, 8, 10, 12, 15, 18, 21, 26, 28, 32), "8": (6,),
}  # fmt: skip
"""How far a shaft j reaches below its size, by grade."""
_J_HOLE = {
    "6": (2, 5, 5, 6, 8, 10, 13, 16, 18, 22, 25, 29, 33), "7": (4, 6, 8, 10, 12, 14, 18, 22, 26, 30, 36, 39, 43),
    "8": (6, 10, 12, 15, 20, 24, 28, 34, 41, 47, 55, 60, 66),
}  # fmt: skip
"""How far a hole J reaches above its size, by grade."""
_K_SHAFT = (0, 1, 1, 1, 2, 2, 2, 3, 3, 4, 4, 4, 5)
"""How far a shaft k of the grades 4 to 7 stays above its size; of all others, and above 500 mm, it is 0."""
FIT = re.compile(r"(js|JS|cd|CD|ef|EF|fg|FG|z[abc]|Z[ABC]|[a-hjkmnprstuvxyz]|[A-HJKMNPRSTUVXYZ])(01|0|1[0-8]|[1-9])")
"""A fit: the letters of a shaft, or those of a hole in capitals, and a grade."""
FITS = "A to ZC for holes, a to zc for shafts, without I, L, O, Q and W, with a grade of 01 or 0 to 18"


def fit_limits(fit: str, size: float, unit: str) -> tuple[float, float]:
    """The least and the greatest deviation of a fit, as ``H7`` or ``g6``, for a size in a unit.

    Raises `Refused` (no_fit) without a place: for what is no fit, and for what the standard does not have for that size.

    >>> fit_limits("H7", 25.0, "mm"), fit_limits("g6", 25.0, "mm"), fit_limits("K7", 25.0, "mm")
    ((0.0, 0.021), (-0.02, -0.007), (-0.015, 0.006))
    """
    known = FIT.fullmatch(fit)
    if known is None:
        raise refusal("no_fit", found=fit, sizes="")
    letters, grade = known.groups()
    # A size that stands at the end of a column stays in it, whatever unit it was written in.
    size_mm = abs(convert(size, unit, "mm")) * (1.0 - TOLERANCE.size_share)
    try:
        low, high = _deviations(letters, grade, size_mm)
    except _NoneThereError:
        raise refusal("no_fit", found=fit, sizes=_sizes(letters, grade), size=size_mm) from None
    return convert(low / 1000.0, "mm", unit), convert(high / 1000.0, "mm", unit)


class _NoneThereError(Exception):
    """The standard has no such deviation for a size."""


def _deviations(letters: str, grade: str, size: float) -> tuple[float, float]:
    """The least and the greatest deviation in micrometres of a size in millimetres. Raises `_NoneThereError`."""
    return _hole(letters, grade, size) if letters[0].isupper() else _shaft(letters, grade, size)


def _shaft(letters: str, grade: str, size: float) -> tuple[float, float]:
    width = _width(letters, grade, size)
    if letters == "js":
        return -0.5 * width, 0.5 * width
    if letters in _BELOW:
        high = -_of(_BELOW[letters], size)
        return high - width, high
    if letters == "j":
        low = -_of(_J_SHAFT.get(grade, ()), size)
    elif letters == "k":
        low = float(_K_SHAFT[_column(RANGES, size)]) if grade in ("4", "5", "6", "7") and size <= _SMALL else 0.0
    else:
        low = _of(_OVER[letters], size)
    return low, low + width


def _hole(letters: str, grade: str, size: float) -> tuple[float, float]:
    own, width = letters.lower(), _width(letters, grade, size)
    if own == "js":
        return -0.5 * width, 0.5 * width
    if own in _BELOW:
        low = _of(_BELOW[own], size)
        return low, low + width
    fine = int(grade) <= (8 if own in ("k", "m", "n") else 7)
    if own == "j":
        high = _of(_J_HOLE.get(grade, ()), size)
    elif own == "k":
        if not fine and 3.0 < size <= _SMALL:
            raise _NoneThereError
        high = -float(_K_SHAFT[_column(RANGES, size)]) if size <= _SMALL else 0.0
    elif own == "n" and not fine and size <= _SMALL:
        if size <= 1.0:
            raise _NoneThereError
        high = -4.0 if size <= 3.0 else 0.0
    else:
        high = -_of(_OVER[own], size)
    if fine and 3.0 < size <= _SMALL and own != "j":
        high += _step_up(grade, size)
    if (letters, grade) == ("M", "6") and 250.0 < size <= 315.0:
        # Published: the one exception of table 3.
        high = -9.0
    return high - width, high


def _step_up(grade: str, size: float) -> float:
    """By how much a hole is larger than the mirrored shaft, so that both fit alike with the next finer grade: Δ of table 3."""
    if int(grade) < 3:
        return 0.0
    column = _column(RANGES, size)
    return GRADES[grade][column] - GRADES[str(int(grade) - 1)][column]


def _width(letters: str, grade: str, size: float) -> float:
    if size <= 1.0 and (int(grade) >= 14 or letters.lower() in ("a", "b")):
        raise _NoneThereError
    return _of(GRADES[grade], size)


def _of(values: tuple[float | None, ...], size: float) -> float:
    """The value for a size; the finer columns where there are more values than columns of the grades."""
    ranges = STEPS if len(values) > len(RANGES) else RANGES
    column = _column(ranges, size)
    value = values[column] if column < len(values) else None
    if value is None:
        raise _NoneThereError
    return value


def _column(ranges: tuple[int, ...], size: float) -> int:
    return bisect_left(ranges, size)


def _sizes(letters: str, grade: str) -> str:
    """For which sizes there is such a fit, in words."""
    there: list[tuple[float, float]] = []
    for low, high in zip((0.0, 1.0, *STEPS), (1.0, *STEPS), strict=False):
        try:
            _deviations(letters, grade, high)
        except _NoneThereError:
            continue
        there = [*there[:-1], (there[-1][0], high)] if there and there[-1][1] == low else [*there, (low, high)]
    return ", ".join(f"over {low:g} up to {high:g} mm" if low else f"up to {high:g} mm" for low, high in there)
