"""Handles, values that ask what gives way, selecting, phrases finished by pointing, sight lines and a datum in words."""

from math import hypot, sqrt

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.values import StepResult
from kentrograph.core.desk import intents
from kentrograph.core.desk.datum import datum_in_numbers
from kentrograph.core.desk.derived import values_of, ways_to_state
from kentrograph.core.desk.desk import Desk
from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.handles.handle import Handle
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.picks import picks, under_pointer
from kentrograph.core.desk.pointer import Pointer, Snapping
from kentrograph.core.desk.pulling import handles, pulled
from kentrograph.core.language.script import book_of, read_script
from kentrograph.core.problem import Refused
from kentrograph.core.snap.kinds import KINDS
from kentrograph.core.snap.select import hanging_together, inside, touched
from tools.examples import DRAWING, EXAMPLES

from .support import book, figure, place, problem

GROUND = (
    "P1 = point 0, 0", "P2 = point 40, 0", "P3 = point 10, 30", "L1 = line from P1 to P2", "C1 = circle centre 80, 40 radius 20",
    "A1 = arc centre 0, 80 from 20, 80 sweep 90", "L9 = line from P1 to 0, 60",
)  # fmt: skip

# A step, where its handle is pulled to, what the handle says, and the text that comes of it.
PULLS = [
    ("point 5, 6", (0, (60.04, 7.02)), "changes 5, 6", "point 60, 7"),
    ("circle centre P2 radius 10", (1, (40, 25)), "changes radius 10", "circle centre P2 radius 25"),
    ("circle centre P2 diameter 10", (1, (40, 25)), "changes diameter 10", "circle centre P2 diameter 50"),
    ("circle centre P2 radius 10", (0, (44, 3)), "moves P2", "P2 = point 44, 3"),
    ("line from P1 direction 30 length 80", (1, (30, 40)), "changes direction 30 and length 80",
     "line from P1 direction 53 length 50"),
    ("line from P2 direction 170 until L9", (1, (0, 40)), "changes direction 170", "line from P2 direction 135 until L9"),
    ("line from P1 parallel L1 length 9", (1, (25, 3)), "changes length 9", "line from P1 parallel L1 length 25"),
    ("arc centre P1 from P2 sweep 90", (2, (-50, 0)), "changes sweep 90", "arc centre P1 from P2 sweep 180"),
    ("arc centre P1 from P2 sweep -90", (2, (0, 50)), "changes sweep -90", "arc centre P1 from P2 sweep -270"),
    ("arc from P1 to P2 radius 35 left", (2, (20, 20)), "changes radius 35 left", "arc from P1 to P2 radius 20 left"),
    ("path from P1 to + 20, 0 to + 0, 9", (1, (25, -4)), "changes to + 20, 0", "path from P1 to + 25, -4 to + 0, 9"),
    ("path from P1 to + 20 at 90", (1, (0, 33)), "changes to + 20 at 90", "path from P1 to + 33 at 90"),
    ("circle centre middle of L1 radius 9", (0, (80, 40)), "takes another place for centre middle of L1",
     "circle centre centre of C1 radius 9"),
    # A place stays of its sort, away from special ones; several on one row are told apart.
    ("point P1: 6, 8", (0, (55, 66)), "changes P1: 6, 8", "point P1: 55, 66"),
    ("point 12 along L1 from end", (0, (15, 9)), "changes 12 along L1 from end", "point 25 along L1 from end"),
    ("point on C1 at 30", (0, (80, 70)), "changes on C1 at 30", "point on C1 at 90"),
    ("point 50 at 30", (0, (0, 75)), "changes 50 at 30", "point 75 at 90"),
    ("point P3.x, 15", (0, (90, 66)), "changes P3.x, 15", "point P3.x, 66"),
    ("point 15, P3.y", (0, (80.5, 40.2)), "changes 15, P3.y", "point (centre of C1).x, P3.y"),
    ("arc centre 0, 0 from 50, 0 to 0, 50 clockwise", (2, (30, -60)), "changes to 0, 50 clockwise",
     "arc centre 0, 0 from 50, 0 to 30, -60 clockwise"),
    ("path from 99, 0 curve via 120, 9 to 140, 0", (1, (120, 15)), "changes curve via 120, 9 to 140, 0",
     "path from 99, 0 curve via 120, 15 to 140, 0"),
    ("path from 99, 0 curve radius 30 left to 140, 0", (1, (140, 9)), "changes curve radius 30 left to 140, 0",
     "path from 99, 0 curve radius 30 left to 140, 9"),
    ("ellipse across 100, 0; 140, 0 ratio 0.5", (1, (150, 0)), "changes across 100, 0; 140, 0",
     "ellipse across 100, 0; 150, 0 ratio 0.5"),
    # Sizes and turns of shapes.
    ("rectangle from P2 size 40, 25", (1, (95, 60)), "changes size 40, 25", "rectangle from P2 size 55, 60"),
    ("rectangle from P2 size -20, 25 turned 0", (2, (20, -20)), "changes turned 0",
     "rectangle from P2 size -20, 25 turned 45"),
    ("rectangle centre P2 size 40, 25", (1, (65, 20)), "changes size 40, 25", "rectangle centre P2 size 50, 40"),
    ("polygon centre P2 sides 6 radius 20 turned 15", (1, (40, 30)), "changes radius 20 and turned 15",
     "polygon centre P2 sides 6 radius 30 turned 90"),
    ("polygon centre P2 sides 4 across flats 20", (1, (52, 9)), "changes across flats 20",
     "polygon centre P2 sides 4 across flats 30"),
    ("ellipse centre P2 axes 30, 20", (1, (75, 8)), "changes axes 30, 20", "ellipse centre P2 axes 35, 20"),
    ("ellipse centre P2 axes 30, 20", (2, (75, 8)), "changes axes 30, 20", "ellipse centre P2 axes 30, 8"),
    ("ellipse centre P2 axes 30, 20 turned 15", (1, (40, 50)), "changes axes 30, 20 and turned 15",
     "ellipse centre P2 axes 50, 20 turned 90"),
    ("ellipse across 100, 0; 140, 0 ratio 0.5", (2, (120, 15)), "changes ratio 0.5", "ellipse across 100, 0; 140, 0 ratio 0.75"),
    ("ellipse centre P2 axes 30, 20 part 0 to 120", (4, (40, 99)), "changes part 0 to 120",
     "ellipse centre P2 axes 30, 20 part 0 to 90"),
    # Distances and sizes of figures that other givens hold.
    ("line parallel L1 distance 15 left", (0, (20, -40)), "changes distance 15 left", "line parallel L1 distance 40 right"),
    ("arc from P1 to P2 rise 12 left", (2, (20, -30)), "changes rise 12 left", "arc from P1 to P2 rise 30 right"),
    ("arc from P1 to P2 sweep 90", (2, (20, -20)), "changes sweep 90", "arc from P1 to P2 sweep 180"),
    ("arc centre P1 radius 50 at 30 sweep 90", (2, (0, 99)), "changes at 30", "arc centre P1 radius 50 at 90 sweep 90"),
    ("circle touching L1 left at P2 radius 12", (1, (40, 50)), "changes radius 12", "circle touching L1 left at P2 radius 25"),
    ("circle through P1 P2 diameter 60 left", (2, (20, 40)), "changes diameter 60 left",
     "circle through P1 through P2 diameter 50 left"),
    ("fillet L1 L9 radius 10", (0, (5.9, 5.9)), "changes radius 10", "fillet L1 L9 radius 20"),
    ("point 50 from P1; 40 from P2 left", (0, (0, -30)), "changes 50 from P1 and 40 from P2 left",
     "point 30 from P1 50 from P2 right"),
    ("point 10 from L1 left; 8 from L9 right", (0, (20, 33)), "changes 10 from L1 left and 8 from L9 right",
     "point 33 from L1 left 20 from L9 right"),
]  # fmt: skip


