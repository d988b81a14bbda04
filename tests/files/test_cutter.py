"""Tool paths and the stand-in that cuts them: what is cut is what is drawn, and where a tool cannot reach, it says how much."""

from math import sqrt

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kentrograph.core.book.book import Book
from kentrograph.core.problem import Refused
from kentrograph.exchange.cutter import Run, run
from kentrograph.exchange.cutter_page import cut_page
from kentrograph.exchange.files.items import Choice, items_of
from kentrograph.exchange.files.nc_in import read_program
from kentrograph.exchange.files.nc_out import Tool, as_nc, cuts_of

from ..core.support import book


def cut(made: Book, tool: Tool, decimals: int | None = None, names: tuple[str, ...] = ()) -> Run:
    items = items_of(made, Choice(names=names))
    unit = made.header.manner.unit
    program = read_program(as_nc(items, unit, "Part", tool, decimals)[0].encode())
    return run(program, cuts_of(items, tool)[0], tool, unit, 0.001)


def test_a_rectangle_outside_is_cut_as_drawn() -> None:
    """By hand: around 100 by 60 with a tool of 6 the middle runs 2 (100 + 60) + 2 pi 3; outer corners are rounded by it alone."""
    found = cut(book("rectangle from 0, 0 size 100, 60"), Tool(6.0, "outside"))
    assert found.length == pytest.approx(320.0 + 6.0 * 3.141592653589793, abs=1e-3)
    assert found.deepest < 1e-4
    assert found.left < 1e-4
    assert found.differences == []


def test_what_a_round_tool_leaves_in_a_corner() -> None:
    """By hand: in a square corner a tool of radius r leaves r (sqrt 2 - 1) standing."""
    found = cut(book("rectangle from 0, 0 size 100, 60"), Tool(6.0, "inside"))
    assert found.left == pytest.approx(3.0 * (sqrt(2.0) - 1.0), abs=1e-4)
    assert len(found.differences) == 4
    assert not any(one.deep for one in found.differences)
    assert {(one.at.x, one.at.y) for one in found.differences} == {(x, y) for x in (0.0, 100.0) for y in (0.0, 60.0)}
    assert "left standing 1.2426" in cut_page(found, "mm", "Part")


def test_too_few_decimals_are_seen() -> None:
    coarse = cut(book("circle centre 0.333333, 0.777777 radius 10.123456"), Tool(4.0, "outside"), 2)
    assert 0.001 < max(coarse.deepest, coarse.left) < 0.02
    fine = cut(book("circle centre 0.333333, 0.777777 radius 10.123456"), Tool(4.0, "outside"), 8)
    assert max(fine.deepest, fine.left) < 1e-6


@settings(max_examples=40)
@given(st.floats(5.0, 60.0), st.floats(-200.0, 200.0), st.floats(0.5, 8.0), st.sampled_from(["outside", "inside", "on"]))
def test_arcs_of_a_tool_path_keep_within_a_micrometre_of_a_slot(radius: float, x: float, tool: float, side: str) -> None:
    made = book(
        f"K1 = path from {x!r}, 0 to {x + 100.0!r}, 0 curve radius {radius!r} right to {x + 100.0!r}, {2.0 * radius!r} "
        f"to {x!r}, {2.0 * radius!r} curve radius {radius!r} right to {x!r}, 0 close"
    )
    found = cut(made, Tool(min(tool, radius) if side == "inside" else tool, side), 9)
    assert max(found.deepest, found.left) < 1e-6


def test_holes_are_cut_inside_and_before_what_they_lie_in() -> None:
    made = book("rectangle from 0, 0 size 100, 60", "circle centre 30, 30 radius 10", "circle centre 30, 30 radius 3")
    cuts, left_out = cuts_of(items_of(made), Tool(4.0))
    assert [(one.item.name, one.side) for one in cuts] == [("C2", "outside"), ("C1", "inside"), ("K1", "outside")]
    assert left_out == []


def test_the_order_is_that_in_which_they_are_named() -> None:
    made = book("circle centre 0, 0 radius 5", "circle centre 30, 0 radius 5", "circle centre 60, 0 radius 5")
    text = as_nc(items_of(made, Choice(names=("C3", "C1"))), "mm", "x", Tool(2.0, "outside"))[0]
    assert text.index("(C3, outside)") < text.index("(C1, outside)")
    assert "C2" not in text


def test_words_of_the_program() -> None:
    made = book("unit in", "line from 0, 0 to 1, 0", "arc centre 1, 1 from 1, 0 to 2, 1")
    text = as_nc(items_of(made), "in", "A (part)", Tool(0.0, "on", 20.0, "in"))[0]
    assert text.split("\r\n") == [
        "%", "(A  part )", "N20 G17 G90 G70", "N30 F20", "(L1, on)", "N50 G00 X0 Y0", "N60 G01 X1 Y0", "(A1, on)",
        "N80 G00 X1 Y0", "N90 G03 X2 Y1 I0 J1", "N100 M02", "%", "",
    ]  # fmt: skip


@pytest.mark.parametrize(
    ("lines", "tool", "kind"),
    [
        (("circle centre 0, 0 radius 5",), Tool(12.0, "inside"), "nothing_cut"),
        (("ellipse centre 0, 0 axes 9, 5",), Tool(2.0, "outside"), "nothing_cut"),
    ],
)
def test_what_cannot_be_cut_says_why(lines: tuple[str, ...], tool: Tool, kind: str) -> None:
    with pytest.raises(Refused) as refused:
        cuts_of(items_of(book(*lines)), tool)
    assert refused.value.problem.kind == kind
