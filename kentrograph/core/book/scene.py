"""What is seen of a book, and with what it is drawn: all that shows, selects, prints or exports asks here.

A name has versions, of which the newest is seen. A step may *mark* names, without shaping what they stand for: what is inked
over is pencil from there on, what is joined is taken up in the outline. A mark holds from its step on, as long as that can
be drawn, for the version that stands there.
"""

from bisect import bisect_left, bisect_right
from collections.abc import Iterator, Sequence
from typing import Any

from .kinds import ALL
from .names import key_of
from .network import Network
from .order import END, Key
from .pens import PENS
from .step import Step, pen_key
from .values import Mark, StepResult, Untouchable


def seen(book: Network, id: str, at: Key = END) -> bool:
    """Whether a figure, by its id as `Book.figures_of` gives it, is seen at a place in the order, or at the end: an earlier
    version of what its name stands for is not, nor what an outline has taken up."""
    kind = ALL.get(book.steps[book.step_of(id)].statement.kind)
    if kind is not None and kind.unseen:
        return False
    if not book.has_versions:
        # Nothing was shaped or marked: all is as it was drawn.
        return True
    key = key_of(book.base_name(id))
    if not key:
        return True
    step = book.step_of(id)
    if _stands_in_a_set(book, id):
        return False
    if book.is_shaped(key) and book.resolved(key, at) != step:
        return False
    if any(mark == "taken" for mark in _marks(book, key, step, at)):
        return False
    return not _hidden(book, key, at) and not (_hidden_pens(book) and hidden_pen(book, pen_of(book, id, at), at))


def all_seen(book: Network) -> Iterator[tuple[str, Any]]:
    """All figures that are seen at the end, by their ids, in the order of the book; a set as one."""
    for id in book.order:
        if not book.steps[id].hidden:
            for one, _, figure in book.figures_of(id):
                if not isinstance(figure, Untouchable) and seen(book, one):
                    yield one, figure


def in_sight(book: Network, id: str, at: Key, ink_only: bool = False) -> bool:
    """Whether a figure stands before a place in the order and is seen there; with ``ink_only`` not where it is in pencil."""
    if not ((at is END or book.order.key(book.step_of(id)) < at) and seen(book, id, at)):
        return False
    return not ink_only or pen_of(book, id, at) != "pencil"


def _hidden(book: Network, key: str, at: Key) -> bool:
    """Whether the last step that hides or shows what has a name, or what a pen draws, hides it: whatever is made of it since."""
    said = [mark for mark in _all_marks(book, key, at) if mark in ("hide", "show")]
    return bool(said) and said[-1] == "hide"


def hidden_pen(book: Network, pen: str, at: Key = END) -> bool:
    """Whether all that a pen draws is hidden."""
    return bool(book.markers(pen_key(pen))) and _hidden(book, pen_key(pen), at)


def _hidden_pens(book: Network) -> bool:
    return any(book.markers(pen_key(pen)) for pen in PENS)


def _stands_in_a_set(book: Network, id: str) -> bool:
    """Whether a figure was shaped along with a set, in which it is seen."""
    whole = id.partition("/")[0]
    statement = book.steps[book.step_of(id)].statement
    return bool(statement.along) and int(whole.partition(".")[2] or 0) >= len(statement.operands)


def pen_of(book: Network, id: str, at: Key = END) -> str:
    """What a figure is drawn with at a place in the order, or at the end: what the last step that marks it says, else its own
    step; a verb draws with what drew the first figure that it works on."""
    while True:
        step_id = book.step_of(id)
        step = book.steps[step_id]
        if book.has_versions:
            key = key_of(book.base_name(id))
            said = [pen for mark in _marks(book, key, step_id, at) if (pen := _pen(mark))]
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
    """The pen that a mark says; nothing for one that says none."""
    return "pencil" if mark == "inked over" else mark.removeprefix("pen ") if mark.startswith("pen ") else ""


def _marks(book: Network, key: str, step: str, at: Key) -> Iterator[str]:
    """How what a step has made of a name is marked, as far as a place in the order."""
    ids = book.markers(key)
    if ids:
        order = book.order.key
        yield from _said(book, ids[bisect_right(ids, order(step), key=order) : bisect_left(ids, at, key=order)])


def _all_marks(book: Network, key: str, at: Key) -> Iterator[str]:
    """How a name is marked, whichever version of it, as far as a place in the order."""
    ids = book.markers(key)
    if ids:
        yield from _said(book, ids[: bisect_left(ids, at, key=book.order.key)])


def _said(book: Network, ids: Sequence[str]) -> Iterator[str]:
    for id in ids:
        value = book.values.get(id)
        if type(value) is StepResult:
            yield value.figure.says if isinstance(value.figure, Mark) else ALL[book.steps[id].statement.kind].marks


def sharing(book: Network, id: str) -> tuple[str, ...]:
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


def _versions(book: Network, step: Step) -> Iterator[str]:
    for key in (*step.keys, *step.marked):
        yield from book.definers(key)
    if any(key.startswith("pen ") for key in step.marked):
        # All that the pen draws.
        yield from book.order
