"""What stands on a drawing: dimensions say what readings say, follow what they measure, and keep clear of one another."""

import random
from dataclasses import replace
from itertools import combinations
from math import cos, hypot, pi, sin

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kentrograph.core.book.book import Book
from kentrograph.core.book.on_paper import Axes, Dimension, Hatch, Note, PointTable
from kentrograph.core.book.values import Reading, StepResult
from kentrograph.core.desk.intents import mend, strike, write
from kentrograph.core.figures import Line
from kentrograph.core.language.lexer import quoted, tokens_of
from kentrograph.core.language.report import figure_data
from kentrograph.core.language.script import book_of, read, read_script
from kentrograph.core.problem import Problem
from kentrograph.core.sheet.at_table import annotation_at, layout_at_table, moved_on_paper, paper_data
from kentrograph.core.sheet.compose import composed
from kentrograph.core.sheet.frame import Frame
from kentrograph.core.sheet.letters import width_of
from kentrograph.core.sheet.marks import Fill, Stroke
from kentrograph.core.sheet.of_book import annotation_ids, laid_out
from kentrograph.core.sheet.page import page_of
from kentrograph.core.sheet.style import SMALL
from kentrograph.core.sheet.tables import across_and_up, rows_of
from kentrograph.core.sheet.tilted import Tilted, between, of_lettering

from .support import book

PLATE = (
    "K1 = rectangle from 0, 0 size 120, 70",
    "C1 = circle centre 40, 35 radius 14",
    "C2 = circle centre 90, 35 radius 9",
    "L1 = line from 0, 90 to 80, 110",
    "A1 = arc centre 20, 20 radius 15 at 0 sweep 100",
    "P1 = point 3, 4",
)


def held(made: Book, id: str | None = None) -> object:
    value = made.values[id or made.order[-1]]
    assert isinstance(value, StepResult), value
    return value.figure


def dimension(*lines: str) -> Dimension:
    found = held(book(*lines))
    assert isinstance(found, Dimension)
    return found


SAME = [
    "distance P1 centre of C1",
    "across P1 centre of C1",
    "up P1 centre of C1",
    "distance P1 centre of C2 along 30",
    "distance P1 centre of C2 along L1",
    "length L1",
    "length A1",
    "radius A1",
    "diameter C1",
    "angle L1 edge 1 of K1",
    "angle P1 centre of C1 centre of C2",
    "angle corner 2 of K1",
    "area K1",
    "area C1",
    "distance edge 1 of K1 edge 3 of K1",
]
"""Readings that can be dimensions, word for word."""


@pytest.mark.parametrize("said", SAME)
def test_a_dimension_says_what_a_reading_of_the_same_says(said: str) -> None:
    made = book(*PLATE, f"measure {said}", f"dimension {said}")
    reading, shown = held(made, made.order[-2]), held(made)
    assert isinstance(reading, Reading)
    assert isinstance(shown, Dimension)
    assert shown.readings[0].value == pytest.approx(abs(reading.value), rel=1e-12)


@pytest.mark.parametrize(
    ("said", "form", "value"),
    [
        # Nothing is said: the figures say it. Source of the values: plain sums on the coordinates.
        ("L1", "straight", hypot(80, 20)),
        ("C1", "diameter", 28.0),
        ("A1", "radius", 15.0),
        ("P1 centre of C1", "straight", hypot(37, 31)),
        ("C1 C2", "straight", 50.0),
        ("edge 1 of K1 edge 3 of K1", "straight", 70.0),
        ("centre of C1; edge 4 of K1", "straight", 40.0),
        ("edge 1 of K1 edge 2 of K1", "angle", 90.0),
        ("length A1", "arc", 15 * pi * 100 / 180),
    ],
)
def test_what_is_measured_is_told_by_the_figures(said: str, form: str, value: float) -> None:
    made = dimension(*PLATE, f"dimension {said}")
    assert (made.form, made.readings[0].value) == (form, pytest.approx(value, rel=1e-12))


