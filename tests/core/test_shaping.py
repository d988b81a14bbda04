"""What holds for every verb: taken back it was never there, it is the same anywhere, it waits and recovers, and says why not.

Properties: no source is needed beyond what a similarity and an undo are, *common practice*.
"""

from dataclasses import replace
from itertools import pairwise
from math import cos, hypot, isfinite, radians, sin
from random import Random
from typing import Any

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.edits import Insert, Replace
from kentrograph.core.book.kinds import ALL
from kentrograph.core.book.values import StepResult
from kentrograph.core.desk import intents
from kentrograph.core.figures import Line, Outline, Point
from kentrograph.core.figures.along import place_along
from kentrograph.core.figures.similarity import Similarity, dilation, reflection, rotation, shift, transformed
from kentrograph.core.language.codec import step_data, step_from
from kentrograph.core.language.naming import edited_in_full
from kentrograph.core.language.script import book_of, read_script, write_script
from kentrograph.core.measure.area import area_of
from kentrograph.core.problem import Problem, Refused
from kentrograph.core.shape.corners import Way, corners_shaped, cutting_off, rounding
from kentrograph.core.shape.offset import offset
from tools.examples import DRAWING

from .support import book, figure, report
from .test_offset import some_outline

EXAMPLES = [text for kind in ALL.values() if kind.group in ("shape", "carry") for text, _ in kind.examples]


@pytest.mark.parametrize("text", EXAMPLES)
def test_taken_back_it_was_never_there(text: str) -> None:
    b = book(*DRAWING)
    edit, _ = intents.write(b, text, "new")
    after, _, inverse = edited_in_full(b, edit)
    back, again = after.edited(inverse)
    assert (dict(back.steps), dict(back.values), list(back.order)) == (dict(b.steps), dict(b.values), list(b.order))
    assert dict(back.edited(again)[0].values) == dict(after.values)
    assert dict(after.evaluated_anew().values) == dict(after.values)
    # Written out, stored, and read again it is the same.
    read = book_of(read_script(write_script(after)))
    assert [read.steps[id].names for id in read.order] == [after.steps[id].names for id in after.order]
    assert [read.values[id] for id in read.order] == [after.values[id] for id in after.order]
    stored = step_from(step_data(after.steps["new"]))
    assert (stored.names, stored.statement) == (after.steps["new"].names, after.steps["new"].statement)


@pytest.mark.parametrize("text", EXAMPLES)
def test_it_waits_for_what_it_works_on_and_recovers(text: str) -> None:
    b = book(*DRAWING)
    b, _, _ = edited_in_full(b, intents.write(b, text, "new")[0])
    off = b
    for id in [id for id in b.order if id != "new" and b.steps[id].name in text.replace(".", " ").split()]:
        off, _ = off.edited(Replace(replace(off.steps[id], off=True)))
    on = off
    for id in b.order:
        if on.steps[id].off:
            on, _ = on.edited(Replace(replace(on.steps[id], off=False)))
    assert [on.values[id] for id in on.order] == [b.values[id] for id in b.order]
    if off is not b and "outline" not in text:
        assert isinstance(off.values["new"], Problem)


def test_names_are_dealt_to_whatever_a_number_makes_more_of() -> None:
    b = book(
        "a = 100",
        "L1 = line from 0, 0 to 100, 0",
        "trim L1 from 40, 0 to a, 0",
        "L2 = line from 0, 9 to 5, 9",
        "K1 = rectangle from 0, 0 size 9, 9",
    )
    assert b.steps["s3"].names == ("L1",)
    after, edit, inverse = edited_in_full(b, intents.mend(b, "s1", "a = 60")[0])
    assert after.steps["s3"].names == ("L1", "L3")
    assert after.figure_named("l3", 9) == Line(Point(60.0, 0.0), Point(100.0, 0.0))
    assert dict(after.edited(inverse)[0].steps) == dict(b.steps)
    assert dict(b.edited(edit)[0].values) == dict(after.values)
    fewer, _, _ = edited_in_full(after, intents.mend(after, "s1", "a = 100")[0])
    assert fewer.steps["s3"].names == ("L1", "L3")


