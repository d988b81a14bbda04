"""What is asked: where the pointer is, what may be taken, and what was passed over."""

from dataclasses import dataclass, field
from math import floor, log10

from ..figures import EndlessLine, Point
from ..units import plain
from .kinds import ON


def decimals_for(pixel: float, otherwise: int = 3) -> int:
    """How many decimals tell one pixel from the next; ``otherwise`` where no pixel is known.

    >>> decimals_for(0.1), decimals_for(0.6), decimals_for(20.0)
    (1, 0, 0)
    """
    return max(0, min(12, -floor(log10(pixel) + 0.3))) if pixel > 0.0 else otherwise


@dataclass(frozen=True, slots=True)
class Passed:
    """A place, or (``at`` None) only a line, that the pointer passed over: sight lines start from there.

    ``step`` is the figure it was taken from. The last place is one that is passed over all the time: its ``words`` are empty.
    """

    words: str
    at: Point | None
    step: str = ""


@dataclass(frozen=True, slots=True)
class Sight:
    """A sight line: ``words`` as a crossing takes it, ``kind`` what it is."""

    line: EndlessLine
    kind: str
    words: str
    source: Passed
    way: str = ""
    """The direction in words, for a place at a distance along it."""


@dataclass(frozen=True, slots=True)
class Query:
    """One look at what lies around the pointer; lengths in the drawing's unit.

    ``turn`` (degrees), ``step`` and ``grid`` are the steps that directions, distances and plain positions are held to; 0
    for none. ``parts`` is into how many equal parts figures are cut. ``before`` is the index of the step being written:
    only what stands before it can be taken.
    """

    x: float
    y: float
    reach: float
    pixel: float = 0.0
    on: frozenset[str] = ON
    last: Point | None = None
    passed: tuple[Passed, ...] = ()
    parts: int = 2
    turn: float = 0.0
    step: float = 0.0
    grid: float = 0.0
    before: int | None = None
    suffix: str = ""
    """The unit to write behind lengths, where plain numbers would be read in another one."""
    turns: tuple[float, ...] = ()
    """Directions of a list of one's own, in degrees as the drawing counts them."""
    late: tuple[str, ...] = field(default=())
    """Figures that were placed last: where they would cross if they were longer is offered."""
    ink_only: bool = False
    """Whether pencil is out of sight."""

    @property
    def decimals(self) -> int:
        """As many as a pixel is wide."""
        return decimals_for(self.pixel)

    def reaches(self, at: Point) -> bool:
        """Whether a place lies in the square of the reach."""
        return abs(at.x - self.x) <= self.reach and abs(at.y - self.y) <= self.reach

    def length(self, value: float) -> str:
        """A length in words."""
        return f"{plain(value, 12)}{self.suffix}"

    def rounded(self, distance: float) -> float:
        """A distance in whole steps, or as round as a pixel is wide."""
        return round(distance / self.step) * self.step if self.step > 0.0 else round(distance, self.decimals)
