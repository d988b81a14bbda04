"""Trimmed chamfers at random: which rest of each figure stays.

*Common practice*: a corner that is cut off leaves of each figure what leads away from the corner, so a figure that begins there
is shorter by exactly what the cut takes of it, however sharp the corner and wherever the cut lies nearer. Each figure is made
here as a walk from the corner (a place, a direction, a bend), and where the cut meets it is worked out from the walk alone.
"""

from math import atan2, cos, degrees, hypot, pi, radians, sin
from random import Random
from typing import NamedTuple

import pytest

from .support import problem, report

Place = tuple[float, float]


class Walk(NamedTuple):
    """A way from a corner: its direction there, radians; how it bends, one over its radius, to the left above 0; its length."""

    corner: Place
    way: float
    bend: float
    length: float

    def at(self, along: float) -> Place:
        x, y = self.corner
        if not self.bend:
            return x + along * cos(self.way), y + along * sin(self.way)
        turned = self.way + along * self.bend
        return x + (sin(turned) - sin(self.way)) / self.bend, y - (cos(turned) - cos(self.way)) / self.bend

    def text(self, name: str, back: bool) -> str:
        ends = [self.at(0.0), self.at(self.length)]
        (ax, ay), (bx, by) = reversed(ends) if back else ends
        if not self.bend:
            return f"{name} = line from {ax!r}, {ay!r} to {bx!r}, {by!r}"
        vx, vy = self.at(self.length / 2)
        return f"{name} = arc from {ax!r}, {ay!r} via {vx!r}, {vy!r} to {bx!r}, {by!r}"

    def met(self, start: Place, way: float) -> float | None:
        """How far along it a ray first meets it: looked for by bisection between 400 places of it."""

        def beside(along: float) -> float:
            x, y = self.at(along)
            return (x - start[0]) * sin(way) - (y - start[1]) * cos(way)

        best: tuple[float, float] | None = None
        steps = 400
        for n in range(steps):
            a, b = (self.length * (n + k) / steps for k in (0, 1))
            if beside(a) * beside(b) > 0.0:
                continue
            low, high = a, b
            for _ in range(80):
                middle = (low + high) / 2
                low, high = (middle, high) if beside(low) * beside(middle) > 0.0 else (low, middle)
            x, y = self.at(low)
            ahead = (x - start[0]) * cos(way) + (y - start[1]) * sin(way)
            if ahead > 0.0 and (best is None or ahead < best[0]):
                best = ahead, low
        return best[1] if best is not None else None


def walks(dice: Random, arcs: int) -> tuple[Walk, Walk]:
    """Two figures that lead away from a corner, of which so many bend; the second lies to the left of the first there."""
    corner = dice.uniform(-50, 50), dice.uniform(-50, 50)
    way, turn = dice.uniform(-pi, pi), radians(dice.uniform(15, 165))
    made = []
    for n, one in enumerate((way, way + turn)):
        length = dice.uniform(20, 80)
        bend = 0.0 if n >= arcs else radians(dice.uniform(10, 150)) / length * dice.choice((-1, 1))
        made.append(Walk(corner, one, bend, length))
    return made[0], made[1]


def expect(first: Walk, second: Walk, cut: str, ends: tuple[float, float], back: tuple[bool, bool]) -> None:
    """Asserts what is left of both."""
    (ax, ay), (bx, by) = first.at(ends[0]), second.at(ends[1])
    near = f"near {(ax + bx) / 2!r}, {(ay + by) / 2!r}"
    lines = first.text("A", back[0]), second.text("B", back[1]), f"Q = chamfer A B {cut} trimmed {near}"
    made = report(*lines, "measure length A", "measure length B")
    assert made["problems"] == [], (lines, made["problems"])
    for name, walk, end, turned in (("A", first, ends[0], back[0]), ("B", second, ends[1], back[1])):
        far = made["figures"][name]["from" if turned else "to"]
        cut_at = made["figures"][name]["to" if turned else "from"]
        assert far == pytest.approx(walk.at(walk.length), abs=1e-7), (lines, name)
        assert cut_at == pytest.approx(walk.at(end), abs=1e-7), (lines, name)
    left = [one["value"] for one in made["readings"]]
    assert left == pytest.approx([first.length - ends[0], second.length - ends[1]], abs=1e-7), lines


