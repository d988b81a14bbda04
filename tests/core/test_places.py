"""Places as they are typed. Expected values: plane trigonometry by hand; bearings, common practice."""

from math import cos, radians, sin, sqrt

import pytest

from .support import book, figure, place, problem

BEFORE = (
    "P7 = point 100, 50",
    "C1 = circle centre 30, 20 diameter 24",
    "L1 = line from 10, 10 to 50, 40",
    "K1 = path from 0,0 to 40,0 to 40,30 close",
    "P1 = point 10, 10",
)
S3 = sqrt(3)

PLACES = [
    ("40, 25", 40, 25, "absolute"),
    ("40..25", 40, 25, "absolute, on a keypad"),
    ("-40...25", -40, 0.25, "keypad: two dots, then a decimal point"),
    ("50 at 30", 25 * S3, 25, "polar from the datum"),
    ("50//30", 25 * S3, 25, "polar, on a keypad"),
    ("+ 5, 0", 15, 10, "relative to the last place, P1"),
    ("+5..0", 15, 10, "relative, on a keypad"),
    ("+ 20 at 90", 10, 30, "relative and polar"),
    ("+20//90", 10, 30, "relative and polar, on a keypad"),
    ("+ -5, -2*3", 5, 4, "relative, arithmetic"),
    ("+ 50 toward P7", 10 + 50 * 90 / sqrt(8100 + 1600), 10 + 50 * 40 / sqrt(8100 + 1600), "toward a place"),
    ("P7: 6, 8", 106, 58, "relative to a named point"),
    ("P7: 14 at 90", 100, 64, "polar from a named point"),
    ("centre of C1: 10, 0", 40, 20, "relative to a centre"),
    ("P7: 6, 8: 1, 1", 107, 59, "one offset on another"),
    ("P7.x, P1.y", 100, 10, "x from one place and y from another"),
    ("P7.x, 15", 100, 15, "y a plain number"),
    ("15, (middle of L1).y", 15, 25, "y of a place in parentheses"),
    ("P7", 100, 50, "a named point"),
    ("C1", 30, 20, "a circle stands for its centre"),
    ("start of L1", 10, 10, "start"),
    ("end of L1", 50, 40, "end"),
    ("middle of L1", 30, 25, "middle of a line"),
    ("middle of P1 P7", 55, 30, "middle of two points"),
    ("middle of P1; 20, 30", 15, 20, "middle of a point and coordinates"),
    ("corner 3 of K1", 40, 30, "corner of an outline"),
    ("((P7))", 100, 50, "parentheses anywhere"),
    ("100 at N 30 E", 50, 50 * S3, "bearing"),
    ("100 at S45W", -50 * sqrt(2), -50 * sqrt(2), "bearing without blanks"),
    ("100 at az 135", 50 * sqrt(2), -50 * sqrt(2), "azimuth"),
    ("10 at 100gon", 0, 10, "gon"),
    ("10 at 0.5rad", 10 * cos(0.5), 10 * sin(0.5), "radians"),
    ("10 at 12:30:36", 10 * cos(radians(12.51)), 10 * sin(radians(12.51)), "degrees, minutes, seconds"),
    ("10 at 12°30'36\"", 10 * cos(radians(12.51)), 10 * sin(radians(12.51)), "the same with their marks"),
    ("10 at direction P1 P7", 10 * 90 / sqrt(9700), 10 * 40 / sqrt(9700), "a direction taken from the drawing"),
    ("10 at L1.dir + 90", -6, 8, "square to a line that runs 3-4-5"),
]


@pytest.mark.parametrize(("text", "x", "y", "why"), PLACES, ids=[p[0] for p in PLACES])
def test_place(text: str, x: float, y: float, why: str) -> None:
    assert place(text, *BEFORE) == pytest.approx((x, y), abs=1e-12), why


def test_bearing_of_the_trade() -> None:
    # Common practice: N 12°05'30" E is 77°54'30" counter-clockwise from east.
    x, y = place("1000 at N 12°05'30\" E")
    assert (x, y) == pytest.approx((1000 * cos(radians(77 + 54.5 / 60)), 1000 * sin(radians(77 + 54.5 / 60))), abs=1e-9)