def text_pulled(book: Book, handle: Handle, pointer: Pointer) -> str:
    found = pulled(book, handle, pointer)
    assert found is not None
    assert all(part in found.text for part in found.becomes.split(" · "))
    return found.text


@pytest.mark.parametrize(("text", "pull", "words", "after"), PULLS)
def test_pulling_changes_the_given_that_put_it_there(
    text: str, pull: tuple[int, tuple[float, float]], words: str, after: str
) -> None:
    made = book(*GROUND, f"Q_ = {text}")
    id = made.order[-1]
    which, at = pull
    handle = handles(made, id)[which]
    assert handle.words == words
    said = text_pulled(made, handle, Pointer(*map(float, at), reach=2.0, pixel=1.0))
    assert said == (after if handle.step != id else f"Q_ = {after}")
    edit, _ = intents.mend(made, handle.step, said)
    assert isinstance(made.edited(edit)[0].values[handle.step], StepResult)


@pytest.mark.parametrize("statement", [text for examples in EXAMPLES.values() for text, _ in examples])
def test_a_handle_let_go_where_it_was_leaves_the_figure(statement: str) -> None:
    """Whole degrees are the coarsest that pulling writes: half of one, at the size of the drawing, is 0.6."""
    made = book(*DRAWING, statement)
    id = made.order[-1]
    for handle in handles(made, id):
        text = text_pulled(made, handle, Pointer(handle.at.x, handle.at.y, 1e-3, 1e-3, snapping=Snapping(off=frozenset(KINDS))))
        after, _ = made.edited(intents.mend(made, handle.step, text)[0])
        again = handles(after, id)
        assert min(hypot(h.at.x - handle.at.x, h.at.y - handle.at.y) for h in again) < 0.6


