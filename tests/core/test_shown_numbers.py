"""How a drawing shows its numbers: decimals or parts of an inch, angles by its convention or as bearings. What is shown, typed
again, is what was meant, as closely as it is shown."""

from dataclasses import replace

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from kentrograph.core.angles import Convention
from kentrograph.core.book.manner import Conventions, Datum, Header
from kentrograph.core.checks.verdict import verdict
from kentrograph.core.desk.comparing import compared
from kentrograph.core.desk.interpretation import given_values
from kentrograph.core.desk.views import reading_words
from kentrograph.core.language import display
from kentrograph.core.language.codec import header_data, header_from
from kentrograph.core.language.header import OF_INCHES, apply_header, header_lines, with_manner
from kentrograph.core.language.script import book_of, read_script, write_script
from kentrograph.core.language.statements import parse_header
from kentrograph.core.problem import Refused
from kentrograph.core.sheet.compose import composed
from kentrograph.core.sheet.style import SMALL
from kentrograph.core.sheet.tables import rows_of
from kentrograph.core.units import MILLIMETRES

from .support import book, figure, number

UNITS = sorted(MILLIMETRES)
PARTS = (2, 4, 8, 16, 32, 64)
CONVENTIONS = [Convention(zero, clockwise) for zero in ("east", "north") for clockwise in (False, True)]


@st.composite
def headers(draw: st.DrawFn) -> Header:
    datum = Datum(*(draw(st.sampled_from((0.0, 3.0, -12.5))) for _ in range(2)), draw(st.sampled_from((0.0, 15.0, -70.25))))
    manner = Conventions(draw(st.sampled_from(UNITS)), draw(st.sampled_from(CONVENTIONS)), datum)
    wanted = Header(manner, draw(st.integers(0, 12)), draw(st.sampled_from((0, *PARTS))), draw(st.booleans()))
    return with_manner(wanted, replace(manner, convention=Convention("north", True)) if wanted.bearings else manner)


def typed(direction: str) -> str:
    """A direction as it is typed; due east is said, and could be a name."""
    return {"E": "N 90 E", "W": "N 90 W", "N": "N 0 E", "S": "S 0 E"}.get(direction, direction)


def lines_of(header: Header) -> list[str]:
    return header_lines(Header(), header)


@given(headers(), st.floats(-1e4, 1e4))
def test_a_length_that_is_shown_is_read_as_the_same(header: Header, value: float) -> None:
    shown = display.with_unit(value, header)
    # 12.5 ft is how a length with its unit is shown, 12.5ft how it is typed.
    text = shown if header.parts else shown.replace(" ", "")
    assert number(text, *lines_of(header)) == pytest.approx(value, abs=0.5001 * header.shown)


@given(headers(), st.floats(0.0, 359.99))
def test_a_direction_that_is_shown_is_read_as_the_same(header: Header, core: float) -> None:
    shown = display.direction(core, header)
    made = book(*lines_of(header), f"line from 0,0 direction {typed(shown)} length 1")
    drawn = figure(made, "L1").direction
    assert abs((drawn - core + 180.0) % 360.0 - 180.0) < 0.51 / 3600.0, shown


@given(headers(), st.floats(0.0, 359.99))
def test_a_direction_worked_out_is_echoed_as_the_drawing_counts_it(header: Header, core: float) -> None:
    counted = header.manner.direction_from_core(core)
    assume(counted > 1.0)
    made = book(*lines_of(header), f"line from 0,0 direction {counted!r} - 1 + 1 length 1")
    # Twice the same arithmetic: within a second of each other.
    echoed = given_values(made, made.steps[next(iter(made.order))], 0)[1]
    again = book(*lines_of(header), f"line from 0,0 direction {typed(echoed)} length 1")
    assert abs((figure(again, "L1").direction - core + 180.0) % 360.0 - 180.0) < 0.51 / 3600.0, echoed


