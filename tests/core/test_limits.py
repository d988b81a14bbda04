"""Limits of readings and dimensions: how they are written, shown in one unit, and printed.

Values by hand (*common practice*) unless a source stands beside them; the inch is 25.4 mm exactly (*published*: international
yard and pound agreement, 1959).
"""

from random import Random
from typing import Any

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.on_paper import Dimension
from kentrograph.core.checks.verdict import verdict
from kentrograph.core.desk.check_report import check_report
from kentrograph.core.desk.dimension_check import dimension_check
from kentrograph.core.language.display import dms, heading
from kentrograph.core.sheet.compose import composed
from kentrograph.core.sheet.of_book import note_of
from kentrograph.core.sheet.style import SMALL
from kentrograph.core.units import MILLIMETRES

from .support import book, figure, number, problem, report


def dimensioned(made: Book, name: str = "D1") -> Dimension:
    held = figure(made, name)
    assert isinstance(held, Dimension)
    return held


def printed(*lines: str) -> str:
    made = book(*lines)
    return composed(dimensioned(made), 0, made.header, SMALL).words


LINE = "L1 = line from 0, 0 to 120mm, 0"


@pytest.mark.parametrize(
    ("lines", "text", "checked", "on_paper"),
    [
        (("unit in",), "in mm wanted 120mm within 0.1mm", "120.000 mm ±0.1", "120 ±0.1"),
        (("unit in",), "wanted 120mm within 0.1mm", "4.7244 in ±0.0039", "4.7244 ±0.0039"),
        (("unit in", "decimals 1"), "wanted 120mm within 0.1mm", "4.7244 in ±0.0039", "4.7244 ±0.0039"),
        (("unit ft",), 'wanted 120mm within 1/16"', "0.3937 ft ±0.0052", "0.3937 ±0.0052"),
        (("unit in", "fractions 1/16"), 'wanted 4 3/4" within 1/16"', '4 3/4" ±1/16"', '4 3/4" ±1/16"'),
        (("unit ft", "fractions 1/16"), 'wanted 4 3/4" within 1/32"', '4 3/4" ±1/32"', '4 3/4" ±1/32"'),
        (("unit ft", "fractions 1/16"), "wanted 4.75in within 0.01in", '4.75" ±0.01"', '4.75" ±0.01"'),
        (("unit ft", "fractions 1/16"), "in mm wanted 120 mm within 0.5mm", "120.000 mm ±0.5", "120 ±0.5"),
        (("unit mm",), "in cm wanted 120 within 0.1", "12.000 cm ±0.01", "12 ±0.01"),
        (("unit mm",), "wanted 120 within 0.00004", "120.00000 mm ±0.00004", "120 ±0.00004"),
        (("unit mm", "decimals 0"), "wanted 120 +0.25 -0.125", "120.000 mm, -0.125 to +0.25", "120\u22120.125 +0.25"),
        (("unit mm", "decimals 0"), "wanted 120 to 120.2", "120.0 mm to 120.2 mm", "1200 +0.2"),
        (("unit mm",), "wanted 120 H7", "120.000 mm, 0 to +0.035", "120 H7"),
        (("unit mm",), "least 119.5", "at least 119.500 mm", "119.5 min"),
    ],
)
def test_value_and_limits_are_shown_in_one_unit(lines: tuple[str, ...], text: str, checked: str, on_paper: str) -> None:
    line = "L1 = line from 0, 0 to 4.75in, 0" if "fractions 1/16" in lines and "4" in text else LINE
    made = book(*lines, line, f"measure length L1 {text}")
    assert check_report(made).readings[0].wanted == checked
    assert printed(*lines, line, f"dimension L1 {text}") == on_paper


def test_an_area_and_its_limits_in_another_unit() -> None:
    made = book("unit in", "K1 = rectangle from 0, 0 size 4, 5", "measure area K1 in cm wanted 20 within 0.1")
    # 0.1 in² is 0.64516 cm².
    assert check_report(made).readings[0].wanted == "129.032 cm² ±0.65"


