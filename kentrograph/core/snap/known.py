"""The special places of one figure, in words that are statements of the language."""

from collections.abc import Iterator
from math import ceil
from typing import Any, NamedTuple, assert_never

from ..book.book import Book
from ..book.caches import Shared
from ..book.manner import Conventions
from ..book.names import edge_name
from ..book.step import Step
from ..book.values import Reading, Value
from ..figures import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, FiniteCurve, Line, Outline, Point, RoundCurve, halfway
from ..figures.along import place_along
from ..intersect.within import on_sweep
from ..measure.area import middles
from .query import Query


class Candidate(NamedTuple):
    """A place, the words that take it, the kind of place it is and the step it belongs to (empty for none).

    ``sights`` are the sight lines that it lies on.
    """

    at: Point
    words: str
    kind: str
    step: str
    sights: tuple[EndlessLine, ...] = ()


_PLACES: Shared[dict[str, tuple[Value, Step, Conventions, tuple[Candidate, ...]]]] = Shared(dict)


def known_places(book: Book, id: str) -> tuple[Candidate, ...]:
    """The special places of a step's figure; kept with the book for the value, the step and the manner that they are of."""
    kept = _PLACES.of(book)
    of = book.step_of(id)
    value, step, manner = book.values[of], book.steps[of], book.writing
    found = kept.get(id)
    if found is None or found[0] is not value or found[1] is not step or found[2] != manner:
        found = kept[id] = (value, step, manner, tuple(_places_of_step(book, id)))
    return found[3]


def _places_of_step(book: Book, id: str) -> Iterator[Candidate]:
    name = book.name_of(id)
    figure: Figure | Reading | float | None = book.figure_of(id)
    match figure:
        case Point():
            yield Candidate(figure, name, "point", id)
        case Line(start, end):
            yield Candidate(start, f"start of {name}", "end", id)
            yield Candidate(end, f"end of {name}", "end", id)
            yield Candidate(halfway(start, end), f"middle of {name}", "middle", id)
        case Circle(centre):
            yield Candidate(centre, f"centre of {name}", "centre", id)
            yield from _quarters(book, figure, name, id)
        case Arc(centre, _, start, end):
            yield from _quarters(book, figure, name, id)
            yield Candidate(start, f"start of {name}", "end", id)
            yield Candidate(end, f"end of {name}", "end", id)
            yield Candidate(centre, f"centre of {name}", "centre", id)
            yield Candidate(place_along(figure, figure.length / 2.0), f"middle of {name}", "middle", id)
        case Ellipse(centre):
            yield Candidate(centre, f"centre of {name}", "centre", id)
            if not figure.whole:
                yield Candidate(figure.start, f"start of {name}", "end", id)
                yield Candidate(figure.end, f"end of {name}", "end", id)
                yield Candidate(place_along(figure, figure.length / 2.0), f"middle of {name}", "middle", id)
        case Outline():
            for number, corner in enumerate(figure.corners, 1):
                yield Candidate(corner, f"corner {number} of {name}", "end", id)
            if not figure.closed:
                yield Candidate(place_along(figure, figure.length / 2.0), f"middle of {name}", "middle", id)
            for number, piece in enumerate(figure.pieces, 1):
                edge = edge_name(str(number), name)
                yield Candidate(place_along(piece, piece.length / 2.0), f"middle of {edge}", "middle", id)
                if not isinstance(piece, Line):
                    yield Candidate(piece.centre, f"centre of {edge}", "centre", id)
            for what, at in middles(figure):
                yield Candidate(at, f"{what} of {name}", "area", id)
        case EndlessLine() | FigureSet() | float() | Reading() | None:
            # It has no special place; the members of a set are looked at one by one.
            pass
        case _:
            assert_never(figure)


def _quarters(book: Book, figure: RoundCurve, name: str, id: str) -> Iterator[Candidate]:
    """The quarter points of a circle that are drawn, in the directions that the drawing counts."""
    for core, (c, s) in ((0.0, (1.0, 0.0)), (90.0, (0.0, 1.0)), (180.0, (-1.0, 0.0)), (270.0, (0.0, -1.0))):
        at = Point(figure.centre.x + figure.radius * c, figure.centre.y + figure.radius * s)
        if isinstance(figure, Circle) or on_sweep(figure, at):
            shown = book.writing.direction_from_core(core)
            yield Candidate(at, f"on {name} at {shown:g}", "quarter", id)


def parts(figure: Any, name: str, id: str, count: int) -> Iterator[Candidate]:
    """The places that cut a figure into so many equal parts, counted from its start; a circle starts in the east."""
    if not isinstance(figure, FiniteCurve):
        return
    length = figure.length
    for n in range(0 if isinstance(figure, Circle) else 1, count):
        share = f"{n}/{count}" if n else "0%"
        yield Candidate(place_along(figure, length * n / count), f"{share} of {name}", "part", id)


def stepped(figure: Any, name: str, id: str, along: float, q: Query) -> Candidate | None:
    """The place at a whole number of steps from the nearer end, nearest to a distance ``along`` a line or an arc."""
    length, step = figure.length, q.step
    from_end = along > length / 2.0
    count = round((length - along if from_end else along) / step)
    distance = count * step
    if not 0.0 < distance < length or count > ceil(length / step):
        return None
    at = place_along(figure, length - distance if from_end else distance)
    return Candidate(at, f"{q.length(distance)} along {name}{' from end' if from_end else ''}", "step", id)
