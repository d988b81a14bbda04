"""Taking a solution in words, what a click states, and the working that is shown."""

from math import hypot

import pytest

from kentrograph.core.book.values import Drawn
from kentrograph.core.figures import Circle, EndlessLine, Line, Point
from kentrograph.core.language import intents
from kentrograph.core.language.openline import Draft
from kentrograph.core.language.picks import picks, under_pointer
from kentrograph.core.language.pointing import Pointer
from kentrograph.core.language.taking import worded
from kentrograph.core.language.working import working_of

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
    assert isinstance(value, Drawn)
    assert len(value.solutions) > 1
    for which, solution in enumerate(value.solutions):
        said = worded(made, made.steps[id], value, which, index)
        assert "solution" not in said
        again = book(*GROUND, said).values[id]
        assert isinstance(again, Drawn)
        assert again.figure == solution.figure
    edit, _ = intents.mend(made, id, f"{text.split(' left')[0]} solution 2")
    after, _ = made.edited(edit)
    assert "solution" not in after.steps[id].statement.text
    assert after.values[id].taken == 1  # type: ignore[union-attr]


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
    ("line", ("from 0, 0", "direction 90"), (3, 70), ["length 70"], "a direction that is held is followed"),
    ("arc", (), (55, -9), ["continuing L1", "from end of L1"], "an end is gone on from, or begun at"),
    ("arc", (), (60, 10), ["centre centre of C2", "from centre of C2"], "a centre begins an arc about it"),
    ("fillet", (), (20, 0), ["C1"], "a figure by its name"),
    ("path", ("from 0, 0", "to 10, 0"), (30, 30), ["30, 30", "curve to 30, 30"], "straight or round"),
]


@pytest.mark.parametrize(("kind", "rows", "at", "expected", "why"), CLICKS)
def test_what_a_click_states(kind: str, rows: tuple[str, ...], at: tuple[float, float], expected: list[str], why: str) -> None:
    made = book(*GROUND)
    pointer = Pointer(*map(float, at), reach=1.5, pixel=0.5)
    found = [p.row for p in picks(made, Draft(kind, rows), pointer, len(made.order))]
    assert set(expected) <= set(found), (found, why)
    assert found[: len(expected)] == expected or kind == "arc", (found, why)


def test_a_click_takes_the_solution_nearest_to_the_pointer() -> None:
    made = book(*GROUND)
    draft = Draft("circle", ("touching C1", "touching C2", "radius 60"))
    for at in ((0.0, 60.0), (30.0, -60.0)):
        shown = under_pointer(made, draft, "", len(made.order), Pointer(*at, reach=1.0, pixel=0.5), None, True)
        assert shown.click is not None
        assert shown.click.do == "write"
        value = shown.click.value
        assert isinstance(value, Drawn)
        gaps = [abs(hypot(s.figure.centre.x - at[0], s.figure.centre.y - at[1]) - 60) for s in value.solutions]  # type: ignore[union-attr]
        assert gaps[value.taken] == min(gaps)


# Working ----------------------------------------------------------------------------------------------------


def loci(text: str) -> list[tuple[object, str]]:
    made = book(*GROUND, text)
    working = working_of(made, made.order[-1])
    assert working is not None
    return list(working.loci)


@pytest.mark.parametrize(
    "text",
    [
        "circle touching C1 enclosing C2 outside radius 60", "circle touching C1 inside C3 outside radius 5",
        "circle touching L1 C1 radius 6",
        "circle through P1 P2 radius 40", "circle through P1 P2; 30, 40", "circle touching L1 L2 through P2",
        "fillet L1 C1 radius 6", "point 20 from P1; 30 from P2", "point 9 from L1 left; 30 from P2",
    ],
)  # fmt: skip
def test_the_centre_lies_on_every_locus(text: str) -> None:
    """By the distance of the centre (or the point) from each locus that is drawn."""
    made = book(*GROUND, text)
    value = made.values[made.order[-1]]
    assert isinstance(value, Drawn)
    at = value.figure if isinstance(value.figure, Point) else value.figure.centre  # type: ignore[union-attr]
    working = working_of(made, made.order[-1])
    assert working is not None
    assert working.loci
    for figure, words in working.loci:
        if isinstance(figure, Circle):
            missed = abs(hypot(figure.centre.x - at.x, figure.centre.y - at.y) - figure.radius)
        else:
            assert isinstance(figure, EndlessLine)
            missed = abs((at.y - figure.through.y) * figure.ux - (at.x - figure.through.x) * figure.uy)
        assert missed < 1e-12 * 100, words


def test_the_reduced_problem_touches_what_it_says() -> None:
    """Apollonius by shrinking: the wanted circle, changed by the smallest radius, touches the others changed as much."""
    found = loci("circle touching C1 outside C2 outside L1 left")
    wanted = next(f for f, w in found if w.startswith("the wanted"))
    assert isinstance(wanted, Circle)
    for figure, words in found:
        if words.startswith("C1"):
            assert isinstance(figure, Circle)
            d = hypot(figure.centre.x - wanted.centre.x, figure.centre.y - wanted.centre.y)
            assert d == pytest.approx(figure.radius + wanted.radius, rel=1e-12)
        if words.startswith("L1"):
            assert isinstance(figure, EndlessLine | Line)
            off = (wanted.centre.y - figure.through.y) * figure.ux - (wanted.centre.x - figure.through.x) * figure.uy  # type: ignore[union-attr]
            assert off == pytest.approx(wanted.radius, rel=1e-12)


def test_sums_are_said_in_numbers() -> None:
    made = book(*GROUND, "circle touching C1 enclosing C2 outside radius 48")
    working = working_of(made, made.order[-1])
    assert working is not None
    assert "C1, enclosed: R - r = 48 - 20 = 28 from its centre." in working.sums
    assert "C2, touched from outside: R + r = 48 + 14 = 62 from its centre." in working.sums
