"""What may stand next, from the tables and the parser themselves."""

import pytest

from kentrograph.core.desk.completion import complete

from .support import book

DRAWING = ("post = circle centre 0, 0 radius 5", "L1 = line from 0, 0 to 100, 0", "a = 45")

CASES = [
    ("ci", ["circle"], "first letters of a kind"),
    ("measure a", ["angle", "area"], "first letters of a reading"),
    ("line ", ["from", "to", "through"], "givens of a line"),
    ("line from cro", ["crossing of"], "a word for a place"),
    ("line from ", ["post", "start of"], "a place: names that stand for one, then words"),
    ("point cro", ["crossing of"], "a point's place needs no word in front"),
    ("circle centre 0, 0 d", ["diameter"], "a given that goes on as typed"),
    ("circle centre 0, 0 radius ", ["a"], "a named number where a number is wanted"),
    ("point crossing of L1 ", ["L1", "post"], "any figure, the latest first"),
    ("arc from 0,0 to 9,0 radius 30 ", ["left", "right", "major", "via"], "side words of the last given, then givens"),
    ("measure distance L1 post ", ["wanted", "within"], "what a reading is compared with"),
    ("a = post.", ["x", "y"], "parts of a figure"),
    ("circle centre 0, 0", [], "in the middle of a number nothing is offered"),
    ("line from 0, 0 }", [], "nor behind what cannot be read"),
]


@pytest.mark.parametrize(("text", "first", "why"), CASES, ids=[c[2] for c in CASES])
def test_completion(text: str, first: list[str], why: str) -> None:
    words = [c.word for c in complete(book(*DRAWING), text)]
    if first:
        assert [w for w in words if w in first] == first, words
    else:
        assert words == []
    assert all(c.explanation for c in complete(book(*DRAWING), text))
