"""Short forms that the trade says and writes: ``d 24``, ``R12``, ``⌀24``, ``120 x 80``.

*Common practice*; the signs as ISO 129-1 has them.
What is written into the book is always the full word.
"""

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.values import StepResult
from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.open_line import read_open_line
from kentrograph.core.desk.trying import tried

from .support import book, figure, problem

DRAWING = ("P1 = point 0, 0", "L1 = line from 0, 0 to 95, 0", "C1 = circle centre 40, 50 radius 10", "r = 5", "D7 = point 9, 9")


@pytest.fixture(scope="module")
def drawing() -> Book:
    return book(*DRAWING)


@pytest.mark.parametrize(
    ("typed", "written"),
    [
        ("circle centre P1 d 24", "circle centre P1 diameter 24"),
        ("circle centre P1 D24", "circle centre P1 diameter 24"),
        ("circle centre P1 r12.5", "circle centre P1 radius 12.5"),
        ("circle centre P1 R 2 3/8", "circle centre P1 radius 2 3/8"),
        ("circle centre P1 r 1.5in", "circle centre P1 radius 1.5in"),
        ("circle r 12 centre P1", "circle radius 12 centre P1"),
        ("circle centre P1 \u230024", "circle centre P1 diameter 24"),
        ("circle centre P1 \u00d8 24", "circle centre P1 diameter 24"),
        ("circle through P1; 20, 0 r 12", "circle through P1; 20, 0 radius 12"),
        ("circle through P1 D7 r12", "circle through P1 D7 radius 12"),
        ("circle touching L1 left C1 outside R 25", "circle touching L1 left C1 outside radius 25"),
        ("circle touching L1 left C1 outside R25", "circle touching L1 left C1 outside radius 25"),
        ("arc from P1 to 20, 0 r 12 left", "arc from P1 to 20, 0 radius 12 left"),
        ("path from 0, 0 curve r18 left to 10, 5", "path from 0, 0 curve radius 18 left to 10, 5"),
        ("polygon centre P1 sides 6 r 20", "polygon centre P1 sides 6 radius 20"),
        ("rectangle from P1 size 120 x 80", "rectangle from P1 size 120, 80"),
        ("rectangle from P1 size 120x80", "rectangle from P1 size 120, 80"),
        ("rectangle from P1 size 12.5\u00d780.25 turned 10", "rectangle from P1 size 12.5, 80.25 turned 10"),
        ("rectangle from P1 size 2*C1.r x C1.d", "rectangle from P1 size 2*C1.r, C1.d"),
        ("ellipse centre P1 axes 30 X 20", "ellipse centre P1 axes 30, 20"),
        # Names that look like them stay names.
        ("circle centre P1 radius r", "circle centre P1 radius r"),
        ("circle through P1 D7 C1", "circle through P1 D7 C1"),
        ("circle centre D7 radius 3", "circle centre D7 radius 3"),
        ("point C1.x, 5", "point C1.x, 5"),
    ],
)
def test_are_understood_and_written_in_full(drawing: Book, typed: str, written: str) -> None:
    step, value = tried(drawing, typed, "n", len(drawing.order))
    assert isinstance(value, StepResult), value
    assert step.statement.text == written
    assert value.figure == tried(drawing, written, "n", len(drawing.order))[1].figure  # type: ignore[union-attr]
    # In a file they stay as they were typed, and mean the same.
    assert figure(book(*DRAWING, f"Q = {typed}"), "Q") == value.figure


@pytest.mark.parametrize(
    ("kind", "rows", "typed", "row"),
    [
        ("circle", ("centre P1",), "d 24", "diameter 24"),
        ("circle", ("centre P1",), "\u230024", "diameter 24"),
        ("circle", (), "r12", "radius 12"),
        ("rectangle", ("from P1",), "120 x 80", "size 120, 80"),
        ("rectangle", ("from P1",), "120x80", "size 120, 80"),
        ("ellipse", ("centre P1",), "30 x 20", "axes 30, 20"),
    ],
)
def test_as_a_row_of_the_open_line(drawing: Book, kind: str, rows: tuple[str, ...], typed: str, row: str) -> None:
    line = read_open_line(drawing, Draft(kind, rows), typed)
    assert line.problem is None
    assert line.draft is not None
    assert line.draft.rows[-1] == row


@pytest.mark.parametrize(
    ("line", "kind", "column"),
    [
        ("circle centre 0, 0 d 0", "bad_radius", 20),
        ("circle centre 0, 0 r12x", "unknown_given", 20),
        ("rectangle from 0, 0 size 120 y 80", "unexpected", 30),
        ("line from 0, 0 r 12", "unknown_given", 16),
    ],
)
def test_what_will_not_do_is_blamed_where_it_was_typed(line: str, kind: str, column: int) -> None:
    found = problem(line)
    assert (found["kind"], found["column"]) == (kind, column)
