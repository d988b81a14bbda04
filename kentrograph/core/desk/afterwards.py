"""What an entry leads to once it is read: the next one of its kind, or first the words for the solution that is meant."""

from dataclasses import replace

from ..book.book import Book
from ..book.kinds import STATEMENT_KINDS
from ..book.values import StepResult
from ..figures import Line, Outline
from ..problem import Refused
from .draft import Draft
from .interpretation import given_texts
from .open_line import DRAFT_ID, OpenLine, open_choice
from .side_words import worded
from .trying import tried


def going_on(line: OpenLine) -> Draft | None:
    """What goes on being written once a line of a draft stands: the next one, from where this one ends."""
    if line.do != "write" or line.draft is None or line.step is None or not isinstance(line.value, StepResult):
        return None
    kind = STATEMENT_KINDS.get(line.step.statement.kind)
    if kind is not None and kind.in_common:
        given = zip(line.step.statement.givens, given_texts(line.step.statement), strict=True)
        return Draft(kind.word, tuple(text for one, text in given if one.word in kind.in_common))
    if kind is None or not kind.onward or not isinstance(line.value.figure, Line):
        return None
    if not _ENDED & {given.word for given in line.step.statement.givens}:
        # It ends where it touches, which is stated nowhere: the next one begins anew.
        return None
    return Draft(kind.word, (kind.onward.format(name=line.step.name),), again=True)


_ENDED = frozenset({"from", "to", "through", "length", "until"})


def joining(book: Book, line: OpenLine, statement: str) -> OpenLine:
    """The open line of a brush with which pieces were inked that meet end to end: Enter joins them."""
    try:
        step, value = tried(book, statement, DRAFT_ID, len(book.order))
    except Refused:
        return line
    if not isinstance(value, StepResult):
        return line
    names = [name.text for name in step.statement.operands]
    closed = isinstance(value.figure, Outline) and value.figure.closed
    ring = " all round" if closed else ""
    hint = f"{', '.join(names[:-1])} and {names[-1]} meet end to end{ring}: Enter joins them."
    return replace(line, do="write", statement=step.statement.text, hint=hint)


def said_first(book: Book, line: OpenLine, index: int) -> OpenLine:
    """A step mended as one line that leaves several solutions: Enter first says in words which one is meant, in the row."""
    if (
        line.do != "write"
        or line.step is None
        or not isinstance(line.value, StepResult)
        or not open_choice(line.step, line.value)
    ):
        return line
    words = worded(book, line.step, line.value, line.value.chosen_index, index)
    return replace(line, do="type", statement=words, hint="Which is meant? Enter says it, ↑ ↓ go through them; then Enter again.")
