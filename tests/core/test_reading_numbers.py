"""Every number that a reading gives can be had as a number; what is wanted is written as it is read."""

from math import pi
from typing import Any

import pytest

from .support import number, problem, report

DRAWING = (
    "P1 = point 1, 2", "P2 = point 4, 6", "P3 = point 9, 2", "L1 = line from P1 to P2", "L2 = line from P1 to P3",
    "C1 = circle centre 20, 5 radius 3", "C2 = circle centre 30, 5 radius 2", "A1 = arc centre 0,0 radius 10 at 20 sweep 90",
    "K1 = rectangle from 40, 0 size 12, 5", "E1 = ellipse centre 70,0 axes 10, 4",
    "E2 = ellipse centre 70,30 axes 10, 4 part 0 to 90", "H1 = circle centre 42, 2 radius 1", "H2 = circle centre 50, 2 radius 1",
    "A2 = arc centre 46, 2 radius 2 at 20 sweep 90",
)  # fmt: skip
READINGS = (
    "distance P1 P2", "distance P1 C1", "distance C1 C2", "direction P1 P2", "direction L1", "direction end of A1",
    "direction start of A1", "direction end of E2", "angle L1 L2", "angle P2 P1 P3", "length L1", "length A1", "length E1",
    "length K1", "radius C1", "radius A1", "area C1", "area K1", "area E1", "area K1 less H1", "area segment of A1",
    "area sector of E2", "area K1 less segment of A2 H2", "gap C1 L1", "gap C1 C2",
)  # fmt: skip
HEADERS = ((), ("angles north clockwise",), ("unit in",), ("unit ft", "angles north clockwise", "datum 2, 1 direction 30"))


@pytest.mark.parametrize("headers", HEADERS, ids=len)
@pytest.mark.parametrize("reading", READINGS)
def test_what_a_reading_says_is_what_the_number_is(reading: str, headers: tuple[str, ...]) -> None:
    """Property: the value as a step, the same words in a number, the name of the step, and its parts after a dot."""
    found = report(*headers, *DRAWING, f"R1 = measure {reading}", f"n_ = {reading}", "m_ = R1", "v_ = R1.value")
    assert found["problems"] == []
    told: dict[str, Any] = found["readings"][0]
    for name in ("n_", "m_", "v_"):
        assert found["figures"][name]["value"] == pytest.approx(told["value"], rel=1e-15)
    parts = [key for key, value in told.items() if isinstance(value, float) and key != "value"]
    for part in parts:
        assert number(f"R1.{part}", *headers, before=(*DRAWING, f"R1 = measure {reading}")) == pytest.approx(
            told[part], rel=1e-15
        )


@pytest.mark.parametrize(
    ("text", "value"),
    # Common practice, but for the segment: R²(t - sin t)/2, published in engineers' handbooks (from memory).
    [
        ("C1.area", 9 * pi), ("area K1", 60.0), ("angle L1 L2", 53.13010235415598), ("K1.area + 1", 61.0), ("E1.area", 40 * pi),
        ("K1.perimeter", 34.0), ("direction end of A1", 200.0), ("direction start of A1", 110.0), ("direction end of E2", 180.0),
        ("area segment of A1", 50 * (pi / 2 - 1)), ("area sector of A1", 25 * pi), ("area sector of E2", 10 * pi),
        ("area K1 less H1 H2", 60 - 2 * pi), ("angle P2 P1 P3 / 2", 26.56505117707799), ("2 * gap C1 C2", 10.0),
        ("E2.length * 0 + 1", 1.0),
    ],
)  # fmt: skip
def test_readings_as_numbers(text: str, value: float) -> None:
    assert number(text, before=DRAWING) == pytest.approx(value, rel=1e-14)


