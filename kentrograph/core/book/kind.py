"""A statement kind, declared once: everything that is known of one word that begins a step.

The parser, the completion, the open line, dealt names, what a problem points at, and the reference page read these
declarations; there is no other table of kinds. Each stands at the end of its own file in `kinds`.
"""

from collections.abc import Callable, Collection, Sequence
from dataclasses import dataclass
from typing import Literal

from .planner import Plan, Planner, Quantity
from .tree import KindOf, Name, Statement

ValueType = Literal[
    "place", "stop", "places", "two places", "two things", "one or two things", "thing", "offset", "figure", "figures",
    "distance from",
    "length", "factor", "count", "pair", "flats", "direction", "turn", "turns", "curve", "axis", "cut", "copies", "steps",
    "things", "way", "compared", "unit", "words", "two words", "scale", "spot", "choice",
    "lying on", "direction from", "nothing",
]  # fmt: skip
"""What follows the word of a given."""

QUANTITIES: dict[ValueType, Quantity] = {
    "length": "length", "pair": "length", "offset": "offset", "flats": "length", "distance from": "length", "curve": "length",
    "cut": "length", "compared": "length",
    "way": "direction", "direction from": "direction", "copies": "count", "steps": "offset",
    "direction": "direction", "turn": "turn", "turns": "turn",
    "factor": "factor", "scale": "factor", "count": "count", "axis": "count", "spot": "count",
}  # fmt: skip
"""What the numbers of a given are: how they are read, converted and shown goes by this, not by the word."""

ImpliedWords = Callable[[Collection[str]], list[str]]
"""The words with which a bare place or number may be read, likeliest first, after the givens with these words."""


@dataclass(frozen=True, slots=True)
class GivenSpec:
    """A given: its word, what it takes, and one line that explains it.

    ``sides`` are the side words that are offered after it; ``blamed`` the problems of a figure that point at it.
    """

    word: str
    takes: ValueType
    explanation: str
    repeats: bool = False
    sides: tuple[str, ...] = ()
    blamed: tuple[str, ...] = ()
    choices: tuple[str, ...] = ()
    """The words of which one is stated, with the given's own in front or without."""
    straight: bool = False
    """Whether of all figures only a line will do."""
    names: tuple[str, ...] = ()
    """What the names stand for that it takes; figures where nothing is stated."""

    @property
    def quantity(self) -> Quantity | None:
        """What its numbers are; None for one that takes no number."""
        return QUANTITIES.get(self.takes)

    @property
    def written(self) -> bool:
        """Whether it begins with its word: a point's place and the figures of a verb stand without one."""
        return self.word not in ("place", "figures")


def in_turn(*words: str) -> ImpliedWords:
    """A bare entry is the first of these givens that is not stated yet."""
    return lambda has: [word for word in words if word not in has]


def after_figures(*words: str) -> ImpliedWords:
    """The same for a verb, once its figures are stated: before that a name is a figure."""
    return lambda has: [word for word in words if word not in has] if "figures" in has else []


@dataclass(frozen=True, slots=True)
class Drag:
    """The words with which the two ends of a drag are read; empty ones where a place or a figure stands without a word.

    ``figure`` is the word where the drag begins at a figure, and not at a place of it: an end at a figure is read with it,
    too, and an end at a place with ``start``. ``behind`` is how many givens stand before the drag.
    """

    start: str
    end: str
    figure: str = ""
    behind: int = 0


@dataclass(frozen=True, slots=True)
class TabOrder:
    """What Tab does while a number stands in the row: it goes on to the next of these words, each a given of its own, or puts
    ``behind`` into the same row, behind a relative distance."""

    words: tuple[str, ...] = ()
    behind: str = ""


DefaultCompletion = Callable[[Statement], tuple[str, str] | None]
"""What too few givens are taken for where Enter says that there are no more: the whole statement, and a sentence that says so."""

NextHint = Callable[[Sequence[str], bool], str | None]
"""The next thing to give, in a sentence of the kind's own: by the words of the givens so far, and whether it can be drawn."""


@dataclass(frozen=True, slots=True)
class Naming:
    """How what comes of a verb is named: figures whose names go on come first, then those with names of their own.

    ``carried`` are the figures whose names go on; ``becomes`` says what kind of figure comes of one of a kind. ``own`` is the
    kind of those with names of their own, where that is not what comes of the first figure that is named.
    """

    carried: Callable[[Statement], tuple[Name, ...]] = lambda statement: ()
    becomes: Callable[[str], str] = lambda kind: kind
    own: Callable[[Statement, KindOf], str | None] | None = None
    fresh: Callable[[Statement], int] = lambda statement: 0
    """How many have names of their own, where that is known before it is drawn."""
    counted: bool = False
    """Whether only drawing it tells how many there are."""

    def own_kind(self, statement: Statement, kind_of: KindOf) -> str | None:
        """The kind of the figures that have names of their own."""
        if self.own is not None:
            return self.own(statement, kind_of)
        of = kind_of(statement.operands[0].key) if statement.operands else None
        return self.becomes(of) if of is not None else None


