"""The book follows every change: only what hangs on it, everything that hangs on it, and back again."""

from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kentrograph.core.book.book import Book
from kentrograph.core.book.edits import Delete, Edit, Insert, Move, Replace, Several
from kentrograph.core.book.step import Step
from kentrograph.core.book.values import StepResult
from kentrograph.core.desk import intents
from kentrograph.core.desk.rename import rename
from kentrograph.core.problem import Problem, Refused

from .support import book, figure

CHAIN = (
    "P1 = point 0, 0",
    "L1 = line from P1 to + 10, 0",
    "C1 = circle centre + 0, 5 radius 3",
    "P2 = point 100, 100",
    "R1 = measure distance P1 P2",
    "K1 = path from end of L1 to + 0, 10 to + -5, 0 close",
)


def mended(b: Book, name: str, text: str) -> Book:
    step = b.find(name.lower())
    assert step is not None
    edit, _ = intents.mend(b, step.id, text)
    return b.edited(edit)[0]


def kinds_of(b: Book) -> list[str]:
    return ["drawn" if isinstance(b.values[i], StepResult) else b.values[i].kind for i in b.order]  # type: ignore[union-attr]


def test_change_reaches_all_that_hangs_on_it_and_nothing_else() -> None:
    before = book(*CHAIN)
    after = mended(before, "P1", "point 1, 2")
    assert {after.steps[i].name for i in after.changed} == {"P1", "L1", "C1", "R1", "K1"}
    assert figure(after, "C1").centre == type(figure(after, "P1"))(11.0, 7.0)
    assert after.values["s4"] is before.values["s4"]


def test_struck_step_lets_the_others_wait_and_they_recover() -> None:
    before = book(*CHAIN)
    struck, inverse = before.edited(Delete("s1"))
    assert kinds_of(struck) == ["unknown_name", "waits_for_last", "drawn", "unknown_name", "waits"]
    again, _ = struck.edited(inverse)
    assert (again.order, again.values) == (before.order, before.values)


def test_step_that_cannot_be_drawn_holds_its_reason() -> None:
    broken = book("a = 5", "C1 = circle centre 0,0 radius a", "P1 = point C1: 1, 0")
    edit, _ = intents.mend(broken, "s1", "a = -5")
    after, _ = broken.edited(edit)
    assert kinds_of(after) == ["drawn", "bad_radius", "waits"]
    assert kinds_of(mended(after, "a", "a = 2")) == ["drawn"] * 3


def test_relative_step_counts_from_the_nearest_place_before_it() -> None:
    b = book("point 0, 0", "point 50, 50", "point + 1, 1")
    without, _ = b.edited(Delete("s2"))
    assert (figure(without, "P3").x, figure(without, "P3").y) == (1.0, 1.0)
    off, _ = b.edited(Replace(replace(b.steps["s2"], off=True)))
    assert figure(off, "P3").x == 1.0
    moved, _ = b.edited(Move("s3", "s2"))
    assert figure(moved, "P3").x == 1.0


def test_step_cannot_move_before_what_it_needs() -> None:
    b = book("P1 = point 0, 0", "L1 = line from P1 to 5, 5")
    for id, in_front_of in (("s2", "s1"), ("s1", None)):
        with pytest.raises(Refused) as refused:
            intents.move(b, id, in_front_of)
        assert refused.value.problem.kind == "later_name"
        assert refused.value.problem.fields["chain"] == ["L1", "P1"]


def test_name_in_use_is_refused_with_one_that_is_free() -> None:
    b = book("P1 = point 0, 0")
    with pytest.raises(Refused) as refused:
        intents.write(b, "P1 = point 4, 4", "x")
    assert (refused.value.problem.kind, refused.value.problem.fields["free"]) == ("name_taken", "P2")


def test_dealt_name_is_not_one_that_a_waiting_step_hopes_for() -> None:
    b, _ = book("point 0, 0", "line from P1 to 5, 5").edited(Delete("s1"))
    edit, _ = intents.write(b, "point 7, 7", "x")
    assert isinstance(edit, Insert)
    assert edit.step.name == "P2"


# Whatever is done ---------------------------------------------------------------------------------------

