"""What a dimension says, composed: prefix, value, tolerance, brackets; as marks on a base line that begins at 0, 0."""

from dataclasses import dataclass, replace

from ..book.manner import Header
from ..book.on_paper import Dimension
from ..book.readings_held import Reading
from ..figures import Line, Point
from ..language.limit_words import limits_on_paper, scale_of
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
    value, limits = (value_words(reading, header), ()) if reading.wanted is None else limits_on_paper(reading, header)
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
    return scale_of(replace(reading, wanted=None), header).on_paper(reading.value)
