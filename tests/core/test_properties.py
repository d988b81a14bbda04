"""What must hold for any input: givens are met, recomputed from the printed numbers by code that shares none with the
solver; moving, turning, mirroring and scaling the givens does the same to the solutions."""

from collections.abc import Callable
from math import cos, hypot, radians, sin
from typing import Any

from hypothesis import assume, example, given, settings
from hypothesis import strategies as st

from .support import report

Place = tuple[float, float]
grid = st.tuples(st.integers(-8, 8), st.integers(-8, 8)).map(lambda p: (float(p[0]), float(p[1])))
places = grid | st.tuples(st.floats(-100, 100), st.floats(-100, 100))
sizes = st.integers(1, 12).map(float) | st.floats(0.01, 100)


def at(p: Place) -> str:
    return f"{p[0]!r}, {p[1]!r}"


def all_of(text: str) -> list[dict[str, Any]]:
    """Every solution of the last line, as printed; none where it cannot be drawn."""
    found = report(*text.splitlines())["figures"].get("Q_")
    if found is None:
        return []
    rest = [{**one, "kind": found["kind"]} for one in found.get("all", [])]
    return rest or [found]


def off(p: Place, q: list[float]) -> float:
    return hypot(p[0] - q[0], p[1] - q[1])


def slack(*figures: dict[str, Any]) -> float:
    """1e-9 of the larger of the sizes and the distances from the datum."""
    numbers = [abs(v) for f in figures for key in ("centre", "at", "from", "to") for v in f.get(key, [])]
    return 1e-9 * max([1e-3, *numbers, *(f.get("radius", 0.0) for f in figures)])


@given(places, places, sizes)
@settings(max_examples=150, deadline=None)
def test_circles_through_two_places_go_through_them(a: Place, b: Place, r: float) -> None:
    found = all_of(f"Q_ = circle through {at(a)}; {at(b)} radius {r!r}")
    d = hypot(a[0] - b[0], a[1] - b[1])
    if d > 2 * r * (1 + 1e-9) or d == 0:
        assert found == []
    elif 1e-6 * r < d < 2 * r * (1 - 1e-6):
        assert len(found) == 2
    for one in found:
        assert abs(off(a, one["centre"]) - r) <= slack(one)
        assert abs(off(b, one["centre"]) - r) <= slack(one)


@given(places, places, places)
@example((-1.0, 3.0), (0.0, 0.0), (1.0089261639949386e-07, 0.0))  # two of them close together, the third far off
@settings(max_examples=150, deadline=None)
def test_arc_goes_by_way_of_its_places(a: Place, b: Place, c: Place) -> None:
    for one in all_of(f"Q_ = arc from {at(a)} via {at(b)} to {at(c)}"):
        for p in (a, b, c):
            # A flat arc is worse known than its places, by its radius over their distance.
            flat = max(1.0, one["radius"] / max(off(a, [*b]), off(b, [*c])))
            assert abs(off(p, one["centre"]) - one["radius"]) <= slack(one) * flat
        assert one["from"] == list(a)
        assert one["to"] == list(c)
        # The sweep from its start leads to its end, and the middle place is on the way.
        turned = turn_about(one["centre"], a, one["sweep"])
        assert off(turned, one["to"]) <= 100 * slack(one)


def turn_about(centre: list[float], p: Place, degrees: float) -> Place:
    c, s = cos(radians(degrees)), sin(radians(degrees))
    x, y = p[0] - centre[0], p[1] - centre[1]
    return centre[0] + x * c - y * s, centre[1] + x * s + y * c


