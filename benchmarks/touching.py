"""Tangent constructions against bare closed forms, and against a compiled kernel where the optional extra is installed."""

import random
from collections.abc import Callable
from math import cos, hypot, pi, sin
from typing import Any

from benchmarks import bare
from benchmarks.core import SEED, Row, paired, verdict
from kentrograph.core.book.book import Book
from kentrograph.core.book.edits import Replace
from kentrograph.core.desk import intents
from kentrograph.core.figures import Circle, Line, Point
from kentrograph.core.language.script import read_script
from kentrograph.core.tangency.radius import touching_two_radius
from kentrograph.core.tangency.tangents import RawTangent, common_tangents
from kentrograph.core.tangency.three import Raw, touching_three
from kentrograph.core.tangency.touched import Touched

PROBLEMS = 400
Ring = tuple[float, float, float]


def _ring(r: random.Random) -> Ring:
    return (r.uniform(-50, 50), r.uniform(-50, 50), r.uniform(2, 20))


def _touching_ring(r: random.Random, to: Ring, outside: bool) -> Ring:
    turn, radius = r.uniform(0, 2 * pi), r.uniform(2, 20)
    d = to[2] + radius if outside else abs(to[2] - radius)
    return (to[0] + d * cos(turn), to[1] + d * sin(turn), radius)


def rings(count: int) -> list[tuple[Ring, ...]]:
    """Sets of circles; every fifth set in a special position: touching, concentric, equal in a row."""
    r = random.Random(SEED)
    found: list[tuple[Ring, ...]] = []
    for n in range(PROBLEMS):
        one = [_ring(r) for _ in range(count)]
        if n % 5 == 0:
            special = n // 5 % 4
            if special < 2:
                one[1] = _touching_ring(r, one[0], special == 0)
            elif special == 2:
                one[1] = (one[0][0], one[0][1], one[0][2] + r.uniform(1, 9))
            else:
                one = [(one[0][0] + 13.0 * k, one[0][1] + 5.0 * k, 4.0) for k in range(count)]
        found.append(tuple(one))
    return found


def lines() -> list[tuple[tuple[float, float, float, float], ...]]:
    """Sets of three lines; every fifth with two parallel, or through one place."""
    r = random.Random(SEED)
    found: list[tuple[tuple[float, float, float, float], ...]] = []
    for n in range(PROBLEMS):
        one = [tuple(r.uniform(-50, 50) for _ in range(4)) for _ in range(3)]
        if n % 10 == 0:
            ax, ay, bx, by = one[0]
            one[1] = (ax + 5, ay - 7, bx + 5, by - 7)
        elif n % 10 == 5:
            one = [(*one[0][:2], *other[2:]) for other in one]
        found.append(tuple(one))  # type: ignore[arg-type]
    return found


def _normal(line: tuple[float, float, float, float]) -> tuple[float, float, float]:
    ax, ay, bx, by = line
    d = hypot(bx - ax, by - ay)
    nx, ny = (ay - by) / d, (bx - ax) / d
    return nx, ny, nx * ax + ny * ay


def _touched(ring: Ring) -> Touched:
    return Touched(Circle(Point(ring[0], ring[1]), ring[2]))


def _row(what: str, ours: Callable[[], object], plain: Callable[[], object], kernel: Callable[[], object] | None) -> list[Row]:
    mine, theirs = paired(ours, plain)
    each, bare_each = mine / PROBLEMS * 1e6, theirs / PROBLEMS * 1e6
    ratio = mine / theirs
    told = f"{each:.1f} µs against {bare_each:.1f} µs"
    found = [(f"{what} / bare closed form", told, f"{ratio:.2f}", f"at most 6 {verdict(ratio <= 6)}")]
    if kernel is not None:
        mine, theirs = paired(ours, kernel)
        ratio = theirs / mine
        told = f"{theirs / PROBLEMS * 1e6:.1f} µs against {mine / PROBLEMS * 1e6:.1f} µs"
        found.append((f"compiled kernel / {what}", told, f"{ratio:.2f}", f"more than 1 {verdict(ratio > 1)}"))
    return found


