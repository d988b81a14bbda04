"""What a dimension says, composed: prefix, value, tolerance, brackets; as marks on a base line that begins at 0, 0."""

from dataclasses import dataclass
from math import isinf

from ..book.manner import Header
from ..book.on_paper import Dimension
from ..book.parts import QUANTITIES
from ..book.readings_held import Reading
from ..book.wanted import Wanted
from ..figures import Line, Point
from ..language import display
from ..units import MILLIMETRES, convert, plain
from .letters import width_of
from .marks import Lettering, Mark, Stroke
from .style import Style

_LIMITS = 0.7
"""Height of the limits beside a value, as a share of the value's."""


@dataclass(frozen=True, slots=True)
class Composed:
    """Marks on a base line that begins at 0, 0; how wide and high they are, and the words alone."""

    marks: tuple[Mark, ...]
    width: float
    height: float
    words: str


def composed(dimension: Dimension, which: int, header: Header, style: Style) -> Composed:
    """The value of one of a dimension's readings as it stands on paper."""
    reading = dimension.readings[which]
    sign = {"radius": "R", "diameter": "\u2300", "arc": "\u2312"}.get(dimension.form, "")
    before = f"{dimension.times} \u00d7 " if dimension.times > 1 else ""
    words = f"{before}{sign}{value_words(reading, header)}"
    limits: tuple[str, ...] = ()
    if reading.wanted is not None and (reading.good or dimension.free or _drawn_as(reading.wanted, reading, header)):
        # What is out says what is drawn: nobody may read a right number off a wrong line.
        value, limits = _tolerance(reading.wanted, reading, header)
        words = f"{before}{sign}{value}"
    if dimension.bracketed:
        words = f"({words})"
    return _set(words, limits, f" {dimension.words}" if dimension.words else "", dimension.free, style)


def in_words(words: str, dimension: Dimension, style: Style) -> Composed:
    """Words that are no reading, as coordinates, with what a dimension says beside them."""
    return _set(
        f"({words})" if dimension.bracketed else words, (), f" {dimension.words}" if dimension.words else "", False, style
    )


def _set(words: str, limits: tuple[str, ...], behind: str, free: bool, style: Style) -> Composed:
    marks: list[Mark] = []
    x = _letters(marks, words, 0.0, style)
    if free:
        # Not to scale: underlined.
        y = -0.25 * style.height
        marks.append(Stroke(Line(Point(0.0, y), Point(x, y)), style.narrow))
    height = style.height
    if len(limits) == 1:
        x = _letters(marks, limits[0], x, style)
    elif limits:
        small = _LIMITS * style.height
        low, high = limits
        marks.append(Lettering(high, Point(x + 0.3 * small, 0.9 * small), small))
        marks.append(Lettering(low, Point(x + 0.3 * small, -0.3 * small), small))
        x += 0.3 * small + max(width_of(high, small), width_of(low, small))
        height = max(height, 1.9 * small)
    if behind:
        x = _letters(marks, behind, x, style)
    return Composed(tuple(marks), x, height, words + " ".join(limits) + behind)


def _letters(marks: list[Mark], words: str, x: float, style: Style) -> float:
    """Sets words on the base line; where they end."""
    marks.append(Lettering(words, Point(x, 0.0), style.height))
    return x + width_of(words, style.height)


def value_words(reading: Reading, header: Header) -> str:
    """A measured value as it stands on paper: in the drawing's unit, without it, and with no zeros that say nothing."""
    return _measure(reading.value, reading, header)


def _measure(value: float, reading: Reading, header: Header) -> str:
    quantity = QUANTITIES[reading.kind]
    if quantity in ("area", "direction"):
        return display.measured(value, quantity, header, reading.shown)
    if quantity == "turn":
        return display.dms(value)
    if header.parts and not reading.shown and quantity == "length":
        return display.length(value, header)
    if reading.shown.startswith("1/"):
        return display.feet_and_inches(value, header, int(reading.shown[2:]))
    unit = reading.shown if reading.shown in MILLIMETRES else header.manner.unit
    return plain(convert(value, header.manner.unit, unit), header.decimals)


def _drawn_as(wanted: Wanted, reading: Reading, header: Header) -> bool:
    """Whether a value wanted, without limits, reads as what is drawn does."""
    return not wanted.limited and _measure(wanted.value, reading, header) == _measure(reading.value, reading, header)


def tolerance_words(wanted: Wanted, reading: Reading, header: Header) -> str:
    """A wanted value with its limits in one line: ``45 ±0.1``, ``38 +0.021 / 0``."""
    value, limits = _tolerance(wanted, reading, header)
    return f"{value} {limits[1]} / {limits[0]}" if len(limits) == 2 else value + "".join(limits)


def _tolerance(wanted: Wanted, reading: Reading, header: Header) -> tuple[str, tuple[str, ...]]:
    """The wanted value, and its limits as they stand beside it: one for both, or the lower and the upper one."""

    def off(value: float) -> str:
        if QUANTITIES[reading.kind] in ("turn", "direction"):
            return display.dms(value)
        unit = reading.shown if reading.shown in MILLIMETRES else header.manner.unit
        return plain(convert(value, header.manner.unit, unit), header.decimals + 2)

    value = _measure(wanted.value, reading, header)
    if not wanted.limited:
        return value, ()
    if isinf(wanted.high):
        return value, (" min",)
    if isinf(wanted.low):
        return value, (" max",)
    if wanted.fit:
        return value, (f" {wanted.fit}",)
    if wanted.low == -wanted.high:
        return value, (f" \u00b1{off(wanted.high)}",)
    return value, (_signed(off(wanted.low)), _signed(off(wanted.high)))


def _signed(text: str) -> str:
    if not any(digit in text for digit in "123456789"):
        return "0"
    return text.replace("-", "\u2212") if text.startswith("-") else f"+{text}"
