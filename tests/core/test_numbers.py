"""Numbers as they are typed.

Expected values: arithmetic by hand; units, published: international yard and pound agreement, 1959.
"""

from math import pi, sqrt

import pytest

from .support import number, problem

NUMBERS = [
    # text, headers, value, why
    ("12.5", (), 12.5, "decimal"),
    (".75", (), 0.75, "no digit before the point"),
    ("-3", (), -3.0, "sign"),
    ("1e3", (), 1000.0, "power of ten"),
    ("140 - 16", (), 124.0, "the sum on the paper"),
    ("2*(3+4)", (), 14.0, "parentheses before products"),
    ("2+3*4", (), 14.0, "products before sums"),
    ("-2^2", (), -4.0, "a power binds closer than the sign"),
    ("2^3^2", (), 512.0, "powers from the right"),
    ("10-4-3", (), 3.0, "differences from the left"),
    ("sqrt(2)*50", (), 50 * sqrt(2), "function"),
    ("sin(30)", (), 0.5, "angles in degrees"),
    ("atan(1)", (), 45.0, "angles out in degrees"),
    ("min(3, 2) + max(1; 5)", (), 7.0, "several arguments"),
    ("abs(-4)*pi", (), 4 * pi, "a constant"),
    ("2 3/8", (), 2.375, "mixed number: whole, blank, fraction"),
    ("2-3/8", (), 1.625, "a hyphen is minus"),
    ("-2 3/8", (), -2.375, "the sign is of the whole"),
    ("3/8", (), 0.375, "a fraction alone is a division"),
    ("25mm", (), 25.0, "in its own unit"),
    ("2.5cm", (), 25.0, "ten to the centimetre"),
    ("1.2m", (), 1200.0, "a thousand to the metre"),
    ("3in", (), 76.2, "25.4 mm exactly"),
    ("1yd", (), 914.4, "36 in"),
    ('3/4"', (), 19.05, "a fraction belongs to the unit that follows it"),
    ("12'-6 1/2\"", ("unit in",), 150.5, "feet, hyphen, inches and fraction"),
    ("12' 6.5\"", ("unit in",), 150.5, "feet, blank, inches"),
    ("8'", ("unit in",), 96.0, "feet alone"),
    ("12ft 6.5in", ("unit in",), 150.5, "feet and inches in words"),
    ("12' - 6\"", ("unit in",), 138.0, "a hyphen after a blank is minus"),
    ("1in + 5", (), 30.4, "a unit among plain numbers"),
    ("1e-320", (), 1e-320, "far below what is drawn, still a number"),
]


@pytest.mark.parametrize(("text", "headers", "value", "why"), NUMBERS, ids=[n[0] for n in NUMBERS])
def test_number(text: str, headers: tuple[str, ...], value: float, why: str) -> None:
    assert number(text, *headers) == pytest.approx(value, rel=1e-15), why


def test_parts_of_figures_are_numbers() -> None:
    before = ("P1 = point 3, 4", "C1 = circle centre 10, 20 radius 7", "L1 = line from P1 to 3, 24", "a = 45")
    assert number("P1.x + 5", before=before) == 8.0
    assert number("C1.r", before=before) == 7.0
    assert number("L1.length", before=before) == 20.0
    assert number("L1.dir + 30", before=before) == 120.0
    assert number("(middle of L1).y", before=before) == 14.0
    assert number("distance P1 C1", before=before) == pytest.approx(sqrt(49 + 256) - 7)
    assert number("A / 2", before=before) == 22.5, "names are matched in any case"


BAD = [
    # text, kind, column of the problem (from 1), why
    ("a = 1/0", "divided_by_zero", 6, "at the stroke"),
    ("a = sqrt(-1)", "no_number", 5, "at the function"),
    ("a = 10^400", "too_large", 7, "overflow of a power"),
    ("a = 1e999", "too_large", 5, "not finite"),
    ("a = 2 3/0", "divided_by_zero", 9, "mixed number over zero"),
    ("a = (2+3", "unfinished", 9, "parenthesis left open"),
    ("a = 5 *", "unfinished", 8, "nothing after the sign"),
    ("a = 5 € 3", "unknown_sign", 7, "a sign that means nothing"),
    ("a = min(1)", "argument_count", 5, "too few arguments"),
    ("a = " + "(" * 5000 + "1", "too_deep", 65, "no stack overflow"),
    ("a = " + "+".join(["1"] * 5000), "too_deep", 406, "nor by a long sum"),
    ("a = " + "^".join(["1"] * 5000), "too_deep", 127, "nor by powers"),
    ("a = " + "min(" * 500 + "1", "too_deep", 248, "nor by functions"),
    ("point 0, 0" + ": 1, 1" * 3000, "too_deep", 371, "nor by places on places"),
    ("point = 4", "bad_name", 1, "a word of the language"),
    ("N45E = 4", "bad_name", 1, "looks like a bearing"),
    ("a = b", "unknown_name", 5, "no such name"),
]


@pytest.mark.parametrize(("text", "kind", "column", "why"), BAD, ids=[b[3] for b in BAD])
def test_bad_number_says_where(text: str, kind: str, column: int, why: str) -> None:
    found = problem(text)
    assert (found["kind"], found["column"]) == (kind, column), why
    assert found["message"]
