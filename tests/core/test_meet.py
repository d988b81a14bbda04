"""Crossings, nearest places and areas of every pair of kinds, against code that is not ours.

Library: shapely 2.2.0 on finely divided figures (with the tolerance that the division implies), mpmath 1.3.0 at 50 digits.
"""

from itertools import combinations_with_replacement
from math import cos, hypot, pi, radians, sin

import mpmath
import pytest
import shapely
from hypothesis import example, given, settings
from hypothesis import strategies as st

from kentrograph.core.figures import Arc, Circle, Curve, Ellipse, EndlessLine, Line, Outline, Point
from kentrograph.core.intersect import intersect, nearest
from kentrograph.core.measure.area import area_centre, area_of
from kentrograph.core.measure.closest import distance_between

DIVISIONS = 4096


def quarter(centre: Point, radius: float, begin: float, sweep: float) -> Arc:
    ends = [Point(centre.x + radius * cos(radians(a)), centre.y + radius * sin(radians(a))) for a in (begin, begin + sweep)]
    return Arc(centre, radius, ends[0], ends[1], sweep)


FIGURES: dict[str, Curve] = {
    "line": Line(Point(-9, -4), Point(11, 7)),
    "short line": Line(Point(1, 1), Point(3, -2)),
    "circle": Circle(Point(2, 1), 6),
    "small circle": Circle(Point(-3, 2), 1.5),
    "arc": quarter(Point(0, 0), 5, 20, 200),
    "clockwise arc": quarter(Point(3, 3), 4, 80, -150),
    "ellipse": Ellipse(Point(1, 0), 8, 3, 25),
    "slim ellipse": Ellipse(Point(-1, 1), 7, 0.8, 100),
    "part of an ellipse": Ellipse(Point(0, -1), 6, 4, 10, 200, 140),
    "endless line": EndlessLine(Point(0, 2), 0.6, -0.8),
}


def divided(figure: Curve | Outline) -> shapely.LineString:
    """The figure as many short lines."""
    match figure:
        case Line(a, b):
            return shapely.LineString([(a.x, a.y), (b.x, b.y)])
        case EndlessLine(p, ux, uy):
            return shapely.LineString([(p.x - 100 * ux, p.y - 100 * uy), (p.x + 100 * ux, p.y + 100 * uy)])
        case Circle(c, r):
            turns = [2 * pi * k / DIVISIONS for k in range(DIVISIONS + 1)]
            return shapely.LineString([(c.x + r * cos(t), c.y + r * sin(t)) for t in turns])
        case Arc(c, r, _, _, sweep):
            turns = [radians(figure.from_direction + sweep * k / DIVISIONS) for k in range(DIVISIONS + 1)]
            return shapely.LineString([(c.x + r * cos(t), c.y + r * sin(t)) for t in turns])
        case Ellipse():
            places = [figure.at(radians(figure.begin + figure.sweep * k / DIVISIONS)) for k in range(DIVISIONS + 1)]
            return shapely.LineString([(p.x, p.y) for p in places])
        case Outline(pieces):
            return shapely.LineString([xy for p in pieces for xy in divided(p).coords])


PAIRS = list(combinations_with_replacement(sorted(FIGURES), 2))


@pytest.mark.parametrize(("first", "second"), PAIRS, ids=[f"{a} and {b}" for a, b in PAIRS])
def test_pair_meets_where_shapely_says(first: str, second: str) -> None:
    a, b = FIGURES[first], FIGURES[second]
    found = intersect(a, b)
    if first == second:
        assert found.how == "coincident"
        return
    theirs = shapely.get_coordinates(divided(a).intersection(divided(b)))
    assert len(found.spots) == len(theirs), (found, theirs)
    for spot in found.spots:
        assert min(hypot(spot.at.x - x, spot.at.y - y) for x, y in theirs) < 1e-3
        for figure in (a, b):
            foot = nearest(figure, spot.at)
            assert hypot(foot.x - spot.at.x, foot.y - spot.at.y) < 1e-11
    assert (intersect(b, a).how, len(intersect(b, a).spots)) == (found.how, len(found.spots))
    assert distance_between(a, b) == pytest.approx(divided(a).distance(divided(b)), abs=2e-5)


@given(st.sampled_from(sorted(FIGURES)), st.floats(-12, 12), st.floats(-12, 12))
@example("arc", 5e-324, 5e-324)  # so near the centre that the way from it has no digits left
@settings(max_examples=200, deadline=None)
def test_nearest_place_is_as_near_as_shapely_says(name: str, x: float, y: float) -> None:
    figure = FIGURES[name]
    foot = nearest(figure, Point(x, y))
    assert hypot(foot.x - x, foot.y - y) == pytest.approx(divided(figure).distance(shapely.Point(x, y)), abs=2e-5)


def test_nearest_on_an_ellipse_to_the_last_digits() -> None:
    # The equation of the normal at 50 digits.
    e = Ellipse(Point(0, 0), 8, 3)
    for x, y in ((10, 7), (1, 0.5), (-3, 9), (0.001, 4)):
        foot = nearest(e, Point(x, y))
        with mpmath.workdps(50):
            start = mpmath.atan2(mpmath.mpf(foot.y) / 3, mpmath.mpf(foot.x) / 8)
            normal = lambda t, x=x, y=y: 55 * mpmath.sin(t) * mpmath.cos(t) - 8 * x * mpmath.sin(t) + 3 * y * mpmath.cos(t)
            t = mpmath.findroot(normal, start)
            wanted = (float(8 * mpmath.cos(t)), float(3 * mpmath.sin(t)))
        assert (foot.x, foot.y) == pytest.approx(wanted, abs=1e-13)


