"""Names with versions, steps with several results, and what a similarity carries: the contract of shaping, step by step."""

from dataclasses import replace
from math import cos, hypot, radians, sin
from random import Random
from typing import Any

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.edits import Delete, Insert, Move, Replace
from kentrograph.core.book.scene import pen_of
from kentrograph.core.desk import intents
from kentrograph.core.desk.pointer import Pointer
from kentrograph.core.desk.pulling import handles, pulled
from kentrograph.core.desk.rename import rename
from kentrograph.core.figures import Arc, Circle, Ellipse, EndlessLine, Figure, Line, Outline, Point
from kentrograph.core.figures.along import place_along
from kentrograph.core.figures.similarity import Similarity, dilation, reflection, rotation, shift, transformed
from kentrograph.core.intersect import nearest
from kentrograph.core.language.script import write_script
from kentrograph.core.measure.area import area_of
from kentrograph.core.problem import Problem, Refused
from kentrograph.core.snap.candidates import take_at
from kentrograph.core.snap.query import Query
from kentrograph.core.snap.select import inside

from .support import book, figure, problem, report

SHAPED = (
    "C1 = circle centre 0, 0 radius 5",
    "P1 = point C1: 1, 0",
    "move C1 by 100, 0",
    "P2 = point C1: 1, 0",
    "move C1 by 0, 50",
    "P3 = point C1: 1, 0",
)


def at(b: Book, name: str) -> tuple[float, float]:
    point = figure(b, name)
    return point.x, point.y


def now(b: Book, name: str) -> Any:
    """What a name stands for at the end."""
    return b.figure_named(name.lower(), len(b.order))


# Versions ---------------------------------------------------------------------------------------------


def test_a_step_goes_on_meaning_the_version_that_stood_before_it() -> None:
    b = book(*SHAPED)
    assert [at(b, name) for name in ("P1", "P2", "P3")] == [(1.0, 0.0), (101.0, 0.0), (101.0, 50.0)]
    assert now(b, "C1") == Circle(Point(100.0, 50.0), 5.0)


def test_a_change_touches_exactly_those_between_it_and_the_next_version() -> None:
    b = book(*SHAPED)
    after, _ = b.edited(intents.mend(b, "s3", "move C1 by 200, 0")[0])
    assert after.changed == {"s3", "s4", "s5", "s6"}
    after, _ = b.edited(intents.mend(b, "s5", "move C1 by 0, 70")[0])
    assert after.changed == {"s5", "s6"}
    between, _ = b.edited(intents.write(b, "mirror C1 in 0, 0; 0, 1", "new", "s4")[0])
    assert between.changed == {"new", "s4", "s5", "s6"}
    assert at(between, "P2") == (-99.0, 0.0)
    assert at(between, "P1") == (1.0, 0.0)


@pytest.mark.parametrize("how", ["struck", "off"])
def test_without_a_shaping_step_the_earlier_version_is_back(how: str) -> None:
    b = book(*SHAPED)
    edit = Delete("s3") if how == "struck" else Replace(replace(b.steps["s3"], off=True))
    without, inverse = b.edited(edit)  # type: ignore[arg-type]
    assert [at(without, name) for name in ("P1", "P2", "P3")] == [(1.0, 0.0), (1.0, 0.0), (1.0, 50.0)]
    back, _ = without.edited(inverse)
    assert back.values == b.values


def test_moving_a_shaping_step_moves_what_it_shapes() -> None:
    b = book(*SHAPED)
    first, inverse = b.edited(Move("s3", "s2"))
    assert at(first, "P1") == (101.0, 0.0)
    back, _ = first.edited(inverse)
    assert (back.order, back.values) == (b.order, b.values)
    with pytest.raises(Refused):
        intents.move(b, "s3", "s1")


def test_a_figure_that_waits_lets_its_later_versions_wait() -> None:
    b = book("r = 5", "C1 = circle centre 0,0 radius r", "move C1 by 10, 0", "P1 = point C1: 1, 0")
    broken, inverse = b.edited(intents.mend(b, "s1", "r = -5")[0])
    assert [v.kind for v in map(broken.values.__getitem__, broken.order) if isinstance(v, Problem)] == [
        "bad_radius",
        "waits",
        "waits",
    ]
    assert broken.edited(inverse)[0].values == b.values


