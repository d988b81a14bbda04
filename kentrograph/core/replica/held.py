"""The book of the open drawing, held beside the drafter: it follows what the server has written, and answers what is looked at.

All that comes in and goes out is JSON (RFC 8259), so that the page hands it on as it is.
"""

import gc
import json
from collections.abc import Callable
from dataclasses import dataclass, fields, is_dataclass
from typing import Any

from ..book.book import Book
from ..book.caches import forget
from ..book.index import index_of
from ..budget import OverBudget, within
from ..desk.acts import Act
from ..desk.hand import Hand
from ..desk.view_types import HeaderView, StepView
from ..desk.views import before_view, step_view, values_view, ways_view, working_view
from ..language.codec import edit_from, header_data
from ..language.messages import sentence
from ..language.packed import book_from
from ..problem import Refused, refusal
from .answers import read_within
from .asked import from_data
from .differing import Placed, difference

ACT_SECONDS = 5.0
"""For one act that is done ahead of the server."""


@dataclass(frozen=True, slots=True)
class RefusedAct:
    """An act that cannot be done now, by its number among those that wait, and why."""

    number: int
    message: str
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class AheadView:
    """What differs once what waits is done: as `BookView` says it."""

    refused: list[RefusedAct]
    own: list[list[str]]
    """For each of the acts the steps that it is about."""
    header: HeaderView
    whole: bool
    gone: list[str]
    placed: list[Placed]
    undo: str | None
    last: list[float]
    steps: list[StepView]


class Held:
    """A drawing as it stood at a revision, and what became of it since.

    While the server cannot be reached the drafter goes on: what they do waits, and stands on top of what is kept. It is true
    once the server has it, and not before.
    """

    def __init__(self) -> None:
        self.revision = -1
        self.kept = Book.new()
        """As the server has it."""
        self.book = self.kept
        """With what waits: what is read."""

    def open(self, source: str) -> int:
        """Takes all steps of a drawing (`language.packed`), and what was done since; the revision to which that leads."""
        # A book is made of many small objects that form no rings: the collector would look through them again and again, and
        # need never look at them later (CPython, `gc.freeze`).
        gc.disable()
        try:
            said = json.loads(source)
            self.kept = book_from(said)
            for edit in said["edits"]:
                self.kept, _ = self.kept.edited(edit_from(edit))
            # Made here, and not by the first reading, which is to be quick.
            index_of(self.kept)
        finally:
            gc.freeze()
            gc.enable()
        self.book, self.revision = self.kept, said["revision"]
        return self.revision

    def follow(self, since: int, revision: int, edits: str) -> bool:
        """Does what was done between two revisions. False where it has not come to the first of them: it is to be opened anew."""
        if revision <= self.revision:
            return True
        if since != self.revision:
            return False
        for edit in json.loads(edits):
            self.kept, _ = self.kept.edited(edit_from(edit))
        self.book, self.revision = self.kept, revision
        return True

    def look(self, what: str, asked: str) -> str:
        """What a step has to show: its working, what it works on, its values, the ways to another value; or why not."""
        try:
            with within(ACT_SECONDS, ACT_SECONDS):
                return told(_LOOKS[what](self.book, *json.loads(asked)))
        except OverBudget:
            forget(self.book)
            return told({"refused": sentence(refusal("over_budget", seconds=ACT_SECONDS).problem)})
        except Refused as refused:
            return told({"refused": sentence(refused.problem)})

    def ahead(self, waiting: str) -> str:
        """Does what waits, on top of what is kept: what differs from what was read before, and which of the acts cannot be done
        now, by their numbers from 0, and why. Such a one changes nothing."""
        book, refused = self.kept, list[RefusedAct]()
        acts = from_data(_ACTS, json.loads(waiting))
        own = [sorted(act.own_steps() or ()) for act in acts]
        label: str | None = None
        for number, act in enumerate(acts):
            try:
                book, label = _done(book, act)
            except Refused as error:
                problem = error.problem
                refused.append(RefusedAct(number, sentence(problem), problem.start, problem.end))
        differs, self.book = difference(book, self.book), book
        last = book.last_place()
        steps = [step_view(book, id) for id in differs.steps]
        header = HeaderView(**header_data(book.header))
        return told(
            AheadView(
                refused,
                own,
                header,
                differs.whole,
                differs.gone,
                differs.placed,
                label,
                [last.x, last.y],
                steps,
            )
        )

    def read(self, asked: str) -> str:
        """The answer to a `read` message, as the server gives it."""
        data = json.loads(asked)
        seq = data.get("seq", 0)
        try:
            line, _ = read_within(self.book, from_data(Hand, data), seq)
        except Refused as refused:
            problem = refused.problem
            return json.dumps(
                {
                    "type": "refused", "seq": seq, "code": problem.kind, "message": sentence(problem),
                    "start": problem.start, "end": problem.end,
                }
            )  # fmt: skip
        return told(line)


_LOOKS: dict[str, Callable[..., object]] = {
    "working": working_view, "before": before_view, "values": values_view, "ways": ways_view,
}  # fmt: skip
"""What can be asked of a step; each takes the book, the step and, for ways, the word and what is typed."""


_ACTS = tuple[Act, ...]


def _done(book: Book, act: Act) -> tuple[Book, str]:
    """A book after an act, and the label of that. Raises `Refused`."""
    try:
        with within(ACT_SECONDS, ACT_SECONDS):
            edit, label = act.edit(book)
            return book.edited(edit)[0], label
    except OverBudget as error:
        forget(book)
        raise refusal("over_budget", seconds=ACT_SECONDS) from error


def told(view: object) -> str:
    """A view as JSON."""
    return json.dumps(view, default=_parts, separators=(",", ":"), ensure_ascii=False, allow_nan=False)


def _parts(one: object) -> Any:
    if is_dataclass(one):
        return {field.name: getattr(one, field.name) for field in fields(one)}
    if isinstance(one, set | frozenset):
        return sorted(one)
    raise TypeError(f"{type(one).__name__} is nothing that is sent")