@pytest.mark.parametrize(
    ("said", "words"),
    [
        ("diameter C1", "\u230028"),
        ("radius A1", "R15"),
        ("C2 times 4", "4 \u00d7 \u230018"),
        ("across P1 centre of C1 bracketed", "(37)"),
        ("across P1 centre of C1 wanted 37 within 0.1", "37 \u00b10.1"),
        ("C1 wanted 28 H7", "\u230028 H7"),
        ("up P1 centre of C1 wanted 31 within -0.1 to 0.2", "31\u22120.1 +0.2"),
        # What was written is what is printed, whatever is drawn.
        ("across P1 centre of C1 wanted 38 within 0.1", "38 \u00b10.1"),
        ("across P1 centre of C1 wanted 38", "38"),
        ("across P1 centre of C1 wanted 37", "37"),
        ("C1 wanted 29 H7", "\u230029 H7"),
        ("C1 wanted 28 f7", "\u230028 f7"),
        ("C1 wanted 28 within -0.02 to -0.01", "\u230028\u22120.02 \u22120.01"),
        ("C1 wanted 28 +0.2 -0.1", "\u230028\u22120.1 +0.2"),
        ("C1 wanted 28 +0.2/-0.1", "\u230028\u22120.1 +0.2"),
        ("C1 wanted 28 (-0.02 -0.04)", "\u230028\u22120.04 \u22120.02"),
        ("C1 wanted 28 (+0.021 0)", "\u2300280 +0.021"),
        ("C1 wanted 2*14 \u00b10.1", "\u230028 \u00b10.1"),
        ("C1 \u00b10.1", "\u230028 \u00b10.1"),
        ("C1 f7", "\u230028 f7"),
        ("C1 within 0.1", "\u230028 \u00b10.1"),
        ("C1 (+0.2/-0.1)", "\u230028\u22120.1 +0.2"),
        ("across P1; centre of C1 +0.2 -0.1", "37\u22120.1 +0.2"),
        ("across P1; 37, 5 +0.2 -0.1", "34\u22120.1 +0.2"),
        ("across P1; 37, 5 + 0.2 - 0.1", "34"),
        ("across P1 centre of C1 wanted 38 within 0.1 free", "38 \u00b10.1"),
        ("C1 least 20", "\u230020 min"),
        ("across P1 centre of C1 in in", "1.457"),
        ("across P1 centre of C1 in 1/16", '1 7/16"'),
        ('C1 says "ream"', "\u230028 ream"),
        ("angle edge 1 of K1 edge 2 of K1", "90\u00b0"),
        ("length A1", "\u231226.18"),
    ],
)
def test_what_stands_on_paper(said: str, words: str) -> None:
    made = book(*PLATE, f"dimension {said}")
    shown = held(made)
    assert isinstance(shown, Dimension)
    assert composed(shown, 0, made.header, SMALL).words == words


@pytest.mark.parametrize(
    ("said", "kind"),
    [
        ("dimension", "needs_given"),
        ("dimension radius L1", "no_rim"),
        ("dimension across P1", "needs_given"),
        ("dimension P1 P1", "same_places"),
        ("dimension angle edge 1 of K1 edge 3 of K1", "no_dimension"),
        ("dimension length K1", "no_dimension"),
        ("dimension across up P1 centre of C1", "too_many_givens"),
        ("dimension C1 times 0", "bad_count"),
        ("dimension C1 times 1.5", "bad_count"),
        ("dimension C9", "unknown_name"),
        ("dimension C1 wanted 28 -0.1 +0.2", "upper_below"),
        ("dimension C1 wanted 28 -0.1/+0.2", "upper_below"),
        ("dimension C1 (-0.04 -0.02)", "upper_below"),
        ("dimension C1 \u00b10.1 f7", "too_many_givens"),
        ("dimension C1 f7 least 28", "too_many_givens"),
        ("dimension P1 \u00b10.1", "no_limits_of_places"),
        ("dimension C1 t6 wanted 20", "no_fit"),
        ('note C1 says "', "open_quote"),
        ("note C1 says ream", "unexpected"),
        ("note C1", "needs_given"),
        ('note says "a"', "needs_given"),
        ('note C1 says " "', "bad_words"),
        (f'note C1 says "{"x" * 3000}"', "bad_words"),
        ("axes L1", "no_rim"),
        ("hatch L1", "nothing_closed"),
        ("hatch at 500, 500", "not_enclosed"),
        ("hatch C1 apart 0", "bad_hatch"),
        ("detail at P1", "needs_given"),
        ("detail at P1 radius 0", "bad_radius"),
        ("table", "needs_given"),
        ("table K1 edges L1 C1", "no_line"),
        ("table K1 from P1 edges L1 L1", "too_many_givens"),
        ("table K1 decimals 12", "bad_count"),
        ("sheet a4 size 10, 10", "bad_paper"),
        ("view scale 0", "bad_scale"),
        ("view scale 1:0", "divided_by_zero"),
        ("view on C1", "no_sheet"),
        ("sheet b5", "unknown_given"),
    ],
)
def test_bad_input_says_why_and_where(said: str, kind: str) -> None:
    script = read_script("\n".join((*PLATE, said)))
    made = book_of(script)
    problem = made.values[made.order[-1]]
    assert isinstance(problem, Problem)
    assert problem.kind == kind
    assert 0 <= problem.start <= problem.end <= len(said)


