"""The place of a figure nearest to a given one, and the feet of perpendiculars."""

from math import hypot, radians

from ..figures import Arc, Circle, Curve, Ellipse, EndlessLine, Line, Outline, Point
from ..problem import refuse
from .carriers import way_of
from .ellipses import nearest_angles
from .within import on_sweep, within


def feet(curve: Curve, at: Point) -> list[Point]:
    """Feet of the perpendiculars from a place to the whole figure, the nearest first.

    Raises `Refused` (every_direction) at the centre of a circle: every radius is square to it there.
    """
    match curve:
        case Line() | EndlessLine():
            w = way_of(curve)
            off = w.off(at.x, at.y)
            return [Point(at.x + off * w.uy, at.y - off * w.ux)]
        case Circle(centre, radius) | Arc(centre, radius):
            dx, dy = at.x - centre.x, at.y - centre.y
            d = hypot(dx, dy)
            if d == 0.0:
                raise refuse("every_direction")
            ux, uy = dx / d, dy / d
            return [
                Point(centre.x + radius * ux, centre.y + radius * uy),
                Point(centre.x - radius * ux, centre.y - radius * uy),
            ]
        case Ellipse():
            found = [curve.at(t) for t in nearest_angles(curve, at)]
            return sorted(found, key=lambda p: hypot(p.x - at.x, p.y - at.y))


def nearest(figure: Curve | Outline | Point, at: Point) -> Point:
    """The nearest place on what is drawn of a figure; its start where all are equally near."""
    match figure:
        case Point():
            return figure
        case Outline(pieces):
            return min((nearest(p, at) for p in pieces), key=lambda p: hypot(p.x - at.x, p.y - at.y))
        case Circle(centre, radius) if (at.x, at.y) == (centre.x, centre.y):
            return Point(centre.x + radius, centre.y)
        case Arc(centre) if (at.x, at.y) == (centre.x, centre.y):
            return figure.start
        case Arc():
            foot = feet(figure, at)[0]
            return foot if on_sweep(figure, foot) else _nearer(at, figure.start, figure.end)
        case Line(start, end):
            foot = feet(figure, at)[0]
            return foot if within(figure, foot) else _nearer(at, start, end)
        case Ellipse():
            stops = [*nearest_angles(figure, at), radians(figure.begin), radians(figure.begin + figure.sweep)]
            return min((figure.at(t) for t in stops if figure.covers(t)), key=lambda p: hypot(p.x - at.x, p.y - at.y))
        case EndlessLine() | Circle():
            return feet(figure, at)[0]
        case _:
            raise refuse("not_a_figure")


def _nearer(at: Point, a: Point, b: Point) -> Point:
    return a if hypot(a.x - at.x, a.y - at.y) <= hypot(b.x - at.x, b.y - at.y) else b
