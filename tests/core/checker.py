"""A checker of its own: reads figures back from printed numbers and says by how much each given is missed.

It shares no code with the core: hypot, and angles from atan2.
"""

from itertools import combinations
from math import atan2, cos, degrees, hypot, radians, sin
from typing import Any

Data = dict[str, Any]


def circle_of(figure: Data) -> tuple[float, float, float]:
    """Centre and radius of a circle or an arc."""
    return (*figure["centre"], figure["radius"])


def line_of(figure: Data) -> tuple[float, float, float, float]:
    """A place on a line and the unit vector along it."""
    if "from" in figure:
        (ax, ay), (bx, by) = figure["from"], figure["to"]
        d = hypot(bx - ax, by - ay)
        return ax, ay, (bx - ax) / d, (by - ay) / d
    turn = radians(figure["direction"])
    return (*figure["through"], cos(turn), sin(turn))


def off(line: Data, x: float, y: float) -> float:
    """Signed distance of a place from a line, positive to its left."""
    px, py, ux, uy = line_of(line)
    return (y - py) * ux - (x - px) * uy


def miss(circle: Data, given: Data, word: str) -> float:
    """By how much a circle misses what it should touch from the side that a word says."""
    x, y, r = circle_of(circle)
    if given["kind"] == "point":
        return abs(hypot(given["at"][0] - x, given["at"][1] - y) - r)
    if given["kind"] == "line":
        return abs(off(given, x, y) - (r if word == "left" else -r))
    gx, gy, g = circle_of(given)
    d = hypot(gx - x, gy - y)
    return abs(d - {"outside": r + g, "inside": g - r, "enclosing": r - g}[word])


def beside(given: Data, x: float, y: float) -> float:
    """How far a place lies from the whole of a figure; of an ellipse, by how much its equation is missed, times an axis."""
    if given["kind"] == "line":
        return abs(off(given, x, y))
    if given["kind"] == "ellipse":
        (cx, cy), (a, b), turn = given["centre"], given["axes"], radians(given["turned"])
        u, v = (x - cx) * cos(turn) + (y - cy) * sin(turn), (y - cy) * cos(turn) - (x - cx) * sin(turn)
        return abs(hypot(u / a, v / b) - 1.0) * min(a, b)
    gx, gy, g = circle_of(given)
    return abs(hypot(gx - x, gy - y) - g)


def scale(circle: Data) -> float:
    """What a residual is measured by: the larger of the size and the distance from the datum."""
    x, y, r = circle_of(circle)
    return max(abs(x), abs(y), r)


def check_circles(found: list[Data], givens: list[Data], share: float = 1e-9) -> None:
    """Every solution touches every given from the side its signature says; no two are one; no given is a solution."""
    for one in found:
        words = one["signature"].split()
        for given in givens:
            word = "" if given["kind"] == "point" else words.pop(0)
            missed = miss(one, given, word)
            assert missed <= share * scale(one), (missed, one, given)
            if given["kind"] in ("circle", "arc"):
                x, y, r = circle_of(one)
                gx, gy, g = circle_of(given)
                assert hypot(x - gx, y - gy) + abs(r - g) > 1e-9 * g, "a given is no solution"
    signatures = [one["signature"] for one in found]
    assert len(set(signatures)) == len(signatures), signatures
    for a, b in combinations(found, 2):
        p, q = circle_of(a), circle_of(b)
        assert max(abs(u - v) for u, v in zip(p, q, strict=True)) > 1e-9 * min(scale(a), scale(b)), "twice the same"


def check_arc(arc: Data, share: float = 1e-9) -> None:
    """An arc's ends lie on it, and its sweep leads from one to the other."""
    x, y, r = circle_of(arc)
    for place in ("from", "to"):
        assert abs(hypot(arc[place][0] - x, arc[place][1] - y) - r) <= share * scale(arc)
    begin, end = (atan2(arc[p][1] - y, arc[p][0] - x) for p in ("from", "to"))
    turned = degrees(end - begin - radians(arc["sweep"])) % 360.0
    assert min(turned, 360.0 - turned) <= 1e-5, (arc, turned)


def all_of(figure: Data) -> list[Data]:
    """All solutions of a figure, or it alone."""
    found: list[Data] = figure.get("all", [figure])
    return found
