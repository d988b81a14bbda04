"""The outline around a place, and pens, hide and show: what is traced, and what is seen.

Areas by hand, and by shapely's polygonisation of the same lines (*library*); lenses of two circles by the circular segment
(*published* in engineers' handbooks, from memory).
"""

from math import acos, pi, sqrt
from random import Random
from typing import Any

import pytest
import shapely
from shapely.ops import polygonize, unary_union

from kentrograph.core.book.edits import Delete
from kentrograph.core.book.scene import pen_of, seen
from kentrograph.core.desk import intents

from .support import book, figure, problem, report

ROOM = (
    "L1 = line through 0, 0; 10, 0",
    "L2 = line through 0, 0; 0, 10",
    "L3 = line from -5, 20 to 45, 20",
    "L4 = line from 40, -5 to 40, 25",
)


def traced(*lines: str) -> list[float]:
    """The areas of what the last line traces: the edge, then what lies free within."""
    made = report(*lines)
    assert made["problems"] == [], made["problems"]
    names = [name for name in made["figures"] if name not in report(*lines[:-1])["figures"]]
    read = report(*lines, *(f"a_{n} = area {name}" for n, name in enumerate(names)))
    return [read["figures"][f"a_{n}"]["value"] for n in range(len(names))]


@pytest.mark.parametrize(
    ("more", "at", "areas"),
    [
        ((), "20, 10", [800]), (("line from 20, -5 to 20, 25",), "30, 10", [400]),
        (("circle centre 10, 10 radius 3",), "20, 10", [800, 9 * pi]), (("circle centre 10, 10 radius 3",), "10, 10", [9 * pi]),
        (("line from 20, 5 to 22, 8",), "10, 10", [800]),  # a loose line bounds nothing
        (("line from 40, 3 to 30, 3",), "10, 10", [800]),  # nor one that juts out
        # nor one that leads to what lies within
        (("circle centre 10, 10 radius 3", "line from 13, 10 to 40, 10"), "20, 5", [800, 9 * pi]),
        (("rectangle from 10, 5 size 10, 10", "circle centre 15, 10 radius 2"), "30, 10", [800, 100]),  # a hole in a hole is none
        (("rectangle from 10, 5 size 10, 10", "circle centre 15, 10 radius 2"), "11, 6", [100, 4 * pi]),
        (("circle centre 10, 10 radius 2", "circle centre 30, 10 radius 3"), "20, 10", [800, 4 * pi, 9 * pi]),
        (("circle centre 20, 10 radius 4", "circle centre 28, 10 radius 4"), "10, 3", [800, 16 * pi, 16 * pi]),
        (("circle centre 20, 10 radius 10",), "20, 10", [100 * pi]),  # touching the edge above and below
        (("circle centre 20, 10 radius 10",), "1, 1", [10 * 20 + 10 * 20 - 50 * pi]),
        (("ellipse centre 20, 10 axes 8, 4",), "1, 1", [800, 32 * pi]),
        (("ellipse centre 20, 10 axes 8, 4", "line from 0, 10 to 40, 10"), "20, 11", [16 * pi]),
    ],
)  # fmt: skip
def test_faces(more: tuple[str, ...], at: str, areas: list[float]) -> None:
    assert traced(*ROOM, *more, f"outline at {at}") == pytest.approx(areas, rel=1e-12)


def test_lens_and_crescents_of_two_circles() -> None:
    circles = ("C1 = circle centre 0, 0 radius 4", "C2 = circle centre 3, 0 radius 4")
    lens = 2 * 16 * acos(3 / 8) - 1.5 * sqrt(64 - 9)
    assert traced(*circles, "outline at 1.5, 0") == pytest.approx([lens])
    assert traced(*circles, "outline at -3, 0") == pytest.approx([16 * pi - lens])
    # Circles that touch within: what lies between them.
    assert traced("C1 = circle centre 0, 0 radius 4", "C2 = circle centre 2, 0 radius 2", "outline at -3, 0") == pytest.approx(
        [16 * pi, 4 * pi]
    )
    assert traced("C1 = circle centre 0, 0 radius 4", "C2 = circle centre 2, 0 radius 2", "outline at 2, 0") == pytest.approx(
        [4 * pi]
    )


