"""The book that a page holds: it goes on without the server, and comes to the same once the server has what waited."""

import json
from random import Random
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kentrograph.core.book.book import Book
from kentrograph.core.desk.acts import Act, Write
from kentrograph.core.language.codec import edit_data
from kentrograph.core.language.script import book_of, read_script, write_script
from kentrograph.core.problem import Refused, refusal
from kentrograph.core.replica.asked import from_data
from kentrograph.core.replica.differing import difference
from kentrograph.core.replica.held import Held

from ..replica.recorded import source_of

START = "P1 = point 1, 2\nC1 = circle centre P1 radius 5\nL1 = line from P1 to 40, 30\nR1 = measure distance P1 C1\n"
TEXTS = (
    "point 7, 8",
    "circle centre P1 radius 9",
    "nonsense here",
    "line from P2 to C1",
    "P1 = point 0, 0",
    "unit in",
    "a = 5",
    "",
)


def acts(dice: Random, book: Book, number: int) -> dict[str, Any]:
    id, text = dice.choice([*book.order, "nowhere"]), dice.choice(TEXTS)
    return dice.choice(
        [
            {"do": "write", "id": f"n{number}", "text": text},
            {"do": "write", "id": f"n{number}", "text": text, "in_front_of": id, "pen": "pencil"},
            {"do": "write_all", "id": f"n{number}", "entries": [{"text": "point 3, 3"}, {"text": text}]},
            {"do": "mend", "id": id, "text": text},
            {"do": "strike", "id": id},
            {"do": "move", "id": id, "in_front_of": None},
            {"do": "rename", "id": id, "name": dice.choice(["Q", "P1"])},
            {"do": "flag", "id": id, "hidden": True},
            {"do": "undo"},
        ]
    )


def held_of(book: Book) -> Held:
    held = Held()
    held.open(source_of(book))
    return held


@given(st.integers(0, 10_000))
def test_what_is_done_ahead_is_what_the_server_makes_of_it(seed: int) -> None:
    dice, book = Random(seed), book_of(read_script(START))
    held, waiting, edits = held_of(book), list[dict[str, Any]](), list[Any]()
    seen = dict.fromkeys(book.order)
    server = book
    for number in range(dice.randint(1, 6)):
        waiting.append(acts(dice, server, number))
        before = server
        try:
            made, label = from_data(Act, waiting[-1]).edit(server)
            server, _ = server.edited(made)
            edits.append(edit_data(made))
            good = True
        except (Refused, TypeError):
            good = False
        found = json.loads(held.ahead(json.dumps(waiting)))
        assert [one["number"] for one in found["refused"]] == ([] if good else [len(waiting) - 1])
        if good:
            assert found["undo"] == label
        else:
            assert waiting.pop()
            assert found["refused"][0]["message"]
        # What is told brings whoever has seen the one before to this one.
        order = list(found_order(list(seen), found))
        seen = dict.fromkeys(order)
        assert order == list(server.order)
        assert {step["id"] for step in found["steps"]} >= set(difference(server, before).steps) - set(before.order)
        assert write_script(held.book) == write_script(server)
    # Then the server has it, and says so: the same, by what was done instead of by the acts.
    assert held.follow(0, len(edits), json.dumps(edits))
    assert held.book is held.kept
    assert write_script(held.book) == write_script(server)
    assert held.book.header == server.header


def found_order(before: list[str], found: dict[str, Any]) -> list[str]:
    """The steps in their order after a difference, as its contract says."""
    if found["whole"]:
        return [step["id"] for step in found["steps"]]
    out = {*found["gone"], *(one["id"] for one in found["placed"])}
    kept = [id for id in before if id not in out]
    for one in found["placed"]:
        kept.insert(kept.index(one["in_front_of"]) if one["in_front_of"] is not None else len(kept), one["id"])
    return kept


def test_a_reading_while_something_waits_is_of_the_drawing_with_it() -> None:
    held = held_of(book_of(read_script(START)))
    held.ahead(json.dumps([{"do": "write", "id": "n1", "text": "C7 = circle centre 90, 0 radius 3"}]))
    line = json.loads(held.read(json.dumps({"seq": 3, "text": "point centre of C7"})))
    assert (line["seq"], line["problem"]) == (3, None)
    # Taken back, it is gone from there as well.
    found = json.loads(held.ahead("[]"))
    assert found["gone"] == ["n1"]
    assert json.loads(held.read(json.dumps({"seq": 4, "text": "point centre of C7"})))["problem"] is not None


@pytest.mark.parametrize(
    ("since", "revision", "follows"), [(0, 1, True), (1, 2, False), (0, 0, True), (5, 9, False)]
)  # fmt: skip
def test_it_follows_only_what_begins_where_it_is(since: int, revision: int, follows: bool) -> None:
    held = held_of(book_of(read_script(START)))
    edits = [edit_data(Write(do="write", id="n1", text="point 9, 9").edit(held.book)[0])]
    assert held.follow(since, revision, json.dumps(edits)) == follows
    assert held.revision == (revision if follows else 0)


def test_what_cannot_be_read_is_refused_as_the_server_does(monkeypatch: pytest.MonkeyPatch) -> None:
    def refusing(*_: object) -> object:
        raise refusal("no_step", 2, 5, id="nowhere")

    monkeypatch.setattr("kentrograph.core.replica.held.read_within", refusing)
    said = json.loads(held_of(book_of(read_script(START))).read(json.dumps({"seq": 9, "text": "point 1, 1"})))
    assert {key: said[key] for key in ("type", "seq", "code", "start", "end")} == {
        "type": "refused", "seq": 9, "code": "no_step", "start": 2, "end": 5,
    }  # fmt: skip
    assert said["message"]
