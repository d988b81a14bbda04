"""Circles that touch three givens: places, lines, circles in any mix.

Every given is run one way or the other; for each choice, what is wanted lies on a light cone and in two planes, so
there are two, one or none, and the sign of a product of three contacts says which before anything is constructed. The
derivation is in ``docs/maths/touching.md``. Sources, published: Apollonius's problem after Bruen, Fisher and Wilker,
"Apollonius by Inversion", Mathematics Magazine 56, 1983 (the counts); Lie's cycles after Blaschke, "Vorlesungen über
Differentialgeometrie" III, 1929 (the cone; from memory).
"""

from math import hypot, sqrt

from ..construct.circles import through_three
from ..figures import Point
from ..problem import refusal
from ..tolerance import LARGEST, NOISE_OF_PRODUCTS, POLISHED, TOLERANCE
from .touched import Touched, contact

Raw = tuple[int, float, float, float, float]
"""A touching circle: its key (see `codes`), centre x and y, radius, and the largest residual at a given."""

LEFT, RIGHT, UNSIGNED = 0, 1, 2
AGAIN = 3**6
"""Added to the key of a circle whose signs another one has already, for each that came before it."""
_BOTH, _ONE = (1.0, -1.0), (1.0,)
_FLAT = 0.5 / TOLERANCE.size_share
"""A radius this many times the extent of the givens bows by less than the tolerance over them: it is a line."""


def touching_three(a: Touched, b: Touched, c: Touched) -> list[Raw]:
    """All circles that touch three givens, in the documented order, without doubles and without the givens themselves.

    Raises `Refused`: touched_twice where two givens are one, infinitely_many where all three touch each other in one
    place or are parallel lines run the same way.
    """
    if a.line and b.line:
        if c.line:
            return touching_three_lines(a, b, c)
        return _about(c, a, b, (3, 27, 9), False)
    if a.point and b.point and c.point:
        circle = through_three(Point(a.x, a.y), Point(b.x, b.y), Point(c.x, c.y))
        return [(UNSIGNED, circle.centre.x, circle.centre.y, circle.radius, 0.0)]
    # Counted from a circle where there is one, else from a place.
    if a.r > 0.0 or (a.point and b.r == c.r == 0.0):
        return _about(a, b, c, (27, 9, 3), False)
    if b.r > 0.0 or (b.point and c.r == 0.0):
        return _about(b, a, c, (9, 27, 3), True)
    return _about(c, a, b, (3, 27, 9), False)


def _about(base: Touched, p: Touched, q: Touched, places: tuple[int, int, int], odd: bool) -> list[Raw]:
    """All solutions, counted from the centre of one given; ``places`` weigh the three codes in the key."""
    with_p, with_q, between = contact(base, p), contact(base, q), contact(p, q)
    first, second = _Other(base, p), _Other(base, q)
    extent = max(base.r, first.reach, second.reach)
    least = TOLERANCE.length(extent, max(base.away, p.away, q.away))
    most = min(_FLAT * extent, LARGEST)
    w_base, w_p, w_q = places
    found: list[Raw] = []
    endless = 0
    rho = -base.r
    for s in _ONE if p.point or base.r == 0.0 else _BOTH:
        bp = with_p[0] if s > 0.0 else with_p[1]
        plane_p = first.plane(s, rho, bp)
        for t in _ONE if q.point or (base.r == 0.0 and p.point) else _BOTH:
            bq = with_q[0] if t > 0.0 else with_q[1]
            pq = between[0] if s == t else between[1]
            if bp == bq == pq == 0.0:
                endless += 1
                continue
            plane_q = second.plane(t, rho, bq)
            roots = _roots(bp, bq, pq, plane_p, plane_q)
            for x, y, z in roots:
                radius = z + rho
                if not (least < radius < most or -most < radius < -least):
                    continue
                if not -most < x < most or not -most < y < most:
                    continue
                gap = max(abs(hypot(x, y) - abs(z)), _missed(x, y, z, plane_p), _missed(x, y, z, plane_q))
                if gap > POLISHED * (extent + abs(radius)):
                    x, y, z, gap = _polished(x, y, z, gap, plane_p, plane_q)
                    radius = z + rho
                mirror = UNSIGNED
                if len(roots) == 2 and z != 0.0:
                    mirror = LEFT if _turns_left(x, y, z, plane_p, plane_q) != odd else RIGHT
                up = radius > 0.0
                radius = abs(radius)
                key = mirror + w_p * _side(p, s > 0.0, up, radius) + w_q * _side(q, t > 0.0, up, radius)
                if not up:
                    key += w_base * _side(base, True, up, radius)
                found.append((key, base.x + x, base.y + y, radius, gap))
    found.sort()
    if endless:
        raise refusal("infinitely_many", isolated=found)
    return found


