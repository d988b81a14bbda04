"""How the numbers of a step are to be read, and how a drawing shows its own: unit, angles, datum, decimals."""

from dataclasses import dataclass

from ..angles import Convention, unit_vector
from ..figures import Point
from ..units import convert


@dataclass(frozen=True, slots=True)
class Datum:
    """Where absolute coordinates count from, and the direction of their x axis (degrees, core convention)."""

    x: float = 0.0
    y: float = 0.0
    turn: float = 0.0


@dataclass(frozen=True, slots=True)
class Conventions:
    """The manner in which a step was written. A later change of the drawing's manner leaves it as it was."""

    unit: str = "mm"
    convention: Convention = Convention()
    datum: Datum = Datum()

    def in_unit(self, unit: str) -> "Conventions":
        """The same manner with its datum in another unit."""
        d = self.datum
        return Conventions(unit, self.convention, Datum(convert(d.x, self.unit, unit), convert(d.y, self.unit, unit), d.turn))

    @property
    def level(self) -> bool:
        """Whether coordinates are plain: from the origin, x to the east."""
        return self.datum == _ORIGIN

    def to_world(self, x: float, y: float) -> tuple[float, float]:
        """Coordinates from the datum, to coordinates from the origin; in this manner's unit."""
        d = self.datum
        if d == _ORIGIN:
            return (x, y)
        c, s = unit_vector(d.turn)
        return (d.x + x * c - y * s, d.y + x * s + y * c)

    def turned(self, x: float, y: float) -> tuple[float, float]:
        """An offset along and across the datum's direction, to one along the world's axes."""
        if self.datum.turn == 0.0:
            return (x, y)
        c, s = unit_vector(self.datum.turn)
        return (x * c - y * s, x * s + y * c)

    def from_world(self, point: Point) -> tuple[float, float]:
        """Coordinates from the origin, to coordinates from the datum."""
        d = self.datum
        if d == _ORIGIN:
            return (point.x, point.y)
        c, s = unit_vector(d.turn)
        dx, dy = point.x - d.x, point.y - d.y
        return (dx * c + dy * s, dy * c - dx * s)

    def direction_to_core(self, shown: float) -> float:
        """A direction as written, to degrees counter-clockwise from east."""
        return self.convention.to_core(shown) + self.datum.turn

    def direction_from_core(self, direction: float) -> float:
        """A direction in degrees counter-clockwise from east, to one as written; 0 <= d < 360."""
        return self.convention.from_core(direction - self.datum.turn)


_ORIGIN = Datum()


@dataclass(frozen=True, slots=True)
class Header:
    """What a drawing is set to now: the manner for new steps, and how its numbers are shown: with how many decimals or, where
    ``parts`` is one, in such parts of an inch; directions as the manner counts them, or as quadrant bearings."""

    manner: Conventions = Conventions()
    decimals: int = 3
    parts: int = 0
    bearings: bool = False

    @property
    def shown(self) -> float:
        """The least difference of lengths that is shown, in the drawing's unit."""
        return convert(1.0 / self.parts, "in", self.manner.unit) if self.parts else 10.0**-self.decimals
