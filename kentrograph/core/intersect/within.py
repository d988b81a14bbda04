"""Whether a place that lies on the whole figure lies on what is drawn of it."""

from dataclasses import replace
from math import hypot, radians
from typing import assert_never

from ..angles import direction_of
from ..figures import Arc, Circle, Curve, Ellipse, EndlessLine, Line, Point
from ..tolerance import TOLERANCE, Tolerance
from .supporting_curves import away, way_of


def within(curve: Curve, at: Point, tolerance: Tolerance = TOLERANCE) -> bool:
    """Whether ``at``, known to lie on the whole of ``curve``, is on what is drawn; its ends count."""
    match curve:
        case Line(start, end):
            w = way_of(curve)
            slack = tolerance.length(w.size, away(start.x, start.y, end.x, end.y, at.x, at.y))
            return -slack <= w.along(at.x, at.y) <= w.size + slack
        case Arc():
            return on_sweep(curve, at, tolerance)
        case Ellipse():
            return curve.covers(curve.angle_at(at.x, at.y)) or _at_an_end(curve, at, max(curve.a, curve.b), tolerance)
        case EndlessLine() | Circle():
            return True
        case _:
            assert_never(curve)


def on_sweep(arc: Arc, at: Point, tolerance: Tolerance = TOLERANCE) -> bool:
    """Whether the direction of a place from the centre lies in the sweep of an arc."""
    return _at_an_end(arc, at, arc.radius, tolerance) or swept(arc, at) <= abs(arc.sweep)


def _at_an_end(part: Arc | Ellipse, at: Point, size: float, tolerance: Tolerance) -> bool:
    """Whether a place is where an arc or a part of an ellipse begins or ends."""
    slack = tolerance.length(size, away(part.centre.x, part.centre.y, at.x, at.y))
    return any(hypot(end.x - at.x, end.y - at.y) <= 2.0 * slack for end in (part.start, part.end))


def swept(arc: Arc, at: Point) -> float:
    """Degrees from the start of an arc, in its own sense, to the direction of a place; 0 <= d < 360."""
    to = direction_of(at.x - arc.centre.x, at.y - arc.centre.y)
    past = (to - arc.from_direction) % 360.0
    return past if arc.sweep > 0.0 else (360.0 - past) % 360.0


def distance_along(figure: Curve, at: Point) -> float:
    """How far along a figure, as it runs, the foot of a place is from its start; negative where it is off the start.

    A circle starts east of its centre, an endless line where it was put through, as `place_along` has it. Off an arc or a
    part of an ellipse it counts from the end that is nearer, along its continuation.
    """
    match figure:
        case Line(start, end):
            dx, dy = end.x - start.x, end.y - start.y
            return ((at.x - start.x) * dx + (at.y - start.y) * dy) / figure.length
        case EndlessLine():
            return way_of(figure).along(at.x, at.y)
        case Arc():
            return _from_start(swept(figure, at), abs(figure.sweep)) / abs(figure.sweep) * figure.length
        case Circle(centre, radius):
            return radians(direction_of(at.x - centre.x, at.y - centre.y)) * radius
        case Ellipse():
            turn = figure.past_begin(figure.angle_at(at.x, at.y))
            turn = turn if figure.whole else _from_start(turn, abs(figure.sweep))
            if turn == 0.0:
                return 0.0
            way = replace(figure, sweep=turn if figure.sweep > 0.0 else -turn).length
            return way if turn > 0.0 else -way
        case _:
            assert_never(figure)


def _from_start(past: float, sweep: float) -> float:
    """Degrees past the start as a signed turn: what lies off the figure is before its start where that is nearer."""
    return past - 360.0 if past > sweep + (360.0 - sweep) / 2.0 else past
