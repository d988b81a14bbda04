"""What is written is read again as the same figures, in every format that can, in every unit, of any size, far away."""

from collections.abc import Sequence
from itertools import pairwise
from math import cos, degrees, pi, sin
from pathlib import Path

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kentrograph.core.figures import Arc, Circle, EndlessLine, Line, Outline, Point
from kentrograph.core.language.script import book_of, read_script
from kentrograph.core.units import MILLIMETRES
from kentrograph.exchange.files.formats import BY_WORD, Options, written
from kentrograph.exchange.files.found import Found
from kentrograph.exchange.files.items import Choice, Item, items_of
from kentrograph.exchange.files.nc_in import read_nc
from kentrograph.exchange.files.nc_out import Tool, as_nc
from kentrograph.exchange.files.readback import ReadBack, read_back

from .support import BOTH_WAYS, apart, arc, items, off, random_figures, seeds

DEMO = sorted((Path(__file__).parents[2] / "demo").glob("*.kent"))
EXACT = {"svg": 1e-13, "step": 1e-13, "iges": 1e-13}
"""Shares of the size of a drawing within which figures come back with every digit."""


@pytest.mark.parametrize("form", BOTH_WAYS)
@settings(max_examples=60, deadline=None)
@given(seeds, st.sampled_from(sorted(MILLIMETRES)))
def test_random_figures_come_back(form: str, seed: int, unit: str) -> None:
    write, read = BOTH_WAYS[form]
    figures = random_figures(seed)
    text, left_out = write(items(figures), unit, "Random")
    assert left_out == []
    assert apart(figures, read(text.encode()), unit) < EXACT[form]


@pytest.mark.parametrize("form", BOTH_WAYS)
@pytest.mark.parametrize("demo", DEMO, ids=lambda file: file.stem)
def test_demo_drawings_come_back_with_names_groups_and_pens(form: str, demo: Path) -> None:
    book = book_of(read_script(demo.read_text(encoding="utf-8")))
    shown = [item for item in items_of(book, Choice(construction=True)) if not isinstance(item.figure, EndlessLine | Point)]
    write, read = BOTH_WAYS[form]
    unit = book.header.manner.unit
    found = read(write(shown, unit, demo.stem)[0].encode())
    assert apart([item.figure for item in shown], found, unit) < 1e-12
    assert [one.pen for one in found.figures] == [item.pen for item in shown]
    longest = 8 if form == "iges" else 100
    assert [one.name for one in found.figures] == [item.name[:longest] for item in shown]
    assert [one.group for one in found.figures] == [item.group[:longest] for item in shown]


@pytest.mark.parametrize("form", BOTH_WAYS)
@pytest.mark.parametrize("decimals", [0, 3, 6])
def test_rounded_numbers_are_off_by_half_a_digit(form: str, decimals: int) -> None:
    """A line and a circle: each number is rounded once, so a place is off by at most half a unit of the last one, twice."""
    write, read = BOTH_WAYS[form]
    figures = [
        Line(Point(1.0 / 3.0, 2.0 / 3.0), Point(100.0 / 7.0, -50.0 / 3.0)),
        Circle(Point(-10.0 / 3.0, 20.0 / 3.0), 40.0 / 7.0),
    ]
    found = read(write(items(figures), "mm", "x", decimals)[0].encode())
    line, circle = (one.figure for one in found.figures)
    assert isinstance(line, Line)
    assert isinstance(circle, Circle)
    assert line.start == Point(round(1.0 / 3.0, decimals) + 0.0, round(2.0 / 3.0, decimals))
    # IGES has a place on the rim instead of a radius: two roundings.
    assert circle.radius == pytest.approx(round(40.0 / 7.0, decimals), abs=1.01 * 10.0**-decimals if form == "iges" else 1e-12)


@pytest.mark.parametrize("form", BOTH_WAYS)
def test_points_and_lines_without_ends(form: str) -> None:
    write, read = BOTH_WAYS[form]
    text, left_out = write(items([Point(3.0, 4.0), EndlessLine(Point(0.0, 0.0), 1.0, 0.0)]), "mm", "x")
    assert left_out[0].startswith("1 lines without ends")
    assert [one.figure for one in read(text.encode()).figures] == [Point(3.0, 4.0)]


ASKEW = 0.35


def tangent_chain(sweep: float) -> Outline:
    """A slot that lies askew: two lines, tangent to an arc at each end. Its joints touch to rounding."""
    first = arc(Point(30.0 * cos(ASKEW), 30.0 * sin(ASKEW)), 7.123456, degrees(ASKEW) - 90.0, sweep)
    last = arc(Point(0.0, 0.0), 7.123456, degrees(ASKEW) + 90.0, sweep)
    return Outline((Line(last.end, first.start), first, Line(first.end, last.start), last), True)


