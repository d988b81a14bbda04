"""Areas, perimeters and area centres of what is closed, arcs in the edge included.

Method: Green's theorem, piece by piece, about a local origin, so that nothing is lost far from the datum. Source:
common practice; the circular segment R²(t - sin t)/2, published in engineers' handbooks (from memory).
"""

from math import cos, fsum, hypot, pi, radians, sin
from typing import Any

from ..angles import unit_vector
from ..figures import Arc, Circle, Ellipse, FigureSet, Line, Outline, Point
from ..figures.box import box_of
from ..problem import Refused, refusal
from ..tolerance import NOISE_OF_SUMS, SERIES_END


def signed_area(outline: Outline) -> float:
    """Area of a closed outline, positive when it runs counter-clockwise. Raises `Refused` (not_closed) with the gap."""
    _check_closed(outline)
    o = outline.start
    parts: list[float] = []
    for piece in outline.pieces:
        ax, ay, bx, by = piece.start.x - o.x, piece.start.y - o.y, piece.end.x - o.x, piece.end.y - o.y
        parts.append(0.5 * (ax * by - bx * ay))
        if not isinstance(piece, Line):
            parts.append(segment_area(piece))
    return fsum(parts)


def segment_area(arc: Arc | Ellipse) -> float:
    """Signed area between an arc, or a part of an ellipse, and its chord: positive when it runs counter-clockwise.

    An ellipse is a circle drawn out along its axes, and areas are drawn out with it.
    """
    a, b = (arc.a, arc.b) if isinstance(arc, Ellipse) else (arc.radius, arc.radius)
    return 0.5 * a * b * _t_minus_sin(radians(arc.sweep))


def _t_minus_sin(t: float) -> float:
    """t - sin t, by its series where the two nearly cancel."""
    if abs(t) > 0.3:
        return t - sin(t)
    square, term, total, k = t * t, t**3 / 6.0, 0.0, 3
    while abs(term) > SERIES_END * abs(total) and term != 0.0:
        total += term
        term *= -square / ((k + 1) * (k + 2))
        k += 2
    return total


def area_of(figure: Any) -> float:
    """Area of a closed figure, in the drawing's unit squared. Raises `Refused` (not_closed, no_area)."""
    match figure:
        case Circle(_, radius):
            return pi * radius * radius
        case Ellipse() if figure.whole:
            return figure.area
        case Outline():
            return abs(signed_area(figure))
        case FigureSet(members):
            return fsum(area_of(member) for member in members)
        case _:
            raise refusal("no_area")


def perimeter_of(figure: Any) -> float:
    """Length of the edge of a closed figure."""
    if isinstance(figure, Circle | Ellipse | Outline):
        return figure.length
    if isinstance(figure, FigureSet):
        return fsum(perimeter_of(member) for member in figure.members)
    raise refusal("no_area")


def area_centre(figure: Any) -> Point:
    """The centre of area of a closed figure. Raises `Refused`: no_area for an outline whose area is nothing."""
    found = balance(figure)
    if found is None:
        raise refusal("no_area")
    return found


def balance(figure: Any) -> Point | None:
    """The centre of area of a closed figure; None for one whose parts cancel each other. Raises `Refused` (not_closed)."""
    if isinstance(figure, Circle | Ellipse):
        return figure.centre
    if not isinstance(figure, Outline):
        return None
    total = signed_area(figure)
    box = box_of(figure)
    if abs(total) <= NOISE_OF_SUMS * (hypot(box[2] - box[0], box[3] - box[1]) ** 2):
        return None
    o = figure.start
    sx: list[float] = []
    sy: list[float] = []
    for piece in figure.pieces:
        ax, ay, bx, by = piece.start.x - o.x, piece.start.y - o.y, piece.end.x - o.x, piece.end.y - o.y
        cross = ax * by - bx * ay
        sx.append(cross * (ax + bx) / 6.0)
        sy.append(cross * (ay + by) / 6.0)
        if not isinstance(piece, Line):
            area = segment_area(piece)
            cx, cy = segment_centre(piece)
            sx.append(area * (cx - o.x))
            sy.append(area * (cy - o.y))
    return Point(o.x + fsum(sx) / total, o.y + fsum(sy) / total)


def segment_centre(arc: Arc | Ellipse) -> tuple[float, float]:
    """Centre of the segment between an arc and its chord: 4 R sin³(t/2) / (3 (t - sin t)) from the centre, toward its middle."""
    t = abs(radians(arc.sweep))
    share = 4.0 * sin(t / 2.0) ** 3 / (3.0 * _t_minus_sin(t))
    if isinstance(arc, Ellipse):
        c, s = unit_vector(arc.begin + arc.sweep / 2.0)
        x, y = arc.vector(share * arc.a * c, share * arc.b * s)
        return arc.centre.x + x, arc.centre.y + y
    reach = share * arc.radius
    middle = radians(arc.from_direction + arc.sweep / 2.0)
    return arc.centre.x + reach * cos(middle), arc.centre.y + reach * sin(middle)


def _check_closed(outline: Outline) -> None:
    if not outline.closed:
        raise refusal("not_closed", gap=hypot(outline.end.x - outline.start.x, outline.end.y - outline.start.y))


def box_middle(figure: Any) -> Point:
    """The middle of the upright box around a figure."""
    left, bottom, right, top = box_of(figure)
    return Point(left + (right - left) / 2, bottom + (top - bottom) / 2)


def middles(figure: Any) -> list[tuple[str, Point]]:
    """Area centre and centre of the box of a closed outline; none of one that holds no area."""
    if not isinstance(figure, Outline) or not figure.closed:
        return []
    try:
        return [("middle", area_centre(figure)), ("box middle", box_middle(figure))]
    except Refused:
        # Its parts cancel each other: the box is all that has a middle.
        return [("box middle", box_middle(figure))]
