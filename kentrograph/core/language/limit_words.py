"""A reading and what is wanted of it, in words: value and limits in one unit, as fine as the limits need."""

from math import inf
from typing import NamedTuple

from ..book.manner import Header
from ..book.readings import QUANTITIES
from ..book.readings.reading_kind import Quantity
from ..book.readings_held import Reading
from ..tolerance import ROUGH_SHARE
from ..units import convert, plain
from . import display

_TRUE_TO = 0.01
"""A limit is written so that rounding changes it by no more than this share of it."""
_FEW_PLACES, _MOST_PLACES = 4, 12
_PARTS = (1, 2, 4, 8, 16, 32, 64)


class Scale(NamedTuple):
    """How the numbers of a reading are written: its values and its limits with at least so many decimals (of a second, where it
    is an angle), or, where ``parts`` is one, in such parts of an inch."""

    quantity: Quantity
    header: Header
    shown: str
    places: int
    of_limits: int
    parts: int
    inches: bool
    """Whether it is in feet and inches, with decimals where ``parts`` is 0."""

    def value(self, value: float) -> str:
        """A value with its unit."""
        if self.inches:
            return self._in_inches(value, bool(self.shown) or self.header.manner.unit != "in", self.places)
        if self.quantity == "turn" and self.places:
            return display.dms(value, self.places)
        return display.measured(value, self.quantity, self.header, self.shown, self.places)

    def on_paper(self, value: float) -> str:
        """A value as it stands on paper: in the drawing's unit without it, and with no zeros that say nothing."""
        if self.inches or self.quantity in ("area", "direction", "turn"):
            return self.value(value)
        off = display.in_shown_unit(value, self.quantity, self.header, self.shown)
        return plain(off, max(self.places, self.header.decimals))

    def difference(self, off: float) -> str:
        """By how much a value is off, with its sign and unit; of a direction that is a turn."""
        said = display.dms(off, self.places) if self.quantity == "direction" else self.value(off)
        return f"+{said}" if off > 0.0 and any(digit in said for digit in "123456789") else said

    def limit(self, off: float) -> str:
        """A deviation in the same unit, without it."""
        if self.quantity in ("direction", "turn"):
            return display.dms(off, self.of_limits)
        if self.inches:
            return self._in_inches(off, True, self.of_limits)
        return plain(display.in_shown_unit(off, self.quantity, self.header, self.shown), self.of_limits)

    def _in_inches(self, value: float, feet_too: bool, places: int) -> str:
        if self.parts:
            return display.feet_and_inches(value, self.header, self.parts, feet_too)
        return display.decimal_inches(value, self.header, places, feet_too)


def scale_of(reading: Reading, header: Header, only_wanted: bool = False) -> Scale:
    """How a reading is written, so that its limits can be read, and rounding its value, and that wanted, does not use them up;
    or only that wanted."""
    quantity, shown, wanted = QUANTITIES[reading.kind], reading.shown, reading.wanted
    limits = [abs(off) for off in (wanted.low, wanted.high) if abs(off) < inf and off] if wanted is not None else []
    values = [wanted.value, *([] if only_wanted else [reading.value])] if wanted is not None else []
    parts = display.parts_of_inch(quantity, header, shown)
    if parts:
        limits, values = ([convert(one, header.manner.unit, "in") for one in some] for some in (limits, values))
        slack = _TRUE_TO * min(limits, default=inf)
        finer = [n for n in _PARTS if n >= parts and all(_whole(off * n) for off in limits)]
        finer = [n for n in finer if all(abs(round(one * n) / n - one) <= slack for one in values)]
        if finer:
            return Scale(quantity, header, shown, 0, 0, finer[0], True)
    elif quantity in ("direction", "turn"):
        limits, values = ([one * 3600.0 for one in some] for some in (limits, values))
    else:
        limits, values = ([display.in_shown_unit(one, quantity, header, shown) for one in some] for some in (limits, values))
    of_limits = _places(limits)
    return Scale(quantity, header, shown, _places_of_values(values, limits, of_limits), of_limits, 0, bool(parts))


def _whole(parts: float) -> bool:
    return abs(parts - round(parts)) <= ROUGH_SHARE


def _places(limits: list[float]) -> int:
    """How many decimals it takes to write limits: as they are where a few do, else nearly so."""

    def enough(n: int, share: float) -> bool:
        return all(abs(round(off, n) - off) <= share * off for off in limits)

    exact = next((n for n in range(_FEW_PLACES + 1) if enough(n, ROUGH_SHARE)), None)
    return exact if exact is not None else next((n for n in range(_MOST_PLACES) if enough(n, _TRUE_TO)), _MOST_PLACES)


def _places_of_values(values: list[float], limits: list[float], least: int) -> int:
    """How many decimals values take beside their limits."""
    slack = _TRUE_TO * min(limits, default=inf)
    return next((n for n in range(least, _MOST_PLACES) if all(abs(round(v, n) - v) <= slack for v in values)), _MOST_PLACES)


def wanted_words(reading: Reading, header: Header) -> str:
    """What is wanted of a reading, with its limits: ``45.000 mm \u00b10.1``, ``45.000 mm to 45.200 mm``."""
    wanted, scale = reading.wanted, scale_of(reading, header)
    if wanted is None:
        return ""
    value = scale.value(wanted.value)
    if not wanted.limited:
        return value
    if wanted.high == inf:
        return f"at least {value}"
    if wanted.low == -inf:
        return f"at most {value}"
    if wanted.low == -wanted.high:
        return f"{value} \u00b1{scale.limit(wanted.high)}"
    if wanted.low == 0.0 and not wanted.fit:
        return f"{value} to {scale.value(wanted.value + wanted.high)}"
    return f"{value}, {_with_sign(scale.limit(wanted.low))} to {_with_sign(scale.limit(wanted.high))}"


def limits_on_paper(reading: Reading, header: Header) -> tuple[str, tuple[str, ...]]:
    """The value wanted of a reading as it stands on paper, and its limits beside it: one for both, or the lower and the upper."""
    wanted, scale = reading.wanted, scale_of(reading, header, only_wanted=True)
    assert wanted is not None
    value = scale.on_paper(wanted.value)
    if not wanted.limited:
        return value, ()
    if wanted.high == inf:
        return value, (" min",)
    if wanted.low == -inf:
        return value, (" max",)
    if wanted.fit:
        return value, (f" {wanted.fit}",)
    if wanted.low == -wanted.high:
        return value, (f" \u00b1{scale.limit(wanted.high)}",)
    low, high = (_with_sign(scale.limit(off)).replace("-", "\u2212") for off in (wanted.low, wanted.high))
    return value, (low, high)


def in_one_line(reading: Reading, header: Header) -> str:
    """The same in one line: ``45 \u00b10.1``, ``38 +0.021 / 0``; nothing where nothing is wanted."""
    if reading.wanted is None:
        return ""
    value, limits = limits_on_paper(reading, header)
    return f"{value} {limits[1]} / {limits[0]}" if len(limits) == 2 else value + "".join(limits)


def _with_sign(text: str) -> str:
    if not any(digit in text for digit in "123456789"):
        return "0"
    return text if text.startswith("-") else f"+{text}"
