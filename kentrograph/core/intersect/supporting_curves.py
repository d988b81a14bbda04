"""What figures lie on: lines on endless lines, arcs on circles, parts of ellipses on ellipses."""

from dataclasses import dataclass
from math import hypot
from typing import assert_never

from ..figures import Arc, Circle, Curve, Ellipse, EndlessLine, Line, StraightCurve


@dataclass(frozen=True, slots=True)
class Way:
    """An endless line as numbers: through (x, y) along the unit vector (ux, uy); ``size`` of what is drawn of it."""

    x: float
    y: float
    ux: float
    uy: float
    size: float

    def off(self, x: float, y: float) -> float:
        """Signed distance of a place, positive to the left of the way."""
        return (y - self.y) * self.ux - (x - self.x) * self.uy

    def along(self, x: float, y: float) -> float:
        """How far along the way the foot of a place is, from (x, y)."""
        return (x - self.x) * self.ux + (y - self.y) * self.uy


def way_of(line: StraightCurve) -> Way:
    """The way of a line; a finite one is taken from its middle, where it is known best."""
    if isinstance(line, EndlessLine):
        return Way(line.through.x, line.through.y, line.ux, line.uy, 0.0)
    dx, dy = line.end.x - line.start.x, line.end.y - line.start.y
    length = hypot(dx, dy)
    return Way(line.start.x, line.start.y, dx / length, dy / length, length)


def supporting_curve(curve: Curve) -> EndlessLine | Circle | Ellipse:
    """The whole figure that a figure is a part of."""
    match curve:
        case Line():
            w = way_of(curve)
            return EndlessLine(curve.start, w.ux, w.uy)
        case Arc(centre, radius):
            return Circle(centre, radius)
        case Ellipse(centre, a, b, turn):
            return Ellipse(centre, a, b, turn)
        case EndlessLine() | Circle():
            return curve
        case _:
            assert_never(curve)


def away(*values: float) -> float:
    """The largest distance from the datum among coordinates."""
    return max(map(abs, values))
