"""Statements about ellipses in degenerate positions: a figure that meets its givens or a reason, never a fault."""

import json
from random import Random

import pytest

from .support import report

NUMBERS = ("0", "1", "2", "5", "10", "3.5", "-4", "1e-6", "1e7", "0.1")
SIZES = ("1", "2", "5", "10", "3.5", "1e-6", "0.1", "100")
NAMES = ("E1", "E2", "E3", "C1", "L1", "L2", "A1", "K1", "P1", "K2")
FORMS = """\
circle touching {o} {p} radius {s}
circle touching {o} {p} {q}
circle centre {x},{y} touching {o}
line touching {o} {p}
line touching {o} direction {x}
line touching {o} at on {o} at {x}
line touching {o} square {p}
measure gap {o} {p}
measure distance {o} {p}
point crossing of {o} {p}
measure area {o} less {p}
measure area segment of {o}
measure area sector of {o}
measure direction end of {o}
line axis of {o}
line axis {s} of {o}
join {o} {p}
path from on {o} at {x} curve along {o} to on {o} at {y} close
point middle of {o}
point {s} along {o}
point nearest to {x},{y} on {o}
a = area {o} + gap {o} {p} + angle {o} {q}
arc continuing {o} to {x},{y}
point foot of {x},{y} on {o}
measure length {o}
a = {o}.area + {p}.perimeter
circle touching {o} at on {o} at {x} radius {s}
circle centre on {o} touching {p} radius {s}
arc touching {o} {p} radius {s}
fillet {o} {p} radius {s}
""".splitlines()


def drawing(dice: Random) -> list[str]:
    def places(count: int) -> list[str]:
        return [f"{dice.choice(NUMBERS)},{dice.choice(NUMBERS)}" for _ in range(count)]

    a, b, c, d, e, f, g, h, i, j, k, m, n = places(13)
    s = [dice.choice(SIZES) for _ in range(8)]
    turn, sweep = dice.choice(("0", "30", "90")), dice.choice(("90", "-200", "5"))
    return [
        f"E1 = ellipse centre {a} axes {s[0]},{s[1]} turned {turn}", f"E2 = ellipse centre {b} axes {s[2]},{s[3]}",
        f"E3 = ellipse centre {c} axes {s[4]},{s[5]} part {d.split(',')[0]} to {d.split(',')[1]}",
        f"C1 = circle centre {e} radius {s[6]}", f"L1 = line from {f} to {g}", f"L2 = line through {h}; {i}",
        f"A1 = arc centre {j} radius {s[7]} at 30 sweep {sweep}", f"K1 = path from {k} to {m} to {n} close", f"P1 = point {a}",
        "L3 = line from end of E3 to start of E3", "K2 = join E3 L3",
    ]  # fmt: skip


@pytest.mark.parametrize("seed", range(120))
def test_a_figure_or_a_reason(seed: int) -> None:
    dice = Random(seed)
    lines = drawing(dice)
    for _ in range(4):
        names = {key: dice.choice(NAMES) for key in "opq"}
        numbers = {"x": dice.choice(NUMBERS), "y": dice.choice(NUMBERS), "s": dice.choice(SIZES)}
        lines.append(dice.choice(FORMS).format(**names, **numbers))
    found = report(*lines)
    assert all(p["message"] and p["column"] >= 1 for p in found["problems"])
    json.dumps(found, allow_nan=False)
    away = 1e7 if any("1e7" in line for line in lines) else 0.0
    for figure in found["figures"].values():
        for one in (figure, *figure.get("all", [])):
            size = max(100.0, away, abs(one.get("radius", 0.0)), *map(abs, one.get("centre", [0.0])))
            assert all(residual <= 1e-8 * size for residual in one.get("residuals", [])), (one, lines)
