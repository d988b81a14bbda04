"""Offsets: where they lie, what is cut out, what is left of them.

Areas of the table by hand (*common practice*: Steiner's formula, area + length d + pi d², for what is convex). Judged by shapely
(*library*) on outlines divided finely, with the tolerance that the division implies. Property, from what an offset is: no place
of it lies nearer to the original than the distance, and none but those of sharp corners further.
"""

from itertools import pairwise
from math import cos, hypot, pi, radians, sin
from random import Random
from typing import Any

import pytest
import shapely

from kentrograph.core.figures import Arc, Circle, EndlessLine, Line, Outline, Point
from kentrograph.core.figures.along import place_along
from kentrograph.core.intersect import intersect, nearest
from kentrograph.core.measure.area import signed_area
from kentrograph.core.shape.offset import offset

from .support import problem, report

DRAWING = (
    "K1 = rectangle from 0, 0 size 10, 6", "C1 = circle centre 0, 0 radius 5", "A1 = arc centre 0, 0 radius 5 at 0 sweep 90",
    "A2 = arc centre 0, 0 radius 5 at 0 sweep -90", "L1 = line from 0, 0 to 10, 0", "L2 = line through 0, 0; 0, 1",
    "E1 = ellipse centre 0, 0 axes 4, 2", "E2 = ellipse centre 0, 0 axes 4, 4", "P1 = point 0, 0",
    "K2 = path from 0, 0 to 20, 0 curve to 20, 10 to 0, 10 curve to 0, 0",
    "K3 = path from 0, 0 to 20, 0 to 20, 20", "K4 = polygon centre 0, 0 sides 6 radius 10",
    "K5 = path from 0, 0 to 10, 0 to 10, 10 to 20, 10 to 20, 0 to 30, 0 to 30, 30 to 20, 30 to 20, 12 to 10, 12 to 10, 30"
    " to 0, 30 close",
    "K6 = path from 0, 0 to 0, 6 to 10, 6 to 10, 0 close",
)  # fmt: skip


def areas(text: str) -> list[float]:
    lines = [*DRAWING, text]
    names = [name for name in report(*lines)["figures"] if name not in report(*DRAWING)["figures"]]
    made = report(*lines, *(f"a_{n} = area {name}" for n, name in enumerate(names)))
    assert made["problems"] == [], made["problems"]
    return [made["figures"][f"a_{n}"]["value"] for n in range(len(names))]


@pytest.mark.parametrize(
    ("text", "expected"),
    [
        ("offset K1 by 1 inside", [8 * 4]), ("offset K1 by 1 outside", [12 * 8]),
        ("offset K1 by 1 outside round", [60 + 32 + pi]),
        ("offset K1 by 1 left", [8 * 4]), ("offset K1 by 1 right", [12 * 8]), ("offset K6 by 1 inside", [8 * 4]),
        ("offset K6 by 1 left", [12 * 8]), ("offset K1 by 2.999999 inside", [4.000002 * 2e-6]),
        ("offset C1 by 2 inside", [9 * pi]), ("offset C1 by 2 outside", [49 * pi]), ("offset C1 by 2 left", [9 * pi]),
        ("offset E2 by 1 outside", [25 * pi]),
        ("offset K2 by 2 inside", [20 * 6 + 9 * pi]), ("offset K2 by 3 outside", [20 * 16 + 64 * pi]),
        ("offset K4 by 1 outside round", [150 * 3**0.5 + 60 + pi]),
        ("offset K4 by 1 inside", [150 * 3**0.5 * (1 - 2 / 300**0.5) ** 2]),
        ("offset K5 by 1 inside", [8 * 28, 8 * 28]),  # a neck of just twice the distance parts it in two
        ("offset K5 by 0.999 inside", [620 - 176 * 0.999 + 0.999**2 * 4]),  # ten convex corners, six reflex ones
    ],
)  # fmt: skip
def test_areas(text: str, expected: list[float]) -> None:
    assert areas(text) == pytest.approx(expected, rel=1e-9)


