"""Trim, keep, split, extend, whole, ink: what is left, its names, and where it lies.

Lengths and places of the table are sums of the givens, *common practice*; what must hold for any figure and any place is
a property: what is left lies on the figure, pieces add up to the whole, and a cut follows what it was taken from.
"""

from math import hypot, pi
from random import Random
from typing import Any

import pytest

from kentrograph.core.book.scene import pen_of, seen
from kentrograph.core.book.values import StepResult
from kentrograph.core.figures import Arc, Circle, Ellipse, EndlessLine, Line, Outline, Point
from kentrograph.core.figures.along import Longish, place_along
from kentrograph.core.intersect import nearest
from kentrograph.core.measure.closest import distance_between
from kentrograph.core.shape.cut import kept, split, trimmed, whole
from kentrograph.core.shape.extend import extended_by, extended_to_place
from kentrograph.core.shape.stretch import Cut, cut_at, end_of, is_closed, start_of

from .support import book, figure, problem, report

DRAWING = (
    "P1 = point 3, 4", "C1 = circle centre 0, 0 radius 10", "C2 = circle centre 12, 0 radius 10",
    "L1 = line from -20, 0 to 20, 0", "L2 = line from 0, -20 to 0, 20", "L3 = line through 0, 5; 1, 5",
    "A1 = arc centre 0, 0 radius 10 at 0 sweep 270", "E1 = ellipse centre 0, 0 axes 8, 5",
    "K1 = rectangle from 0, 0 size 10, 6", "K2 = path from 0, 0 to 10, 0 curve to 10, 6 to 0, 6",
)  # fmt: skip


def after(*lines: str) -> dict[str, Any]:
    made = report(*DRAWING, *lines)
    assert made["problems"] == [], made["problems"]
    return made["figures"]


def length(one: dict[str, Any]) -> float:
    if one["kind"] == "outline":
        return sum(length(piece) for piece in one["pieces"])
    if one["kind"] == "arc":
        return float(abs(one["sweep"]) * pi / 180 * one["radius"])
    return hypot(one["to"][0] - one["from"][0], one["to"][1] - one["from"][1])


TABLE: list[tuple[str, dict[str, float]]] = [
    # What comes of it, with the length of each.
    ("trim L1 from -5, 0 to 5, 0", {"L1": 15, "L4": 15}),
    ("trim L1 from 5, 0 to -5, 0", {"L1": 15, "L4": 15}),  # an open figure takes them in its own order
    ("trim L1 from start to -5, 0", {"L1": 25}),
    ("trim L1 from crossing of L1 C1 leaving to end", {"L1": 30}),
    ("rest = trim L1 from -5, 0 to 5, 0", {"L1": 15, "rest": 15}),
    ("keep L1 from crossing of L1 C1 entering to crossing of L1 C1 leaving", {"L1": 20}),
    ("keep L3 from crossing of L3 C1 entering to crossing of L3 C1 leaving", {"L3": 2 * 75**0.5}),  # the chord 5 above the centre
    ("trim C1 from 10, 0 to 0, 10", {"C1": 15 * pi}),
    ("trim C1 from 0, 10 to 10, 0", {"C1": 5 * pi}),  # on a closed one the order says which part
    ("keep C1 from 0, 10 to 10, 0", {"C1": 15 * pi}),
    ("split C1 at 10, 0; 0, 10", {"C1": 5 * pi, "A2": 15 * pi}),
    ("split C1 at 0, 10; 10, 0; -10, 0", {"C1": 5 * pi, "A2": 10 * pi, "A3": 5 * pi}),
    ("trim A1 from 0, 10 to -10, 0", {"A1": 5 * pi, "A2": 5 * pi}),
    ("keep A1 from start to 0, 10", {"A1": 5 * pi}),
    ("split L1 at 0, 0; 10, 0", {"L1": 20, "L4": 10, "L5": 10}),
    ("trim K1 from 5, 0 to 10, 3", {"K1": 24}),
    ("trim K1 from 10, 3 to 5, 0", {"K1": 8}),
    ("split K1 at 5, 0", {"K1": 32}),
    ("split K1 at 10, 0", {"K1": 32}),
    ("split K1 at 5, 0; 5, 6", {"K1": 16, "K3": 16}),
    ("trim K2 from 10, 0 to 10, 6", {"K2": 10, "K3": 10}),
    ("extend L1 end by 5", {"L1": 45}),
    ("extend L1 start by -5", {"L1": 35}),
    ("extend L1 end to C2", {"L1": 42}),  # the first ahead: x = 22
    ("extend L1 end to C2 entering", {"L1": 22}),
    ("extend L1 end to 25, 9", {"L1": 45}),  # level with a place: as far as its foot
    ("extend L1 start to L2", {"L1": 20}),
    ("extend A1 end by 2", {"A1": 15 * pi + 2}),
    ("extend A1 end to 5, -5", {"A1": 10 * 315 / 180 * pi}),
    ("extend A1 start by -5", {"A1": 15 * pi - 5}),
    ("extend K2 end by 4", {"K2": 24 + 3 * pi}),
    ("extend K2 start to L2", {"K2": 20 + 3 * pi}),
    ("ink C1 from 10, 0 to 0, 10", {"A2": 5 * pi}),
    ("edge1 = ink edge 1 of K1", {"edge1": 10}),
]  # fmt: skip


