"""Shaping: stretches and faces against look-ups, offsets against a compiled library, moving against drawing, large outlines."""

import gc
import random
import time
from collections.abc import Callable
from math import ceil, cos, hypot, pi, sin
from statistics import median
from typing import Any

import shapely

from kentrograph.core.book.book import Book
from kentrograph.core.book.index import index_of
from kentrograph.core.construct.outlines import closed_through
from kentrograph.core.figures import Arc, Line, Outline, Point
from kentrograph.core.figures.along import place_along
from kentrograph.core.intersect import intersect_outlines
from kentrograph.core.language.script import book_of, read_script
from kentrograph.core.measure.closest import distance_between
from kentrograph.core.measure.gap import gap_between
from kentrograph.core.shape.offset import offset
from kentrograph.core.snap.stretches import stretch_under
from tools.large import PITCH, large_text

from .core import SEED, Row
from .snapping import REACH, bar, bare_nearest


def shaping_rows() -> list[Row]:
    """The rows of the table."""
    return [*_stretches(), *_offsets(), _moving(), *_outlines(), _face()]


def timed(work: Callable[[], Any], rounds: int = 5) -> float:
    """Seconds, the median of several rounds, none of which clears away what came before it."""
    found: list[float] = []
    for _ in range(rounds):
        gc.collect()
        begun = time.perf_counter()
        work()
        found.append(time.perf_counter() - begun)
    return median(found)


def _stretches() -> list[Row]:
    rows: list[Row] = []
    medians: dict[int, float] = {}
    for count in (10_000, 100_000):
        book = book_of(read_script(large_text(count)))
        index, dice, side = index_of(book), random.Random(SEED), PITCH * (count / 5) ** 0.5
        stretch: list[float] = []
        bare: list[float] = []
        for _ in range(300):
            x, y = dice.uniform(0.1, 0.9) * side, dice.uniform(0.1, 0.9) * side
            begun = time.perf_counter()
            stretch_under(book, x, y, REACH)
            middle = time.perf_counter()
            bare_nearest(index, book, x, y)
            bare.append(time.perf_counter() - middle)
            stretch.append(middle - begun)
        medians[count] = median(stretch)
        share = median(stretch) / median(bare)
        words = f"{1e3 * median(stretch):.2f} ms, bare {1e3 * median(bare):.3f} ms"
        rows.append((f"stretch under a place, {count:,} figures / bare look-up", words, f"{share:.1f}", bar(share, 10)))
    ratio = medians[100_000] / medians[10_000]
    words = f"{1e3 * medians[100_000]:.2f} ms against {1e3 * medians[10_000]:.2f} ms"
    rows.append(("stretch under a place, 100,000 figures / 10,000", words, f"{ratio:.2f}", bar(ratio, 1.5)))
    return rows


def toothed(count: int) -> Outline:
    """A closed outline of so many pieces, lines and half circles in turn, the larger the more there are."""
    teeth, radius = count // 2, 0.3 * count
    at = [Point(radius * cos(2 * pi * n / teeth), radius * sin(2 * pi * n / teeth)) for n in range(teeth)]
    pieces: list[Line | Arc] = []
    for n, (p, q) in enumerate(zip(at, [*at[1:], at[0]], strict=True)):
        a = Point(p.x + 0.4 * (q.x - p.x), p.y + 0.4 * (q.y - p.y))
        middle = Point((a.x + q.x) / 2, (a.y + q.y) / 2)
        pieces += [Line(p, a), Arc(middle, hypot(q.x - a.x, q.y - a.y) / 2, a, q, 180.0 if n % 2 else -180.0)]
    return Outline(tuple(pieces), True)


def _divided(outline: Outline) -> shapely.Polygon:
    places: list[tuple[float, float]] = []
    for piece in outline.pieces:
        chords = 1 if isinstance(piece, Line) else ceil(abs(piece.sweep) / 90.0 * 16)
        places += [(at.x, at.y) for at in (place_along(piece, piece.length * n / chords) for n in range(chords))]
    return shapely.Polygon(places)


