"""A large drawing for looking at and measuring: a field of lamps on the rounding boards, as a `.kent` text.

`python tools/large.py 10000 > var/large.kent`
"""

import random
import sys

SEED = 20261123
PITCH = 30.0
A_LAMP = 5
"""Figures of one lamp: its rim, two wires across it, the arc of its hood, and its screw."""


def large_text(count: int) -> str:
    """A text with this many figures, the same every time; always about as dense as any other."""
    r = random.Random(SEED)
    across = max(1, round((count / A_LAMP) ** 0.5))
    lines: list[str] = []
    for n in range(count // A_LAMP):
        x, y = PITCH * (n % across) + r.uniform(-4, 4), PITCH * (n // across) + r.uniform(-4, 4)
        size = r.uniform(8, 18)
        lines += [
            f"circle centre {x:.3f}, {y:.3f} radius {size:.3f}",
            f"line from {x - 20:.3f}, {y + r.uniform(-9, 9):.3f} to {x + 20:.3f}, {y + r.uniform(-9, 9):.3f}",
            f"line from {x + r.uniform(-9, 9):.3f}, {y - 20:.3f} to {x + r.uniform(-9, 9):.3f}, {y + 20:.3f}",
            f"arc centre {x:.3f}, {y:.3f} radius {size + 3:.3f} at {r.uniform(0, 360):.2f} sweep {r.uniform(60, 200):.2f}",
            f"point {x + r.uniform(-5, 5):.3f}, {y + r.uniform(-5, 5):.3f}",
        ]
    return "\n".join(lines) + "\n"


if __name__ == "__main__":
    sys.stdout.write(large_text(int(sys.argv[1]) if len(sys.argv) > 1 else 10_000))
