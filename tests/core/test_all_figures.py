"""One list of figures that every operation meets, alone and in all pairs: each answers in its own type, and the answers agree.

What is tested follows from what the operations are (a distance is the same from either side, a similarity keeps it): no
source is needed, *common practice*. The values themselves are checked in `test_meet`, `test_gap` and `test_ellipses`.
"""

from itertools import combinations_with_replacement, pairwise
from math import cos, hypot, inf, isfinite, radians, remainder, sin
from typing import Any, get_args

import pytest

from kentrograph.core.book.manner import Conventions
from kentrograph.core.book.parts import PARTS, parts_of
from kentrograph.core.figures import Arc, Circle, Ellipse, EndlessLine, Figure, Line, Outline, Point
from kentrograph.core.figures.along import heading, place_along
from kentrograph.core.figures.box import box_of
from kentrograph.core.figures.similarity import Similarity, dilation, reflection, rotation, transformed
from kentrograph.core.intersect import Intersection, feet, intersect, intersect_long, nearest
from kentrograph.core.intersect.within import distance_along, within
from kentrograph.core.language.report import figure_data
from kentrograph.core.measure.area import area_of, perimeter_of
from kentrograph.core.measure.closest import closest, distance_between
from kentrograph.core.measure.distance_to import distance_to
from kentrograph.core.measure.gap import Gap, State, gap_between
from kentrograph.core.problem import Refused
from kentrograph.core.tolerance import TOLERANCE
from kentrograph.exchange.svg import Styled, picture


def arc(x: float, y: float, radius: float, begin: float, sweep: float) -> Arc:
    ends = [Point(x + radius * cos(radians(a)), y + radius * sin(radians(a))) for a in (begin, begin + sweep)]
    return Arc(Point(x, y), radius, ends[0], ends[1], sweep)


def ring(*places: tuple[float, float], closed: bool = True) -> Outline:
    at = [Point(x, y) for x, y in places]
    pairs = zip(at, at[1:] + at[:1], strict=True) if closed else pairwise(at)
    return Outline(tuple(Line(a, b) for a, b in pairs), closed)


FIGURES: dict[str, Figure] = {
    "point": Point(3.0, 4.0),
    "point at the datum": Point(0.0, 0.0),
    "line": Line(Point(-9.0, -4.0), Point(11.0, 7.0)),
    "level line": Line(Point(0.0, 5.0), Point(20.0, 5.0)),
    "plumb line, downward": Line(Point(5.0, 20.0), Point(5.0, -20.0)),
    "very short line": Line(Point(1.0, 1.0), Point(1.0 + 1e-6, 1.0)),
    "endless line": EndlessLine(Point(0.0, 2.0), 0.6, -0.8),
    "endless level line": EndlessLine(Point(0.0, 5.0), 1.0, 0.0),
    "circle": Circle(Point(2.0, 1.0), 6.0),
    "circle that touches a line": Circle(Point(12.0, 2.0), 3.0),
    "concentric circle": Circle(Point(2.0, 1.0), 2.5),
    "tiny circle": Circle(Point(2.0, 7.0), 1e-6),
    "arc": arc(0.0, 0.0, 5.0, 20.0, 200.0),
    "clockwise arc": arc(3.0, 3.0, 4.0, 80.0, -150.0),
    "arc of nearly a turn": arc(2.0, 1.0, 6.0, 0.0, 359.0),
    "arc on the circle": arc(2.0, 1.0, 6.0, 90.0, 90.0),
    "ellipse": Ellipse(Point(1.0, 0.0), 8.0, 3.0, 25.0),
    "slim ellipse": Ellipse(Point(-1.0, 1.0), 7.0, 0.05, 100.0),
    "part of an ellipse": Ellipse(Point(0.0, -1.0), 6.0, 4.0, 10.0, 200.0, 140.0),
    "part of an ellipse, clockwise": Ellipse(Point(0.0, -1.0), 6.0, 4.0, 10.0, 40.0, -300.0),
    "triangle": ring((0.0, 0.0), (8.0, 0.0), (0.0, 6.0)),
    "clockwise square": ring((10.0, 10.0), (10.0, 14.0), (14.0, 14.0), (14.0, 10.0)),
    "open chain": ring((-5.0, -5.0), (0.0, -5.0), (0.0, 0.0), closed=False),
    "half disc": Outline((Line(Point(-5.0, 9.0), Point(5.0, 9.0)), arc(0.0, 9.0, 5.0, 0.0, 180.0)), True),
    "line far away": Line(Point(1e7, 1e7), Point(1e7 + 4.0, 1e7 + 3.0)),
    "circle far away": Circle(Point(1e7, 1e7), 2.0),
    "very large circle": Circle(Point(0.0, -1e9), 1e9),
}
PAIRS = list(combinations_with_replacement(FIGURES, 2))


