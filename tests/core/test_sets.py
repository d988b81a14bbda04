"""Repeat, group, symbols, fit: copies, their names, and what shaping a set shapes.

Coordinates of hole circles by the sine and cosine of equal parts (*published* in engineers' handbooks,
    from memory); all else is what
the contract of shaping says, and the properties of similarities.
"""

from math import cos, hypot, radians, sin
from typing import Any

import pytest

from kentrograph.core.book.scene import seen
from kentrograph.core.book.values import StepResult
from kentrograph.core.desk import intents
from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.pointer import Pointer
from kentrograph.core.figures import Circle, FigureSet, Point
from kentrograph.core.language.script import read_script, write_script
from kentrograph.core.snap.candidates import take_at
from kentrograph.core.snap.query import Query

from .support import book, figure, problem, report

HOLES = ("P1 = point 10, 20", "C1 = circle centre P1: 30, 0 radius 2", "L1 = line from 0, 0 to 60, 0", "n = 6",
         "K1 = rectangle from 0, 0 size 4, 2", "K2 = path from 0, 0 to 30, 0 to 30, 30")  # fmt: skip


def now(*lines: str) -> dict[str, Any]:
    made = report(*lines)
    assert made["problems"] == [], made["problems"]
    return made["figures"]


def centres(one: dict[str, Any]) -> list[list[float]]:
    return [piece["centre"] for piece in one["pieces"]]


@pytest.mark.parametrize(
    ("text", "expected"),
    [
        ("repeat C1 6 times about P1", [(10 + 30 * cos(radians(60 * k)), 20 + 30 * sin(radians(60 * k))) for k in range(6)]),
        ("repeat C1 n times about P1", [(10 + 30 * cos(radians(60 * k)), 20 + 30 * sin(radians(60 * k))) for k in range(6)]),
        ("repeat C1 times 3 about P1", [(10 + 30 * cos(radians(120 * k)), 20 + 30 * sin(radians(120 * k))) for k in range(3)]),
        ("repeat C1 5 times about P1 over 180", [(10 + 30 * cos(radians(45 * k)),
            20 + 30 * sin(radians(45 * k))) for k in range(5)]),
        ("repeat C1 3 times about P1 over -90", [(10 + 30 * cos(radians(-45 * k)),
            20 + 30 * sin(radians(-45 * k))) for k in range(3)]),
        ("repeat C1 3 times step 5, 1", [(40 + 5 * k, 20 + k) for k in range(3)]),
        ("repeat C1 3 times step 10 at 90", [(40, 20 + 10 * k) for k in range(3)]),
        ("repeat C1 3 by 2 step 5, 0; 0, 7", [(40 + 5 * i, 20 + 7 * j) for j in range(2) for i in range(3)]),
        ("repeat C1 4 times along L1 from C1", [(40, 20), (20, 0), (40, 0), (60, 0)]),
        ("repeat C1 1 times about P1", [(40, 20)]),
        ("repeat C1 3 times along K2", [(40, 20), (30 - 20, 40), (30 - 20, 70)]),
        ("repeat C1 3 times along K2 upright", [(40, 20), (70, 20), (70, 50)]),
    ],
)  # fmt: skip
def test_where_the_copies_lie(text: str, expected: list[tuple[float, float]]) -> None:
    made = now(*HOLES, text)["S1"]
    assert made["kind"] == "set"
    for found, wanted in zip(centres(made), expected, strict=True):
        assert found == pytest.approx(wanted, abs=1e-12)


def test_upright_copies_are_not_turned() -> None:
    made = now("L1 = line from 20, 0 to 24, 0", "repeat L1 4 times about 0, 0 upright")["S1"]["pieces"]
    assert all(p["to"][0] - p["from"][0] == pytest.approx(4) and p["to"][1] == pytest.approx(p["from"][1]) for p in made)
    turned = now("L1 = line from 20, 0 to 24, 0", "repeat L1 4 times about 0, 0")["S1"]["pieces"]
    assert turned[1]["to"] == pytest.approx([0, 24])


@pytest.mark.parametrize(
    ("text", "kind"),
    [
        ("repeat C1", "needs_given"), ("repeat C1 6 times", "needs_given"), ("repeat C1 2.5 times about P1", "bad_count"),
        ("repeat C1 0 times about P1", "bad_count"), ("repeat C1 1e6 times about P1", "bad_count"),
        ("repeat n 3 times about P1", "not_shaped"),
        ("repeat C1 3 by 2 step 5, 0", "steps_and_rows"), ("repeat C1 3 times step 5, 0; 0, 5", "steps_and_rows"),
        ("repeat C1 3 by 2 about P1", "only_in_rows"), ("repeat C1 3 times along L1 about P1", "too_many_givens"),
        ("repeat C1 300 by 300 step 1, 0; 0, 1", "bad_count"), ("repeat C1 3 times along P1", "no_length"),
        ("A1 A2 = repeat C1 3 times about P1", "too_many_names"), ("group C1 C1", "named_twice"), ("group n", "not_shaped"),
        ("group", "needs_given"), ("fit C1 from P1; P1 to 0, 0; 1, 1", "same_places"), ("fit C1 from P1; 0, 0", "needs_given"),
        ("point centre of copy 2 of C1", "no_such_copy"), ("place C1 at 0, 0", "no_symbol"),
        ("point centre of C1.C2", "no_such_member"),
    ],
)  # fmt: skip
def test_what_cannot_be_repeated_says_why(text: str, kind: str) -> None:
    assert problem(*HOLES, text)["kind"] == kind


