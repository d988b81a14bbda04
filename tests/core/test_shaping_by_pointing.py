"""Shaping at the table: brushes, strokes, carrying, and verbs by pointing alone. What is shown is what is then written."""

from random import Random
from typing import Any

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.desk import intents
from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.hand import Carried, Hand
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.pointer import Pointer, Snapping
from kentrograph.core.language.report import figure_data
from kentrograph.core.snap.select import Way, alike

from .support import book, problem

CROSS = (
    "pencil C1 = circle centre 0, 0 radius 10",
    "pencil L1 = line from -20, 0 to 20, 0",
    "pencil L2 = line from 0, -20 to 0, 20",
)
PLATE = (
    "K1 = path from 0, 0 to 60, 0 to 60, 40 to 0, 40 close",
    "L1 = line from 80, 0 to 140, 0",
    "L2 = line from 100, -10 to 100, 60",
    "C1 = circle centre 170, 10 radius 20",
    "A1 = arc centre 30, 80 from + 20, 0 sweep 120",
)
At = tuple[float, float]


def pointer(at: At, whole: bool = False, ink_only: bool = False) -> Pointer:
    return Pointer(*at, 1.0, 0.1, whole, snapping=Snapping(ink_only=ink_only))


def stroke(made: Book, kind: str, *path: At, whole: bool = False, ink_only: bool = False) -> Any:
    view = look(made, Hand(draft=Draft(kind), pointer=pointer(path[-1], whole, ink_only), stroke=path))
    assert view.brush is not None
    return view.brush


def written(made: Book, brush: Any, id: str = "n") -> Book:
    return made.edited(intents.write_all(made, brush.entries, id)[0])[0]


@pytest.mark.parametrize(
    ("kind", "path", "texts"),
    [
        ("ink", [(7.1, 7.1)], ["ink C1 from crossing of C1 L1 leaving to crossing of C1 L2 leaving"]),
        ("trim", [(7.1, -7.1)], ["trim C1 from crossing of C1 L2 entering to crossing of C1 L1 leaving"]),
        ("ink", [(15, 0.5)], ["ink L1 from crossing of L1 C1 leaving to end"]),
        ("ink", [(13, 13)], []),
        (
            "trim",
            [(-3, 15), (3, 15), (12, 12), (15, -2)],
            ["trim L2 from crossing of L2 C1 leaving to end", "trim L1 from crossing of L1 C1 leaving to end"],
        ),
        # Each on the drawing as the one before it leaves it.
        (
            "trim",
            [(7.1, 7.1), (5, 2), (5, -2)],
            [
                "trim C1 from crossing of C1 L1 leaving to crossing of C1 L2 leaving",
                "trim L1 from crossing of L1 L2 to crossing of L1 C1 leaving",
            ],
        ),
    ],
)
def test_what_a_stroke_goes_over(kind: str, path: list[At], texts: list[str]) -> None:
    """By hand."""
    assert [one.text for one in stroke(book(*CROSS), kind, *path).entries] == texts


@pytest.mark.parametrize("kind", ["ink", "trim"])
@pytest.mark.parametrize("seed", range(25))
def test_what_a_stroke_shows_is_what_it_writes(kind: str, seed: int) -> None:
    """Property: for random strokes over random lines and circles the stretches shown are those inked; of what is trimmed nothing
    of it is left. Hand at step by step, as a pointer goes, it comes to the same as at once."""
    dice = Random(seed)

    def at() -> At:
        return round(dice.uniform(-30, 30), 1), round(dice.uniform(-30, 30), 1)

    lines = [f"pencil line from {x}, {y} to {u}, {v}" for (x, y), (u, v) in ((at(), at()) for _ in range(5))]
    lines += [f"pencil circle centre {x}, {y} radius {dice.randint(4, 20)}" for x, y in (at() for _ in range(3))]
    made, path = book(*lines), tuple(at() for _ in range(4))
    for n in range(1, len(path)):
        stroke(made, kind, *path[:n])
    brush = stroke(made, kind, *path)
    assert brush == stroke(book(*lines), kind, *path)
    if not brush.entries:
        return
    after = written(made, brush)
    assert after.evaluated_anew().values == after.values
    if kind == "ink":
        inked = [figure_data(after.figure_of(id)) for id in after.order[len(made.order) :]]
        assert inked == brush.stretches
    else:
        again = stroke(after, kind, *path)
        assert not any(one in again.stretches for one in brush.stretches)


