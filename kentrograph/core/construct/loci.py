"""Points from two facts: each fact is a locus, and the point is where two loci cross."""

from dataclasses import dataclass

from ..figures import Curve, EndlessLine, Point
from ..intersect import intersect_long
from ..measure.closest import closest
from ..problem import refusal
from ..tolerance import TOLERANCE
from .solution import Solution


@dataclass(frozen=True, slots=True)
class Locus:
    """Where a point may lie by one fact: a curve, or the part of a line on one side of its beginning (``ray``).

    ``words`` name the fact in an error; ``sides`` are the side words stated with it.
    """

    curve: Curve
    words: str
    sides: tuple[str, ...] = ()
    ray: bool = False


def from_two_loci(a: Locus, b: Locus) -> list[Solution]:
    """All points on both loci, with the signs that tell them apart.

    Two circles: left and right of the way from the first to the second; a line and a circle: entering, leaving.
    Raises `Refused`: same_locus (infinitely many), no_solution with the gap where there is one.
    """
    found = intersect_long(a.curve, b.curve)
    if found.how == "coincident":
        raise refusal("same_locus", first=a.words, second=b.words)
    solutions: list[Solution] = []
    for spot in found.spots:
        if any(one.ray and _behind(one.curve, spot.at) for one in (a, b)):
            continue
        past = [one.words for one, beyond in zip((a, b), spot.past, strict=True) if beyond and not one.ray]
        solutions.append(Solution(spot.at, spot.sign, f"past the end of {' and '.join(past)}" if past else ""))
    if not solutions:
        raise refusal("loci_apart", first=a.words, second=b.words, gap=closest(a.curve, b.curve)[0])
    if len(solutions) == 1:
        return [Solution(solutions[0].figure, "", solutions[0].note)]
    return solutions


def _behind(ray: Curve, at: Point) -> bool:
    assert isinstance(ray, EndlessLine)
    along = (at.x - ray.through.x) * ray.ux + (at.y - ray.through.y) * ray.uy
    # At its very beginning a ray has no direction yet.
    return along <= TOLERANCE.length(0.0, max(abs(at.x), abs(at.y), abs(ray.through.x), abs(ray.through.y)))