# The same anywhere --------------------------------------------------------------------------------------


def some_similarity(dice: Random) -> Similarity:
    p, turn = Point(dice.uniform(-9, 9), dice.uniform(-9, 9)), dice.uniform(0, 360)
    return dice.choice(
        (
            shift(p.x, p.y),
            rotation(p, turn),
            reflection(p, cos(radians(turn)), sin(radians(turn))),
            dilation(p, dice.uniform(0.1, 9)),
        )
    )


def alike(made: Outline, moved: Outline) -> None:
    assert len(made.pieces) == len(moved.pieces)
    assert made.length == pytest.approx(moved.length, rel=1e-9)
    assert area_of(made) == pytest.approx(area_of(moved), rel=1e-9)


@pytest.mark.parametrize("seed", range(12))
def test_offsets_and_corners_go_with_whatever_carries_their_figure(seed: int) -> None:
    dice = Random(f"anywhere {seed}")
    one = None
    while one is None:
        one = some_outline(dice)
    by = some_similarity(dice)
    there: Any = transformed(one, by)
    for side in ("inside", "outside"):
        distance, rounded = dice.uniform(0.3, 4), dice.random() < 0.5
        here = offset(one, distance, side, rounded, "K")
        moved = offset(there, distance * by.factor, side, rounded, "K")
        assert len(here) == len(moved)
        for made, other in zip(here, moved, strict=True):
            alike(transformed(made, by), other)  # type: ignore[arg-type]
    ways: list[tuple[Way, Way]] = [(rounding(0.4), rounding(0.4 * by.factor)), (cutting_off(0.3, 0.5, None), _cut_by(by))]
    for way, scaled in ways:
        try:
            rounded_off, unfit = corners_shaped(one, way, "K")
        except Refused:
            continue
        shaped, unfit_there = corners_shaped(there, scaled, "K")
        assert unfit == unfit_there
        alike(transformed(rounded_off, by), shaped)  # type: ignore[arg-type]


def _cut_by(by: Similarity) -> Way:
    return cutting_off(0.3 * by.factor, 0.5 * by.factor, None)


@pytest.mark.parametrize("mirrored", [False, True])
def test_sides_stay_right_when_what_they_count_from_is_carried(mirrored: bool) -> None:
    how = "mirror L1 in 0, 0; 1, 0" if mirrored else "turn L1 about 0, 0 by 180"
    made = report("L1 = line from 0, 2 to 10, 2", how, "offset L1 by 1 left", "L3 = line parallel L1 distance 1 left")["figures"]
    # Left of it as it runs now, wherever it was carried.
    assert made["L2"]["from"] == pytest.approx(made["L3"]["through"] if "through" in made["L3"] else made["L3"]["from"])
    assert made["L2"]["from"][1] == pytest.approx(-1 if mirrored else -3)


# Fuzzed -------------------------------------------------------------------------------------------------

