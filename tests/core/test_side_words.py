"""Taking a solution in words, and what a click states."""

from math import hypot

import pytest

from kentrograph.core.book.values import StepResult
from kentrograph.core.desk import intents
from kentrograph.core.desk.desk import Desk
from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.picks import picks, under_pointer
from kentrograph.core.desk.pointer import Pointer
from kentrograph.core.desk.side_words import worded

from .support import book
from .test_touching_values import GROUND

SEVERAL = [
    "circle touching C1 C2 radius 60", "circle touching L1 C1 C2", "circle touching C1 C3 L1",
    "line touching C1 C2",
    "line from P2 touching C1", "line touching C1 parallel L1", "arc from P1 to P2 radius 35 left", "point crossing of L1 C1",
    "circle through P1 P2 radius 30", "fillet L1 C1 radius 6", "arc touching C1 C2 radius 60",
    "arc from P2 touching C2 radius 70",
    "arc touching C1 to P2 radius 25", "arc continuing L1 touching C2", "circle touching L1 at nearest to P1 on L1 radius 12",
    "circle centre on L1 touching C1 C2", "circle centre P2 touching C1", "point 20 from P1; 30 from P2",
    "circle at P1 direction 30 radius 4", "circle touching C1 through P2 radius 40", "line parallel L1 distance 4",
]  # fmt: skip


@pytest.mark.parametrize("text", SEVERAL)
def test_every_solution_can_be_taken_in_words(text: str) -> None:
    """Written into the statement and read again it is the same figure; taken by number it is stored in words."""
    made = book(*GROUND, f"T = {text}")
    id, index = made.order[-1], len(made.order) - 1
    value = made.values[id]
    assert isinstance(value, StepResult)
    assert len(value.solutions) > 1
    for which, solution in enumerate(value.solutions):
        said = worded(made, made.steps[id], value, which, index)
        assert "solution" not in said
        again = book(*GROUND, said).values[id]
        assert isinstance(again, StepResult)
        assert again.figure == solution.figure
    edit, _ = intents.mend(made, id, f"{text.split(' left')[0]} solution 2")
    after, _ = made.edited(edit)
    assert "solution" not in after.steps[id].statement.text
    assert after.values[id].chosen_index == 1  # type: ignore[union-attr]


# The pointer at a place; the figure begun and its rows; the rows offered, likeliest first.
CLICKS = [
    ("circle", (), (12, 16), ["touching C1", "centre on C1"], "on the rim of a circle"),
    ("circle", (), (20, 0), ["touching C1", "centre on C1"], "a quarter point is touched there first"),
    ("circle", ("touching C2",), (20, 0), ["touching C1"], "and may be gone through"),
    ("circle", (), (60, 10), ["centre centre of C2", "through centre of C2"], "a centre is taken as the centre"),
    ("circle", ("touching C1",), (60, 10), ["through centre of C2", "centre centre of C2"], "beside a figure a place lies on it"),
    ("circle", ("touching C1", "radius 60"), (60, 24), ["touching C2"], "a second figure to touch"),
    ("circle", ("centre P1",), (12, 16), ["touching C1", "through nearest to 12, 16 on C1"], "about a centre"),
    ("line", (), (12, 16), ["touching C1", "square C1"], "a line that touches"),
    ("line", ("from 100, 90",), (8, 3), ["to P1"], "to a point"),
    ("line", ("from 100, 90", "length 50"), (100, 0), ["direction 270"], "a length that is held turns with the pointer"),
    ("line", ("from 0, 0", "direction 90"), (3, 70), ["until E1", "length 70"], "a direction held is followed to what is there"),
    ("arc", (), (55, -9), ["continuing L1", "from end of L1"], "an end is gone on from, or begun at"),
    ("arc", (), (60, 10), ["centre centre of C2", "from centre of C2"], "a centre begins an arc about it"),
    ("fillet", (), (20, 0), ["C1"], "a figure by its name"),
    ("path", ("from 0, 0", "to 10, 0"), (30, 30), ["30, 30", "curve to 30, 30"], "straight or round"),
]


@pytest.mark.parametrize(("kind", "rows", "at", "expected", "why"), CLICKS)
def test_what_a_click_states(kind: str, rows: tuple[str, ...], at: tuple[float, float], expected: list[str], why: str) -> None:
    made = book(*GROUND)
    pointer = Pointer(*map(float, at), reach=1.5, pixel=0.5)
    found = [p.row for p in picks(Desk(made, Hand(draft=Draft(kind, rows), pointer=pointer), len(made.order))).found]
    assert set(expected) <= set(found), (found, why)
    assert found[: len(expected)] == expected or kind == "arc", (found, why)