def test_members_are_figures_anywhere() -> None:
    made = now(
        *HOLES, "repeat C1 3 by 2 step 5, 0; 0, 7", "P2 = point centre of copy 3, 2 of S1", "P3 = point centre of copy 6 of S1",
        "circle centre copy 2 of S1 radius (copy 2 of S1).r + 1", "trim copy 1 of S1 from 42, 20 to 40, 22",
    )  # fmt: skip
    assert made["P2"]["at"] == made["P3"]["at"] == [50, 27]
    assert made["C2"]["radius"] == 3


def test_what_cannot_be_shaped_by_part_says_so() -> None:
    made = report(*HOLES, "repeat C1 3 times step 5, 0", "point centre of copy 4 of S1", "point centre of copy 1, 2 of S1")
    assert [p["message"] for p in made["problems"]] == ["S1 has the copies 1 to 3", "S1 has the copies 1 to 3"]


def test_shaping_a_set_shapes_what_it_was_made_of() -> None:
    b = book(*HOLES, "repeat C1 3 times step 5, 0", "move S1 by 0, 100", "P2 = point C1")
    assert figure(b, "P2") == Point(40.0, 120.0)
    # It is seen in the set, and not twice.
    assert [seen(b, id) for id in b.order if b.steps[id].name != "n"][:5] == [True, False, True, True, True]
    assert [seen(b, one) for one, _, _ in b.figures_of("s8")] == [True, False]
    b = book(*HOLES, "repeat C1 3 times step 5, 0", "copy S1 by 0, 100", "P2 = point C1", "move S2 by 1, 0", "P3 = point C1")
    assert figure(b, "P2") == figure(b, "P3") == Point(40.0, 20.0)


def test_a_group_is_its_figures() -> None:
    b = book(
        *HOLES,
        "G1 = group C1 K1",
        "G2 = group C1 L1",
        "move G1 by 0, 100",
        "move G2 by 0, 1000",
        "P2 = point C1",
        "P3 = point start of K1",
    )
    assert figure(b, "P2") == Point(40.0, 1120.0)
    assert figure(b, "P3") == Point(0.0, 100.0)
    assert not seen(b, "s7")
    after, inverse = b.edited(intents.mend(b, "s7", "G1 = group K1")[0])
    assert figure(after, "P2") == Point(40.0, 1020.0)
    assert after.edited(inverse)[0].values == b.values
    again = write_script(b)
    assert [s.name for s in read_script(again).steps] == [b.steps[id].name for id in b.order]


def test_members_are_taken_near_the_pointer() -> None:
    b = book(*HOLES, "repeat C1 3 times step 15, 0", "move S1 by 0, 100")
    assert "centre of copy 3 of S1" in [c.words for c in take_at(b, Query(70.0, 120.0, 0.5))]
    assert take_at(b, Query(70.0, 20.0, 0.5)) == []


def test_ten_thousand_members() -> None:
    made = figure(book("C1 = circle centre 0, 0 radius 1", "repeat C1 100 by 100 step 3, 0; 0, 3"), "S1")
    assert isinstance(made, FigureSet)
    assert made.copy(100, 100) == Circle(Point(297.0, 297.0), 1.0)


# Fitting ------------------------------------------------------------------------------------------------


def test_fit_lands_and_points_and_only_scaled_grows() -> None:
    lines = ("L1 = line from 1, 1 to 4, 5", "C1 = circle centre 4, 5 radius 2", "fit L1 C1 from 1, 1; 4, 5 to 100, 0; 100, 50{}")
    made = now(*(line.format("") for line in lines))
    assert (made["L1"]["from"], made["L1"]["to"]) == (pytest.approx([100, 0]), pytest.approx([100, 5]))
    assert made["C1"]["radius"] == 2
    grown = now(*(line.format(" scaled") for line in lines))
    assert grown["L1"]["to"] == pytest.approx([100, 50])
    assert grown["C1"]["radius"] == pytest.approx(20)
    kept = now(*(line.format(" keeping") for line in lines))
    assert kept["L1"]["from"] == [1, 1]
    assert kept["L2"]["from"] == pytest.approx([100, 0])


