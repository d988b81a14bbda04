"""Snapping: a ranked query with all kinds on, against a bare nearest-figure look-up in the same index."""

import gc
import random
import time
from statistics import median, quantiles

from kentrograph.core.book.book import Book
from kentrograph.core.book.index import Index, index_of
from kentrograph.core.desk import intents
from kentrograph.core.figures import Point
from kentrograph.core.language.script import book_of, read_script
from kentrograph.core.measure.distance_to import distance_to
from kentrograph.core.snap.candidates import take_at
from kentrograph.core.snap.kinds import KINDS
from kentrograph.core.snap.query import Passed, Query
from tools.large import PITCH, large_text

from .core import SEED, Row, verdict

POINTERS = 400
REACH = 30.0
"""As far as a hand's breadth of lamps: a few dozen figures are in reach."""


def snap_rows() -> list[Row]:
    """The rows of the table; ratios of the machine to itself."""
    times = _times((10_000, 100_000))
    rows: list[Row] = []
    for count, (query, bare, reached) in times.items():
        slow = quantiles(query, n=100)[98]
        words = f"{1e3 * median(query):.2f} ms, bare {1e3 * median(bare):.3f} ms"
        share = median(query) / median(bare)
        rows.append(
            (f"snap query, {count:,} figures, {reached:.0f} in reach / bare look-up", words, f"{share:.1f}", bar(share, 25))
        )
        tail = slow / median(query)
        rows.append((f"its 99th of 100 / its median, {count:,} figures", f"{1e3 * slow:.2f} ms", f"{tail:.1f}", bar(tail, 4)))
    ratio = median(times[100_000][0]) / median(times[10_000][0])
    medians = " against ".join(f"{1e3 * median(times[count][0]):.2f} ms" for count in (100_000, 10_000))
    rows.append(("snap query, 100,000 figures / 10,000", medians, f"{ratio:.2f}", bar(ratio, 1.3)))
    rows.append(_adding())
    return rows


def _book(count: int) -> Book:
    return book_of(read_script(large_text(count)))


def _times(counts: tuple[int, ...]) -> dict[int, tuple[list[float], list[float], float]]:
    """Seconds of every query and of every bare look-up, and how many figures were in reach. The books take turns, so that
    they meet the same moods of the machine."""
    books = {count: _book(count) for count in counts}
    dice = {count: random.Random(SEED) for count in counts}
    queries: dict[int, list[float]] = {count: [] for count in counts}
    bare: dict[int, list[float]] = {count: [] for count in counts}
    reached = dict.fromkeys(counts, 0)
    for book in books.values():
        index_of(book)
    gc.collect()
    gc.disable()
    for _ in range(POINTERS):
        for count, book in books.items():
            index, r, side = index_of(book), dice[count], PITCH * (count / 5) ** 0.5
            x, y = r.uniform(0.1, 0.9) * side, r.uniform(0.1, 0.9) * side
            last, seen = Point(x - 200.0, y + 3.0), Passed("P1", Point(x + 2.0, y - 300.0))
            q = Query(x, y, REACH, 0.5, frozenset(KINDS), last, (seen,), 3, 15.0, 5.0, late=book.order[-4:])
            begun = time.perf_counter()
            take_at(book, q)
            middle = time.perf_counter()
            bare_nearest(index, book, x, y)
            bare[count].append(time.perf_counter() - middle)
            queries[count].append(middle - begun)
            around = index.around(x, y, REACH)
            reached[count] += sum(1 for id in around if distance_to(book.values[id].figure, x, y) <= REACH)  # type: ignore[union-attr]
    gc.enable()
    return {count: (queries[count], bare[count], reached[count] / POINTERS) for count in counts}


def bare_nearest(index: Index, book: Book, x: float, y: float) -> tuple[str, float] | None:
    """The figure that runs nearest to a place within reach, and how far it is: the least that any snap has to find out."""
    best: tuple[str, float] | None = None
    values = book.values
    for id in index.around(x, y, REACH):
        off = distance_to(values[id].figure, x, y)  # type: ignore[union-attr]
        if off <= REACH and (best is None or off < best[1]):
            best = (id, off)
    return best


def _adding() -> Row:
    """One figure more in a book of 10,000, against the making of the whole index."""
    book = _book(10_000)
    index_of(book)
    begun = time.perf_counter()
    Index().of(book)
    whole = time.perf_counter() - begun
    added: list[float] = []
    for n in range(40):
        edit, _ = intents.write(book, f"circle centre {10 * n}, 5 radius 3", f"more{n}")
        book, _ = book.edited(edit)
        begun = time.perf_counter()
        index_of(book)
        added.append(time.perf_counter() - begun)
    words = f"{1e6 * median(added):.0f} µs against {1e3 * whole:.0f} ms"
    ratio = whole / median(added)
    return ("making the index of 10,000 / adding a figure to it", words, f"{ratio:.0f}", f"no rebuild {verdict(ratio > 100)}")


def bar(ratio: float, most: float) -> str:
    """A ratio that should be small."""
    return f"at most {most:g} {verdict(ratio <= most)}"
