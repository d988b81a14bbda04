"""Somebody at the table, without a browser: one hand and one book. What is done is what the last look named, and nothing else."""

from dataclasses import dataclass, field, replace
from typing import Any

from kentrograph.core.book.book import Book
from kentrograph.core.book.values import Reading, StepResult
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.interpretation import given_texts, given_values
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.outcomes import Outcome
from kentrograph.core.desk.view_types import LineView
from kentrograph.core.desk.views import previewed
from kentrograph.core.problem import Refused


def close(one: Any, other: Any) -> bool:
    """The same figure, but for what a side word instead of an index may change in the last digits."""
    if isinstance(one, dict):
        return isinstance(other, dict) and one.keys() == other.keys() and all(close(one[k], other[k]) for k in one)
    if isinstance(one, list | tuple):
        return len(one) == len(other) and all(close(a, b) for a, b in zip(one, other, strict=True))
    if isinstance(one, float):
        return abs(one - other) <= 1e-9 * (1.0 + abs(one))
    return bool(one == other)


@dataclass
class Table:
    """A book, what is in hand, and what was done: each with the look that it was taken from."""

    book: Book
    hand: Hand = field(default_factory=Hand)
    before: list[Book] = field(default_factory=list)
    done: list[str] = field(default_factory=list)
    """What was done so far, in words: how to come to a failure again."""
    count: int = 0

    def look(self) -> LineView:
        """What is painted now."""
        return look(self.book, self.hand)

    def holds(self, **what: Any) -> None:
        """Something else is in hand."""
        self.hand = replace(self.hand, **what)
        self.done.append(f"{what}")

    def enter(self) -> None:
        """Enter."""
        view = self.look()
        self._do(view, view.enter, "enter")

    def click(self) -> None:
        """A click, or letting go."""
        view = self.look()
        if view.click is not None:
            self._do(view, view.click, "click")
        self.hand = replace(self.hand, drag=None, carry=None, pull=None, stroke=(), choice=None)

    def escape(self) -> None:
        """First what is typed, then what is begun."""
        if self.hand.mend is not None:
            self._let_go()
        elif self.hand.text:
            self.holds(text="")
        else:
            view = self.look()
            self._do(view, view.leave, "leave")
            self.hand = replace(self.hand, draft=None, selected=())

    def undo(self) -> None:
        """Takes the last change back."""
        if self.before:
            self.book = self.before.pop()
            self.done.append("undo")

    def mends(self, id: str) -> None:
        """Opens a step, with its last given in the row."""
        self.hand = Hand(id=self.hand.id, pointer=self.hand.pointer, mend=id)
        draft = self.look().enter.draft
        if draft is None:
            self.holds(text=self.book.steps[id].statement.text)
        elif draft.rows:
            self.holds(draft=replace(draft, rows=draft.rows[:-1], clicks=()), text=draft.rows[-1], opened=True)

    def _let_go(self) -> None:
        self.hand = Hand(id=self.hand.id, pointer=self.hand.pointer)

    def _do(self, view: LineView, outcome: Outcome, key: str) -> None:
        self.done.append(f"{key}: {outcome.do} {outcome.statement or outcome.act or ''}")
        if outcome.do == "select":
            self.hand = replace(self.hand, selected=(outcome.figure,) if outcome.figure else ())
            return
        if outcome.act is not None:
            self._changes(view, outcome, key)
        mended = self.hand.mend is not None and outcome.do == "write"
        if mended:
            self._let_go()
        elif outcome.do != "nothing":
            text = outcome.statement if outcome.do == "type" else ""
            self.hand = replace(self.hand, draft=outcome.draft, text=text, opened=False)

    def _changes(self, view: LineView, outcome: Outcome, key: str) -> None:
        """Does an act; what it comes to has to be what was shown."""
        assert outcome.act is not None
        try:
            edit, _ = outcome.act.edit(self.book)
        except Refused as refused:
            raise AssertionError(f"offered, and then refused: {outcome.statement}: {refused}\n{self.story()}") from None
        before, after = self.book, self.book.edited(edit)[0]
        self._check(view, outcome, key, after)
        self.before.append(before)
        self.book = after
        self.count += 1
        self.hand = replace(self.hand, id=f"h{self.count}")

    def _check(self, view: LineView, outcome: Outcome, key: str, after: Book) -> None:
        made = self.hand.mend or (self.hand.id if self.hand.id in after.steps else None)
        if made is None or outcome.do != "write":
            return
        value, step = after.values[made], after.steps[made]
        own = next((one for one in view.follows if one.id == made), None)
        assert outcome.statement == "" or outcome.statement in step.statement.text, self.story()
        if not isinstance(value, StepResult):
            # A step that is mended may go on waiting.
            assert self.hand.mend is not None, self.story()
            return
        shown = own.figure if own is not None else view.preview if self._is_of(view, key) else None
        if shown is not None and shown["kind"] != "paper":
            assert close(shown, previewed(after, value, step, made)), (shown, self.story())
        if isinstance(value.figure, Reading) and view.reading is not None and self._is_of(view, key):
            assert view.reading.exact == value.figure.value, self.story()
        if self.hand.mend is None and key == "enter" and view.name and view.enter.draft is not None:
            assert view.name == step.name, self.story()
        if self.hand.mend is None and key == "enter" and step.statement.kind not in ("measure", "number"):
            echoed = dict(zip(given_texts(step.statement), given_values(after, step, after.position(made)), strict=True))
            for row in view.rows:
                assert row.value == echoed.get(row.text, row.value), (row, self.story())

    def _is_of(self, view: LineView, key: str) -> bool:
        """Whether what is previewed is what this key does: with rows that a click could state it is the click's."""
        return key == "click" or not view.picks

    def story(self) -> str:
        """All that was done."""
        return "\n".join(self.done[-12:])
