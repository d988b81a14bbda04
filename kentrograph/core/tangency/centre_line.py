"""Circles with their centre on a line that touch two givens: the line is a third plane to the cone of `three`."""

from math import hypot, sqrt

from ..figures import EndlessLine
from ..problem import refusal
from ..tolerance import LARGEST, TOLERANCE
from .sides import Side, radius_by, sides_of
from .three import LEFT, RIGHT, UNSIGNED, Raw
from .touched import Touched, contact

_FLAT = 0.5 / TOLERANCE.size_share


Root = tuple[float, int, float]
"""A position along the line, the sign that tells it from its neighbour, and the radius, negative where all sides turn over."""


def on_line_touching_two(on: EndlessLine, a: Touched, b: Touched) -> list[Raw]:
    """All of them, up to eight. Raises `Refused`: touched_twice, infinitely_many (the line is where all centres lie).

    Method: for each way of touching, the radius is a linear function of the position along the line, which leaves a
    quadratic in the position. Common practice; the signs as in ``docs/maths/touching.md``.
    """
    if a.line and b.line:
        return _two_lines(on, a, b)
    contact(a, b)
    first, second, weights = (a, b, (9, 3)) if not a.line else (b, a, (3, 9))
    found: list[Raw] = []
    endless = False
    for t in (1.0,) if second.point or first.r == 0.0 else (1.0, -1.0):
        roots = _roots(on, first, second, t)
        endless = endless or roots is None
        found += [one for root in roots or () if (one := _read(on, root, first, second, t, weights)) is not None]
    if endless:
        raise refusal("infinitely_many", isolated=sorted(found))
    return sorted(found)


def _roots(on: EndlessLine, a: Touched, b: Touched, t: float) -> list[Root] | None:
    """Where on the line both are touched, from the foot of the first given's centre; None where all of the line serves.

    With R the radius and a run so that rho = -r, (R - rho)² = h² + p²; b gives R as k + m p.
    """
    ux, uy = on.ux, on.uy
    foot = (a.x - on.through.x) * ux + (a.y - on.through.y) * uy
    h = (a.y - on.through.y) * ux - (a.x - on.through.x) * uy
    fx, fy = a.x + h * uy, a.y - h * ux
    rho = -a.r
    slack = TOLERANCE.length(max(a.r, b.r, b.size), max(a.away, b.away, abs(fx), abs(fy)))
    if b.line:
        k, m = t * b.off(fx, fy), t * (uy * b.ux - ux * b.uy)
    else:
        # The difference of the two squared equations is linear in R and p.
        other = -t * b.r
        wx, wy = b.x - fx, b.y - fy
        along, across = wx * ux + wy * uy, wy * ux - wx * uy
        constant = (h - across) * (h + across) - along * along + (other - rho) * (other + rho)
        if abs(other - rho) <= slack:
            if abs(along) <= slack:
                return None if abs(abs(h) - abs(across)) <= slack else []
            p = -constant / (2.0 * along)
            reach = hypot(h, p)
            if reach >= LARGEST:
                return []
            # Two places are both gone through; two equal circles are touched or enclosed alike.
            both = (rho + reach,) if a.r == b.r == 0.0 else (rho + reach, rho - reach)
            return [(foot + p, UNSIGNED, radius) for radius in both]
        k, m = constant / (2.0 * (other - rho)), along / (other - rho)
    # (k - rho + m p)² = h² + p²
    shifted = k - rho
    pairs = _quadratic((m - 1.0) * (m + 1.0), shifted * m, (shifted - h) * (shifted + h), abs(h) + abs(shifted), slack)
    return [(foot + p, sign, k + m * p) for p, sign in pairs]


def _quadratic(qa: float, qb: float, qc: float, size: float, slack: float) -> list[tuple[float, int]]:
    """Roots of qa p² + 2 qb p + qc, with the sign that tells them apart; one where they touch."""
    if abs(qa) <= TOLERANCE.angle:
        return [(-qc / (2.0 * qb), RIGHT if qb > 0.0 else LEFT)] if abs(qc) < _FLAT * size * abs(qb) else []
    spread = qb * qb - qa * qc
    # By how much the two distances miss each other where they come nearest is about |spread / qa| over twice the size.
    if abs(spread) <= 2.0 * slack * size * abs(qa):
        return [(-qb / qa, UNSIGNED)]
    if spread < 0.0:
        return []
    root = sqrt(spread)
    # Told apart by the sign of the root, which stays with each while the other goes past infinity.
    q = -(qb + root) if qb > 0.0 else root - qb
    far, near = q / qa, qc / q if q != 0.0 else 0.0
    return [(far, LEFT), (near, RIGHT)] if qb > 0.0 else [(near, LEFT), (far, RIGHT)]


