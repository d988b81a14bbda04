"""The place of a figure nearest to a given one, and the feet of perpendiculars."""

from math import hypot
from typing import assert_never

from ..angles import unit
from ..figures import Arc, Circle, Curve, Ellipse, EndlessLine, FigureSet, Line, Outline, Point, RoundCurve
from ..problem import refusal
from ..tolerance import TOLERANCE, Tolerance
from .circles import circle_circle
from .ellipses import nearest_angle, nearest_angles
from .intersection import Spot
from .supporting_curves import way_of
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
            if dx == dy == 0.0:
                raise refusal("every_direction")
            ux, uy = unit(dx, dy)
            return [
                Point(centre.x + radius * ux, centre.y + radius * uy),
                Point(centre.x - radius * ux, centre.y - radius * uy),
            ]
        case Ellipse():
            found = [curve.at(t) for t in nearest_angles(curve, at)]
            return sorted(found, key=lambda p: hypot(p.x - at.x, p.y - at.y))
        case _:
            assert_never(curve)


def tangent_places(circle: RoundCurve, at: Point, tolerance: Tolerance = TOLERANCE) -> tuple[Spot, ...]:
    """Where the tangents from a place touch the whole circle: left, then right, of the way from the place to the centre.

    The place itself where it lies on the circle; none from inside it. Source, published: Euclid, Elements III.17; the
    touching places lie on the circle over the way as a diameter.
    """
    dx, dy = circle.centre.x - at.x, circle.centre.y - at.y
    apart = hypot(dx, dy)
    slack = tolerance.length(circle.radius, max(abs(at.x), abs(at.y)))
    if abs(apart - circle.radius) <= slack:
        return (Spot(at),)
    if apart < circle.radius:
        return ()
    over = Circle(Point(at.x + dx / 2, at.y + dy / 2), apart / 2)
    # From the middle of the way to the centre: left of that is left of the way.
    return circle_circle(over, Circle(circle.centre, circle.radius), tolerance).spots


def nearest(figure: Curve | Outline | Point | FigureSet, at: Point) -> Point:
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
            angle = nearest_angle(figure, at)
            if figure.covers(angle):
                return figure.at(angle)
            stops = [figure.at(t) for t in nearest_angles(figure, at) if figure.covers(t)]
            return min((*stops, figure.start, figure.end), key=lambda p: hypot(p.x - at.x, p.y - at.y))
        case EndlessLine() | Circle():
            return feet(figure, at)[0]
        case FigureSet(members):
            return min((nearest(member, at) for member in members), key=lambda p: hypot(p.x - at.x, p.y - at.y))
        case _:
            raise refusal("not_a_figure")


def _nearer(at: Point, a: Point, b: Point) -> Point:
    return a if hypot(a.x - at.x, a.y - at.y) <= hypot(b.x - at.x, b.y - at.y) else b
