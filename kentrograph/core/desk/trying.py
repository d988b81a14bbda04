"""What a text would write in a book, without writing it."""

from dataclasses import replace

from ..book.book import Book
from ..book.step import Step
from ..book.tree import Statement
from ..book.values import StepResult, Value
from ..language.script import Count, named_step, read, results
from ..problem import Refused
from .interpretation import in_full


def readable(book: Book, text: str, index: int) -> Statement:
    """The statement of a text as it reads at ``index``. Raises `Refused` for a text that cannot be read there."""
    statement = read(text).settled(lambda name: book.kind_at(name, index))
    if statement.problem is not None:
        raise Refused(statement.problem)
    return statement


def counting(book: Book, index: int) -> Count:
    """The kinds of the figures that would come of a step at ``index``."""
    return lambda step: results(book.try_statement(step, index))


def tried(book: Book, text: str, id: str, index: int) -> tuple[Step, Value]:
    """The step that a text would write at ``index``, and what it would hold. Raises `Refused` for unreadable text."""
    statement = readable(book, text, index)
    header = book.header if book.hand is None else replace(book.header, manner=book.hand)
    step = named_step(
        id, statement, header, book.taken_names(), lambda name: book.kind_at(name, index), counting(book, index)
    )  # fmt: skip
    value = book.try_statement(step, index)
    full = in_full(statement)
    if full != statement.text and isinstance(value, StepResult):
        # What is good is written down in full; what is not is blamed where it was typed.
        return tried(book, full, id, index)
    return step, value
