"""Figures as statements that need nothing around them: their places in numbers, every digit of them.

For the clipboard, and for symbols made of what was drawn: what comes of reading them again is the same figure, to rounding.
"""

from collections.abc import Iterator
from decimal import Decimal
from math import atan2, cos, degrees, hypot, radians, sin
from typing import Any, assert_never

from ..figures import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Point
from ..figures.along import place_along

_BY_RADIUS = 90.0
"""Arcs of a chain that sweep less are known best by their radius, others by a place on the way."""


def statements_of(figure: Figure) -> Iterator[str]:
    """The statements that draw a figure, absolute from the datum; of a set those of its members, of an outline with parts of
    ellipses those of its pieces.

    >>> list(statements_of(Circle(Point(40.0, 25.5), 12.0)))
    ['circle centre 40, 25.5 radius 12']
    """
    match figure:
        case Point():
            yield f"point {_place(figure)}"
        case Line(start, end):
            yield f"line from {_place(start)} to {_place(end)}"
        case EndlessLine(through, ux, uy):
            # As far along as it is from the datum: then its direction is known as well as its place.
            far = max(1.0, abs(through.x), abs(through.y))
            yield f"line through {_place(through)}; {_place(Point(through.x + far * ux, through.y + far * uy))}"
        case Circle(centre, radius):
            yield f"circle centre {_place(centre)} radius {_number(radius)}"
        case Arc(centre, _, start, end, sweep):
            yield f"arc centre {_place(centre)} from {_place(start)} to {_place(end)}{'' if sweep > 0.0 else ' clockwise'}"
        case Ellipse(centre, a, b, turn, begin, sweep):
            first, last = (begin, begin + sweep) if sweep > 0.0 else (begin + sweep, begin)
            part = "" if figure.whole else f" part {_number(_seen_at(figure, first))} to {_number(_seen_at(figure, last))}"
            yield f"ellipse centre {_place(centre)} axes {_number(a)}, {_number(b)} turned {_number(turn)}{part}"
        case Outline(pieces, closed):
            if any(isinstance(piece, Ellipse) for piece in pieces):
                for piece in pieces:
                    yield from statements_of(piece)
            else:
                yield _path(pieces, closed)
        case FigureSet(members):
            for member in members:
                yield from statements_of(member)
        case _:
            assert_never(figure)


def _seen_at(ellipse: Ellipse, degrees_on: float) -> float:
    """The direction from its centre, from its first axis, in which the place with an eccentric angle lies."""
    t = radians(degrees_on)
    seen = degrees(atan2(ellipse.b * sin(t), ellipse.a * cos(t)))
    return seen + 360.0 * round((degrees_on - seen) / 360.0)


def _path(pieces: tuple[Any, ...], closed: bool) -> str:
    words = [f"path from {_place(pieces[0].start)}"]
    for n, piece in enumerate(pieces):
        if isinstance(piece, Line):
            # The way back to the beginning is what close draws.
            if not (closed and n == len(pieces) - 1):
                words.append(f"to {_place(piece.end)}")
        else:
            words.append(f"{_bend(piece)} to {_place(piece.end)}")
    return " ".join([*words, "close"] if closed else words)


def _bend(arc: Arc) -> str:
    flat = hypot(arc.end.x - arc.start.x, arc.end.y - arc.start.y) > 0.0 and abs(arc.sweep) < _BY_RADIUS
    if not flat:
        return f"curve via {_place(place_along(arc, 0.5 * arc.length))}"
    # An arc that turns left bulges to the right of its chord.
    return f"curve radius {_number(arc.radius)} {'right' if arc.sweep > 0.0 else 'left'}"


def _place(at: Point) -> str:
    return f"{_number(at.x)}, {_number(at.y)}"


def _number(value: float) -> str:
    """Every digit that a double has, without powers of ten.

    >>> _number(0.1 + 0.2), _number(-0.0), _number(1e-7), _number(2.5e12)
    ('0.30000000000000004', '0', '0.0000001', '2500000000000')
    """
    text = format(Decimal(repr(value)), "f")
    text = text.rstrip("0").rstrip(".") if "." in text else text
    return "0" if text in ("-0", "") else text
