"""A word that is typed says what the clicks that follow mean: places beyond, sizes that are there, what cannot serve and why."""

import pytest

from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.interpretation import given_texts
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.open_line import read_open_line
from kentrograph.core.desk.pointer import Pointer
from kentrograph.core.language.script import read

from .support import book

DRAWING = (
    "P1 = point 70, 30",
    "L1 = line from 0, 0 to 20, 0",
    "L2 = line from 40, 20 to 40, 60",
    "C1 = circle centre 100, 80 radius 10",
)
FROM = ("from 0, 0",)
CENTRE = ("centre P1",)

CASES = [
    # Places beyond: the word, and where to click for each of the two that lead there.
    ("point", (), "level", [(70.2, 30.2), (100.1, 80.1)], "point crossing of (level P1); (plumb centre of C1)"),
    ("point", (), "plumb", [(70.2, 30.2), (100.1, 80.1)], "point crossing of (plumb P1); (level centre of C1)"),
    ("point", (), "level", [(70.2, 30.2), (40.1, 44)], "point crossing of (level P1); L2"),
    ("point", (), "onward", [(10, 0.2), (40.1, 44)], "point crossing of L1; L2"),
    ("line", FROM, "to level", [(70.2, 30.2), (40.1, 44)], "line from 0, 0 to crossing of (level P1); L2"),
    ("point", (), "x", [(70.2, 30.2), (100.1, 80.1)], "point P1.x, (centre of C1).y"),
    # Sizes: as far as a place, or as large as what is there.
    ("circle", CENTRE, "radius", [(100.1, 80.1)], "circle centre P1 through centre of C1"),
    ("circle", CENTRE, "radius", [(70, 42)], "circle centre P1 radius 12"),
    ("circle", CENTRE, "diameter", [(70, 42)], "circle centre P1 diameter 24"),
    ("circle", CENTRE, "radius", [(92.93, 72.93)], "circle centre P1 radius C1.radius"),
    ("line", FROM, "length", [(8, 6)], "line from 0, 0 length 10"),
    ("line", FROM, "direction", [(8, 8)], "line from 0, 0 direction 45"),
    ("line", FROM, "length", [(40.1, 31)], "line from 0, 0 length L2.length"),
    # Both ends of an arc, and one number.
    ("arc", (), "", [(0.2, 0.1), (20.1, 0.1)], "arc from start of L1 to end of L1"),
]


@pytest.mark.parametrize(("kind", "rows", "typed", "clicks", "written"), CASES)
def test_what_the_clicks_mean(
    kind: str, rows: tuple[str, ...], typed: str, clicks: list[tuple[float, float]], written: str
) -> None:
    b = book(*DRAWING)
    draft, text, statement = Draft(kind, rows), typed, ""
    for x, y in clicks:
        view = look(b, Hand(draft=draft, text=text, pointer=Pointer(x, y, 2.4, 0.2), aimed=True))
        assert view.click is not None, (text, view.problem)
        statement = view.click.statement
        draft = view.click.draft or draft
        text = statement if view.click.do == "type" else ""
    assert statement == written


def test_after_both_ends_a_number_is_the_radius() -> None:
    line = read_open_line(book(*DRAWING), Draft("arc", ("from start of L1", "to end of L1")), "25")
    assert line.row == "radius 25"


@pytest.mark.parametrize("word", ["level", "plumb", "onward", "sights", "foot", "touch"])
def test_a_word_that_asks_for_a_place_is_never_red(word: str) -> None:
    line = read_open_line(book(*DRAWING), Draft("line", FROM), word)
    assert line.problem is None


@pytest.mark.parametrize(
    ("kind", "rows", "typed", "at", "said"),
    [
        ("point", ("5 from L1 left",), "2 from", (70.2, 30.1), "do not meet"),
        ("point", ("5 from L1 left",), "2 from", (100.2, 80.1), "do not meet"),
        ("line", FROM, "parallel", (100.2, 80.1), "wants a line"),
    ],
)
def test_a_place_that_cannot_serve_says_why(
    kind: str, rows: tuple[str, ...], typed: str, at: tuple[float, float], said: str
) -> None:
    """Nothing else is taken in its place, in silence."""
    view = look(book(*DRAWING), Hand(draft=Draft(kind, rows), text=typed, pointer=Pointer(*at, 2.4, 0.2), aimed=True))
    assert view.click is None
    assert view.problem is not None
    assert said in view.problem.message


def test_what_is_taken_instead_of_the_nearest_says_so() -> None:
    b = book("C1 = circle centre 0, 0 radius 30", "L1 = line from -40, 0.5 to 40, 0.5", "P1 = point 50, 9")
    view = look(b, Hand(draft=Draft("line", ("from P1",)), text="parallel", pointer=Pointer(0.2, 0.2, 2.4, 0.2), aimed=True))
    assert view.picks[view.picked] == "parallel L1"
    assert view.unfit is not None
    assert "wants a line" in view.unfit


@pytest.mark.parametrize("given", ["radius P1", "touching L9", "radius 1/0", "parallel C1", "radius on C1 at 90", "until P9"])
def test_a_given_that_will_not_do_is_refused_before_the_others_come(given: str) -> None:
    kind = "line" if given.split()[0] in ("parallel", "until") else "circle"
    line = read_open_line(book(*DRAWING), Draft(kind), given)
    assert line.do == "nothing"
    assert line.problem is not None


@pytest.mark.parametrize(
    ("kind", "rows", "typed", "taken"),
    [
        ("line", (), "fr", "from "),
        ("line", FROM, "par", "parallel "),
        ("line", FROM, "to mid", "to middle of "),
        ("line", FROM, "parallel L", "parallel L2 "),
        ("circle", CENTRE, "rad", "radius "),
        ("point", (), "cr", "crossing of "),
        ("polygon", CENTRE, "si", "sides "),
        ("measure distance", (), "mid", "middle of "),
        (None, (), "circle cen", "circle centre "),
    ],
)
def test_a_half_word_is_taken_by_enter_and_never_red(kind: str | None, rows: tuple[str, ...], typed: str, taken: str) -> None:
    line = read_open_line(book(*DRAWING), Draft(kind, rows) if kind else None, typed)
    assert (line.do, line.statement, line.problem) == ("type", taken, None)


@pytest.mark.parametrize(("typed", "nearest"), [("radios", "radius"), ("toching L1", "touching"), ("C7", "C1")])
def test_a_word_that_is_none_is_refused_with_the_nearest(typed: str, nearest: str) -> None:
    line = read_open_line(book(*DRAWING), Draft("circle", CENTRE), typed)
    assert line.problem is not None
    assert nearest in line.problem.fields["nearest"]


@pytest.mark.parametrize(
    ("text", "better"),
    [
        ("arc centre P1 from 80, 30 sweep 360", "circle centre P1 through 80, 30"),
        ("arc centre P1 radius 12 at 30 sweep -360", "circle centre P1 radius 12"),
        ("arc from 0, 0 to 9, 9 sweep 360", None),
        ("arc centre P1 from 80, 30 sweep 400", None),
    ],
)
def test_an_arc_all_the_way_round_offers_the_circle(text: str, better: str | None) -> None:
    view = look(book(*DRAWING), Hand(text=text))
    assert view.problem is not None
    assert view.problem.suggested == better
    *rows, last = given_texts(read(text))
    row = look(book(*DRAWING), Hand(draft=Draft("arc", tuple(rows)), text=last))
    assert row.problem is not None
    assert row.problem.suggested == better