@given(headers(), headers())
def test_header_lines_lead_from_any_header_to_any_other(now: Header, wanted: Header) -> None:
    reached = now
    for text in header_lines(now, wanted):
        line = parse_header(text)
        assert line is not None
        reached = apply_header(line, reached)
    assert replace(reached, manner=wanted.manner) == wanted
    assert reached.manner.unit == wanted.manner.unit
    assert reached.manner.convention == wanted.manner.convention
    assert header_from(header_data(wanted)) == wanted


def test_a_header_that_was_kept_before_there_were_fractions_is_read() -> None:
    kept = header_data(Header(Conventions("ft"), 4))
    del kept["parts"], kept["bearings"]
    assert header_from(kept) == Header(Conventions("ft"), 4)


@pytest.mark.parametrize(
    ("lines", "wrong"),
    [
        (("fractions 1/16",), "unit in or unit ft"),
        (("unit ft", "fractions 1/3"), "1/16"),
        (("unit ft", "fractions 16"), "1/16"),
        (("unit ft", "fractions"), "1/16"),
        (("angles bearing",), "or bearings"),
        (("decimals 1/16",), "fractions 1/16"),
    ],
)
def test_what_is_no_way_to_show_numbers_says_what_would_be(lines: tuple[str, ...], wrong: str) -> None:
    header = Header()
    *good, bad = (parse_header(line) for line in lines)
    for line in good:
        assert line is not None
        header = apply_header(line, header)
    assert bad is not None
    with pytest.raises(Refused) as refused:
        apply_header(bad, header)
    assert wrong in refused.value.problem.fields["expected"]


PLOT = (
    "unit ft", "fractions 1/16", "angles bearings",
    "P1 = point 0, 0", "L1 = line from P1 to + 12'-6 1/2\" at N 45 E", "C1 = circle centre P1 radius 27 1/2in",
)  # fmt: skip


@pytest.mark.parametrize(
    ("reading", "said"),
    [
        # 12'-6 1/2" as it was typed; half of 2 x 27.5 in; pi x (27.5 / 12 ft)^2 = 16.4989 ft2; all by hand.
        ("length L1", "12'-6 1/2\""), ("radius C1", "2'-3 1/2\""), ("area C1", "16.499 ft²"), ("direction L1", "N 45° E"),
        ("length L1 in in", "150.500 in"), ("length L1 in 1/4", "12'-6 1/2\""), ("across P1 end of L1", "8'-10 7/16\""),
    ],
)  # fmt: skip
def test_readings_in_feet_and_inches(reading: str, said: str) -> None:
    made = book(*PLOT, f"R1 = measure {reading}")
    assert reading_words(figure(made, "R1"), made).value == said


def test_all_that_shows_a_length_shows_it_in_feet_and_inches() -> None:
    made = book(*PLOT, "D1 = dimension length L1", "T1 = table L1 from P1 polar", "R1 = measure radius C1 wanted 2'-3 7/16\"")
    assert composed(figure(made, "D1"), 0, made.header, SMALL).words == "12'-6 1/2\""
    heads, rows = rows_of(figure(made, "T1"), made.header)
    assert list(zip(heads, rows[-1], strict=True))[-2:] == [("distance", "12'-6 1/2\""), ("direction", "N 45° E")]
    # A thirty-second of an inch is what cannot be seen any more.
    assert verdict(figure(made, "R1"), made.header) == "out"
    close = book(*PLOT, "R1 = measure radius C1 wanted 27.52in")
    assert verdict(figure(close, "R1"), close.header) == "within"
    assert write_script(made).splitlines()[:3] == ["unit ft", "fractions 1/16", "angles bearings"]
    assert book_of(read_script(write_script(made))).header == made.header


def test_what_was_changed_of_it_is_said() -> None:
    said = [one.after for one in compared(book("unit ft"), book("unit ft", "fractions 1/16", "angles bearings"))]
    assert said == ["unit ft, in 1/16, bearings, datum 0, 0 along 0"]


def test_a_metric_unit_has_no_parts_of_an_inch() -> None:
    made = book(*PLOT, "unit mm", "measure length L1")
    assert reading_words(figure(made, "R1"), made).value == "3822.700 mm"
    assert {"in", "ft", "yd"} == OF_INCHES
