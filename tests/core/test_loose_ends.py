"""Loose ends: what is found between two figures, kept up to date by edits, put right, and what a reading hangs on."""

import random
from pathlib import Path

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.edits import Insert
from kentrograph.core.book.values import Reading, StepResult
from kentrograph.core.checks.finding import Finding
from kentrograph.core.checks.loose_ends import around_an_edit, loose_ends, usual_limit
from kentrograph.core.desk import intents
from kentrograph.core.desk.causes import causes
from kentrograph.core.desk.finding_views import cause_views, loose_view, words
from kentrograph.core.desk.settling import offer_for, settle
from kentrograph.core.language.script import book_of, read_script
from kentrograph.core.problem import Refused

from .support import book

DEMO = Path(__file__).parents[2] / "demo"
LIMIT = 0.5


def found(made: Book) -> list[str]:
    return [words(made, one) for one in loose_ends(made, LIMIT)]


# What is drawn, and what is said of it. Source: by hand.
PAIRS: list[tuple[tuple[str, ...], list[str]]] = [
    (("line from 0, 0 to 40, 0", "line from 40.2, 0 to 40, 30"),
     ["The end of L1 and the start of L2 miss each other by 0.2 mm."]),
    (("line from 0, 0 to 40, 0", "line from 40, 0 to 40, 30"), []),
    # What is worked out in two ways meets, whatever rounding left of it.
    (("C1 = circle centre 0.1, 0.2 radius 0.3", "L1 = line touching C1 left from 7.7, 3.1", "line from end of L1 to 9, 9"), []),
    (("line from 0, 0 to 40, 0", "line from 20, 0.3 to 20, 30"), ["The start of L2 falls 0.3 mm short of L1."]),
    (("line from 0, 0 to 40, 0", "line from 20, -0.3 to 20, 30"), ["The start of L2 runs 0.3 mm past L1."]),
    (("line from 0, 0 to 40, 0", "line from 20, 0 to 20, 30"), []),
    (("line from 0, 0 to 40, 0", "line from 20, 0.7 to 20, 30"), []),
    # Lines side by side end beside each other, too near to be meant.
    (("line from 0, 0 to 40, 0", "line from 0, 0.2 to 40, 0.2"), ["L2 lies upon L1, but for 0.2 mm."]),
    (("line from 0, 0 to 40, 0", "line from 0, 2 to 40, 2"), []),
    (("line from 0, 0 to 40, 0", "line from 40, 0 to 0, 0"), ["L2 lies upon L1."]),
    (("line from 0, 0 to 40, 0", "line from 10, 0 to 60, 0"), ["L2 lies upon L1."]),
    (("line from 0, 0 to 40, 0", "line from 40, 0 to 60, 0"), []),
    # Another pen may run over it, and ink over the pencil that it was drawn along.
    (("line from 0, 0 to 40, 0", "axis line from 10, 0 to 60, 0"), []),
    (("pencil line from 0, 0 to 40, 0", "ink L1"), []),
    (("circle centre 0, 0 radius 10", "circle centre 0, 0 radius 10"), ["C2 lies upon C1."]),
    (("circle centre 0, 0 radius 10", "circle centre 0.1, 0 radius 10"), ["C2 lies upon C1, but for 0.1 mm."]),
    (("circle centre 0, 0 radius 10", "circle centre 0, 0 radius 9.7"), []),
    (("circle centre 0, 0 radius 10", "arc centre 0, 0 from 10, 0 sweep 90"), ["A1 lies upon C1."]),
    (("arc centre 0, 0 from 10, 0 sweep 90", "arc centre 0, 0 from 0, 10 sweep 90"), []),
    (("circle centre 0, 0 radius 10", "circle centre 0.2, 0 radius 4"),
     ["The centre of C1 lies 0.2 mm beside the centre of C2."]),
    (("circle centre 0, 0 radius 10", "line from -20, 10.2 to 20, 10.2"), ["C1 and L1 almost touch: they miss by 0.2 mm."]),
    (("circle centre 0, 0 radius 10", "line from -20, 9.8 to 20, 9.8"), ["C1 and L1 almost touch: they miss by 0.2 mm."]),
    (("circle centre 0, 0 radius 10", "line from -20, 10 to 20, 10"), []),
    (("circle centre 0, 0 radius 10", "line from 12, 10.2 to 20, 10.2"), []),
    (("circle centre 0, 0 radius 10", "circle centre 15.3, 0 radius 5"), ["C1 and C2 almost touch: they miss by 0.3 mm."]),
    (("circle centre 0, 0 radius 10", "circle centre 4.7, 0 radius 5"), ["C1 and C2 almost touch: they miss by 0.3 mm."]),
    (("circle centre 0, 0 radius 10", "circle centre 15, 0 radius 5"), []),
    (("point 5, 5", "circle centre 5.1, 5 radius 3"), ["P1 lies 0.1 mm beside the centre of C1."]),
    (("line from 0, 0 to 40, 0", "point 20, 0.1"), ["P1 lies 0.1 mm beside L1."]),
    (("line from 0, 0 to 40, 0", "point 40.1, 0"), ["P1 lies 0.1 mm beside the end of L1."]),
    (("path from 0, 0 to 40, 0 to 40, 30 to 0, 0.3",), ["K1 does not close: 0.3 mm between its ends."]),
    (("path from 0, 0 to 40, 30 to 40, 0 to 0, 30 close",), ["edge 1 of K1 crosses itself."]),
    (("path from 0, 0 to 40, 0 to 40, 0.05 to 40, 30 close",), ["A stretch of edge 2 of K1 is only 0.05 mm long."]),
    # Two corners of one with two of the other: each is said, and each has a name of its own.
    (("rectangle from 0, 0 size 40, 30", "path from 40.2, 0.1 to 70, 15 to 40.2, 29.9 to 55, 15 close"),
     ["The corner 2 of K1 and the corner 1 of K2 miss each other by 0.22 mm.",
      "The corner 3 of K1 and the corner 3 of K2 miss each other by 0.22 mm."]),
    (("rectangle from 0, 0 size 40, 30", "rectangle from 40.2, 30.1 size 10, 10"),
     ["The corner 3 of K1 and the corner 1 of K2 miss each other by 0.22 mm."]),
    # Hidden, taken up in an outline, trimmed away: what is not seen is not loose.
    (("line from 0, 0 to 40, 0", "line from 40.2, 0 to 40, 30", "hide L2"), []),
    (("line from 0, 0 to 40, 0", "line from 39.8, -9 to 39.8, 30", "trim L1 from 39.8, 0 to end"), []),
    # It touches two others nearly in line. By hand: sqrt(55.011² - 55²) - sqrt(55.001² - 55²) = 0.768.
    (("circle centre 0, 0 radius 50", "circle centre 110, 0 radius 50",
      "circle touching C1 outside C2 outside radius 5.001 left"),
     ["The centre of C3 is badly held: 0.01 in its radius moves it by 0.77 mm."]),
    # By hand: atan(2 / 100).
    (("line from 0, 100 to 100, 100", "line from 0, 99 to 100, 101", "point crossing of L1 L2"),
     ["P1 is badly held: L1 and L2 cross there at 1°08′45″."]),
    (("line from 0, 100 to 100, 100", "line from 0, 90 to 100, 110", "circle centre crossing of L1 L2 radius 9"), []),
]  # fmt: skip