TEXTS = [
    "point 1, 2",
    "point + 3, 4",
    "P1 = point 5, 5",
    "line from P1 to + 6, 1",
    "circle centre P1 radius 4",
    "circle centre + 2, 2 diameter P1.x",
    "path from C1 to + 4, 0 to + 0, 4 close",
    "measure distance P1 C1",
    "a = P1.x * 2",
    "point a, a",
    "line from 0, 0 to 0, 0",
]
ACTS = ["insert", "delete", "mend", "move", "off", "several"]
acts = st.lists(st.tuples(st.sampled_from(ACTS), st.integers(0, 30), st.sampled_from(TEXTS)), max_size=25)
"""What is done, where, and with which text: see `edit_for`."""


def edit_for(b: Book, act: str, at: int, text: str, id: str) -> Edit | None:
    """An edit that fits the book, or None where there is none; steps that wait are welcome."""
    if act == "insert" or not b.order:
        index = at % (len(b.order) + 1)
        step, _ = intents.tried(b, text, id, index)
        return Insert(step, (*b.order, None)[index])
    target = b.order[at % len(b.order)]
    match act:
        case "delete":
            return Delete(target)
        case "mend":
            return Replace(intents.mended(b, target, text)[0])
        case "move":
            return Move(target, (*b.order, None)[(at * 7) % (len(b.order) + 1)])
        case "off":
            return Replace(replace(b.steps[target], off=not b.steps[target].off))
        case _:
            first = next((one for one in b.order if one != target), None)
            return Several((Delete(target), Insert(Step(id, "", True, b.steps[target].statement, b.header.manner), first)))


@given(acts)
@settings(max_examples=150, deadline=None)
def test_incremental_is_full_and_inverse_is_before(acts: list[tuple[str, int, str]]) -> None:
    b = Book.new()
    for number, (act, at, text) in enumerate(acts):
        try:
            edit = edit_for(b, act, at, text, f"i{number}")
            after, inverse = b.edited(edit)  # type: ignore[arg-type]
        except Refused:
            continue
        full = Book.new(after.header, [after.steps[i] for i in after.order])
        assert after.values == full.values
        back, _ = after.edited(inverse)
        assert (back.order, back.steps, back.values) == (b.order, b.steps, b.values)
        b = after


def test_problem_of_every_step_has_a_place_in_its_text() -> None:
    b, _ = book(*CHAIN).edited(Delete("s1"))
    for id, value in b.values.items():
        if isinstance(value, Problem) and value.kind == "unknown_name":
            text = b.steps[id].statement.text
            assert text[value.start : value.end] == "P1"


def test_renaming_reaches_every_use_and_back() -> None:
    b = book("point 0, 0", "L1 = line from P1 to P1: 5, 5", "circle centre end of L1 radius P1.x + 2")
    edit, label = rename(b, "s1", "corner_post")
    after, inverse = b.edited(edit)
    assert label == "renaming P1 to corner_post"
    assert [after.steps[i].statement.text for i in after.order] == [
        "corner_post = point 0, 0",
        "L1 = line from corner_post to corner_post: 5, 5",
        "circle centre end of L1 radius corner_post.x + 2",
    ]
    assert [after.values[id] for id in after.order] == [b.values[id] for id in b.order]
    back, _ = after.edited(inverse)
    assert (back.steps, back.values) == (b.steps, b.values)
    for name, kind in (("L1", "name_taken"), ("circle", "bad_name"), ("N45E", "bad_name"), ("3x", "bad_name")):
        with pytest.raises(Refused) as refused:
            rename(b, "s1", name)
        assert refused.value.problem.kind == kind


@pytest.mark.parametrize(
    ("text", "new", "becomes"),
    [
        # The letters of the name stand in the word before it, too.
        ("pencil p = point 1, 2", "q", "pencil q = point 1, 2"),
        ("hidden e = line from 0, 0 to 3, 3", "edge_1", "hidden edge_1 = line from 0, 0 to 3, 3"),
        ("p=point 1, 2", "q", "q =point 1, 2"),
        # A symbol has its name behind its word, and what it holds has names of its own: renaming it was a fault.
        ("symbol s\n  a = line from 0, 0 to 3, 3\nend symbol", "post", "symbol post\n  a = line from 0, 0 to 3, 3\nend symbol"),
        ("symbol S9\n  point 0, 0\nend symbol", "Q", "symbol Q\n  point 0, 0\nend symbol"),
    ],
)
def test_renaming_changes_the_name_and_nothing_else(text: str, new: str, becomes: str) -> None:
    before = book(text)
    after, _ = before.edited(rename(before, before.order[0], new)[0])
    assert after.steps[after.order[0]].statement.text == becomes
    assert after.steps[after.order[0]].own == (new,)
