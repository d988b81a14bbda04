"""What was asked while something was laid out: as long as the answers stay, it lies as it does."""

from dataclasses import dataclass, field
from typing import Protocol

from .tilted import Taken, Tilted

Interval = tuple[float, float]


class Reaches(Protocol):
    """What tells how far a drawing reaches along a unit vector."""

    def of(self, ux: float, uy: float) -> Interval:
        """Least and greatest."""


@dataclass(slots=True)
class Asked:
    """Boxes of which it was asked what lies there, and how far the drawing was said to reach along unit vectors."""

    boxes: list[Tilted] = field(default_factory=list)
    cells: set[int] = field(default_factory=set)
    """Those in which the boxes lie."""
    reaches: dict[Interval, Interval] = field(default_factory=dict)

    def stays(self, changed: Taken, reach: Reaches) -> bool:
        """Whether all is answered as it was, after what lies within some boxes has changed."""
        return all(reach.of(*way) == said for way, said in self.reaches.items()) and (
            changed.beside(self.cells) or changed.free(self.boxes)
        )