Root = tuple[float, float, float]
"""A centre from that of the base, and the radius counted from the base's rim."""
Plane = tuple[float, float, float, float, float, bool]
"""x y z of a given that is run one way: as a place on the cone, or for a line as the plane's normal; its contact with the base;
how far off the plane lies in which what touches it is; and whether it is a line."""


class _Other:
    """A given as it is seen from the base's centre: where it lies, and how far it reaches."""

    __slots__ = ("line", "off", "r", "reach", "x", "y")

    def __init__(self, base: Touched, other: Touched) -> None:
        self.line, self.r = other.line, other.r
        if other.line:
            self.x, self.y, self.off = -other.uy, other.ux, -other.off(base.x, base.y)
            self.reach = abs(self.off)
        else:
            self.x, self.y, self.off = other.x - base.x, other.y - base.y, 0.0
            self.reach = max(abs(self.x), abs(self.y), other.r)

    def plane(self, sign: float, rho: float, contact: float) -> Plane:
        """It, run one way."""
        if self.line:
            return self.x, self.y, sign, 0.0, self.off + sign * rho, True
        return self.x, self.y, -sign * self.r - rho, contact, 0.5 * contact, False


def _roots(bp: float, bq: float, pq: float, second: Plane, third: Plane) -> tuple[Root, ...]:
    """What touches all three by their contacts with each other: two, one, or none."""
    if bp == 0.0 or bq == 0.0 or pq == 0.0:
        single = _single(bp, bq, pq, second, third)
        return () if single is None else (single,)
    x2, y2, z2, _, h2, p_line = second
    x3, y3, z3, _, h3, q_line = third
    # The product of the contacts, in the form in which it is the discriminant.
    product = (-2.0 * h2 * h3 if p_line and q_line else bq * h2 if p_line else bp * h3 if q_line else 0.25 * bp * bq) * pq
    return _double(x2, y2, z2, h2, x3, y3, z3, h3, sqrt(product)) if product >= 0.0 else ()


def _missed(x: float, y: float, z: float, plane: Plane) -> float:
    """By how much a given is missed."""
    px, py, pz, _, h, line = plane
    return abs(px * x + py * y - pz * z - h) if line else abs(hypot(px - x, py - y) - abs(z - pz))


def _turns_left(x: float, y: float, z: float, second: Plane, third: Plane) -> bool:
    """Whether the ways from the centre to the three contacts turn left, in their order."""
    (ax, ay), (bx, by), (cx, cy) = (-x / z, -y / z), _toward(x, y, z, second), _toward(x, y, z, third)
    return (bx - ax) * (cy - ay) - (by - ay) * (cx - ax) > 0.0


def _toward(x: float, y: float, z: float, plane: Plane) -> tuple[float, float]:
    px, py, pz, _, _, line = plane
    return (-pz * px, -pz * py) if line else ((px - x) / (z - pz), (py - y) / (z - pz))


def _side(given: Touched, ahead: bool, up: bool, radius: float) -> int:
    """The code of the side on which a circle of a radius touches a given that is run ``ahead``: see `codes`."""
    if given.line:
        return int(ahead != up)
    return 0 if ahead == up or not given.r > 0.0 else 1 if radius < given.r else 2