@pytest.mark.parametrize(("lines", "said"), PAIRS)
def test_what_is_found(lines: tuple[str, ...], said: list[str]) -> None:
    made = book(*lines)
    assert found(made) == said
    assert len({one.key for one in loose_ends(made, LIMIT)}) == len(said)


@pytest.mark.parametrize("name", sorted(path.stem for path in DEMO.glob("*.kent")))
def test_no_false_alarm_on_the_demo_drawings(name: str) -> None:
    made = book_of(read_script((DEMO / f"{name}.kent").read_text(encoding="utf-8")))
    assert [words(made, one) for one in loose_ends(made)] == []


def test_the_usual_limit_is_half_a_millimetre() -> None:
    assert [usual_limit(unit) for unit in ("mm", "cm", "m", "in")] == [0.5, 0.05, 0.0005, 0.02]


def test_what_misses_several_figures_in_one_spot_is_said_once() -> None:
    made = book("line from 0, 0 to 40, 0", "line from 40, 0 to 40, 30", "line from 0, 0 to 40, 0", "point 40.2, 0",
                "line from 20, 0.3 to 20, 9")  # fmt: skip
    said = [one.words for one in loose_view(made, LIMIT).findings]
    assert said == [
        "The start of L4 falls 0.3 mm short of L1.",
        "L3 lies upon L1.",
        "P1 lies 0.2 mm beside the end of L1.",
    ]


# Copies -----------------------------------------------------------------------------------------------------------