@pytest.mark.parametrize(
    ("lines", "kind"),
    [
        ((), "nothing_around"), (("L1 = line from 0, 0 to 9, 0",), "not_enclosed"),
        (("C1 = circle centre 0, 0 radius 1",), "not_enclosed"),
        ((*ROOM, "line from 20, 0 to 20, 20"), "on_an_edge"), (("P1 = point 3, 4",), "nothing_around"),
        (("L1 = line through 0, 0; 1, 0", "L2 = line through 0, 5; 1, 5"), "not_enclosed"),
    ],
)  # fmt: skip
def test_where_there_is_no_way_round_it_says_why(lines: tuple[str, ...], kind: str) -> None:
    assert problem(*lines, "outline at 20, 10")["kind"] == kind


def test_along_ink_only_and_past_what_is_hidden() -> None:
    lines = (*ROOM, "L5 = pencil line from 20, -5 to 20, 25")
    assert traced(*lines, "outline at 30, 10") == pytest.approx([400])
    assert traced(*lines, "outline at 30, 10 ink") == pytest.approx([800])
    assert traced(*lines, "hide L5", "outline at 30, 10") == pytest.approx([800])


def test_it_follows_whatever_stands_before_it() -> None:
    b = book(*ROOM, "K1 = outline at 30, 10", "measure area K1")
    wall = intents.write(b, "line from 20, -5 to 20, 25", "wall", "s5")[0]
    with_wall, inverse = b.edited(wall)
    assert figure(with_wall, "R1").value == pytest.approx(400)
    assert with_wall.edited(inverse)[0].values == b.values
    behind = b.edited(intents.write(b, "line from 20, -5 to 20, 25", "wall")[0])[0]
    assert figure(behind, "R1").value == pytest.approx(800)
    assert figure(with_wall.edited(Delete("wall"))[0], "R1").value == pytest.approx(800)
    assert with_wall.evaluated_anew().values == with_wall.values


@pytest.mark.parametrize("seed", range(25))
def test_at_random_it_is_the_face_that_the_lines_make(seed: int) -> None:
    """Judged by shapely: the smallest polygon of all crossed lines that holds the place, less what lies free within it."""
    dice = Random(seed)
    lines = [
        ((dice.uniform(0, 100), dice.uniform(0, 100)), (dice.uniform(0, 100), dice.uniform(0, 100)))
        for _ in range(dice.randint(3, 16))
    ]
    merged = unary_union([shapely.LineString(line) for line in lines])
    faces = list(polygonize(merged))
    texts = [f"line from {a[0]!r}, {a[1]!r} to {b[0]!r}, {b[1]!r}" for a, b in lines]
    for _ in range(6):
        x, y = dice.uniform(0, 100), dice.uniform(0, 100)
        holding = [face for face in faces if face.contains(shapely.Point(x, y))]
        made = report(*texts, f"outline at {x!r}, {y!r}")
        if not holding:
            assert [p["kind"] for p in made["problems"]] == ["not_enclosed"]
            continue
        areas = traced(*texts, f"outline at {x!r}, {y!r}")
        assert areas[0] - sum(areas[1:]) == pytest.approx(holding[0].area, rel=1e-9)


# Pens ---------------------------------------------------------------------------------------------------


def look(*lines: str) -> dict[str, tuple[str, bool]]:
    b = book(*lines)
    return {b.steps[id].name: (pen_of(b, id), seen(b, id)) for id in b.order if b.steps[id].name}


@pytest.mark.parametrize(
    ("lines", "expected"),
    [
        (("hidden L1 = line from 0, 0 to 1, 0",), {"L1": ("hidden", True)}),
        (("L1 = axis line from 0, 0 to 1, 0",), {"L1": ("axis", True)}),
        (("L1 = line from 0, 0 to 1, 0", "pen fine L1"), {"L1": ("fine", True)}),
        (("L1 = line from 0, 0 to 1, 0", "pen L1 fine", "pen hidden L1"), {"L1": ("hidden", True)}),
        (("L1 = line from 0, 0 to 1, 0", "hide L1"), {"L1": ("ink", False)}),
        (("L1 = line from 0, 0 to 1, 0", "hide L1", "show L1"), {"L1": ("ink", True)}),
        (("L1 = pencil line from 0, 0 to 1, 0", "L2 = line from 0, 0 to 2, 0", "hide pencil"), {"L1": ("pencil", False),
            "L2": ("ink", True)}),
        (("L1 = line from 0, 0 to 1, 0", "hide pencil", "pen pencil L1"), {"L1": ("pencil", False)}),
        (("L1 = line from 0, 0 to 1, 0", "pen hidden L1", "L2 = copy L1 by 0, 1"), {"L1": ("hidden", True), "L2": ("hidden",
            True)}),
        (("L1 = line from 0, 0 to 1, 0", "L2 = copy L1 by 0, 1", "pen hidden L1"), {"L1": ("hidden", True), "L2": ("ink", True)}),
        (("L1 = line from 0, 0 to 1, 0", "L2 = line from 0, 0 to 2, 0", "G1 = group L1 L2", "hide G1"), {"L1": ("ink", False),
            "L2": ("ink", False), "G1": ("ink", False)}),
    ],
)  # fmt: skip
def test_what_is_drawn_with_what_and_seen(lines: tuple[str, ...], expected: dict[str, Any]) -> None:
    assert look(*lines) == expected


