"""Touching figures against values from outside, and against a checker that reads only printed numbers."""

from math import cos, hypot, pi, sin, sqrt
from random import Random
from typing import Any

import pytest

from . import judge
from .checker import all_of, check_arc, check_circles, circle_of, line_of, miss, off, scale
from .support import problem, report
from .test_touching_counts import lines_of


def solutions(*lines: str) -> list[dict[str, Any]]:
    """All solutions of the last line's figure."""
    made = report(*lines)
    assert not made["problems"], made["problems"]
    return all_of(list(made["figures"].values())[-1])


def radii(*lines: str) -> list[float]:
    return sorted(one["radius"] for one in solutions(*lines))


# Values from outside ----------------------------------------------------------------------------------------

TRIANGLE = ("L1 = line from 0,0 to 4,0", "L2 = line from 4,0 to 0,3", "L3 = line from 0,3 to 0,0")


def test_circles_of_the_3_4_5_triangle() -> None:
    """Published: the inscribed circle (Euclid IV.4) of radius 1, the escribed ones of 2, 3 and 6."""
    assert radii(*TRIANGLE, "circle touching L1 L2 L3") == pytest.approx([1, 2, 3, 6], rel=1e-14)
    inscribed = report(*TRIANGLE, "C1 = circle touching L1 L2 L3")["figures"]["C1"]
    assert inscribed["centre"] == pytest.approx([1, 1], rel=1e-14), "the one that touches the lines as drawn comes first"


@pytest.mark.parametrize("curvatures", [(-1, 2, 2, 3), (-6, 11, 14, 15), (-10, 18, 23, 27), (-3, 5, 8, 8)])
def test_descartes_circles(curvatures: tuple[int, ...]) -> None:
    """Published: Descartes' circle theorem (Soddy, "The Kiss Precise", Nature 137, 1936); curvatures that are integers."""
    outer, *inner = [1 / k for k in curvatures]
    first, second, third = -outer, inner[0], inner[1]
    # The second and third touch the first from inside and each other: a triangle of three known sides.
    a, b, c = first - second, first - third, second + third
    x = (a * a + b * b - c * c) / (2 * a)
    y = sqrt(b * b - x * x)
    found = radii(
        f"C1 = circle centre 0,0 radius {first!r}",
        f"C2 = circle centre {a!r}, 0 radius {second!r}",
        f"C3 = circle centre {x!r}, {y!r} radius {third!r}",
        "circle touching C1 C2 C3",
    )
    total = sum(curvatures[:3])
    other = 2 * total - curvatures[3]
    expected = sorted(1 / abs(k) for k in (curvatures[3], other) if k != curvatures[0])
    assert found == pytest.approx(expected, rel=1e-11)


def test_facts_of_the_trade() -> None:
    """Common practice: 48 that encloses 20 has its centre 28 away, one that touches it from outside 68; 90 and 14: 76 and 104."""
    for big, small in ((48, 20), (90, 14)):
        for word, away in (("enclosing", big - small), ("outside", big + small)):
            found = solutions(
                f"C1 = circle centre 0,0 radius {small}", "L1 = line through 0,0 direction 0",
                f"circle touching C1 {word} centre on L1 radius {big}",
            )  # fmt: skip
            assert hypot(*next(s for s in found if s["signature"].startswith(word))["centre"]) == pytest.approx(away, rel=1e-15)


def test_belt_over_two_pulleys() -> None:
    """From memory (Machinery's Handbook): straight part of an open belt √(c² - (R - r)²), of a crossed one √(c² - (R + r)²)."""
    lines = solutions("C1 = circle centre 0,0 radius 90", "C2 = circle centre 400,30 radius 45", "line touching C1 C2")
    c = hypot(400, 30)
    lengths = [hypot(one["to"][0] - one["from"][0], one["to"][1] - one["from"][1]) for one in lines]
    crossed = sqrt(c * c - 135**2)
    assert [one["signature"] for one in lines] == ["left left", "left right", "right left", "right right"]
    assert lengths == pytest.approx([sqrt(c * c - 45**2), crossed, crossed, sqrt(c * c - 45**2)], rel=1e-14)