@pytest.mark.parametrize(
    ("limits", "low", "high"),
    [
        ("within 0.1", -0.1, 0.1), ("±0.1", -0.1, 0.1), ("±0.1mm", -0.1, 0.1), ("±(0.2 - 0.1)", -0.1, 0.1),
        ("within -0.1 to 0.2", -0.1, 0.2), ("(+0.2 -0.1)", -0.1, 0.2), ("(+0.2/-0.1)", -0.1, 0.2), ("(+0.2 / -0.1)", -0.1, 0.2),
        ("+0.2 -0.1", -0.1, 0.2), ("+0.2/-0.1", -0.1, 0.2), ("(-0.02 -0.04)", -0.04, -0.02), ("-0.02 -0.04", -0.04, -0.02),
        ("(+0.021 0)", 0, 0.021), ("(0 -0.021)", -0.021, 0), ("(0/-0.021)", -0.021, 0), ("+1/8in -1/8in", -3.175, 3.175),
        ('+1/8" -1/16"', -1.5875, 3.175), ("+0.5mm -0.1cm", -1, 0.5),
    ],
)  # fmt: skip
def test_limits_are_read(limits: str, low: float, high: float) -> None:
    for text in (f"R1 = measure length L1 wanted 120 {limits}", f"R1 = measure length L1 wanted 2*(50 + 10) {limits}"):
        wanted = figure(book(LINE, text), "R1").wanted
        assert (wanted.value, wanted.low, wanted.high) == pytest.approx((120, low, high), abs=1e-12)
    for text in (f"dimension L1 {limits}", f"dimension L1 wanted 120 {limits}"):
        wanted = dimensioned(book(LINE, text)).readings[0].wanted
        assert wanted is not None
        assert (wanted.value, wanted.low, wanted.high) == pytest.approx((120, low, high), abs=1e-12)


def test_elsewhere_two_signs_are_a_sum() -> None:
    assert number("120 +0.2 -0.1") == pytest.approx(120.1)
    assert figure(book(LINE, "R1 = measure length L1 wanted 120 + 0.2 - 0.1"), "R1").wanted.value == pytest.approx(120.1)
    assert figure(book(LINE, "R1 = measure length L1 wanted 120 +0.2"), "R1").wanted.value == pytest.approx(120.2)
    assert figure(book(LINE, "R1 = measure length L1 wanted 120 +0.2 -0.1 +0.3"), "R1").wanted.value == pytest.approx(120.4)
    assert figure(book("P1 = point 40, 5 +0.2 -0.1"), "P1").y == pytest.approx(5.1)


def test_deviations_of_a_bearing_count_clockwise() -> None:
    turned = ("L1 = line from 0, 0 to 10, 10", "R1 = measure direction L1 wanted N 45 E (+0:20 -0:10)")
    wanted = figure(book(*turned), "R1").wanted
    assert (wanted.low, wanted.high) == pytest.approx((-1 / 3, 1 / 6))
    wanted = figure(book("angles north clockwise", *turned), "R1").wanted
    assert (wanted.low, wanted.high) == pytest.approx((-1 / 6, 1 / 3))


def test_a_figure_with_the_name_of_a_fit_goes_before() -> None:
    both = ("C1 = circle centre 0, 0 radius 10", "f7 = circle centre 40, 0 radius 5")
    assert printed(both[0], "dimension C1 f7") == "\u230020 f7"
    assert printed(*both, "dimension C1 f7") == "40"
    assert printed(*both, "dimension C1 f7 wanted 40 f7") == "40 f7"
    assert printed(both[0], "dimension C1 K7") == "\u230020 K7"


@pytest.mark.parametrize(
    ("limits", "said"),
    [
        ("wanted 20 f7", "within"), ("f7", "within"), ("wanted 20 H7", "within"), ("wanted 20 p6", "within"), ("E8", "within"),
        ("within -0.02 to -0.01", "within"), ("wanted 20 to 20.1", "within"), ("wanted 20.5 H7", "out"),
        ("wanted 20.05 \u00b10.1", "within"), ("wanted 20.09 \u00b10.1", "close"), ("wanted 20.2 \u00b10.1", "out"),
        ("least 20", "within"), ("most 19", "out"),
    ],
)  # fmt: skip
def test_a_nominal_that_is_drawn_is_within_wherever_its_zone_lies(limits: str, said: str) -> None:
    made = book("C1 = circle centre 0, 0 radius 10", f"dimension C1 {limits}")
    assert verdict(dimensioned(made).readings[0], made.header) == said


