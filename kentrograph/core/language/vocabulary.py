"""Every word of the language, once: kinds of figure with their givens, verbs, readings, side words.

The parser, the completion and the reference page all read these tables.
"""

from dataclasses import dataclass
from typing import Literal

Shape = Literal[
    "place",
    "places",
    "pair",
    "number",
    "size",
    "direction",
    "turn",
    "figure",
    "thing",
    "figures",
    "count",
    "none",
    "curve",
    "distance-from",
    "range",
    "bisecting",
    "chord",
    "axis",
]
"""What follows the word of a given."""

SIDES = frozenset(
    "left right outside inside enclosing entering leaving major minor clockwise counter-clockwise".split()
    + "first second third fourth".split()
)
CHOOSERS = frozenset({"near", "solution"})


@dataclass(frozen=True, slots=True)
class GivenSpec:
    """A given: its word, what follows it, and one line that explains it."""

    word: str
    shape: Shape
    explanation: str
    repeats: bool = False


@dataclass(frozen=True, slots=True)
class KindSpec:
    """A kind of figure: the first letter of the names dealt to it, its givens, and one line that explains it."""

    word: str
    letter: str
    explanation: str
    givens: tuple[GivenSpec, ...]

    def given(self, word: str) -> GivenSpec | None:
        """The given with this word, if the kind has one."""
        return next((g for g in self.givens if g.word == word), None)


def _given(word: str, shape: Shape, explanation: str, repeats: bool = False) -> GivenSpec:
    return GivenSpec(word, shape, explanation, repeats)


KINDS: dict[str, KindSpec] = {
    kind.word: kind
    for kind in (
        KindSpec(
            "point",
            "P",
            "a point: coordinates, or any two facts that determine it",
            (
                _given("place", "place", "where it is: 40, 25 or 50 at 30 or + 5, 0"),
                _given("on", "figure", "lies on a figure", True),
                _given("from", "distance-from", "a distance from a place or from a line", True),
                _given("x", "number", "its x"),
                _given("y", "number", "its y"),
                _given("direction", "direction", "its direction, followed by from and a place"),
            ),
        ),
        KindSpec(
            "line",
            "L",
            "a line: from here to there, or through, along, beside, touching",
            (
                _given("from", "place", "where it begins"),
                _given("to", "place", "where it ends"),
                _given("through", "places", "a place, or two, that it goes through"),
                _given("direction", "direction", "the direction in which it runs"),
                _given("length", "number", "its length"),
                _given("until", "thing", "the figure it runs to, or the place it ends level with"),
                _given("parallel", "figure", "parallel to a line"),
                _given("square", "figure", "square to a line or a circle; to two figures, from one to the other", True),
                _given("distance", "number", "its distance from the line it is parallel to"),
                _given("touching", "figures", "touches a circle, an arc or an ellipse", True),
                _given("at", "place", "the place where it touches"),
                _given("bisecting", "bisecting", "halves two places or two lines"),
                _given("axis", "axis", "`axis of` an ellipse, its first; `axis 2 of`, the other one"),
            ),
        ),
        KindSpec(
            "circle",
            "C",
            "a circle: centre and radius, or whatever else is known",
            (
                _given("centre", "place", "its centre, or `centre on` a figure"),
                _given("radius", "number", "its radius"),
                _given("diameter", "number", "its diameter"),
                _given("circumference", "number", "its circumference"),
                _given("through", "places", "a place on it"),
                _given("across", "pair", "the two ends of a diameter"),
                _given("touching", "figures", "a figure it touches", True),
                _given("at", "place", "the place where it touches what stands before, or a line in a direction"),
                _given("direction", "direction", "with at: the direction in which a line there would run"),
            ),
        ),
        KindSpec(
            "arc",
            "A",
            "an arc: its ends and a third fact, or centre, start and sweep",
            (
                _given("from", "place", "where it begins"),
                _given("via", "place", "a place on the way"),
                _given("to", "place", "where it ends"),
                _given("centre", "place", "its centre"),
                _given("radius", "number", "its radius"),
                _given("rise", "number", "its height over the chord"),
                _given("at", "direction", "the direction of its start from the centre"),
                _given("sweep", "turn", "how far it runs; counter-clockwise, negative is clockwise"),
                _given("until", "thing", "the figure it runs to, or the place in whose direction it ends"),
                _given("direction", "direction", "the direction in which it sets out"),
                _given("continuing", "figure", "leaves the end of a line or arc tangentially"),
                _given("touching", "figures", "a figure it touches", True),
            ),
        ),
        KindSpec(
            "path",
            "K",
            "a chain of lines and arcs, from place to place",
            (
                _given("from", "place", "where it begins"),
                _given("to", "place", "a line to the next place", True),
                _given("curve", "curve", "an arc to the next place; `curve along E1 to`: as a figure runs", True),
                _given("close", "none", "a line back to where it began"),
            ),
        ),
        KindSpec(
            "rectangle",
            "K",
            "a rectangle: a corner and a size, or two corners",
            (
                _given("from", "place", "its first corner"),
                _given("to", "place", "the opposite corner"),
                _given("centre", "place", "its centre"),
                _given("size", "size", "along and across: 40, 25"),
                _given("turned", "turn", "how far it is turned"),
            ),
        ),
        KindSpec(
            "polygon",
            "K",
            "a regular polygon",
            (
                _given("centre", "place", "its centre"),
                _given("sides", "count", "how many sides"),
                _given("radius", "number", "from the centre to a corner"),
                _given("across", "chord", "`across flats`: from side to opposite side"),
                _given("turned", "turn", "how far it is turned"),
            ),
        ),
        KindSpec(
            "ellipse",
            "E",
            "an ellipse, or part of one",
            (
                _given("centre", "place", "its centre"),
                _given("axes", "size", "its two half axes: 30, 20"),
                _given("across", "pair", "the two ends of one axis"),
                _given("ratio", "number", "the other axis over this one"),
                _given("turned", "turn", "how far it is turned"),
                _given("part", "range", "from and to, in degrees on the ellipse"),
            ),
        ),
        KindSpec(
            "join",
            "K",
            "one outline of pieces that meet end to end",
            (_given("figures", "figures", "the pieces in their order", True),),
        ),
        KindSpec(
            "fillet",
            "A",
            "an arc that rounds a corner",
            (
                _given("figures", "figures", "the two figures it joins", True),
                _given("radius", "number", "its radius"),
                _given("trimmed", "none", "with both figures up to the arc, as one outline"),
            ),
        ),
    )
}

