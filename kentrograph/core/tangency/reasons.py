"""Why nothing touches what should be touched, and the nearest thing that would work."""

from collections.abc import Callable, Sequence
from itertools import product
from math import hypot

from ..problem import Refused, refusal
from ..tolerance import ROUGH_SHARE, TOLERANCE
from .circles import TouchingCircles
from .radius import touching_two_radius
from .touched import Touched, contact


def why_no_three(touched: Sequence[Touched], names: Sequence[str]) -> Refused:
    """The reason why no circle touches three givens: one lies between the others, they are parallel, meet in one place."""
    for i in range(3):
        j, k = (n for n in range(3) if n != i)
        if touched[i].point:
            continue
        sides = {_side(touched[i], touched[n]) for n in (j, k)}
        if len(sides) == 2 and 0 not in sides:
            inner = j if _side(touched[i], touched[j]) > 0 else k
            word = "either_side" if touched[i].line else "in_and_out"
            return refusal("separated", how=word, by=names[i], first=names[inner], second=names[j + k - inner])
    if all(t.line for t in touched):
        first, *others = touched
        parallel = all(TOLERANCE.parallel(first.ux * q.uy - first.uy * q.ux, first.noise + q.noise) for q in others)
        return refusal("three_parallel" if parallel else "one_place", names=list(names))
    for i in range(3):
        j, k = (n for n in range(3) if n != i)
        if 0.0 in contact(touched[i], touched[j]) and 0.0 in contact(touched[i], touched[k]):
            if touched[i].point:
                return refusal("one_place", names=list(names))
            return refusal("only_itself", name=names[i], first=names[j], second=names[k])
    return refusal("nothing_touches", names=list(names))


def _side(by: Touched, other: Touched) -> int:
    """Where something lies as a whole: 1 inside a circle or left of a line, -1 outside or right, 0 where it reaches both."""
    if by.line:
        if other.line:
            if not TOLERANCE.parallel(by.ux * other.uy - by.uy * other.ux, by.noise + other.noise):
                return 0
            return 1 if by.off(other.x, other.y) > 0.0 else -1
        off = by.off(other.x, other.y)
        return 0 if abs(off) <= other.r else 1 if off > 0.0 else -1
    if other.line:
        return -1 if abs(other.off(by.x, by.y)) > by.r else 0
    d = hypot(other.x - by.x, other.y - by.y)
    if d + other.r < by.r:
        return 1
    # A circle around this one lies outside it, too.
    return -1 if d > by.r + other.r or d + by.r < other.r else 0


def why_no_radius(a: Touched, b: Touched, radius: float, names: Sequence[str], fit: Callable[[Sequence[str]], bool]) -> Refused:
    """The reason why no circle of a radius touches two givens, with the nearest radius of one that does."""
    possible: list[tuple[float, float, str]] = []
    for candidate in _turning_radii(a, b):
        here, more, less = (_any(a, b, candidate * share, fit) for share in (1.0, 1.0 + ROUGH_SHARE, 1.0 - ROUGH_SHARE))
        if here or more or less:
            how = "exactly" if not (more or less) else "least" if more and candidate > radius else "most"
            possible.append((abs(candidate - radius), candidate, how))
    if possible:
        _, nearest, how = min(possible)
        return refusal("radius_not_possible", radius=radius, nearest=nearest, how=how, names=list(names))
    inner = next((i for i, (p, q) in enumerate(((a, b), (b, a))) if p.r > 0 and not q.line and _side(q, p) == 1), None)
    if inner is not None:
        return refusal("inside_other", inner=names[inner], outer=names[1 - inner])
    return refusal("nothing_touches", names=list(names))


def _any(a: Touched, b: Touched, radius: float, fit: Callable[[Sequence[str]], bool]) -> bool:
    try:
        found = TouchingCircles(touching_two_radius(a, b, radius), (a, b))
    except Refused as refused:
        return refused.problem.kind == "infinitely_many"
    return any(fit(found.sides(i)) for i in range(len(found)))


def _turning_radii(a: Touched, b: Touched) -> list[float]:
    """The radii at which two solutions merge or vanish: then the centre lies on the square line of both givens."""
    if a.line and b.line:
        return [abs(b.off(a.x, a.y)) / 2.0] if TOLERANCE.parallel(a.ux * b.uy - a.uy * b.ux, a.noise + b.noise) else []
    if a.line or b.line:
        line, ring = (a, b) if a.line else (b, a)
        d, radii = abs(line.off(ring.x, ring.y)), (0.0, ring.r)
    else:
        d, radii = hypot(b.x - a.x, b.y - a.y), (a.r, b.r)
    sums = {abs(d + s * radii[0] + t * radii[1]) / 2.0 for s, t in product((1.0, -1.0), repeat=2)}
    sums |= {abs(-d + s * radii[0] + t * radii[1]) / 2.0 for s, t in product((1.0, -1.0), repeat=2)}
    return sorted(r for r in sums if r > 0.0)
