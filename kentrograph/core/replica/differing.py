"""What a receiver of a book lacks of a newer one: in which steps the two differ, and where steps have come to stand."""

from collections.abc import Iterable
from collections.abc import Set as AbstractSet
from dataclasses import dataclass

from ..book.book import Book
from ..book.scene import pen_of, seen, sharing
from ..problem import Problem
from ..sheet.at_table import moved_on_paper


@dataclass(frozen=True, slots=True)
class Placed:
    """A step that is new or stands elsewhere, and the one that it stands in front of (None at the end)."""

    id: str
    in_front_of: str | None


@dataclass(frozen=True, slots=True)
class Difference:
    """What to take out, what to put in, one after the other, and which steps to show anew, in the order of the book."""

    whole: bool
    gone: list[str]
    placed: list[Placed]
    steps: list[str]


def difference(book: Book, known: Book | None, touched: AbstractSet[str] | None = None) -> Difference:
    """What differs from a book that the receiver has; all of it where there is none, or where every step may read otherwise.
    ``touched`` is what all edits between the two touched, where that is known."""
    if known is None or known.header != book.header:
        return Difference(True, [], [], list(book.order))
    moved = moved_on_paper(book, known)
    looked_at = _looked_at(book, known, touched) | moved
    anew = moved | _waiting_on(book, known, looked_at)
    differ = (id for id in looked_at | anew if id in book.order and (id in anew or _differs(book, known, id)))
    return Difference(
        False,
        [id for id in looked_at if id in known.order and id not in book.order],
        _placed(book, known, looked_at),
        sorted(differ, key=book.order.key),
    )


def _looked_at(book: Book, known: Book, touched: AbstractSet[str] | None) -> set[str]:
    """The steps of two books that may differ.

    Where the one came of the other by an edit these are what that touched, and what shares a name with it.
    """
    if touched is None:
        if book.before is not known.stamp:
            return {*known.order, *book.order} if book.stamp is not known.stamp else set()
        touched = book.touched
    return {id for one in touched for id in (one, *sharing(book, one), *sharing(known, one))}


def _waiting_on(book: Book, known: Book, ids: Iterable[str]) -> set[str]:
    """Steps that need some of these and cannot be drawn: they hold what they held, but their givens come to something else."""
    users = (user for id in ids for one in (book, known) for user in one.users_of(id))
    return {user for user in users if isinstance(book.values.get(user), Problem)}


def _placed(book: Book, known: Book, looked_at: set[str]) -> list[Placed]:
    """The steps that have come to stand elsewhere, the last first: each finds the one that it stands in front of."""
    found = [id for id in looked_at if id in book.order and not (id in known.order and known.order.key(id) == book.order.key(id))]
    return [Placed(id, book.order.next_to(id)) for id in sorted(found, key=book.order.key, reverse=True)]


def _differs(book: Book, known: Book, id: str) -> bool:
    if id not in known.steps:
        return True
    if _looks(book, id) != _looks(known, id):
        # A later step has shaped what comes of this one, or no longer does.
        return True
    same = book.steps[id] is known.steps[id] or book.steps[id] == known.steps[id]
    return not (same and (book.values[id] is known.values[id] or book.values[id] == known.values[id]))


def _looks(book: Book, id: str) -> list[tuple[bool, str]]:
    """Whether each figure of a step is seen, and with what it is drawn."""
    return [(seen(book, one), pen_of(book, one)) for one, _, _ in book.figures_of(id)] or [(False, pen_of(book, id))]
