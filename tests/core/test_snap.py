"""Places under the pointer in words: drawing, pointer, the likeliest first; each taken place lies where its words say."""

from math import hypot, sqrt

import pytest

from kentrograph.core.language import intents
from kentrograph.core.snap.candidates import within_reach

from .support import book, figure

DRAWING = (
    "P1 = point 60, 60", "L1 = line from 0, 0 to 100, 0", "L2 = line from 50, -40 to 50, 40", 
    "C1 = circle centre 50, 0 radius 30",
    "A1 = arc centre 150, 0 from 180, 0 sweep 90", "L3 = line from 300, 0 to 300.4, 30", "L4 = line from 296, 10 to 305, 10",
)  # fmt: skip

# The pointer, how far it reaches, the words expected in their order, and why.
CASES = [
    ((60.5, 60.2), 2.0, ["P1"], "a point mark"),
    ((0.4, 0.3), 2.0, ["start of L1"], "an end"),
    ((50.3, 0.2), 2.0, ["centre of C1", "crossing of L1 L2", "middle of L2", "middle of L1"], "all in one spot, centre first"),
    ((80.2, 0.1), 2.0, ["crossing of L1 C1 leaving", "on C1 at 0"], "a crossing before the quarter point in the same spot"),
    ((50.1, 29.8), 2.0, ["crossing of L2 C1 leaving", "on C1 at 90"], "the way a line runs tells its two crossings apart"),
    ((150.2, 30.1), 2.0, ["end of A1", "on A1 at 90"], "an arc's end before its quarter point"),
    ((150.0, -30.0), 2.0, [], "a quarter point that is not drawn"),
    ((20.0, 0.0), 2.0, ["crossing of L1 C1 entering", "on C1 at 180"], "where a line enters"),
    ((300.2, 10.1), 1.5, ["crossing of L3 L4", "middle of L4"], "a crossing before the middle beside it"),
    ((10.0, 50.0), 2.0, [], "nothing within reach is no error"),
]  # fmt: skip


@pytest.mark.parametrize(("pointer", "reach", "words", "why"), CASES)
def test_what_is_taken(pointer: tuple[float, float], reach: float, words: list[str], why: str) -> None:
    made = book(*DRAWING)
    found = within_reach(made, *pointer, reach)
    assert [c.words for c in found if c.kind != "middle"] == [w for w in words if not w.startswith("middle")], why
    assert {c.words for c in found} == set(words), why


def test_taken_places_lie_where_their_words_say() -> None:
    made = book(*DRAWING)
    for x in range(-5, 310, 3):
        for y in range(-45, 65, 3):
            for one in within_reach(made, x, y, 4.0):
                at = figure(book(*DRAWING, f"Q_ = point {one.words}"), "Q_")
                assert hypot(at.x - one.at.x, at.y - one.at.y) < 1e-12 * 300, one
                assert hypot(one.at.x - x, one.at.y - y) <= 4.0


def test_directions_are_those_that_the_drawing_counts() -> None:
    made = book("angles north clockwise", "C1 = circle centre 0, 0 radius 10")
    assert [c.words for c in within_reach(made, 10, 0, 1)] == ["on C1 at 90"]
    assert [c.words for c in within_reach(made, 0, 10, 1)] == ["on C1 at 0"]


def test_words_follow_a_change_of_the_angles() -> None:
    made = book("C1 = circle centre 0, 0 radius 10")
    assert [c.words for c in within_reach(made, 10, 0, 1)] == ["on C1 at 0"]
    edit, _ = intents.write(made, "angles north clockwise", "h")
    after, _ = made.edited(edit)
    assert [c.words for c in within_reach(after, 10, 0, 1)] == ["on C1 at 90"]
    assert [c.words for c in within_reach(made, 10, 0, 1)] == ["on C1 at 0"]


def test_a_place_follows_its_figures() -> None:
    # What was taken is stored, not where it was: x = sqrt(r² - y²) for a line at height y.
    for r in (30, 45):
        made = book(f"C1 = circle centre 0, 0 radius {r}", "L1 = line from -90, 12 to 90, 12", "point crossing of C1 L1 leaving")
        assert figure(made, "P1").x == pytest.approx(sqrt(r * r - 144), rel=1e-14)