def _drawn(kind: str, x: float, y: float, size: float) -> str:
    """A figure about a place, without a name."""
    return {
        "circle": f"circle centre {x!r}, {y!r} radius {size!r}",
        "line": f"line from {x - size!r}, {y!r} to {x + size!r}, {y!r}",
        "rectangle": f"rectangle from {x - size!r}, {y - size!r} size {2 * size!r}, {2 * size!r}",
    }[kind]


def _slip(dice: random.Random, kind: str, x: float, y: float, size: float) -> str:
    """Something that a finger slipped with beside such a figure: a double, a gap, an overshoot, a near touch, a point beside."""
    by = dice.choice((0.02, -0.02, 0.1, -0.1))
    start = f"{x!r}, {y + (0 if kind == 'line' else size) + by!r}"
    return dice.choice(
        [_drawn(kind, x, y, size), f"line from {start} to {x + 3!r}, {y + size + 9!r}",
         f"circle centre {x!r}, {y + (2 if kind == 'line' else size + 2) + by!r} radius 2",
         f"point {x + size + by!r}, {y!r}", f"line from {x + size + by!r}, {y!r} to {x + size + 7!r}, {y + 1!r}"]
    )  # fmt: skip


@pytest.mark.parametrize("seed", range(200))
def test_at_copies_is_found_what_is_found_where_each_is_drawn_singly(seed: int) -> None:
    """Property: a set and its copies one by one have the same loose ends, in the same places and by as much."""
    dice = random.Random(seed)
    kind, size = dice.choice(("circle", "line", "rectangle")), dice.uniform(4, 8)
    across, up = dice.randint(2, 4), dice.randint(1, 3)
    # Now and then the copies themselves almost meet.
    dx = 2 * size + (dice.choice((0.02, 0.3)) if dice.random() < 0.3 else dice.uniform(5, 20))
    dy = 2 * size + dice.uniform(5, 20)
    places = [(n * dx, k * dy) for k in range(up) for n in range(across)]
    times = f"{across} by {up} step {dx!r}, 0; 0, {dy!r}" if up > 1 else f"{across} times step {dx!r}, 0"
    slips = [_slip(dice, kind, *place, size) for place in dice.sample(places, 2)]
    how = dice.choice(("repeat", "place", "moved"))
    as_set = {
        "repeat": [f"F = {_drawn(kind, 0, 0, size)}", f"repeat F {times}"],
        "moved": [f"F = {_drawn(kind, -50, 70, size)}", f"S9 = repeat F {times}", "move S9 by 50, -70"],
        "place": [f"symbol one_\n{_drawn(kind, 0, 0, size)}\nend symbol", *(f"place one_ at {x!r}, {y!r}" for x, y in places)],
    }[how]
    singly = [_drawn(kind, *place, size) for place in places]
    several, alone = (
        sorted(
            (one.kind, one.first.what, round(one.amount, 6), round(one.first.at.x, 5), round(one.first.at.y, 5))
            for one in loose_ends(book(*lines, *slips), LIMIT)
        )
        for lines in (as_set, singly)
    )
    assert several == alone
    assert alone


def test_what_one_copy_does_to_the_next_is_said_once() -> None:
    made = book("C1 = circle centre 0, 0 radius 10", "repeat C1 5 times step 20.02, 0", "circle centre 0, 20.02 radius 10")
    assert [one.words for one in loose_view(made, LIMIT).findings] == [
        "copy 1 of S1 and copy 2 of S1 almost touch: they miss by 0.02 mm.",
        "copy 1 of S1 and C2 almost touch: they miss by 0.02 mm.",
    ]


# Kept up to date -------------------------------------------------------------------------------------------------


def random_line(dice: random.Random) -> str:
    def near() -> str:
        return f"{dice.randrange(12) * 5 + dice.choice((0, 0, 0.2, -0.3))}, {dice.randrange(9) * 5 + dice.choice((0, 0, 0.1))}"

    return dice.choice(
        [f"line from {near()} to {near()}", f"circle centre {near()} radius {dice.choice((2.5, 5, 5.2))}", f"point {near()}",
         f"arc centre {near()} radius 5 at {dice.randrange(0, 360, 45)} sweep 90"]
    )  # fmt: skip


def fresh(made: Book) -> list[Finding]:
    """Found from nothing: a book of the same steps that has no history."""
    return loose_ends(Book.new(made.header, [made.steps[id] for id in made.order]), LIMIT)


