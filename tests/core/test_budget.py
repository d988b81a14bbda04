"""What takes too long is cut short as a whole: no step holds it, and what was kept meanwhile can be let go."""

from time import monotonic

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.kinds import ALL
from kentrograph.core.budget import OverBudget, current, unlimited, watch, within
from kentrograph.core.desk import intents
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.line_views import cut_short, look
from kentrograph.core.desk.pointer import Pointer, Snapping
from kentrograph.core.problem import Refused

from .support import book

CHAIN = "path from 0,0 " + " ".join(f"to {n}, {n * 7919 % 101}" for n in range(1, 40))
SOME = (
    "P1 = point 1, 2",
    "C1 = circle centre P1 radius 5",
    f"K1 = {CHAIN}",
    "L1 = line from P1 to 40, 5",
    "R1 = measure distance P1 L1",
)
HEAVY = ("outline at 5, 20", "offset K1 by 0.5", "ink K1", "measure gap K1 C1", "trim L1", "circle touching C1 L1 radius 3")
EXAMPLES = [text for kind in ALL.values() for text, _ in kind.examples]


def test_without_a_budget_nothing_is_cut_short() -> None:
    assert current() is None
    watch()
    with within(-1.0, 1.0):
        with pytest.raises(OverBudget):
            watch()
        with unlimited():
            watch()
    watch()


def test_a_step_has_a_budget_of_its_own_within_the_whole() -> None:
    with within(1000.0, -1.0):
        watch()
        budget = current()
        assert budget is not None
        with pytest.raises(OverBudget), budget.one_step():
            pass
        watch()


@pytest.mark.parametrize("text", [*HEAVY, *EXAMPLES])
def test_what_is_cut_short_is_held_by_nothing(text: str) -> None:
    before = book(*SOME)
    values = dict(before.values)
    with within(-1.0, -1.0):
        try:
            edit, _ = intents.write(before, text, "new")
            after, _ = before.edited(edit)
        except (OverBudget, Refused):
            after = None
    # Either it was never worked out, or it needed no working out (a header, a text that cannot be read).
    assert after is None or "new" not in after.values or not hasattr(after.values["new"], "figure")
    assert dict(before.values) == values


def drawn(one: Book, text: str) -> object:
    try:
        edit, _ = intents.write(one, text, "new")
        return one.edited(edit)[0].values.get("new")
    except Refused as refused:
        return refused.problem


@pytest.mark.parametrize("moments", range(1, 120, 7))
def test_wherever_it_is_cut_what_is_kept_can_be_let_go(moments: int, monkeypatch: pytest.MonkeyPatch) -> None:
    """The clock runs out after so many looks at it: afterwards everything is answered as by a book that never was cut."""
    cut, fresh = book(*SOME), book(*SOME)
    pointer = Pointer(3.0, 4.0, 2.0, 0.1, False, False, 0.0, Snapping(frozenset(), 3, 0.0, 0.0, 0.0, (), False), ())
    asked = [Hand(text=text, pointer=pointer) for text in HEAVY]
    for at in asked:
        looks = iter(range(moments))
        monkeypatch.setattr("kentrograph.core.budget.monotonic", lambda left=looks: 0.0 if next(left, None) is not None else 1e9)
        try:
            with within(1.0, 1.0):
                look(cut, at)
        except OverBudget:
            cut.shared.clear()
            cut.kept.clear()
        monkeypatch.setattr("kentrograph.core.budget.monotonic", monotonic)
    for at in asked:
        assert look(cut, at) == look(fresh, at)
        assert drawn(cut, at.text) == drawn(fresh, at.text)


def test_what_was_cut_short_says_so_where_it_was_typed() -> None:
    view = cut_short(book(*SOME), Hand(text="outline at 5, 5"), 1.5)
    assert view.problem is not None
    assert (view.problem.kind, view.problem.start, view.problem.end) == ("over_budget", 0, 15)
    assert "longer than 1.5 s" in view.problem.message
    assert view.enter.do == "nothing"