TOUCHING = [
    (Circle(Point(0, 0), 3), Circle(Point(5, 0), 2), Point(3, 0), "circles from outside"),
    (Circle(Point(0, 0), 5), Circle(Point(3, 0), 2), Point(5, 0), "one circle inside another"),
    (Circle(Point(0, 0), 2), Line(Point(-4, 2), Point(4, 2)), Point(0, 2), "a line and a circle"),
    (Ellipse(Point(0, 0), 6, 2), Line(Point(-9, 2), Point(9, 2)), Point(0, 2), "a line and an ellipse"),
    (Ellipse(Point(0, 0), 6, 2), Circle(Point(0, 5), 3), Point(0, 2), "a circle and an ellipse"),
    (Ellipse(Point(0, 0), 6, 2), Ellipse(Point(10, 0), 4, 1), Point(6, 0), "two ellipses"),
]


@pytest.mark.parametrize(("a", "b", "at", "why"), TOUCHING, ids=[t[3] for t in TOUCHING])
@pytest.mark.parametrize("scale", [1e-3, 1.0, 1e6])
def test_touching_is_one_place(a: Curve, b: Curve, at: Point, why: str, scale: float) -> None:
    found = intersect(scaled(a, scale), scaled(b, scale))
    assert found.how == "touching", why
    assert len(found.spots) == 1
    spot = found.spots[0].at
    assert hypot(spot.x - at.x * scale, spot.y - at.y * scale) < 1e-6 * scale


def along(a: float, b: float) -> Line:
    return Line(Point(3 * a, 4 * a), Point(3 * b, 4 * b))


def around(begin: float, sweep: float) -> Arc:
    return quarter(Point(2, -1), 5, begin, sweep)


def part(begin: float, sweep: float) -> Ellipse:
    return Ellipse(Point(1, 2), 6, 2, 30, begin, sweep)


# Two figures on one line, circle or ellipse, how they meet, in how many places, and why.
ON_ONE = [
    (along(0, 10), along(6, 20), "coincident", 0, "they overlap by less than half of either"),
    (along(0, 10), along(20, 6), "coincident", 0, "the same, run the other way"),
    (along(0, 10), along(3, 4), "coincident", 0, "one inside the other"),
    (along(0, 10), along(-5, 90), "coincident", 0, "one around the other"),
    (along(0, 10), along(10, 11), "touching", 1, "one goes on from the other"),
    (along(0, 10), along(12, 11), "apart", 0, "a gap between them"),
    (along(0, 10), EndlessLine(Point(30, 40), 0.6, 0.8), "coincident", 0, "on an endless line"),
    (around(0, 100), around(90, 100), "coincident", 0, "they overlap by a tenth"),
    (around(0, 100), around(190, -100), "coincident", 0, "the same, run the other way"),
    (around(0, 100), around(100, 40), "touching", 1, "one goes on from the other"),
    (around(30, 180), around(210, 180), "touching", 2, "two halves of a circle share both ends"),
    (around(0, 100), around(110, 20), "apart", 0, "a gap between them"),
    (around(0, 300), around(280, 100), "coincident", 0, "they overlap at both ends"),
    (around(0, 100), Circle(Point(2, -1), 5), "coincident", 0, "on the whole circle"),
    (part(0, 100), part(90, 100), "coincident", 0, "parts of an ellipse that overlap"),
    (part(0, 100), part(100, 50), "touching", 1, "parts of an ellipse, one on from the other"),
    (part(0, 100), part(200, 50), "apart", 0, "a gap between them"),
    (part(0, 100), Ellipse(Point(1, 2), 6, 2, 30), "coincident", 0, "on the whole ellipse"),
]


@pytest.mark.parametrize(("a", "b", "how", "count", "why"), ON_ONE, ids=[t[4] for t in ON_ONE])
def test_figures_on_one_carrier(a: Curve, b: Curve, how: str, count: int, why: str) -> None:
    for one, other in ((a, b), (b, a)):
        found = intersect(one, other)
        assert (found.how, len(found.spots)) == (how, count), why


def scaled(figure: Curve, k: float) -> Curve:
    match figure:
        case Circle(c, r):
            return Circle(Point(c.x * k, c.y * k), r * k)
        case Ellipse(c, a, b, turn):
            return Ellipse(Point(c.x * k, c.y * k), a * k, b * k, turn)
        case Line(a, b):
            return Line(Point(a.x * k, a.y * k), Point(b.x * k, b.y * k))
        case _:
            raise AssertionError(figure)


def test_area_and_its_centre_of_an_outline_with_arcs() -> None:
    a, b, c = Point(0, 0), Point(10, 0), Point(10, 6)
    outline = Outline(
        (Line(a, b), quarter(Point(10, 3), 3, -90, 180), Line(c, Point(0, 6)), quarter(Point(0, 3), 3, 90, -180)), True
    )
    # Right half circle bulges out, left one is cut in: the area is that of the rectangle.
    assert area_of(outline) == pytest.approx(60)
    polygon = shapely.Polygon(divided(outline).coords)
    assert area_of(outline) == pytest.approx(polygon.area, abs=1e-4)
    centre = area_centre(outline)
    assert (centre.x, centre.y) == pytest.approx((polygon.centroid.x, polygon.centroid.y), abs=1e-4)


def test_area_keeps_its_digits_far_from_the_datum() -> None:
    o = 1e7
    corners = [Point(o + x, o + y) for x, y in ((0, 0), (0.5, 0), (0.5, 0.25), (0, 0.25))]
    outline = Outline(tuple(Line(p, q) for p, q in zip(corners, [*corners[1:], corners[0]], strict=True)), True)
    assert area_of(outline) == 0.125