def test_a_verb_follows_a_figure_that_becomes_another_kind_of_thing() -> None:
    b = book("a = point 0, 0", "move a by 8, 0", "arc centre a at 90 radius 2 sweep 90")
    assert figure(b, "A1").centre == Point(8.0, 0.0)
    after, _ = b.edited(intents.mend(b, "s1", "a = 8")[0])
    assert [getattr(after.values[id], "kind", "") for id in after.order] == ["", "not_shaped", "needs_given"]


def test_renaming_follows_one_lineage_from_whichever_step() -> None:
    b = book(*SHAPED)
    for id in ("s1", "s3", "s5"):
        after, inverse = b.edited(rename(b, id, "boss")[0])
        assert "C1" not in write_script(after)
        assert [after.values[id] for id in after.order] == [b.values[id] for id in b.order]
        assert after.edited(inverse)[0].values == b.values


# Several results ----------------------------------------------------------------------------------------


def test_names_are_dealt_in_the_order_of_the_operands() -> None:
    b = book(
        "K1 = rectangle from 0,0 size 4,2", "C2 = circle centre 1,1 radius 1", "copy K1 C2 by 10, 0", "K9 = copy C2 K1 by 0, 9"
    )
    assert b.steps["s3"].names == ("K2", "C1")
    assert b.steps["s4"].names == ("K9", "K3")
    assert now(b, "K9") == Circle(Point(1.0, 10.0), 1.0)
    assert now(b, "C1") == Circle(Point(11.0, 1.0), 1.0)
    lines = write_script(b)
    assert list(book(*lines.splitlines()).order) == list(b.order)


def test_each_result_is_a_figure_in_its_own_right() -> None:
    found = report(
        "C1 = circle centre 0,0 radius 1", "C2 = circle centre 5,0 radius 2", "A B = copy C1 C2 by 0, 10", "move B by 1, 1",
        "copy A B by 100, 0", "measure distance A B",
    )  # fmt: skip
    assert found["figures"]["B"]["centre"] == [6.0, 11.0]
    assert found["figures"]["A"]["centre"] == [0.0, 10.0]
    assert found["figures"]["C4"]["centre"] == [106.0, 11.0]
    assert found["readings"][0]["value"] == pytest.approx(hypot(6, 1) - 3)
    b = book("C1 = circle centre 0,0 radius 1", "C2 = circle centre 5,0 radius 2", "A B = copy C1 C2 by 0, 10", "move B by 1, 1")
    after, _ = b.edited(rename(b, "s4", "boss")[0])
    assert after.steps["s3"].statement.text == "A boss = copy C1 C2 by 0, 10"
    assert now(after, "boss") == now(b, "B")
    # All names of a step at once, in their order, or but one of them.
    for said, text in (("A boss", "A boss = copy"), ("B A", "B A = copy"), ("one two", "one two = copy")):
        after, inverse = b.edited(rename(b, "s3", said)[0])
        assert after.steps["s3"].statement.text.startswith(text)
        assert after.steps["s4"].statement.text == f"move {said.split()[1]} by 1, 1"
        assert [after.values[id] for id in after.order] == [b.values[id] for id in b.order]
        assert after.edited(inverse)[0].steps == b.steps
    for said, kind in (("A", "other_count"), ("A A", "name_taken"), ("A C1", "name_taken"), ("A 3", "bad_name")):
        with pytest.raises(Refused) as refused:
            rename(b, "s3", said)
        assert refused.value.problem.kind == kind


def test_handles_and_working_see_the_version_that_the_step_means() -> None:
    b = book(
        "P1 = point 0, 0", "C1 = circle centre P1 radius 10", "P2 = point on C1 at 30",
        "P3 = point 1, 1", "L1 = line from P1 to 40, 0", "L2 = line parallel L1 distance 6 left", "move L1 C1 by 0, 100",
    )  # fmt: skip
    # Its grip lies beside the line as it was when it was drawn, and is pulled from there.
    grip = next(h for h in handles(b, "s6") if "distance" in h.words)
    made = pulled(b, grip, Pointer(20.0, 9.0, 1.0, 0.1))
    assert made is not None
    assert made.text.endswith("distance 9 left")
    on_rim = next(iter(handles(b, "s3")))
    moved = pulled(b, on_rim, Pointer(0.0, 10.0, 1.0, 0.1))
    assert moved is not None
    assert moved.text.endswith("on C1 at 90")


def test_renaming_reaches_steps_that_cannot_be_planned() -> None:
    b = book("P1 = point 0, 0", "circle centre P1 radius 5 radius 6 touching P1")
    after, _ = b.edited(rename(b, "s1", "post")[0])
    assert after.steps["s2"].statement.text == "circle centre post radius 5 radius 6 touching post"


