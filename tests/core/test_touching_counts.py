"""How many circles touch three givens, in general and in special positions; at three sizes and far from the datum.

Source of the counts, published: Bruen, Fisher and Wilker, "Apollonius by Inversion", Mathematics Magazine 56, 1983, for
the ten combinations and their largest numbers; the special positions beside each by the classification by signs in
docs/maths/touching.md, cross-checked below with mpmath at 50 digits.
"""

from typing import Any

import pytest

from .checker import all_of, check_circles
from .support import report

# What is touched: ("P", x, y), ("L", x, y, x, y), ("C", x, y, r); and how many circles touch all three.
CASES: dict[str, tuple[list[tuple[Any, ...]], int | str]] = {
    # The classical largest numbers.
    "PPP": ([("P", 0, 0), ("P", 8, 1), ("P", 3, 6)], 1),
    "PPL": ([("P", 0, 2), ("P", 5, 3), ("L", -9, 0, 9, 0)], 2),
    "PLL": ([("P", 5, 1), ("L", 0, 0, 9, 0), ("L", 0, 0, 6, 8)], 2),
    "LLL": ([("L", 0, 0, 4, 0), ("L", 4, 0, 0, 3), ("L", 0, 3, 0, 0)], 4),
    "PPC": ([("P", 0, 0), ("P", 4, 1), ("C", 9, 9, 3)], 2),
    "PLC": ([("P", 0, 3), ("L", -9, 0, 9, 0), ("C", 6, 6, 2)], 4),
    "PCC": ([("P", 0, 0), ("C", 9, 0, 2), ("C", 2, 9, 3)], 4),
    "LLC": ([("L", 0, 0, 9, 0), ("L", 0, 0, 6, 8), ("C", 9, 4, 1)], 4),
    "LLC crossed": ([("L", 0, 0, 9, 0), ("L", 0, 0, 6, 8), ("C", 0, 0, 2)], 8),
    "LCC": ([("L", -9, 0, 9, 0), ("C", 0, 5, 2), ("C", 8, 6, 2)], 8),
    "CCC": ([("C", 0, 0, 2), ("C", 9, 0, 3), ("C", 3, 9, 1)], 8),
    # Special positions.
    "PPP in line": ([("P", 0, 0), ("P", 4, 2), ("P", 8, 4)], 0),
    "PPL either side": ([("P", 0, 2), ("P", 5, -3), ("L", -9, 0, 9, 0)], 0),
    "PPL one on it": ([("P", 0, 0), ("P", 5, 3), ("L", -9, 0, 9, 0)], 1),
    "PPL parallel": ([("P", 0, 3), ("P", 5, 3), ("L", -9, 0, 9, 0)], 1),
    "PPL both on it": ([("P", 0, 0), ("P", 5, 0), ("L", -9, 0, 9, 0)], 0),
    "PLL parallel, between": ([("P", 1, 2), ("L", -9, 0, 9, 0), ("L", -9, 5, 9, 5)], 2),
    "PLL parallel, beside": ([("P", 1, 7), ("L", -9, 0, 9, 0), ("L", -9, 5, 9, 5)], 0),
    "PLL parallel, on one": ([("P", 1, 5), ("L", -9, 0, 9, 0), ("L", -9, 5, 9, 5)], 1),
    "PLL on one of them": ([("P", 5, 0), ("L", 0, 0, 9, 0), ("L", 0, 0, 6, 8)], 2),
    "PLL where they cross": ([("P", 0, 0), ("L", 0, 0, 9, 0), ("L", 0, 0, 6, 8)], 0),
    "LLL one pair parallel": ([("L", 0, 0, 9, 0), ("L", 0, 4, 9, 4), ("L", 0, -1, 3, 8)], 2),
    "LLL parallel": ([("L", 0, 0, 9, 0), ("L", 0, 4, 9, 4), ("L", 0, 7, 9, 7)], 0),
    "LLL through one place": ([("L", 0, 0, 9, 3), ("L", 0, 0, 4, 9), ("L", 0, 0, -5, 6)], 0),
    "PPC both on it": ([("P", 5, 0), ("P", 3, 4), ("C", 0, 0, 5)], 0),
    "PPC one on it": ([("P", 5, 0), ("P", 8, 4), ("C", 0, 0, 5)], 1),
    "PPC one inside": ([("P", 1, 0), ("P", 8, 4), ("C", 0, 0, 5)], 0),
    "PPC both inside": ([("P", 1, 0), ("P", -2, 1), ("C", 0, 0, 5)], 2),
    "PCC on one": ([("P", 5, 0), ("C", 0, 0, 5), ("C", 14, 3, 2)], 2),
    "PCC where they touch": ([("P", 5, 0), ("C", 0, 0, 5), ("C", 8, 0, 3)], "infinitely_many"),
    "PCC where they cross": ([("P", 3, 4), ("C", 0, 0, 5), ("C", 6, 0, 5)], 0),
    "CCC each touching the others": ([("C", 0, 0, 1), ("C", 3, 0, 2), ("C", 0, 4, 3)], 2),
    "CCC concentric and one between": ([("C", 0, 0, 2), ("C", 0, 0, 5), ("C", 3.5, 0, 0.5)], 8),
    "CCC all concentric": ([("C", 0, 0, 2), ("C", 0, 0, 5), ("C", 0, 0, 9)], 0),
    "CCC equal in a row": ([("C", 0, 0, 1), ("C", 3, 0, 1), ("C", 6, 0, 1)], 6),
    "CCC equal in a triangle": ([("C", 0, 0, 1), ("C", 6, 0, 1), ("C", 2, 5, 1)], 8),
    "CCC one cut off": ([("C", 0, 0, 1), ("C", 0, 0, 5), ("C", 9, 0, 2)], 0),
    "CCC touching in one place": ([("C", 0, 0, 5), ("C", 2, 0, 3), ("C", 9, 0, 4)], "infinitely_many"),
    "CCC two touch outside": ([("C", 0, 0, 2), ("C", 5, 0, 3), ("C", 2, 9, 1)], 6),
    "CCC two touch inside": ([("C", 0, 0, 5), ("C", 2, 0, 3), ("C", 12, 3, 2)], 2),
    "CCC through one place": ([("C", 5, 0, 5), ("C", 0, 7, 7), ("C", -3, -4, 5)], 4),
    "LCC touched by both": ([("L", -9, 0, 9, 0), ("C", 0, 2, 2), ("C", 8, 3, 3)], 4),
    "LLC touched by both": ([("L", 0, 0, 9, 0), ("L", 0, 0, 0, 9), ("C", 2, 2, 2)], 4),
    "LLC parallel, between": ([("L", 0, 0, 9, 0), ("L", 0, 9, 9, 9), ("C", 4, 4, 1)], 4),
    "LLC parallel, touching one": ([("L", 0, 0, 9, 0), ("L", 0, 9, 9, 9), ("C", 4, 2, 2)], 3),
    "LLC parallel, filling": ([("L", 0, 0, 9, 0), ("L", 0, 4, 9, 4), ("C", 4, 2, 2)], 2),
    "PLC in line with it": ([("P", 0, 4), ("L", -9, 0, 9, 0), ("C", 6, 6, 2)], 3),
    "LCC one line touches both": ([("L", -9, 0, 9, 0), ("C", 0, 5, 2), ("C", 8, 6, 3)], 7),
    "LCC parallel tangent": ([("L", -9, 0, 9, 0), ("C", 0, 4, 1), ("C", 8, 4, 1)], 6),
}  # fmt: skip
PLACES = {
    "as it is": (1.0, 0.0, 0.0),
    "1e-6": (1e-6, 0.0, 0.0),
    "1e-3": (1e-3, 0.0, 0.0),
    "1e6": (1e6, 0.0, 0.0),
    "1e9": (1e9, 0.0, 0.0),
    "1e7 away": (1.0, 1e7, -7e6),
}