def test_a_stroke_is_one_change_and_comes_back_as_one() -> None:
    made = book(*CROSS)
    edit, label = intents.write_all(made, stroke(made, "ink", (9, 4), (4, 9), (-4, 9)).entries, "n")
    after, inverse = made.edited(edit)
    assert label == "ink of 2 stretches"
    assert after.edited(inverse)[0].values == made.values


def test_whole_figures() -> None:
    made = book(*CROSS)
    assert [e.text for e in stroke(made, "ink", (7.1, 7.1), whole=True).entries] == ["ink C1"]
    gone = stroke(made, "trim", (7.1, 7.1), whole=True)
    assert [e.away for e in gone.entries] == ["C1"]
    # It bounds others, but no step needs it: it is struck.
    assert len(written(made, gone).order) == 2
    # What came of shaping goes without bringing back what it was shaped from.
    cut = book(*CROSS, "trim C1 from crossing of C1 L1 leaving to crossing of C1 L2 leaving")
    rest = written(cut, stroke(cut, "trim", (-7.1, 7.1), whole=True))
    assert rest.steps[rest.order[-1]].statement.text == "hide C1"


def test_what_is_inked_is_not_inked_twice_and_what_is_hidden_does_not_cut() -> None:
    made = book(*CROSS)
    once = written(made, stroke(made, "ink", (7.1, 7.1)))
    assert stroke(once, "ink", (7.1, 7.1)).why == "C1 is in ink there already."
    # Trimming takes the ink that lies on the pencil; with pencil out of sight nothing of it cuts.
    assert [(e.text, e.away) for e in stroke(once, "trim", (7.1, 7.1)).entries] == [("", "A1")]
    assert stroke(once, "trim", (-7.1, -7.1), ink_only=True).entries == ()
    apart = book(*CROSS, "hide L2")
    assert [e.text for e in stroke(apart, "ink", (7.1, 7.1)).entries] == [
        "ink C1 from crossing of C1 L1 leaving to crossing of C1 L1 entering"
    ]


def test_pieces_inked_end_to_end_offer_to_be_joined() -> None:
    made = book(*CROSS)
    made = written(made, stroke(made, "ink", (7.1, 7.1), (2, 5), (-2, 5)))
    made = written(made, stroke(made, "ink", (5, 0.2)), "m")
    view = look(made, Hand(draft=Draft("ink")))
    assert view.enter.statement == "join A1 L3 L4"
    assert view.hint == "A1, L3 and L4 meet end to end all round: Enter joins them."


def test_where_nothing_is_the_tag_says_so() -> None:
    for made in (book("point 0, 0"), book(*CROSS)):
        assert (stroke(made, "trim", (15, 15)).entries, stroke(made, "trim", (15, 15)).why) == (
            (),
            "There is nothing to trim here.",
        )
    # Once something was met, nothing is missed any more.
    assert stroke(book(*CROSS), "ink", (15, 15), (5, 5)).why == ""


def test_ink_is_a_verb_for_whatever_is_only_begun_behind_a_figure() -> None:
    line = look(book(*CROSS), Hand(draft=Draft("ink"), text="C1 fro"))
    assert (line.enter.do, line.enter.statement) == ("type", "C1 from ")
    # A kind that was mistyped behind the pen is still told as such.
    assert problem("ink cirle centre 0, 0 radius 5")["message"].startswith("“cirle” is no word")


def test_an_endless_line_is_bounded_by_what_crosses_it() -> None:
    made = book("L1 = line through 0, 0; 1, 0", "C1 = circle centre 10, 0 radius 4")
    assert [e.text for e in stroke(made, "ink", (10, 0.3)).entries] == [
        "ink L1 from crossing of L1 C1 entering to crossing of L1 C1 leaving"
    ]
    # Beyond the last crossing nothing bounds it on that side.
    beyond = stroke(made, "ink", (30, 0.3))
    assert beyond.entries == ()
    assert beyond.why != ""