def test_a_size_that_is_named_is_pulled_for_all_that_name_it() -> None:
    made = book("hub = 20", "C1 = circle centre 0, 0 diameter hub", "C2 = circle centre 90, 0 radius hub", "arm = 2 * hub",
                "C3 = circle centre 0, 90 radius arm")  # fmt: skip
    handle = handles(made, made.order[1])[1]
    assert handle.words == "changes hub = 20"
    assert text_pulled(made, handle, Pointer(0.0, 30.0, 1.0, 1.0)) == "hub = 60"
    assert len(handles(made, made.order[4])) == 1


ARM = "symbol arm\n  line from 0, 0 to 20, 0\n  line from 0, 0 to 0, 5\nend symbol"


@pytest.mark.parametrize(
    ("givens", "which", "to", "text"),
    [
        ("", 1, (40, 70), "place arm at 40, 40 turned 90"),
        ("", 2, (40, 70), "place arm at 40, 40 scale 1.5"),
        (" turned 90", 1, (10, 40), "place arm at 40, 40 turned 180"),
        (" turned 90 scale 2", 2, (30, 40), "place arm at 40, 40 turned 90 scale 0.5"),
    ],
)
def test_a_placed_symbol_is_turned_and_scaled_by_its_handles(givens: str, which: int, to: tuple[float, float], text: str) -> None:
    made = book_of(read_script(f"{ARM}\nplace arm at 40, 40{givens}\n"))
    id = made.order[-1]
    pulled = text_pulled(made, handles(made, id)[which], Pointer(*map(float, to), reach=2.0, pixel=1.0))
    assert pulled == text
    assert isinstance(made.edited(intents.mend(made, id, pulled)[0])[0].values[id], StepResult)


@pytest.mark.parametrize(
    ("rows", "to", "level", "reading", "text"),
    [
        ((), (40, 65), False, 0, "place arm at 40, 40 turned 90"),
        ((), (42, 65), True, 0, "place arm at 40, 40 turned 90"),
        ((), (40, 65), False, 1, "place arm at 40, 40 turned 90 scale 1.25"),
        ((), (80, 40), False, 2, "place arm at 40, 40 scale 2"),
        (("scale 3",), (15, 40), False, 0, "place arm at 40, 40 scale 3 turned 180"),
        # Turned by 12 it reaches 19.56 across.
        (("turned 12",), (15, 40), False, 0, "place arm at 40, 40 turned 12 scale 1.3"),
        # Toward a special place exactly.
        ((), (70, 80), False, 0, "place arm at 40, 40 turned 53.130102354"),
    ],
)
def test_a_symbol_is_turned_while_it_is_placed(
    rows: tuple[str, ...], to: tuple[float, float], level: bool, reading: int, text: str
) -> None:
    """With its place given, the other end of a drag says how far it is turned, or how large it is, or both."""
    made = book_of(read_script(f"{ARM}\npoint 70, 80\n"))
    draft = Draft("place", ("arm", "at 40, 40", *rows))
    at = Pointer(*map(float, to), reach=2.0, pixel=1.0, level=level)
    view = look(made, Hand(draft=draft, pointer=at, choice=reading, aimed=True))
    assert view.click is not None
    assert (view.click.do, view.click.statement) == ("write", text)
    assert view.preview is not None


