"""Relative words come from a click only where the drafter asked for them, and can see that.

A tie to a place is asked for by a word, by resting on the place, by the key that holds level and plumb, or within one figure,
where the sight line is lit. *Common practice*: a place that was clicked is not tied to a figure that happened to be drawn before.
"""

import re
from dataclasses import replace
from random import Random

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.pointer import Pointer, Snapping
from kentrograph.core.desk.view_types import LineView
from tools.examples import DRAWING

from .support import book
from .test_shown_is_written import KINDS, pointer

RELATIVE = re.compile(r"(?:^| )\+ |\((?:level|plumb|direction [-\d.]+)\)|\b(?:foot|touch) on ")
FROM_THE_LAST = ("foot", "touch")


@pytest.fixture(scope="module")
def drawing() -> Book:
    return book("decimals 9", *DRAWING)


def ties(view: LineView) -> list[str]:
    return [row for row in view.picks if RELATIVE.search(row)]


@pytest.mark.parametrize("kind", KINDS)
def test_nothing_is_tied_to_the_step_before(drawing: Book, kind: str) -> None:
    dice = Random(kind)
    last = drawing.last_place()
    for n in range(60):
        at = replace(pointer(dice), level=False)
        if n % 3 == 0:
            # A hair beside level, plumb, or a direction step of the last place.
            at = replace(at, x=last.x + dice.uniform(-0.4, 0.4), snapping=Snapping(turn=15.0))
        view = look(drawing, Hand(draft=Draft(kind), pointer=at, aimed=True))
        assert not ties(view), (at, view.picks)


@pytest.mark.parametrize("rows", [("line", "from 5, 5"), ("path", "from 5, 5"), ("arc", "centre 5, 5")])
def test_within_a_figure_the_sight_line_of_what_is_taken_is_lit(drawing: Book, rows: tuple[str, str]) -> None:
    kind, first = rows
    dice = Random(kind)
    tied = 0
    for n in range(80):
        at = replace(pointer(dice), level=False, swing=False)
        if n % 2 == 0:
            at = replace(at, y=5.0 + dice.uniform(-0.3, 0.3))
        view = look(drawing, Hand(draft=Draft(kind, (first,)), pointer=at, aimed=True))
        picked = view.picks[view.picked] if view.picks else ""
        if RELATIVE.search(picked) and view.tag is not None and view.tag.kind not in FROM_THE_LAST:
            tied += 1
            assert view.tag.sights, (at, picked)
    assert tied > 5


def test_a_place_rested_on_and_a_key_held_ask_for_it() -> None:
    b = book("point 60, 60", "circle centre 0, 0 radius 5")
    over = Pointer(30.0, 60.3, 2.0, 0.2)
    shown = {
        "nothing asked": look(b, Hand(draft=Draft("point"), pointer=over)),
        "rested on": look(b, Hand(draft=Draft("point"), pointer=replace(over, passed=("P1",)))),
        "key held": look(b, Hand(draft=Draft("point"), pointer=Pointer(30.0, 0.3, 2.0, 0.2, level=True))),
    }
    assert {how: view.picks[view.picked] for how, view in shown.items()} == {
        "nothing asked": "30, 60.3",
        "rested on": "30, P1.y",
        "key held": "+ 30 at 0",
    }


@pytest.mark.parametrize(
    ("kind", "rows", "expected"),
    [
        ("line", ("from 5, 5",), "to + 20 at 0"),
        ("arc", ("centre 5, 5",), "from + 20 at 0"),
        ("circle", ("centre 5, 5",), "through + 20 at 0"),
        ("circle", ("through 5, 5",), "through + 20 at 0"),
        ("path", ("from 5, 5",), "+ 20 at 0"),
        ("measure distance", ("5, 5",), "+ 20 at 0"),
    ],
)
def test_the_key_that_holds_level_does_so_in_every_kind(kind: str, rows: tuple[str, ...], expected: str) -> None:
    view = look(book(), Hand(draft=Draft(kind, rows), pointer=Pointer(25.0, 6.0, 2.0, 0.5, level=True)))
    assert view.picks[view.picked].removeprefix("to ") == expected.removeprefix("to "), view.picks