# Carrying ---------------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("names", "start", "end", "copied", "level", "text"),
    [
        (["K1"], (30.2, 20.1), (170.3, 10.2), False, False, "move K1 from middle of K1 to centre of C1"),
        (["K1"], (30.2, 20.1), (170.3, 10.2), True, False, "copy K1 from middle of K1 to centre of C1"),
        (["K1"], (60.1, 40.1), (70, 70), False, False, "move K1 from corner 3 of K1 to 70, 70"),
        (["L2", "K1"], (25, 0.2), (35, 30.2), False, False, "move K1 L2 by 10, 30"),
        (["K1"], (30.2, 20.1), (170.3, 10.2), False, True, "move K1 by 140, 0"),
    ],
)
def test_carried_from_place_to_place(names: list[str], start: At, end: At, copied: bool, level: bool, text: str) -> None:
    made = book(*PLATE)
    ids = tuple(id for id in made.order if made.steps[id].name in names)
    asked = Hand(pointer=pointer(end, level), carry=Carried(figures=ids, x=start[0], y=start[1], copied=copied))
    view = look(made, asked)
    found, click = view.carry, view.click
    assert found is not None
    assert click is not None
    assert click.statement == text
    # It lies where it was shown: by as much as the two places are apart.
    after, _ = made.edited(intents.write(made, text, "n")[0])
    before, now = made.figure_of(ids[0]), after.figure_of("n")
    assert now.start.x - before.start.x == pytest.approx(found.end[0] - found.start[0], abs=1e-12)
    assert now.start.y - before.start.y == pytest.approx(found.end[1] - found.start[1], abs=1e-12)


# Verbs by pointing alone ------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("kind", "does", "text"),
    [
        ("offset", [(60, 20), "5", (50, 20)], "offset K1 by 5 inside"),
        ("offset", [(60, 20), (67, 20)], "offset K1 by 7 outside"),
        ("offset", [(170, 30), (170, 18)], "offset C1 by 12 inside"),
        ("offset", [(120, 0), "5", (120, 3)], "offset L1 by 5 left"),
        ("fillet", [(60, 40), "5"], "fillet corner 3 of K1 radius 5"),
        ("fillet", [(60, 20), "3"], "fillet K1 radius 3"),
        ("fillet", [(120, 0), (100, 30), "5", (104, 4)], "fillet L1 left L2 right radius 5"),
        ("fillet", [(120, 0), (100, 30), "5", (98.5, 1.5)], "fillet L1 left L2 left radius 5"),
        ("chamfer", [(60, 0), "4"], "chamfer corner 2 of K1 by 4"),
        ("chamfer", [(120, 0), (100, 30), "5", (104, 2)], "chamfer L1 left L2 right by 5"),
        ("split", [(100, 0)], "split L2 at crossing of L1 L2"),
        ("split", [(113, 0), (127, 0.2)], "split L1 at nearest to 127, 0.2 on L1"),
        ("extend", [(137, 0.2), (153.5, 0.5)], "extend L1 end to C1 entering"),
        ("extend", [(82, 0.2), (60, 12)], "extend L1 start to edge 2 of K1"),
        ("extend", [(137, 0.2), "12"], "extend L1 end by 12"),
        ("whole", [(30, 100)], "whole A1"),
        ("turn", [(60, 12), (100, 0), "30"], "turn K1 about crossing of L1 L2 by 30"),
        ("mirror", [(60, 12), (100, 30)], "mirror K1 in L2"),
        ("scale", [(60, 12), (0, 0), "2"], "scale K1 about corner 1 of K1 by 2"),
        ("move", [(60, 12), "40, 0"], "move K1 by 40, 0"),
        ("move", [(60, 12), (0, 0), (100, 0)], "move K1 from corner 1 of K1 to crossing of L1 L2"),
    ],
)
def test_by_pointing_alone(kind: str, does: list[At | str], text: str) -> None:
    """Each click states something; a number is typed bare, and taken with the pointer where the last click was."""
    made, draft, typed, at = book(*PLATE), Draft(kind), "", (200.0, 200.0)
    for n, one in enumerate(does):
        typed, at = (one, at) if isinstance(one, str) else (typed, one)
        if isinstance(one, str) and n + 1 < len(does):
            # A click follows: it takes what is typed on the side where it is.
            continue
        view = look(made, Hand(draft=draft, text=typed, pointer=pointer(at), aimed=True))
        taken = view.enter if isinstance(one, str) else view.click or view.enter
        assert taken.do in ("given", "write"), (one, view.problem, view.hint)
        if n + 1 == len(does):
            assert (taken.do, taken.statement) == ("write", text)
            intents.write(made, taken.statement, "n")
        assert taken.draft is not None
        draft, typed = taken.draft, ""