@pytest.mark.parametrize(
    ("text", "data"),
    [
        ("offset L1 by 3 left", {"from": [0, 3], "to": [10, 3]}), ("offset L1 by 3 right", {"from": [0, -3], "to": [10, -3]}),
        ("offset L2 by 3 left", {"through": [-3, 0], "direction": 90}), ("offset A1 by 2 outside", {"radius": 7, "to": [0, 7]}),
        ("offset A1 by 2 inside", {"radius": 3, "from": [3, 0]}), ("offset A1 by 2 left", {"radius": 3}),
        ("offset A2 by 2 left", {"radius": 7}), ("offset edge 1 of K1 by 1 left", {"from": [0, 1], "to": [10, 1]}),
        ("offset L1 by 3", {"from": [0, 3], "solutions": 2}), ("offset L1 by 3 near 5, -9", {"from": [0, -3]}),
        ("offset L1 by 3 solution 2", {"from": [0, -3]}), ("offset C1 by 6", {"radius": 11}),
        ("offset C1 by 2 near 0, 0", {"radius": 3}),
    ],
)  # fmt: skip
def test_single_figures(text: str, data: dict[str, Any]) -> None:
    made = report(*DRAWING, text)
    found = list(made["figures"].values())[-1]
    assert made["problems"] == []
    for key, value in data.items():
        assert found[key] == pytest.approx(value), (key, found)


@pytest.mark.parametrize(
    ("text", "kind", "says"),
    [
        ("offset C1 by 5 inside", "nothing_left", "less than 5"), ("offset K1 by 3 inside", "nothing_left", "less than 3 "),
        ("offset K1 by 40 inside", "nothing_left", "less than 3 "), ("offset A1 by 5 left", "nothing_left", "less than 5"),
        ("offset E1 by 1 inside", "no_offset", "no ellipse"), ("offset L1 by 0 left", "bad_length", "more than 0"),
        ("offset L1 by -2 left", "bad_length", "more than 0"), ("offset L1 by 2 inside", "no_such_side", "left and right"),
        ("offset P1 by 2", "not_cut", "offset"), ("offset K1", "needs_given", "by a distance"),
        ("offset", "needs_given", "figure"),
        ("offset K1 C1 by 2", "one_figure", "one figure at a time"),
    ],
)  # fmt: skip
def test_what_cannot_be_offset_says_why(text: str, kind: str, says: str) -> None:
    found = problem(*DRAWING, text)
    assert found["kind"] == kind
    assert says in found["message"] + " "


def test_open_outlines_keep_their_ends_square_and_corners_sharp_or_round() -> None:
    made = report(*DRAWING, "offset K3 by 3 left", "offset K3 by 3 right", "offset K3 by 3 right round")["figures"]
    sharp = [[p["from"], p["to"]] for p in made["K8"]["pieces"]]
    assert [[p["from"], p["to"]] for p in made["K7"]["pieces"]] == [[[0, 3], [17, 3]], [[17, 3], [17, 20]]]
    assert sharp == [[[0, -3], [23, -3]], [[23, -3], [23, 20]]]
    assert [p["kind"] for p in made["K9"]["pieces"]] == ["line", "arc", "line"]


def test_an_arc_goes_on_along_its_circle_to_a_sharp_corner() -> None:
    # A half disc: outside, the chord's neighbour goes on straight and the arc along its circle, until they meet at the corner.
    made = report("K1 = path from -10, 0 to 10, 0 curve via 0, 10 to -10, 0", "offset K1 by 2 outside")["figures"]["K2"]
    line, arc = made["pieces"]
    assert line["from"] == pytest.approx([-(140**0.5), -2])
    assert arc["radius"] == 12
    assert made["closed"]


def test_a_pulled_distance_never_makes_a_name_or_a_side_jump() -> None:
    sizes = []
    for n in range(1, 100):
        made = report(*DRAWING, f"d = {n / 100}", "Inner = offset K5 by d inside", "Q1 = measure length Inner")
        assert made["problems"] == []
        sizes.append(made["readings"][0]["value"])
    assert all(0 < a - b < 0.2 for a, b in pairwise(sizes))


def test_offset_in_then_out_of_what_is_convex_is_it_again() -> None:
    dice = Random(7)
    for _ in range(20):
        turns = sorted(dice.uniform(0, 360) for _ in range(dice.randint(4, 9)))
        at = [Point(50 * cos(radians(t)), 50 * sin(radians(t))) for t in turns]
        if max((b - a) % 360 for a, b in zip(turns, [*turns[1:], turns[0]], strict=True)) > 120:
            continue
        one = Outline(tuple(Line(a, b) for a, b in zip(at, [*at[1:], at[0]], strict=True)), True)
        d = 0.5 * min(piece.length for piece in one.pieces) / 10
        (outer,) = offset(one, d, "outside", False, "K")
        assert isinstance(outer, Outline)
        (back,) = offset(outer, d, "inside", False, "K")
        assert isinstance(back, Outline)
        for p, q in zip(one.corners, back.corners, strict=True):
            assert hypot(p.x - q.x, p.y - q.y) <= 1e-9


# At random, judged --------------------------------------------------------------------------------------