@pytest.mark.parametrize(("text", "lengths"), TABLE)
def test_what_comes_of_it(text: str, lengths: dict[str, float]) -> None:
    before, now = after(), after(text)
    assert set(now) - set(before) <= set(lengths)
    assert {name: length(now[name]) for name in lengths} == pytest.approx(lengths, rel=1e-12)
    for name in before.keys() - lengths.keys():
        assert {key: value for key, value in now[name].items() if key != "pen"} == before[name]


@pytest.mark.parametrize(
    ("text", "kind"),
    [
        ("trim L1 from 0, 0 to 0, 0", "same_places"), ("trim L1 from start to end", "all_gone"),
        ("trim L3 from 0, 5 to 4, 5", "endless"), ("trim P1 from 0, 0 to 1, 1", "not_cut"), ("trim L1 from 0, 0", "needs_given"),
        ("trim C1 from start to 0, 10", "no_ends"), ("trim C1 from 10, 0 to 10, 0", "same_places"), ("trim L1", "needs_given"),
        ("trim", "needs_given"), ("trim L1 L2 from 0, 0 to 1, 0", "one_figure"), ("split C1 at 10, 0", "two_cuts"),
        ("split L1 at 20, 0", "at_its_end"), ("split L1 at 5, 0; 5, 0", "same_places"),
        ("split C1 at 10, 0; 10, 0", "same_places"),
        ("split L3 at 0, 5", "endless"), ("keep C1 from 10, 0 to 10, 0", "same_places"), ("whole L1", "no_whole"),
        ("whole C1", "whole_already"), ("extend L1 end by -40", "too_short"), ("extend A1 end by 20", "full_circle"),
        ("extend C1 end by 2", "no_end_to_extend"), ("extend K1 end by 2", "no_end_to_extend"), ("extend L1 by 2", "needs_given"),
        ("extend L1 end to -30, 4", "turned_over"), ("extend L1 end to L3", "never_reaches"), ("extend L1 end", "needs_given"),
        ("extend L1 start end by 2", "too_many_givens"), ("extend L1 end by 2 to L2", "too_many_givens"),
        ("Q1 = keep L1 from start to 0, 0", "no_new_figure"), ("Q1 = whole A1", "no_new_figure"), ("pencil C1", "no_pencilling"),
        ("ink C1 from 10, 0 to 10, 0", "same_places"), ("extend P1 end by 3", "no_end_to_extend"),
        ("trim edge 1 of K1 from start to 2, 0", "whole_figure"),
    ],
)  # fmt: skip
def test_what_cannot_be_cut_says_why(text: str, kind: str) -> None:
    assert problem(*DRAWING, text)["kind"] == kind


def test_a_place_beside_the_figure_is_taken_at_its_foot_and_that_is_said() -> None:
    made = after("keep L1 from 0, 3 to 4, 0")["L1"]
    assert (made["from"], made["to"]) == ([0, 0], [4, 0])
    assert made["note"] == "from lies 3 beside L1: cut at its foot"


def test_earlier_steps_go_on_meaning_what_they_meant() -> None:
    made = after(
        "P2 = point on C1 at 45", "trim C1 from 10, 0 to 0, 10", "P3 = point middle of C1", "whole C1", "P4 = point on C1 at 45"
    )
    assert made["P2"]["at"] == made["P4"]["at"] == pytest.approx([50**0.5, 50**0.5])
    assert made["P3"]["at"] == pytest.approx([-(50**0.5), -(50**0.5)])
    assert made["C1"]["kind"] == "circle"


