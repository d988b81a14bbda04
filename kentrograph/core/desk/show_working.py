"""Show working: what a person would draw with compasses to find a figure, and the sums that go with it.

Which constructions draw which loci is listed in ``docs/maths/working.md``.
"""

from ..book.book import Book
from ..book.kinds.bindings import given_facts
from ..book.step import planner_of
from ..book.values import StepResult
from ..problem import Refused
from .interpretation import env_of
from .kinds import facet_of
from .working.sheet import Sheet, Working


def working_of(book: Book, id: str) -> Working | None:
    """The working of a step; None for a step that is found without compasses or does not stand."""
    step, value, index = book.steps[id], book.values[id], book.position(id)
    make = facet_of(step.statement.kind).working
    if not isinstance(value, StepResult) or make is None:
        return None
    planner = planner_of(step, book.header.manner.unit)
    sheet = Sheet(book, step, planner)
    try:
        facts = given_facts(planner, step.statement, lambda: env_of(book, planner, index), book.last_place(index))
        make(sheet, facts, value)
    except Refused:
        # What the givens were taken from does not stand as it did: there is nothing to show.
        return None
    return Working(tuple(sheet.loci), tuple(sheet.sums)) if sheet.loci or sheet.sums else None