@pytest.mark.parametrize(
    ("rows", "values"),
    [("chain", [40, 50, 30]), ("rows", [40, 90, 120]), ("running", [40, 90, 120]), ("", [40, 50, 30])],
)
def test_several_are_measured_each_from_the_one_before_or_from_the_first(rows: str, values: list[float]) -> None:
    shown = dimension(*PLATE, f"dimension across corner 1 of K1; centre of C1; centre of C2; corner 2 of K1 {rows}")
    assert [one.value for one in shown.readings] == values


def test_a_dimension_follows_a_number_that_is_mended_and_waits_for_a_place_that_is_gone() -> None:
    made = book("W = 120", "K1 = rectangle from 0, 0 size W, 70", "D1 = dimension edge 1 of K1")
    shown = held(made.edited(mend(made, made.order[0], "W = 150")[0])[0], made.order[2])
    assert isinstance(shown, Dimension)
    assert shown.readings[0].value == 150.0
    problem = made.edited(mend(made, made.order[1], "K1 = circle centre 0, 0 radius 5")[0])[0].values[made.order[2]]
    assert isinstance(problem, Problem)
    assert "K1" in str(problem.fields.values())


# Words in quotation marks ------------------------------------------------------------------------------------


@given(st.text(st.characters(blacklist_categories=["Cs", "Cc"], blacklist_characters="\u201c\u201d"), max_size=40))
def test_words_in_quotation_marks_read_back(words: str) -> None:
    text = f"note says {quoted(words)} at 1, 2"
    assert tokens_of(text)[2].text == f'"{words}'
    assert words.strip() == "" or read(text).problem is None


def test_behind_a_number_a_quotation_mark_is_one_of_inches() -> None:
    """What could be written before words stood in quotation marks goes on meaning the same."""
    assert [t.kind for t in tokens_of('line from 0, 0 to 12\' 6 ", 3 "')][-2:] == ["op", "end"]
    at = held(book('point 12" , 3"'))
    assert figure_data(at)["at"] == pytest.approx([304.8, 76.2])  # type: ignore[arg-type]


# Clear of one another ----------------------------------------------------------------------------------------


def outline(seed: int) -> list[str]:
    """A random part: an outline of 5 to 10 corners, some of them rounded, with holes, dimensioned all over."""
    dice = random.Random(seed)
    count = dice.randint(5, 10)
    size = dice.choice([8.0, 60.0, 300.0, 4000.0])
    places = [
        (size * dice.uniform(0.5, 1.0) * cos(2 * pi * n / count), size * dice.uniform(0.4, 1.0) * sin(2 * pi * n / count))
        for n in range(count)
    ]
    lines = ["K1 = path from " + " to ".join(f"{x:.2f}, {y:.2f}" for x, y in places) + " close"]
    lines.append(f"C1 = circle centre 0, 0 radius {size * dice.uniform(0.05, 0.2):.2f}")
    kinds = ["across", "up", "distance"]
    lines += [f"dimension {dice.choice(kinds)} corner {n} of K1; corner {n % count + 1} of K1" for n in range(1, count + 1)]
    lines += [
        f"dimension angle corner {dice.randint(1, count)} of K1",
        "dimension C1 times 2 within 0.1",
        "dimension radius C1",
    ]
    lines += [f"dimension across corner 1 of K1; corner 3 of K1; corner 4 of K1 {dice.choice(['chain', 'rows', 'running'])}"]
    lines += [f'note edge {dice.randint(1, count)} of K1 says "deburr | both sides"', "dimension corner 2 of K1", "table K1 C1"]
    return lines


def shrunk(box: Tilted) -> Tilted:
    """The box without what rounding leaves of its edge."""
    return replace(box, along=box.along - 1e-6, high=box.high - 1e-6)


