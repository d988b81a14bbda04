"""The open line: what Enter would do with what is typed."""

import pytest

from kentrograph.core.desk import intents
from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.open_line import read_mend, read_open_line
from kentrograph.core.desk.pointer import Pointer
from kentrograph.core.desk.pointing import place_at, read_with_pointer

from .support import book

DRAWING = ("P1 = point 40, 25", "L1 = line from 0, 0 to 100, 0", "K1 = path from 0,0 to 40,0 to 40,30 close")
CIRCLE = Draft("circle", ("centre corner 3 of K1: -20, -10",))
PATH = Draft("path", ("from 1,2", "to + 5,0", "to 3,4"))

READINGS = [
    # draft, text, what Enter does, the row it becomes, why
    (None, "", "nothing", "", "nothing typed"),
    (None, "ci", "begin", "", "first letters of a word"),
    (None, "circle", "begin", "", "a word"),
    (None, "40, 25", "write", "point 40, 25", "coordinates put a point"),
    (None, "+5..0", "write", "point +5..0", "relative ones too"),
    (None, "line from 1,2", "begin", "", "a statement that needs more becomes a draft"),
    (None, "line from 1,2 to 3,4", "write", "line from 1,2 to 3,4", "a whole statement"),
    (None, "unit in", "header", "", "a header line"),
    (None, "xyz", "nothing", "xyz", "no word"),
    (Draft("circle"), "40, 25", "given", "centre 40, 25", "a place is its centre first"),
    (CIRCLE, "24/2 + 3", "write", "radius 24/2 + 3", "a number is its radius, and never runs into the row before"),
    (CIRCLE, "diameter 5", "write", "diameter 5", "another word"),
    (CIRCLE, "P1", "write", "through P1", "a place after the centre lies on it"),
    (CIRCLE, "radios 12", "nothing", "radios 12", "a slip in a word of the language"),
    (CIRCLE, "0", "nothing", "radius 0", "no such radius"),
    (Draft("path"), "1,2", "given", "from 1,2", "a path begins"),
    (PATH, "+ 25 at 120", "given", "to + 25 at 120", "and goes on"),
    (PATH, "close", "write", "close", "close ends it"),
    (PATH, "", "write", "", "it could be written as it stands"),
    (Draft("path"), "circle", "begin", "", "an empty draft gives way to another word"),
    (Draft("measure distance", ("P1",)), "end of L1", "write", "end of L1", "the second thing"),
]


@pytest.mark.parametrize(("draft", "text", "do", "row", "why"), READINGS, ids=[r[4] for r in READINGS])
def test_reading(draft: Draft | None, text: str, do: str, row: str, why: str) -> None:
    line = read_open_line(book(*DRAWING), draft, text)
    assert (line.do, line.row) == (do, row), (why, line.problem)
    assert (line.problem is None) == (do != "nothing" or text == "")


def test_problem_stands_in_what_was_typed() -> None:
    line = read_open_line(book(*DRAWING), PATH, "P9: 3, 4")
    assert line.problem is not None
    assert (line.problem.kind, line.problem.start, line.problem.end) == ("unknown_name", 0, 2)
    assert line.problem.fields["nearest"] == ["P1"]


def test_distance_alone_goes_toward_the_pointer() -> None:
    b = book(*DRAWING)
    draft = Draft("path", ("from 10, 10",))
    plain = read_with_pointer(b, draft, "9", None, Pointer(-60.0, 10.2, 1.0, 0.1))
    assert plain.row == "to + 9 at 180"
    special = read_with_pointer(b, draft, "+ 9", None, Pointer(40.1, 25.1, 1.0, 0.1))
    assert special.row == "to + 9 toward P1"


def test_pointer_takes_a_special_place_or_a_round_position() -> None:
    b = book(*DRAWING)
    taken = place_at(b, Pointer(99.6, 0.3, 1.0, 0.1))
    assert (taken.words, taken.special) == ("end of L1", True)
    plain = place_at(b, Pointer(70.123456, 12.98765, 1.0, 0.1))
    assert (plain.words, plain.special) == ("70.1, 13", False)


def test_pointer_finds_its_way_among_figures_of_every_kind() -> None:
    b = book(
        *DRAWING, "C1 = circle centre 10, 10 radius 5", "E1 = ellipse centre 60, 60 axes 20, 10", "a = 4",
        "A1 = arc from 0,0 via 5,5 to 9,0", "L9 = line through 0,0 direction 80", "measure distance P1 C1", "K9 = join L1",
    )  # fmt: skip
    assert place_at(b, Pointer(80.0, 60.0, 1.0, 0.1)).figure == b.find("e1").id  # type: ignore[union-attr]
    assert place_at(b, Pointer(15.0, 10.0, 1.0, 0.1)).figure == b.find("c1").id  # type: ignore[union-attr]
    assert place_at(b, Pointer(500.0, 500.0, 1.0, 0.1)).figure is None


def test_mending_shows_what_is_wrong_and_changes_nothing() -> None:
    b = book(*DRAWING)
    assert read_mend(b, "s2", "line from 0, 0 to 0, 0").do == "nothing"
    assert read_mend(b, "s2", "line from 0, 0 to 5, 0").do == "write"


