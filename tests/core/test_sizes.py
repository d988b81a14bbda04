"""Every way of drawing, small, large and far from the datum: the same figures, grown and moved, by printed numbers alone.

The drawing of the reference page is written out at another size and place; what each example draws there must be what it
draws here, grown and moved. Property: moving and scaling all givens moves and scales the solutions (checks.md).
"""

import re
from math import isclose
from typing import Any

import pytest

from kentrograph.core.book.kinds import ALL as KINDS
from tools.examples import DRAWING, EXAMPLES

from .support import report

SIZES = {"1e-6": (1e-6, 0.0, 0.0), "1e9": (1e9, 0.0, 0.0), "1e7 away": (1.0, 1e7, -3e6)}
_LENGTHS = "across flats|radius|diameter|circumference|distance|length|rise|other"
# What counts from the datum in a way that moving does not keep, or is a share, an angle or a count.
_LEFT = (": ", "50 at 30", "direction", "P3.x", "x 40", "y 20", "along", "past", "40 from", "12 from", "boss")


def grown(text: str, size: float, ox: float, oy: float) -> str:
    """A statement with its coordinates grown and moved, and its lengths grown."""

    def place(match: re.Match[str]) -> str:
        return f"{float(match[1]) * size + ox!r}, {float(match[2]) * size + oy!r}"

    # Sizes and what counts from the last place only grow; the blank before the comma marks them as done.
    text = re.sub(
        r"(axes|size|\+) (-?\d+(?:\.\d+)?), (-?\d+(?:\.\d+)?)",
        lambda m: f"{m[1]} {float(m[2]) * size!r} , {float(m[3]) * size!r}",
        text,
    )
    text = re.sub(r"\+ (\d+) at", lambda m: f"+ {float(m[1]) * size!r} at", text)
    text = re.sub(r"(?<![\d.e-])(-?\d+(?:\.\d+)?), (-?\d+(?:\.\d+)?)", place, text)
    return re.sub(rf"\b({_LENGTHS}) (\d+(?:\.\d+)?)", lambda m: f"{m[1]} {float(m[2]) * size!r}", text)


ALL = [
    text
    for kind, examples in EXAMPLES.items()
    for text, _ in examples
    if kind != "measure" and KINDS[kind].group != "paper" and not KINDS[kind].shapes and not any(word in text for word in _LEFT)
]


@pytest.mark.parametrize("where", SIZES)
@pytest.mark.parametrize("text", ALL)
def test_grown_and_moved_it_is_the_same_figure(text: str, where: str) -> None:
    size, ox, oy = SIZES[where]
    here = report(*DRAWING, f"Q_ = {text}")
    there = report(*(grown(line, size, ox, oy) for line in DRAWING), f"Q_ = {grown(text, size, ox, oy)}")
    assert here["problems"] == there["problems"] == [], grown(text, size, ox, oy)
    a, b = here["figures"]["Q_"], there["figures"]["Q_"]
    assert a.get("solutions", 1) == b.get("solutions", 1)
    same(a, b, size, ox, oy)


def same(a: Any, b: Any, size: float, ox: float, oy: float) -> None:
    """Compares two figures as data, number by number."""
    share = 1e-9 * max(100.0 * size, abs(ox), abs(oy))
    for key, value in a.items():
        other = b[key]
        if key in ("at", "from", "to", "centre"):
            for u, v, o in zip(value, other, (ox, oy), strict=True):
                assert abs(u * size + o - v) <= share, (key, value, other)
        elif key == "axes":
            assert all(abs(u * size - v) <= share for u, v in zip(value, other, strict=True)), (key, value, other)
        elif key == "radius":
            assert abs(value * size - other) <= share, (key, value, other)
        elif key in ("sweep", "direction"):
            assert isclose(value, other, abs_tol=1e-6), (key, value, other)
        elif key in ("kind", "signature", "note", "solutions", "taken", "closed"):
            assert value == other, (key, value, other)
        elif key in ("all", "pieces"):
            for u, v in zip(value, other, strict=True):
                same(u, v, size, ox, oy)