def some_outline(dice: Random) -> Outline | None:
    """A closed outline about a place, of lines and arcs that bend either way; None where it would cross itself."""
    count = dice.randint(3, 12)
    turns = sorted(dice.uniform(0, 2 * pi) for _ in range(count))
    if max((turns[(i + 1) % count] - turns[i]) % (2 * pi) for i in range(count)) > 3:
        return None
    at = [Point(50 + cos(t) * (r := dice.uniform(5, 40)), 20 + sin(t) * r) for t in turns]
    pieces: list[Line | Arc] = []
    for p, q in zip(at, [*at[1:], at[0]], strict=True):
        if dice.random() < 0.4:
            sweep = dice.uniform(-80, 80)
            chord = hypot(q.x - p.x, q.y - p.y)
            radius = chord / 2 / sin(radians(abs(sweep) / 2))
            rise, sense = radius * cos(radians(abs(sweep) / 2)), 1 if sweep > 0 else -1
            ux, uy = (q.x - p.x) / chord, (q.y - p.y) / chord
            pieces.append(
                Arc(Point((p.x + q.x) / 2 - sense * rise * uy, (p.y + q.y) / 2 + sense * rise * ux), radius, p, q, sweep)
            )
        else:
            pieces.append(Line(p, q))
    one = Outline(tuple(pieces), True)
    flat = divided(one, 1500)
    return one if flat.is_valid and flat.exterior.is_simple else None


def divided(one: Outline, parts: int) -> shapely.Polygon:
    places = []
    for piece in one.pieces:
        count = 1 if isinstance(piece, Line) else parts
        places += [place_along(piece, piece.length * n / count) for n in range(count)]
    return shapely.Polygon([(p.x, p.y) for p in places])


@pytest.mark.parametrize("seed", range(12))
def test_it_lies_at_its_distance_everywhere_and_encloses_what_it_should(seed: int) -> None:
    dice = Random(seed)
    for _ in range(8):
        one = some_outline(dice)
        if one is None:
            continue
        distance = dice.choice([0.5, 1, 2, 3, 5, 8, 12])
        flat = divided(one, 60)
        for side in ("inside", "outside"):
            for rounded in (True, False):
                made = offset(one, distance, side, rounded, "K")
                for outline in made:
                    assert isinstance(outline, Outline)
                    for _ in range(100):
                        at = place_along(outline, outline.length * dice.random())
                        on = nearest(one, at)
                        off = hypot(on.x - at.x, on.y - at.y) - distance
                        assert off >= -1e-9, (seed, side, rounded)
                        assert off <= 1e-9 or not rounded
                if rounded:
                    judge = flat.buffer(distance if side == "outside" else -distance, quad_segs=60)
                    area = sum(signed_area(outline) for outline in made if isinstance(outline, Outline))
                    # Chords lie within the arcs by at most this much, all around; its buffers leave out what lies within a
                    # hundredth of the distance.
                    arcs = [piece for piece in one.pieces if isinstance(piece, Arc)]
                    sagitta = max((arc.radius * (1 - cos(radians(arc.sweep / 120))) for arc in arcs), default=0.0)
                    assert area == pytest.approx(judge.area, abs=judge.length * (sagitta + 0.015 * distance))


@pytest.mark.parametrize("seed", range(6))
def test_nothing_of_it_crosses_itself(seed: int) -> None:
    dice = Random(f"crossing {seed}")
    one = None
    while one is None:
        one = some_outline(dice)
    for side in ("inside", "outside"):
        for outline in offset(one, dice.choice([1, 3, 6]), side, False, "K"):
            assert isinstance(outline, Outline)
            pieces = outline.pieces
            for i in range(len(pieces)):
                for j in range(i + 2, len(pieces)):
                    if (j + 1) % len(pieces) != i:
                        assert intersect(pieces[i], pieces[j]).how == "apart"


@pytest.mark.parametrize(("size", "x", "y"), [(1e-6, 0.0, 0.0), (1e9, 0.0, 0.0), (1.0, 1e7, -1e7)])
def test_sizes_and_places(size: float, x: float, y: float) -> None:
    at = [Point(x + a * size, y + b * size) for a, b in ((0, 0), (10, 0), (10, 6), (0, 6))]
    one = Outline(tuple(Line(a, b) for a, b in zip(at, [*at[1:], at[0]], strict=True)), True)
    (made,) = offset(one, 1.0 * size, "inside", False, "K")
    assert isinstance(made, Outline)
    assert signed_area(made) == pytest.approx(32 * size * size, rel=1e-8)
    assert offset(one, 3.0 * size, "inside", False, "K") == ()
    assert offset(Circle(Point(x, y), size), size, "inside", False, "C") == ()
    assert isinstance(offset(EndlessLine(Point(x, y), 1.0, 0.0), size, "left", False, "L")[0], EndlessLine)