def test_a_cut_follows_when_either_figure_moves() -> None:
    for x in range(1, 100):
        made = report(
            f"a = {x / 5}", "C1 = circle centre a, 0 radius 10", "L1 = line from -30, 2 to 60, 2",
            "trim L1 from crossing of L1 C1 entering to crossing of L1 C1 leaving", "P1 = point start of L2",
        )  # fmt: skip
        half = 96**0.5
        assert made["figures"]["L1"]["to"] == pytest.approx([x / 5 - half, 2])
        assert made["figures"]["P1"]["at"] == pytest.approx([x / 5 + half, 2])


def test_a_name_for_which_nothing_comes_waits_and_says_why() -> None:
    lines = ("a = {}", "L1 = line from 0, 0 to 100, 0", "L2 = trim L1 from 40, 0 to a, 0", "P1 = point end of L2")
    assert report(*(line.format(60) for line in lines))["problems"] == []
    made = report(*(line.format(100) for line in lines))
    assert [p["kind"] for p in made["problems"]] == ["no_such_result"]
    assert made["problems"][0]["message"] == "there is no L2 now: one figure comes of the step"
    assert "L2" not in made["figures"]


def test_what_is_inked_over_is_pencil_from_there_on_and_stays() -> None:
    b = book(
        "C1 = circle centre 0, 0 radius 10",
        "ink C1 from 10, 0 to 0, 10",
        "ink C1 from -10, 0 to 0, -10",
        "trim C1 from 10, 0 to 0, 10",
    )
    assert [pen_of(b, id) for id in b.order] == ["pencil", "ink", "ink", "pencil"]
    assert pen_of(b, "s1", b.order.key("s2")) == "ink"
    assert [seen(b, id) for id in b.order] == [False, True, True, True]
    assert figure(b, "A2") == Arc(Point(0, 0), 10.0, Point(-10, 0), Point(0, -10), 90.0)


# Properties ---------------------------------------------------------------------------------------------

A, B, Q = Point(3.0, -2.0), Point(13.0, 5.0), Point(0.0, 10.0)
LONG: dict[str, Longish] = {
    "line": Line(A, B), "circle": Circle(A, 7.0), "arc": Arc(Point(0, 0), 10.0, Point(10, 0), Q, 90.0),
    "arc of more than half a turn": Arc(Point(0, 0), 10.0, Q, Point(10, 0), 270.0),
    "clockwise arc": Arc(Point(0, 0), 10.0, Q, Point(10, 0), -90.0), "ellipse": Ellipse(A, 9.0, 4.0, 30.0),
    "part of an ellipse": Ellipse(A, 9.0, 4.0, 30.0, 20.0, 200.0), "clockwise part": Ellipse(A, 9.0, 4.0, 30.0, 20.0, -200.0),
    "closed outline": Outline((Line(A, B), Line(B, Q), Line(Q, A)), True),
    "open outline": Outline(
        (Line(Point(-5, 0), Point(10, 0)), Arc(Point(0, 0), 10.0, Point(10, 0), Q, 90.0), Line(Q, Point(-9, 9))), False
    ),
    "self-touching outline": Outline(
        (Line(Point(0, 0), Point(8, 8)), Line(Point(8, 8), Point(8, 0)), Line(Point(8, 0), Point(0, 8))), False
    ),
    "far away": Line(Point(1e7, 1e7), Point(1e7 + 30.0, 1e7 + 40.0)), "tiny": Circle(Point(0, 0), 1e-6),
    "huge": Arc(Point(0, -1e9), 1e9, Point(1e9, -1e9), Point(0, 0), 90.0),
}  # fmt: skip


def sorted_cuts(figure: Longish, dice: Random, count: int) -> list[Cut]:
    cuts = [cut_at(figure, place_along(figure, dice.uniform(0.02, 0.98) * figure.length)) for _ in range(count)]
    return sorted(cuts, key=lambda cut: cut[:2])


def reach(figure: Any) -> float:
    return max(
        figure.length, *(max(abs(p.x), abs(p.y)) for p in (place_along(figure, 0.0), place_along(figure, figure.length / 2)))
    )


