"""Shown is what is written: whatever hands do, what is done is the act that the last look named, and comes to what was shown.

Random hands on the demo drawings, on the drawing of the reference page and on random ones. *Common practice*: nobody checks
again what was seen. ``pytest tests/core/test_hands_at_random.py --hands 20000`` seeks longer.
"""

from functools import cache
from pathlib import Path
from random import Random

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.kinds import ALL
from kentrograph.core.book.scene import seen
from kentrograph.core.desk.draft import READING, Draft
from kentrograph.core.desk.hand import Carried
from kentrograph.core.desk.pointer import Pointer, Snapping
from kentrograph.core.language.script import book_of, read_script
from tools.examples import DRAWING

from .hands import Table
from .support import book

DEMO = Path(__file__).parents[2] / "demo"
KINDS = [*(word for word, kind in ALL.items() if kind.group in ("place", "shape", "carry", "paper")), READING]
READINGS = ("distance", "angle", "gap", "length", "radius", "area")
TEXTS = [
    *("40", "12, 7", "+ 3, 4", "+ 9 at 30", "lin", "line", "circle", "radius 5", "r 4", "touching", "tou", "40 at", "P1"),
    *("from P1", "to", "length 30", "direction 45", "close", "left", "less", "3 times", "nonsens", "12..", "point 5, 5"),
    *("level", "x", "12 past", "wanted 40"),
]
SNAPPINGS = (Snapping(), Snapping(), Snapping(), Snapping(turn=15.0), Snapping(grid=5.0), Snapping(step=2.0))


@cache
def drawing(number: int) -> Book:
    files = sorted(DEMO.glob("*.kent"))
    if number < len(files):
        return book_of(read_script(files[number].read_text()))
    if number == len(files):
        return book(*DRAWING, "S8 = repeat C4 3 times step 9, 3", "L18 = trim L3 from 30, 20 to 40, 20")
    return book(*anywhere(Random(number)))


def anywhere(dice: Random) -> list[str]:
    """A drawing of lines, circles and arcs somewhere."""

    def at() -> str:
        return f"{dice.uniform(0, 100):.1f}, {dice.uniform(0, 80):.1f}"

    def one() -> str:
        size, turn, sweep = dice.uniform(3, 30), dice.uniform(0, 360), dice.uniform(20, 300)
        round_ones = (
            f"circle centre {at()} radius {size:.1f}",
            f"arc centre {at()} radius {size:.1f} at {turn:.0f} sweep {sweep:.0f}",
        )
        straight = (f"line from {at()} to {at()}", f"line through {at()}; {at()}", f"path from {at()} to {at()} to {at()} close")
        return dice.choice((*round_ones, *straight))

    return [f"point {at()}", f"point {at()}", *(one() for _ in range(6))]


def pointer(dice: Random, b: Book) -> Pointer:
    """Somewhere over the drawing, more often than not at something."""
    ids = [id for id in b.order if seen(b, id)]
    figure = b.figure_of(dice.choice(ids)) if ids and dice.random() < 0.7 else None
    near = getattr(figure, "centre", None) or getattr(figure, "start", None) or figure
    x, y = (near.x, near.y) if hasattr(near, "x") else (dice.uniform(-20, 120), dice.uniform(-20, 100))
    off = dice.choice((0.5, 3.0, 30.0))
    return Pointer(
        x + dice.uniform(-off, off), y + dice.uniform(-off, off), dice.choice((0.5, 2.4)), dice.choice((0.05, 0.2)),
        dice.random() < 0.1, dice.random() < 0.1, dice.choice((0.0, 40.0, -200.0)), dice.choice(SNAPPINGS),
    )  # fmt: skip


def moves(table: Table, dice: Random) -> None:
    table.holds(pointer=pointer(dice, table.book), aimed=True)


def one_hand(table: Table, dice: Random) -> None:
    """Something that a hand does."""
    moved = table.hand.pointer is not None
    match dice.randrange(16):
        case 0 | 1:
            table.holds(draft=Draft(dice.choice((*KINDS, f"measure {dice.choice(READINGS)}"))), text="", mend=None, opened=False)
            moves(table, dice)
        case 2 | 3 | 4:
            moves(table, dice)
            table.click()
        case 5:
            # A double click: the second one is on what the first one has left.
            moves(table, dice)
            table.click()
            table.click()
        case 6 | 7:
            table.holds(text=dice.choice(TEXTS), opened=False)
            if dice.random() < 0.7:
                table.enter()
        case 8:
            table.enter()
        case 9:
            table.escape()
        case 10:
            table.undo()
        case 11:
            table.holds(choice=dice.randint(-2, 4))
        case 12 if moved:
            start = table.hand.pointer
            moves(table, dice)
            table.holds(drag=start)
            table.click()
        case 13 if moved and len(table.book.order):
            ids = tuple(dice.sample(list(table.book.order), min(2, len(table.book.order))))
            start = table.hand.pointer
            assert start is not None
            moves(table, dice)
            carry = Carried(figures=ids, x=start.x, y=start.y, copied=dice.random() < 0.5)
            table.holds(draft=None, text="", mend=None, selected=ids, carry=carry)
            table.click()
        case 14 if len(table.book.order):
            moves(table, dice)
            table.holds(draft=None, text="", mend=None, selected=(dice.choice(table.book.order),))
            if dice.random() < 0.5:
                table.holds(pull=dice.randint(0, 3))
            table.click()
        case 15 if len(table.book.order):
            table.mends(dice.choice(table.book.order))
        case _:
            table.holds(in_front_of=dice.choice((None, None, *table.book.order[-2:])), pen=dice.choice(("ink", "pencil", "axis")))


def test_what_hands_do_is_what_was_shown(request: pytest.FixtureRequest) -> None:
    hands = int(request.config.getoption("--hands"))
    done = 0
    for seed in range(hands // 10):
        dice = Random(f"hands {seed}")
        table = Table(drawing(seed % 12))
        for _ in range(10):
            one_hand(table, dice)
        done += table.count
    # Not all of it is slips.
    assert done > hands // 20