# Several solutions ------------------------------------------------------------------------------------------

TWO = ("L1 = line from 0, 0 to 100, 0", "L2 = line from 0, 0 to 0, 100", "C1 = circle centre 50, 50 radius 10", "P1 = point 0, 0")


@pytest.mark.parametrize(
    ("draft", "text"),
    [
        (Draft("circle", ("touching L1", "touching L2")), "9"),
        (Draft("arc", ("from 10, 0", "to 40, 0")), "radius 30"),
        (Draft("line", ("from 0, 0",)), "touching C1"),
        (None, "circle touching L1 L2 radius 9"),
    ],
)
def test_enter_never_takes_the_first_of_several_unasked(draft: Draft | None, text: str) -> None:
    """The value is stated, and all solutions are in sight; the next Enter, an arrow key or a click takes one of them."""
    made = book(*TWO)
    first = look(made, Hand(draft=draft, text=text))
    assert first.enter.do in ("given", "begin")
    assert len(first.solutions) > 1
    stands = look(made, Hand(draft=first.enter.draft))
    assert stands.enter.do == "write"
    assert len(stands.solutions) == len(first.solutions)
    edit, _ = intents.write(made, stands.enter.statement, "n")
    after, _ = made.edited(edit)
    # What is written says which it is.
    assert any(g.sides for g in after.steps["n"].statement.givens), after.steps["n"].statement.text
    chosen = look(made, Hand(draft=draft, text=text, choice=1))
    assert chosen.enter.do == "write"
    pointed = look(made, Hand(draft=draft, text=text, pointer=Pointer(20.0, 20.0, 1.0, 0.1), aimed=True))
    assert pointed.enter.do == ("write" if draft else "begin")


@pytest.mark.parametrize(
    ("draft", "text", "row"),
    [
        (Draft("arc", ("touching L1", "touching L2")), "9", "radius 9"),
        (Draft("circle", ("touching L1", "touching C1")), "25", "radius 25"),
        (Draft("arc", ("from 10, 0", "to 40, 0")), "30", "radius 30"),
        (Draft("arc", ("continuing L1",)), "12", "radius 12"),
        (Draft("circle", ("centre 0, 0",)), "24", "radius 24"),
    ],
)
def test_a_bare_number_is_a_radius(draft: Draft, text: str, row: str) -> None:
    view = look(book(*TWO), Hand(draft=draft, text=text, pointer=Pointer(70.0, 30.0, 1.0, 0.1), aimed=True))
    assert view.row == row
    assert view.enter.do in ("given", "write")


def test_a_radius_that_cannot_span_its_ends_is_no_rise() -> None:
    view = look(book(*TWO), Hand(draft=Draft("arc", ("from 10, 0", "to 40, 0")), text="9"))
    assert view.enter.do == "nothing"
    assert view.problem is not None
    assert (view.problem.kind, view.problem.suggested) == ("radius_too_small", "radius 15")


# Nothing is decided unasked --------------------------------------------------------------------------------------


def test_mended_as_one_line_enter_first_says_which_solution_is_meant() -> None:
    drawing = ("C1 = circle centre 0, 0 radius 10", "C2 = circle centre 50, 0 radius 12")
    b = book(*drawing, "C3 = circle touching C1 outside C2 outside radius 30 left")
    id, text = b.order[2], "C3 = circle touching C1 C2 radius 40"
    first = look(b, Hand(mend=id, text=text))
    assert (first.enter.do, first.enter.statement) == ("type", "C3 = circle touching C1 outside C2 outside radius 40 left")
    assert len(first.solutions) == 8
    assert [f.id for f in first.follows] == [id]
    assert look(b, Hand(mend=id, text=first.enter.statement)).enter.do == "write"
    chosen = look(b, Hand(mend=id, text=text, choice=3)).enter
    assert (chosen.do, chosen.statement) == ("write", "C3 = circle touching C1 outside C2 enclosing radius 40 right")


def test_a_click_on_nothing_does_not_end_a_list_of_figures() -> None:
    b = book("L1 = line from 0, 0 to 20, 0", "L2 = line from 20, 0 to 20, 9")
    nothing = Pointer(300.0, 300.0, 2.0, 0.2)
    assert look(b, Hand(draft=Draft("join", ("L1",)), pointer=nothing, aimed=True)).click is None
    assert look(b, Hand(draft=Draft("join", ("L1", "L2")))).enter.do == "write"


def test_where_all_is_given_and_does_not_fit_no_empty_list_is_offered() -> None:
    """The givens of a chamfer are all there; what stands beside them is a slip."""
    draft = Draft("chamfer", ("L1", "L2", "by 8", "trimmed"))
    drawing = ("L1 = line from 0, 0 to 80, 0", "L2 = line from 80, 0 to 80, 50")
    shown = look(book(*drawing), Hand(draft=draft, text="offset K1 by 3"))
    assert shown.hint == "All is given; something of it does not fit yet."