@dataclass(frozen=True, slots=True, kw_only=True)
class Kind:
    """A statement kind.

    ``group`` is where it stands on the tray; ``letter`` begins the names that are dealt to it, ``draws`` is what such a name
    stands for, where that is not its word; ``puts_place`` says that relative entries in later steps count from it. ``first`` is
    the hint while nothing is given yet. ``examples`` are statements in the little drawing of the reference page, each with what
    it shows.
    """

    word: str
    group: Literal["place", "shape", "carry", "read", "paper", "number", "block"]
    explanation: str
    plan: Callable[[Planner, Statement], Plan]
    first: str
    letter: str = ""
    draws: str = ""
    puts_place: bool = False
    givens: tuple[GivenSpec, ...] = ()
    implied_words: ImpliedWords = in_turn()
    examples: Sequence[tuple[str, str]] = ()
    shapes: bool = False
    """Whether it works on figures that are there. Unless it says otherwise by ``naming``, one comes of each: it carries their
    names on, unless it `keeps` them."""
    always_keeps: bool = False
    edges: bool = False
    """Whether a verb takes pieces of outlines as well as whole figures."""
    naming: "Naming | None" = None
    """How the figures that come of it are named, where that is not one for each that it works on."""
    next_hint: NextHint = lambda has, done: None
    default_completion: DefaultCompletion = lambda statement: None
    drag: Drag | None = None
    tab_order: TabOrder | None = None
    holds: tuple[str, ...] = ()
    """The givens that hold the pointer: the key that keeps it level lifts them."""
    onward: str = ""
    """The given with which the next one begins, while the kind stays open; ``{name}`` is the one that was just written."""
    in_common: tuple[str, ...] = ()
    """The givens that the next one has in common with the one that was just written, while the kind stays open."""
    another: str = ""
    """With what a bare number is read that follows right behind one that was just written: it is the size of another one."""
    told_apart: Callable[[Sequence[str]], Literal["curve", "end", "ends"]] = lambda has: "curve"
    """By what the pointer tells several solutions apart, after the givens with these words: by how near they run, by where they
    end, or by where they end or begin."""
    along: bool = False
    """Whether it runs along figures that it does not name."""
    endless: bool = False
    """Whether more can always be given: what can be drawn is kept when it is left, and mended with all its givens."""

    def __post_init__(self) -> None:
        if not self.draws:
            object.__setattr__(self, "draws", self.word)

    @property
    def title(self) -> str:
        """Its word as the tray and the book show it."""
        return self.word.capitalize()

    def keeps(self, statement: Statement) -> bool:
        """Whether the figures that a verb works on stay as they are, and what comes of it has names of its own."""
        return self.always_keeps or any(g.word == "keeping" for g in statement.givens)

    spares: tuple[str, ...] = ()
    """The givens of which it can lose some, where what they name is gone, and goes on with the others; of the first one has to
    be left."""
    collects: bool = False
    """Whether what comes of it is a set of the figures that it names: they are shaped where it is."""
    shown: bool = False
    """Whether what stands on paper is a sheet or a view that others name where a figure is wanted."""
    gathers: bool = False
    """Whether the figures that it collects are meant, and not one that is made of them."""
    unseen: bool = False
    """Whether what comes of it is not drawn itself."""
    brush: bool = False
    """Whether at the table it is done by pointing at stretches, one after the other, as well as by naming."""
    marks: Literal["", "inked over", "taken", "pen", "hide", "show"] = ""
    """What it does to the figures that it names, besides what comes of it: see `scene`."""

    def carried(self, statement: Statement) -> tuple[Name, ...]:
        """The figures whose names go on to what comes of them."""
        if self.naming is not None:
            return self.naming.carried(statement)
        return () if not self.shapes or self.keeps(statement) else (*statement.operands, *statement.along)

    def given(self, word: str) -> GivenSpec | None:
        """The given with this word, if the kind has one; `curve via` and `centre on` are found by their first word."""
        found = next((g for g in self.givens if g.word == word), None)
        return found or next((g for g in self.givens if g.word == word.split(" ")[0]), None)

    def quantity(self, word: str) -> Quantity | None:
        """What the numbers of a given are; `solution` counts, whatever the kind."""
        if word == "solution":
            return "count"
        found = self.given(word)
        return found.quantity if found else None
