"""Names for all that comes of a change: where a number makes more figures of a step than there were, those get names, too."""

from ..book.book import Book
from ..book.edits import Edit, Replace, Several
from ..book.step import Besides
from ..book.values import StepResult
from .script import dealt_more, results


def edited_in_full(book: Book, edit: Edit) -> tuple[Book, Edit, Edit]:
    """The book after an edit; the edit, with names dealt to further figures that come of steps by it; and its inverse.

    Raises `Refused` as `Book.edited` does.
    """
    after, inverse = book.edited(edit)
    more: list[Edit] = []
    dealt: set[str] = set()
    for id in after.changed:
        step, value = after.steps[id], after.values[id]
        if not isinstance(value, StepResult) or not value.more or len(value.results) <= len(step.names):
            continue
        named = dealt_more(step, results(value)[len(step.names) :], Besides(after.taken_names(), dealt))
        dealt.update(named.keys)
        more.append(Replace(named))
    if not more:
        return after, edit, inverse
    whole = Several((edit, *more))
    after, inverse = book.edited(whole)
    return after, whole, inverse
