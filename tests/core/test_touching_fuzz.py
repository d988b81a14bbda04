"""Statements about touching over drawings full of special positions: an answer or a reason, never a fault, and true.

The coordinates are few and round, so that parallel, concentric, equal, touching and coincident figures come up all the time.
Property: every residual holds, every signature is another, no circle stands twice (checks.md).
"""

from random import Random

import pytest

from .checker import all_of, beside, circle_of, scale
from .support import report

_AT = (0, 0, 1, 2, 5, 10, -5, 3.5, 20, -20, 1e-3, 7, 12)
_SIZES = (1, 2, 5, 10, 20, 3, 7.5, 1e-3, 40)
_SIDES = ("", "", "", " left", " right", " outside", " enclosing", " inside")

FORMS = (
    "circle touching {f} touching {f} touching {f}",
    "circle touching {f} touching {f} radius {s}",
    "circle touching {f} touching {f} through P1",
    "circle touching {f} through P1 P2",
    "circle centre P1 touching {f}",
    "circle centre on {n} touching {f} touching {f}",
    "circle centre on {n} touching {f} radius {s}",
    "circle centre on L1 centre on {n} touching {f}",
    "circle centre on E1 touching {f} touching {f}",
    "circle touching L1 at foot of P1 on L1 radius {s}",
    "circle touching C1 at nearest to P1 on C1 touching {f}",
    "circle touching {f} at nearest to P2 on {n} through P3",
    "circle at P1 direction {a} touching {f}",
    "circle touching start of A1 touching C1 radius {s}",
    "circle touching {f} touching {f} radius {s} solution 2",
    "circle touching {f} touching {f} radius {s} near {a}, {a}",
    "line touching {r} {r}",
    "line from P1 touching {r} left",
    "line to P1 touching {r} length 5",
    "line touching {r} parallel L1",
    "line from P2 touching E1",
    "line through P1 touching {r} near P2",
    "line touching C1 at on C1 at {a}",
    "arc touching {f} touching {f} radius {s}",
    "arc touching {f} touching {f} touching {f}",
    "arc from P1 touching {f} radius {s} major",
    "arc continuing L2 touching {f}",
    "arc continuing start of A1 touching {f}",
    "arc from P1 direction {a} touching {f}",
    "fillet {n} {n} radius {s}",
    "fillet {n} {n} radius {s} trimmed",
    "line from P1 direction {a} until {u}",
    "line from P1 parallel L3 until {u}",
    "line from P1 square {u} until {u}",
    "line from P1 through P2 until {u}",
    "line from P1 length {s} until {u}",
    "arc centre P1 from P2 until {u}",
    "arc centre P1 radius {s} at {a} until {u} clockwise",
    "arc continuing L2 radius {s} until {u}",
    "arc continuing start of A1 radius {s} until {u}",
    "arc from P1 direction {a} radius {s} until {u}",
)
"""``f`` is anything that can be touched, with or without a side; ``r`` round; ``u`` what can be run to; ``s``, ``a`` numbers."""


def drawing(r: Random) -> list[str]:
    def at() -> str:
        return f"{r.choice(_AT)}, {r.choice(_AT)}"

    return [
        *(f"P{n} = point {at()}" for n in (1, 2, 3)),
        f"L1 = line through {at()} direction {r.choice((0, 90, 45, 30, 180))}",
        *(f"L{n} = line from {r.choice(_AT)}, 0 to {r.choice(_AT) + 30}, {r.choice(_AT)}" for n in (2, 3)),
        *(f"C{n} = circle centre {at()} radius {r.choice(_SIZES)}" for n in (1, 2, 3)),
        f"A1 = arc centre {at()} radius {r.choice(_SIZES)} at {r.choice(_AT)} sweep {r.choice((90, -200, 30))}",
        f"E1 = ellipse centre {at()} axes {r.choice(_SIZES)}, {r.choice(_SIZES)} turned {r.choice(_AT)}",
    ]


def statement(r: Random, form: str) -> str:
    names = ("P1", "P2", "P3", "L1", "L2", "L3", "C1", "C2", "C3", "A1")
    while "{" in form:
        head, rest = form.split("{", 1)
        what, tail = rest[0], rest[2:]
        picked = {
            "f": r.choice(names) + r.choice(_SIDES), "n": r.choice(names), "r": r.choice(("C1", "C2", "C3", "A1")),
            "s": str(r.choice(_SIZES)), "a": str(r.choice(_AT)),
        }  # fmt: skip
        form = head + (r.choice(("L1", "L2", "L3", "C1", "C2", "A1", "E1", "P3")) if what == "u" else picked[what]) + tail
    return form


@pytest.mark.parametrize("form", FORMS)
def test_touching_anything_has_an_answer_or_a_reason(form: str) -> None:
    r = Random(form)
    drawn = 0
    for n in range(600):
        # Few drawings have a corner of which something is left.
        if n >= 60 and drawn:
            break
        lines, text = drawing(r), statement(r, form)
        made = report(*lines, f"T = {text}")
        if "T" not in made["figures"]:
            assert made["problems"], text
            assert all(p["message"] for p in made["problems"])
            continue
        drawn += 1
        found = all_of(made["figures"]["T"])
        signatures = [one.get("signature") for one in found]
        assert len(set(signatures)) == len(signatures), (lines, text, signatures)
        for one in found:
            size = max(scale(one), 40.0) if "radius" in one else 40.0
            assert all(residual <= 1e-9 * size for residual in one.get("residuals", [])), (lines, text, one)
        if "until" in form and (run_to := text.split("until ")[1].split()[0]) != "P3":
            missed = [beside(made["figures"][run_to], *one["to"]) for one in found]
            assert max(missed) <= 1e-9 * 40.0 * max(1.0, *(abs(v) / 40.0 for one in found for v in one["to"])), (lines, text)
        if form.startswith("circle"):
            for index, one in enumerate(found):
                for other in found[:index]:
                    apart = max(abs(u - v) for u, v in zip(circle_of(one), circle_of(other), strict=True))
                    assert apart > 1e-9 * scale(one), (lines, text, one)
    assert drawn > 0, "the form is never drawn"