@pytest.mark.parametrize(
    "text",
    ["mirror C1 L1 in L2 keeping", "mirror keeping C1 L1 in L2", "move C1 keeping L1 by 1, 1", "copy C1 L1 from C1 to end of L1",
     "turn C1 L1 keeping about C1 by 20", "scale L1 C1 about 0,0 by 3 keeping"],
)  # fmt: skip
def test_the_givens_of_a_verb_stand_in_any_order(text: str) -> None:
    found = report("C1 = circle centre 0,0 radius 1", "L1 = line from 0,0 to 1,1", "L2 = line from 5,0 to 5,1", text)
    assert found["problems"] == []
    assert set(found["figures"]) == {"C1", "L1", "L2", "C2", "L3"}


@pytest.mark.parametrize(
    ("text", "kind"),
    [
        ("N = move C1 by 1, 1", "names_kept"),
        ("move C1 C1 by 1, 1", "named_twice"),
        ("N Z = copy C1 by 1, 1", "too_many_names"),
        ("N N = copy C1 L1 by 1, 1", "named_twice"),
        ("C1 = copy L1 by 1, 1", "name_taken"),
        ("move by 1, 1", "needs_given"),
        ("move C1", "needs_given"),
        ("move C1 from 0,0", "needs_given"),
        ("move C1 by 1, 1 from 0,0 to 1,1", "too_many_givens"),
        ("move C9 by 1, 1", "unknown_name"),
        ("move a by 1, 1", "not_shaped"),
        ("mirror C1 in C1", "no_mirror"),
        ("mirror C1 in 0,0; 0,0", "same_places"),
        ("scale C1 about 0,0 by 0", "bad_factor"),
        ("scale C1 about 0,0 by -2", "bad_factor"),
        ("turn C1 about 0,0", "needs_given"),
        ("turn C1 about 0,0 from 0,0 to 1,1", "same_places"),
    ],
)
def test_what_cannot_be_shaped_says_why(text: str, kind: str) -> None:
    assert problem("C1 = circle centre 0,0 radius 1", "L1 = line from 0,0 to 1,1", "a = 5", text)["kind"] == kind


@pytest.mark.parametrize("in_hand", ["pencil", "ink"])
@pytest.mark.parametrize("drawn", ["pencil", "ink"])
def test_a_verb_draws_with_what_drew_its_figure_whatever_is_in_hand(drawn: str, in_hand: str) -> None:
    b = book(f"{drawn} C1 = circle centre 0,0 radius 1")
    for text in ("move C1 by 5, 0", "copy C1 by 0, 5", "mirror C1 in 0,0; 1,1 keeping"):
        b, _ = b.edited(intents.write(b, text, text[:4], pen=in_hand)[0])
        assert b.steps[text[:4]].statement.text == text
        assert pen_of(b, text[:4]) == drawn


# What is seen -------------------------------------------------------------------------------------------


def test_only_the_newest_version_is_seen_and_the_one_of_its_time_while_an_earlier_step_is_written() -> None:
    b = book(*SHAPED[:3])

    def words(x: float, y: float, before: int | None) -> list[str]:
        return [c.words for c in take_at(b, Query(x, y, 1.0, before=before))]

    assert "centre of C1" in words(100, 0, None)
    assert "centre of C1" not in words(0, 0, None)
    assert "centre of C1" in words(0, 0, 2)
    assert "centre of C1" not in words(100, 0, 2)
    assert inside(b, (-10, -10, 10, 10)) == ["s2"]
    assert inside(b, (90, -10, 110, 10)) == ["s3"]


def test_every_result_can_be_taken() -> None:
    b = book("C1 = circle centre 0,0 radius 1", "C2 = circle centre 50,0 radius 1", "A B = copy C1 C2 by 0, 100")
    for x, name in ((0.0, "A"), (50.0, "B")):
        assert f"centre of {name}" in [c.words for c in take_at(b, Query(x, 100.0, 0.5))]
    moved, _ = b.edited(Insert(intents.tried(b, "move B by 0, 40", "m", 3)[0]))
    assert [c.words for c in take_at(moved, Query(50.0, 100.0, 0.5))] == []
    assert "centre of B" in [c.words for c in take_at(moved, Query(50.0, 140.0, 0.5))]


# Similarities -------------------------------------------------------------------------------------------

