"""What stands in the book already, as a draft: each given on its row."""

from ..book.kinds import READS, STATEMENT_KINDS, is_reading
from ..book.step import Step
from ..book.tree import Name, Statement
from .draft import Draft
from .interpretation import given_texts


def draft_from(statement: Statement) -> Draft:
    """A statement as a draft of its kind, or of its kind of reading."""
    if not is_reading(statement):
        return Draft(statement.kind, tuple(given_texts(statement)))
    of = statement.givens[0]
    return Draft(f"{READS} {of.word}", tuple(a.text for a in of.arguments if isinstance(a, Name)))


def draft_of(step: Step) -> Draft | None:
    """A step of the book as a draft; None for one that is mended as a whole."""
    statement = step.statement
    return draft_from(statement) if statement.kind in STATEMENT_KINDS else None


def before_kind(step: Step) -> str:
    """What stands before the kind of figure in a step's text: its pen and its name."""
    return step.statement.text[: step.statement.kind_start]
