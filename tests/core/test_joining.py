"""Join, apart, fillet and chamfer: outlines from pieces, and their corners.

Areas by hand: a rectangle with rounded corners wh - (4 - pi) r² (*published* in engineers' handbooks, from memory), with cut ones
wh - 2 c² (*common practice*). Counts of pieces, order and sense as the contract of shaping has them.
"""

from itertools import pairwise, permutations
from math import hypot, pi, radians, sin, tan
from random import Random
from typing import Any

import pytest

from kentrograph.core.book.scene import pen_of, seen
from kentrograph.core.figures import Arc, Line, Outline, Point
from kentrograph.core.figures.along import heading
from kentrograph.core.problem import Refused
from kentrograph.core.shape.corners import corner_shaped, rounding
from kentrograph.core.shape.join import joined

from .support import book, figure, problem, report

SIDES = (
    "a = line from 0, 0 to 10, 0",
    "b = line from 10, 0 to 10, 6",
    "c1 = line from 10, 6 to 0, 6",
    "d1 = line from 0, 6 to 0, 0",
)
TURNED = (
    "a = line from 10, 0 to 0, 0",
    "b = line from 10, 0 to 10, 6",
    "c1 = line from 0, 6 to 10, 6",
    "d1 = line from 0, 6 to 0, 0",
)
K = (
    "K1 = rectangle from 0, 0 size 10, 6", "K2 = path from 0, 0 to 10, 0 to 10, 6",
    "K3 = path from 0, 0 to 20, 0 curve to 20, 10 to 0, 10 close", "L1 = line from 0, 0 to 30, 0", "L2 = line from 0, 0 to 0, 20",
    "C1 = circle centre 30, 0 radius 10", "L3 = line from 0, 5 to 9, 5", "E1 = ellipse centre 0, 0 axes 10, 5",
    "K4 = path from 0, 0 to 10, 0 curve along E1 to 0, 5 close", "P1 = point 0, 0", "L4 = line from 20, -10 to 20, 10",
)  # fmt: skip


def now(*lines: str) -> dict[str, Any]:
    made = report(*lines)
    assert made["problems"] == [], made["problems"]
    return made["figures"]


# Joining ------------------------------------------------------------------------------------------------


@pytest.mark.parametrize("sides", [SIDES, TURNED], ids=["alike", "turned"])
def test_pieces_join_in_any_order_and_sense(sides: tuple[str, ...]) -> None:
    for order in permutations(("a", "b", "c1", "d1")):
        made = report(*sides, f"K1 = join {' '.join(order)}", "measure area K1")
        assert made["problems"] == []
        assert made["readings"][0]["value"] == 60
        pieces = made["figures"]["K1"]["pieces"]
        # It begins with the first that is named, and runs from it toward the second where the two meet.
        first, second = (made["figures"][name] for name in order[:2])
        assert {*map(tuple, (pieces[0]["from"], pieces[0]["to"]))} == {*map(tuple, (first["from"], first["to"]))}
        if any(p in (second["from"], second["to"]) for p in (first["from"], first["to"])):
            assert {*map(tuple, (pieces[1]["from"], pieces[1]["to"]))} == {*map(tuple, (second["from"], second["to"]))}


def test_what_is_joined_is_taken_up_and_still_named() -> None:
    b = book(*SIDES, "K1 = join a b c1 d1", "P1 = point middle of b")
    assert [seen(b, id) for id in b.order] == [False, False, False, False, True, True]
    assert seen(b, "s1", b.order.key("s5"))
    assert figure(b, "P1") == Point(10.0, 3.0)
    b = book("pencil a = line from 0, 0 to 1, 0", "b = line from 1, 0 to 1, 1", "K1 = join a b")
    assert pen_of(b, "s3") == "pencil"


def test_what_cannot_be_joined_takes_nothing_up() -> None:
    b = book("a = line from 0, 0 to 1, 0", "b = line from 1, 0.004 to 1, 1", "K1 = join a b")
    assert [seen(b, id) for id in b.order] == [True, True, True]
    found = problem("a = line from 0, 0 to 1, 0", "b = line from 1, 0.004 to 1, 1", "K1 = join a b")
    assert found["message"] == "a and b do not meet: their ends are 0.004 apart"


@pytest.mark.parametrize(
    ("lines", "note"),
    [
        (("a = line from 0, 0 to 1, 0", "b = line from 1, 0.004 to 1, 1"), "an end of b moved by 0.004"),
        (("a = line from 0, 0 to 1, 0", "b = arc from 1, 0.004 via 2, 1 to 1, 2"), "an end of a moved by 0.004"),
        (("a = arc from 0, 0 via 1, 1 to 2, 0", "b = arc from 2, 0.004 via 3, 1 to 4, 0"), "an end of b moved by 0.004"),
    ],
)
def test_gaps_are_closed_by_moving_ends_and_that_is_said(lines: tuple[str, ...], note: str) -> None:
    made = now(*lines, "K1 = join a b within 0.01")["K1"]
    first, second = made["pieces"]
    assert made["note"] == note
    assert first["to"] == second["from"]
    assert problem(*lines, "K1 = join a b within 0.001")["kind"] == "not_joined"


