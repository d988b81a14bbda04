"""What the dimensions leave open and say twice, in words: for the leaf and for the check report."""

from collections.abc import Iterator
from dataclasses import dataclass

from ..book.book import Book
from ..book.caches import Kept
from ..book.on_paper import Dimension
from ..book.values import StepResult
from ..checks.determined import Determined, Open, determined
from ..sheet.of_book import not_drawn


@dataclass(frozen=True, slots=True)
class OpenView:
    """What no dimension determines: in words, its figure, and where it lies."""

    words: str
    figure: str
    at: list[float]


@dataclass(frozen=True, slots=True)
class DimensionView:
    """A dimension that is not as it should be, by its step: it says what others say already, or what is not drawn."""

    words: str
    id: str


@dataclass(frozen=True, slots=True)
class DimensionCheck:
    """What the dimensions of a drawing leave open, what they say twice, and which of them say what is not drawn; ``looked`` is
    false for a drawing that has none."""

    looked: bool
    lacking: list[OpenView]
    twice: list[DimensionView]
    undrawn: list[DimensionView]


def dimension_check(book: Book) -> DimensionCheck:
    """What is open and what is stated twice; kept with the book."""
    kept = _KEPT.of(book)
    if not kept:
        kept.append(_in_words(book, determined(book)))
    return kept[0]


_KEPT: Kept[list[DimensionCheck]] = Kept(list)


def _in_words(book: Book, found: Determined) -> DimensionCheck:
    places = [OpenView(_open(one), one.figure, [one.at.x, one.at.y]) for one in found.places]
    sizes = [OpenView(f"{one.words}: no dimension says how large it is", one.figure, [one.at.x, one.at.y]) for one in found.sizes]
    twice = [
        DimensionView(f"{book.steps[id].name} says what others say already: strike it, or put it in brackets", id)
        for id in found.twice
    ]
    return DimensionCheck(found.looked, [*places, *sizes], twice, list(_undrawn(book)))


def _undrawn(book: Book) -> Iterator[DimensionView]:
    """The dimensions of which the nominal is not what is drawn."""
    for id in book.order:
        value = book.values[id]
        if (
            isinstance(value, StepResult)
            and isinstance(value.figure, Dimension)
            and (said := not_drawn(value.figure, book.header))
        ):
            yield DimensionView(f"{book.steps[id].name} {said}", id)


def _open(one: Open) -> str:
    what = "where it lies" if one.across and one.up else f"how far {'across' if one.across else 'up'} it lies"
    return f"{one.words}: no dimension says {what}"
