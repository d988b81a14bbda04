"""What is found that a person should look at: one thing each, with the figures that it is about."""

from dataclasses import dataclass
from typing import Literal, get_args

from ..figures import Point

FindingKind = Literal["crosses", "open", "ends", "near", "double", "beside", "weak", "short"]
"""crosses: an outline crosses itself; open: its ends almost meet; ends: an end almost meets something; near: two figures almost
touch; double: they lie one upon the other; beside: a point or a centre lies just beside something; weak: a centre hangs on
crossings so flat that a little more of a given moves it far; short: a stretch so short that nobody meant it."""
KINDS: tuple[FindingKind, ...] = get_args(FindingKind)
"""In the order of how much trouble they make."""


What = Literal["start", "end", "corner", "centre", "point", "body"]


@dataclass(frozen=True, slots=True)
class Place:
    """A place of a figure, as what it counts: an end, a corner, a centre, a point, or anything along it (``body``)."""

    figure: str
    """The figure's id."""
    what: What
    at: Point
    number: int = 0
    """Which corner, or piece, from 1, where a figure has several."""


@dataclass(frozen=True, slots=True)
class Finding:
    """Something that a person should look at; ``amount`` is by how much, in the drawing's unit.

    ``first`` is what is wrong, ``second`` what it almost meets, touches or lies upon, where there is such a figure.
    """

    kind: FindingKind
    first: Place
    amount: float
    second: Place | None = None
    past: bool = False
    """Whether an end runs past what it should meet, and does not fall short of it."""
    word: str = ""
    """For a weak one: the given that moves it, or the two that cross there."""

    @property
    def figures(self) -> tuple[str, ...]:
        """The ids of the figures that it is about."""
        return (self.first.figure,) if self.second is None else (self.first.figure, self.second.figure)

    @property
    def key(self) -> str:
        """What tells it from others of a book; it stays the same while its figures are moved."""
        of = "|".join(f"{one.figure}:{one.what}{one.number or ''}" for one in (self.first, self.second) if one is not None)
        return f"{self.kind}|{of}"