def _read(on: EndlessLine, root: Root, a: Touched, b: Touched, t: float, weights: tuple[int, int]) -> Raw | None:
    """The circle at a root, with its key; None where it is a place or a line."""
    position, sign, signed = root
    x, y = on.through.x + position * on.ux, on.through.y + position * on.uy
    radius, up = abs(signed), signed > 0.0
    slack = TOLERANCE.length(max(a.size, b.size), max(a.away, b.away, abs(x), abs(y)))
    if not slack < radius < LARGEST:
        return None
    sides = (_side(a, up, radius), _side(b, (t > 0.0) == up, radius))
    x, y, radius = _polished(on, position, (a, b), sides, (x, y, radius))
    gap = max(abs(radius_by(one, side, x, y) - radius) for one, side in zip((a, b), sides, strict=True))
    return (weights[0] * sides[0].code + weights[1] * sides[1].code + sign, x, y, radius, gap)


def _polished(
    on: EndlessLine, position: float, givens: tuple[Touched, Touched], sides: tuple[Side, Side], at: tuple[float, float, float]
) -> tuple[float, float, float]:
    """Newton's method on the difference of the two radii asked for, as long as it becomes smaller."""
    (a, b), (p, q) = givens, sides
    x, y, radius = at
    missed = max(abs(radius_by(a, p, x, y) - radius), abs(radius_by(b, q, x, y) - radius))
    for _ in range(3):
        slope = _slope(a, p, x, y, on) - _slope(b, q, x, y, on)
        if slope == 0.0:
            break
        position -= (radius_by(a, p, x, y) - radius_by(b, q, x, y)) / slope
        nx, ny = on.through.x + position * on.ux, on.through.y + position * on.uy
        first, second = radius_by(a, p, nx, ny), radius_by(b, q, nx, ny)
        mean = 0.5 * (first + second)
        now = 0.5 * abs(first - second)
        if not now < missed or mean <= 0.0:
            break
        x, y, radius, missed = nx, ny, mean, now
    return x, y, radius


def _slope(a: Touched, side: Side, x: float, y: float, on: EndlessLine) -> float:
    """How the radius that a given asks for grows along the line."""
    if a.line:
        rise = on.uy * a.ux - on.ux * a.uy
        return rise if side.code == 0 else -rise
    d = hypot(x - a.x, y - a.y)
    if d == 0.0:
        return 0.0
    along = ((x - a.x) * on.ux + (y - a.y) * on.uy) / d
    return -along if side.code == 1 else along


def _side(a: Touched, plus: bool, radius: float) -> Side:
    """The side from which a given is touched, by the way it is run."""
    sides = sides_of(a)
    if a.line:
        return sides[0 if plus else 1]
    return sides[0] if a.r == 0.0 or plus else sides[1 if radius < a.r else 2]


def _two_lines(on: EndlessLine, a: Touched, b: Touched) -> list[Raw]:
    """Where the line meets the lines that halve the angles of the two."""
    found: list[Raw] = []
    x0, y0 = on.through.x, on.through.y
    ka, kb = a.off(x0, y0), b.off(x0, y0)
    ma, mb = on.uy * a.ux - on.ux * a.uy, on.uy * b.ux - on.ux * b.uy
    slack = TOLERANCE.length(max(a.size, b.size), max(a.away, b.away, abs(x0), abs(y0)))
    for t in (1.0, -1.0):
        # ka + ma p = t (kb + mb p)
        over, under = t * kb - ka, ma - t * mb
        if abs(under) <= TOLERANCE.angle:
            if abs(over) <= slack:
                raise refusal("infinitely_many", isolated=found)
            continue
        p = over / under
        x, y = x0 + p * on.ux, y0 + p * on.uy
        u, v = a.off(x, y), b.off(x, y)
        if abs(u) > slack and abs(p) < LARGEST:
            found.append((9 * (u < 0.0) + 3 * (v < 0.0) + UNSIGNED, x, y, abs(u), abs(abs(u) - abs(v))))
    return sorted(found)
