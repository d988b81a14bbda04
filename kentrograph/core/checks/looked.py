"""A figure as checks look at it: its places, its curves, its box, worked out once."""

from dataclasses import dataclass
from typing import Any

from ..book.order import Key
from ..figures import Arc, Circle, Curve, Ellipse, EndlessLine, Line, Outline, Point
from ..figures.box import box_of
from .finding import Place, What

MOST_CORNERS = 64
"""An outline of more corners than this is looked at by its ends alone."""


@dataclass(slots=True)
class Looked:
    """``traced``: it lies on others because it was made along them. ``pen`` is what it is drawn with; ``extent`` how far it
    reaches across or up."""

    id: str
    step: str
    figure: Any
    pen: str
    traced: bool
    places: tuple[Place, ...]
    curves: tuple[Curve, ...]
    box: tuple[float, float, float, float]
    extent: float
    out: float
    """How far from the drawing's datum it reaches."""
    stands: tuple[Key, tuple[int, ...]]
    """Where its step stands, and which of its figures and copies it is: of two the one that was drawn earlier is the first."""


def standing(key: Key, id: str) -> tuple[Key, tuple[int, ...]]:
    """Where a figure stands, by the key of its step: which of those that come of the step it is, and which copy in a set."""
    return key, tuple(map(int, id.replace("/", ".").split(".")[1:]))


def looked_at(id: str, step: str, figure: Any, pen: str, traced: bool, key: Key) -> Looked:
    """A figure that is no set, ready to be compared with others."""
    x0, y0, x1, y1 = box_of(figure)
    extent, out = max(x1 - x0, y1 - y0), max(abs(x0), abs(y0), abs(x1), abs(y1))
    stands = standing(key, id)
    return Looked(id, step, figure, pen, traced, _places(id, figure), _curves(figure), (x0, y0, x1, y1), extent, out, stands)


def _curves(figure: Any) -> tuple[Curve, ...]:
    if isinstance(figure, Outline):
        return figure.pieces
    return () if isinstance(figure, Point) else (figure,)


def _places(id: str, figure: Any) -> tuple[Place, ...]:
    def named(*whats: What) -> tuple[Place, ...]:
        return tuple(Place(id, what, getattr(figure, what)) for what in whats)

    if isinstance(figure, Point):
        return (Place(id, "point", figure),)
    if isinstance(figure, Circle) or (isinstance(figure, Ellipse) and figure.whole):
        return named("centre")
    if isinstance(figure, Arc | Ellipse):
        return named("start", "end", "centre")
    if isinstance(figure, Line):
        return named("start", "end")
    if isinstance(figure, Outline):
        first = 0 if figure.closed else 1
        corners = figure.pieces[first:] if len(figure.pieces) <= MOST_CORNERS else ()
        inner = tuple(Place(id, "corner", piece.start, first + n) for n, piece in enumerate(corners, 1))
        return inner if figure.closed else (*named("start", "end"), *inner)
    assert isinstance(figure, EndlessLine)
    return ()
