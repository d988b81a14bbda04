"""Ellipses as a hand gives them: the end of an axis, then how wide, or a place on it; and givens of two things by two clicks."""

from math import hypot

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kentrograph.core.construct import ellipses
from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.pointer import Pointer
from kentrograph.core.figures import Point
from kentrograph.core.problem import Refused

from .support import book, figure

PLACE = st.builds(Point, st.floats(-1e3, 1e3), st.floats(-1e3, 1e3))


@given(PLACE, PLACE, st.floats(-0.99, 0.99), st.floats(0.01, 3.0))
def test_it_runs_through_the_place_and_keeps_its_axis(centre: Point, end: Point, along: float, off: float) -> None:
    """The equation of the ellipse, (u/a)^2 + (v/b)^2 = 1 (published: any text on conics), is what judges."""
    if hypot(end.x - centre.x, end.y - centre.y) < 1e-3:
        return
    axis = ellipses.about(centre, end)
    u, v = axis.vector(along * axis.a, off * axis.a)
    place = Point(centre.x + u, centre.y + v)
    made = ellipses.through(axis, place)
    u, v = made.to_own(place.x, place.y)
    assert (u / made.a) ** 2 + (v / made.b) ** 2 == pytest.approx(1.0, abs=1e-8)
    assert hypot(made.at(0.0).x - end.x, made.at(0.0).y - end.y) <= 1e-12 * (1e3 + axis.a)


@pytest.mark.parametrize("place", [Point(30, 5), Point(-31, 5), Point(10, 0), Point(40, 0)])
def test_no_ellipse_runs_past_the_ends_of_its_axis(place: Point) -> None:
    with pytest.raises(Refused) as refused:
        ellipses.through(ellipses.about(Point(0, 0), Point(30, 0)), place)
    assert refused.value.problem.kind == "beyond_axis"


@pytest.mark.parametrize(
    ("text", "axes", "turn"),
    [
        ("centre 0, 0 axis 30, 40 other 12", (50, 12), 53.13010235415598),
        ("centre 0, 0 axis 20, 0 ratio 2", (20, 40), 0),
        ("across 0, 0; 0, 60 through 10, 30", (30, 10), 90),
        ("across 0, 0; 60, 0 through 45, 5", (30, 10 / 3**0.5), 0),  # b = 5 / sqrt(1 - 1/4)
    ],
)
def test_what_its_words_draw(text: str, axes: tuple[float, float], turn: float) -> None:
    """By hand from the equation."""
    made = figure(book(f"E1 = ellipse {text}"), "E1")
    assert (made.a, made.b, made.turn) == pytest.approx((*axes, turn), rel=1e-14)


def test_what_is_turned_by_its_axis_is_not_turned_again() -> None:
    made = book("E1 = ellipse across 0, 0; 60, 0 ratio 0.5 turned 30")
    assert made.values[made.order[0]].kind == "too_many_givens"  # type: ignore[union-attr]


DRAWING = ("P1 = point 0, 0", "P2 = point 60, 0", "L1 = line from 0, 40 to 80, 40", "L2 = line from 0, 60 to 80, 50")


@pytest.mark.parametrize(
    ("typed", "clicks", "written"),
    [
        ("ellipse", [(30, 9), (60.2, 0.3), (40, 12)], "ellipse centre 30, 9 axis P2 other 5.7"),  # 180 / hypot(30, 9)
        ("ellipse", [(0.2, 0.3), (60.2, 0.3), (40, 40.3)], "ellipse centre P1 axis P2 through middle of L1"),
        ("ellipse across", [(0, 0.3), (60.2, 0.3), (80, 17)], "ellipse across P1; P2 other 17"),
        ("circle across", [(0, 0.3), (60, 0.3)], "circle across P1; P2"),
        ("line bisecting", [(20, 40.3), (70, 52)], "line bisecting L1; L2 right"),
        ("line bisecting", [(0, 0.3), (60, 0.3)], "line bisecting P1; P2"),
        ("circ", [(0, 0.3), (60, 0.3)], "circle centre P1 through P2"),
        ("arc centre", [(0, 0.3), (60, 0.3), (0, 33)], "arc centre P1 from P2 to 0, 33"),
    ],
)
def test_from_the_first_word_by_clicks(typed: str, clicks: list[tuple[float, float]], written: str) -> None:
    """A word that is typed takes the clicks that follow, with no Enter between them."""
    made = book(*DRAWING)
    draft: Draft | None = None
    text, statement = typed, ""
    for x, y in clicks:
        view = look(made, Hand(draft=draft, text=text, pointer=Pointer(x, y, 2.0, 0.5, turned=90.0), aimed=True))
        assert view.click is not None, (text, view.problem)
        draft = view.click.draft or draft
        text = view.click.statement if view.click.do == "type" else ""
        statement = view.click.statement
    assert statement == written
    drawn = look(made, Hand(text=statement))
    assert drawn.enter.do == "write"