def _single(bp: float, bq: float, pq: float, second: Plane, third: Plane) -> Root | None:
    """The one circle where two of three givens touch each other: it goes through that place. None where there is none."""
    x2, y2, z2, g2, h2, p_line = second
    x3, y3, z3, g3, h3, q_line = third
    if (bp == 0.0) + (bq == 0.0) + (pq == 0.0) > 1:
        return None
    e = x2 * x3 + y2 * y3 - z2 * z3
    if pq == 0.0:
        if p_line and q_line:
            return None
        if q_line:
            share = -0.5 * g2 / h3
            return (x2 + share * x3, y2 + share * y3, z2 + share * z3)
        if p_line:
            share = -0.5 * g3 / h2
            return (x3 + share * x2, y3 + share * y2, z3 + share * z2)
        if g2 == g3:
            return None
        share = g2 / (g2 - g3)
        return (x2 + share * (x3 - x2), y2 + share * (y3 - y2), z2 + share * (z3 - z2))
    if e == 0.0:
        return None
    share, x, y, z = (h3 / e, x2, y2, z2) if bp == 0.0 else (h2 / e, x3, y3, z3)
    # Put onto the cone exactly: it touches within the tolerance only.
    flat = hypot(x, y)
    return (share * x, share * y, share * (flat if z > 0.0 else -flat))


def _double(
    x2: float, y2: float, z2: float, h2: float, x3: float, y3: float, z3: float, h3: float, root: float
) -> tuple[Root, ...]:
    """Where the line of two planes meets the cone, the root of the discriminant known: no digits are lost to it."""
    nx, ny, nz = y2 * z3 - z2 * y3, z2 * x3 - x2 * z3, x2 * y3 - y2 * x3
    # The foot of the line from the base; in plain (Euclidean) terms the planes' normals are (x, y, -z), their cross is
    # (-nx, -ny, nz).
    size = nx * nx + ny * ny + nz * nz
    if size <= NOISE_OF_PRODUCTS * (x2 * x2 + y2 * y2 + z2 * z2) * (x3 * x3 + y3 * y3 + z3 * z3):
        return ()
    fx = (h2 * (y3 * nz - z3 * ny) + h3 * (ny * z2 - nz * y2)) / size
    fy = (h2 * (z3 * nx - x3 * nz) + h3 * (nz * x2 - nx * z2)) / size
    fz = (h2 * (y3 * nx - x3 * ny) + h3 * (x2 * ny - y2 * nx)) / size
    flat = hypot(nx, ny)
    a = (flat - nz) * (flat + nz)
    b = fx * nx + fy * ny + fz * nz
    c = (hypot(fx, fy) - fz) * (hypot(fx, fy) + fz)
    q = -(b + root) if b > 0.0 else -(b - root)
    if q == 0.0:
        return ()
    far, near = (q / a if a != 0.0 else float("inf")), c / q
    if abs(far) == float("inf"):
        return ((fx + near * nx, fy + near * ny, fz - near * nz), (0.0, 0.0, far))
    return ((fx + near * nx, fy + near * ny, fz - near * nz), (fx + far * nx, fy + far * ny, fz - far * nz))


_CONE: Plane = (0.0, 0.0, 0.0, 0.0, 0.0, False)
"""The base itself."""


def _polished(x: float, y: float, z: float, gap: float, second: Plane, third: Plane) -> tuple[float, float, float, float]:
    """Newton's method on the three distances themselves, as long as it makes the largest residual smaller."""
    for _ in range(3):
        rows, misses = zip(*(_linear(x, y, z, row) for row in (_CONE, second, third)), strict=True)
        step = _solved(rows, misses)
        if step is None:
            break
        tx, ty, tz = x - step[0], y - step[1], z - step[2]
        now = max(abs(_linear(tx, ty, tz, row)[1]) for row in (_CONE, second, third))
        if not now < gap:
            break
        x, y, z, gap = tx, ty, tz, now
    return x, y, z, gap


def _linear(x: float, y: float, z: float, row: Plane) -> tuple[Root, float]:
    """How a given is missed, and how that changes with x, y and the radius."""
    gx, gy, gz, _, h, line = row
    if line:
        return (gx, gy, -gz), gx * x + gy * y - gz * z - h
    dx, dy = x - gx, y - gy
    d = hypot(dx, dy)
    sign = 1.0 if z > gz else -1.0
    if d == 0.0:
        return (0.0, 0.0, -sign), -abs(z - gz)
    return (dx / d, dy / d, -sign), d - abs(z - gz)


