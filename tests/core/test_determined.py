"""What dimensions leave open, and say twice. Source of the counts: degrees of freedom, common practice."""

from itertools import permutations

import pytest

from kentrograph.core.checks.rows import Rows
from kentrograph.core.desk.dimension_check import dimension_check

from .support import book

PLATE = ("K1 = rectangle from 0, 0 size 100, 60", "C1 = circle centre 30, 25 radius 10")
WIDE, HIGH = "dimension edge 1 of K1", "dimension edge 2 of K1"
AT = ("dimension across corner 1 of K1; centre of C1", "dimension up corner 1 of K1; centre of C1")


def open_words(*lines: str) -> list[str]:
    return [one.words.partition(":")[0] for one in dimension_check(book(*lines)).lacking]


def twice(*lines: str) -> list[str]:
    made = book(*lines)
    return [made.steps[one.id].statement.text for one in dimension_check(made).twice]


def test_a_drawing_without_dimensions_is_not_looked_at() -> None:
    assert not dimension_check(book(*PLATE)).looked


def test_a_plate_with_all_its_sizes() -> None:
    assert open_words(*PLATE, WIDE, HIGH, *AT, "dimension C1") == []
    assert twice(*PLATE, WIDE, HIGH, *AT, "dimension C1") == []


@pytest.mark.parametrize(
    ("without", "open_there"),
    [
        (0, ["corner 2 of K1", "corner 3 of K1"]), (1, ["corner 3 of K1", "corner 4 of K1"]), (2, ["centre of C1"]),
        (3, ["centre of C1"]), (4, ["C1"]),
    ],
)  # fmt: skip
def test_one_size_left_out_is_what_is_open(without: int, open_there: list[str]) -> None:
    """Property: of sizes that say all, and nothing twice, each is needed."""
    sizes = [WIDE, HIGH, *AT, "dimension C1"]
    del sizes[without]
    assert open_words(*PLATE, *sizes) == open_there


@pytest.mark.parametrize(
    "again",
    [
        "dimension edge 3 of K1", "dimension across corner 4 of K1; corner 3 of K1", "dimension corner 1 of K1; corner 3 of K1",
        "dimension radius C1", "dimension centre of C1; edge 4 of K1", "dimension angle edge 1 of K1 edge 2 of K1",
    ],
)  # fmt: skip
def test_what_follows_from_the_others_is_said_twice(again: str) -> None:
    sizes = (*PLATE, WIDE, HIGH, *AT, "dimension C1")
    assert twice(*sizes, again) == [again]
    assert twice(*sizes, f"{again} bracketed") == []


def test_rounded_corners_hang_on_their_radius() -> None:
    plate = ("K1 = rectangle from 0, 0 size 100, 60", "fillet K1 radius 8")
    sizes = (
        "dimension edge 1 of K1 edge 5 of K1",
        "dimension edge 3 of K1 edge 7 of K1",
        "dimension radius edge 2 of K1 times 4",
    )
    assert open_words(*plate, *sizes) == []
    assert open_words(*plate, *sizes[:2])
    assert twice(*plate, *sizes, "dimension radius edge 4 of K1") == ["dimension radius edge 4 of K1"]


def test_a_table_determines_what_it_holds() -> None:
    assert open_words(*PLATE, "table K1 C1") == []
    # It may say again what dimensions say.
    assert twice(*PLATE, "table K1 C1", WIDE) == []


def test_a_slope_needs_its_angle_or_its_ends() -> None:
    triangle = ("K1 = path from 0, 0 to 80, 0 to 50, 40 close", "dimension edge 1 of K1")
    assert open_words(*triangle) == ["corner 3 of K1"]
    assert open_words(*triangle, "dimension edge 2 of K1", "dimension edge 3 of K1") == []
    assert open_words(*triangle, "dimension angle corner 1 of K1", "dimension angle corner 2 of K1") == []
    assert twice(*triangle, *(f"dimension angle corner {n} of K1" for n in (1, 2, 3))) == ["dimension angle corner 3 of K1"]


