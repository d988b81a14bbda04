"""Another value for one given of a step, and all else of its text as it stands: what a drag or a field of the sheet comes to."""

from ..book.book import Book
from ..book.edits import Edit
from ..book.tree import Given, Words
from ..language.lexer import quoted
from ..language.vocabulary import KINDS
from ..problem import refuse
from .intents import mend


def restate(book: Book, id: str, word: str, said: str) -> tuple[Edit, str]:
    """The edit that gives a step's given another value; with nothing said it is struck. Of a sheet, a word that is no given is
    the name of a field of one's own. Raises `Refused`."""
    book.position(id)
    step = book.steps[id]
    kind = KINDS.get(step.statement.kind)
    if kind is None:
        raise refuse("no_step")
    declared = kind.given(word)
    own = declared is None
    given = next((g for g in step.statement.givens if (_names(g, word) if own else g.word == word)), None)
    said = said.strip()
    if not said:
        new = ""
    elif own:
        new = f"field {quoted(word)} {quoted(said)}"
    elif declared is not None and declared.takes == "words":
        new = f"{word} {quoted(said)}"
    else:
        new = said if declared is not None and declared.takes == "choice" else f"{word} {said}"
    text = step.statement.text
    if given is None:
        return mend(book, id, f"{text.rstrip()} {new}".rstrip())
    before, after = text[: given.start], text[given.end :]
    return mend(book, id, f"{before}{new}{after}" if new else f"{before.rstrip()} {after.lstrip()}".strip())


def _names(given: Given, name: str) -> bool:
    """Whether it is the field of one's own with a name."""
    first = given.arguments[0] if given.word == "field" and given.arguments else None
    return isinstance(first, Words) and first.text.strip() == name