def noise(*figures: Figure) -> float:
    """What doubles leave open of a length measured between these figures."""
    reach = max(abs(v) for f in figures for v in box_of(f) if isfinite(v))
    return 1e-9 + 1e-13 * reach


def size(*figures: Figure) -> float:
    """How large the larger of them is, from corner to corner; an endless one has no size."""
    boxes = [box_of(f) for f in figures]
    return max(hypot(b[2] - b[0], b[3] - b[1]) if abs(b[0]) < inf else 0.0 for b in boxes)


def answered(call: Any, *arguments: Any) -> Any:
    """What an operation answers; None where it refuses, which it may only do with a reason."""
    try:
        return call(*arguments)
    except Refused:
        return None


@pytest.mark.parametrize("name", FIGURES)
def test_every_operation_answers_for_every_figure(name: str) -> None:
    figure = FIGURES[name]
    left, low, right, high = box_of(figure)
    assert left <= right
    assert low <= high
    assert figure_data(figure)["kind"] in ("point", "line", "circle", "arc", "ellipse", "outline")
    assert picture([Styled(figure, "#000000", 1.0)]).startswith("<svg")
    for part in parts_of(figure):
        found = PARTS[part](figure, Conventions(), "mm")
        assert isinstance(found, float)
        assert isfinite(found)
    for words in set(PARTS) - set(parts_of(figure)):
        answered(PARTS[words], figure, Conventions(), "mm")
    area, edge = answered(area_of, figure), answered(perimeter_of, figure)
    if area is not None and edge is not None:
        # Of all figures with an edge so long the disc is the largest (isoperimetric inequality).
        assert 4 * 3.141592653589793 * area <= edge * edge * (1 + 1e-9)
    if not isinstance(figure, Point | EndlessLine):
        start, end = place_along(figure, 0.0), place_along(figure, figure.length)
        for at in (start, end):
            assert distance_between(at, figure) <= noise(figure)
            assert left - noise(figure) <= at.x <= right + noise(figure)
    if isinstance(figure, Line | Arc | EndlessLine | Ellipse):
        assert hypot(*heading(figure, True)) == pytest.approx(1.0)


@pytest.mark.parametrize("name", [n for n, f in FIGURES.items() if not isinstance(f, Point | Outline)])
def test_places_along_a_figure_lie_on_it_and_are_found_again(name: str) -> None:
    figure: Any = FIGURES[name]
    length = 10.0 if isinstance(figure, EndlessLine) else figure.length
    for share in (0.0, 0.1, 0.5, 0.75, 0.999):
        at = place_along(figure, share * length)
        assert within(figure, at)
        assert hypot(nearest(figure, at).x - at.x, nearest(figure, at).y - at.y) <= noise(figure)
        assert distance_to(figure, at.x, at.y) <= noise(figure)
        assert min(hypot(f.x - at.x, f.y - at.y) for f in feet(figure, at)) <= noise(figure)
        off = distance_along(figure, at) - share * length
        if isinstance(figure, Circle) or (isinstance(figure, Ellipse) and figure.whole):
            # Where it begins is where it ends.
            off = remainder(off, length)
        assert abs(off) <= max(1e-6 * length, 1e3 * noise(figure))