@pytest.mark.parametrize("seed", range(200))
def test_no_words_lie_on_others_and_none_leaves_the_sheet(seed: int) -> None:
    made = book(*outline(seed), f"sheet {random.Random(seed).choice(['a4', 'a3', 'a2'])}")
    page = page_of(made)
    assert not page.missing
    frame = Frame(page.views[0].scale)
    boxes = [box for laid in laid_out(made, frame, SMALL).laid.values() for box in laid.words]
    assert not [1 for a, b in combinations(boxes, 2) if a.meets(b)]
    # No line that leads to a dimension runs through words; it is drawn as far as they leave it.
    layout = laid_out(made, frame, SMALL)
    lines = [mark.figure for mark in layout.marks() if isinstance(mark, Stroke) and mark.gives_way]
    leading = [one for line in lines if isinstance(line, Line) and (one := between(line.start, line.end, 0.0)) is not None]
    assert leading
    assert not [1 for line in leading for box in boxes if line.meets(shrunk(box))]
    for mark in page.marks:
        if hasattr(mark, "words"):
            left, low, right, high = of_lettering(mark).bounds
            assert left >= 0.0
            assert low >= 0.0
            assert right <= page.width
            assert high <= page.height


def test_another_dimension_moves_nothing_that_stands() -> None:
    made = book(*outline(7))
    before = dict(layout_at_table(made).laid)
    after = made.edited(write(made, "dimension across corner 1 of K1; corner 2 of K1", "new")[0])[0]
    now = layout_at_table(after).laid
    assert {id: now[id] for id in before} == before
    assert set(now) - set(before) == {"new"}
    afresh = book(*(made.steps[id].statement.text for id in after.order if id in made.steps), after.steps["new"].statement.text)
    assert [laid.marks for laid in layout_at_table(afresh).laid.values()] == [laid.marks for laid in now.values()]


def test_where_it_is_put_there_it_stands() -> None:
    made = book(*PLATE, "dimension across corner 1 of K1; corner 2 of K1 at 60, -12")
    layout = layout_at_table(made)
    laid = layout.laid[made.order[-1]]
    lines = [m.figure for m in laid.marks if isinstance(m, Stroke)]
    assert any(isinstance(one, Line) and {one.start.y, one.end.y} == {-12.0 * layout.frame.size} for one in lines)
    tips = sorted(mark.places[0].x for mark in laid.marks if isinstance(mark, Fill))
    assert tips == pytest.approx([0.0, 120.0 * layout.frame.size])


def test_what_stands_there_is_found_under_the_pointer() -> None:
    made = book(*PLATE, "D1 = dimension across corner 1 of K1; corner 2 of K1 at 60, -12")
    assert annotation_at(made, 60.0, -12.0, 1.0) == made.order[-1]
    assert annotation_at(made, 60.0, 500.0, 1.0) is None
    shown = paper_data(made, made.order[-1])
    assert shown is not None
    assert [one.words for one in shown["letters"]] == ["120"]


def test_hatching_fills_what_is_closed_and_leaves_holes_and_words_free() -> None:
    """Property: the length of the lines times how far they stand apart is the area. Source: Cavalieri, common practice."""
    made = book(
        "K1 = rectangle from 0, 0 size 120, 70",
        # Half of it stands out of the plate.
        "C1 = circle centre 120, 35 radius 20",
        "hatch K1 less C1 direction 30 apart 0.5",
        "view scale 1:1",
    )
    assert isinstance(held(made, made.order[2]), Hatch)
    marks = layout_at_table(made).marks_of(made.order[2])
    total = sum(m.figure.length for m in marks if isinstance(m, Stroke)) * 0.5  # type: ignore[union-attr]
    assert total == pytest.approx(120 * 70 - pi * 200, rel=2e-3)


def test_centre_marks_of_what_was_repeated_lie_on_the_circle_of_its_centres() -> None:
    made = book("P1 = point 0, 0", "C1 = circle centre 50, 0 radius 4", "S1 = repeat C1 6 times about P1", "axes S1")
    found = held(made)
    assert isinstance(found, Axes)
    assert len(found.rims) == 6
    assert found.through[0].radius == pytest.approx(50.0, rel=1e-12)


# Setting out -------------------------------------------------------------------------------------------------


def table(*lines: str) -> tuple[PointTable, list[str], list[list[str]]]:
    made = book(*lines)
    found = held(made)
    assert isinstance(found, PointTable)
    return found, *rows_of(found, made.header)