@pytest.mark.parametrize("name", LONG)
def test_pieces_lie_on_the_figure_and_add_up_to_it(name: str) -> None:
    one, dice = LONG[name], Random(name)
    for _ in range(30):
        a, b = sorted_cuts(one, dice, 2)
        made = [*trimmed(one, a, b, "X"), kept(one, a, b)]
        parts = split(one, [a, b], "X")
        for pieces in (made, parts):
            assert sum(piece.length for piece in pieces) == pytest.approx(one.length, rel=1e-12)
            for piece in pieces:
                for share in (0.0, 0.3, 0.7, 1.0):
                    at = place_along(piece, share * piece.length)
                    on = nearest(one, at)
                    assert hypot(on.x - at.x, on.y - at.y) <= 1e-12 * reach(one)
        # What was cut meets where it was cut.
        ends = [end for piece in parts for end in (piece.start, piece.end)]
        assert all(any(hypot(cut.at.x - end.x, cut.at.y - end.y) <= 1e-12 * reach(one) for end in ends) for cut in (a, b))


@pytest.mark.parametrize("name", LONG)
def test_a_cut_is_where_it_was_taken_and_ends_are_ends(name: str) -> None:
    one, dice = LONG[name], Random(name)
    for _ in range(50):
        at = place_along(one, dice.random() * one.length)
        cut = cut_at(one, at)
        assert cut.off == 0.0
        assert hypot(cut.at.x - at.x, cut.at.y - at.y) <= 1e-12 * reach(one)
    if not is_closed(one):
        assert cut_at(one, place_along(one, 0.0))[:3] == start_of(one)[:3]
        assert cut_at(one, place_along(one, one.length))[:2] == end_of(one)[:2]


@pytest.mark.parametrize("name", [n for n, f in LONG.items() if isinstance(f, Line | Arc | Ellipse) and not is_closed(f)])
def test_extending_and_shortening_undo_one_another(name: str) -> None:
    one: Any = LONG[name]
    for at_end in (True, False):
        more = 0.05 * one.length
        longer: Any = extended_by(one, at_end, more, "X")
        assert longer.length == pytest.approx(one.length + more, rel=1e-11)
        back: Any = extended_by(longer, at_end, -more, "X")
        for p, q in ((back.start, one.start), (back.end, one.end)):
            assert hypot(p.x - q.x, p.y - q.y) <= 1e-11 * reach(one)
        tip = longer.end if at_end else longer.start
        level: Any = extended_to_place(one, at_end, tip, "X")
        assert level.length == pytest.approx(longer.length, rel=1e-9)


def test_whole_again() -> None:
    assert whole(LONG["clockwise arc"], "X") == Circle(Point(0, 0), 10.0)
    assert whole(LONG["clockwise part"], "X") == LONG["ellipse"]


@pytest.mark.parametrize("seed", range(40))
def test_nothing_that_is_cut_anywhere_falls_off_its_figure(seed: int) -> None:
    """Fuzzed over all kinds and special positions: a result or a reason, and no piece off its figure."""
    dice = Random(seed)
    places = [
        "10, 0", "0, 10", "-10, 0", "0, 0", "3, 4", "crossing of L1 C1 leaving", "crossing of C1 C2 left", "start of A1", "P1",
        "end of A1", "middle of A1", "corner 2 of K1", "40% of K1", "on C1 at 359.9999999", "1e7, 1e7",
    ]  # fmt: skip
    stops = [*places, "start", "end"]
    for _ in range(25):
        name = dice.choice(["C1", "C2", "L1", "L2", "L3", "A1", "E1", "K1", "K2", "P1"])
        a, b, c = dice.choice(stops), dice.choice(stops), dice.choice(places)
        which, to = dice.choice(["start", "end"]), dice.choice(["C1", "L2", "K1", "E1", "3, 4", "A1"])
        text = dice.choice([
            f"trim {name} from {a} to {b}", f"keep {name} from {a} to {b}", f"ink {name} from {a} to {b}",
            f"split {name} at {c}; 3, 3", f"extend {name} {which} to {to}",
            f"extend {name} end by {dice.choice(['1', '-1', '1e-9', '100', '-100'])}",
        ])  # fmt: skip
        before = figure(book(*DRAWING), name)
        made = book(*DRAWING, text)
        value = made.values[made.order[-1]]
        if not isinstance(value, StepResult) or text.startswith("extend") or isinstance(before, EndlessLine):
            continue
        for piece in value.results:
            for share in (0.0, 0.5, 1.0):
                at = place_along(piece, share * piece.length)  # type: ignore[arg-type, union-attr]
                assert distance_between(at, before) <= 1e-10, text