@pytest.mark.parametrize(("one", "two"), PAIRS)
def test_every_pair_meets_in_a_declared_way(one: str, two: str) -> None:
    a, b = FIGURES[one], FIGURES[two]
    apart = distance_between(a, b)
    assert apart >= 0.0
    assert distance_between(b, a) == pytest.approx(apart, abs=noise(a, b))
    length, p, q = closest(a, b)
    assert length == pytest.approx(apart, abs=noise(a, b))
    assert hypot(p.x - q.x, p.y - q.y) == pytest.approx(apart, abs=noise(a, b))
    gap = gap_between(a, b)
    assert type(gap) is Gap
    assert gap.state in get_args(State)
    assert (gap.state == "gap") == (gap.state == gap_between(b, a).state == "gap")
    if gap.state == "gap":
        assert gap.number == pytest.approx(apart, abs=noise(a, b))
    else:
        assert apart <= 10.0 * TOLERANCE.length(size(a, b)) + noise(a, b)
    if isinstance(a, Point | Outline) or isinstance(b, Point | Outline):
        return
    long, drawn = intersect_long(a, b), intersect(a, b)
    assert type(long) is Intersection
    assert type(drawn) is Intersection
    for spot in long.spots:
        for figure, past in ((a, spot.past[0]), (b, spot.past[1])):
            if not past:
                assert distance_to(figure, spot.at.x, spot.at.y) <= 1e-6 + 10 * noise(a, b), (spot, figure)
    for spot in drawn.spots:
        assert spot.true
    # Seen from the other one there are as many, in the same places.
    back = intersect_long(b, a)
    assert back.how == long.how
    assert len(back.spots) == len(long.spots)
    for spot in long.spots:
        assert min(hypot(s.at.x - spot.at.x, s.at.y - spot.at.y) for s in back.spots) <= 1e-5 + 10 * noise(a, b)


CARRIERS: dict[str, Similarity] = {
    "turned": rotation(Point(1.0, 2.0), 33.0),
    "turned by a quarter": rotation(Point(0.0, 0.0), 90.0),
    "grown": dilation(Point(1.0, -1.0), 3.0),
    "mirrored": reflection(Point(0.0, 1.0), 0.8, 0.6),
}
NEAR = [n for n in FIGURES if "far" not in n and "very large" not in n]


@pytest.mark.parametrize("how", CARRIERS)
@pytest.mark.parametrize("name", NEAR)
def test_a_carried_figure_is_the_same_figure_elsewhere(name: str, how: str) -> None:
    figure, by = FIGURES[name], CARRIERS[how]
    there: Any = transformed(figure, by)
    assert type(there) is type(figure)
    if not isinstance(figure, Point | EndlessLine):
        assert there.length == pytest.approx(by.factor * figure.length, rel=1e-9)
        for share in (0.0, 0.3, 1.0):
            at, image = place_along(figure, share * figure.length), place_along(there, share * there.length)
            if isinstance(figure, Circle) or (isinstance(figure, Ellipse) and figure.whole):
                # A closed figure begins where its kind says, not where it was carried.
                assert distance_to(there, by.place(at).x, by.place(at).y) <= 1e-6
            else:
                assert hypot(by.place(at).x - image.x, by.place(at).y - image.y) <= 1e-6
    area = answered(area_of, figure)
    if area is not None:
        assert area_of(there) == pytest.approx(by.factor**2 * area, rel=1e-9)


@pytest.mark.parametrize("how", CARRIERS)
@pytest.mark.parametrize(("one", "two"), [p for p in PAIRS if p[0] in NEAR and p[1] in NEAR])
def test_how_two_figures_stand_is_kept_when_both_are_carried(one: str, two: str, how: str) -> None:
    a, b, by = FIGURES[one], FIGURES[two], CARRIERS[how]
    there, back = transformed(a, by), transformed(b, by)
    assert distance_between(there, back) == pytest.approx(by.factor * distance_between(a, b), abs=1e-8, rel=1e-8)
    assert gap_between(there, back).state == gap_between(a, b).state