def test_a_table_counts_from_its_corner_along_its_direction() -> None:
    """By hand: a 3-4-5 triangle laid along its hypotenuse (from memory: Euclid I.47)."""
    _, heads, rows = table(
        "P1 = point 0, 0",
        "P2 = point 4, 3",
        "L1 = line from P1 to P2",
        "P3 = point 4, 0",
        "table P2 P3 from P1 direction L1 decimals 2",
    )
    assert heads == ["", "place", "x, mm", "y, mm"]
    assert rows == [["1", "P2", "5.00", "0.00"], ["2", "P3", "3.20", "-2.40"]]


@pytest.mark.parametrize(
    ("said", "first"),
    [
        ("table P3 polar from P1", ["1", "P3", "50.000", "36\u00b052\u203212\u2033"]),
        ("table P3 in in decimals 1", ["1", "P3", "1.6", "1.2"]),
        ("table C1 edges L1 L2", ["1", "centre of C1", "-20.000", "30.000", "\u2300 10.000"]),
        ("table C1 order up", ["1", "centre of C1", "30.000", "-20.000", "\u2300 10.000"]),
    ],
)
def test_columns_of_a_table(said: str, first: list[str]) -> None:
    """A centre that lies outside, below the edge L1 and right of L2: two offsets. Source: plain sums."""
    ground = (
        "P1 = point 0, 0",
        "P3 = point 40, 30",
        "L1 = line from 0, 0 to 90, 0",
        "L2 = line from 0, 50 to 0, 0",
        "C1 = circle centre 30, -20 radius 5",
    )
    made = book(*ground, said)
    found = held(made)
    assert isinstance(found, PointTable)
    rows = rows_of(found, made.header)[1]
    expected = [*first[:2], *(word.lstrip("-") if "edges" in said else word for word in first[2:])]
    assert rows[0] == expected


@given(st.floats(-1e4, 1e4), st.floats(-1e4, 1e4), st.floats(0, 360))
def test_a_table_keeps_distances_from_its_corner(x: float, y: float, turn: float) -> None:
    found, _, _ = table(f"P1 = point {x!r}, {y!r}", "P2 = point 3, -7", f"table P1 from P2 direction {turn!r}")
    across, up = across_and_up(found, found.places[0].at)
    assert hypot(across, up) == pytest.approx(hypot(x - 3, y + 7), rel=1e-9, abs=1e-9)


def test_an_outline_gives_its_corners_and_the_centres_of_its_arcs() -> None:
    found, _, rows = table("K1 = rectangle from 0, 0 size 40, 20", "fillet corner 1 of K1 radius 5", "table K1")
    assert [place.words for place in found.places][:2] == ["corner 1 of K1", "corner 2 of K1"]
    assert [row[-1] for row in rows if row[1].startswith("centre")] == ["R 5.000"]


def test_a_note_is_as_wide_as_its_letters() -> None:
    made = book(*PLATE, 'note says "abc | a longer line" at 10, 80')
    assert isinstance(held(made), Note)
    laid = layout_at_table(made).laid[made.order[-1]]
    assert max(2 * box.along for box in laid.words) == pytest.approx(width_of("a longer line", SMALL.height) + 0.6)


def test_a_table_is_told_of_what_lies_otherwise_and_of_nothing_else() -> None:
    """A figure further out pushes the rows beside the drawing; what was put somewhere stays."""
    made = book(
        *PLATE[:3], "dimension across corner 1 of K1; corner 2 of K1", "dimension up corner 2 of K1; corner 3 of K1 at 110, 30"
    )
    pushed, put = made.order[-2:]
    farther = made.edited(write(made, "circle centre 60, -8 radius 4", "new")[0])[0]
    assert moved_on_paper(farther, made) == {pushed}
    assert put not in moved_on_paper(farther, made)
    inside = farther.edited(write(farther, "circle centre 60, 10 radius 2", "other")[0])[0]
    assert moved_on_paper(inside, farther) == set()
    assert annotation_ids(inside) == {pushed, put}
    without = inside.edited(strike(inside, pushed, [])[0])[0]
    assert annotation_ids(without) == {put}


def test_thousands_of_dimensions_are_laid_all_the_same() -> None:
    lines = [f"dimension across {n}, 0; {n + 5}, 0 at {n}, {n % 50}" for n in range(2_000)]
    assert len(layout_at_table(book("L1 = line from 0, 0 to 2000, 0", *lines)).laid) == 2_000
