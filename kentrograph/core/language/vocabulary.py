"""Every word of the language, once: kinds of figure with their givens, verbs, readings, side words.

The parser, the completion and the reference page all read these tables.
"""

from ..book.kinds import STATEMENT_KINDS
from ..book.pens import PENS as ALL_PENS
from ..book.readings import NUMBERS, READINGS

SIDES = frozenset(
    "left right outside inside enclosing entering leaving major minor clockwise counter-clockwise".split()
    + "first second third fourth".split()
)
CHOOSERS = frozenset({"near", "solution"})


HEADERS = frozenset({"unit", "decimals", "fractions", "angles", "datum"})
PENS = frozenset(ALL_PENS)

FUNCTIONS: dict[str, tuple[int, int]] = {
    "sqrt": (1, 1),
    "sin": (1, 1),
    "cos": (1, 1),
    "tan": (1, 1),
    "asin": (1, 1),
    "acos": (1, 1),
    "atan": (1, 1),
    "abs": (1, 1),
    "min": (2, 16),
    "max": (2, 16),
}
"""Functions with the fewest and the most arguments; angles in degrees."""

SHORT = {"r": "radius", "d": "diameter", "\u2300": "diameter"}
"""Short forms of the trade for the words of sizes, in front of a number. *Common practice* in drawings (ISO 129-1)."""
_OF_FIGURES = {
    "x": "the x of a place",
    "y": "the y of a place",
    "r": "radius",
    "radius": "radius",
    "d": "diameter",
    "diameter": "diameter",
    "length": "length",
    "dir": "direction",
    "direction": "direction",
    "sweep": "sweep",
    "count": "how many a set has",
    "area": "area of what is closed",
    "perimeter": "length of the edge of what is closed",
    "circumference": "circumference",
    "value": "value of a reading",
}
PARTS = {**_OF_FIGURES, **NUMBERS, **_OF_FIGURES}
"""Every word that can stand after the dot, and what it is: those of figures first."""

PLACE_WORDS = frozenset("start end middle centre center box corner on crossing foot nearest touch".split())
UNIT_WORDS = frozenset("mm cm m in ft yd deg gon rad".split())
JOINTS = frozenset(
    "of at to from on along past by near about solution close less wanted within in and flats area measure az pi times last"
    " toward corner curve via straight".split()
)

NAMES_TOO = frozenset(
    "axis keep whole apart fit group place over upright round step scaled pen show fine hidden outline".split()
    + "least most up moments count closing balance transit".split()
    + "approved author axes bracketed chain date department detail dimension document edges field free hatch".split()
    + "lies material note number order owner paper polar reference revision rows running says sheet status".split()
    + "subtitle table title view".split()
)
"""Words that came when figures could bear them as names already: they still can."""

RESERVED = (
    ((frozenset(STATEMENT_KINDS) | frozenset(g.word for k in STATEMENT_KINDS.values() for g in k.givens)) - NAMES_TOO)
    | (frozenset(READINGS) - NAMES_TOO)
    | HEADERS
    | (PENS - NAMES_TOO)
    | frozenset(FUNCTIONS)
    | PLACE_WORDS
    | UNIT_WORDS
    | JOINTS
    | SIDES
)
"""Words that cannot be names."""
