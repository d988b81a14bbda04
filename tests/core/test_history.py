"""What the log says is what was; what is compared is what differs; what is brought back is what it was."""

from random import Random

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.edits import Several
from kentrograph.core.desk.comparing import bring_back, compared
from kentrograph.core.language.codec import edit_data, header_data, step_data
from kentrograph.core.language.replay import Replayed
from kentrograph.core.problem import Refused
from kentrograph.exchange.comparison import comparison, state_picture

from .support import book
from .test_round_trip import some_edit


def data(one: Book) -> tuple[object, list[object]]:
    return header_data(one.header), [step_data(one.steps[id]) for id in one.order]


def replayed(one: Book) -> Replayed:
    header, steps = data(one)
    return Replayed(header, list(steps))  # type: ignore[arg-type]


def said(found: Replayed) -> tuple[object, list[object]]:
    return found.header, [found.steps[id] for id in found.order]


def states(seed: int, count: int = 30) -> tuple[list[Book], list[object], list[object]]:
    """Books one after the other, with the edits between them and their inverses, as data."""
    dice, made = Random(seed), [Book.new()]
    edits: list[object] = []
    inverses: list[object] = []
    for number in range(count):
        try:
            after, inverse = made[-1].edited(edit := some_edit(dice, made[-1], number))
        except Refused:
            continue
        edits.append(edit_data(edit))
        inverses.append(edit_data(inverse))
        made.append(after)
    return made, edits, inverses


@pytest.mark.parametrize("seed", range(40))
def test_the_log_replayed_either_way_is_what_was(seed: int) -> None:
    made, edits, inverses = states(seed)
    on, back = replayed(made[0]), replayed(made[-1])
    for number, edit in enumerate(edits):
        on.edited(edit)  # type: ignore[arg-type]
        assert said(on) == data(made[number + 1]), (seed, number)
    for number, edit in reversed(list(enumerate(inverses))):
        back.edited(edit)  # type: ignore[arg-type]
        assert said(back) == data(made[number]), (seed, number)
    assert Book.new(*on.read()).values == made[-1].evaluated_anew().values


@pytest.mark.parametrize("seed", range(40))
def test_any_state_is_brought_back_as_one_change_that_can_be_undone(seed: int) -> None:
    made, _, _ = states(seed)
    newest, dice = made[-1], Random(seed)
    for old in dice.sample(made, min(6, len(made))):
        header, steps = replayed(old).read()
        if data(old) == data(newest):
            with pytest.raises(Refused, match="same_state"):
                bring_back(newest, header, steps)
            continue
        again, inverse = newest.edited(bring_back(newest, header, steps))
        assert data(again) == data(old)
        assert again.values == Book.new(header, steps).values
        assert data(again.edited(inverse)[0]) == data(newest)


@pytest.mark.parametrize("seed", range(40))
def test_what_is_said_to_differ_is_what_differs(seed: int) -> None:
    made, _, _ = states(seed)
    before, after = made[len(made) // 2], made[-1]
    found = {one.id: one.what for one in compared(before, after)}
    for id in {*before.order, *after.order}:
        if id not in before.order:
            assert found.pop(id) == "came"
        elif id not in after.order:
            assert found.pop(id) == "went"
        elif before.steps[id] != after.steps[id] or before.values[id] != after.values[id]:
            # Another name, or a manner written otherwise, shows in nothing but what it holds.
            found.pop(id, None)
        else:
            assert found.pop(id, "moved") == "moved"
    assert set(found) <= {""}
    assert compared(after, after) == []
    assert (comparison(before, after, compared(before, after)) == "") == (state_picture(before) == state_picture(after) == "")


def test_as_few_as_possible_are_moved() -> None:
    one = book(*(f"point {n}, 0" for n in range(8)))
    ids = list(one.order)
    steps = [one.steps[id] for id in (*ids[1:], ids[0])]
    edit = bring_back(one, one.header, steps)
    assert isinstance(edit, Several)
    assert len(edit.edits) == 1


def test_what_follows_says_so() -> None:
    before = book("P1 = point 0, 0", "circle centre P1 radius 5", "point 9, 9")
    after = book("P1 = point 1, 0", "circle centre P1 radius 5", "point 9, 9")
    assert [(one.name, one.what) for one in compared(before, after)] == [("P1", "changed"), ("C1", "followed")]
    picture = comparison(before, after, compared(before, after))
    assert picture.count("stroke-dasharray") == 2
