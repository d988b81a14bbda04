"""Zeros of a0 + a1 cos t + b1 sin t + a2 cos 2t + b2 sin 2t, which is what conics make of each other."""

from cmath import phase
from collections.abc import Callable
from math import cos, pi, sin
from typing import NamedTuple

from ..tolerance import CONVERGED, NOISE_OF_SUMS, NUDGE
from .narrowing import newton_between

Coefficients = tuple[float, float, float, float, float]
_ROUNDS = 80
_SAMPLES = 16


class Zero(NamedTuple):
    """An angle (radians) at which the sum is zero; ``double`` where it only touches zero there."""

    angle: float
    double: bool


def value_and_slope(k: Coefficients, t: float) -> tuple[float, float]:
    """The sum and its derivative at t (radians)."""
    a0, a1, b1, a2, b2 = k
    c, s, c2, s2 = cos(t), sin(t), cos(2 * t), sin(2 * t)
    return a0 + a1 * c + b1 * s + a2 * c2 + b2 * s2, b1 * c - a1 * s + 2 * (b2 * c2 - a2 * s2)


def zeros(k: Coefficients, nothing: Callable[[float], float]) -> list[Zero]:
    """The angles, -pi < t <= pi in rising order, at which the sum is zero; one that only nearly touches zero counts, too.

    ``nothing(t)`` is the value that is nothing at t. Method: between neighbouring angles at which the sum turns it runs
    one way, so the signs there say how often it is zero before any zero is looked for. Turning angles are the zeros of
    the derivative; a few more stops in between do no harm and make up for one that was not found. A turn whose value
    is nothing is a double zero where the sum has the same sign on both sides, else a single one, found by Newton's
    method kept between bounds.
    """
    stops = sorted({*turns(k), *(-pi + (i + 0.5) * 2.0 * pi / _SAMPLES for i in range(_SAMPLES))})
    signs = [_sign(value_and_slope(k, t)[0], nothing(t)) for t in stops]
    known = [i for i, sign in enumerate(signs) if sign]
    found: list[Zero] = []
    for i, j in zip(known, [*known[1:], known[0]] if known else [], strict=True):
        after = stops[j] if j > i else stops[j] + 2.0 * pi
        if signs[i] != signs[j]:
            found.append(Zero(_wrapped(_zero(k, stops[i], after, signs[i])), False))
        elif j != i + 1 and not (j == 0 and i == len(stops) - 1):
            least = min(_run(len(stops), i, j), key=lambda n: abs(value_and_slope(k, stops[n])[0]))
            found.append(Zero(stops[least], True))
    return sorted(found)


def turns(k: Coefficients) -> list[float]:
    """The angles at which the sum turns: the zeros of its derivative."""
    _, a1, b1, a2, b2 = k
    return candidates((0.0, b1, -a1, 2.0 * b2, -2.0 * a2))


def _run(count: int, i: int, j: int) -> list[int]:
    """The numbers between two, around the circle."""
    return [n % count for n in range(i + 1, j if j > i else j + count)]


def _sign(value: float, nothing: float) -> int:
    return 0 if -nothing <= value <= nothing else 1 if value > 0.0 else -1


def _wrapped(t: float) -> float:
    return t - 2.0 * pi if t > pi else t


def _zero(k: Coefficients, low: float, high: float, sign: int) -> float:
    return newton_between(lambda t: value_and_slope(k, t), low, high, 0.5 * (low + high), sign)


def candidates(k: Coefficients) -> list[float]:
    """Angles near which the sum is zero or nearly touches zero.

    Method: with z = exp(it) the sum is a quartic in z; its roots by simultaneous iteration (Aberth, Mathematics of
    Computation 27, 1973), those near the unit circle polished by Newton's method on t.
    """
    a0, a1, b1, a2, b2 = k
    polynomial = [complex(a2, -b2), complex(a1, -b1), complex(2 * a0), complex(a1, b1), complex(a2, b2)]
    largest = max(map(abs, polynomial))
    if largest == 0.0:
        return []
    while abs(polynomial[0]) <= NOISE_OF_SUMS * largest:
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
    for _ in range(4):
        value, slope = value_and_slope(k, t)
        if slope == 0.0 or abs(value) > 0.5 * abs(slope):
            break
        t -= value / slope
        size = abs(value_and_slope(k, t)[0])
        if size < least:
            best, least = t, size
    return _wrapped(best) if best > -pi else best + 2.0 * pi


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
            step = value / (slope - value * repel) if slope != value * repel else NUDGE
            roots[i] = z - step
            moved = max(moved, abs(step))
        if moved < CONVERGED:
            break
    return roots