def test_a_rectangle_lies_along_a_sloping_datum_and_is_pulled_along_it() -> None:
    made = book("datum 100, 0 direction 90", "rectangle from 0, 0 size 40, 25 turned 0")
    id = made.order[0]
    assert [(round(p.x), round(p.y)) for p in figure(made, "K1").corners] == [(100, 0), (100, 40), (75, 40), (75, 0)]
    size, turned = handles(made, id)[1:]
    free = Snapping(off=frozenset(KINDS))
    assert text_pulled(made, size, Pointer(70.0, 50.0, 1.0, 1.0, snapping=free)) == "rectangle from 0, 0 size 50, 30 turned 0"
    assert text_pulled(made, turned, Pointer(90.0, 10.0, 1.0, 1.0, snapping=free)) == "rectangle from 0, 0 size 40, 25 turned 45"


def test_a_step_in_another_manner_is_pulled_in_its_own() -> None:
    made = book("datum 100, 0 direction 90", "point 5, 6")
    edit, _ = intents.write(made, "datum 0, 0", "h")
    now, _ = made.edited(edit)
    id = now.order[0]
    handle = handles(now, id)[0]
    assert (handle.at.x, handle.at.y) == pytest.approx((94, 5))
    said = text_pulled(now, handle, Pointer(90.0, 12.0, reach=1.0, pixel=1.0))
    # In the datum that it was written in: up is its across.
    assert said == "point 12, 10"
    edit, _ = intents.write(now, "unit in", "u")
    inches, _ = now.edited(edit)
    said = text_pulled(inches, handles(inches, id)[0], Pointer(90 / 25.4, 12 / 25.4, reach=0.1, pixel=0.01))
    assert said == "point 0.47in, 0.39in"


# A step, the value stated, which givens give way in the first way, and its text.
WAYS = [
    ("circle through P1 P2 P3", "radius", "45", ("through P1",), "circle through P2 through P3 radius 45 left"),
    ("circle through P1 P2 P3", "circumference", "200", None, "circle centre 20, 10 circumference 200"),
    ("circle centre P1 radius 10", "radius", "12", (), "circle centre P1 radius 12"),
    ("circle centre P1 through P2", "diameter", "12", ("through P2",), "circle centre P1 diameter 12"),
    ("line from P2 to P3", "length", "45", ("to P3",), "line from P2 through P3 length 45"),
    ("line from P1 to P2", "direction", "30", ("to P2",), "line from P1 direction 30 length 40"),
    ("line from P1 direction 30 length 80", "length", "9", (), "line from P1 direction 30 length 9"),
    ("arc centre P1 from P2 sweep 90", "radius", "50", None, "arc centre 0, 0 radius 50 at 0 sweep 90"),
]  # fmt: skip


@pytest.mark.parametrize(("text", "word", "typed", "instead", "after"), WAYS)
def test_stating_a_derived_value_says_what_gives_way(
    text: str, word: str, typed: str, instead: tuple[str, ...] | None, after: str
) -> None:
    made = book(*GROUND, f"Q_ = {text}")
    id = made.order[-1]
    ways = ways_to_state(made, id, word, typed)
    way = ways[0] if instead is not None else ways[-1]
    assert way.text == f"Q_ = {after}"
    assert instead is None or way.instead == instead
    changed, _ = made.edited(intents.mend(made, id, way.text)[0])
    stated = {v.word: v for v in values_of(changed, id)}[word]
    assert stated.exact == pytest.approx(float(typed))
    assert stated.stated


def test_a_value_that_no_figure_can_have_is_refused_with_the_reason() -> None:
    made = book(*GROUND, "Q_ = circle centre P1 radius 10")
    with pytest.raises(Refused) as refused:
        ways_to_state(made, made.order[-1], "radius", "-3")
    assert refused.value.problem.kind == "bad_radius"


def names(made: object, ids: list[str]) -> list[str]:
    return [made.steps[id].name for id in ids]  # type: ignore[attr-defined]


