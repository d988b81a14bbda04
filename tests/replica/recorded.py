"""Readings such as a table asks for while somebody draws: of every demo drawing, wherever the pointer is on it."""

import json
from collections.abc import Iterator
from pathlib import Path
from random import Random
from typing import Any

from kentrograph.core.book.book import Book
from kentrograph.core.book.scene import seen
from kentrograph.core.language.packed import packed
from kentrograph.core.language.script import book_of, read_script

DEMO = Path(__file__).parents[2] / "demo"
SNAPPING: dict[str, Any] = {"off": [], "parts": 3, "turn": 0.0, "turns": [], "step": 0.0, "grid": 0.0, "ink_only": False}
KINDS = (
    "point", "line", "circle", "arc", "path", "rectangle", "polygon", "ellipse", "trim", "ink", "move", "offset",
    "measure distance", "measure area", "read", "dimension", "note",
)  # fmt: skip


def drawings() -> Iterator[tuple[str, Book]]:
    """The demo drawings."""
    for file in sorted(DEMO.glob("*.kent")):
        yield file.stem, book_of(read_script(file.read_text()))


def source_of(book: Book, revision: int = 0) -> str:
    """A book as the server sends its steps to a page."""
    return json.dumps({"revision": revision, "edits": [], **packed(book)})


def readings(book: Book, count: int, dice: Random) -> Iterator[dict[str, Any]]:
    """So many messages."""
    ids = [id for id in book.order if seen(book, id)]
    names = [book.steps[id].name for id in ids if book.steps[id].name] or ["P1"]
    texts = [
        "",
        "",
        "",
        "40 at 30",
        "+ 3, 4",
        f"touching {dice.choice(names)}",
        "radius 5",
        f"measure area {dice.choice(names)}",
        "12 nonsens",
    ]
    for seq in range(count):
        x, y = dice.choice([(dice.uniform(-250, 250), dice.uniform(-250, 250)), (dice.uniform(0, 100), dice.uniform(0, 80))])
        pixel = dice.choice([0.05, 0.5, 2.0])
        snapping = {**SNAPPING, "grid": dice.choice([0.0, 0.0, 5.0]), "turn": dice.choice([0.0, 15.0])}
        pointer = {
            "x": x, "y": y, "reach": 10 * pixel, "pixel": pixel, "level": dice.random() < 0.1, "swing": dice.random() < 0.1,
            "turned": 0.0, "passed": dice.choice([[], [dice.choice(names)]]), "snapping": snapping,
        }  # fmt: skip
        one: dict[str, Any] = {
            "type": "read",
            "seq": seq,
            "text": dice.choice(texts),
            "pointer": dice.choice([pointer, pointer, None]),
        }
        match dice.randrange(6):
            case 0:
                one |= {"selected": [dice.choice(ids)], "pull": dice.choice([None, 0, 1]), "text": ""}
            case 1:
                one |= {"mend": dice.choice(ids), "text": dice.choice(["", "circle centre 1, 2 radius 7", "point 3, 4"])}
            case 2:
                one |= {"carry": {"figures": [dice.choice(ids)], "x": x + 10, "y": y, "copied": dice.random() < 0.5}, "text": ""}
            case _:
                rows = [
                    dice.choice(["0, 0", "10, 5", f"centre {dice.choice(names)}", dice.choice(names)])
                    for _ in range(dice.randrange(3))
                ]
                clicks = [None] * len(rows)
                one["draft"] = {"kind": dice.choice(KINDS), "rows": rows, "at": None, "again": False, "clicks": clicks}
                one["choice"] = dice.choice([None, None, 1])
                one["aimed"] = True
        yield one