@pytest.mark.parametrize("seed", range(12))
def test_after_any_edits_as_if_found_from_nothing(seed: int) -> None:
    """Property: what is kept up to date says what a look from nothing says, after every edit and every way back."""
    dice = random.Random(seed)
    made = book("point 1, 1")
    past: list[Book] = []
    for n in range(60):
        past.append(made)
        act = dice.random()
        ids = list(made.order)
        try:
            if act < 0.6 or len(ids) < 4:
                edit, _ = intents.write(made, random_line(dice), f"n{n}")
            elif act < 0.75:
                edit, _ = intents.strike(made, dice.choice(ids))
            elif act < 0.85:
                edit, _ = intents.mend(made, dice.choice(ids), random_line(dice))
            elif act < 0.95:
                id = dice.choice(ids)
                edit, _ = intents.flag(made, id, hidden=not made.steps[id].hidden)
            else:
                made = dice.choice(past)
                assert loose_ends(made, LIMIT) == fresh(made)
                continue
        except Refused:
            continue
        before = made
        had, have = around_an_edit(before, made.edited(edit)[0], LIMIT)
        keys = {one.key for one in loose_ends(before, LIMIT)}
        made, _ = made.edited(edit)
        now = loose_ends(made, LIMIT)
        assert now == fresh(made)
        # What an edit would do can be told without doing it.
        assert keys - {one.key for one in now} <= had | keys
        assert {one.key for one in now} - keys <= have


# Put right -------------------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("lines", "offer", "after"),
    [
        (("line from 0, 0 to 40, 0", "line from 40.2, 0 to 40, 30"), "L2 becomes: from end of L1",
         ["line from 0, 0 to 40, 0", "line from end of L1 to 40, 30"]),
        (("line from 0, 0 to 40, 0", "line from 20, 0.3 to 20, 30"), "Extend L2 start to L1",
         ["line from 0, 0 to 40, 0", "line from 20, 0.3 to 20, 30", "extend L2 start to L1"]),
        (("line from 0, 0 to 40, 0", "line from 20, -0.3 to 20, 30"), "Extend L2 start to L1",
         ["line from 0, 0 to 40, 0", "line from 20, -0.3 to 20, 30", "extend L2 start to L1"]),
        (("line from 0, 0 to 40, 0", "line from 40, 0 to 0, 0"), "Strike L2", ["line from 0, 0 to 40, 0"]),
        # Something hangs on the one: the other is struck.
        (("line from 0, 0 to 40, 0", "L2 = line from 40, 0 to 0, 0", "point middle of L2"), "Strike L1",
         ["L2 = line from 40, 0 to 0, 0", "point middle of L2"]),
        # A part of it is new: neither.
        (("line from 0, 0 to 40, 0", "line from 10, 0 to 60, 0"), None, None),
        (("circle centre 0, 0 radius 10", "circle centre 0.2, 0 radius 4"), "C2 becomes: centre centre of C1",
         ["circle centre 0, 0 radius 10", "circle centre centre of C1 radius 4"]),
        (("line from 0, 0 to 40, 0", "point 40.1, 0"), "P1 becomes: end of L1",
         ["line from 0, 0 to 40, 0", "point end of L1"]),
        (("P1 = point 40.1, 0", "line from 0, 0 to P1", "line from 40, 0 to 40, 30"), "L2 becomes: from P1",
         ["P1 = point 40.1, 0", "line from 0, 0 to P1", "line from P1 to 40, 30"]),
    ],
)  # fmt: skip
def test_what_would_put_it_right(lines: tuple[str, ...], offer: str | None, after: list[str] | None) -> None:
    made = book(*lines)
    finding = loose_ends(made, LIMIT)[0]
    offered = offer_for(made, finding, LIMIT)
    assert (offered.words if offered else None) == offer
    if offered is None:
        with pytest.raises(Refused) as refused:
            settle(made, [finding.key], LIMIT, "new")
        assert refused.value.problem.kind == "nothing_to_settle"
        return
    settled, inverse = made.edited(settle(made, [finding.key], LIMIT, "new")[0])
    assert [settled.steps[id].statement.text for id in settled.order] == after
    assert found(settled) == []
    back, _ = settled.edited(inverse)
    assert [back.steps[id].statement.text for id in back.order] == list(lines)


def test_all_that_can_be_is_put_right_as_one_change() -> None:
    made = book(
        "line from 0, 0 to 40, 0", "line from 40.2, 0.1 to 40, 30", "line from 40, 30 to 0, 30", "line from 0.1, 30 to 0, 0",
        "line from 20, 0.2 to 20, 10", "line from 0, 30 to 40, 30", "point 5, 0.1",
    )  # fmt: skip
    view = loose_view(made, LIMIT)
    assert view.count == len(view.findings) == 5
    edit, label = settle(made, [one.key for one in view.findings], LIMIT, "all")
    after, inverse = made.edited(edit)
    assert label.endswith("loose ends")
    assert found(after) == []
    assert len({id for id in after.order if id.startswith("all")}) == sum(id.startswith("all") for id in after.order)
    assert [after.edited(inverse)[0].steps[id] for id in made.order] == [made.steps[id] for id in made.order]


