"""Sheets: laying out 500 dimensions on a drawing of 10,000 figures, one more of them, and the PDF of it all."""

import gc
import random
import time

from kentrograph.core.book.book import Book
from kentrograph.core.book.index import index_of
from kentrograph.core.desk.intents import write
from kentrograph.core.language.script import book_of, read_script
from kentrograph.core.sheet.at_table import layout_at_table
from kentrograph.core.sheet.page import Facts
from kentrograph.exchange.export import as_pdf
from tools.large import large_text

from .core import Row, verdict

FIGURES, DIMENSIONS = 10_000, 500
MOST_LAID, MOST_MORE, MOST_PDF = 1.0, 0.020, 5.0


def sheet_rows() -> list[Row]:
    """The rows of the table."""
    book = _dimensioned()
    index_of(book)
    gc.collect()
    begun = time.perf_counter()
    layout_at_table(book)
    laid = time.perf_counter() - begun
    more: list[float] = []
    for n in range(20):
        after = book.edited(write(book, f"dimension across 0, 0; {10 + n}, 5", f"more{n}")[0])[0]
        begun = time.perf_counter()
        layout_at_table(after)
        more.append(time.perf_counter() - begun)
        book = after
    begun = time.perf_counter()
    pdf = as_pdf(book, Facts("Large"))
    printed = time.perf_counter() - begun
    worst = sorted(more)[-2]
    return [
        (f"laying out {DIMENSIONS} dimensions of {FIGURES:,} figures", f"{laid:.2f} s", "", _bar(laid, MOST_LAID)),
        ("one dimension more", f"{1e3 * worst:.1f} ms", "", _bar(worst, MOST_MORE)),
        ("all of it as PDF", f"{printed:.1f} s, {len(pdf) / 1e6:.1f} MB", "", _bar(printed, MOST_PDF)),
    ]


def _bar(taken: float, most: float) -> str:
    return f"at most {most:g} s {verdict(taken <= most)}"


def _dimensioned() -> Book:
    """The large drawing, dimensioned here and there: from corner to corner put where it is wanted, diameters, lengths."""
    dice = random.Random(1)
    script = read_script(large_text(FIGURES))
    made = book_of(script)
    circles = [s.name for s in made.steps.values() if s.figure_kind == "circle"]
    lines = [s.name for s in made.steps.values() if s.figure_kind == "line"]
    said: list[str] = []
    for n in range(DIMENSIONS):
        if n % 2:
            said.append(f"dimension {dice.choice(circles)}")
        elif n % 10:
            one = dice.choice(lines)
            said.append(f"dimension across start of {one}; end of {one} at (middle of {one}): 0, {dice.randint(4, 20)}")
        else:
            said.append(f"dimension {'across' if n % 20 else 'up'} start of {dice.choice(lines)}; start of {dice.choice(lines)}")
    return book_of(read_script("\n".join((large_text(FIGURES), *said, "sheet a0"))))