@pytest.mark.parametrize(
    ("headers", "text", "x", "y"),
    [
        (("angles north clockwise",), "10 at 30", 5.0, 5 * S3),
        (("angles east clockwise",), "10 at 90", 0.0, -10.0),
        (("datum 10, 20 direction 90",), "5, 1", 9.0, 25.0),
        (("datum 10, 20",), "5, 1", 15.0, 21.0),
        (("datum 10, 20 direction 90",), "5 at 0", 10.0, 25.0),
        (("unit in", "point 0, 0"), "1ft, 25.4mm", 12.0, 1.0),
    ],
)
def test_header_says_how_numbers_are_read(headers: tuple[str, ...], text: str, x: float, y: float) -> None:
    assert place(text, *headers) == pytest.approx((x, y), abs=1e-12)


def test_changing_the_unit_converts_what_is_drawn() -> None:
    made = book("unit mm", "C1 = circle centre 25.4, 50.8 radius 127", "unit in", "P1 = point 1, 2")
    circle, point = figure(made, "C1"), figure(made, "P1")
    assert (circle.centre.x, circle.centre.y, circle.radius) == (1.0, 2.0, 5.0)
    assert (point.x, point.y) == (1.0, 2.0)


def test_quarter_directions_are_exact() -> None:
    assert [place(f"1e7 at {d}") for d in (0, 90, 180, 270, -90, 450)] == [
        (1e7, 0.0), (0.0, 1e7), (-1e7, 0.0), (0.0, -1e7), (0.0, -1e7), (0.0, 1e7),
    ]  # fmt: skip


BAD = [
    ("point 40 25", "unexpected", 10, "a comma is missing"),
    ("point 40,", "unfinished", 10, "the second coordinate is missing"),
    ("point", "needs_given", 6, "nothing given"),
    ("point P9", "unknown_name", 7, "no such point"),
    ("point L1", "not_a_place", 7, "a line is not one place"),
    ("point centre of L1", "no_such_place", 17, "a line has no centre"),
    ("point corner 9 of K1", "no_such_corner", 7, "too few corners"),
    ("point 1e300, 0", "too_large", 7, "beyond what is drawn"),
    ("point nan, 0", "unknown_name", 7, "no special words for no number"),
    ("line to 9", "needs_pointer", 9, "toward a pointer that is not there"),
    ("line from 1,1 to 1,1", "zero_length", 15, "both ends in one place"),
    ("line from 5", "unfinished", 12, "half a place"),
    ("circle centre 3,4", "needs_given", 18, "no size"),
    ("circle centre 3,4 radius 0", "bad_radius", 19, "radius nought"),
    ("circle centre 3,4 radius -2", "bad_radius", 19, "radius below nought"),
    ("circle centre 3,4 radius 2 diameter 4", "too_many_givens", 28, "two sizes"),
    ("circle centre 3,4 centre 5,6 radius 2", "given_twice", 19, "two centres"),
    ("circle middle 3,4", "unknown_given", 8, "no such given"),
    ("path from 0,0 to 1,0 close to 3,4", "after_close", 27, "close ends it"),
    ("path from 0,0 to 0,0", "zero_length", 15, "a leg without length"),
    ("pointt 3, 4", "unknown_word", 1, "a slip of the keyboard"),
    ("P7 = point 3, 4", "name_taken", 1, "the name is in use"),
    ("点 3, 4", "unknown_sign", 1, "another script"),
    ("x" * 10_000, "unknown_word", 1, "ten thousand letters"),
    ("point 1, 2 " + "#" * 200_000, "too_long", 200_001, "more than a statement may have"),
]


@pytest.mark.parametrize(("text", "kind", "column", "why"), BAD, ids=[b[3] for b in BAD])
def test_bad_place_says_where(text: str, kind: str, column: int, why: str) -> None:
    found = problem(*BEFORE, text)
    assert (found["kind"], found["column"], found["line"]) == (kind, column, len(BEFORE) + 1), why