PLACES = (
    "0, 0",
    "10, 10",
    "P1",
    "P3",
    "C1",
    "start of L1",
    "end of L2",
    "crossing of L1 L2",
    "middle of K1",
    "corner 2 of K1",
    "crossing of C1 C2 left",
    "on C1 at 90",
    "1e7, -1e7",
    "nearest to P3 on E1",
    "copy 2 of L1",
    "edge 1 of K1",
    "S9.C1",
)
THINGS = (
    "P1",
    "L1",
    "L2",
    "L3",
    "C1",
    "C2",
    "C3",
    "E1",
    "E2",
    "K1",
    "boss",
    "edge 1 of K1",
    "edge 3 of K1",
    "Q9",
    "corner 1 of K1",
)
NUMBERS = ("0", "5", "-5", "1e-9", "1e9", "0.5", "12", "360", "2.5")
FORMS = (
    "trim {f} from {p} to {q}", "keep {f} from {p} to {q}", "ink {f} from {p} to {q}", "split {f} at {p}; {q}",
        "split {f} at {p}", "whole {f}",
    "extend {f} end to {g}", "extend {f} start by {n}", "extend {f} end to {p}", "join {f} {g}", "join {f} {g} within {n}",
        "apart {f}",
    "offset {f} by {n} left", "offset {f} by {n} inside round", "offset {f} by {n}", "fillet {f} {g} radius {n}",
        "fillet {f} radius {n}",
    "fillet {f} {g} radius {n} trimmed", "chamfer {f} {g} by {n}", "chamfer {f} {g} by {n}; {n} trimmed",
        "chamfer {f} by {n} at 30",
    "repeat {f} {n} times about {p}", "repeat {f} {g} 3 by 2 step {n}, 0; 0, {n}", "repeat {f} 4 times along {g} from {p}",
        "group {f} {g}",
    "fit {f} from {p}; {q} to {q}; {p} scaled", "move {f} from {p} to {q}", "mirror {f} in {p}; {q} keeping",
        "scale {f} about {p} by {n}",
    "place {f} at {p} turned {n}", "outline at {p}", "outline at {p} ink", "pen hidden {f}", "hide {f}", "show {f} pencil",
        "ink {f}",
    "measure area {f}", "measure gap {f} {g}", "measure distance {f} {g}", "measure length {f}", "point nearest to {p} on {f}",
)  # fmt: skip


@pytest.mark.parametrize("seed", range(60))
def test_whatever_is_written_there_is_a_result_or_a_reason(seed: int) -> None:
    dice = Random(f"fuzz {seed}")
    lines: list[str] = list(DRAWING)
    for _ in range(10):
        f, g = dice.choice(THINGS), dice.choice(THINGS)
        lines.append(dice.choice(FORMS).format(f=f, g=g, p=dice.choice(PLACES), q=dice.choice(PLACES), n=dice.choice(NUMBERS)))
    made = report(*lines)
    assert all(p["message"] for p in made["problems"])
    for name, one in made["figures"].items():
        assert all(isfinite(v) for v in numbers(one)), (name, one)
    b: Book = book_of(read_script("\n".join(lines)))
    assert write_script(book_of(read_script(write_script(b)))) == write_script(b)
    # Pieces of an outline meet end to end.
    for value in b.values.values():
        for result in value.results if isinstance(value, StepResult) else ():
            if isinstance(result, Outline):
                for piece, after in pairwise(result.pieces):
                    gap = hypot(piece.end.x - after.start.x, piece.end.y - after.start.y)
                    assert gap <= 1e-7 * max(1.0, result.length, abs(piece.end.x))


def numbers(one: Any) -> list[float]:
    if isinstance(one, float | int):
        return [float(one)]
    if isinstance(one, dict):
        return [n for value in one.values() for n in numbers(value)]
    return [n for value in one for n in numbers(value)] if isinstance(one, list) else []


def test_a_trim_then_its_inverse() -> None:
    """What is trimmed off and joined again is as long, and lies where it was."""
    dice = Random(5)
    for _ in range(40):
        a, b = sorted((dice.uniform(0.05, 0.95), dice.uniform(0.05, 0.95)))
        made = report(
            "A1 = arc centre 3, 4 radius 20 at 10 sweep 200", f"P1 = point {a!r} of A1", f"P2 = point {b!r} of A1",
            "piece = ink A1 from P1 to P2", "rest = trim A1 from P1 to P2", "K1 = join A1 piece rest", "measure length K1",
        )  # fmt: skip
        if b - a < 1e-6:
            continue
        assert made["problems"] == []
        assert made["readings"][0]["value"] == pytest.approx(20 * radians(200), rel=1e-12)


def test_inserting_a_shaping_step_before_others_shapes_what_they_mean() -> None:
    b = book("L1 = line from 0, 0 to 10, 0", "P1 = point end of L1")
    step, _ = intents.tried(b, "extend L1 end by 5", "new", 1)
    after, inverse = b.edited(Insert(step, "s2"))
    assert figure(after, "P1") == Point(15.0, 0.0)
    assert figure(after.edited(inverse)[0], "P1") == Point(10.0, 0.0)
    assert place_along(figure(after, "L1"), 15.0) == Point(15.0, 0.0)