READINGS: dict[str, str] = {
    "distance": "between two places, or the shortest between two figures",
    "direction": "from one place to another",
    "angle": "between two lines, or at the middle one of three places",
    "length": "of a line, an arc or an outline",
    "radius": "of a circle or an arc",
    "area": "of what is closed, `less` its holes",
    "gap": "whether two figures touch, miss or cross, and by how much",
}

VERBS: dict[str, str] = {
    "ink": "ink a piece of a figure over, between two places",
    "trim": "take a piece away between two places",
    "split": "cut a figure at places",
    "extend": "lengthen or shorten an end to a figure",
    "offset": "a figure beside another",
    "chamfer": "cut a corner off",
    "hide": "keep out of sight",
    "move": "move by two places",
    "copy": "copy by two places",
    "turn": "turn about a place",
    "mirror": "mirror in a line",
    "scale": "scale about a place",
    "repeat": "repeat in rows or around a place",
}

HEADERS = frozenset({"unit", "decimals", "angles", "datum"})
PENS = frozenset({"pencil", "ink"})

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

PARTS = {
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
    "area": "area of what is closed",
    "perimeter": "length of the edge of what is closed",
    "circumference": "circumference",
    "value": "value of a reading",
    "distance": "value of a distance",
    "angle": "value of an angle",
    "gap": "value of a gap",
    "across": "how far across, of a distance",
    "up": "how far up, of a distance",
    "centres": "from centre to centre, of a distance",
    "turn": "angle with its sign",
    "acute": "the acute angle",
}

PLACE_WORDS = frozenset("start end middle centre center box corner on crossing foot nearest touch".split())
UNIT_WORDS = frozenset("mm cm m in ft yd deg gon rad".split())
JOINTS = frozenset(
    "of at to from on along past by near about solution close less wanted within in and flats area measure az pi times last"
    " toward corner curve via straight".split()
)

NAMES_TOO = frozenset({"axis"})
"""Words of givens that came when figures could bear them as names already: they still can."""

RESERVED = (
    frozenset(KINDS)
    | (frozenset(g.word for k in KINDS.values() for g in k.givens) - NAMES_TOO)
    | frozenset(READINGS)
    | frozenset(VERBS)
    | HEADERS
    | PENS
    | frozenset(FUNCTIONS)
    | PLACE_WORDS
    | UNIT_WORDS
    | JOINTS
    | SIDES
)
"""Words that cannot be names."""
