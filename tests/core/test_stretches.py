"""The stretch under a place: its stops in words that mean the same places again.

Property: the words that are given back, written into `keep`, keep what was shown; nothing seen cuts it in between.
"""

from math import hypot
from random import Random

import pytest

from kentrograph.core.figures import Outline, Point
from kentrograph.core.figures.along import place_along
from kentrograph.core.intersect import intersect_outlines
from kentrograph.core.language.script import write_script
from kentrograph.core.measure.closest import distance_between
from kentrograph.core.snap.stretches import stretch_under

from .support import book, figure

CROSS = (
    "C1 = circle centre 0, 0 radius 10",
    "L1 = line from -20, 0 to 20, 0",
    "L2 = line from 0, -20 to 0, 20",
    "L3 = line through 15, 0; 15, 1",
)


@pytest.mark.parametrize(
    ("x", "y", "name", "start", "end"),
    [
        (7.1, 7.1, "C1", "crossing of C1 L1 leaving", "crossing of C1 L2 leaving"),
        (12, 0.1, "L1", "crossing of L1 C1 leaving", "crossing of L1 L3"),
        (19, 0, "L1", "crossing of L1 L3", "end"), (-15, 0, "L1", "start", "crossing of L1 C1 entering"),
        (0.1, 5, "L2", "crossing of L2 L1", "crossing of L2 C1 leaving"),
    ],
)  # fmt: skip
def test_stops_in_words(x: float, y: float, name: str, start: str, end: str) -> None:
    found = stretch_under(book(*CROSS), x, y, 1.0)
    assert found is not None
    assert found.start is not None
    assert found.end is not None
    assert (found.name, found.start.words, found.end.words) == (name, start, end)


def test_what_nothing_cuts_is_meant_as_a_whole_and_what_is_hidden_does_not_cut() -> None:
    alone = stretch_under(book("C1 = circle centre 0, 0 radius 10"), 10, 0, 1.0)
    assert alone is not None
    assert (alone.start, alone.end) == (None, None)
    hidden = stretch_under(book(*CROSS, "hide L1"), 7.1, 7.1, 1.0)
    assert hidden is not None
    assert hidden.start is not None
    assert hidden.end is not None
    assert (hidden.start.words, hidden.end.words) == ("crossing of C1 L2 entering", "crossing of C1 L2 leaving")
    assert stretch_under(book(*CROSS), 100, 100, 1.0) is None


def test_a_ring_cut_at_one_place_is_one_stretch() -> None:
    found = stretch_under(book("C1 = circle centre 0, 0 radius 10", "L1 = line from 10, -5 to 10, 5"), -10, 0, 1.0)
    assert found is not None
    assert found.start == found.end


@pytest.mark.parametrize("seed", range(30))
def test_the_words_mean_what_is_shown_and_nothing_cuts_it(seed: int) -> None:
    dice = Random(seed)

    def place() -> str:
        return f"{dice.uniform(0, 100):.3f}, {dice.uniform(0, 100):.3f}"

    lines = []
    for _ in range(dice.randint(4, 14)):
        lines.append(dice.choice([
            f"line from {place()} to {place()}", f"circle centre {place()} radius {dice.uniform(5, 40):.3f}",
            f"arc centre {place()} radius {dice.uniform(5, 40):.3f} at {dice.randint(0, 359)} sweep {dice.randint(20, 340)}",
            f"rectangle from {place()} size {dice.randint(5, 40)}, {dice.randint(5, 40)} turned {dice.randint(0, 90)}",
            f"ellipse centre {place()} axes {dice.randint(8, 40)}, {dice.randint(3, 30)} turned {dice.randint(0, 90)}",
        ]))  # fmt: skip
    b = book(*lines)
    for _ in range(10):
        x, y = dice.uniform(0, 100), dice.uniform(0, 100)
        found = stretch_under(b, x, y, 15.0)
        if found is None or found.start is None or found.end is None or found.start.cut[:2] == found.end.cut[:2]:
            continue
        text = f"keep {found.name} from {found.start.words} to {found.end.words}"
        made = figure(book(*write_script(b).splitlines(), text), found.name)
        for share in (0.0, 0.5, 1.0):
            # type: ignore[arg-type, union-attr]
            one, other = place_along(made, share * made.length), place_along(found.part, share * found.part.length)
            assert hypot(one.x - other.x, one.y - other.y) <= 1e-6, text
        assert distance_between(Point(x, y), found.part) <= distance_between(Point(x, y), figure(b, found.name)) + 1e-9
        inner = book(*write_script(b).splitlines(), text)
        for id in b.order:
            if b.name_of(id) != found.name:
                part = found.part if isinstance(found.part, Outline) else Outline((found.part,), False)  # type: ignore[arg-type]
                for at in intersect_outlines(part, inner.figure_of(id)):
                    ends = (found.start.cut.at, found.end.cut.at)
                    assert min(hypot(at.x - end.x, at.y - end.y) for end in ends) <= 1e-6, (text, at)
