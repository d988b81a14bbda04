"""Places that can be taken near the pointer, in words that are statements of the language."""

from collections.abc import Iterator
from dataclasses import dataclass
from math import hypot, inf
from typing import Any

from ..book.book import Book
from ..book.values import Drawn, Reading
from ..figures import Arc, Circle, Ellipse, EndlessLine, Line, Outline, Point
from ..measure.box import box_of, stretch
from ..measure.closest import distance_between
from ..meet import meet_long
from ..meet.within import on_sweep

_RANK = {"point": 0, "end": 1, "centre": 1, "crossing": 2, "middle": 3, "quarter": 4}
_MOST_CROSSED = 12
"""Of more figures than this under the pointer only the latest are crossed with each other."""


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
            yield from _quarters(book, figure, name, id)
        case Arc(centre, _, start, end):
            yield from _quarters(book, figure, name, id)
            yield Candidate(start, f"start of {name}", "end", id)
            yield Candidate(end, f"end of {name}", "end", id)
            yield Candidate(centre, f"centre of {name}", "centre", id)
        case Ellipse(centre):
            yield Candidate(centre, f"centre of {name}", "centre", id)
        case Outline():
            for number, corner in enumerate(figure.corners, 1):
                yield Candidate(corner, f"corner {number} of {name}", "end", id)


def _quarters(book: Book, figure: Circle | Arc, name: str, id: str) -> Iterator[Candidate]:
    """The quarter points of a circle that are drawn, in the directions that the drawing counts."""
    for core, (c, s) in ((0.0, (1.0, 0.0)), (90.0, (0.0, 1.0)), (180.0, (-1.0, 0.0)), (270.0, (0.0, -1.0))):
        at = Point(figure.centre.x + figure.radius * c, figure.centre.y + figure.radius * s)
        if isinstance(figure, Circle) or on_sweep(figure, at):
            shown = book.header.manner.direction_from_core(core)
            yield Candidate(at, f"on {name} at {shown:g}", "quarter", id)


def _crossings(book: Book, near: list[tuple[str, Any]], pointer: Point, reach: float) -> Iterator[Candidate]:
    """Where the figures under the pointer cross or touch each other within reach."""
    under = [
        (id, known.of.figure) for id, known in near if isinstance(known.of.figure, Line | EndlessLine | Circle | Arc | Ellipse)
    ]
    close = [(id, figure) for id, figure in under if distance_between(pointer, figure) <= reach][-_MOST_CROSSED:]
    for index, (id, figure) in enumerate(close):
        for other, second in close[:index]:
            found = meet_long(second, figure)
            for spot in found.spots:
                if spot.true and hypot(spot.at.x - pointer.x, spot.at.y - pointer.y) <= reach:
                    sign = f" {spot.sign}" if len(found.spots) > 1 else ""
                    words = f"crossing of {book.steps[other].name} {book.steps[id].name}{sign}"
                    yield Candidate(spot.at, words, "crossing", id)


class _Known:
    """What is known of one step's figure: its special places, and the box around it and them.

    It holds for the value, the step (its name, whether it shows) and the manner (the words for directions) that it is of.
    """

    __slots__ = ("box", "manner", "of", "places", "step")

    def __init__(self, book: Book, id: str) -> None:
        self.of = book.values[id]
        self.step = book.steps[id]
        self.manner = book.header.manner
        self.places = tuple(places_of_step(book, id))
        self.box: list[float] | None = None
        if isinstance(self.of, Drawn) and not self.step.hidden and not isinstance(self.of.figure, float | Reading):
            if isinstance(self.of.figure, EndlessLine):
                self.box = [-inf, -inf, inf, inf]
            else:
                self.box = list(box_of(self.of.figure) or [-inf, -inf, inf, inf])
                for one in self.places:
                    stretch(self.box, one.at)


def _near(book: Book, x: float, y: float, reach: float) -> Iterator[tuple[str, _Known]]:
    """The steps whose boxes lie within reach, in the order of the book; what is known of a figure is kept with the book."""
    known: dict[str, _Known] = book.memo.setdefault("places", {})
    manner = book.header.manner
    left, low, right, high = x - reach, y - reach, x + reach, y + reach
    for id in book.order:
        one = known.get(id)
        if one is None or one.of is not book.values[id] or one.step is not book.steps[id] or one.manner != manner:
            one = known[id] = _Known(book, id)
        box = one.box
        if box is not None and box[0] <= right and box[2] >= left and box[1] <= high and box[3] >= low:
            yield id, one


def within_reach(book: Book, x: float, y: float, reach: float) -> list[Candidate]:
    """Special places at most ``reach`` from the pointer: the likeliest kind first, then the nearest, then the latest."""
    found: list[tuple[int, float, int, Candidate]] = []
    near = list(_near(book, x, y, reach))
    places = [place for _, known in near for place in known.places]
    for candidate in (*places, *_crossings(book, near, Point(x, y), reach)):
        away = hypot(candidate.at.x - x, candidate.at.y - y)
        if away <= reach:
            found.append((_RANK[candidate.kind], away, -book.position(candidate.step), candidate))
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
