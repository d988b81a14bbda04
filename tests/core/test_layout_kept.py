"""What stands on a drawing after edits lies as it would if all were laid out from nothing, and what an edit does not reach is not
looked at again."""

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from kentrograph.core.book.book import Book
from kentrograph.core.desk.intents import flag, mend, strike, write
from kentrograph.core.sheet.at_table import layout_at_table
from kentrograph.core.sheet.layout import Layout

from .support import book

DRAWING = """
L1 = line from 0, 0 to 100, 0
L2 = line from 100, 0 to 100, 60
L3 = line from 0, 60 to 100, 60
L4 = line from 0, 0 to 0, 60
C1 = circle centre 30, 30 radius 8
C2 = circle centre 70, 30 radius 5
L5 = line from 20, 10 to 40, 10
"""
SAID = (
    "dimension across start of L1; end of L1",
    "dimension up start of L2; end of L2",
    "dimension C1",
    "dimension across start of L1; centre of C1; centre of C2 chain",
    "dimension radius C2",
    "dimension L5",
    'note C2 says "ream"',
    "axes C1 C2",
    "dimension place centre of C2",
)
number = st.integers(-40, 140)
edits = st.lists(
    st.one_of(
        st.tuples(st.just("mend"), st.sampled_from(["L1", "L2", "L5"]), number, number, number, number),
        st.tuples(st.just("round"), st.sampled_from(["C1", "C2"]), number, number, st.integers(1, 30)),
        st.tuples(st.just("write"), number, number, number, number),
        st.tuples(st.just("say"), st.sampled_from(SAID)),
        st.tuples(st.just("strike"), st.integers(0, 30)),
        st.tuples(st.just("hide"), st.integers(0, 30)),
    ),
    min_size=1,
    max_size=6,
)


def named(known: Book, name: str) -> str:
    return next(id for id, step in known.steps.items() if step.name == name)


def edited(known: Book, edit: tuple, number: int) -> Book:
    """The book after one such edit; as it was where that changes nothing."""
    ids = list(known.order)
    match edit:
        case ("mend", name, a, b, c, d):
            change = mend(
                known, next((i for i in ids if known.steps[i].name == name), ""), f"line from {a}, {b} to {c}, {d + 0.5}"
            )
        case ("round", name, x, y, r):
            change = mend(known, named(known, name), f"circle centre {x}, {y} radius {r}")
        case ("write", a, b, c, d):
            change = write(known, f"line from {a}, {b} to {c}, {d + 0.5}", f"more{number}")
        case ("say", said):
            change = write(known, said, f"more{number}")
        case ("strike", n):
            change = strike(known, ids[n % len(ids)])
        case ("hide", n):
            id = ids[n % len(ids)]
            change = flag(known, id, "hidden", not known.steps[id].hidden)
        case _:
            raise AssertionError(edit)
    return known.edited(change[0])[0]


def from_nothing(known: Book) -> Layout:
    known.kept.clear()
    known.shared.clear()
    return layout_at_table(known)


@settings(max_examples=60, deadline=None, suppress_health_check=list(HealthCheck))
@given(st.lists(st.sampled_from(SAID), min_size=2, unique=True), edits)
def test_after_edits_all_lies_as_if_laid_out_from_nothing(said: list[str], changes: list[tuple]) -> None:
    known = book(DRAWING + "\n".join(said) + "\nsheet a3\nview scale 1:1")
    layout_at_table(known)
    for number, change in enumerate(changes):
        if change[0] in ("mend", "round") and change[1] not in {step.name for step in known.steps.values()}:
            continue
        if not list(known.order):
            return
        known = edited(known, change, number)
        layout_at_table(known)
    now = layout_at_table(known)
    again = from_nothing(known)
    assert now.laid == again.laid
    assert now.marks() == again.marks()


def test_what_an_edit_does_not_reach_is_not_laid_again(monkeypatch: pytest.MonkeyPatch) -> None:
    known = book(DRAWING + "dimension C1\ndimension C2\ndimension L5\nsheet a3\nview scale 1:1")
    layout_at_table(known)
    laid: list[str] = []
    add = Layout.add
    monkeypatch.setattr(Layout, "add", lambda self, id, *rest: laid.append(id) or add(self, id, *rest))
    after = edited(known, ("round", "C2", 71, 30, 5), 0)
    layout_at_table(after)
    assert [after.steps[id].statement.text for id in laid] == ["dimension C2"]
