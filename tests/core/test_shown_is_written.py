"""What is previewed, what the rows echo and what is written are one reading.

For every kind a figure is given as a hand does it: by clicks at random places, by typing rows of its examples in any order, with
picks and solutions stepped through, at the end of the book, in front of a step, and while a step is mended. At every look the
open line must show what a click or Enter then does. *Common practice*: nobody checks again what was seen.
"""

import re
from dataclasses import replace
from random import Random
from typing import Any

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.kinds import ALL
from kentrograph.core.book.values import Reading, StepResult
from kentrograph.core.desk import intents
from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.interpretation import given_texts, given_values
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.outcomes import Outcome
from kentrograph.core.desk.pointer import Pointer, Snapping
from kentrograph.core.desk.show_working import working_of
from kentrograph.core.desk.trying import tried
from kentrograph.core.desk.view_types import LineView
from kentrograph.core.desk.views import together
from kentrograph.core.language.script import read
from kentrograph.core.problem import Refused
from tools.examples import DRAWING

from .hands import close
from .support import book

KINDS = [
    *(word for word, kind in ALL.items() if kind.group in ("place", "shape", "carry")),
    "measure distance",
    "measure angle",
    "measure gap",
]
EXAMPLES = [(kind.word, text) for kind in ALL.values() for text, _ in kind.examples if kind.group in ("place", "shape", "carry")]
SNAPPINGS = (Snapping(), Snapping(), Snapping(turn=15.0), Snapping(step=5.0), Snapping(grid=10.0))
RELATIVE = ("+ 6, 0", "+ 0, 9", "+ 12 at 30", "+ 7")


@pytest.fixture(scope="module")
def drawing() -> Book:
    # With sets, a symbol, and a step of which several figures come.
    more = ("S8 = repeat C4 3 times step 9, 3", "place boss at 60, 46", "L18 = trim L3 from 30, 20 to 40, 20")
    return book("decimals 9", *DRAWING, *more)


def pointer(dice: Random) -> Pointer:
    """Somewhere over the drawing, more often than not at something."""
    x, y = dice.choice(((10.0, 10.0), (55.0, 15.0), (40.0, 10.0), (25.0, 30.0), (60.0, 40.0)))
    return Pointer(
        x + dice.uniform(-15, 15), y + dice.uniform(-15, 15), dice.choice((0.5, 3.0)), 0.1,
        level=dice.random() < 0.15, swing=dice.random() < 0.15, turned=dice.uniform(-200, 200), snapping=dice.choice(SNAPPINGS),
    )  # fmt: skip


def written(b: Book, statement: str, at: Hand) -> Any:
    """What a statement comes to in the book: the figure of the step as data, or the reading."""
    edit, _ = intents.write(b, statement, "new", at.in_front_of)
    after, _ = b.edited(edit)
    return worth(after, "new")


def worth(b: Book, id: str) -> Any:
    value = b.values[id]
    assert isinstance(value, StepResult), value
    if isinstance(value.figure, Reading | float):
        return value.figure
    return together(value.results)


def check_rows(b: Book, view: LineView, at: Hand) -> None:
    """The values that the rows echo are those of the step that stands."""
    statement = view.enter.statement
    if view.enter.do != "write" or not statement or at.mend:
        return
    edit, _ = intents.write(b, statement, "new", at.in_front_of)
    after, _ = b.edited(edit)
    step = after.steps["new"]
    if step.statement.kind in ("measure", "number"):
        return
    echoed = dict(zip(given_texts(step.statement), given_values(after, step, after.position("new")), strict=True))
    for row in view.rows:
        if row.text in echoed:
            assert row.value == echoed[row.text], (statement, row)


RELATIVE_ROW = re.compile(r"^(\w+(?: \w+)?) \+")


def as_echoed(b: Book, text: str, index: int) -> str | None:
    """The statement with the places that its rows echo instead of relative ones that were typed; None where there are none."""
    step, value = tried(b, text, "new", index)
    if not isinstance(value, StepResult):
        return None
    texts, values = given_texts(step.statement), given_values(b, step, index)
    rows: list[str] = []
    for given, row, echo in zip(step.statement.givens, texts, values, strict=True):
        found = RELATIVE_ROW.match(row)
        rows.append(" ".join((found[1], echo, *given.sides)) if found and echo and len(given.arguments) == 1 else row)
    return f"{step.statement.kind} {' '.join(rows)}" if rows != texts else None


def check_echo(b: Book, statement: str, at: Hand) -> None:
    """Whoever types what the rows echo gets the same figure: the place beside a relative one is the place that is meant."""
    index = b.index_before(at.in_front_of)
    plain = as_echoed(b, statement, index)
    if plain is None:
        return
    one, other = (tried(b, text, "new", index)[1] for text in (statement, plain))
    assert isinstance(one, StepResult)
    assert isinstance(other, StepResult), (statement, plain, other)
    assert roughly(together(one.results), together(other.results)), (statement, plain)


def roughly(one: Any, other: Any) -> bool:
    """The same as far as the digits go that are shown."""
    if isinstance(one, dict):
        return isinstance(other, dict) and one.keys() == other.keys() and all(roughly(one[k], other[k]) for k in one)
    if isinstance(one, list | tuple):
        return len(one) == len(other) and all(roughly(a, b) for a, b in zip(one, other, strict=True))
    return abs(one - other) <= 1e-4 * (1.0 + abs(one)) if isinstance(one, float) else bool(one == other)


