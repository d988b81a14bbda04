"""Circles that touch three givens, worked out at 50 digits with mpmath, by elimination: slow, plain, and not the core's way.

For each choice of signs the three equations are (x - a)² + (y - b)² = (R - r)² for a circle or a place and n.x - d = R for a
line. Differences of the first kind are linear, which leaves one quadratic. Source: textbook elimination; mpmath 1.3.
"""

from itertools import product
from typing import Any

from mpmath import mp, mpf, sqrt

Found = list[tuple[Any, Any, Any]]


def circles(givens: list[tuple[Any, ...]]) -> Found:
    """Centres and radii of all circles that touch three givens in general position.

    A given is ("P", x, y), ("L", x, y, x, y) or ("C", x, y, r); or ("M", x, y, x, y), the line on which the centre lies, or
    ("R", r), the radius.
    """
    mp.dps = 50
    found: Found = []
    for signs in product((1, -1), repeat=3):
        if any(g[0] == "P" and s < 0 for g, s in zip(givens, signs, strict=True)):
            continue
        for x, y, r in _solved([_equation(g, s) for g, s in zip(givens, signs, strict=True)]):
            if r > 0 and not any(abs(x - u) + abs(y - v) + abs(r - w) < mpf(10) ** -30 for u, v, w in found):
                found.append((x, y, r))
    return found


def _equation(given: tuple[Any, ...], sign: int) -> tuple[bool, list[Any]]:
    """Whether it is linear; a linear one as p x + q y + t R = w, another as centre and signed radius."""
    kind, *v = given
    v = [mpf(a) for a in v]
    if kind == "R":
        return True, [mpf(0), mpf(0), mpf(1), v[0]]
    if kind in "LM":
        dx, dy = v[2] - v[0], v[3] - v[1]
        d = sqrt(dx * dx + dy * dy)
        nx, ny = -dy / d, dx / d
        return True, [nx, ny, mpf(-sign if kind == "L" else 0), nx * v[0] + ny * v[1]]
    return False, [v[0], v[1], -sign * (v[2] if kind == "C" else mpf(0))]


def _solved(equations: list[tuple[bool, list[Any]]]) -> Found:
    rings = [e for line, e in equations if not line]
    rows = [e for line, e in equations if line]
    for a, b, r in rings[1:]:
        a0, b0, r0 = rings[0]
        rows.append([2 * (a - a0), 2 * (b - b0), -2 * (r - r0), a * a + b * b - r * r - a0 * a0 - b0 * b0 + r0 * r0])
    if len(rows) == 3:
        whole = _det([row[:3] for row in rows])
        if abs(whole) < mpf(10) ** -30:
            return []
        return [tuple(_det([[*row[:k], row[3], *row[k + 1 : 3]] for row in rows]) / whole for k in range(3))]  # type: ignore[list-item]
    # Two planes: two of x, y, R as linear functions of the third, the best determined pair.
    p, q = rows
    pairs = {(0, 1): 2, (0, 2): 1, (1, 2): 0}
    (i, j), k = max(pairs.items(), key=lambda one: abs(p[one[0][0]] * q[one[0][1]] - p[one[0][1]] * q[one[0][0]]))
    under = p[i] * q[j] - p[j] * q[i]
    if abs(under) < mpf(10) ** -30:
        return []
    base, slope = [mpf(0)] * 3, [mpf(0)] * 3
    base[i], slope[i] = (p[3] * q[j] - p[j] * q[3]) / under, (p[j] * q[k] - p[k] * q[j]) / under
    base[j], slope[j] = (p[i] * q[3] - p[3] * q[i]) / under, (p[k] * q[i] - p[i] * q[k]) / under
    slope[k] = mpf(1)
    a, b, r = rings[0]
    off = [base[0] - a, base[1] - b, base[2] - r]
    sign = (1, 1, -1)
    qa = sum(s * m * m for s, m in zip(sign, slope, strict=True))
    qb = 2 * sum(s * m * o for s, m, o in zip(sign, slope, off, strict=True))
    qc = sum(s * o * o for s, o in zip(sign, off, strict=True))
    spread = qb * qb - 4 * qa * qc
    if abs(qa) < mpf(10) ** -30 or spread < 0:
        return []
    roots = [(-qb + s * sqrt(spread)) / (2 * qa) for s in (1, -1)]
    return [tuple(o + m * t for o, m in zip(base, slope, strict=True)) for t in roots]  # type: ignore[misc]


def _det(m: list[list[Any]]) -> Any:
    (a, b, c), (d, e, f), (g, h, i) = m
    return a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g)
