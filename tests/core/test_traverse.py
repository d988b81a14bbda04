"""Traverses: misclosure, balancing, and the table of legs."""

import itertools
from math import cos, hypot, pi, sin
from random import Random

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kentrograph.core.desk.views import step_view
from kentrograph.core.figures import Line, Outline, Point
from kentrograph.core.measure.traverse import balanced, legs_of, misclosure

from .support import book, figure, problem, report

WALK = "K1 = path from 0, 0 to 100, 0 to 100, 60.2 to -0.4, 60.2 to -0.4, 0.2"


def test_by_hand() -> None:
    """Legs of 100, 60.2, 100.4 and 60, which end 0.4 left of where they began and 0.2 above. Source: by hand."""
    made = report(WALK, "K2 = balance K1", "K3 = balance K1 transit", "measure closing K1", "measure closing K2")
    one = made["readings"][0]
    whole = 100 + 60.2 + 100.4 + 60
    assert (one["across"], one["up"], one["angles"]) == pytest.approx((-0.4, 0.2, 360.0))
    assert one["value"] == pytest.approx(hypot(0.4, 0.2))
    assert one["ratio"] == pytest.approx(whole / hypot(0.4, 0.2))
    assert made["readings"][1]["value"] == 0.0
    assert "ratio" not in made["readings"][1]
    corners = [piece["from"] for piece in made["figures"]["K2"]["pieces"]]
    # By the compass rule each corner is moved by the share of the way that was walked to it.
    for corner, before, gone in zip(corners, [(0, 0), (100, 0), (100, 60.2), (-0.4, 60.2)], (0, 100, 160.2, 260.6), strict=True):
        assert corner == pytest.approx([before[0] + 0.4 * gone / whole, before[1] - 0.2 * gone / whole])
    # By the transit rule level legs take all of what is missing across, plumb ones all of what is missing up.
    transit = [piece["from"] for piece in made["figures"]["K3"]["pieces"]]
    assert transit[1] == pytest.approx([100 + 0.4 * 100 / 200.4, 0.0])
    assert transit[2] == pytest.approx([100 + 0.4 * 100 / 200.4, 60.2 - 0.2 * 60.2 / 120.2])


def walked(corners: list[tuple[float, float]]) -> Outline:
    places = [Point(float(x), float(y)) for x, y in corners]
    return Outline(tuple(Line(a, b) for a, b in itertools.pairwise(places)), False)


CORNERS = st.lists(st.tuples(st.integers(-500, 500), st.integers(-500, 500)), min_size=4, max_size=12).filter(
    lambda all_of_them: all(a != b for a, b in itertools.pairwise(all_of_them))
)


@settings(max_examples=200, deadline=None)
@given(CORNERS)
def test_what_is_balanced_closes_and_each_leg_takes_its_share(corners: list[tuple[float, float]]) -> None:
    outline = walked(corners)
    dx, dy = misclosure(outline)
    legs, after = legs_of(outline), balanced(outline, "compass")
    assert after.closed
    assert after.start == outline.start
    whole = sum(leg.length for leg in legs)
    size = max(abs(v) for corner in corners for v in corner) + 1.0
    for leg, piece in zip(legs, after.pieces, strict=True):
        share = leg.length / whole
        assert piece.end.x - piece.start.x == pytest.approx(leg.across - dx * share, abs=1e-12 * size * len(legs))
        assert piece.end.y - piece.start.y == pytest.approx(leg.up - dy * share, abs=1e-12 * size * len(legs))


@pytest.mark.parametrize(
    ("lines", "kind"),
    [
        (("C1 = circle centre 0, 0 radius 5", "balance C1"), "no_traverse"),
        (("K1 = path from 0, 0 to 9, 0 curve to 9, 9", "balance K1"), "no_traverse"),
        (("K1 = path from 0, 0 to 9, 0 curve to 9, 9", "measure closing K1"), "no_traverse"),
        # The only leg across is all that is missing across.
        (("K1 = path from 0, 0 to 0, 9 to 0, 5 to 0.1, 5 to 0.1, 0", "balance K1 transit"), "zero_length"),
    ],
)
def test_what_is_no_traverse_says_so(lines: tuple[str, ...], kind: str) -> None:
    assert problem(*lines)["kind"] == kind


def test_the_table_of_legs_has_heads_and_sums() -> None:
    made = book(
        "angles north clockwise",
        "K1 = path from 0, 0 to + 100 at N 90 E to + 50 at N 0 E to + 99 at S 90 W",
        "measure closing K1",
    )
    view = step_view(made, made.order[-1])
    assert view.reading is not None
    heads, *legs, sums = view.reading.table
    assert heads == ["leg", "length", "direction", "angle", "across", "up"]
    assert [leg[1:3] for leg in legs] == [["100.000", "90°"], ["50.000", "0°"], ["99.000", "270°"]]
    assert sums[1:] == ["249.000", "", "180°", "1.000", "50.000"]


def test_a_balanced_traverse_follows_what_was_walked() -> None:
    made = book("far = 100", "K1 = path from 0, 0 to far, 0 to 100, 60 to 0, 60 to 0.3, 0", "K2 = balance K1")
    assert figure(made, "K2").closed
    assert figure(made, "K2").pieces[0].end.x == pytest.approx(100 - 0.3 * 100 / (100 + 60 + 100 + hypot(0.3, 60)))


@pytest.mark.parametrize("seed", range(100))
def test_the_inner_angles_of_a_walk_round_add_up(seed: int) -> None:
    """*Published*: of n legs (n - 2) half turns (Euclid, Elements I.32). Walked about a place within, either way, in any
    convention, beginning at any corner; what is shown is the sum itself, and nothing less whole turns."""
    dice = Random(seed)
    legs = dice.randint(3, 12)
    turns = [2 * pi * (n + dice.uniform(0.2, 0.8)) / legs for n in range(legs)]
    corners = [(r * cos(a), r * sin(a)) for a in turns for r in [dice.uniform(30, 90)]][:: dice.choice((1, -1))]
    header = dice.choice(("angles east counter-clockwise", "angles north clockwise", "angles bearings"))
    path = " to ".join(f"{x!r}, {y!r}" for x, y in [*corners, corners[0]])
    view = step_view(book(header, f"K1 = path from {path}", "R1 = measure closing K1"), "s2")
    assert view.reading is not None
    total = f"{180 * (legs - 2)}\u00b0"
    assert {row.name: row.value for row in view.reading.rows}["angles"] == total
    assert view.reading.table[-1][3] == total
