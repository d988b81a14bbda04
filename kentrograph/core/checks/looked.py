"""A figure as checks look at it: its places, its curves, its box, worked out once."""

from dataclasses import dataclass
from typing import Any, Literal

from ..book.order import Key
from ..figures import Arc, Circle, Curve, Ellipse, EndlessLine, Line, Outline, Point
from ..figures.box import box_of

What = Literal["start", "end", "corner", "centre", "point"]
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
    places: tuple[tuple[What, Point], ...]
    curves: tuple[Curve, ...]
    box: tuple[float, float, float, float]
    extent: float
    out: float
    """How far from the drawing's datum it reaches."""
    key: Key
    """Where its step stands: of two figures the one that was drawn earlier is the first."""


def looked_at(id: str, step: str, figure: Any, pen: str, traced: bool, key: Key) -> Looked:
    """A figure that is no set, ready to be compared with others."""
    x0, y0, x1, y1 = box_of(figure)
    extent, out = max(x1 - x0, y1 - y0), max(abs(x0), abs(y0), abs(x1), abs(y1))
    return Looked(id, step, figure, pen, traced, _places(figure), _curves(figure), (x0, y0, x1, y1), extent, out, key)


def _curves(figure: Any) -> tuple[Curve, ...]:
    if isinstance(figure, Outline):
        return figure.pieces
    return () if isinstance(figure, Point) else (figure,)


def _places(figure: Any) -> tuple[tuple[What, Point], ...]:
    if isinstance(figure, Point):
        return (("point", figure),)
    if isinstance(figure, Circle) or (isinstance(figure, Ellipse) and figure.whole):
        return (("centre", figure.centre),)
    if isinstance(figure, Arc | Ellipse):
        return (("start", figure.start), ("end", figure.end), ("centre", figure.centre))
    if isinstance(figure, Line):
        return (("start", figure.start), ("end", figure.end))
    if isinstance(figure, Outline):
        corners = figure.pieces if figure.closed else figure.pieces[1:]
        inner: list[tuple[What, Point]] = [("corner", p.start) for p in corners] if len(corners) <= MOST_CORNERS else []
        return tuple(inner) if figure.closed else (("start", figure.start), ("end", figure.end), *inner)
    assert isinstance(figure, EndlessLine)
    return ()
