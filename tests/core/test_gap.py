"""How two figures stand to each other, with the number: worked out by hand, and against finely divided figures."""

from itertools import combinations
from math import cos, hypot, radians, sin, sqrt

import pytest
import shapely

from kentrograph.core.figures import Circle, Ellipse, EndlessLine, Line, Outline, Point
from kentrograph.core.measure.closest import closest
from kentrograph.core.measure.gap import gap_between

from .support import moved
from .test_meet import FIGURES, divided, quarter

ROUND = Circle(Point(0, 0), 5)
UPPER = quarter(Point(0, 0), 5, 0, 180)
SLIM = Ellipse(Point(0, 0), 6, 2)
TURNED = Ellipse(Point(1, 1), 6, 2, 30)
SQUARE = Outline(tuple(Line(Point(*a), Point(*b)) for a, b in (((0, 0), (8, 0)), ((8, 0), (8, 8)), ((8, 8), (0, 0)))), True)

# Two figures, how they stand, the number, and where it comes from.
CASES: list[tuple[object, object, str, float, str]] = [
    (ROUND, Line(Point(5, 0), Point(-10, 0)), "crosses", -5, "it begins on the rim, and crosses it further on: by hand"),
    (UPPER, Line(Point(5, 0), Point(-10, 0)), "touches", 0, "it meets an arc at both of its ends only"),
    (ROUND, Line(Point(5, 0), Point(10, 0)), "touches", 0, "it ends on the rim"),
    (ROUND, Line(Point(-9, 4), Point(9, 4)), "crosses", -1, "4 from the centre of 5"),
    (ROUND, Line(Point(-9, 7), Point(9, 7)), "gap", 2, "7 from the centre of 5"),
    (Line(Point(0, 0), Point(9, 0)), Line(Point(4, -3), Point(4, 3)), "crosses", 0, "lines cross without depth"),
    (Line(Point(0, 0), Point(9, 0)), Line(Point(4, 1e-12), Point(4, 3)), "touches", 1e-12, "what is left is said"),
    (Line(Point(0, 0), Point(9, 0)), Line(Point(4, 1e-6), Point(4, 3)), "gap", 1e-6, "a real gap"),
    (Line(Point(0, 0), Point(9, 0)), Line(Point(7, 0), Point(20, 0)), "lies on", 0, "on one line"),
    (ROUND, Circle(Point(2, 0), 3), "touches", 0, "inside: 5 - 3 = 2"),
    (ROUND, Circle(Point(2, 0), 2), "gap", 1, "inside, 5 - 2 - 2"),
    (ROUND, Circle(Point(7, 0), 3), "crosses", -1, "7 apart, 5 + 3 needed"),
    (Circle(Point(2, 0), 2), ROUND, "gap", 1, "enclosed, the other way round"),
    (SLIM, Line(Point(-9, 2), Point(9, 2)), "touches", 0, "along the top of an ellipse"),
    (SLIM, Line(Point(-9, 1), Point(9, 1)), "crosses", -1, "1 below its top"),
    (SLIM, EndlessLine(Point(6, 0), 0, 1), "touches", 0, "at the end of its long axis"),
    (SLIM, Circle(Point(9, 0), 3), "touches", 0, "outside at the end of its long axis"),
    (SLIM, Circle(Point(9, 0), 4), "crosses", -1, "9 - 6 - 4"),
    (SLIM, Circle(Point(0, 0), 2), "touches", 0, "inside, at both ends of its short axis"),
    (SLIM, Circle(Point(0, 0), 3), "crosses", -1, "inside it would be 2"),
    (SLIM, Circle(Point(0, 0), 1.5), "gap", 0.5, "inside with room"),
    (SLIM, Circle(Point(0, 0), 8), "gap", 2, "enclosed with room"),
    (SLIM, Ellipse(Point(10, 0), 4, 1), "touches", 0, "two ellipses in line"),
    (SQUARE, Circle(Point(12, 4), 4), "touches", 0, "an outline by its nearest piece"),
    (SQUARE, Circle(Point(12, 4), 5), "crosses", -1, "4 from that side"),
    (SQUARE, Point(8, 3), "touches", 0, "a point on it"),
    (Point(1, 1), Point(4, 5), "gap", 5, "3, 4, 5"),
]  # fmt: skip


@pytest.mark.parametrize(("a", "b", "state", "number", "why"), CASES, ids=[c[4] for c in CASES])
def test_gap_says_how_two_figures_stand(a: object, b: object, state: str, number: float, why: str) -> None:
    for one, other in ((a, b), (b, a)):
        found = gap_between(one, other)
        assert found.state == state, why
        assert found.number == pytest.approx(number, rel=1e-9, abs=2e-15), why


@pytest.mark.parametrize("way", range(0, 180, 15))
def test_a_tangent_of_an_ellipse_leaves_nothing(way: int) -> None:
    """Published: the support function of an ellipse; moved out by it, a line touches, and by 0.5 less it lies so deep."""
    u, v = cos(radians(way)), sin(radians(way))
    e1, e2 = (cos(radians(30)), sin(radians(30))), (-sin(radians(30)), cos(radians(30)))
    nx, ny = -v, u
    half = sqrt((6 * (nx * e1[0] + ny * e1[1])) ** 2 + (2 * (nx * e2[0] + ny * e2[1])) ** 2)
    for out, state, number in ((half, "touches", 0), (half - 0.5, "crosses", -0.5), (half + 0.5, "gap", 0.5)):
        found = gap_between(TURNED, EndlessLine(Point(1 + out * nx, 1 + out * ny), u, v))
        assert (found.state, found.number) == (state, pytest.approx(number, abs=1e-7))


PAIRS = list(combinations(sorted(FIGURES), 2))


@pytest.mark.parametrize(("first", "second"), PAIRS, ids=[f"{a} and {b}" for a, b in PAIRS])
@pytest.mark.parametrize(("dx", "dy"), [(0, 0), (17, 3), (-4, 21)])
def test_closest_places_against_shapely(first: str, second: str, dx: float, dy: float) -> None:
    """Library: shapely 2.2 on finely divided figures; the places given are as far apart as is said, and lie on both."""
    a, b = FIGURES[first], moved(FIGURES[second], dx, dy)
    apart, p, q = closest(a, b)
    assert apart == pytest.approx(divided(a).distance(divided(b)), abs=2e-5)
    assert hypot(p.x - q.x, p.y - q.y) == pytest.approx(apart, abs=1e-12)
    for figure, place in ((a, p), (b, q)):
        assert divided(figure).distance(shapely.Point(place.x, place.y)) < 2e-5
