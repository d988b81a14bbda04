"""What a figure under the pointer tells of itself while nothing is written: its own measures, in the drawing's unit."""

from typing import Any, assert_never

from ..book.book import Book
from ..book.caches import Kept
from ..book.manner import Header
from ..figures import Arc, Circle, Curve, Ellipse, EndlessLine, Line, Outline, Point
from ..language import display
from ..measure.area import area_of, perimeter_of
from ..problem import Refused
from ..shape.corners import inner_angle
from ..snap.edge import edge_at
from .pointing import Pointed


def hover_measures(book: Book, pointed: Pointed) -> tuple[str, ...]:
    """The measures of the figure under the pointer, line by line: of an outline those of the piece there, then its own; at a
    corner of one the angle there. Nothing where none is."""
    figure = book.figure_of(pointed.figure) if pointed.figure is not None else None
    header = book.header
    if isinstance(figure, Outline):
        name = book.name_of(pointed.figure or "")
        piece, called = edge_at(figure, name, pointed.at.x, pointed.at.y)
        corner = _corner(figure, pointed.at)
        first = f"corner of {display.dms(corner)}" if corner is not None else f"{called}: {_of_curve(piece, header)}"
        own = _OUTLINES.of(book)
        if pointed.figure not in own:
            # Every move of the pointer along it asks again.
            own[pointed.figure] = _of_outline(figure, header)
        return (first, f"{name}: {own[pointed.figure]}" if name else own[pointed.figure])
    if isinstance(figure, Curve):
        return (_of_curve(figure, header),)
    return (display.place(figure, header),) if isinstance(figure, Point) else ()


_OUTLINES: Kept[dict[str | None, str]] = Kept(dict)


def _of_curve(curve: Curve, header: Header) -> str:
    match curve:
        case Line():
            return f"length {display.with_unit(curve.length, header)} · direction {display.direction(curve.direction, header)}"
        case EndlessLine():
            return f"direction {display.direction(curve.direction, header)}"
        case Circle(_, radius):
            return f"radius {display.with_unit(radius, header)} · area {_area(curve, header)}"
        case Arc(_, radius, _, _, sweep):
            said = (f"radius {display.with_unit(radius, header)}", f"length {display.with_unit(curve.length, header)}")
            return " · ".join([*said, f"sweep {display.dms(sweep)}"])
        case Ellipse(_, a, b):
            axes = f"half axes {display.length(a, header)}, {display.with_unit(b, header)}"
            rest = f"area {_area(curve, header)}" if curve.whole else f"length {display.with_unit(curve.length, header)}"
            return f"{axes} · {rest}"
        case _:
            assert_never(curve)


def _of_outline(outline: Outline, header: Header) -> str:
    if not outline.closed:
        return f"length {display.with_unit(outline.length, header)}"
    try:
        return f"area {_area(outline, header)} · perimeter {display.with_unit(perimeter_of(outline), header)}"
    except Refused:
        # One that crosses itself has no area.
        return f"length {display.with_unit(outline.length, header)}"


def _area(figure: Any, header: Header) -> str:
    return display.measured(area_of(figure), "area", header)


def _corner(outline: Outline, at: Point) -> float | None:
    """The angle inside a corner at a place, in degrees; None where it is no corner."""
    pieces = outline.pieces
    for n, piece in enumerate(pieces):
        if piece.start == at and (n > 0 or outline.closed):
            return inner_angle(outline, n)
    return None
