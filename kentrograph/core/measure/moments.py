"""Second moments of area of what is closed, arcs and parts of ellipses in the edge included, about the centre of area.

Method: the polygon of the corners by the coordinate formulas, and each segment between an arc and its chord as sector less
triangle in its own axes, moved by the parallel axes (Steiner). Source: published, engineers' handbooks (from memory); an
ellipse is a circle drawn out along its axes, and its moments are drawn out with it (common practice).
"""

from collections.abc import Sequence
from dataclasses import dataclass
from math import atan2, cos, degrees, fsum, hypot, pi, radians, sin
from typing import Any

from ..angles import unit_vector
from ..figures import Arc, Circle, Ellipse, Line, Outline, Point
from ..problem import refusal
from .area import area_centre, area_of, segment_area, segment_centre, signed_area


@dataclass(frozen=True, slots=True)
class Moments:
    """``xx`` is the integral of x squared over the area, ``yy`` of y squared, ``xy`` of x times y; about ``centre``, in the
    drawing's unit to the fourth."""

    area: float
    centre: Point
    xx: float
    yy: float
    xy: float

    def turned(self, degrees_left: float) -> "Moments":
        """The same, counted along axes that are turned counter-clockwise by an angle."""
        c, s = unit_vector(degrees_left)
        return Moments(
            self.area, self.centre,
            c * c * self.xx + 2.0 * c * s * self.xy + s * s * self.yy,
            s * s * self.xx - 2.0 * c * s * self.xy + c * c * self.yy,
            (c * c - s * s) * self.xy - c * s * (self.xx - self.yy),
        )  # fmt: skip

    @property
    def principal(self) -> tuple[float, float, float]:
        """The greatest and the smallest second moment about an axis through the centre, and the direction of the axis about which
        it is greatest: 0 <= d < 180, and 0 where they are equal."""
        half, reach = 0.5 * (self.xx + self.yy), hypot(0.5 * (self.xx - self.yy), self.xy)
        # About an axis the moment is that of the distance square to it.
        axis = 0.5 * degrees(atan2(2.0 * self.xy, self.xx - self.yy)) + 90.0 if reach > 0.0 else 0.0
        return half + reach, half - reach, axis % 180.0


def moments_of(parts: Sequence[tuple[float, Any]]) -> Moments:
    """The second moments of closed figures together, each with 1, or with -1 where it is a hole. Raises `Refused` (not_closed,
    no_area)."""
    area = fsum(sign * area_of(one) for sign, one in parts)
    if not area > 0.0:
        raise refusal("no_area")
    centres = [area_centre(one) for _, one in parts]
    areas = [sign * area_of(one) for sign, one in parts]
    centre = Point(
        fsum(a * c.x for a, c in zip(areas, centres, strict=True)) / area,
        fsum(a * c.y for a, c in zip(areas, centres, strict=True)) / area,
    )
    sums = [_about(one, centre) for _, one in parts]
    xx, yy, xy = (fsum(sign * own[n] for (sign, _), own in zip(parts, sums, strict=True)) for n in range(3))
    return Moments(area, centre, xx, yy, xy)


def _about(figure: Any, o: Point) -> tuple[float, float, float]:
    """The integrals of x², y² and xy over a closed figure, counted from a place."""
    if isinstance(figure, Circle):
        own = 0.25 * pi * figure.radius**4
        return _moved(own, own, 0.0, area_of(figure), figure.centre.x - o.x, figure.centre.y - o.y)
    if isinstance(figure, Ellipse):
        a, b = figure.a, figure.b
        along, across = 0.25 * pi * a**3 * b, 0.25 * pi * a * b**3
        xx, yy, xy = _turned_back(along, across, 0.0, figure.turn)
        return _moved(xx, yy, xy, area_of(figure), figure.centre.x - o.x, figure.centre.y - o.y)
    if not isinstance(figure, Outline):
        raise refusal("no_area")
    sign = 1.0 if signed_area(figure) > 0.0 else -1.0
    terms: list[tuple[float, float, float]] = []
    for piece in figure.pieces:
        ax, ay, bx, by = piece.start.x - o.x, piece.start.y - o.y, piece.end.x - o.x, piece.end.y - o.y
        cross = ax * by - bx * ay
        terms.append(
            (
                cross * (ax * ax + ax * bx + bx * bx) / 12.0,
                cross * (ay * ay + ay * by + by * by) / 12.0,
                cross * (ax * by + 2.0 * ax * ay + 2.0 * bx * by + bx * ay) / 24.0,
            )
        )
        if not isinstance(piece, Line):
            terms.append(_of_segment(piece, o))
    xx, yy, xy = (sign * fsum(term[n] for term in terms) for n in range(3))
    return xx, yy, xy


def _of_segment(arc: Arc | Ellipse, o: Point) -> tuple[float, float, float]:
    """The same over the segment between an arc and its chord; negative where it runs clockwise."""
    a, b = (arc.a, arc.b) if isinstance(arc, Ellipse) else (arc.radius, arc.radius)
    first = arc.begin if isinstance(arc, Ellipse) else arc.from_direction
    sign = 1.0 if arc.sweep > 0.0 else -1.0
    half = 0.5 * radians(abs(arc.sweep))
    c, s = cos(half), sin(half)
    # In a circle of 1, along the middle of the segment and square to it: the sector less the triangle on the chord.
    along = 0.25 * (half + 0.5 * sin(2.0 * half)) - 0.5 * s * c**3
    across = 0.25 * (half - 0.5 * sin(2.0 * half)) - s**3 * c / 6.0
    # Turned to the axes of the circle, then drawn out to the ellipse along them.
    uu, vv, uv = _turned_back(along, across, 0.0, first + 0.5 * arc.sweep)
    uu, vv, uv = a**3 * b * uu, a * b**3 * vv, a * a * b * b * uv
    if isinstance(arc, Ellipse):
        uu, vv, uv = _turned_back(uu, vv, uv, arc.turn)
    # From the centre of the circle to the centre of the segment's area, and from there to the place.
    area = abs(segment_area(arc))
    cx, cy = segment_centre(arc)
    dx, dy = cx - arc.centre.x, cy - arc.centre.y
    uu, vv, uv = uu - area * dx * dx, vv - area * dy * dy, uv - area * dx * dy
    xx, yy, xy = _moved(uu, vv, uv, area, cx - o.x, cy - o.y)
    return sign * xx, sign * yy, sign * xy


def _turned_back(xx: float, yy: float, xy: float, turn: float) -> tuple[float, float, float]:
    """Integrals that were counted along axes turned counter-clockwise by an angle, counted along level and plumb."""
    c, s = unit_vector(turn)
    return (
        c * c * xx - 2.0 * c * s * xy + s * s * yy,
        s * s * xx + 2.0 * c * s * xy + c * c * yy,
        c * s * (xx - yy) + (c * c - s * s) * xy,
    )


def _moved(xx: float, yy: float, xy: float, area: float, dx: float, dy: float) -> tuple[float, float, float]:
    """Integrals about the centre of area, counted from a place that it is so far away from."""
    return xx + area * dx * dx, yy + area * dy * dy, xy + area * dx * dy