A, P, Q, R = Point(0.0, 0.0), Point(4.0, 0.0), Point(4.0, 4.0), Point(2.0, 1.0)
FIGURES: list[Figure] = [
    Point(3.0, 4.0), Line(R, Point(7.0, -3.0)), EndlessLine(R, 0.6, 0.8), Circle(Point(5.0, 1.0), 2.0),
    Arc(A, 5.0, Point(5.0, 0.0), Point(0.0, 5.0), 90.0), Arc(A, 5.0, Point(3.0, 4.0), Point(5.0, 0.0), -53.13010235415598),
    Ellipse(R, 4.0, 1.5, 30.0), Ellipse(R, 4.0, 1.5, 30.0, 20.0, 200.0), Ellipse(R, 4.0, 1.5, 30.0, 20.0, -100.0),
    Outline((Line(A, P), Arc(Point(4.0, 2.0), 2.0, P, Q, 180.0), Line(Q, A)), True),
]  # fmt: skip


def some_similarity(dice: Random) -> Similarity:
    p = Point(dice.uniform(-9, 9), dice.uniform(-9, 9))
    turn = dice.uniform(0, 360)
    return dice.choice(
        (
            shift(p.x, p.y),
            rotation(p, turn),
            reflection(p, cos(radians(turn)), sin(radians(turn))),
            dilation(p, dice.uniform(0.1, 9)),
        )
    )


@pytest.mark.parametrize("one", FIGURES, ids=lambda f: type(f).__name__)
def test_what_is_carried_is_where_its_places_are_carried(one: Figure) -> None:
    """Property: every place of a figure, carried, lies on the carried figure, in the same share of its length."""
    dice = Random(4)
    for _ in range(40):
        by = some_similarity(dice)
        made = transformed(one, by)
        assert type(made) is type(one)
        if isinstance(one, Point):
            assert made == by.place(one)
            continue
        if isinstance(one, EndlessLine):
            there = by.place(place_along(one, 3.0))
            assert near(nearest(made, there), there)  # type: ignore[arg-type]
            continue
        assert made.length == pytest.approx(one.length * by.factor, rel=1e-12)  # type: ignore[union-attr]
        for share in (0.0, 0.2, 0.5, 0.9, 1.0):
            there = by.place(place_along(one, share * one.length))
            if isinstance(one, Circle) or (isinstance(one, Ellipse) and one.whole):
                # Where a closed figure begins is no part of what it is.
                assert near(nearest(made, there), there)  # type: ignore[arg-type]
            else:
                assert near(place_along(made, share * made.length), there)  # type: ignore[arg-type, union-attr]
        if isinstance(one, Circle | Outline):
            assert area_of(made) == pytest.approx(area_of(one) * by.factor**2, rel=1e-12)


def near(a: Point, b: Point) -> bool:
    return hypot(a.x - b.x, a.y - b.y) <= 1e-9 * max(1.0, abs(b.x), abs(b.y))


@pytest.mark.parametrize(
    ("there", "back"),
    [
        ("move {} by 3, 4", "move {} by -3, -4"), ("move {} from P1 to 9, 9", "move {} from 9, 9 to P1"),
        ("turn {} about P1 by 37", "turn {} about P1 by -37"), ("mirror {} in L9", "mirror {} in L9"),
        ("scale {} about P1 by 3", "scale {} about P1 by 1/3"), ("mirror {} in P1; 5, 5", "mirror {} in 5, 5; P1"),
        ("turn {} about P1 from 5,5 to 0,9", "turn {} about P1 from 0,9 to 5,5"),
    ],
)  # fmt: skip
@pytest.mark.parametrize("header", ["unit mm", "datum 10, 3 direction 25", "angles north clockwise"])
def test_a_similarity_and_its_inverse_leave_a_figure_where_it_was(there: str, back: str, header: str) -> None:
    lines = (
        "P1 = point 1, 2", "L9 = line from 0, 3 to 7, 1", "C1 = circle centre 4,5 radius 2",
        "A1 = arc centre 0,0 radius 5 at 20 sweep 100", "E1 = ellipse centre 2,1 axes 4,2 turned 20 part 10 to 200",
        "K1 = path from 0,0 to 5,0 curve to 5,5 close",
    )  # fmt: skip
    for name in ("C1", "A1", "E1", "K1"):
        b = book(header, *lines, there.format(name), back.format(name))
        owner = b.owner(name.lower())
        assert owner is not None
        one, other = b.figure_of(owner.id), now(b, name)
        assert near(getattr(one, "centre", None) or one.start, getattr(other, "centre", None) or other.start)
        assert other.length == pytest.approx(one.length, rel=1e-12)
        if not isinstance(one, Circle):
            assert near(one.start, other.start)
            assert near(one.end, other.end)
