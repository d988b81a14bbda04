"""Acts of the table, all of them, at random on whole drawings: each does what it says or says why not, and whatever was done can
be kept, read again and taken back to the last digit.

``pytest tests/core/test_acts_at_random.py --acts 20000`` seeks longer.
"""

from dataclasses import replace
from random import Random
from typing import Any

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.edits import Edit
from kentrograph.core.book.scene import all_seen
from kentrograph.core.desk.acts import Act
from kentrograph.core.desk.clipboard import copied
from kentrograph.core.desk.comparing import bring_back, compared
from kentrograph.core.desk.finding_views import loose_view
from kentrograph.core.desk.view_types import StepView
from kentrograph.core.desk.views import step_view
from kentrograph.core.language.messages import sentence
from kentrograph.core.language.naming import edited_in_full
from kentrograph.core.language.script import book_of, read_script, write_script
from kentrograph.core.problem import Refused
from kentrograph.core.replica.asked import from_data
from kentrograph.core.replica.differing import difference
from tools.examples import DRAWING

from ..conftest import ROOT
from .support import book
from .test_round_trip import same, stored_and_loaded, through_json, worth

DRAWINGS = {
    **{file.stem: file.read_text() for file in sorted((ROOT / "demo").glob("*.kent"))},
    "examples": "\n".join(DRAWING),
}
AT_ONCE = 12
"""Acts of one sequence."""


def figures(b: Book) -> list[str]:
    return [id for id in (*b.order, *(f"{id}.1" for id in b.order)) if b.figure_of(id) is not None]


def texts(b: Book) -> list[str]:
    return [step.statement.text for step in b.steps.values()]


def drawn(dice: Random, some: list[str]) -> list[str]:
    return dice.sample(some, min(len(some), dice.randint(1, 3)))


WORDS = (
    "write", "write_all", "mend", "strike", "take_away", "settle", "paste", "make_symbol", "move", "rename", "flag", "set_out",
    "turn_into", "restate",
)  # fmt: skip


def said_in(dice: Random, b: Book, word: str) -> dict[str, Any]:
    """What the message of an act says besides its word and its id. Raises `Refused` where there is nothing to copy."""
    step, place, some = dice.choice(b.order), dice.choice((*b.order, None)), drawn(dice, figures(b))
    match word:
        case "write":
            return {"text": dice.choice(texts(b)), "in_front_of": place, "pen": dice.choice(("ink", "pencil"))}
        case "write_all":
            return {"entries": [{"text": text} for text in drawn(dice, texts(b))], "in_front_of": place}
        case "mend":
            return {"id": step, "text": dice.choice(texts(b))}
        case "strike":
            return {"id": step, "others": drawn(dice, list(b.order))}
        case "settle":
            return {"findings": [one.key for one in loose_view(b, 1.0).findings][:3], "limit": 1.0}
        case "paste":
            return {"text": copied(b, some, None)[0], "x": dice.uniform(-9.0, 9.0), "y": 1.5, "in_front_of": place}
        case "make_symbol":
            return {"name": f"S{dice.randint(1, 9)}", "figures": some}
        case "move":
            return {"id": step, "in_front_of": place}
        case "rename":
            return {"id": step, "name": dice.choice(("a", "Peg", "X Y", "edge", *(s.name for s in b.steps.values())))}
        case "flag":
            return {"id": step, "others": drawn(dice, list(b.order)), dice.choice(("hidden", "off")): dice.random() < 0.5}
        case "turn_into":
            return {"step": step}
        case "restate":
            return {"id": step, "word": dice.choice(("at", "radius", "title")), "said": dice.choice(("", "3", "P1", '"A"'))}
        case _:
            return {"figures": some}


def shown(b: Book, id: str) -> StepView:
    """A step as it is shown, but for what might be meant by a name that nothing has: that hangs on all names of the drawing."""
    view = step_view(b, id)
    problem = view.problem and replace(view.problem, message="", suggestion=None, suggested=None)
    return replace(view, problem=problem)


def done(dice: Random, b: Book, said: list[Any], told: list[str]) -> tuple[Book, list[tuple[Book, Edit]]]:
    """A drawing after some acts, and what takes each of them back; what was ``said``, and ``told`` where it was refused."""
    back: list[tuple[Book, Edit]] = []
    for number in range(AT_ONCE):
        word = dice.choice(WORDS)
        try:
            said.append(data := {"do": word, "id": f"r{number}", **said_in(dice, b, word)})
            act = from_data(Act, data)
            after, _, inverse = edited_in_full(b, through_json(act.edit(b)[0]))
        except Refused as refused:
            told.append(sentence(refused.problem))
            continue
        # What is worked out, laid out and found by and by is what a restart works out.
        fresh = stored_and_loaded(after)
        same(fresh, after)
        assert list(all_seen(after)) == list(all_seen(fresh))
        assert [step_view(after, id) for id in after.order] == [step_view(fresh, id) for id in after.order]
        assert loose_view(after) == loose_view(fresh)
        # Who has the drawing as it stood needs no more than what differs to show it as it stands.
        differs = difference(after, b)
        there = [id for id in after.order if id not in differs.steps]
        assert [shown(after, id) for id in there] == [shown(b, id) for id in there]
        back.append((b, inverse))
        b = after
    return b, back


@pytest.mark.parametrize("name", DRAWINGS)
def test_any_act_can_be_kept_read_again_and_taken_back(name: str, request: pytest.FixtureRequest) -> None:
    begun, dice, told, good = book(*DRAWINGS[name].splitlines()), Random(name), list[str](), 0
    for _ in range(int(request.config.getoption("--acts")) // AT_ONCE // len(DRAWINGS)):
        said: list[Any] = []
        try:
            b, back = done(dice, begun, said, told)
            good += len(back)
            if not any(step.off or step.hidden for step in b.steps.values()):
                again = book_of(read_script(write_script(b)))
                assert [again.steps[id].name for id in again.order] == [b.steps[id].name for id in b.order]
                assert [worth(again.values[i]) for i in again.order] == [worth(b.values[i]) for i in b.order]
            if compared(b, begun):
                whole, _, _ = edited_in_full(b, bring_back(b, begun.header, [begun.steps[id] for id in begun.order]))
                assert not compared(whole, begun)
            for before, inverse in reversed(back):
                b, _ = b.edited(through_json(inverse))
                same(b, before)
        except Exception as error:
            error.add_note("\n".join(map(str, said)))
            raise
    assert all(told)
    assert good > len(told) / 4, "most of what is tried is refused: nothing is tried"