def test_rows_that_depend_on_others_are_told() -> None:
    rows = Rows()
    assert [rows.add(row) for row in ({0: 1.0, 1: -1.0}, {1: 2.0, 2: -2.0}, {0: 3.0, 2: -3.0}, {}, {2: 1e-6})] == [
        True,
        True,
        False,
        False,
        True,
    ]
    assert [rows.determines(n) for n in (0, 1, 2, 3)] == [True, True, True, False]


@pytest.mark.parametrize(
    "sizes",
    [
        ("dimension across corner 1 of K1; corner 2 of K1", "dimension across corner 1 of K1; C1; corner 2 of K1 chain"),
        ("dimension edge 1 of K1", "dimension across corner 4 of K1; centre of C1; corner 3 of K1 chain"),
        ("dimension radius A1", "dimension radius A1 times 2"),
        ("dimension diameter C1", "dimension radius C1"),
    ],
)  # fmt: skip
def test_what_is_said_twice_does_not_hang_on_the_order(sizes: tuple[str, ...]) -> None:
    """Property: whichever of an overall size and the whole chain is written first, one of them is said twice."""
    drawn = (*PLATE, "A1 = arc centre 70, 30 from 80, 30 sweep 90", "A2 = arc centre 70, 10 from 80, 10 sweep 90")
    found = [twice(*drawn, *order) for order in permutations(sizes)]
    assert all(len(one) == 1 for one in found), found
    if "chain" in sizes[1]:
        # The overall size is the one that can be struck.
        assert found == [[sizes[0]], [sizes[0]]]


def test_of_two_whole_chains_the_second_says_something_again() -> None:
    one = "dimension across corner 1 of K1; centre of C1; corner 2 of K1 chain"
    other = "dimension across corner 1 of K1; centre of C2; corner 2 of K1 chain"
    assert twice(*PLATE, "C2 = circle centre 70, 25 radius 5", one, other) == [other]


@pytest.mark.parametrize(
    ("lines", "left_open"),
    [
        (("C1 = circle centre 0, 0 radius 10", "C2 = circle centre 40, 5 radius 6",
          "dimension C1", "dimension C2", "dimension C1 C2"), []),
        (("C1 = circle centre 0, 0 radius 10", "C2 = circle centre 40, 5 radius 6", "dimension C1", "dimension C2",
          "dimension across C1; C2"), ["centre of C2"]),
        (("C1 = circle centre 0, 0 radius 10", "C2 = circle centre 40, 5 radius 6", "dimension C1", "dimension C2",
          "dimension across C1; C2", "dimension up C1; C2"), []),
        (("C1 = circle centre 0, 0 radius 10", "C2 = circle centre 40, 5 radius 6", "C3 = circle centre 10, 50 radius 2",
          "dimension C1", "dimension C2", "dimension C3", "dimension C1 C2", "dimension C2 C3"), ["centre of C3"]),
        (("C1 = circle centre 0, 0 radius 10", "C2 = circle centre 40, 5 radius 6", "C3 = circle centre 10, 50 radius 2",
          "dimension C1", "dimension C2", "dimension C3", "dimension C1 C2", "dimension C2 C3", "dimension C1 C3"), []),
        (("A1 = arc from 0, 0 via 10, 7 to 30, 3", "dimension radius A1", "dimension start of A1; end of A1"), []),
        (("A1 = arc from 0, 0 via 10, 7 to 30, 3", "dimension start of A1; end of A1"), ["start of A1", "end of A1", "A1"]),
        # All slant: a triangle with its three sides, or with two corners by how far across and up they lie.
        (("K1 = path from 0, 0 to 80, 10 to 50, 40 close", *(f"dimension edge {n} of K1" for n in (1, 2, 3))), []),
        (("K1 = path from 0, 0 to 80, 10 to 50, 40 close",
          *(f"dimension {way} corner 1 of K1; corner {n} of K1" for n in (2, 3) for way in ("across", "up"))), []),
    ],
)  # fmt: skip
def test_only_what_can_be_turned_as_a_whole_is_left(lines: tuple[str, ...], left_open: list[str]) -> None:
    assert open_words(*lines) == left_open
    assert twice(*lines) == []
