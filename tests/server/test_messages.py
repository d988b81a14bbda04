"""What a table is told of a change: only what differs, and enough to have the same book as one that opens just then."""

import json
from random import Random
from typing import Any
from uuid import uuid4

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.desk import intents
from kentrograph.core.problem import Refused
from kentrograph.server.present import book_message
from kentrograph.store.changes import State

from ..core.support import book as written
from ..core.test_round_trip import some_edit
from .support import Receiver


def told(book: Book, revision: int, known: Book | None) -> dict[str, Any]:
    """The message as it goes over the wire."""
    message: dict[str, Any] = json.loads(book_message(State(uuid4(), "d", revision, book, None, None), known))
    return message


def whole(book: Book) -> list[dict[str, Any]]:
    return list(told(book, 0, None)["steps"])


@pytest.mark.parametrize("seed", range(60))
def test_differences_add_up_to_the_book(seed: int) -> None:
    dice = Random(seed)
    book, known = Book.new(), None
    table = Receiver()
    for number in range(30):
        try:
            edit = some_edit(dice, book, number)
            book, inverse = book.edited(edit)
        except Refused:
            continue
        if dice.random() < 0.2:
            book, _ = book.edited(inverse)
        if dice.random() < 0.3:
            # News that come together: the table is told of several changes at once.
            continue
        message = told(book, number, known)
        table.take(message)
        known = book
        assert table.in_order() == whole(book), (seed, number, edit)


def test_a_change_is_told_by_what_it_touches() -> None:
    lines = [f"circle centre {n}, 0 radius 1" for n in range(300)]
    book = written(*lines)
    edit, _ = intents.write(book, "circle centre 5, 5 radius 2", "new", "s10")
    after, _ = book.edited(edit)
    message = told(after, 1, book)
    assert [s["id"] for s in message["steps"]] == ["new"]
    assert message["placed"] == [{"id": "new", "in_front_of": "s10"}]
    assert message["gone"] == []
