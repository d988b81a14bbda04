"""What a reading is: declared once, for the parser, the book, numbers and the table."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from typing import Literal, Protocol

from ...figures import Point
from ..manner import Conventions

Quantity = Literal["length", "area", "moment", "direction", "turn", "count"]
POWERS: dict[Quantity, int] = {"length": 1, "area": 2, "moment": 4}
"""The power of the unit of length in which a quantity is measured; others have none."""
Read = tuple[float, dict[str, float], str]
"""The value, the further numbers that belong to it, and the state of a gap."""
ANY = tuple(range(1, 1001))
Part = tuple[Quantity, str]
"""What a further number is measured in, and what it is."""


CENTRE: dict[str, Part] = {"x": ("length", "across"), "y": ("length", "up")}
OFFSET: dict[str, Part] = {"across": ("length", "how far across, of a distance"), "up": ("length", "how far up, of a distance")}


class Counting(Protocol):
    """How coordinates and directions are counted; a `Planner` is one."""

    manner: Conventions
    unit: str


def along_datum(p: Counting, dx: float, dy: float) -> tuple[float, float]:
    """An offset counted along and across the datum's direction."""
    moved = p.manner.in_unit(p.unit)
    origin = moved.from_world(Point(0.0, 0.0))
    to = moved.from_world(Point(dx, dy))
    return (dx, dy) if moved.datum.turn == 0.0 else (to[0] - origin[0], to[1] - origin[1])


@dataclass(frozen=True, slots=True, kw_only=True)
class ReadingKind:
    """A kind of reading.

    ``read`` is called with how it is counted and the things that it is of; it returns the value with its further numbers, and
    raises `Refused`. Of a ``summed`` one it is called with how many of the things are no holes and where the name of each stands,
    first. ``title`` and ``explanation`` stand on the tray, ``said`` says what the number is. Lengths are in the drawing's unit,
    directions as the manner counts them, angles in degrees.
    """

    word: str
    title: str
    explanation: str
    said: str
    read: Callable[..., Read]
    counts: tuple[int, ...]
    """How many things it is of."""
    quantity: Quantity = "length"
    parts: Mapping[str, Part] = field(default_factory=dict)
    """Its further numbers, by their words."""
    ways: tuple[str, ...] = ()
    """The words that may follow what it is of, before what it is compared with (see `kinds.reading_ways`)."""
    summed: bool = False
    """Whether it is of several things together, ``less`` others; a place among them is the face around it."""
    between: bool = False
    """Whether it is taken from one place to another: a drag states both."""
    of_one: bool = False
    """Whether it is a measure of one figure: it begins with what is selected."""
    whole: bool = False
    """Whether of an outline the whole is meant more often than the edge under the pointer."""
    rare: bool = False
    """Whether it stands on the tray only where there is room."""
