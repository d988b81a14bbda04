"""Loose ends: from nothing, against the making of the index; after one edit, in a large book and in a larger one."""

import gc
import time
from statistics import median

from kentrograph.core.book.index import Index, index_of
from kentrograph.core.checks.loose_ends import LooseEnds, loose_ends, usual_limit
from kentrograph.core.desk import intents
from kentrograph.core.language.script import book_of, read_script
from tools.large import large_text

from .core import Row, verdict
from .snapping import bar

LARGE, LARGER = 10_000, 100_000
ROUNDS = 40
BAR = 5
MOST_MS = 2.0


def check_rows() -> list[Row]:
    """The rows of the table."""
    book = book_of(read_script(large_text(LARGE)))
    index_of(book)
    gc.collect()
    gc.disable()
    looked: list[float] = []
    made: list[float] = []
    for _ in range(3):
        begun = time.perf_counter()
        Index().of(book)
        made.append(time.perf_counter() - begun)
        begun = time.perf_counter()
        LooseEnds().of(book, usual_limit("mm"))
        looked.append(time.perf_counter() - begun)
    gc.enable()
    ratio = median(looked) / median(made)
    words = f"{1e3 * median(looked):.0f} ms against {1e3 * median(made):.0f} ms"
    rows: list[Row] = [
        (f"loose ends of {LARGE:,} figures from nothing / making their index", words, f"{ratio:.1f}", bar(ratio, BAR))
    ]
    times = {count: _edited(count) for count in (LARGE, LARGER)}
    worst = 1e3 * max(times.values())
    words = " and ".join(f"{1e3 * taken:.2f} ms of {count:,}" for count, taken in times.items())
    rows.append(
        (
            "loose ends after one edit",
            words,
            f"{times[LARGER] / times[LARGE]:.1f}",
            f"at most {MOST_MS:g} ms {verdict(worst <= MOST_MS)}",
        )
    )
    return rows


def _edited(count: int) -> float:
    """Seconds for the findings after one circle more, the index being up to date."""
    book = book_of(read_script(large_text(count)))
    loose_ends(book)
    taken: list[float] = []
    for n in range(ROUNDS):
        edit, _ = intents.write(book, f"circle centre {10 * n}, 5 radius 3", f"more{n}")
        book, _ = book.edited(edit)
        index_of(book)
        begun = time.perf_counter()
        loose_ends(book)
        taken.append(time.perf_counter() - begun)
    return median(taken)
