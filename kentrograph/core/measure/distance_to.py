"""How far a place lies from a figure: the shortest calculation there is, for the many figures around a pointer."""

from math import hypot
from typing import Any

from ..figures import Arc, Circle, EndlessLine, Line, Outline, Point
from .closest import distance_between


def distance_to(figure: Any, x: float, y: float) -> float:
    """The distance from (x, y) to what is drawn of a figure, in the drawing's unit; good to a few parts in 1e15."""
    kind = type(figure)
    if kind is Line:
        a, b = figure.start, figure.end
        dx, dy = b.x - a.x, b.y - a.y
        px, py = x - a.x, y - a.y
        t = (px * dx + py * dy) / (dx * dx + dy * dy)
        if t <= 0.0:
            return hypot(px, py)
        if t >= 1.0:
            return hypot(x - b.x, y - b.y)
        return hypot(px - t * dx, py - t * dy)
    if kind is Circle:
        radius: float = figure.radius
        return abs(hypot(x - figure.centre.x, y - figure.centre.y) - radius)
    if kind is Arc:
        return _from_arc(figure, x, y)
    if kind is Point:
        return hypot(x - figure.x, y - figure.y)
    if kind is EndlessLine:
        off: float = (x - figure.through.x) * figure.uy - (y - figure.through.y) * figure.ux
        return abs(off)
    if kind is Outline:
        return min(distance_to(piece, x, y) for piece in figure.pieces)
    return distance_between(Point(x, y), figure)


def in_sweep(arc: Arc, x: float, y: float) -> bool:
    """Whether the ray from the centre of an arc to (x, y) meets it; by the signs of two cross products."""
    c, a, b = arc.centre, arc.start, arc.end
    px, py = x - c.x, y - c.y
    ax, ay, bx, by = a.x - c.x, a.y - c.y, b.x - c.x, b.y - c.y
    if arc.sweep < 0.0:
        ax, ay, bx, by = bx, by, ax, ay
    # Counter-clockwise from a to b: left of a and right of b; of a long arc, not the other way about.
    left, right = ax * py - ay * px >= 0.0, px * by - py * bx >= 0.0
    return (left and right) if abs(arc.sweep) <= 180.0 else (left or right)


def _from_arc(arc: Arc, x: float, y: float) -> float:
    """Off the rim where the ray from the centre meets the arc, else from the nearer end."""
    c, a, b = arc.centre, arc.start, arc.end
    if in_sweep(arc, x, y):
        return abs(hypot(x - c.x, y - c.y) - arc.radius)
    return min(hypot(x - a.x, y - a.y), hypot(x - b.x, y - b.y))