@pytest.mark.parametrize("form", BOTH_WAYS)
def test_the_decimals_that_are_enough_keep_what_touches_together(form: str) -> None:
    write, read = BOTH_WAYS[form]
    slot = tangent_chain(180.0)
    off = 7.123456 + 4.0 / 3.0
    beside = Circle(Point(15.0 * cos(ASKEW) - off * sin(ASKEW), 15.0 * sin(ASKEW) + off * cos(ASKEW)), 4.0 / 3.0)
    shown = items([slot, beside])

    def again(some: Sequence[Item], decimals: int | None) -> Found:
        return read(write(some, "mm", "x", decimals)[0].encode())

    def back(decimals: int | None, wanted: float) -> ReadBack:
        return read_back(shown, "mm", again(shown, decimals), wanted, again)

    exact = back(None, 1e-9)
    assert exact.good
    # Four joints of the slot, and the circle on its edge.
    assert exact.touchings == 5
    assert exact.closed == 1
    coarse = back(1, 1e-4)
    assert not coarse.good
    enough = coarse.enough
    assert enough is not None
    assert back(enough, 1e-4).good
    assert enough > 0
    assert not any(back(fewer, 1e-4).good for fewer in range(enough))


def test_what_is_missing_or_of_another_kind_is_said() -> None:
    write, read = BOTH_WAYS["step"]
    shown = items([Line(Point(0.0, 0.0), Point(1.0, 0.0)), Circle(Point(5.0, 5.0), 1.0)])
    found = read(write(shown, "mm", "x")[0].encode())
    fewer = found.figures.pop()
    back = read_back(shown, "mm", found, 0.001)
    assert back.missing == ["2 figures were written and 1 read"]
    assert not back.good
    found.figures.append(found.figures[0])
    assert read_back(shown, "mm", found, 0.001).missing == ["F2"]
    assert fewer.name == "F2"


@settings(max_examples=60, deadline=None)
@given(seeds, st.sampled_from(["mm", "in"]))
def test_tool_paths_on_outlines_come_back_within_a_micrometre(seed: int, words: str) -> None:
    figures = [figure for figure in random_figures(seed) if isinstance(figure, Arc | Line | Circle | Outline)]
    small = [figure for figure in figures if max(abs(v) for v in _reach(figure)) < 5e3]
    if not small:
        return
    # Each begins where the one before it ends only by chance: chains stay apart.
    text, left_out = as_nc(items(small), "mm", "x", Tool(0.0, "on", words=words), 8)
    assert left_out == []
    assert off(small, read_nc(text.encode())) < 1e-6


def _reach(figure: Arc | Line | Circle | Outline) -> list[float]:
    if isinstance(figure, Circle):
        return [figure.centre.x, figure.centre.y, figure.radius]
    if isinstance(figure, Outline):
        return [v for piece in figure.pieces if not hasattr(piece, "a") for v in _reach(piece)]  # type: ignore[arg-type]
    return [figure.start.x, figure.start.y, figure.end.x, figure.end.y]


def test_pieces_begin_where_the_one_before_ends() -> None:
    for seed in range(40):
        for figure in random_figures(seed):
            if isinstance(figure, Outline):
                assert all(a.end == b.start for a, b in pairwise(figure.pieces))


@pytest.mark.parametrize(
    "lines",
    [
        ("K1 = rectangle centre 65, 10 size 30, 9", "fillet K1 radius 4.5"),
        ("K1 = rectangle centre 65, 10 size 9, 30 turned 20", "fillet K1 radius 4.5"),
        ("K1 = rectangle from 0, 0 size 20, 20", "fillet K1 radius 10"),
        ("K1 = path from 0, 0 curve radius 10 left to 10, 10 curve radius 10 left to 20, 0 close",
         "C1 = circle centre 10, 0 radius 10"),
    ],
)  # fmt: skip
@pytest.mark.parametrize("form", ["svg", "step", "iges", "nc"])
def test_nothing_is_said_of_what_was_not_measured(lines: tuple[str, ...], form: str) -> None:
    """Round ends of which nothing straight is left, and arcs that run on into each other: all that touched is found again."""
    back = written(book_of(read_script("\n".join(lines))), BY_WORD[form], "a", Options()).back
    assert back is not None
    assert back.missing == []
    assert back.gap < 1e-4
    assert back.touchings > 0


def test_a_slot_has_four_edges() -> None:
    """What has shrunk to nothing is no edge: two lines, and two full round ends."""
    made = book_of(read_script("K1 = rectangle centre 65, 10 size 30, 9\nfillet K1 radius 4.5\nmeasure length edge 1 of K1"))
    outline = made.values[made.order[1]].figure  # type: ignore[union-attr]
    assert isinstance(outline, Outline)
    assert [(type(piece).__name__, round(piece.length, 9)) for piece in outline.pieces] == [
        ("Line", 21.0), ("Arc", round(4.5 * pi, 9)), ("Line", 21.0), ("Arc", round(4.5 * pi, 9)),
    ]  # fmt: skip