@pytest.mark.parametrize(
    ("limits", "turned"),
    [
        ("-0.1 +0.2", "+0.2 -0.1"),
        ("(-0.1 0)", "(0 -0.1)"),
        ("-1e-3/+2e-3", "+2e-3 -1e-3"),
        ("-0.1 mm / +0.2 mm", "+0.2 mm -0.1 mm"),
    ],
)
def test_deviations_the_wrong_way_round_are_offered_the_right_way(limits: str, turned: str) -> None:
    circle = "C1 = circle centre 0, 0 radius 10"
    refused = problem(circle, f"dimension C1 wanted 20 {limits}")
    assert refused["message"].endswith(f"as {turned}")
    assert report(circle, f"dimension C1 wanted 20 {turned}")["problems"] == []


def test_a_nominal_that_is_not_drawn_is_said_everywhere() -> None:
    lines = ("C1 = circle centre 0, 0 radius 10", "D1 = dimension C1 wanted 20.5 H7")
    made = book(*lines)
    assert printed(*lines) == "\u230020.5 H7"
    assert [one.words for one in dimension_check(made).undrawn] == ["D1 says 20.5, drawn is 20"]
    assert check_report(made).readings[0].difference == "-0.500 mm"
    assert note_of(made, made.order[-1]) == "says 20.5, drawn is 20"
    # What cannot be told apart as the drawing shows numbers is the same, everywhere.
    hair = book("C1 = circle centre 0, 0 radius 10.00001", "D1 = dimension C1 wanted 20 H7")
    assert dimension_check(hair).undrawn == []
    assert note_of(hair, hair.order[-1]) == ""
    assert [one.verdict for one in check_report(hair).readings] == ["within"]
    assert dimension_check(book(lines[0], "D1 = dimension C1 wanted 20.5 H7 free")).undrawn == []


@pytest.mark.parametrize(("degrees", "as_turn", "as_direction"), [(360.0, "360°", "0°"), (359.999999, "360°", "0°"),
                         (540.0, "540°", "540°"), (0.0, "0°", "0°"), (-90.5, "-90°30′", "-90°30′")])  # fmt: skip
def test_a_turn_is_no_direction(degrees: float, as_turn: str, as_direction: str) -> None:
    assert (dms(degrees), heading(degrees)) == (as_turn, as_direction)


def _read_back(words: str, unit: str) -> tuple[float, float, float]:
    """Value and limits of what is printed, in millimetres."""
    words = words.replace("\u2212", "-").removeprefix("\u2300")
    value, _, limit = words.partition(" \u00b1")

    def mm(text: str) -> float:
        inches = '"' in text
        return number(text if inches else f"{text}{unit}")

    return mm(value), -mm(limit), mm(limit)


@pytest.mark.parametrize("seed", range(60))
def test_parts_of_all_sizes_in_all_units_are_printed_as_they_were_written(seed: int) -> None:
    """Property: whatever the unit a part was drawn in, is set to and is shown in, what is printed reads back to the limits that
    were written within a hundredth of them, and the nominal to within a hundredth of the limits."""
    dice = Random(seed)
    size = 3.0 * 20000.0 ** (seed / 59)
    written, now, shown = (dice.choice(list(MILLIMETRES)) for _ in range(3))
    off = size * 10.0 ** -dice.uniform(2, 5)
    fractions = dice.choice((None, "1/16", "1/64")) if now in ("in", "ft") else None
    at = f"({size!r}mm)"
    drawn = (f"C1 = circle centre 0, 0 diameter {at}", f"L1 = line from 0, 0 to {at}, 0")
    lines = [f"unit {written}", *drawn, f"unit {now}"]
    lines += [f"fractions {fractions}"] if fractions else []
    limited = f"{dice.choice(('within ', '±'))}{off!r}mm"
    own = dice.random() < 0.5
    for of in ("C1", "L1"):
        text = f"D1 = dimension {of}{f' wanted {at}' if own else ''} {limited}"
        made = book(*lines, f"{text} in {shown}") if dice.random() < 0.5 else book(*lines, text)
        reading = dimensioned(made).readings[0]
        words = composed(dimensioned(made), 0, made.header, SMALL).words
        value, low, high = _read_back(words, reading.shown or made.header.manner.unit)
        assert value == pytest.approx(size, abs=0.011 * off), (lines, text, words)
        assert (low, high) == pytest.approx((-off, off), rel=0.011), (lines, text, words)


def test_what_is_measured_is_in_the_same_report() -> None:
    found: dict[str, Any] = report(LINE, "measure length L1 wanted 120 +0.2 -0.1")["readings"][0]
    assert found["limits"] == pytest.approx([119.9, 120.2])