def test_a_hidden_figure_stays_hidden_when_it_is_shaped() -> None:
    b = book("L1 = line from 0, 0 to 9, 0", "pen hidden L1", "hide L1", "trim L1 from start to 1, 0")
    assert pen_of(b, "s4") == "hidden"
    assert not seen(b, "s4")
    shown, _ = b.edited(intents.strike(b, "s3")[0])
    assert seen(shown, "s4")


@pytest.mark.parametrize(
    ("text", "kind"),
    [("pen L1", "needs_given"), ("pen hidden", "needs_given"), ("pen hidden fine L1", "too_many_givens"), ("hide", "needs_given"),
     ("hide n", "not_shaped"), ("Q1 = hide L1", "draws_nothing"), ("show", "needs_given"), ("hide Q9", "unknown_name")],
)  # fmt: skip
def test_pens_that_cannot_be_taken_say_why(text: str, kind: str) -> None:
    assert problem("L1 = line from 0, 0 to 1, 0", "n = 4", text)["kind"] == kind


@pytest.mark.parametrize(
    ("more", "at", "area"),
    [
        ((), "60, 20", 9600 - 128 * pi),  # the holes are no part of it
        (("pencil line from -10, 40 to 130, 40",), "60, 20", 9600 - 128 * pi),  # pencil does not part what ink closes in
        (("chamfer corner 3 of K1 by 10",), "60, 20", 9600 - 50 - 128 * pi),
        ((), "20, 42", 64 * pi),
        (("pencil circle centre 300, 0 radius 5",), "301, 1", 25 * pi),  # where ink closes nothing in, all that is seen counts
        (("rectangle from 50, 10 size 20, 20", "circle centre 60, 20 radius 5"), "55, 12", 400 - 25 * pi),
    ],
)
def test_the_area_around_a_place(more: tuple[str, ...], at: str, area: float) -> None:
    """By hand."""
    plate = ("K1 = rectangle from 0, 0 size 120, 80", "circle centre 20, 40 radius 8", "circle centre 100, 40 radius 8")
    read = report(*plate, *more, f"R1 = measure area {at}")["readings"][-1]
    assert read["value"] == pytest.approx(area, rel=1e-12)


def test_the_area_around_a_place_that_is_not_closed_in_says_so() -> None:
    assert problem("line from 0, 0 to 9, 0", "measure area 5, 5")["kind"] == "not_enclosed"
    assert problem("circle centre 0, 0 radius 5", "measure area 5, 0")["kind"] == "on_an_edge"


def test_the_area_around_a_place_follows_what_is_drawn_before_it() -> None:
    made = book("a = 10", "rectangle from 0, 0 size a, a", "R1 = measure area 1, 1", "circle centre 5, 5 radius 2")
    assert figure(made, "R1").value == 100
    # What comes later is no part of what it was measured on.
    again = book("a = 20", "rectangle from 0, 0 size a, a", "circle centre 5, 5 radius 2", "R1 = measure area 1, 1")
    assert figure(again, "R1").value == pytest.approx(400 - 4 * pi)


INKED = (
    "pencil C1 = circle centre 0, 0 radius 30",
    "pencil C2 = circle centre 120, 20 radius 18",
    "L1 = line touching C1 right touching C2 right",
    "L2 = line touching C1 left touching C2 left",
    "A1 = ink C1 from crossing of C1 L1 to crossing of C1 L2",
    "A2 = ink C2 from crossing of C2 L2 to crossing of C2 L1",
    "K1 = join L1 A1 L2 A2",
    "K2 = offset K1 by 6 outside",
)


def test_ink_that_lies_on_pencil() -> None:
    """What runs along what is there already, which a way round may come to by either, and never come back."""
    assert problem(*INKED, "measure area 60, -30.2")["kind"] == "not_enclosed"
    ring = report(*INKED, "measure area K2 less K1", "measure area 0, -33")["readings"]
    assert ring[0]["value"] == pytest.approx(ring[1]["value"], rel=1e-12)
    # Over pencil, too: the lens of the hub that the belt leaves free.
    assert len(traced(*INKED, "outline at 0, 0")) == 1


