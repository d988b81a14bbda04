"""What is drawn on paper: strokes, filled shapes, lettering; in mm from the lower left corner of the sheet, y up."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from typing import Literal

from ..figures import Circle, Figure, Line, Point
from ..figures.similarity import Similarity, transformed
from ..tolerance import TOLERANCE

Anchor = Literal["start", "middle", "end"]


@dataclass(frozen=True, slots=True)
class Stroke:
    """A figure drawn with a line ``width`` mm wide; ``dash`` are lengths of lines and gaps by turns. What ``gives_way`` is a
    straight line that is left out under lettering."""

    figure: Figure
    width: float
    dash: tuple[float, ...] = ()
    gives_way: bool = False


@dataclass(frozen=True, slots=True)
class Fill:
    """A filled polygon."""

    places: tuple[Point, ...]


@dataclass(frozen=True, slots=True)
class Lettering:
    """Words with capitals ``height`` mm high, from (or about, or up to) a place on their base line, in a direction."""

    words: str
    at: Point
    height: float
    direction: float = 0.0
    anchor: Anchor = "start"
    strong: bool = False


@dataclass(frozen=True, slots=True)
class Picture:
    """A picture in a box: its lower left corner, width and height; ``data`` is PNG."""

    data: bytes
    at: Point
    width: float
    height: float


@dataclass(frozen=True, slots=True)
class Within:
    """Marks of which only what lies within a circle is seen."""

    circle: Circle
    marks: "tuple[Mark, ...]"


Mark = Stroke | Fill | Lettering | Picture | Within


def segment(a: Point, b: Point, width: float, dash: tuple[float, ...] = ()) -> list[Mark]:
    """A straight stroke; none between two places that are one."""
    return [] if TOLERANCE.same_place(a.x, a.y, b.x, b.y) else [Stroke(Line(a, b), width, dash)]


def box(x: float, y: float, width: float, height: float, line: float) -> list[Mark]:
    """The four sides of a box."""
    corners = [Point(x, y), Point(x + width, y), Point(x + width, y + height), Point(x, y + height)]
    return [mark for a, b in zip(corners, [*corners[1:], corners[0]], strict=True) for mark in segment(a, b, line)]


def moved(marks: Iterable[Mark], by: Similarity, turn: float, size: float) -> list[Mark]:
    """Marks carried: ``turn`` and ``size`` are what the similarity does to directions and lengths."""
    return [_moved(mark, by, turn, size) for mark in marks]


def _moved(mark: Mark, by: Similarity, turn: float, size: float) -> Mark:
    match mark:
        case Stroke(figure):
            return replace(mark, figure=transformed(figure, by))
        case Fill(places):
            return Fill(tuple(map(by.place, places)))
        case Lettering():
            return replace(mark, at=by.place(mark.at), direction=mark.direction + turn, height=mark.height * size)
        case Picture():
            return replace(mark, at=by.place(mark.at), width=mark.width * size, height=mark.height * size)
        case Within(circle, inner):
            found = transformed(circle, by)
            assert isinstance(found, Circle)
            return Within(found, tuple(moved(inner, by, turn, size)))


def texts(marks: Sequence[Mark]) -> list[Lettering]:
    """The lettering among marks."""
    return [mark for mark in marks if isinstance(mark, Lettering)]