@pytest.mark.parametrize(
    ("way", "ids"),
    [
        ("together", ["L1", "L2"]), ("like", ["L1", "L2"]), ("pen", ["K1", "L1", "L2", "C1", "A1"]), ("step", ["L1"]),
        ("group", ["K1", "L1", "C1"]), ("inside", ["L1"]), ("everything", ["K1", "L1", "L2", "C1", "A1"]),
    ],
)  # fmt: skip
def test_what_is_selected_with_a_figure(way: Way, ids: list[str]) -> None:
    made = book(*PLATE, "L3 = line from 100, 0 to 140, 0", "hide L3", "G1 = group L1 C1", "G2 = group G1 K1")
    l1 = next(id for id in made.order if made.steps[id].name == "L1")
    found = [made.name_of(id) for id in alike(made, l1, way)]
    assert found == (ids if way != "together" else found)
    assert "L1" in found


@pytest.mark.parametrize(
    ("kind", "rows", "typed", "offered"),
    [
        ("fillet", ("corner 3 of K1",), "50", "radius 40"),  # by hand: as far as the shorter side
        ("fillet", ("K1",), "70", "radius 40"),
        ("chamfer", ("corner 2 of K1",), "90", "by 40"),
        ("offset", ("K1",), "by 50 inside", "by 19.9 inside"),  # 20 is half of the shorter side: nothing is left of it
        ("fillet", ("corner 2 of K2",), "50", "radius 17.3205"),  # an equilateral corner, side 30: 30 tan 30
    ],
)
def test_the_greatest_that_fits_is_offered(kind: str, rows: tuple[str, ...], typed: str, offered: str) -> None:
    made = book(*PLATE, "K2 = polygon centre 300, 0 sides 3 radius 17.320508075688775")
    view = look(made, Hand(draft=Draft(kind, rows), text=typed))
    assert view.problem is not None
    assert view.problem.suggested == offered
    better = look(made, Hand(draft=Draft(kind, rows), text=offered))
    assert better.enter.do == "write"


def test_what_lies_inside_a_figure() -> None:
    made = book(
        "K1 = rectangle from 0, 0 size 60, 40", "C1 = circle centre 10, 10 radius 5", "C2 = circle centre 55, 10 radius 9",
        "L1 = line from 5, 30 to 50, 30", "P1 = point 30, 20", "P2 = point 90, 20", "E1 = ellipse centre 30, 20 axes 8, 4",
    )  # fmt: skip
    assert [made.name_of(id) for id in alike(made, made.order[0], "inside")] == ["K1", "C1", "L1", "P1", "E1"]


@pytest.mark.parametrize(
    ("at", "told"),
    [
        ((60, 13), ("edge 2 of K1: length 40.000 mm · direction 90°", "K1: area 2400.000 mm² · perimeter 200.000 mm")),
        ((60, 40), ("corner of 90°", "K1: area 2400.000 mm² · perimeter 200.000 mm")),
        ((120, 0.3), ("length 60.000 mm · direction 0°",)),
        ((170, 30), ("radius 20.000 mm · area 1256.637 mm²",)),
        ((30, 100.2), ("radius 20.000 mm · length 41.888 mm · sweep 120°",)),
        ((300, 300), ()),
    ],
)
def test_what_lies_under_the_pointer_tells_its_measures(at: At, told: tuple[str, ...]) -> None:
    """By hand: 60 by 40, pi 20², 120° of a radius of 20."""
    view = look(book(*PLATE), Hand(pointer=pointer(at), aimed=True))
    assert view.tag is not None
    assert view.tag.told == told
    # While something is written the tag says what is taken, and nothing else.
    busy = look(book(*PLATE), Hand(draft=Draft("line"), pointer=pointer(at), aimed=True))
    assert busy.tag is None or busy.tag.told == ()