@pytest.mark.parametrize(
    ("text", "kind"),
    [
        ("join K1 L1", "closed_piece"), ("join C1 L1", "no_piece"), ("join", "needs_given"), ("join E1", "no_piece"),
        ("join L1 L2 within 0", "bad_length"), ("apart L1", "not_apart"), ("apart", "needs_given"), ("apart K1 K2", "one_figure"),
    ],
)  # fmt: skip
def test_what_cannot_be_joined_or_taken_apart_says_why(text: str, kind: str) -> None:
    assert problem(*K, text)["kind"] == kind


def test_apart_then_joined_is_the_outline_again() -> None:
    made = now("K1 = path from 0, 0 to 20, 0 curve to 20, 10 to 0, 10 close", "apart K1", "K9 = join K1 A1 L1 L2")
    assert [made[name]["kind"] for name in ("K1", "A1", "L1", "L2")] == ["line", "arc", "line", "line"]
    assert made["K9"]["closed"]
    assert [p["kind"] for p in made["K9"]["pieces"]] == ["line", "arc", "line", "line"]
    parted = now("K1 = path from 0, 0 to 20, 0 curve to 20, 10 to 0, 10 close", "base A8 top side = apart K1")
    assert [parted[name]["kind"] for name in ("K1", "base", "A8", "top")] == ["line", "arc", "line", "line"]


def test_many_pieces_shuffled() -> None:
    dice = Random(3)
    at = [Point(n, dice.uniform(0, 5)) for n in range(200)]
    pieces = [Line(a, b) if dice.random() < 0.5 else Line(b, a) for a, b in pairwise(at)]
    order = list(range(len(pieces)))
    dice.shuffle(order)
    made, moved = joined([pieces[n] for n in order], [str(n) for n in order])
    assert moved == []
    assert not made.closed
    assert {(p.x, p.y) for p in made.corners} == {(p.x, p.y) for p in at}


# Corners ------------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("text", "area"),
    [
        ("fillet K1 radius 2", 60 - (4 - pi) * 4), ("fillet K1 radius 3", 60 - (4 - pi) * 9), ("chamfer K1 by 1", 60 - 2),
        ("chamfer K1 by 2; 1", 60 - 4), ("fillet corner 3 of K1 radius 2", 60 - (1 - pi / 4) * 4),
        ("chamfer corner 1 of K1 by 1", 59.5),
        ("chamfer corner 1 of K1 by 2; 4", 56), ("chamfer corner 2 of K1 by 3 at 30", 60 - 4.5 * tan(radians(30))),
        ("chamfer corner 2 of K1 by 6", 60 - 18),  # the whole side goes
        ("fillet corner 1 of K1 radius 6", 60 - (1 - pi / 4) * 36),
    ],
)  # fmt: skip
def test_areas_of_what_is_rounded_and_cut(text: str, area: float) -> None:
    made = report(*K, text, "measure area K1")
    assert made["problems"] == []
    assert made["readings"][0]["value"] == pytest.approx(area, rel=1e-12)
    assert made["figures"]["K1"]["closed"]


def test_those_where_it_does_not_fit_are_named() -> None:
    made = now(*K, "fillet K1 radius 4")["K1"]
    assert made["note"] == "does not fit at corners 3, 4"
    made = now(*K, "fillet K3 radius 1")["K3"]
    # Where it goes on smoothly there is no corner.
    assert "note" not in made
    assert [p["kind"] for p in made["pieces"]] == ["line", "arc", "line", "arc", "line", "arc"]
    assert now(*K, "chamfer K4 by 1")["K4"]["kind"] == "outline"