def lines_of(givens: list[tuple[Any, ...]], size: float, ox: float, oy: float) -> list[str]:
    """The givens as statements, grown by ``size`` and moved."""
    text: list[str] = []
    for n, (kind, *v) in enumerate(givens):
        at = [f"{a * size + o!r}" for a, o in zip(v, (ox, oy, ox, oy), strict=False)]
        if kind == "P":
            text.append(f"G{n} = point {at[0]}, {at[1]}")
        elif kind == "L":
            text.append(f"G{n} = line through {at[0]}, {at[1]}; {at[2]}, {at[3]}")
        else:
            text.append(f"G{n} = circle centre {at[0]}, {at[1]} radius {v[2] * size!r}")
    return text


@pytest.mark.parametrize("where", PLACES)
@pytest.mark.parametrize("case", CASES)
def test_number_of_circles(case: str, where: str) -> None:
    givens, count = CASES[case]
    made = report(*lines_of(givens, *PLACES[where]), "T = circle touching G0 G1 G2")
    if not isinstance(count, int) or count == 0:
        assert "T" not in made["figures"], made["figures"].get("T")
        if isinstance(count, str):
            assert made["problems"][0]["kind"] == count
        return
    found = all_of(made["figures"]["T"])
    check_circles(found, [made["figures"][f"G{n}"] for n in range(3)])
    assert len(found) == count, [f["signature"] for f in found]
