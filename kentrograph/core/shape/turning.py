"""How curves leave a place, which of them turns most to the left, and which place of one lies furthest out."""

from math import atan2, hypot, pi

from ..figures import Arc, Circle, Curve, Ellipse, EndlessLine, Line, Point, StraightCurve
from ..figures.along import heading
from ..intersect.within import within
from ..problem import refusal
from ..tolerance import TOLERANCE
from .stretch import Cut


class Leaving:
    """A curve that leaves a node: its direction there, and how it bends."""

    def __init__(self, curve: Curve, cut: Cut, ahead: bool) -> None:
        hx, hy = way_at(curve, cut)
        sense = 1.0 if ahead else -1.0
        self.x, self.y = sense * hx, sense * hy
        self.bend = sense * _bend(curve, cut)

    @classmethod
    def toward(cls, start: Point, end: Point) -> "Leaving":
        """What leaves a place straight toward another one."""
        return cls(Line(start, end), Cut(0, 0.0, start), True)

    def before(self, other: "Leaving") -> tuple[float, float] | None:
        """How far clockwise from here another one leaves: the less, the more to the left the way turns here. None for
        one that cannot be told from this."""
        turn = atan2(self.y * other.x - self.x * other.y, self.x * other.x + self.y * other.y) % (2.0 * pi)
        if min(turn, 2.0 * pi - turn) <= TOLERANCE.size_share**0.5:
            if abs(other.bend - self.bend) <= TOLERANCE.size_share**0.5 * max(abs(self.bend), abs(other.bend)):
                return None
            # Of two that leave alike, the one that bends more to the left lies further counter-clockwise.
            turn = 0.0 if other.bend < self.bend else 2.0 * pi
        return (round(turn, 5), -other.bend)


def way_at(curve: Curve, cut: Cut) -> tuple[float, float]:
    """The unit vector along which a curve runs at a cut."""
    match curve:
        case Line():
            return heading(curve, False)
        case EndlessLine(_, ux, uy):
            return ux, uy
        case Circle(centre) | Arc(centre):
            dx, dy = cut.at.x - centre.x, cut.at.y - centre.y
            size = hypot(dx, dy)
            sense = -1.0 if isinstance(curve, Arc) and curve.sweep < 0.0 else 1.0
            return -sense * dy / size, sense * dx / size
        case Ellipse():
            return curve.heading_at(curve.begin + (cut.along if curve.sweep > 0.0 else -cut.along))
        case _:
            raise refusal("not_a_figure")


def _bend(curve: Curve, cut: Cut) -> float:
    """How fast a curve turns to the left as it runs, at a cut: one over the radius there."""
    if isinstance(curve, StraightCurve):
        return 0.0
    if isinstance(curve, Circle):
        return 1.0 / curve.radius
    sense = 1.0 if curve.sweep > 0.0 else -1.0
    if isinstance(curve, Arc):
        return sense / curve.radius
    u, v = curve.to_own(cut.at.x, cut.at.y)
    # Published: the curvature of an ellipse in its parameter, ab / (a² sin² + b² cos²)^(3/2).
    return sense * curve.a * curve.b / hypot(curve.a * v / curve.b, curve.b * u / curve.a) ** 3


OUT = (0.2079116908177593, -0.9781476007338057)
"""A direction in which nothing that people draw runs by intention: what lies furthest in it is never a whole side."""


def furthest(curve: Curve) -> Point | None:
    """The place of a curve that lies furthest in a direction; None for a line without ends."""
    match curve:
        case EndlessLine():
            return None
        case Line(start, end):
            return max(start, end, key=out)
        case Circle(centre, radius):
            return Point(centre.x + radius * OUT[0], centre.y + radius * OUT[1])
        case Arc(centre, radius):
            tip = Point(centre.x + radius * OUT[0], centre.y + radius * OUT[1])
            return tip if within(curve, tip) else max(curve.start, curve.end, key=out)
        case Ellipse():
            u, v = curve.to_own(curve.centre.x + OUT[0], curve.centre.y + OUT[1])
            tip = curve.at(atan2(curve.b * v, curve.a * u))
            return tip if within(curve, tip) else max(curve.start, curve.end, key=out)
        case _:
            raise refusal("not_a_figure")


def out(at: Point) -> float:
    return at.x * OUT[0] + at.y * OUT[1]
