"""Places that can be taken near the pointer, in words that are statements of the language."""

from collections.abc import Iterator
from dataclasses import dataclass
from math import hypot

from ..book.book import Book
from ..book.values import Drawn, Reading
from ..figures import Arc, Circle, Ellipse, Line, Outline, Point
from ..measure.closest import distance_between

_RANK = {"point": 0, "end": 1, "centre": 1, "middle": 2}


@dataclass(frozen=True, slots=True)
class Candidate:
    """A place, the words that take it, the kind of place it is and the step it belongs to."""

    at: Point
    words: str
    kind: str
    step: str


def places_of_step(book: Book, id: str) -> Iterator[Candidate]:
    """The special places of one step's figure."""
    step, value = book.steps[id], book.values[id]
    if step.hidden or not isinstance(value, Drawn):
        return
    name, figure = step.name, value.figure
    match figure:
        case Point():
            yield Candidate(figure, name, "point", id)
        case Line(start, end):
            yield Candidate(start, f"start of {name}", "end", id)
            yield Candidate(end, f"end of {name}", "end", id)
            middle = Point(start.x + (end.x - start.x) / 2, start.y + (end.y - start.y) / 2)
            yield Candidate(middle, f"middle of {name}", "middle", id)
        case Circle(centre):
            yield Candidate(centre, f"centre of {name}", "centre", id)
        case Arc(centre, _, start, end):
            yield Candidate(start, f"start of {name}", "end", id)
            yield Candidate(end, f"end of {name}", "end", id)
            yield Candidate(centre, f"centre of {name}", "centre", id)
        case Ellipse(centre):
            yield Candidate(centre, f"centre of {name}", "centre", id)
        case Outline():
            for number, corner in enumerate(figure.corners, 1):
                yield Candidate(corner, f"corner {number} of {name}", "end", id)


def within_reach(book: Book, x: float, y: float, reach: float) -> list[Candidate]:
    """Special places at most ``reach`` from the pointer: the likeliest kind first, then the nearest, then the latest."""
    found: list[tuple[int, float, int, Candidate]] = []
    for id in book.order:
        for candidate in places_of_step(book, id):
            away = hypot(candidate.at.x - x, candidate.at.y - y)
            if away <= reach:
                found.append((_RANK[candidate.kind], away, -book.position(id), candidate))
    found.sort(key=lambda f: f[:3])
    return [f[3] for f in found]


def figure_at(book: Book, x: float, y: float, reach: float) -> str | None:
    """The step whose figure runs nearest to the pointer, within reach; the later one where two are equally near."""
    pointer = Point(x, y)
    best: tuple[float, str] | None = None
    for id in book.order:
        value = book.values[id]
        if book.steps[id].hidden or not isinstance(value, Drawn) or isinstance(value.figure, float | Reading):
            continue
        away = distance_between(pointer, value.figure)
        if away <= reach and (best is None or away <= best[0]):
            best = (away, id)
    return best[1] if best else None