def test_tangent_from_a_place_by_the_power_of_the_point() -> None:
    """Published: Euclid, Elements III.36: the square of the tangent is the product of the parts of any line through."""
    for one in solutions("P1 = point 13, 7", "C1 = circle centre 2, -1 radius 5", "line from P1 touching C1"):
        length = hypot(one["to"][0] - 13, one["to"][1] - 7)
        d = hypot(11, 8)
        assert length * length == pytest.approx((d - 5) * (d + 5), rel=1e-14)


STATED = {"M": "centre on", "R": "radius"}
"""Givens that are not touched: the line on which the centre lies, and the radius."""


def any_givens(kinds: str, random: Random) -> list[tuple[Any, ...]]:
    """Givens in general position, of the sizes that a drawing has."""
    givens: list[tuple[Any, ...]] = []
    for kind in kinds:
        v = [random.uniform(-10, 10) for _ in range(4)]
        size = abs(v[2]) / 2 + 0.1
        givens.append({"P": (*v[:2],), "C": (*v[:2], size), "R": (4 * size,)}.get(kind, tuple(v)))
    return [(kind, *v) for kind, v in zip(kinds, givens, strict=True)]


@pytest.mark.parametrize(
    "kinds",
    [
        *("PPL", "PLL", "LLL", "PPC", "PLC", "PCC", "LLC", "LCC", "CCC"),
        *("MPP", "MPL", "MPC", "MLL", "MLC", "MCC", "RPP", "RPL", "RPC", "RLL", "RLC", "RCC", "MRP", "MRL", "MRC"),
    ],
)
def test_all_solutions_against_fifty_digits(kinds: str) -> None:
    """Library: mpmath 1.3 at 50 digits, by elimination (`judge`): the same circles, no more and no fewer."""
    random = Random(f"judge {kinds}")
    for _ in range(12):
        givens = any_givens(kinds, random)
        expected = judge.circles(givens)
        drawn = [("L", *v) if kind == "M" else (kind, *v) for kind, *v in givens]
        names = (f"G{n}" for n in range(3))
        text = " ".join(f"{STATED.get(kind, 'touching')} {v[0] if kind == 'R' else next(names)}" for kind, *v in givens)
        made = report(*lines_of([g for g in drawn if g[0] != "R"], 1.0, 0.0, 0.0), f"T = circle {text}")["figures"]
        found = [circle_of(one) for one in all_of(made["T"])] if "T" in made else []
        assert len(found) == len(expected), givens
        for x, y, r in expected:
            near = min(max(abs(x - u), abs(y - v), abs(r - w)) for u, v, w in found)
            assert near <= 1e-9 * max(abs(x), abs(y), r), (near, givens)


@pytest.mark.parametrize("kinds", ["PPL", "PLL", "LLL", "PPC", "PLC", "PCC", "LLC", "LCC", "CCC"])
def test_turned_mirrored_or_in_another_order_the_same_circles(kinds: str) -> None:
    """Property (checks.md): turning or mirroring all givens does the same to the solutions; their order does not matter."""
    random = Random(f"turned {kinds}")
    for _ in range(12):
        givens = any_givens(kinds, random)
        turn, flip = random.uniform(0, 2 * pi), random.choice((1, -1))

        def moved(x: float, y: float, turn: float = turn, flip: int = flip) -> tuple[float, float]:
            y *= flip
            return x * cos(turn) - y * sin(turn), x * sin(turn) + y * cos(turn)

        turned = [(k, *moved(*v[:2]), *(moved(*v[2:]) if k == "L" else v[2:])) for k, *v in givens]
        random.shuffle(turned)
        before = [circle_of(one) for one in circles_touching(givens)]
        after = [circle_of(one) for one in circles_touching(turned)]
        assert len(before) == len(after)
        for x, y, r in before:
            u, v = moved(x, y)
            near = min(max(abs(u - a), abs(v - b), abs(r - c)) for a, b, c in after)
            assert near <= 1e-7 * max(abs(x), abs(y), r), (givens, near)


def circles_touching(givens: list[tuple[Any, ...]]) -> list[dict[str, Any]]:
    """All circles that touch three givens."""
    made = report(*lines_of(givens, 1.0, 0.0, 0.0), "T = circle touching G0 G1 G2")["figures"]
    return all_of(made["T"]) if "T" in made else []


# The checker ------------------------------------------------------------------------------------------------