@pytest.mark.parametrize("arcs", [0, 1, 2])
def test_two_lengths(arcs: int) -> None:
    dice = Random(100 + arcs)
    for _ in range(200):
        first, second = walks(dice, arcs)
        ends = dice.uniform(0.02, 0.9) * first.length, dice.uniform(0.02, 0.9) * second.length
        expect(first, second, f"by {ends[0]!r}; {ends[1]!r}", ends, (dice.random() < 0.5, dice.random() < 0.5))


@pytest.mark.parametrize("arcs", [0, 1, 2])
def test_a_length_and_an_angle(arcs: int) -> None:
    dice = Random(200 + arcs)
    tried = 0
    while tried < 140:
        first, second = walks(dice, arcs)
        by, angle = dice.uniform(0.05, 0.7) * first.length, dice.uniform(10, 160)
        # Back along the first figure, turned to where the second lies: to the right of who comes back to the corner.
        ray = first.way + by * first.bend + pi - radians(angle)
        end = second.met(first.at(by), ray)
        if end is None or crossed(first, by, second.at(end)):
            continue
        tried += 1
        expect(first, second, f"by {by!r} at {angle!r}", (by, end), (dice.random() < 0.5, dice.random() < 0.5))


def crossed(first: Walk, by: float, end: Place) -> bool:
    """Whether the cut runs through the first figure again before it ends: it then cuts no corner off."""
    (x, y) = first.at(by)
    again = Walk(first.corner, first.way, first.bend, by * 0.999).met((x, y), atan2(end[1] - y, end[0] - x))
    if again is None:
        return False
    u, v = first.at(again)
    return hypot(u - x, v - y) < hypot(end[0] - x, end[1] - y)


@pytest.mark.parametrize(
    ("lines", "left"),
    [
        # An obtuse triangle is cut off: by hand, 80 - 10 and 80 - 5; 80 - 10.
        (("L1 = line from 80,0 to 0,0", "L2 = line from 0,0 to 64,48", "chamfer L1 L2 by 10; 5 trimmed near 7,1.5"), (70, 75)),
        (("L1 = line from 80,0 to 0,0", "L2 = line from 0,0 to 64,48", "chamfer L1 L2 by 10 at 120 trimmed"), (70, 57.953650074)),
        # The figures end short of where they cross: what is left begins at the cut.
        (("L1 = line from 3,0 to 40,0", "L2 = line from 0,40 to 0,2", "chamfer L1 left L2 left by 1; 1 trimmed"), (39, 39)),
    ],
)  # fmt: skip
def test_by_hand(lines: tuple[str, ...], left: tuple[float, float]) -> None:
    made = report(*lines, "measure length L1", "measure length L2")
    assert made["problems"] == []
    assert [one["value"] for one in made["readings"]] == pytest.approx(left)


@pytest.mark.parametrize(
    "lines",
    [
        ("L1 = line from 0,0 to 3,0", "L2 = line from 0,0 to 0,20", "chamfer L1 left L2 right by 5 trimmed"),
        ("L1 = line from 0,0 to 5,0", "L2 = line from 0,0 to 0,20", "chamfer L1 L2 by 5 trimmed near 2, 2"),
        ("L1 = line from 0,0 to 3,0", "L2 = line from 0,0 to 0,20", "fillet L1 L2 radius 5 trimmed near 1, 1"),
        ("A1 = arc centre 0,0 from 10,0 sweep 60", "L2 = line from 0,0 to 30,0", "chamfer A1 L2 by 11; 5 trimmed near 10, 5"),
    ],
)  # fmt: skip
def test_what_is_cut_past_its_end_leaves_nothing(lines: tuple[str, ...]) -> None:
    found = problem(*lines)
    assert found["kind"] == "past_its_end"
    assert lines[2][found["column"] - 1 :].startswith(lines[0][:2])


def test_degrees_of_the_walk() -> None:
    """The walk itself, against a quarter of a circle of 10."""
    quarter = Walk((0.0, 0.0), 0.0, 0.1, 5 * pi)
    assert quarter.at(5 * pi) == pytest.approx((10, 10))
    assert degrees(atan2(*quarter.at(5 * pi))) == pytest.approx(45)
