"""What can be measured: every kind of reading by its word, in the order of the tray.

A new one is declared in the file where it belongs, and nowhere else.
"""

from . import between, of_all, of_areas, of_curves
from .reading_kind import Quantity, ReadingKind

_ALL = (*between.READINGS, *of_curves.READINGS, *of_areas.READINGS, *of_all.READINGS)
READINGS: dict[str, ReadingKind] = {one.word: one for one in sorted(_ALL, key=lambda one: one.rare)}

QUANTITIES: dict[str, Quantity] = {
    **{word: quantity for one in _ALL for word, (quantity, _) in one.parts.items()},
    **{one.word: one.quantity for one in _ALL},
}
"""What the value of each kind of reading, and each further number of one, is measured in."""

NUMBERS: dict[str, str] = {
    **{word: said for one in _ALL for word, (_, said) in one.parts.items()},
    **{one.word: one.said for one in _ALL},
}
"""What each of these numbers is."""
