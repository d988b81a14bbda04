"""Files: writing and reading 10,000 figures in each format, against `json` of the same numbers; a hostile file of 100 MB."""

import json
import tempfile
import time
import tracemalloc
from collections.abc import Callable
from functools import partial
from pathlib import Path

from kentrograph.core.language.report import figure_data
from kentrograph.core.language.script import book_of, read_script
from kentrograph.exchange.files.formats import BY_WORD, Options, written
from kentrograph.exchange.files.items import Choice, items_of
from kentrograph.exchange.files.nc_out import Tool
from kentrograph.file_cli import import_file
from tools.large import large_text

from .core import Row, paired, verdict

FIGURES = 10_000
MOST_WRITTEN, MOST_READ, MOST_REFUSED, MOST_MEMORY = 3.0, 5.0, 1.0, 300.0


def file_rows() -> list[Row]:
    """The rows of the table."""
    book = book_of(read_script(large_text(FIGURES)))
    choice = Choice(construction=True)
    numbers = [figure_data(item.figure) for item in items_of(book, choice)]
    text = json.dumps(numbers)
    rows: list[Row] = []
    for word in ("svg", "step", "iges", "nc"):
        form = BY_WORD[word]
        options = Options(choice, tool=Tool(0.0, "on"))
        data = written(book, form, "Large", options, check=False).data
        read = form.read
        assert read is not None
        write = partial(written, book, form, "Large", options, check=False)
        rows.append(
            _row(f"writing {FIGURES:,} figures as {word} / json.dumps", write, partial(json.dumps, numbers), MOST_WRITTEN)
        )
        rows.append(_row(f"reading them from {word} / json.loads", partial(read, data), partial(json.loads, text), MOST_READ))
    return [*rows, _hostile()]


def _row(what: str, ours: Callable[[], object], other: Callable[[], object], most: float) -> Row:
    mine, theirs = paired(ours, other)
    told = f"{mine:.2f} s against {1e3 * theirs:.0f} ms"
    return (what, told, f"{mine / theirs:.0f}", f"at most {most:g} s {verdict(mine <= most)}")


def _hostile() -> Row:
    """A file of 100 MB: how long it takes to be refused, and what that takes."""
    with tempfile.TemporaryDirectory() as folder:
        file = Path(folder) / "large.svg"
        with file.open("wb") as out:
            out.truncate(100_000_000)
        tracemalloc.start()
        begun = time.perf_counter()
        status = import_file(file, None)
        taken = time.perf_counter() - begun
        peak = tracemalloc.get_traced_memory()[1] / 1e6
        tracemalloc.stop()
    good = status == 2 and taken <= MOST_REFUSED and peak <= MOST_MEMORY
    return ("a file of 100 MB is refused", f"{1e3 * taken:.1f} ms, {peak:.1f} MB", "", f"at most 1 s, 300 MB {verdict(good)}")