def solving() -> list[Row]:
    """All solutions with sides and residuals, from figures to numbers."""
    from benchmarks import kernel

    three, two = rings(3), rings(2)
    three_touched = [tuple(map(_touched, one)) for one in three]
    two_touched = [tuple(map(_touched, one)) for one in two]
    sets = lines()
    line_touched = [tuple(Touched(Line(Point(*v[:2]), Point(*v[2:]))) for v in one) for one in sets]
    normals = [tuple(map(_normal, one)) for one in sets]
    radius = 15.0
    given: list[tuple[str, Callable[..., Any], list[Any], Callable[..., Any], list[Any], Callable[..., Any], list[Any]]] = [
        ("touching three circles", touching_three, three_touched, bare.three_circles, three, kernel.three_circles, three),
        ("touching three lines", touching_three, line_touched, bare.three_lines, normals, kernel.three_lines, sets),
        (
            "radius touching two circles", lambda a, b: touching_two_radius(a, b, radius), two_touched,
            lambda a, b: bare.two_circles_radius(a, b, radius), two, lambda a, b: kernel.two_circles_radius(a, b, radius), two,
        ),
        ("four common tangents", _tangents, two_touched, bare.common_tangents, two, kernel.common_tangents, two),
    ]  # fmt: skip
    found: list[Row] = []
    for what, ours, sets_ours, plain, sets_plain, other, sets_other in given:
        found += _row(
            what,
            lambda ours=ours, sets=sets_ours: [_tried(ours, one) for one in sets],  # type: ignore[misc]
            lambda plain=plain, sets=sets_plain: [plain(*one) for one in sets],  # type: ignore[misc]
            (lambda other=other, sets=sets_other: [other(*one) for one in sets]) if kernel.THERE else None,  # type: ignore[misc]
        )
    return found


def _tangents(a: Touched, b: Touched) -> object:
    return common_tangents(a, b)


def _tried(solve: Callable[..., Any], one: tuple[Any, ...]) -> object:
    from kentrograph.core.problem import Refused

    try:
        return solve(*one)
    except Refused as refused:
        return refused


def book_at_the_root() -> list[Row]:
    """A book of 1,000 steps, a third of them tangent constructions: one number at the root changed.

    Against the calls that draw the same figures from figures: the solvers with the circle or line taken, and for the other two
    thirds a circle or a line made.
    """
    r = random.Random(SEED)
    text = [
        "a = 20",
        "C1 = circle centre 0, 0 radius a",
        "C2 = circle centre 120, 10 radius a + 5",
        "L1 = line from -90, -60 to 200, -50",
    ]
    calls: list[Callable[[], object]] = []
    c1, c2, l1 = Circle(Point(0, 0), 20), Circle(Point(120, 10), 25), Line(Point(-90, -60), Point(200, -50))
    while len(text) < 1000:
        n = len(text)
        kind = r.randrange(3)
        if n % 3:
            if n % 2:
                text.append(f"F{n} = circle centre C1: {n}, 5 radius a + {n}")
                calls.append(lambda n=n: Circle(Point(0.0 + n, 5.0), 20.0 + n))  # type: ignore[misc]
            else:
                text.append(f"F{n} = line from C1 to {n}, 50")
                calls.append(lambda n=n: Line(Point(0.0, 0.0), Point(0.0 + n, 50.0)))  # type: ignore[misc]
        elif kind == 0:
            text.append(f"F{n} = circle touching C1 C2 L1")
            calls.append(lambda: _first(touching_three(*map(Touched, (c1, c2, l1)))))
        elif kind == 1:
            text.append(f"F{n} = circle touching C1 C2 radius {40 + n}")
            calls.append(lambda n=n: _first(touching_two_radius(Touched(c1), Touched(c2), 40.0 + n)))  # type: ignore[misc]
        else:
            text.append(f"F{n} = line touching C1 left C2 left")
            calls.append(lambda: _first_line(common_tangents(Touched(c1), Touched(c2))))
    script = read_script("\n".join(text))
    book = Book.new(script.header, script.steps)
    edits = [Replace(intents.mended(book, "s1", f"a = {value}")[0]) for value in (21, 22)]
    turn = [0]

    def change() -> object:
        turn[0] ^= 1
        after, _ = book.edited(edits[turn[0]])
        return after

    whole, bare_calls = paired(change, lambda: [call() for call in calls])
    ratio = whole / bare_calls
    told = f"{whole * 1e3:.1f} ms against {bare_calls * 1e3:.1f} ms"
    what = "change at the root of 1,000 steps, a third tangent / the calls that draw them"
    return [(what, told, f"{ratio:.2f}", f"at most 1.5 {verdict(ratio <= 1.5)}")]


def _first(raws: list[Raw]) -> Circle:
    _, x, y, radius, _ = raws[0]
    return Circle(Point(x, y), radius)


def _first_line(raws: list[RawTangent]) -> Line:
    _, px, py, qx, qy, _ = raws[0]
    return Line(Point(px, py), Point(qx, qy))


def rows() -> list[Row]:
    """Everything."""
    return [*solving(), *book_at_the_root()]
