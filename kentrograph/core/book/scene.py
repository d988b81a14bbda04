"""What is seen of a book, and with what it is drawn: all that shows, selects, prints or exports asks here.

A name has versions, of which the newest is seen. A step may *mark* names, without shaping what they stand for: what is inked
over is pencil from there on, what is joined is taken up in the outline. A mark holds from its step on, as long as that can
be drawn, for the version that stands there.
"""

from bisect import bisect_left, bisect_right
from collections.abc import Iterator

from .book import Book
from .kinds import ALL
from .order import END, Key
from .step import Step
from .tree import key_of
from .values import Drawn


def seen(book: Book, id: str, at: Key = END) -> bool:
    """Whether a figure, by its id as `Book.figures_of` gives it, is seen at a place in the order, or at the end: an earlier
    version of what its name stands for is not, nor what an outline has taken up."""
    if not book.has_versions:
        # Nothing was shaped or marked: all is as it was drawn.
        return True
    key = key_of(book.name_of(id))
    if not key:
        return True
    step = book.step_of(id)
    if book.is_shaped(key) and book.resolved(key, at) != step:
        return False
    return not any(mark == "taken" for _, mark in _marks(book, key, step, at))


def shown_of(book: Book, id: str) -> tuple[bool, ...]:
    """Which of the figures that come of a step are seen."""
    return tuple(seen(book, one) for one, _, _ in book.figures_of(id))


def pen_of(book: Book, id: str, at: Key = END) -> str:
    """What a figure is drawn with at a place in the order, or at the end: what the last step that marks it says, else its own
    step; a verb draws with what drew the first figure that it works on."""
    while True:
        step_id = book.step_of(id)
        step = book.steps[step_id]
        if book.has_versions:
            key = key_of(book.name_of(id))
            said = [pen for pen in (_pen(mark) for _, mark in _marks(book, key, step_id, at)) if pen]
            if said:
                return said[-1]
        if step.statement.pen is not None or not step.statement.operands:
            return step.statement.pen or "ink"
        at = book.order.key(step_id)
        version = book.version(step.statement.operands[0].key, at)
        if version is None:
            return "ink"
        id = version


def _pen(mark: str) -> str:
    return "pencil" if mark == "inked over" else ""


def _marks(book: Book, key: str, step: str, at: Key) -> Iterator[tuple[str, str]]:
    """The steps that mark what a step has made of a name, as far as a place in the order, and how."""
    ids = book.markers(key)
    if not ids:
        return
    order = book.order.key
    for id in ids[bisect_right(ids, order(step), key=order) : bisect_left(ids, at, key=order)]:
        if type(book.values.get(id)) is Drawn:
            yield id, ALL[book.steps[id].statement.kind].marks


def sharing(book: Book, id: str) -> tuple[str, ...]:
    """The steps whose figures are seen or drawn otherwise because of one that was touched: those that define a name that it
    defines or marks, too, and the verbs that work on what comes of any of them."""
    step = book.steps.get(id)
    if step is None:
        return ()
    found = dict.fromkeys(_versions(book, step))
    waiting = [id, *found]
    while waiting:
        for user in book.users_of(waiting.pop()):
            if user not in found and book.steps[user].statement.operands:
                found[user] = None
                waiting.append(user)
    return tuple(found)


def _versions(book: Book, step: Step) -> Iterator[str]:
    for key in (*step.keys, *step.marked):
        yield from book.definers(key)
