"""What Enter, a click, letting go or leaving does with what is in hand: each as the complete act, ready to be done as it is."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Literal

from ..book.book import Book
from ..book.kinds import STATEMENT_KINDS
from ..book.scene import seen
from .acts import Act, Mend, Write
from .afterwards import going_on
from .bounds import MOST_FIGURES, Whole
from .carrying import names_of
from .desk import Desk
from .draft import Draft, is_endless, reading_named
from .hand import Hand
from .intents import in_words
from .open_line import DRAFT_ID, Do, OpenLine
from .pointing import evaluate_draft
from .trying import tried


@dataclass(frozen=True, slots=True, kw_only=True)
class Outcome(Whole):
    """What a movement of the hand does: begin or go on with a draft, change the book, put words into the row, select, or nothing.

    ``act`` is the change of the book, whole; ``draft`` what stands on the open line once it is done; ``statement`` the text that
    is written or, of ``type``, put into the row. ``why`` says why nothing comes of it; ``figure`` is what it selects.
    """

    do: Do | Literal["select"]
    act: Act | None = None
    draft: Draft | None = None
    statement: str = ""
    why: str = ""
    figure: str | None = None


def outcome_of(desk: Desk, line: OpenLine, beside: str = "") -> Outcome:
    """What Enter, or a click, does with a line that was read; ``beside`` is the special place that a click takes a plain one
    beside."""
    book, hand = desk.book, desk.hand
    draft = replace(line.draft, again=False) if line.draft is not None else None
    marks = (*(hand.draft.beside if hand.draft is not None else ()), *((beside,) if beside else ()))
    if line.do == "begin" and draft is not None and not draft.rows:
        return Outcome(do="begin", draft=_begun(book, draft.kind, hand.selected), statement=line.statement)
    if line.do in ("write", "header"):
        statement = _to_write(book, line, desk.index)
        write = Write(
            do="write", text=statement, id=hand.id, in_front_of=hand.in_front_of, beside=", ".join(marks)[:300], pen=hand.pen
        )  # fmt: skip
        return Outcome(do=line.do, act=write, draft=_next(hand, line), statement=statement)
    if line.do == "given" and draft is not None:
        return Outcome(do="given", draft=replace(draft, beside=marks), statement=line.statement)
    return Outcome(do=line.do, draft=draft or hand.draft, statement=line.statement)


def mend_outcome(desk: Desk, line: OpenLine, before: str) -> Outcome:
    """The same while a step is mended: what would be written is its text, behind what stands ``before`` its kind."""
    id, draft = desk.hand.mend or "", replace(line.draft, again=False) if line.draft is not None else desk.draft
    if line.do not in ("write", "given"):
        return Outcome(do=line.do, draft=draft, statement=line.statement)
    statement = before + _to_write(desk.book, line, desk.index) if line.statement else ""
    if line.do == "given":
        return Outcome(do="given", draft=draft, statement=statement)
    same = statement == desk.book.steps[id].statement.text
    return Outcome(do="write", act=None if same else Mend(do="mend", id=id, text=statement), draft=draft, statement=statement)


def leaving_outcome(desk: Desk) -> Outcome:
    """What Escape does with a figure that is begun: what can be drawn of a chain is kept, anything else is let go."""
    draft = desk.draft
    if draft is None or desk.hand.mend is not None or not is_endless(draft.kind):
        return Outcome(do="nothing")
    return replace(outcome_of(desk, evaluate_draft(desk.book, draft, desk.index)), draft=None)


def _begun(book: Book, kind: str, selected: Sequence[str]) -> Draft:
    """A kind with what is selected given to it; that gives way to anything else that is named."""
    if len(selected) > _most_of(kind):
        return Draft(kind)
    rows = tuple(names_of(book, [id for id in selected if seen(book, id)]))
    return Draft(kind, rows, again=bool(rows))


def _most_of(kind: str) -> int:
    """Of how many figures that are selected a kind begins with them; 0 where it begins with none."""
    declared = STATEMENT_KINDS.get(kind)
    if declared is None:
        reading = reading_named(kind)
        return 1 if reading is not None and reading.of_one else 0
    first = declared.givens[0] if declared.givens else None
    if first is None or first.word != "figures" or declared.brush or not (declared.shapes or declared.marks):
        return 0
    return MOST_FIGURES if first.repeats else 1


def _next(hand: Hand, line: OpenLine) -> Draft | None:
    """What goes on being written: the next one from where this one ends, else the kind stays open."""
    following = going_on(line)
    if following is not None:
        return following
    open = line.draft or hand.draft
    return Draft(open.kind, again=True) if open is not None else None


def _to_write(book: Book, line: OpenLine, index: int) -> str:
    """The text of a line as it will stand in the book: without short forms, and with the side words of the solution that is taken
    where it leaves several and says none."""
    if line.do == "header":
        return line.statement
    step, value = line.step, line.value
    if step is None or value is None or step.statement.text != line.statement:
        step, value = tried(book, line.statement, DRAFT_ID, index)
    return in_words(book, step, value, index)