def _solved(rows: tuple[Root, ...], right: tuple[float, ...]) -> Root | None:
    """Three linear equations by Cramer's rule; None where they do not determine anything."""
    (a, b, c), (d, e, f), (g, h, i) = rows
    p, q, r = right
    whole = a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g)
    if whole == 0.0:
        return None
    return (
        (p * (e * i - f * h) - b * (q * i - f * r) + c * (q * h - e * r)) / whole,
        (a * (q * i - f * r) - p * (d * i - f * g) + c * (d * r - q * g)) / whole,
        (a * (e * r - q * h) - b * (d * r - q * g) + p * (d * h - e * g)) / whole,
    )


def touching_three_lines(a: Touched, b: Touched, c: Touched) -> list[Raw]:
    """The circle in three lines and those beside it: four at most, two where a pair is parallel, else none.

    Source, published: Euclid, Elements IV.4; the escribed ones by the same equations with other signs.
    """
    bc = b.ux * c.uy - b.uy * c.ux
    ca = c.ux * a.uy - c.uy * a.ux
    ab = a.ux * b.uy - a.uy * b.ux
    parallel = TOLERANCE.angle
    if abs(bc) <= parallel + b.noise + c.noise:
        contact(b, c)
        bc = 0.0
    if abs(ca) <= parallel + c.noise + a.noise:
        contact(c, a)
        ca = 0.0
    if abs(ab) <= parallel + a.noise + b.noise:
        contact(a, b)
        ab = 0.0
    # n . X = off for each, from a place on the first.
    off_b, off_c = -b.off(a.x, a.y), -c.off(a.x, a.y)
    size, away = max(a.size, b.size, c.size), max(a.away, b.away, c.away)
    over = off_b * ca + off_c * ab
    widest = max(abs(bc), abs(ca), abs(ab))
    if widest == 0.0 or abs(over) <= TOLERANCE.length(size, away) * widest:
        return []
    most = _FLAT * max(size, abs(off_b), abs(off_c))
    # The two lines that cross most squarely give the centre, each moved to its side.
    if widest == abs(ab):
        p, q, sine, turn = a, b, ab, 0
    elif widest == abs(bc):
        p, q, sine, turn = b, c, bc, 1
    else:
        p, q, sine, turn = c, a, ca, 2
    offs = (0.0, off_b, off_c)
    off_p, off_q = offs[turn], offs[(turn + 1) % 3]
    pux, puy, qux, quy = p.ux / sine, p.uy / sine, q.ux / sine, q.uy / sine
    found: list[Raw] = []
    for key, s, t in _LINE_SIDES:
        under = bc + s * ca + t * ab
        if abs(over) >= most * abs(under):
            continue
        radius = -over / under
        sides = (radius, s * radius, t * radius)
        d, e = off_p + sides[turn], off_q + sides[(turn + 1) % 3]
        x, y = d * qux - e * pux, d * quy - e * puy
        gap = max(
            abs(a.ux * y - a.uy * x - radius),
            abs(b.ux * y - b.uy * x - off_b - sides[1]),
            abs(c.ux * y - c.uy * x - off_c - sides[2]),
        )
        if radius > 0.0:
            found.append((key, a.x + x, a.y + y, radius, gap))
        else:
            found.append((_ALL_RIGHT - key, a.x + x, a.y + y, -radius, gap))
    found.sort()
    return found


_LINE_SIDES = tuple(
    (9 * (s < 0.0) + 3 * (t < 0.0) + UNSIGNED, s, t) for s, t in ((1.0, 1.0), (1.0, -1.0), (-1.0, 1.0), (-1.0, -1.0))
)
"""The keys of the sides of the second and third line where the centre lies left of the first."""
_ALL_RIGHT = 27 + 9 + 3 + 2 * UNSIGNED
"""Less the key of a circle on some sides, it is the key of one on all the other sides."""