def test_selecting() -> None:
    made = book(
        "L1 = line from 0, 0 to 50, 0", "L2 = line from 50, 0 to 50, 40", "C1 = circle centre 25, 20 radius 8",
        "L3 = line from 80, 0 to 80, 60", "L4 = line through 0, 90 direction 0", "A1 = arc centre 50, 50 from 50, 40 sweep 90",
        "L5 = line from 25, 12 to 25, -9", "P1 = point 5, 5",
    )  # fmt: skip
    assert names(made, inside(made, (-1, -1, 60, 45))) == ["L1", "L2", "C1", "P1"]
    assert names(made, touched(made, (20, -20, 30, 5))) == ["L1", "L5"]
    assert names(made, touched(made, (75, 80, 90, 100))) == ["L4"]
    # Ends that meet, and ends that lie on a figure: L5 ends on the rim of C1 and crosses L1, which does not count.
    assert names(made, hanging_together(made, made.order[0])) == ["L1", "L2", "A1"]
    assert names(made, hanging_together(made, made.order[2])) == ["C1", "L5"]
    # In a view turned by 90 degrees, up is to the left: the same box holds what lies left of the datum.
    assert names(made, inside(made, (-1, -60, 45, 1), 90.0)) == ["L1", "L2", "C1", "P1"]


# What is typed, where is clicked, the figure and its rows, the row that comes of it.
PHRASES = [
    ("12 past", (40.2, 0.1), "point", (), "12 past end of L1"),
    ("12 along", (38.0, 0.1), "point", (), "12 along L1 from end"),
    ("12 along", (13.0, 0.1), "point", (), "12 along L1"),
    ("12 along", (27.0, 0.1), "point", (), "12 along L1 from end"),
    ("12 past", (9.0, 0.1), "point", (), "12 past start of L1"),
    ("1/3", (12.0, 0.1), "point", (), "1/3 of L1"),
    ("middle", (8.0, 0.1), "point", (), "middle of L1"),
    ("to foot", (33.0, 0.2), "line", ("from P3",), "to foot on L1"),
    ("touch", (60.4, 36.0), "line", ("from P1",), None),
    ("P1.x,", (80.0, 40.0), "point", (), "P1.x, (centre of C1).y"),
    ("x", (40.0, 0.0), "point", (), "P2.x,"),
    (": 6, 8", (40.0, 0.0), "point", (), "P2: 6, 8"),
    ("through", (40.0, 0.0), "circle", (), "through P2"),
    ("quarter", (97.0, 47.0), "point", (), "on C1 at 0"),
]  # fmt: skip


@pytest.mark.parametrize(("typed", "at", "kind", "rows", "row"), PHRASES)
def test_a_phrase_is_finished_by_pointing(
    typed: str, at: tuple[float, float], kind: str, rows: tuple[str, ...], row: str | None
) -> None:
    made = book(*GROUND)
    shown = under_pointer(
        Desk(made, Hand(draft=Draft(kind, rows), text=typed, pointer=Pointer(*at, reach=3.0, pixel=0.3)), len(made.order))
    )
    assert shown.click is not None
    assert shown.rows[0] == row or (row is None and shown.rows[0].startswith("touch on C1"))


def test_the_way_of_the_pointer_chooses_arc_or_line_and_the_sense() -> None:
    made = book(*GROUND)

    def first(kind: str, rows: tuple[str, ...], **way: float) -> str:
        hand = Hand(draft=Draft(kind, rows), pointer=Pointer(300.0, 300.0, 1.0, 1.0, **way))  # type: ignore[arg-type]
        return picks(Desk(made, hand, len(made.order))).found[0].row

    assert first("path", ("from P1", "to P2")) == "300, 300"
    assert first("path", ("from P1", "to P2"), swing=True) == "curve to 300, 300"
    assert first("arc", ("centre P1", "from P2"), turned=45.0) == "to 300, 300"
    assert first("arc", ("centre P1", "from P2"), turned=-315.0) == "to 300, 300 clockwise"


def test_a_lasting_hold_is_lifted_while_the_key_is_held() -> None:
    made = book(*GROUND)

    def first(rows: tuple[str, ...], level: bool, snapping: Snapping = Snapping()) -> str:
        pointer = Pointer(60.0, -33.0, 1.0, 1.0, level, snapping=snapping)
        return picks(Desk(made, Hand(draft=Draft("line", rows), pointer=pointer), len(made.order))).found[0].row

    assert first(("from P1", "length 50"), False) == "direction 331"
    assert first(("from P1", "length 50"), True) == "to 60, -33"
    assert first(("from P1",), True) == "to + 60 at 0"
    assert first(("from P1",), False, Snapping(grid=20.0)) == "to 60, -40"
    assert first(("from P1",), True, Snapping(grid=20.0)) == "to 60, -33"
    assert first(("from P1",), False, Snapping(turns=(-28.5,))) == "to + 68 at 331.5"


