"""Drawings with one slip each, made by a script: what is checked must find it. The seeds are not those it was built with."""

import random
from collections.abc import Callable

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.values import Reading, StepResult
from kentrograph.core.checks.loose_ends import loose_ends
from kentrograph.core.checks.verdict import verdict
from kentrograph.core.language.script import book_of, read_script
from kentrograph.core.problem import Problem

COUNT = 200
SEEDS = range(7_000, 7_000 + COUNT)
FOUND_AT_LEAST = 0.95


def plate(dice: random.Random) -> list[str]:
    """A plate with cut corners, holes and a slot, drawn line by line, read back against what stood on paper."""
    w, h = dice.randrange(80, 240, 10), dice.randrange(50, 150, 10)
    cut, hole, r = dice.randrange(5, 20), dice.choice((8, 9, 11, 13)), dice.randrange(4, 9)
    x1, x2, y = dice.randrange(20, w // 2 - 10), dice.randrange(w // 2 + 10, w - 20), dice.randrange(20, h - 15)
    return [
        f"L1 = line from 0, 0 to {w}, 0",
        f"L2 = line from end of L1 to {w}, {h - cut}",
        f"L3 = line from end of L2 to {w - cut}, {h}",
        f"L4 = line from end of L3 to 0, {h}",
        "L5 = line from end of L4 to start of L1",
        f"C1 = circle centre {x1}, {y} diameter {hole}",
        f"C2 = circle centre {x2}, {y} diameter {hole}",
        f"L6 = line from {w // 2}, 0 to {w // 2}, {h}",
        f"A1 = fillet L1 L5 radius {r}",
        f"R1 = measure distance centre of C1; centre of C2 wanted {x2 - x1} within 0.1",
        f"R2 = measure distance L1 L4 wanted {h} within 0.1",
        f"R3 = measure length L3 wanted {cut * 2**0.5:.3f} within 0.05",
        f"R4 = measure diameter C1 wanted {hole} within 0.05",
        f"R5 = measure distance L5; centre of C1 wanted {x1} within 0.1",
        f"R6 = measure distance L1; centre of C1 wanted {y} within 0.1",
        f"R7 = measure diameter C2 wanted {hole} within 0.05",
        f"R8 = measure distance L5 L2 wanted {w} within 0.1",
        f"R9 = measure radius A1 wanted {r} within 0.01",
    ]


def digit(dice: random.Random, lines: list[str]) -> None:
    """A wrong digit in a number that was typed, or two that changed places."""
    which = dice.choice([0, 1, 2, 3, 5, 6, 8])
    head, _, rest = lines[which].partition("=")
    spots = [n for n, c in enumerate(rest) if c.isdigit() and (n == 0 or rest[n - 1] not in "LC")]
    at = dice.choice(spots)
    other = dice.choice([d for d in "0123456789" if d != rest[at]])
    lines[which] = f"{head}={rest[:at]}{other}{rest[at + 1 :]}"


def wrong_snap(dice: random.Random, lines: list[str]) -> None:
    """An end taken in plain numbers a little beside the one that was meant, or from the wrong end."""
    which = dice.choice([1, 2, 3])
    before = f"end of L{which}"
    made = book_of(read_script("\n".join(lines)))
    value = made.values[made.find(f"l{which}").id]  # type: ignore[union-attr]
    assert isinstance(value, StepResult)
    end = value.figure.end  # type: ignore[union-attr]
    beside = f"{end.x + dice.choice((-0.3, 0.2, 0.4)):g}, {end.y + dice.choice((0, 0.1, -0.2)):g}"
    lines[which] = lines[which].replace(before, dice.choice((beside, beside, f"start of L{which}")))


def short_gap(dice: random.Random, lines: list[str]) -> None:
    """A line that falls short of what it should end on, or runs past it."""
    off = dice.choice((0.1, 0.2, 0.35, -0.15, -0.4))
    head, _, rest = lines[7].partition(" from ")
    x = rest.split(",")[0]
    lines[7] = f"{head} from {x}, {off} to {rest.split(' to ')[1]}"


def drawn_twice(dice: random.Random, lines: list[str]) -> None:
    """A line or a circle once more over the first, as it was or by a part."""
    which = dice.choice([0, 1, 3, 5, 6])
    text = lines[which].partition(" = ")[2]
    if text.startswith("line"):
        k = lines[which][1]
        text = dice.choice((f"line from end of L{k} to start of L{k}", f"line from middle of L{k} to end of L{k}"))
    lines.append(f"X{which} = {text}")


SLIPS: list[Callable[[random.Random, list[str]], None]] = [digit, wrong_snap, short_gap, drawn_twice]


def trouble(made: Book) -> list[str]:
    """All that the leaf of checks would put first."""
    said = [one.key for one in loose_ends(made)]
    for id in made.order:
        value = made.values[id]
        if isinstance(value, Problem):
            said.append(f"waits {id}")
        elif isinstance(value.figure, Reading) and verdict(value.figure, made.header) == "out":
            said.append(f"out {id}")
    return said


def test_slips_are_found() -> None:
    missed: list[tuple[str, str]] = []
    for seed in SEEDS:
        dice = random.Random(seed)
        lines = plate(dice)
        right = list(lines)
        slip = SLIPS[seed % len(SLIPS)]
        slip(dice, lines)
        assert lines != right
        if not trouble(book_of(read_script("\n".join(lines)))):
            missed.append((slip.__name__, "\n".join(b for a, b in zip(right, lines, strict=False) if a != b)))
    assert len(missed) <= (1.0 - FOUND_AT_LEAST) * COUNT, missed


@pytest.mark.parametrize("seed", range(7_000, 7_040))
def test_no_alarm_where_there_is_no_slip(seed: int) -> None:
    assert trouble(book_of(read_script("\n".join(plate(random.Random(seed)))))) == []