def test_fit_and_back_is_where_it_was() -> None:
    made = now(
        "K1 = path from 0, 0 to 9, 0 curve to 9, 5 close", "fit K1 from 0, 0; 9, 0 to 3, 4; -2, 8 scaled",
        "fit K1 from 3, 4; -2, 8 to 0, 0; 9, 0 scaled",
    )["K1"]  # fmt: skip
    assert made["pieces"][0]["to"] == pytest.approx([9, 0])
    assert made["pieces"][1]["radius"] == pytest.approx(2.5)


# Symbols ------------------------------------------------------------------------------------------------

BOLT = (
    "symbol bolt",
    "  C1 = circle centre 0, 0 radius 4",
    "  # its head",
    "  K1 = polygon centre C1 sides 6 across flats 10",
    "end symbol",
)


def test_a_symbol_is_placed_turned_and_scaled() -> None:
    made = now(
        *BOLT, "place bolt at 50, 20 turned 90 scale 2", "P1 = point corner 1 of S1.K1", "r0 = S1.C1.r", "measure area S1.K1"
    )
    assert made["S1"]["pieces"][0] == {"kind": "circle", "centre": [50, 20], "radius": 8, "name": "c1"}
    assert made["P1"]["at"] == pytest.approx([50, 20 + 2 * 5 / cos(radians(30))])
    assert made["r0"]["value"] == 8


def test_symbols_stand_in_symbols_and_in_units_of_their_own() -> None:
    made = now(
        *BOLT, "symbol pair", "  place bolt at 0, 0", "  place bolt at 20, 0", "end symbol", "place pair at 100, 0",
            "P1 = point S1.S2.C1",
        "symbol inch", "  unit in", "  C1 = circle centre 0, 0 radius 1", "end symbol", "place inch at 0, 0", "r0 = S2.C1.r",
    )  # fmt: skip
    assert made["P1"]["at"] == [120, 0]
    assert made["r0"]["value"] == pytest.approx(25.4)
    assert hypot(*made["P1"]["at"]) == 120


@pytest.mark.parametrize(
    ("lines", "kind", "says"),
    [
        (("symbol a", "  circle centre 3", "end symbol"), "in_symbol", "line 2 of the symbol"),
        (("symbol a", "  # nothing", "end symbol"), "empty_symbol", "draws nothing"),
        (("symbol a", "  C1 = circle centre 0, 0 radius 1"), "unfinished", "end symbol"),
        (("symbol a", "  place a at 0, 0", "end symbol"), "unknown_name", "no a before"),
        (("symbol line", "  C1 = circle centre 0, 0 radius 1", "end symbol"), "bad_name", "word of the language"),
    ],
)
def test_symbols_that_are_none_say_why(lines: tuple[str, ...], kind: str, says: str) -> None:
    found = problem(*lines)
    assert found["kind"] == kind
    assert says in found["message"]


def test_a_symbol_reads_back_and_is_renamed_within_others() -> None:
    b = book(*BOLT, "symbol pair", "  place bolt at 0, 0", "end symbol", "place pair at 9, 9")
    text = write_script(b)
    again = read_script(text)
    assert [s.statement.text for s in again.steps] == [b.steps[id].statement.text for id in b.order]
    assert write_script(book(*text.splitlines())) == text


def test_old_names_that_are_words_now_still_stand() -> None:
    made = now(
        "keep = 4",
        "step = 3",
        "over = line from 0, 0 to keep, step",
        "round = circle centre 0, 0 radius keep + step",
    )
    assert made["round"]["radius"] == 7


@pytest.mark.parametrize(
    "kind", ["line", "circle", "point", "trim", "offset", "fillet", "move", "measure distance", "measure area"]
)
def test_pointing_at_members_works_like_pointing_at_figures(kind: str) -> None:
    """Wherever the pointer rests over sets, symbols and several results of one step: what a click writes can be written."""
    b = book(
        *HOLES, "S1 = repeat C1 6 times about P1", "S2 = repeat L1 K1 3 times about 30, 0", *BOLT, "place bolt at 0, 40",
        "trim L1 from 20, 0 to 30, 0", "axis1 = line from 10, 20 to 60, 20", "S8 = repeat axis1 4 times about P1",
    )  # fmt: skip
    at = [
        Point(x, y) for x, y in ((40, 20), (10, 50), (25, 46), (10, 20), (-20, 20), (4, 40), (0, 40), (30, 0), (15, 0), (31, 31))
    ]
    passed: tuple[str, ...] = ()
    for n, place in enumerate(at):
        hand = Hand(draft=Draft(kind), pointer=Pointer(place.x + 0.3, place.y - 0.2, 3.0, 0.1, passed=passed), aimed=True)
        view = look(b, hand)
        found = take_at(b, Query(place.x, place.y, 3.0, 0.1))
        if found:
            passed = (*passed[-2:], found[0].words)
        if view.click is not None and view.click.do == "write" and view.click.statement:
            edit, _ = intents.write(b, view.click.statement, f"n{n}")
            assert isinstance(b.edited(edit)[0].values[f"n{n}"], StepResult)
