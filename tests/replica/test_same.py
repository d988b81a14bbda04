"""The core in the page and the core on the server are one: the same readings of the same drawings have the same answers."""

import json
import subprocess
from collections.abc import Iterable, Iterator
from dataclasses import replace
from math import isclose
from pathlib import Path
from random import Random
from typing import Any

import orjson
import pytest
from pydantic import TypeAdapter

from kentrograph.core.book.book import Book
from kentrograph.core.book.edits import Delete, Edit, Move, Replace
from kentrograph.core.desk.intents import write
from kentrograph.core.language.codec import edit_data
from kentrograph.core.language.messages import sentence
from kentrograph.core.problem import Refused
from kentrograph.core.replica.answers import read_within
from kentrograph.server.socket_schemas import ReadRequest

from .recorded import drawings, readings, source_of

HERE = Path(__file__).parent
_REQUESTS = TypeAdapter(ReadRequest)
MADE = HERE.parents[1] / "web" / "dist" / "core"


def in_page(messages: Iterable[dict[str, Any]]) -> Iterator[Any]:
    """What the core as it is made for the page answers."""
    (at,) = MADE.iterdir()
    lines = "".join(json.dumps(message) + "\n" for message in messages)
    done = subprocess.run(["node", str(HERE / "reads.mjs"), str(at)], input=lines, capture_output=True, text=True, check=False)
    assert done.returncode == 0, done.stderr[-1500:]
    return (json.loads(line) if line not in ("True", "False") else line == "True" for line in done.stdout.split("\n") if line)


def on_the_server(book: Book, message: dict[str, Any]) -> Any:
    """What the server answers: its schema reads the message, its own writer writes the answer."""
    request = _REQUESTS.validate_json(json.dumps(message))
    try:
        line, _ = read_within(book, request, request.seq)
    except Refused as refused:
        problem = refused.problem
        words = {"message": sentence(problem), "start": problem.start, "end": problem.end}
        return {"type": "refused", "seq": request.seq, "code": problem.kind, **words}
    return orjson.loads(orjson.dumps(line))


@pytest.mark.parametrize("seed", range(2))
def test_the_same_readings_have_the_same_answers(seed: int) -> None:
    """To the last bit but where a sine or the like is one unit off in its last place (WebAssembly has another C library): then
    what is drawn lies a thousand-millionth of a pixel beside. Every word, every value as it is shown and every statement that
    would be written is the same."""
    asked: list[dict[str, Any]] = []
    wanted: list[Any] = []
    for name, book in drawings():
        dice = Random(f"{name} {seed}")
        asked.append({"open": source_of(book)})
        wanted.append(0)
        for message in readings(book, 50, dice):
            asked.append({"read": json.dumps(message)})
            wanted.append(on_the_server(book, message))
    exact = 0
    for question, found, other in zip(asked, in_page(asked), wanted, strict=True):
        exact += found == other
        assert list(differences(found, other)) == [], question
    assert exact > 0.95 * len(asked)


def test_it_follows_what_is_done_as_the_server_does() -> None:
    for name, book in drawings():
        dice, asked, wanted = Random(name), [{"open": source_of(book)}], [0]
        for revision in range(1, 9):
            made = edit(book, dice, revision)
            book, _ = book.edited(made)
            asked.append({"follow": [revision - 1, revision, json.dumps([edit_data(made)])]})
            wanted.append(True)
            for message in readings(book, 2, dice):
                asked.append({"read": json.dumps(message)})
                wanted.append(on_the_server(book, message))
        # What it has not come to it does not follow.
        asked.append({"follow": [20, 21, "[]"]})
        wanted.append(False)
        for question, found, other in zip(asked, in_page(asked), wanted, strict=True):
            assert list(differences(found, other)) == [], (name, question)


def edit(book: Book, dice: Random, number: int) -> Edit:
    id, other = dice.choice(list(book.order)), dice.choice(list(book.order))
    match number % 4:
        case 0:
            return Delete(id)
        case 1:
            return Move(id, other if other != id else None)
        case 2:
            return Replace(replace(book.steps[id], hidden=not book.steps[id].hidden))
        case _:
            return write(book, f"point {dice.uniform(0, 99):.2f}, {dice.uniform(0, 99):.2f}", f"n{number}")[0]


def differences(one: Any, other: Any, at: str = "") -> Iterator[str]:
    """Where two answers differ by more than a unit in the last places."""
    if isinstance(one, dict) and isinstance(other, dict):
        for key in {*one, *other}:
            yield from differences(one.get(key), other.get(key), f"{at}.{key}")
    elif isinstance(one, list) and isinstance(other, list) and len(one) == len(other):
        for n, (a, b) in enumerate(zip(one, other, strict=True)):
            yield from differences(a, b, f"{at}[{n}]")
    elif isinstance(one, float) and isinstance(other, float):
        if not isclose(one, other, rel_tol=1e-13, abs_tol=1e-11):
            yield f"{at}: {one!r} and {other!r}"
    elif one != other:
        yield f"{at}: {one!r} and {other!r}"