# A place with sight lines in words, and where it lies. Source: the figures are level, plumb, or at 45 degrees.
SIGHTS = [
    ("crossing of (level P3) (plumb P2)", (40, 30)),
    ("crossing of (level P3) C1 entering", (80 - sqrt(300), 30)),
    ("crossing of (through P2 direction 45) C1 entering", (80 - sqrt(200), 40 - sqrt(200))),
    ("crossing of (direction 135 through P2) (plumb P1)", (0, 40)),
    ("crossing of (parallel L1 through P3) (plumb 7, 0)", (7, 30)),
    ("crossing of (square L1 through P3) L1", (10, 0)),
    ("crossing of (continuing A1) (plumb -9, 0)", (-9, 100)),
    ("crossing of (continuing start of A1) L1", (20, 0)),
    ("7 past end of A1 straight", (-7, 100)),
    ("P3: 5 at L1.dir + 90", (10, 35)),
]  # fmt: skip


@pytest.mark.parametrize(("words", "at"), SIGHTS)
def test_sight_lines_in_words(words: str, at: tuple[float, float]) -> None:
    assert place(words, *GROUND) == pytest.approx(at, abs=1e-12)


def test_from_the_last_place() -> None:
    made = book(
        *GROUND,
        "L2 = line from P3 to foot on L1",
        "L3 = line from 0, 60 to touch on C1 left",
        "L4 = line from P3 to crossing of (level) C1",
    )
    assert figure(made, "L2").end.x == 10
    assert figure(made, "L3").end.y == pytest.approx(60)
    assert figure(made, "L4").end.y == 30
    assert problem(*GROUND, "point crossing of (level P1) L1")["kind"] == "same_locus"
    assert problem(*GROUND, "point crossing of (parallel C1 through P1) L1")["kind"] == "no_line"


# Source: common practice; the line of the centres meets each circle twice.
SQUARE = [
    ("line square C1 square C2", (20, 0), (40, 0)), ("line square C1 square C2 second", (20, 0), (80, 0)),
    ("line square C1 square C2 third", (-20, 0), (40, 0)), ("line square L1 square C1", (0, 50), (0, 20)),
    ("line square C2 square L1", (60, 20), (60, 50)),
]  # fmt: skip


@pytest.mark.parametrize(("text", "start", "end"), SQUARE)
def test_lines_square_to_two_figures(text: str, start: tuple[float, float], end: tuple[float, float]) -> None:
    ground = ("C1 = circle centre 0, 0 radius 20", "C2 = circle centre 60, 0 radius 20", "L1 = line from -9, 50 to 90, 50")
    line = figure(book(*ground, f"Q_ = {text}"), "Q_")
    assert (line.start.x, line.start.y, line.end.x, line.end.y) == pytest.approx((*start, *end), abs=1e-12)


def test_square_to_two_lines_or_concentric_circles_is_refused() -> None:
    ground = ("C1 = circle centre 0, 0 radius 20", "C2 = circle centre 0, 0 radius 9", "L1 = line from 0, 50 to 9, 50")
    assert problem(*ground, "line square C1 square C2")["kind"] == "every_direction"
    assert problem(*ground, "line square L1 square L1")["kind"] == "no_square"


def test_a_datum_from_the_drawing() -> None:
    made = book("P1 = point 3, 4", "L1 = line from 10, 20 to 40, 60")
    assert datum_in_numbers(made, "datum P1") == "datum 3.0, 4.0 direction 0.0"
    assert datum_in_numbers(made, "datum along L1").startswith("datum 10.0, 20.0 direction 53.13010235415")
    assert datum_in_numbers(made, "datum 5, 6") == "datum 5, 6"
    assert datum_in_numbers(made, "datum along P1") == "datum along P1"
    edit, label = intents.write(made, "datum along L1", "h")
    after, _ = made.edited(edit)
    assert label == "datum"
    assert after.header.manner.from_world(figure(made, "L1").end) == pytest.approx((50, 0))


def test_what_lies_beside_is_marked_and_the_mark_is_read_again() -> None:
    made = book("L1 = line from 0, 0 to 100, 0")
    edit, _ = intents.write(made, "circle centre 100.1, 0 radius 8", "c", beside="end of L1")
    after, _ = made.edited(edit)
    assert intents.beside_of(after.steps["c"]) == "end of L1"
    assert after.steps["c"].statement.text == "circle centre 100.1, 0 radius 8  # beside end of L1"
    assert intents.beside_of(after.steps[made.order[0]]) is None