@pytest.mark.parametrize("convention", ["east counter-clockwise", "north clockwise", "east clockwise", "north counter-clockwise"])
@pytest.mark.parametrize("written", ["az 30", "az (20+10)", "az a", "az (a)", "az a*1", "az (2*a - a)", "N 30 E", "az az_"])
def test_an_azimuth_is_counted_from_north_whatever_the_drawing_counts(written: str, convention: str) -> None:
    """10 in azimuth 30 is 5 across and 8.66 up: sine and cosine of 30 degrees; common practice."""
    found = report(f"angles {convention}", "a = 30", "az_ = 30", f"Q_ = point 10 at {written}")["figures"]["Q_"]["at"]
    assert found == pytest.approx([5.0, 8.660254037844386], abs=1e-12)


@pytest.mark.parametrize(
    ("reading", "wanted", "difference", "good"),
    # A difference of directions is the smaller turn between them; common practice.
    [
        ("direction L9", "0 within 0.1", -0.03, True),
        ("direction L9", "0:00", -0.03, None),
        ("direction L9", "N 89 E within 2", -1.03, True),
        ("direction L9", "359°58'12\" within 0:00:01", 0.0, True),
        ("direction L9", "180 within 1", 179.97, False),
        ("direction L9", "az 91", 0.97, None),
        ("angle L1 L2", "53°07'48.4\" within 0:00:00.1", 53.13010235415598 - (53 + 7 / 60 + 48.4 / 3600), True),
        ("area C1", "9*pi within 1e-9", 0.0, True),
        ("distance P1 P2", "0.5cm within 1/64in", 0.0, True),
    ],
)
def test_wanted_values_are_written_as_they_are_read(reading: str, wanted: str, difference: float, good: bool | None) -> None:
    lines = (*DRAWING, "L9 = line from 0,0 direction 359.97 length 5", f"measure {reading} wanted {wanted}")
    found = report(*lines)["readings"][0]
    assert found["difference"] == pytest.approx(difference, abs=1e-9)
    assert found.get("within") is good


@pytest.mark.parametrize("reading", ["direction L9", "direction P1 P2"])
def test_the_difference_of_directions_is_the_same_in_every_convention(reading: str) -> None:
    """Property: but for the sense in which it is counted."""
    found = [
        report(f"angles {way}", *DRAWING, "L9 = line from 0,0 to 9,-1", f"measure {reading} wanted N 78 E")["readings"][0]
        for way in ("east counter-clockwise", "north clockwise")
    ]
    assert found[0]["difference"] == pytest.approx(-found[1]["difference"], abs=1e-12)


@pytest.mark.parametrize(
    ("text", "kind", "says"),
    [
        ("a = C1 + 1", "not_a_number", "C1.area"),
        ("a = area L1", "no_area", "encloses nothing"),
        ("a = area segment of C1", "no_portion", "an arc or a part of an ellipse"),
        ("a = direction end of C1", "no_tip", "no end"),
        ("a = L1.area", "no_part", ".length"),
        ("a = angle L1 C1", "no_angle", "two lines"),
        ("measure direction end of E1", "no_tip", "no end"),
        ("measure distance P1 P2 wanted 5 within", "unfinished", "a number"),
    ],
)
def test_what_is_no_number_says_why(text: str, kind: str, says: str) -> None:
    found = problem(*DRAWING, text)
    assert (found["kind"], says in found["message"]) == (kind, True), found


@pytest.mark.parametrize("far", [0.0, 1e4, 1e7])
def test_lines_parallel_in_their_decimals_are_parallel_far_away(far: float) -> None:
    """Two lines of 2.5 whose ends differ by 2 and 1.5: their coordinates leave so much of their direction open at 1e7."""
    lines = [f"L{n} = line from {far + x},{far + y} to {far + x + 2},{far + y + 1.5}" for n, x, y in ((1, 0, 0), (2, 0.1, 0.3))]
    assert problem(*lines, "point crossing of L1 L2")["kind"] == "parallel"
    found = report(*lines, "measure gap L1 L2", "circle touching L1 L2 radius 0.09", "circle touching L1 L2 radius 0.2")
    assert found["readings"][0]["state"] == "gap"
    # They lie 0.18 apart: a circle of 0.09 fits between them anywhere.
    assert [p["kind"] for p in found["problems"]] == ["infinitely_many", "radius_not_possible"]