@given(places, sizes, places, sizes)
@settings(max_examples=200, deadline=None)
def test_crossings_of_circles_lie_on_both(a: Place, r: float, b: Place, s: float) -> None:
    circles = f"C1 = circle centre {at(a)} radius {r!r}\nC2 = circle centre {at(b)} radius {s!r}"
    found = all_of(f"{circles}\nQ_ = point crossing of C1 C2")
    d = hypot(a[0] - b[0], a[1] - b[1])
    clear = 1e-6 * max(r, s)
    if abs(r - s) + clear < d < r + s - clear:
        assert len(found) == 2
        left = (b[0] - a[0]) * (found[0]["at"][1] - a[1]) - (b[1] - a[1]) * (found[0]["at"][0] - a[0])
        assert left > 0, "the first is left of the way from the first centre to the second"
    elif d > r + s + clear or d < abs(r - s) - clear:
        assert found == []
    for one in found:
        allowed = slack(one, {"at": a, "radius": r}, {"at": b, "radius": s})
        assert abs(off(a, one["at"]) - r) <= allowed
        assert abs(off(b, one["at"]) - s) <= allowed


@given(places, places, places, sizes)
@settings(max_examples=150, deadline=None)
def test_line_enters_then_leaves_a_circle(a: Place, b: Place, c: Place, r: float) -> None:
    assume(hypot(a[0] - b[0], a[1] - b[1]) > 1e-3)
    found = all_of(f"L1 = line from {at(a)} to {at(b)}\nC1 = circle centre {at(c)} radius {r!r}\nQ_ = point crossing of L1 C1")
    along = [(f["at"][0] - a[0]) * (b[0] - a[0]) + (f["at"][1] - a[1]) * (b[1] - a[1]) for f in found]
    if len(found) == 2:
        signs = [f["signature"] for f in found]
        assert (along[0] < along[1]) == (signs == ["entering", "leaving"])
    for one in found:
        assert abs(off(c, one["at"]) - r) <= slack(one, {"at": c, "radius": r}, {"at": a}, {"at": b})


MOVES: list[Callable[[Place], Place]] = [
    lambda p: (p[0] + 1024.0, p[1] - 512.0),
    lambda p: (-p[1], p[0]),
    lambda p: (p[0] * 0.6 - p[1] * 0.8, p[0] * 0.8 + p[1] * 0.6),
    lambda p: (p[0] * 4.0, p[1] * 4.0),
]


@given(grid, grid, grid, st.integers(1, 9).map(float), st.sampled_from(range(len(MOVES))))
@settings(max_examples=200, deadline=None)
def test_moving_the_givens_moves_the_solutions(a: Place, b: Place, c: Place, r: float, which: int) -> None:
    move = MOVES[which]
    scale = 4.0 if which == 3 else 1.0

    def solutions(p: Place, q: Place, o: Place, radius: float) -> list[dict[str, Any]]:
        return all_of(
            f"C1 = circle centre {at(o)} radius {radius!r}\nL1 = line from {at(p)} to {at(q)}\n"
            f"Q_ = circle centre on C1 through {at(p)}; {at(q)}"
        )

    assume(a != b)
    before, after = solutions(a, b, c, r), solutions(move(a), move(b), move(c), r * scale)
    assert [f.get("signature") for f in before] == [f.get("signature") for f in after]
    for one, other in zip(before, after, strict=True):
        moved = move((one["centre"][0], one["centre"][1]))
        assert off(moved, other["centre"]) <= 1e-4 * max(slack(other) * 1e9, 1.0)
        assert abs(one["radius"] * scale - other["radius"]) <= 1e-4 * max(other["radius"], 1.0)


@given(st.lists(grid, min_size=3, max_size=7, unique=True))
@settings(max_examples=100, deadline=None)
def test_area_is_that_of_the_surveyors_sum(corners: list[Place]) -> None:
    # Published long since: the shoelace sum (Gauss); with whole numbers it is exact.
    lines = "path from " + " to ".join(at(c) for c in corners) + " close"
    found = report(f"K1 = {lines}", "measure area K1")["readings"]
    twice = sum(p[0] * q[1] - q[0] * p[1] for p, q in zip(corners, [*corners[1:], corners[0]], strict=True))
    if found:
        assert found[0]["value"] == abs(twice) / 2
