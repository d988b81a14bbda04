"""Places that can be taken near the pointer, in words that are statements of the language."""

from collections.abc import Iterator
from dataclasses import dataclass
from math import hypot, inf

from ..book.book import Book
from ..book.values import Drawn, Reading
from ..figures import Arc, Circle, Ellipse, EndlessLine, Line, Outline, Point
from ..measure.box import box_of, stretch
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


class _Known:
    """What is known of one step's figure: its special places, and the box around it and them; ``of`` is the value it is of."""

    __slots__ = ("box", "hidden", "of", "places")

    def __init__(self, book: Book, id: str) -> None:
        self.of = book.values[id]
        self.hidden = book.steps[id].hidden
        self.places = tuple(places_of_step(book, id))
        self.box: list[float] | None = None
        if isinstance(self.of, Drawn) and not self.hidden and not isinstance(self.of.figure, float | Reading):
            if isinstance(self.of.figure, EndlessLine):
                self.box = [-inf, -inf, inf, inf]
            else:
                self.box = list(box_of(self.of.figure) or [-inf, -inf, inf, inf])
                for one in self.places:
                    stretch(self.box, one.at)


def _near(book: Book, x: float, y: float, reach: float) -> Iterator[tuple[str, _Known]]:
    """The steps whose boxes lie within reach, in the order of the book; what is known of a figure is kept with the book."""
    known: dict[str, _Known] = book.memo.setdefault("places", {})
    left, low, right, high = x - reach, y - reach, x + reach, y + reach
    for id in book.order:
        one = known.get(id)
        if one is None or one.of is not book.values[id] or one.hidden is not book.steps[id].hidden:
            one = known[id] = _Known(book, id)
        box = one.box
        if box is not None and box[0] <= right and box[2] >= left and box[1] <= high and box[3] >= low:
            yield id, one


def within_reach(book: Book, x: float, y: float, reach: float) -> list[Candidate]:
    """Special places at most ``reach`` from the pointer: the likeliest kind first, then the nearest, then the latest."""
    found: list[tuple[int, float, int, Candidate]] = []
    for id, known in _near(book, x, y, reach):
        for candidate in known.places:
            away = hypot(candidate.at.x - x, candidate.at.y - y)
            if away <= reach:
                found.append((_RANK[candidate.kind], away, -book.position(id), candidate))
    found.sort(key=lambda f: f[:3])
    return [f[3] for f in found]


def figure_at(book: Book, x: float, y: float, reach: float) -> str | None:
    """The step whose figure runs nearest to the pointer, within reach; the later one where two are equally near."""
    pointer = Point(x, y)
    best: tuple[float, str] | None = None
    for id, known in _near(book, x, y, reach):
        away = distance_between(pointer, known.of.figure)  # type: ignore[union-attr]
        if away <= reach and (best is None or away <= best[0]):
            best = (away, id)
    return best[1] if best else None
