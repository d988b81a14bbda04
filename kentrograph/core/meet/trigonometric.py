"""Zeros of a0 + a1 cos t + b1 sin t + a2 cos 2t + b2 sin 2t, which is what conics make of each other."""

from cmath import phase
from math import cos, sin

Coefficients = tuple[float, float, float, float, float]
_ROUNDS = 80
_POLISH = 4


def value_and_slope(k: Coefficients, t: float) -> tuple[float, float]:
    """The sum and its derivative at t (radians)."""
    a0, a1, b1, a2, b2 = k
    c, s, c2, s2 = cos(t), sin(t), cos(2 * t), sin(2 * t)
    return a0 + a1 * c + b1 * s + a2 * c2 + b2 * s2, b1 * c - a1 * s + 2 * (b2 * c2 - a2 * s2)


def candidates(k: Coefficients) -> list[float]:
    """Angles near which the sum is zero or nearly touches zero; the caller judges each by what it is worth to him.

    Method: with z = exp(it) the sum is a quartic in z; its roots by simultaneous iteration (Aberth, Mathematics of
    Computation 27, 1973), those near the unit circle polished by Newton's method on t.
    """
    a0, a1, b1, a2, b2 = k
    polynomial = [complex(a2, -b2), complex(a1, -b1), complex(2 * a0), complex(a1, b1), complex(a2, b2)]
    largest = max(map(abs, polynomial))
    if largest == 0.0:
        return []
    while abs(polynomial[0]) <= 1e-14 * largest:
        polynomial = polynomial[1:]
    if len(polynomial) < 2:
        return []
    found: list[float] = []
    for z in _roots(polynomial):
        if 0.9 < abs(z) < 1.1:
            found.append(_polished(k, phase(z)))
    return found


def _polished(k: Coefficients, t: float) -> float:
    best, least = t, abs(value_and_slope(k, t)[0])
    for _ in range(_POLISH):
        value, slope = value_and_slope(k, t)
        if slope == 0.0 or abs(value) > 0.5 * abs(slope):
            break
        t -= value / slope
        size = abs(value_and_slope(k, t)[0])
        if size < least:
            best, least = t, size
    return best


def _roots(polynomial: list[complex]) -> list[complex]:
    degree = len(polynomial) - 1
    lead = polynomial[0]
    monic = [c / lead for c in polynomial]
    roots = [(0.4 + 0.9j) ** k for k in range(degree)]
    for _ in range(_ROUNDS):
        moved = 0.0
        for i, z in enumerate(roots):
            value, slope = complex(1), complex(0)
            for c in monic[1:]:
                slope = slope * z + value
                value = value * z + c
            if value == 0:
                continue
            repel = sum(1 / (z - w) for j, w in enumerate(roots) if j != i and z != w)
            step = value / (slope - value * repel) if slope != value * repel else 1e-8
            roots[i] = z - step
            moved = max(moved, abs(step))
        if moved < 1e-15:
            break
    return roots