GROUND = (
    "P1 = point 8, 3", "P2 = point -14, 22", "L1 = line from -40, -12 to 55, -9", "L2 = line through 0, 40 direction 200",
    "C1 = circle centre 0, 0 radius 20", "C2 = circle centre 60, 10 radius 14", "C3 = circle centre 5, 2 radius 6",
    "A1 = arc centre -30, 30 radius 12 at 10 sweep 140", "E1 = ellipse centre 20, 60 axes 30, 18 turned 25",
)  # fmt: skip

# What is stated, the names touched in the order of the signature, and how many there are; the numbers by the checker,
# which finds every false one; by hand from the distances for two and a radius (C1 and C2 are √3700 apart, C1 and C3 √29),
# and for a centre on a figure by walking along it in 100,000 steps and counting changes of sign.
FAMILIES: list[tuple[str, str, int]] = [
    ("touching C1 C2 radius 48", "C1 C2", 8),
    ("touching C1 C2 radius 20", "C1 C2", 2),
    ("touching C1 C2 radius 13", "C1 C2", 0),  # the gap is √3700 - 34 = 26.83, so 13.41 at least
    ("touching C1 C3 radius 5", "C1 C3", 2),
    ("touching L1 C2 radius 30", "L1 C2", 4),
    ("touching L1 C1 radius 5", "L1 C1", 6),
    ("touching L1 L2 radius 9", "L1 L2", 4),
    ("touching L1 through P1 radius 12", "L1 P1", 2),
    ("through P1 P2 radius 40", "P1 P2", 2),
    ("touching A1 C2 radius 25", "A1 C2", 0),
    ("touching A1 L1 radius 15", "A1 L1", 2),
    ("centre 30, 30 touching C1", "C1", 2),
    ("centre 3, 3 touching C1", "C1", 2),
    ("centre 30, 30 touching L1", "L1", 1),
    ("touching L1 at nearest to P1 on L1 radius 12", "L1", 2),
    ("touching C1 at on C1 at 70 radius 12", "C1", 2),
    ("touching C1 at on C1 at 70 through P2", "C1 P2", 1),
    ("touching C1 at on C1 at 70 touching C2", "C1 C2", 2),
    ("touching C1 at on C1 at 70 touching L1", "C1 L1", 2),
    ("touching C2 touching L1 at nearest to P2 on L1", "C2 L1", 2),
    ("touching L1 at nearest to P2 on L1 centre on C2", "L1", 0),
    ("touching L1 at nearest to P1 on L1 centre on C1", "L1", 2),
    ("centre on L1 touching C1 C2", "C1 C2", 4),
    ("centre on L2 touching C1 L1", "C1 L1", 2),
    ("centre on L2 touching C1 through P2", "C1 P2", 2),
    ("centre on L2 touching L1 C2", "L1 C2", 4),
    ("centre on L1 touching C2 radius 30", "C2", 2),
    ("centre on C2 touching C1 radius 42", "C1", 2),
    ("centre on C2 touching C1 C3", "C1 C3", 0),
    ("centre on C2 touching L1 C1", "L1 C1", 0),
    ("centre on E1 touching C1 C2", "C1 C2", 4),
    ("centre on L1 centre on C1 touching C2", "C2", 4),
    ("centre on L2 touching L1 through P1", "L1 P1", 2),
]  # fmt: skip
MOVES = {
    "as it is": (1.0, 0.0, 0.0),
    "1e-6": (1e-6, 0.0, 0.0),
    "1e-3": (1e-3, 0.0, 0.0),
    "1e6": (1e6, 0.0, 0.0),
    "1e9": (1e9, 0.0, 0.0),
    "1e7 away": (1.0, 1e7, 4e6),
}


def ground(size: float, ox: float, oy: float) -> list[str]:
    """The ground grown and moved by plain text: every statement's numbers are written out."""
    g, s = size, "{!r}".format

    def at(x: float, y: float) -> str:
        return f"{s(x * g + ox)}, {s(y * g + oy)}"

    return [
        f"P1 = point {at(8, 3)}", f"P2 = point {at(-14, 22)}", f"L1 = line from {at(-40, -12)} to {at(55, -9)}",
        f"L2 = line through {at(0, 40)} direction 200", f"C1 = circle centre {at(0, 0)} radius {s(20 * g)}",
        f"C2 = circle centre {at(60, 10)} radius {s(14 * g)}", f"C3 = circle centre {at(5, 2)} radius {s(6 * g)}",
        f"A1 = arc centre {at(-30, 30)} radius {s(12 * g)} at 10 sweep 140",
        f"E1 = ellipse centre {at(20, 60)} axes {s(30 * g)}, {s(18 * g)} turned 25",
    ]  # fmt: skip