@pytest.mark.parametrize("seed", range(12))
def test_lines_that_lie_twice_bound_what_they_bound_once(seed: int) -> None:
    """Library: shapely's polygonisation of the lines, each once; half of them are drawn again, in part."""
    dice = Random(seed)
    ends = [tuple(dice.uniform(-50, 50) for _ in range(4)) for _ in range(9)]
    lines = [f"L{n} = pencil line from {x:.6f}, {y:.6f} to {u:.6f}, {v:.6f}" for n, (x, y, u, v) in enumerate(ends)]
    again = [f"ink L{n} from {dice.randint(0, 40)}% of L{n} to {dice.randint(50, 100)}% of L{n}" for n in range(5)]
    flat = [shapely.LineString([(round(x, 6), round(y, 6)), (round(u, 6), round(v, 6))]) for x, y, u, v in ends]
    faces = [face for face in polygonize(unary_union(flat)) if face.area > 20.0]
    for face in faces[:4]:
        at = face.representative_point()
        found = report(*lines, *again, f"measure area {at.x:.9f}, {at.y:.9f}")["readings"][-1]
        assert found["value"] == pytest.approx(face.area, rel=1e-6)


def test_the_first_look_around_may_come_while_a_text_is_read() -> None:
    """To count what comes of the second split, the lines behind the first are added: the reading among them is the first that
    looks around, in a book that is being changed."""
    made = report("C1 = circle centre 0, 0 radius 5", "L1 = line from 1, 0 to 9, 0", "L2 = split L1 at 7, 0", "measure area 0, 1",
                  "split L2 at 8, 0")  # fmt: skip
    assert made["problems"] == []
    assert made["readings"][0]["value"] == pytest.approx(25 * pi)


@pytest.mark.parametrize("seed", range(300))
def test_what_is_drawn_twice_changes_no_face(seed: int) -> None:
    """Property: figures drawn again, wherever in the book and in whatever way, leave each face as it is; and with holes that lie
    clear of one another it is what is taken off by hand."""
    dice = Random(seed)
    lines, hand = ["Wall = rectangle from 0, 0 size 100, 60"], 6000.0
    clear = seed % 3 > 0
    for n in range(dice.randint(1, 4)):
        # One in each quarter, or anywhere.
        cx, cy = (25 + 50 * (n % 2), 15 + 30 * (n // 2)) if clear else (dice.uniform(12, 88), dice.uniform(12, 48))
        r, short = dice.uniform(1, 6), dice.uniform(0.5, 0.99)
        figure = dice.choice(("circle", "arcs", "ellipse", "rectangle"))
        hand -= {"circle": pi * r * r, "arcs": pi * r * r, "ellipse": pi * r * r * short, "rectangle": 4 * r * r * short}[figure]
        lines += {
            "circle": [f"circle centre {cx}, {cy} radius {r}"],
            "arcs": [f"arc centre {cx}, {cy} radius {r} at {a} sweep {s}" for a, s in ((20, 200), (220, 160))],
            "ellipse": [f"ellipse centre {cx}, {cy} axes {r}, {r * short} turned {n}"],
            "rectangle": [f"rectangle centre {cx}, {cy} size {2 * r}, {2 * r * short} turned {n}"],
        }[figure]
    if not clear:
        lines += [f"line from {dice.uniform(0, 100)}, -5 to {dice.uniform(0, 100)}, 65" for _ in range(2)]
    twice = list(lines)
    for line in dice.sample(lines, dice.randint(1, len(lines))):
        for _ in range(dice.choice((1, 1, 2))):
            again = line.partition(" = ")[2] or line
            at = dice.uniform(0, 360)
            if again.startswith("circle"):
                centre, radius = again.removeprefix("circle centre ").split(" radius ")
                centre = f"({centre})"
                forms = (f"circle centre {centre} diameter 2*{radius}", f"arc centre {centre} radius {radius} at {at} sweep 90")
                again = dice.choice((again, again, *forms))
            twice.insert(dice.randint(0, len(twice)), again)
    once, both = (report(*text, "a = area 1, 1") for text in (lines, twice))
    assert both["problems"] == once["problems"] == []
    assert both["figures"]["a"]["value"] == pytest.approx(once["figures"]["a"]["value"], rel=1e-12), twice
    if clear:
        assert both["figures"]["a"]["value"] == pytest.approx(hand, rel=1e-12), twice
    traced_again = [traced(*text, "outline at 1, 1") for text in (lines, twice)]
    assert sorted(traced_again[0]) == pytest.approx(sorted(traced_again[1]), rel=1e-11), twice