def test_a_click_takes_the_solution_nearest_to_the_pointer() -> None:
    made = book(*GROUND)
    draft = Draft("circle", ("touching C1", "touching C2", "radius 60"))
    for at in ((0.0, 60.0), (30.0, -60.0)):
        shown = under_pointer(
            Desk(made, Hand(draft=draft, pointer=Pointer(*at, reach=1.0, pixel=0.5), aimed=True), len(made.order))
        )
        assert shown.click is not None
        assert shown.click.do == "write"
        value = shown.click.value
        assert isinstance(value, StepResult)
        gaps = [abs(hypot(s.figure.centre.x - at[0], s.figure.centre.y - at[1]) - 60) for s in value.solutions]  # type: ignore[union-attr]
        assert gaps[value.chosen_index] == min(gaps)


HELD = ("P1 = point 0, 0", "P2 = point 40, 13", "L1 = line from 60, -40 to 60, 80", "C1 = circle centre 120, 0 radius 20")
# The rows given, where the pointer is, whether the key is held that keeps a line level, the statement that a click writes.
HOLDS = [
    (("from P1", "direction 0"), (60.2, 0.3), False, "line from P1 direction 0 until L1"),
    (("from P1", "direction 30"), (60.2, 34.4), False, "line from P1 direction 30 until L1"),
    (("from P1", "direction 30"), (40.1, 13.1), False, "line from P1 direction 30 until P2"),
    (("from P1", "direction 5"), (100.6, 8.7), False, "line from P1 direction 5 until C1 entering"),
    (("from P1", "direction 5"), (138.4, 12), False, "line from P1 direction 5 until C1 leaving"),
    (("from P1", "direction 30"), (20, 12), False, "line from P1 direction 30 length 23.3"),
    (("from P1", "length 72.1"), (60.2, 40), False, "line from P1 length 72.1 until L1 leaving"),
    (("from P1",), (60.3, 4), True, "line from P1 to crossing of (level) L1"),
    (("from P1",), (40.1, 13.1), True, "line from P1 to crossing of (level) (plumb P2)"),
    (("from P2",), (104.5, 12.6), True, "line from P2 to crossing of (level) C1 entering"),
    (("from P2",), (138.9, 6), True, "line from P2 to crossing of (level) C1 leaving"),
    (("from P1",), (30, 4), True, "line from P1 to + 30 at 0"),
]  # fmt: skip


@pytest.mark.parametrize(("rows", "at", "level", "written"), HOLDS)
def test_what_is_held_runs_on_to_what_is_there(rows: tuple[str, ...], at: tuple[float, float], level: bool, written: str) -> None:
    made = book(*HELD)
    shown = under_pointer(
        Desk(made, Hand(draft=Draft("line", rows), pointer=Pointer(*at, 2.0, 0.1, level), aimed=True), len(made.order))
    )
    assert shown.click is not None
    assert shown.click.statement == written


# Where the pointer is on a line or a circle, which way it went around the centre, and the row that a click states.
AROUND = [
    ((40.2, 30), 30.0, "until L1"), ((-40, 30), 120.0, "until L1 entering"), ((40, 30), -320.0, "until L1 clockwise leaving"),
    ((-40, 30), -220.0, "until L1 clockwise"), ((19.6, 45.8), 60.0, "until C1"), ((-19.6, 45.8), 110.0, "until C1 left"),
]  # fmt: skip


@pytest.mark.parametrize(("at", "turned", "row"), AROUND)
def test_an_arc_about_a_centre_ends_on_what_the_pointer_is_on(at: tuple[float, float], turned: float, row: str) -> None:
    made = book("P1 = point 0, 0", "P2 = point 50, 0", "L1 = line from -60, 30 to 70, 30", "C1 = circle centre 0, 50 radius 20")
    found = picks(
        Desk(
            made,
            Hand(draft=Draft("arc", ("centre P1", "from P2")), pointer=Pointer(*at, 2.0, 0.1, turned=turned)),
            len(made.order),
        )
    ).found[0]
    assert found.row == row
    assert found.line.step is not None
    value = found.line.value
    assert isinstance(value, StepResult)
    assert hypot(value.figure.end.x - at[0], value.figure.end.y - at[1]) < 0.5  # type: ignore[union-attr]
