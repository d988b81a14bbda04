"""What a figure that is being written wants next: the words to read a bare entry with, and one sentence that says so."""

from ..book.book import Book
from ..book.kinds import STATEMENT_KINDS
from ..book.tree import Statement
from ..language.messages import sentence
from ..problem import Problem


def expected_words(kind: str, statement: Statement | None) -> list[str]:
    """Words of givens with which a bare place or number may be read, likeliest first."""
    declared = STATEMENT_KINDS.get(kind)
    return declared.implied_words({g.word for g in statement.givens} if statement else set()) if declared else []


def beginning_hint(book: Book) -> str:
    """What to type when nothing is begun."""
    if not book.order:
        return "Type a word, such as line or circle, or coordinates, such as 40, 25."
    return "A word begins a step; coordinates put a point."


def hint(kind: str, statement: Statement | None, done: bool, problem: Problem | None = None) -> str:
    """The next thing to give, in one sentence; ``problem`` is what the figure still lacks."""
    has = [g.word for g in statement.givens] if statement else []
    if kind.startswith("measure"):
        return "Enter writes the reading." if done else "Give a place or a figure: type it or point at it."
    said = STATEMENT_KINDS[kind].next_hint(has, done)
    if said is not None:
        return said
    if done:
        return f"Enter writes the {kind}."
    if not has:
        return STATEMENT_KINDS[kind].first
    if problem is not None and problem.kind == "needs_given":
        lacks = sentence(problem)
        return lacks[0].upper() + lacks[1:] + "."
    left = [g.word for g in STATEMENT_KINDS[kind].givens if g.written and g.word not in has]
    return f"Give what is known: {', '.join(left)}." if left else "All is given; something of it does not fit yet."
