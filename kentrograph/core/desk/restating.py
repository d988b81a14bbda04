"""Another value for one given of a step, and all else of its text as it stands: what a drag or a field of the sheet comes to."""

from ..book.book import Book
from ..book.edits import Edit
from ..book.kind import GivenSpec
from ..book.kinds import STATEMENT_KINDS
from ..book.tree import Given, Words
from ..language.lexer import quoted
from ..problem import refusal
from .intents import mend, write


def restate(book: Book, id: str, word: str, said: str) -> tuple[Edit, str]:
    """The edit that gives a step's given another value; with nothing said it is struck. Of a sheet, a word that is no given is
    the name of a field of one's own. Raises `Refused`."""
    book.position(id)
    step = book.steps[id]
    kind = STATEMENT_KINDS.get(step.statement.kind)
    if kind is None:
        raise refusal("no_step")
    declared = kind.given(word)
    own = declared is None
    given = next((g for g in step.statement.givens if (_names(g, word) if own else g.word == word)), None)
    new = _said(declared, word, said.strip())
    text = step.statement.text
    if given is None:
        return mend(book, id, f"{text.rstrip()} {new}".rstrip())
    before, after = text[: given.start], text[given.end :]
    return mend(book, id, f"{before}{new}{after}" if new else f"{before.rstrip()} {after.lstrip()}".strip())


def stated_anew(book: Book, id: str, kind: str, first: str, word: str, said: str) -> tuple[Edit, str]:
    """The edit that writes a step of a kind with one given, behind the words that it begins with. Raises `Refused`."""
    new = _said(STATEMENT_KINDS[kind].given(word), word, said.strip())
    return write(book, " ".join(part for part in (kind, first, new) if part), id)


def _said(declared: GivenSpec | None, word: str, said: str) -> str:
    """A given as it is written, in the form that it is declared with; one that is not declared is a field of one's own."""
    if not said:
        return ""
    if declared is None:
        return f"field {quoted(word)} {quoted(said)}"
    if declared.takes == "words":
        return f"{word} {quoted(said)}"
    return said if declared.takes == "choice" else f"{word} {said}"


def _names(given: Given, name: str) -> bool:
    """Whether it is the field of one's own with a name."""
    first = given.arguments[0] if given.word == "field" and given.arguments else None
    return isinstance(first, Words) and first.text.strip() == name