# What a reading hangs on -----------------------------------------------------------------------------------------

BELT = ("C1 = circle centre 0, 0 radius 84", "C2 = circle centre C1: 320, 45 radius 70", "L1 = line touching C1 left C2 left",
        "P9 = point 500, 500")  # fmt: skip


@pytest.mark.parametrize(
    ("reading", "first", "becomes", "slip"),
    [
        ("radius C1 wanted 48", "84", "48", True),
        ("radius C1 wanted 840 within 1", "84", "840", True),
        ("distance centre of C1; centre of C2 wanted 300 within 1", "320", "297", False),
        ("radius C2 least 71", "70", "71", True),
        ("direction L1 wanted 0 within 0:01", "70", "129", False),
    ],
)
def test_the_number_that_would_put_it_right_stands_first(reading: str, first: str, becomes: str, slip: bool) -> None:
    made = book(*BELT, f"R1 = measure {reading}")
    one = causes(made, made.order[-1])[0]
    if reading.startswith("direction"):
        assert one.becomes != ""
    else:
        assert (one.typed, one.becomes, one.slip) == (first, becomes, slip)
    edit, _ = intents.mend(made, one.step, one.text)
    value = made.edited(edit)[0].values[made.order[-1]]
    assert isinstance(value, StepResult)
    assert isinstance(value.figure, Reading)
    assert value.figure.good is not False


def test_slopes_are_those_of_the_formula() -> None:
    """The length of a tangent between two circles is sqrt(c² - (R - r)²): its slopes by hand."""
    made = book(*BELT, "R1 = measure length L1")
    c2, rest = 320.0**2 + 45.0**2, 14.0
    length = (c2 - rest**2) ** 0.5
    by_typed = {(one.typed, one.start): one.slope for one in causes(made, made.order[-1])}
    slopes = {typed: slope for (typed, _), slope in by_typed.items()}
    assert slopes["320"] == pytest.approx(320.0 / length, rel=1e-3)
    assert slopes["45"] == pytest.approx(45.0 / length, rel=1e-3)
    assert slopes["84"] == pytest.approx(-rest / length, rel=1e-2)
    assert slopes["70"] == pytest.approx(rest / length, rel=1e-2)
    views = cause_views(made, made.order[-1], causes(made, made.order[-1]))
    assert all("more makes it" in one.moves for one in views)
    # A number on which it does not hang is not named.
    assert "500" not in slopes


def test_what_is_right_is_not_to_be_changed() -> None:
    made = book(*BELT, "R1 = measure radius C1 wanted 84 within 0.1", "R2 = measure radius C2 wanted 71 to 72")
    within, out = (causes(made, id) for id in made.order[-2:])
    assert [(one.typed, one.row, one.becomes, one.slip) for one in within] == [("84", "radius 84", "", False)]
    assert out[0].becomes != ""


def test_where_much_hangs_on_a_number_it_is_not_waited_for() -> None:
    """Each number that is tried draws thousands of figures anew: it is left at a few, and what was found is told."""
    lines = [f"circle centre a, {n} radius a" for n in range(6_000)]
    made = book("a = 5", *lines, "R1 = measure radius C7 wanted 6")
    found = causes(made, made.order[-1])
    assert [one.typed for one in found] == ["5"]
    assert found[0].slope == pytest.approx(1.0)


def test_a_reading_that_waits_hangs_on_nothing() -> None:
    made = book_of(read_script("measure radius C9"))
    assert causes(made, made.order[0]) == []
    with pytest.raises(Refused):
        causes(made, "nobody")


def test_an_edit_that_another_step_makes_is_found_at_its_figures() -> None:
    """A number upstream moves figures that nobody touched: their loose ends move along."""
    made = book("a = 40", "line from 0, 0 to a, 0", "line from 40, 0 to 40, 30")
    assert found(made) == []
    after, _ = made.edited(intents.mend(made, made.order[0], "a = 40.3")[0])
    assert found(after) == ["The end of L1 and the start of L2 miss each other by 0.3 mm."]
    assert isinstance(intents.write(after, "point 1, 2", "p")[0], Insert)
