"""What is selected, carried by a drag from a place to a place: both in words, and the statement that it would write.

A thousand figures are carried as fast as one: no more than a few are evaluated.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from ..book.book import Book
from ..book.values import Untouchable
from ..figures import Point
from ..problem import Problem, Refused, refusal
from ..units import plain
from .open_line import DRAFT_ID
from .pointer import Pointer
from .pointing import Pointed, places_at, plain_position
from .trying import tried

_MOST_PLACES = 7
_FEW = 32
"""So many are tried before it is offered; many are tried only where some may come later."""


@dataclass(frozen=True, slots=True)
class Carry:
    """A drag of figures: from where to where, what it is in words, line by line, and the statement."""

    start: Point
    end: Point
    words: tuple[str, ...]
    text: str


def carry(book: Book, figures: Sequence[str], start: Pointer, pointer: Pointer, copy: bool, index: int) -> Carry:
    """The drag of some figures, by their ids, from where the pointer went down to where it is.

    A place of what is carried is taken where it went down, a place of anything else where it comes up; where both are plain
    positions, or the drag is held level or plumb, it is written by how far. Raises `Refused` (unnamed) where nothing of it
    has a name.
    """
    own = {id for id in figures if book.step_of(id) in book.steps}
    names = names_of(book, figures)
    if not names:
        raise refusal("unnamed")
    free = replace(start, level=False)
    one = place_of_carried(book, free, index, own) or _plain(book, free)
    other = _place_of_others(book, replace(pointer, level=False), index, own)
    verb = f"{'copy' if copy else 'move'} {' '.join(names)}"
    called = f"{'copy' if copy else 'move'} {names[0] if len(names) == 1 else f'{len(names)} figures'}"
    if len(names) <= _FEW or index < len(book.order):
        _, value = tried(book, f"{verb} by 0, 0", DRAFT_ID, index)
        if isinstance(value, Problem):
            raise Refused(value)
    if pointer.level or not (one.special or other.special):
        (ax, ay), (bx, by) = book.writing.from_world(one.at), book.writing.from_world(other.at)
        dx, dy = bx - ax, by - ay
        if pointer.level:
            dx, dy = (dx, 0.0) if abs(dx) >= abs(dy) else (0.0, dy)
        by_words = f"by {plain(dx, 12)}{book.suffix}, {plain(dy, 12)}{book.suffix}"
        end = Point(*book.writing.to_world(ax + dx, ay + dy))
        return Carry(one.at, end, (called, by_words), f"{verb} {by_words}")
    return Carry(
        one.at, other.at, (called, f"from {one.words}", f"to {other.words}"), f"{verb} from {one.words} to {other.words}"
    )  # fmt: skip


def names_of(book: Book, ids: Sequence[str]) -> list[str]:
    """The names of figures, by their ids, in the order of the book; those that have none, and numbers, are left out."""
    there = {id for id in ids if book.step_of(id) in book.steps and _is_figure(book.figure_of(id))}
    key = book.order.key
    return [name for id in sorted(there, key=lambda one: (key(book.step_of(one)), one)) if (name := book.name_of(id))]


def _is_figure(one: object) -> bool:
    """Whether something is there to be shaped."""
    return one is not None and not isinstance(one, Untouchable)


def place_of_carried(book: Book, pointer: Pointer, index: int, own: set[str]) -> Pointed | None:
    """The likeliest special place at the pointer of figures, by their ids; None where there is none."""
    return next((p for p in places_at(book, pointer, _MOST_PLACES, None, index) if _is_of(p, own)), None)


def _plain(book: Book, pointer: Pointer) -> Pointed:
    words, at = plain_position(book, pointer)
    return Pointed(words, at, False, 0, None)


def _place_of_others(book: Book, pointer: Pointer, index: int, own: set[str]) -> Pointed:
    """The likeliest special place at the pointer of anything else, else the plain position."""
    places = places_at(book, pointer, _MOST_PLACES, None, index)
    return next((p for p in places if p.special and p.figure and not _is_of(p, own)), places[-1])


def _is_of(place: Pointed, own: set[str]) -> bool:
    return place.special and place.figure is not None and place.figure.partition("/")[0] in own