def check_does(b: Book, what: Outcome, view: LineView, at: Hand) -> None:
    """What Enter or a click does is what is shown."""
    if what.do != "write" or not what.statement:
        return
    try:
        found = written(b, what.statement, at)
    except Refused as refused:
        raise AssertionError(f"offered, and then refused: {what.statement}: {refused}") from None
    if view.preview is not None:
        assert close(view.preview, found), (what.statement, view.preview, found)
        check_echo(b, what.statement, at)


def seen(b: Book, at: Hand) -> LineView:
    view = look(b, at)
    check_rows(b, view, at)
    # With the pointer at work the preview is that of the click; Enter writes what stands.
    if view.click is not None:
        check_does(b, view.click, view, at)
        standing = look(b, replace(at, pointer=None, choice=None))
        check_does(b, standing.enter, standing, at)
    else:
        check_does(b, view.enter, view, at)
    return view


@pytest.mark.parametrize("kind", KINDS)
@pytest.mark.parametrize("seed", range(12))
def test_by_clicks(drawing: Book, kind: str, seed: int) -> None:
    dice = Random(f"{kind} {seed}")
    in_front_of = dice.choice((None, None, drawing.order[-3]))
    draft = Draft(kind)
    for _ in range(6):
        at = Hand(
            draft=draft,
            pointer=pointer(dice),
            aimed=dice.random() < 0.8,
            choice=dice.choice((None, None, 1, 2)),
            in_front_of=in_front_of,
        )
        view = seen(drawing, at)
        if view.click is None or view.click.draft is None:
            continue
        if view.click.do == "given":
            # Once it is stated, what was shown stands there without the pointer.
            after = seen(drawing, Hand(draft=view.click.draft, in_front_of=in_front_of))
            if view.preview is not None and after.preview is not None and len(after.solutions) < 2:
                assert close(view.preview, after.preview), (draft, view.click.draft)
        draft = view.click.draft
        if view.click.do == "write":
            return


@pytest.mark.parametrize(("kind", "text"), EXAMPLES)
def test_by_typing_row_by_row_in_any_order(drawing: Book, kind: str, text: str) -> None:
    dice = Random(text)
    rows = given_texts(read(text).settled(lambda name: drawing.kind_at(name, len(drawing.order))))
    for turn in range(4):
        if turn and kind != "path":
            dice.shuffle(rows)
        draft = Draft(kind)
        for row in rows:
            at = Hand(draft=draft, text=row, pointer=pointer(dice) if turn % 2 else None)
            view = seen(drawing, at)
            if view.enter.draft is None or view.enter.do == "nothing":
                break
            draft = view.enter.draft
        stands = seen(drawing, Hand(draft=draft))
        if len(draft.rows) == len(rows) and stands.enter.do == "write":
            # Typed whole, at once, it is the same figure.
            assert close(written(drawing, draft.text(), Hand()), stands.preview or written(drawing, draft.text(), Hand()))


@pytest.mark.parametrize("kind", [k for k in KINDS if not ALL.get(k, ALL["measure"]).shapes])
@pytest.mark.parametrize("seed", range(8))
def test_relative_places_in_any_given(drawing: Book, kind: str, seed: int) -> None:
    """A `+` counts from the place given before it in the same figure, whatever given it stands in and however it came there."""
    dice = Random(f"+ {kind} {seed}")
    draft = Draft(kind)
    for _ in range(4):
        typed = dice.choice((*RELATIVE, "12, 7", "P1", "8", ""))
        given = dice.choice([g.word for g in ALL[kind.split()[0]].givens if g.takes in ("place", "places")] or [""])
        text = f"{given} {typed}".strip() if dice.random() < 0.6 and given != "place" else typed
        view = seen(drawing, Hand(draft=draft, text=text, pointer=pointer(dice)))
        if view.enter.draft is not None and view.enter.do in ("given", "write"):
            draft = view.enter.draft


@pytest.mark.parametrize(("kind", "text"), EXAMPLES)
def test_while_a_step_is_mended(drawing: Book, kind: str, text: str) -> None:
    """What a mended step would become, among all that follows, is what it becomes."""
    edit, _ = intents.write(drawing, text, "mended")
    b, _ = drawing.edited(edit)
    dice = Random(f"mend {text}")
    opened = look(b, Hand(mend="mended"))
    draft = opened.enter.draft
    if draft is None:
        return
    for number in range(len(draft.rows)):
        taken = Draft(draft.kind, tuple(r for n, r in enumerate(draft.rows) if n != number), at=number)
        for at in (
            Hand(mend="mended", draft=taken, text=draft.rows[number]),
            Hand(mend="mended", draft=taken, pointer=pointer(dice), aimed=True),
        ):
            view = look(b, at)
            does = view.click or view.enter
            own = next((f for f in view.follows if f.id == "mended"), None)
            if not does.statement or own is None or own.figure is None:
                continue
            mended, _ = intents.mend(b, "mended", does.statement)
            after, _ = b.edited(mended)
            assert close(own.figure, worth(after, "mended")), (does.statement, own.figure)
            for one in view.follows:
                value = after.values[one.id]
                assert (one.problem is None) == isinstance(value, StepResult)


def test_rows_before_an_unknown_name_are_echoed_all_the_same() -> None:
    b = book("point 5, 5")
    step, _ = tried(b, "circle centre + 4, 0 radius nowhere", "n", 1)
    assert given_values(b, step, 1) == ["9.000, 5.000", ""]


def test_working_of_a_relative_place_within_another() -> None:
    b = book("point 5, 5", "L1 = line from 0, 0 to 40, 0", "point foot of + 4, 7 on L1")
    assert working_of(b, b.order[-1]) is not None
