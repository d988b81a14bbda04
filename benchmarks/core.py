"""The core: parsing, full evaluation, one change, memory."""

import gc
import io
import random
import time
import tokenize
import tracemalloc
from collections.abc import Callable

from kentrograph.core.book.book import Book
from kentrograph.core.book.edits import Replace
from kentrograph.core.construct.circles import through_three, through_two_radius
from kentrograph.core.construct.lines import bisector_of_places
from kentrograph.core.desk import intents
from kentrograph.core.figures import Circle, Line, Point
from kentrograph.core.intersect import intersect_long
from kentrograph.core.language.script import read, read_script

SEED = 20260501
ROUNDS = 15
Row = tuple[str, str, str, str]


def paired(ours: Callable[[], object], other: Callable[[], object], calls: int = 1) -> tuple[float, float]:
    """Seconds of both in the round with the median ratio; they are taken in turn, so that both meet the same machine.
    ``calls`` of ours a round."""
    rounds: list[tuple[float, float]] = []
    ours(), other()
    gc.collect()
    gc.disable()
    for _ in range(ROUNDS):
        begun = time.perf_counter()
        for _ in range(calls):
            ours()
        middle = time.perf_counter()
        other()
        rounds.append(((middle - begun) / calls, time.perf_counter() - middle))
    gc.enable()
    return sorted(rounds, key=lambda one: one[0] / one[1])[ROUNDS // 2]


def book_text(count: int) -> tuple[str, list[Callable[[], object]]]:
    """A book of ``count`` steps in which figures hang on each other, and the bare calls that draw the same figures."""
    r = random.Random(SEED)
    lines: list[str] = ["P1 = point 0, 0", "P2 = point 100, 0", "P3 = point 40, 70", "C1 = circle centre P1 radius 60"]
    o, a, b = Point(0, 0), Point(100, 0), Point(40, 70)
    c1, c2 = Circle(o, 60), Circle(a, 70)
    bare: list[Callable[[], object]] = [lambda: Point(0, 0), lambda: Point(100, 0), lambda: Point(40, 70), lambda: Circle(o, 60)]
    kinds: list[tuple[str, Callable[[], object]]] = [
        ("circle through P1 P2 P3", lambda: through_three(o, a, b)),
        ("circle through P1 P3 radius 90 left", lambda: through_two_radius(o, b, 90)),
        ("line from P1 to P3", lambda: Line(o, b)),
        ("circle centre P2 radius 70", lambda: Circle(a, 70)),
        ("line bisecting P1 P2", lambda: bisector_of_places(o, a)),
        ("point crossing of C1 {circle} left", lambda: intersect_long(c1, c2)),
    ]
    circle = "C1"
    while len(lines) < count:
        text, call = kinds[r.randrange(len(kinds))]
        if "{circle}" in text and circle == "C1":
            continue
        name = f"F{len(lines)}"
        lines.append(f"{name} = {text.format(circle=circle)}")
        bare.append(call)
        if text.startswith("circle centre"):
            circle = name
    return "\n".join(lines), bare


def parsing() -> Row:
    """1,000 statements, against Python's own tokenizer on as much text."""
    text, _ = book_text(1000)
    lines = text.splitlines()
    source = "\n".join(f"value_{n} = centre(through[{n}], radius_{n} + 4.5)" for n in range(2000))
    python = source[: len(text)].rsplit("\n", 1)[0] + "\n"
    ours, theirs = paired(
        lambda: [read(line) for line in lines],
        lambda: list(tokenize.generate_tokens(io.StringIO(python).readline)),
    )
    return row("parsing 1,000 statements / tokenize on as much text", ours, theirs * len(text) / len(python), 6.0)


def evaluation() -> Row:
    """A 1,000-step book evaluated whole, against the figure functions that it calls."""
    text, bare = book_text(1000)
    script = read_script(text)
    book = Book.new(script.header, script.steps)
    whole, sum_of_calls = paired(book.evaluated_anew, lambda: [call() for call in bare])
    return row("full evaluation of 1,000 steps / the figure functions alone", whole, sum_of_calls, 1.7)


def one_change() -> Row:
    """One number at step 500 of 1,000 with 20 dependents, against a full evaluation; here larger is better."""
    lines = book_text(979)[0].splitlines()
    lines[500:500] = ["a = 5", *(f"circle centre P{n % 3 + 1} radius a + {n}" for n in range(20))]
    script = read_script("\n".join(lines))
    book = Book.new(script.header, script.steps)
    edits = [Replace(intents.mended(book, "s501", f"a = {value}")[0]) for value in (6, 7)]
    turn = [0]

    def change() -> object:
        turn[0] ^= 1
        after, _ = book.edited(edits[turn[0]])
        assert len(after.changed) == 21
        return after

    change_time, whole = paired(change, book.evaluated_anew, calls=20)
    ratio = whole / change_time
    told = f"{change_time * 1e6:.0f} µs against {whole * 1e6:.0f} µs"
    return (
        "full evaluation / change of one number with 20 dependents",
        told,
        f"{ratio:.1f}",
        f"at least 20 {verdict(ratio >= 20)}",
    )


def memory() -> Row:
    """Bytes that an evaluated step takes, in a book of 10,000."""
    text, _ = book_text(10_000)
    gc.collect()
    tracemalloc.start()
    script = read_script(text)
    book = Book.new(script.header, script.steps)
    gc.collect()
    taken = tracemalloc.get_traced_memory()[0]
    tracemalloc.stop()
    assert len(book.order) == 10_000
    return (
        "memory of an evaluated book of 10,000 steps",
        f"{taken / 1e6:.1f} MB",
        f"{taken / 10_000:.0f} bytes a step",
        "stated",
    )


def row(what: str, ours: float, other: float, bar: float) -> Row:
    """A ratio that should be small."""
    ratio = ours / other
    return (what, f"{ours * 1e3:.2f} ms against {other * 1e3:.2f} ms", f"{ratio:.2f}", f"at most {bar:g} {verdict(ratio <= bar)}")


def verdict(good: bool) -> str:
    """In a word."""
    return "(held)" if good else "(MISSED)"


def rows() -> list[Row]:
    """Everything."""
    return [parsing(), evaluation(), one_change(), memory()]
