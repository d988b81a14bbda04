"""Edits and reads in a small and in a large book: what is changed or looked at is the same, so it should take as long."""

import gc
import time
from collections.abc import Callable, Iterator
from statistics import median

from kentrograph.core.book.book import Book
from kentrograph.core.book.edits import Replace
from kentrograph.core.desk import intents
from kentrograph.core.desk.desk import Desk
from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.picks import under_pointer
from kentrograph.core.desk.pointer import Pointer
from kentrograph.core.language.script import book_of, read_script
from tools.large import large_text

from .core import Row
from .snapping import bar

SMALL, LARGE = 1_000, 100_000
ROUNDS = 60
BAR = 3


def edit_rows() -> list[Row]:
    """The rows of the table; ratios of the machine to itself."""
    times = {name: {} for name in KINDS}
    for count in (SMALL, LARGE):
        book = _book(count)
        for name, calls in KINDS.items():
            times[name][count] = _median(calls(book))
    return [_row(name, *(of[count] for count in (SMALL, LARGE))) for name, of in times.items()]


def _book(count: int) -> Book:
    """A field of lamps; its fifth step is a number that one figure uses."""
    lines = large_text(count - 2).splitlines()
    lines[4:4] = ["a = 5"]
    lines.append("circle centre 5, 5 radius a")
    return book_of(read_script("\n".join(lines)))


def _median(calls: Iterator[Callable[[], object]]) -> float:
    taken: list[float] = []
    gc.collect()
    gc.disable()
    for call in calls:
        begun = time.perf_counter()
        call()
        taken.append(time.perf_counter() - begun)
    gc.enable()
    return median(taken[3:])


def _writing(book: Book) -> Iterator[Callable[[], object]]:
    """One circle after another at the end, each in the book that the one before made, and what is sent of it."""
    now = [book]

    def write(number: int) -> None:
        edit, _ = intents.write(now[0], f"circle centre {10 * number}, 5 radius 3", f"more{number}")
        now[0], _ = now[0].edited(edit)

    for number in range(ROUNDS):
        yield lambda number=number: write(number)  # type: ignore[misc]


def _changing(book: Book) -> Iterator[Callable[[], object]]:
    """The number at step 5 becomes another one; the circle that uses it follows."""
    id = book.find("a").id  # type: ignore[union-attr]
    edits = [Replace(intents.mended(book, id, f"a = {value}")[0]) for value in (6, 7)]
    now = [book]

    def change(edit: Replace) -> None:
        now[0], _ = now[0].edited(edit)
        assert len(now[0].changed) == 2

    for number in range(ROUNDS):
        yield lambda number=number: change(edits[number % 2])  # type: ignore[misc]


def _reading(book: Book) -> Iterator[Callable[[], object]]:
    """The pointer moves over the first figures while a line is written in front of the tenth step."""
    draft = Draft("line", ("from 0, 0",))
    for number in range(ROUNDS):
        pointer = Pointer(3.0 + number, 8.0, 30.0, 0.5)
        yield lambda pointer=pointer: under_pointer(Desk(book, Hand(draft=draft, pointer=pointer, aimed=True), 10))  # type: ignore[misc]


KINDS = {
    "one circle written at the end": _writing,
    "one number changed at step 5 with one user": _changing,
    "a pointer's read while a line is written in front of step 10": _reading,
}


def _row(name: str, small: float, large: float) -> Row:
    ratio = large / small
    told = f"{large * 1e3:.2f} ms against {small * 1e3:.2f} ms"
    return (f"{name}, book of {LARGE:,} / of {SMALL:,}", told, f"{ratio:.2f}", bar(ratio, BAR))
