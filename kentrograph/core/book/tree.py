"""What a statement says, as data: numbers, places, givens. The language makes it from text; the evaluation reads it.

Names of figures stand in their own case; they are matched without regard to it (see `key_of`).
Spans are offsets in the statement's text.
"""

from abc import ABC, abstractmethod
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from typing import Any, Literal

from ..problem import Problem
from .names import key_of


@dataclass(frozen=True, slots=True)
class Name:
    """A name where it is used; of a piece of an outline, or a member of a set, that of the piece or the member."""

    text: str
    start: int
    end: int

    @property
    def key(self) -> str:
        """The form that is compared."""
        return key_of(self.text)


# Numbers ----------------------------------------------------------------------------------------------


@dataclass(frozen=True, slots=True)
class Plain:
    """A number without a unit: in the drawing's unit where a length is wanted, degrees where a direction is."""

    value: float


@dataclass(frozen=True, slots=True)
class InUnit:
    """A length in a unit of its own."""

    value: float
    unit: str


@dataclass(frozen=True, slots=True)
class Bearing:
    """A direction that does not depend on the drawing's convention: degrees counter-clockwise from east."""

    value: float


@dataclass(frozen=True, slots=True)
class Azimuth:
    """A direction counted clockwise from north, whatever the drawing's convention: in degrees, as a sum or by a name."""

    of: "Number"


@dataclass(frozen=True, slots=True)
class Negative:
    """The negative of a number."""

    of: "Number"


@dataclass(frozen=True, slots=True)
class Binary:
    """Two numbers and an operation."""

    operation: Literal["+", "-", "*", "/", "^"]
    left: "Number"
    right: "Number"
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class Call:
    """A function of numbers; angles in degrees."""

    function: str
    arguments: tuple["Number", ...]
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class Named:
    """A named number or a reading."""

    name: Name


@dataclass(frozen=True, slots=True)
class Part:
    """A number that belongs to a figure or a place: its x, its radius, its length."""

    of: "Name | Place"
    part: str
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class Measured:
    """A number measured between things, written inside another number: ``distance P1 P2``."""

    what: str
    of: tuple["Place | Name | Portion", ...]
    less: tuple["Place | Name | Portion", ...]
    start: int
    end: int
    how: tuple["Given", ...] = ()
    """The ways in which it is taken: along a direction, at a place, from one place of a figure to another."""

    @property
    def statement(self) -> "Statement":
        """The reading that would be kept as a step with the same words."""
        less = (Given("less", self.less, (), self.start, self.end),) if self.less else ()
        of = Given(self.what, self.of, (), self.start, self.end)
        return Statement("", "measure", None, None, (of, *self.how, *less), (), self.start, self.end)


Number = Plain | InUnit | Bearing | Azimuth | Negative | Binary | Call | Named | Part | Measured

# Places -----------------------------------------------------------------------------------------------


@dataclass(frozen=True, slots=True)
class Coordinates:
    """Across and up."""

    x: Number
    y: Number


@dataclass(frozen=True, slots=True)
class Polar:
    """A distance in a direction."""

    distance: Number
    direction: Number


@dataclass(frozen=True, slots=True)
class Relative:
    """An offset from a place; from the last place where ``base`` is None."""

    base: "Place | None"
    offset: Coordinates | Polar


@dataclass(frozen=True, slots=True)
class Toward:
    """A distance from the last place toward another; toward the pointer where that is None."""

    distance: Number
    target: "Place | None"
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class NamedPlace:
    """A point by its name; a circle or arc stands for its centre."""

    name: Name


@dataclass(frozen=True, slots=True)
class PlaceOf:
    """A special place of one figure: start, end, middle, centre, box middle."""

    what: str
    name: Name


@dataclass(frozen=True, slots=True)
class CornerOf:
    """A corner of an outline, counted from 1 in the order in which it was drawn."""

    which: Number
    name: Name
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class MiddleOf:
    """The place halfway between two."""

    first: "Place"
    second: "Place"


@dataclass(frozen=True, slots=True)
class Along:
    """A distance along a figure from its start, or its end; ``share`` when the number is a part of its length."""

    distance: Number
    name: Name
    from_end: bool
    share: bool
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class Past:
    """A distance past an end of a figure, along its continuation; ``straight`` leaves an arc along its tangent."""

    distance: Number
    which: Literal["start", "end"]
    name: Name
    straight: bool
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class OnAt:
    """The place on a circle in a direction from its centre."""

    name: Name
    direction: Number