@pytest.mark.parametrize("where", MOVES)
@pytest.mark.parametrize(("family", "touched", "count"), FAMILIES)
def test_every_family_by_the_checker(family: str, touched: str, count: int, where: str) -> None:
    size, ox, oy = MOVES[where]
    words = family.split()
    for n, word in enumerate(words):
        if words[n - 1] == "radius":
            words[n] = repr(float(word) * size)
        if words[n - 1] == "centre" and word[0].isdigit():
            words[n], words[n + 1] = f"{float(word[:-1]) * size + ox!r},", repr(float(words[n + 1]) * size + oy)
    made = report(*ground(size, ox, oy), f"T = circle {' '.join(words)}")
    found = all_of(made["figures"]["T"]) if "T" in made["figures"] else []
    assert len(found) == count, (made["problems"], [f.get("signature") for f in found])
    if "radius" not in family or "through P1 P2" not in family:
        check_circles(found, [made["figures"][name] for name in touched.split()])
    for one in found:
        for at, residual in zip(one.get("touching", []), one.get("residuals", []), strict=True):
            x, y, r = circle_of(one)
            assert abs(hypot(at[0] - x, at[1] - y) - r) <= 1e-9 * scale(one), "a touching place lies on the circle"
            assert residual <= 1e-9 * scale(one)


def test_tangent_lines_by_the_checker() -> None:
    for text, rings in (
        ("line touching C1 C2", "C1 C2"), ("line from P2 touching C1", "C1"), ("line through P2 touching C2", "C2"),
        ("line touching C1 direction 33", "C1"), ("line touching C2 parallel L1", "C2"), ("line to P2 touching A1", "A1"),
    ):  # fmt: skip
        made = report(*GROUND, f"T = {text}")
        for one in all_of(made["figures"]["T"]):
            for name, word in zip(rings.split(), one["signature"].split(), strict=True):
                x, y, r = circle_of(made["figures"][name])
                assert off(one, x, y) == pytest.approx(r if word == "left" else -r, rel=1e-12), (text, one)


def test_tangents_of_an_ellipse_touch_it_where_they_say() -> None:
    """By the ellipse's own equation: the line through the touching place meets it in that place alone."""
    found = solutions(*GROUND, "line from P2 touching E1")
    assert [one["signature"] for one in found] == ["left", "right"]
    for one in found:
        px, py, ux, uy = line_of(one)
        c, s = cos(25 * pi / 180), sin(25 * pi / 180)

        def own(x: float, y: float, c: float = c, s: float = s) -> tuple[float, float]:
            return (x * c + y * s) / 30, (y * c - x * s) / 18

        (u, v), (du, dv) = own(px - 20, py - 60), own(ux, uy)
        a, b, k = du * du + dv * dv, u * du + v * dv, u * u + v * v - 1
        assert b * b - a * k == pytest.approx(0, abs=1e-10)


@pytest.mark.parametrize(
    ("text", "count"),
    [
        ("arc touching C1 C2 radius 60", 16), ("arc touching C1 outside C2 outside radius 60 left major", 16),
        ("arc from P2 touching C2 radius 70", 8), ("arc touching C1 to P2 radius 25", 8), ("arc touching C1 L1 C2", 4),
        ("arc continuing L1 touching C2", 2), ("arc continuing start of L1 touching L2", 2),
        ("arc from P2 direction 10 touching C2", 2),
        ("fillet L1 L2 radius 12", 4), ("fillet L1 C1 radius 6", 6), ("fillet C1 C3 radius 5", 2),
    ],
)  # fmt: skip
def test_arcs_begin_and_end_where_they_touch(text: str, count: int) -> None:
    made = report(*GROUND, f"T = {text}")
    found = all_of(made["figures"]["T"])
    assert len(found) == count
    for one in found:
        check_arc(one)
        names = [w for w in text.split() if w in made["figures"]]
        for name in names:
            given = made["figures"][name]
            if given["kind"] == "point" or "continuing" in text:
                continue
            words = ("left", "right") if given["kind"] == "line" else ("outside", "inside", "enclosing")
            assert min(miss(one, given, word) for word in words) <= 1e-9 * scale(one)


