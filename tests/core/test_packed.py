"""A book that was put together from what was kept of it is the one that is worked out from its texts, now and after any edit."""

import json
from pathlib import Path
from random import Random
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kentrograph.core.book.book import Book
from kentrograph.core.book.edits import Delete
from kentrograph.core.book.network import TABLES
from kentrograph.core.desk.views import step_view
from kentrograph.core.language.later import Later
from kentrograph.core.language.packed import PLAIN, book_from, packed
from kentrograph.core.language.script import book_of, read_script, write_script
from kentrograph.core.problem import Refused
from tools.examples import DRAWING, EXAMPLES

from .test_book import acts as acts_of_a_hand
from .test_book import edit_for

DEMO = Path(__file__).parents[2] / "demo"


def again(book: Book) -> Book:
    """A book that was kept and put together, by way of JSON."""
    return book_from(json.loads(json.dumps(packed(book), allow_nan=False)))


def same(one: Book, other: Book) -> None:
    """All that a book is, but for the order in which users are noted."""
    assert tuple(one.order) == tuple(other.order)
    assert [one.order.key(id) for id in one.order] == [other.order.key(id) for id in other.order]
    assert one.header == other.header
    for table in ("steps", "values", "links", "defined", "marked"):
        ours, theirs = getattr(one, table), getattr(other, table)
        assert dict(ours.items()) == dict(theirs.items()), table
    assert {k: sorted(v) for k, v in one.users.items()} == {k: sorted(v) for k, v in other.users.items()}
    for id in one.order:
        ours, theirs = one.plans[id], other.plans[id]
        for field in ("names", "needed", "needs_last", "problem"):
            assert getattr(ours, field) == getattr(theirs, field), (id, field)
        assert (ours.plan is None, ours.fast_plan is None) == (theirs.plan is None, theirs.fast_plan is None)
    assert set(TABLES) == {"steps", "values", "plans", "links", "users", "defined", "marked"}


@pytest.mark.parametrize("file", sorted(DEMO.glob("*.kent")), ids=lambda file: str(file.stem))
def test_demo_drawings_are_kept_whole(file: Path) -> None:
    book = book_of(read_script(file.read_text()))
    kept = again(book)
    assert [step_view(kept, id) for id in kept.order] == [step_view(book, id) for id in book.order]
    assert write_script(kept) == write_script(book)
    same(kept, book)


def test_every_kind_of_statement_is_kept_whole() -> None:
    lines = [*DRAWING, *(text for kind in EXAMPLES.values() for text, _ in kind)]
    # A name that an example gives again is left out by the reader, as in any text.
    book = book_of(read_script("\n".join(lines)))
    assert len(book.order) > 200
    same(again(book), book)


@given(acts_of_a_hand, st.integers(0, 99))
def test_edits_reach_what_was_kept_as_they_reach_what_was_read(acts: list[tuple[str, int, str]], seed: int) -> None:
    dice = Random(seed)
    book = Book.new()
    kept = again(book)
    for n, (act, at, text) in enumerate(acts):
        try:
            edit = edit_for(book, act, at, text, f"s{n}")
            book, _ = book.edited(edit)  # type: ignore[arg-type]
        except Refused:
            continue
        kept, _ = kept.edited(edit)  # type: ignore[arg-type]
        same(kept, book)
        if dice.random() < 0.3:
            kept = again(kept)
            same(kept, book)


def test_what_can_be_kept_is_neither_read_nor_planned_until_it_is_asked_for(monkeypatch: pytest.MonkeyPatch) -> None:
    lines = ["P1 = point 1, 2", "line from P1 to 40, 3", "point + 3, 4", "arc centre P1 radius 5 at 10 sweep 30"]
    lines += ["path from 0,0 to 5,0 to 5,5 close", "w = 4", "circle centre P1 radius w", "measure distance P1 C1"]
    data = packed(book_of(read_script("\n".join(lines))))
    assert [len(row) > PLAIN for row in data["steps"]] == [True] * 7 + [False]
    read: list[str] = []
    whole = Later.__getattr__

    def noted(self: Later, name: str) -> Any:
        read.append(self.text)
        return whole(self, name)

    monkeypatch.setattr(Later, "__getattr__", noted)
    book = book_from(data)
    # The reading at the end looks at the two that it is of, by their values.
    assert read == []
    book, _ = book.edited(Delete(book.order[0]))
    # All that hang on the point, or count from the end of what does; not the path, nor the number.
    assert set(read) == {lines[1], lines[2], lines[3], lines[6]}


@pytest.mark.parametrize("number", ["1e-320", "123456789.123456789", "0.1 + 0.2", "-0.000", "1/3", "2^0.5 * 10^12"])
def test_numbers_come_back_to_the_last_bit(number: str) -> None:
    book = book_of(read_script(f"a = {number}\nP1 = point {number}, 1/7\nC1 = circle centre P1 radius 1/3"))
    kept = again(book)
    assert [repr(kept.values[id]) for id in kept.order] == [repr(book.values[id]) for id in book.order]