@pytest.mark.parametrize(
    ("text", "kind"),
    [
        ("fillet corner 2 of K3 radius 2", "no_corner"), ("fillet corner 1 of K1 radius 7", "does_not_fit"),
        ("fillet K1 radius 7", "none_fits"), ("fillet corner 9 of K1 radius 1", "no_such_corner"),
        ("fillet L1 radius 3", "needs_given"),
        ("fillet corner 1 of K2 radius 1", "end_of_outline"), ("fillet corner 1.5 of K1 radius 1", "no_such_corner"),
        ("fillet corner 1 of K1 radius 0", "bad_radius"), ("fillet corner 2 of K4 radius 1", "no_rounding"),
        ("fillet K1", "needs_given"),
        ("chamfer corner 1 of K1 by 0", "bad_length"), ("chamfer corner 1 of K1 by 1 at 180", "bad_angle"),
        ("chamfer corner 1 of L1 by 1", "no_such_place"), ("chamfer L1 L3 by 1", "no_corner_there"),
        ("chamfer L1", "needs_given"),
        ("chamfer L1 P1 by 1", "no_curve"), ("fillet L1 C1 radius 3 trimmed", "no_trim"),
        ("chamfer corner 1 of K1 corner 2 of K1 by 1", "one_corner"),
        ("Q1 = fillet K1 radius 1", "no_new_figure"), ("fillet edge 1 of K1 edge 2 of K1 radius 1 trimmed", "whole_figure"),
    ],
)  # fmt: skip
def test_corners_that_cannot_be_shaped_say_why(text: str, kind: str) -> None:
    assert problem(*K, text)["kind"] == kind


def test_an_open_outline_keeps_its_ends() -> None:
    made = now(*K, "fillet K2 radius 2")["K2"]["pieces"]
    assert [made[0]["from"], made[-1]["to"]] == [[0, 0], [10, 6]]
    assert [p["kind"] for p in made] == ["line", "arc", "line"]


def test_chamfers_of_two_figures() -> None:
    made = now(*K, "chamfer L1 L2 by 5; 8")["L5"]
    assert (made["from"], made["to"]) == ([5, 0], [0, 8])
    assert made["solutions"] == 4
    assert now(*K, "chamfer L1 L2 by 3 at 30")["L5"]["to"] == pytest.approx([0, 3 * tan(radians(30))])
    # Four corners where two lines cross; the side words take one of them, wherever the lines run.
    for first in ("left", "right"):
        for second in ("left", "right"):
            lines = ("L1 = line from 0, 0 to 40, 0", "L4 = line from 20, -10 to 20, 10")
            cut = now(*lines, f"Q1 = chamfer L1 {first} L4 {second} by 1")["Q1"]
            assert cut["from"] == [19 if second == "left" else 21, 0], (first, second)
            assert cut["to"] == [20, 1 if first == "left" else -1]
    # Along a circle lengths count along its rim.
    arc = now("L1 = line from 0, 0 to 30, 0", "C1 = circle centre 0, 0 radius 10", "Q1 = chamfer L1 C1 by 3; 5")["Q1"]
    assert arc["from"] == pytest.approx([13, 0])
    assert hypot(arc["to"][0] - 10, arc["to"][1]) == pytest.approx(20 * sin(0.25))


def test_trimmed_cuts_both_and_leaves_what_leads_away() -> None:
    made = now(*K, "chamfer L1 L2 by 5 trimmed", "fillet L3 L4 radius 2 trimmed")
    assert (made["L1"]["from"], made["L2"]["from"]) == ([5, 0], [0, 5])
    assert made["L3"]["to"] == pytest.approx([18, 5])
    assert made["A1"]["radius"] == 2
    assert {made["L4"]["from"][1], made["L4"]["to"][1]} in ({7.0, 10.0}, {-10.0, 3.0})


def test_rounding_touches_both_pieces_wherever_they_bend() -> None:
    """Property: where the arc begins and ends it runs as its neighbours do."""
    dice = Random(11)
    rounded = 0
    for _ in range(300):
        a, b, c = (Point(dice.uniform(-20, 20), dice.uniform(-20, 20)) for _ in range(3))
        pieces: list[Any] = []
        for p, q in ((a, b), (b, c)):
            chord = hypot(q.x - p.x, q.y - p.y)
            if dice.random() < 0.5 or chord < 1:
                pieces.append(Line(p, q))
                continue
            sweep = dice.uniform(20, 200) * dice.choice((1, -1))
            radius = chord / 2 / sin(radians(abs(sweep) / 2))
            made = report(f"arc from {p.x!r}, {p.y!r} to {q.x!r}, {q.y!r} radius {radius!r} {'right' if sweep > 0 else 'left'}")
            if made["problems"]:
                pieces.append(Line(p, q))
                continue
            found = made["figures"]["A1"]
            pieces.append(Arc(Point(*found["centre"]), found["radius"], p, q, found["sweep"]))
        try:
            one = corner_shaped(Outline(tuple(pieces), False), 2, rounding(dice.uniform(0.2, 3)), "K1")
        except Refused:
            continue
        rounded += 1
        for before, after in pairwise(one.pieces):
            assert hypot(before.end.x - after.start.x, before.end.y - after.start.y) <= 1e-9
            ux, uy = heading(before, False)
            vx, vy = heading(after, True)
            assert abs(ux * vy - uy * vx) <= 1e-7
            assert ux * vx + uy * vy < 0
    assert rounded > 100
