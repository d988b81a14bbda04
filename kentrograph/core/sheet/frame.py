"""How a drawing lies on paper: from its places to millimetres."""

from dataclasses import dataclass

from ..angles import unit_vector
from ..figures import Figure, Point
from ..figures.similarity import Similarity, transformed


@dataclass(frozen=True, slots=True)
class Frame:
    """Places of the drawing carried onto paper: turned by ``turn`` degrees, ``size`` mm for each of its unit, then moved."""

    size: float
    turn: float = 0.0
    x: float = 0.0
    y: float = 0.0

    @property
    def cosine(self) -> float:
        """Of the angle by which it is turned."""
        return unit_vector(self.turn)[0]

    @property
    def sine(self) -> float:
        """Of the angle by which it is turned."""
        return unit_vector(self.turn)[1]

    @property
    def by(self) -> Similarity:
        """The similarity from the drawing to paper."""
        c, s = unit_vector(self.turn)
        return Similarity(self.size * c, self.size * s, self.x, self.y, factor=self.size)

    def place(self, at: Point) -> Point:
        """A place on paper."""
        return self.by.place(at)

    def figure(self, figure: Figure) -> Figure:
        """A figure on paper."""
        return transformed(figure, self.by)

    def back(self, at: Point) -> Point:
        """The place of the drawing that lies at a place on paper."""
        c, s = unit_vector(-self.turn)
        dx, dy = (at.x - self.x) / self.size, (at.y - self.y) / self.size
        return Point(dx * c - dy * s, dx * s + dy * c)