@dataclass(frozen=True, slots=True)
class Sight:
    """A line that is only looked along: level or plumb with a place, in a direction, parallel or square to a line, or on
    from the end of a figure. ``place`` is None for the last place; ``way`` is the direction, the line or the figure."""

    kind: Literal["level", "plumb", "direction", "parallel", "square", "continuing"]
    place: "Place | None"
    way: "Number | Name | None"
    at_start: bool
    text: str
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class CrossingOf:
    """Where two figures or sight lines cross; ``sides`` say which crossing."""

    first: Name | Sight
    second: Name | Sight
    sides: tuple[str, ...]
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class FootOf:
    """Foot of the perpendicular, nearest place, or touching point of the tangent, from a place or (None) the last one."""

    what: Literal["foot", "nearest", "touch"]
    place: "Place | None"
    name: Name
    sides: tuple[str, ...]
    start: int
    end: int


Place = (
    Coordinates
    | Polar
    | Relative
    | Toward
    | NamedPlace
    | PlaceOf
    | CornerOf
    | MiddleOf
    | Along
    | Past
    | OnAt
    | CrossingOf
    | FootOf
)


PLACES = (Coordinates, Polar, Relative, Toward, NamedPlace, PlaceOf, CornerOf, MiddleOf, Along, Past, OnAt, CrossingOf, FootOf)


@dataclass(frozen=True, slots=True)
class Portion:
    """What an arc, or a part of an ellipse, cuts off: the segment between it and its chord, the sector to its centre."""

    what: Literal["segment", "sector"]
    name: Name


@dataclass(frozen=True, slots=True)
class Words:
    """Words of a person's own, which stand on paper as they are: those of a note, a title."""

    text: str


class SymbolBody(ABC):
    """The lines of a symbol: a small book of its own, which the language reads."""

    @abstractmethod
    def drawn(self, symbols: Mapping[str, Any], manner: Any, unit: str) -> Any:
        """What its lines draw, as a set about its datum, in ``unit``; ``symbols`` are those of the book around it that it places,
        ``manner`` is that in which they are written. Raises `Refused`."""


# Statements -------------------------------------------------------------------------------------------

Argument = Number | Place | Name | Portion | Words | SymbolBody


@dataclass(frozen=True, slots=True)
class Given:
    """One fact about a figure: its word, what follows the word, and the side words that follow that.

    ``along`` are figures that are shaped with a set that is named here, since their copies stand in it.
    """

    word: str
    arguments: tuple[Argument, ...]
    sides: tuple[str, ...]
    start: int
    end: int
    along: tuple[Name, ...] = ()

    @property
    def chooses(self) -> bool:
        """Whether it says which of several solutions is meant: by side words, its own or those of a place in it."""
        return bool(self.sides) or any(getattr(argument, "sides", ()) for argument in self.arguments)


@dataclass(frozen=True, slots=True)
class Statement:
    """One line of the book as it was written.

    ``text`` is exactly what was typed, and everything else can be had from it again. ``uses`` are the names
    that it needs, in order. A text that cannot be read has the kind ``unread`` and says why in ``problem``.

    A few texts can be read in two ways, by what a name in them stands for: ``centre a at 30`` is a centre and a
    direction where ``a`` is a point, and one place where it is a number. ``hinges`` are such names; ``settle`` gives
    the reading that fits what they stand for, and the book asks for it wherever it looks names up.
    """

    text: str
    kind: str
    name: str | None
    pen: str | None
    givens: tuple[Given, ...]
    uses: tuple[Name, ...]
    kind_start: int = 0
    kind_end: int = 0
    problem: Problem | None = None
    hinges: tuple[str, ...] = ()
    settle: "Callable[[KindOf], Statement] | None" = field(default=None, compare=False, repr=False)

    @property
    def names(self) -> tuple[str, ...]:
        """The names written in front of it: several where several figures come of it."""
        return tuple(self.name.split()) if self.name else ()

    @property
    def operands(self) -> "tuple[Name, ...]":
        """The figures that a shaping verb works on, in the order in which they are named."""
        return tuple(a for g in self.givens if g.word == "figures" for a in g.arguments if isinstance(a, Name))

    @property
    def along(self) -> "tuple[Name, ...]":
        """The figures that are shaped along with those that are named: they stand in a set that is."""
        return tuple(name for g in self.givens for name in g.along)

    def settled(self, kind_of: "KindOf") -> "Statement":
        """The reading that fits what its names stand for: itself, but for the few texts that have two."""
        return self.settle(kind_of) if self.settle is not None and self.hinges else self


class SetKind(str):
    """The kind of a set, or of a group, with the names of figures that are shaped where it is: of a group those in place of
    itself (``instead``), of a set those whose copies stand in it, besides itself."""

    members: tuple[str, ...]
    instead: bool

    def __new__(cls, kind: str, members: tuple[str, ...], instead: bool) -> "SetKind":
        made = super().__new__(cls, kind)
        made.members, made.instead = members, instead
        return made


UNREAD = "unread"
"""The kind of a statement whose text cannot be read."""

KindOf = Callable[[str], str | None]
"""What a name (in the form that is compared) stands for; None where nothing defines it."""