def test_a_trimmed_fillet_cuts_both_figures_which_keep_their_names_and_sense() -> None:
    made = report("L1 = line from 0,0 to 50,0", "L2 = line from 0,40 to 0,0", "fillet L1 L2 radius 8 trimmed")
    first, arc, last = (made["figures"][name] for name in ("L1", "A1", "L2"))
    assert [first["from"], first["to"], last["from"], last["to"]] == [[8, 0], [50, 0], [0, 40], [0, 8]]
    assert arc["centre"] == [8, 8]
    assert arc["sweep"] == pytest.approx(-90)


# Reasons ----------------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("text", "kind", "says"),
    [
        ("circle touching C1 outside C2 outside radius 10", "radius_not_possible", "13.413813 at least"),
        ("circle touching C1 inside C3 outside radius 9.8", "radius_not_possible", "at most"),
        ("circle through P1 touching L1 left C2 enclosing radius 45", "too_many_givens", "strike one"),
        ("circle touching C3 C1; C2", "separated", "C3 lies inside C1 and C2 outside it"),
        ("circle touching C1", "needs_given", "two more givens"),
        ("circle touching C1 C1 radius 5", "touched_twice", "same figure"),
        ("arc touching E1 C1 radius 5", "no_touch", "E1 cannot be touched"),
        ("circle touching E1 C1 radius 1", "radius_not_possible", "at least"),
        ("circle touching L1 at P1 radius 5", "not_on", "nearest to it on L1"),
        ("line from P1 touching C1", "one_inside_other", "11.455996 inside C1"),
        ("line touching C3 C1", "one_inside_other", "C3 lies"),
        ("line touching L1 C1", "line_touches_line", "not another line"),
        ("arc continuing L1 touching P9", "unknown_name", "no P9"),
        ("circle touching C1 left C2 left radius 48 right", "no_such_side", "there are"),
    ],
)  # fmt: skip
def test_reasons(text: str, kind: str, says: str) -> None:
    found = problem(*GROUND, f"T = {text}")
    assert (found["kind"], says in found["message"]) == (kind, True), found


# Signatures -------------------------------------------------------------------------------------------------

PULLED = [
    ("C9 = circle centre 40, {} radius 14", 4.0, 60.0, "circle touching C1 C9 radius 60"),
    ("C9 = circle centre 70, 5 radius {}", 3.0, 49.0, "circle touching C1 C9 L1"),
    ("L9 = line through -60, 45 direction {}", 340.0, 381.0, "circle touching C1 C2 L9"),
    ("P9 = point {}, 55", -60.0, 80.0, "circle touching C1 C2 through P9"),
    ("C9 = circle centre 80, -40 radius {}", 5.0, 60.0, "circle touching C1 C2 C9"),
    ("C9 = circle centre {}, 12 radius 9", 50.0, 120.0, "line touching C1 C9"),
    ("L9 = line through 30, 0 direction {}", 40.0, 140.0, "circle touching C1 C2 centre on L9"),
]


@pytest.mark.parametrize(("pulled", "begin", "end", "text"), PULLED)
def test_a_signature_stays_with_its_solution(pulled: str, begin: float, end: float, text: str) -> None:
    """A number pulled through steps: what a signature names moves by little from step to step, or is gone; it never jumps.

    Compared by where it touches C1, which all of them do, and by its curvature: both stay small where a circle grows endless.
    """
    before: dict[str, tuple[float, ...]] = {}
    seen = 0
    for k in range(401):
        made = report(*GROUND, pulled.format(begin + (end - begin) * k / 400), f"T = {text}")
        now: dict[str, tuple[float, ...]] = {}
        for one in all_of(made["figures"]["T"]) if "T" in made["figures"] else []:
            # Where two are about to merge they move without bound in proportion, and are near each other.
            now[one["signature"]] = (*one["touching"][0], 20.0 / one.get("radius", 1e9))
        for signature, at in now.items():
            if signature in before:
                seen += 1
                way = max(abs(a - b) for a, b in zip(at, before[signature], strict=True))
                others = [v for s, v in now.items() if s != signature]
                apart = min((max(abs(a - b) for a, b in zip(at, v, strict=True)) for v in others), default=40.0)
                assert way <= max(2.5, apart), (k, signature, before[signature], at)
        before = now
    assert seen > 500
