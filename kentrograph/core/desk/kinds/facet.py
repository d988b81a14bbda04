"""What a click may state of a kind: the facet that a kind has for the desk, beside its declaration in the book."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from math import hypot, inf

from ...book.book import Book
from ...book.kinds import STATEMENT_KINDS
from ...book.kinds.bindings import Facts
from ...book.tree import Statement
from ...book.values import StepResult
from ...figures import Outline, Point
from ...snap.edge import edge_at
from ..desk import Desk
from ..draft import reading_named
from ..handles.handle import Handle
from ..handles.typed import Typed
from ..open_line import OpenLine, read_open_line
from ..pointing import Pointed, plain_position
from ..working.sheet import Sheet

OF_THE_LAST = ("sights", "foot", "touch")
"""Kinds of place that are themselves seen from the last place: a line that is held goes its own way."""
PASSED_THROUGH = ("middle", "part", "foot", "touch", "quarter", "past")
"""Kinds of place that a figure has of itself: where others are touched, a click there means that it is touched as well."""


def figure_under(book: Book, pointed: Pointed, whole: bool = False) -> tuple[object, str]:
    """The figure under the pointer and its name: of an outline the edge there, unless the ``whole`` of it is meant."""
    if pointed.figure is None:
        return None, ""
    figure, name = book.figure_of(pointed.figure), book.name_of(pointed.figure)
    if whole or not isinstance(figure, Outline):
        return figure, name
    return edge_at(figure, name, pointed.at.x, pointed.at.y)


class Click:
    """A click on a place while something is being written: what has been given, and what lies there.

    ``has`` are the words of the givens so far; ``place`` are the words of the place, ``figure`` and ``name`` the figure there:
    the edge of an outline, or the whole of it where the kind works on whole ones. ``on`` is the nearest place on it, in words.
    """

    def __init__(self, desk: Desk, statement: Statement | None, pointed: Pointed) -> None:
        assert desk.draft is not None
        assert desk.pointer is not None
        self.desk, self.book, self.draft, self.index, self.pointer = desk, desk.book, desk.draft, desk.index, desk.pointer
        self.statement, self.pointed, self.place = statement, pointed, pointed.words
        self.has = {given.word for given in statement.givens} if statement is not None else set[str]()
        self.whole, self.whole_name = figure_under(self.book, pointed, whole=True)
        self.edge, self.edge_name = figure_under(self.book, pointed)
        self.figure, self.name = (self.whole, self.whole_name) if self.takes_whole else (self.edge, self.edge_name)
        # Of an outline the nearest place is among the places themselves.
        beside = self.name and not isinstance(self.whole, Outline) and not isinstance(self.figure, Point)
        self.on = f"nearest to {self.here} on {self.name}" if beside else ""

    @property
    def takes_whole(self) -> bool:
        """Whether whole outlines are meant rather than an edge of one."""
        kind = STATEMENT_KINDS.get(self.draft.kind)
        if kind is None:
            reading = reading_named(self.draft.kind)
            return reading is not None and reading.whole
        return kind.word == "join" or (kind.shapes and not kind.edges)

    @property
    def special(self) -> bool:
        """Whether it is a place that lies there, and no plain position."""
        return self.pointed.special

    @property
    def here(self) -> str:
        """The plain position of the pointer, in words."""
        return plain_position(self.book, self.pointer)[0]

    @property
    def thing(self) -> list[str]:
        """A place or a figure, whichever is likelier meant: of places that a figure has all along, as its middle, the figure."""
        found = [self.place] if self.special else []
        if self.name:
            found.insert(0 if not self.special or self.pointed.kind in PASSED_THROUGH else 1, self.name)
        return found

    def read(self, row: str) -> OpenLine:
        """The open line with a row."""
        return read_open_line(self.book, self.draft, row, self.index, offer=False)

    def nearest_only(self, rows: list[str], either: bool = False) -> list[str]:
        """Of rows that end a line in different places, the one that ends nearest to the place, or with ``either`` begins there;
        none where none can be read."""
        return nearest_only(self.desk, rows, self.pointed.at, either)


def nearest_only(desk: Desk, rows: list[str], at: Point, either: bool = False) -> list[str]:
    """As `Click.nearest_only`, to any place."""

    def off(row: str) -> float:
        value = read_open_line(desk.book, desk.draft, row, desk.index, offer=False).value
        figure = value.figure if isinstance(value, StepResult) else None
        ends = [getattr(figure, "end", None), getattr(figure, "start", None)][: 2 if either else 1]
        return min((hypot(end.x - at.x, end.y - at.y) for end in ends if isinstance(end, Point)), default=inf)

    far = {row: off(row) for row in rows}
    best = min(rows, key=lambda row: far[row])
    return [best] if far[best] < inf else []


@dataclass(frozen=True, slots=True)
class Facet:
    """What the table does with a kind beyond what its givens say.

    ``rows`` are what a click on a place could mean, likeliest first; not all of them can be read. ``handles`` are those of the
    numbers that shape it, ``working`` draws what is done with compasses to find it.
    """

    rows: Callable[[Click], list[str]] | None = None
    handles: Callable[[Typed, StepResult], Iterator[Handle]] = lambda typed, value: iter(())
    working: Callable[[Sheet, Facts, StepResult], None] | None = None