def _offsets() -> list[Row]:
    times: dict[int, float] = {}
    rows: list[Row] = []
    for count in (1000, 4000):
        outline = toothed(count)
        flat = _divided(outline)
        times[count] = timed(lambda outline=outline: offset(outline, 0.2, "inside", False, "K"), 3)  # type: ignore[misc]
        if count == 1000:
            other = timed(lambda flat=flat: flat.buffer(-0.2, quad_segs=16), 9)  # type: ignore[misc]
            words = f"{1e3 * times[count]:.0f} ms, shapely {1e3 * other:.1f} ms"
            ratio = times[count] / other
            rows.append(
                (
                    "offset of 1,000 pieces, exact / shapely's buffer, arcs in 16 chords a quarter",
                    words,
                    f"{ratio:.1f}",
                    bar(ratio, 20),
                )
            )
    growth = times[4000] / times[1000]
    words = f"{1e3 * times[4000]:.0f} ms against {1e3 * times[1000]:.0f} ms"
    return [*rows, ("offset of 4,000 pieces / 1,000", words, f"{growth:.1f}", bar(growth, 6))]


def _moving() -> Row:
    forms = ("line from {0}, 0 to {0}, 9", "circle centre {0}, 3 radius 2")
    lines = [f"C{n} = {forms[n % 2].format(n)}" for n in range(10_000)]
    bare = book_of(read_script("\n".join(lines)))
    moved = book_of(read_script("\n".join([*lines, "move " + " ".join(f"C{n}" for n in range(10_000)) + " by 5, 5"])))
    alone, both = timed(bare.evaluated_anew), timed(moved.evaluated_anew)
    ratio = (both - alone) / alone
    words = f"{1e3 * (both - alone):.0f} ms against {1e3 * alone:.0f} ms"
    return ("moving 10,000 figures / drawing them", words, f"{ratio:.2f}", bar(ratio, 2))


def _outlines() -> list[Row]:
    found: dict[str, list[float]] = {}
    for count in (200, 800):
        ways = [closed_through([_tooth(n, count, x) for n in range(count)]) for x in (0.0, 50.0, 250.0)]
        a, b, c = ways
        for what, work in (
            ("crossings", lambda a=a, b=b: intersect_outlines(a, b)),  # type: ignore[misc]
            ("distance", lambda a=a, c=c: distance_between(a, c)),  # type: ignore[misc]
            ("gap", lambda a=a, b=b: gap_between(a, b)),  # type: ignore[misc]
        ):
            found.setdefault(what, []).append(timed(work, 3))
    rows: list[Row] = []
    for what, (few, many) in found.items():
        growth = many / few
        verdict = bar(max(many / 0.3, growth / 6), 1).removeprefix("at most 1 ")
        rows.append(
            (
                f"{what} of two outlines of 800 pieces / of 200",
                f"{1e3 * many:.0f} ms",
                f"{growth:.1f}",
                f"0.3 s, growth 6 {verdict}",
            )
        )
    return rows


def _tooth(n: int, count: int, x: float) -> Point:
    radius = 103.0 if n % 2 else 100.0
    return Point(x + radius * cos(2 * pi * n / count), radius * sin(2 * pi * n / count))


def _face() -> Row:
    """A cell of a drawing of crossing lines with a circle in each cell."""
    lines = [f"line from 0, {10 * n} to 1000, {10 * n}" for n in range(101)]
    lines += [f"line from {10 * n}, 0 to {10 * n}, 1000" for n in range(101)]
    lines += [f"circle centre {10 * i + 5}, {10 * j + 5} radius 2" for i in range(98) for j in range(100)]
    book = book_of(read_script("\n".join(lines)))
    dice = random.Random(SEED)
    faces: list[float] = []
    edges: list[float] = []
    for n in range(40):
        i, j = dice.randint(5, 90), dice.randint(5, 90)
        x, y = 10 * i + 1.0, 10 * j + 1.0
        begun = time.perf_counter()
        _traced(book, x, y, n)
        middle = time.perf_counter()
        for at in ((10 * i + 4, 10 * j), (10 * i + 10, 10 * j + 4), (10 * i + 4, 10 * j + 10), (10 * i, 10 * j + 4)):
            stretch_under(book, *at, 1.0)
        edges.append(time.perf_counter() - middle)
        faces.append(middle - begun)
    ratio = median(faces) / median(edges)
    words = f"{1e3 * median(faces):.1f} ms against {1e3 * median(edges):.1f} ms"
    return ("face at a place, 10,000 figures / stretches along its edge", words, f"{ratio:.1f}", bar(ratio, 5))


def _traced(book: Book, x: float, y: float, n: int) -> None:
    script = read_script(f"outline at {x}, {y}")
    value = book.try_statement(script.steps[0], len(book.order))
    assert hasattr(value, "figure"), (value, n)