# Verbs by clicks ------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("kind", "clicks", "statement"),
    [
        ("move", ((10, 0), (50, 0), (75, 60)), "move C1 from P1 to middle of L1"),
        ("move", ((7.07, 7.07), (0, 20), (50, 0)), "move C1 from centre of C2 to P1"),
        ("copy", ((10, 0), (2.1, 22.1), (50, 0), (75, 60)), "copy C1 C2 from P1 to middle of L1"),
        ("turn", ((10, 0), (50, 0), (75, 60), (90, 60)), "turn C1 about P1 from middle of L1 to end of L1"),
        ("scale", ((7.07, 7.07), (50, 0), (75, 60), (90, 60)), "scale C1 about P1 from middle of L1 to end of L1"),
        ("mirror", ((10, 0), (68, 60)), "mirror C1 in L1"),
        ("mirror", ((10, 0), (75, 60)), "mirror C1 in L1"),
        ("fillet", ((68, 60), (60, 68)), "fillet L1 L2"),
        ("join", ((68, 60), (60, 68)), "join L1 L2"),
    ],
)  # fmt: skip
def test_verbs_are_given_by_clicks_alone(kind: str, clicks: tuple[tuple[float, float], ...], statement: str) -> None:
    """Figures first, at a rim or a place of theirs; then the places in the order in which the sentence asks for them."""
    made = book(
        "C1 = circle centre 0,0 radius 10", "P1 = point 50, 0", "L1 = line from 60,60 to 90,60",
        "L2 = line from 60,60 to 60,90", "C2 = circle centre 0,20 radius 3",
    )  # fmt: skip
    draft = Draft(kind)
    for number, (x, y) in enumerate(clicks, 1):
        click = look(made, Hand(draft=draft, pointer=Pointer(float(x), float(y), 1.5, 0.1), aimed=True)).click
        assert click is not None
        assert click.draft is not None
        draft = click.draft
        assert click.do == ("write" if number == len(clicks) and kind != "fillet" else "given") or kind == "join"
    assert (click.statement if click.do == "write" else draft.text()) == statement


# Pulled to what comes later --------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("lines", "handle", "to", "text"),
    [
        (("point 0, 0", "point 40, 30"), 0, (40.3, 29.8), "point 40, 30"),
        (("point 0, 0", "line from 0, 50 to 30, 70"), 0, (15.2, 59.9), "point 15, 60"),
        (("circle centre 0, 0 radius 5", "point 6, 8"), 1, (6.2, 8.1), "circle centre 0, 0 radius 10"),
        # An end at 30 degrees on a later circle: as many digits as it takes.
        (("point 0, 0", "arc centre 100, 0 radius 30 at 30 sweep 90"), 0, (125.9, 15.2), "point 125.980762113533, 15"),
    ],
)
def test_pulled_to_a_later_figure_it_lies_there_and_says_that_it_does_not_hang_on_it(
    lines: tuple[str, ...], handle: int, to: tuple[float, float], text: str
) -> None:
    b = book(*lines)
    view = look(b, Hand(selected=(b.order[0],), pull=handle, pointer=Pointer(*to, 1.0, 0.1)))
    assert view.pull is not None
    assert view.click is not None
    assert "comes later" in view.pull.later
    said = [float(n) for n in view.click.statement.replace(",", " ").split() if n[0].isdigit()]
    assert said == pytest.approx([float(n) for n in text.replace(",", " ").split() if n[0].isdigit()], abs=1e-9)


def test_what_hangs_on_the_pulled_figure_is_no_place_to_pull_it_to() -> None:
    b = book("point 0, 0", "line from P1 direction 0 length 10", "circle centre end of L1 radius 3")
    view = look(b, Hand(selected=(b.order[0],), pull=0, pointer=Pointer(10.2, 0.1, 1.0, 0.1)))
    assert view.pull is not None
    assert view.click is not None
    assert (view.pull.later, view.click.statement) == ("", "point 10.2, 0.1")


def test_an_earlier_place_as_near_is_taken_by_its_name() -> None:
    b = book("point 40, 30", "circle centre 0, 0 radius 5", "point 40, 30")
    view = look(b, Hand(selected=(b.order[1],), pull=0, pointer=Pointer(40.2, 30.1, 1.0, 0.1)))
    assert view.pull is not None
    assert view.click is not None
    assert view.click.statement == "circle centre P1 radius 5"
