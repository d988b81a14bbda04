"""Chains that come back by relative places are closed, have the pieces that were written, and end exactly where they began."""

from fractions import Fraction
from math import hypot, pi, sin
from random import Random
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from .support import problem, report

SIZES = (1.0, 1e-3, 1e6)
AWAY = ("0, 0", "0.1, 0.2", "1e7, -3e6")


def outline(*lines: str) -> dict[str, Any]:
    found = report(*lines)
    assert found["problems"] == [], found["problems"]
    made: dict[str, Any] = found["figures"]["K1"]
    return made


def is_whole(made: dict[str, Any], pieces: int) -> None:
    assert made["closed"] is True
    assert len(made["pieces"]) == pieces
    for one, after in zip(made["pieces"], [*made["pieces"][1:], made["pieces"][0]], strict=True):
        assert one["to"] == after["from"]


@pytest.mark.parametrize("close", [" close", ""])
@pytest.mark.parametrize(
    ("chain", "pieces"),
    # Reported from outside: the first was refused, the second had a sixth piece of 2e-16.
    [
        ("from 0.1,0.2 to + 0.3,0 to + 0,0.3 to + -0.3,0 to + 0,-0.3", 4),
        ("from 0,0 to + 5 at 0 to + 5 at 72 to + 5 at 144 to + 5 at 216 to + 5 at 288", 5),
        ("from 0.1,0.1 to + 0.7,0 curve via + 0,0.3 to + -0.7,0.3 to + 0,-0.6", 3),
        ("from 0.1,0.2 curve via + 0.1,0.1 to + 0.1,-0.1 curve via + -0.1,-0.1 to + -0.1,0.1", 2),
    ],
)
def test_a_chain_that_comes_back_is_whole(chain: str, pieces: int, close: str) -> None:
    is_whole(outline(f"K1 = path {chain}{close}"), pieces)


@pytest.mark.parametrize("start", AWAY)
@pytest.mark.parametrize("side", SIZES)
@pytest.mark.parametrize("turn", ["0", "17.3", "az (20+10)"])
@pytest.mark.parametrize("sides", [3, 5, 7, 12, 97])
def test_a_regular_chain_closes_wherever_it_lies(sides: int, turn: str, side: float, start: str) -> None:
    """Area of a regular polygon: n s² / (4 tan(π/n)), published in engineers' handbooks (from memory)."""
    legs = " ".join(f"to + {side!r} at a + {k}*360/{sides}" for k in range(sides))
    lines = (f"angles north clockwise\na = direction L9\nL9 = line from 0,0 direction {turn} length 1").split("\n")
    text = (lines[0], lines[2], lines[1], f"K1 = path from {start} {legs}", "measure area K1")
    made = report(*text)
    assert made["problems"] == []
    is_whole(made["figures"]["K1"], sides)
    wanted = sides * side * side / (4 * sin(pi / sides) / sin(pi / 2 - pi / sides))
    assert made["readings"][0]["value"] == pytest.approx(wanted, rel=1e-9 if start != AWAY[2] else 1e-4 / side + 1e-9)


@given(st.lists(st.tuples(st.integers(-9999, 9999), st.integers(-9999, 9999)), min_size=2, max_size=12), st.sampled_from(AWAY),
       st.sampled_from(SIZES))  # fmt: skip
@settings(max_examples=300, deadline=None)
def test_any_chain_whose_decimals_add_up_to_nothing_closes(legs: list[tuple[int, int]], start: str, size: float) -> None:
    """The area is the surveyors' sum in whole numbers, exact (Gauss)."""
    legs = [leg for leg in legs if leg != (0, 0)]
    back = (-sum(x for x, _ in legs), -sum(y for _, y in legs))
    if back != (0, 0):
        legs = [*legs, back]
    corners = [(0, 0)]
    for x, y in legs[:-1]:
        corners.append((corners[-1][0] + x, corners[-1][1] + y))
    if len(legs) < 3 or len(set(corners)) < len(corners):
        return
    written = " ".join(f"to + {x * size / 1000!r},{y * size / 1000!r}" for x, y in legs)
    made = report(f"K1 = path from {start} {written}", f"K2 = path from {start} {written} close", "measure area K1")
    assert made["problems"] == []
    is_whole(made["figures"]["K1"], len(legs))
    assert made["figures"]["K1"] == made["figures"]["K2"]
    twice = sum(p[0] * q[1] - q[0] * p[1] for p, q in zip(corners, [*corners[1:], corners[0]], strict=True))
    wanted = float(Fraction(abs(twice), 2)) * (size / 1000) ** 2
    extent = max(hypot(*c) for c in corners) * size / 1000
    noise = 1e-7 * extent * len(legs) if start == AWAY[2] else 0.0
    assert made["readings"][0]["value"] == pytest.approx(wanted, rel=1e-9, abs=noise + 1e-9 * extent * extent)


@pytest.mark.parametrize("gap", [1e-6, 1e-4])
def test_a_chain_that_misses_is_open_and_says_by_how_much(gap: float) -> None:
    text = (f"K1 = path from 0,0 to 10,0 to 10,10 to {gap!r},0", "measure area K1")
    assert report(*text)["figures"]["K1"]["closed"] is False
    found = problem(*text)
    assert found["kind"] == "not_closed"
    assert f"{gap:.6f}".rstrip("0") in found["message"]


def test_a_joined_chain_ends_exactly_where_it_began() -> None:
    """The middle two sides are worked out, so their ends differ from what is typed in the last places."""
    dice = Random(2)
    for _ in range(50):
        x, y, far = dice.uniform(-1, 1), dice.uniform(-1, 1), dice.choice((0.0, 1e6))
        made = outline(
            f"P1 = point {far + x!r}, {y!r}",
            "L1 = line from P1 to + 0.1 at 33", "L2 = line from end of L1 to + 0.1 at 153", "L3 = line from P1 to P1: 0.1 at 93",
            "K1 = join L1 L2 L3",
        )  # fmt: skip
        assert made["closed"] is True
        assert made["pieces"][-1]["to"] == made["pieces"][0]["from"]


def test_there_and_back_encloses_nothing() -> None:
    assert report("path from 0,0 to 10,0 to 0,0")["figures"]["K1"]["closed"] is False


@pytest.mark.parametrize(
    ("figure", "wanted"),
    # In the order in which the line runs, whichever is named first and however the outline runs; common practice.
    [("line from 15,5 to -5,5", [10.0, 0.0]), ("line from -5,5 to 15,5", [0.0, 10.0])],
)
@pytest.mark.parametrize("names", ["K1 L1", "L1 K1"])
@pytest.mark.parametrize("way", ["to 10,0 to 10,10 to 0,10", "to 0,10 to 10,10 to 10,0"])
def test_crossings_with_an_outline_come_as_the_line_runs(figure: str, wanted: list[float], names: str, way: str) -> None:
    made = report(f"K1 = path from 0,0 {way} close", f"L1 = {figure}", f"point crossing of {names}")
    assert [one["at"][0] for one in made["figures"]["P1"]["all"]] == wanted
    assert [one["signature"] for one in made["figures"]["P1"]["all"]] == ["first", "second"]


def test_a_corner_that_a_line_goes_through_is_one_crossing() -> None:
    made = report("K1 = path from 0,0 to 10,0 to 10,10 to 0,10 close", "L1 = line from -3,-3 to 4,4", "point crossing of L1 K1")
    assert made["figures"]["P1"] == {"kind": "point", "at": [0.0, 0.0]}
