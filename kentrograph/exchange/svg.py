"""Pictures as SVG (W3C Scalable Vector Graphics 1.1). Lines, circles, arcs and ellipses stay what they are: the arc
clauses of its implementation notes (appendix F.6) are followed. y is turned over here and nowhere else."""

from collections.abc import Iterable
from dataclasses import dataclass
from math import pi
from typing import assert_never
from xml.sax.saxutils import escape

from ..core.figures import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Piece, Point
from ..core.figures.box import Box, empty_box, stretch


@dataclass(frozen=True, slots=True)
class Styled:
    """A figure with the colour and width of its stroke, in the picture's units; ``label`` is written beside a point."""

    figure: Figure
    colour: str = "#1B2A49"
    width: float = 0.6
    label: str = ""
    dashed: bool = False


def picture(figures: Iterable[Styled], margin: float = 6.0, pixels: float = 4.0, box: Box | None = None) -> str:
    """One SVG document that holds these figures; ``pixels`` to a unit of the drawing."""
    shown = list(figures)
    seen = box or empty_box()
    for one in shown if box is None else ():
        stretch(seen, one.figure)
    left, bottom, right, top = seen[0] - margin, seen[1] - margin, seen[2] + margin, seen[3] + margin
    width, height = right - left, top - bottom
    parts = [_element(one, (left, bottom, right, top)) for one in shown]
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="{left:g} {-top:g} {width:g} {height:g}" '
        f'width="{width * pixels:.0f}" height="{height * pixels:.0f}">\n'
        f'<rect x="{left:g}" y="{-top:g}" width="{width:g}" height="{height:g}" fill="#F7F4EC"/>\n'
        + "\n".join(parts)
        + "\n</svg>\n"
    )


def _element(one: Styled, frame: tuple[float, float, float, float]) -> str:
    stroke = f'fill="none" stroke="{one.colour}" stroke-width="{one.width:g}" stroke-linecap="round"'
    stroke += f' stroke-dasharray="{3.0 * one.width:g} {2.5 * one.width:g}"' if one.dashed else ""
    match one.figure:
        case Point(x, y):
            cross = f"M{x - 1:.6g} {-y - 1:.6g}l2 2m0 -2l-2 2"
            name = f'<text x="{x + 2:.6g}" y="{-y - 2:.6g}" font-size="4" fill="{one.colour}">{escape(one.label)}</text>'
            return f'<path d="{cross}" {stroke}/>' + (name if one.label else "")
        case Circle(centre, radius):
            return f'<circle cx="{_n(centre.x)}" cy="{_n(-centre.y)}" r="{_n(radius)}" {stroke}/>'
        case Ellipse(centre, a, b, turn) if one.figure.whole:
            turned = f'transform="rotate({_n(-turn)} {_n(centre.x)} {_n(-centre.y)})"'
            return f'<ellipse cx="{_n(centre.x)}" cy="{_n(-centre.y)}" rx="{_n(a)}" ry="{_n(b)}" {turned} {stroke}/>'
        case EndlessLine(through, ux, uy):
            far = abs(frame[2] - frame[0]) + abs(frame[3] - frame[1])
            ends = (Point(through.x + s * far * ux, through.y + s * far * uy) for s in (-1.0, 1.0))
            return f'<path d="M{"L".join(map(_xy, ends))}" {stroke}/>'
        case Outline(pieces, closed):
            path = f"M{_xy(pieces[0].start)}" + "".join(_onward(p) for p in pieces) + ("Z" if closed else "")
            return f'<path d="{path}" {stroke}/>'
        case Line() | Arc() | Ellipse():
            start = one.figure.start
            return f'<path d="M{_xy(start)}{_onward(one.figure)}" {stroke}/>'
        case FigureSet(members):
            return "\n".join(_element(Styled(member, one.colour, one.width, dashed=one.dashed), frame) for member in members)
        case _:
            assert_never(one.figure)


def path_of(figure: Figure) -> str:
    """A figure as path data: whole circles and ellipses in two halves; nothing of a point, or of a line without ends."""
    match figure:
        case Line() | Arc():
            return f"M{_xy(figure.start)}{_onward(figure)}"
        case Ellipse() if not figure.whole:
            return f"M{_xy(figure.start)}{_onward(figure)}"
        case Circle(c, r):
            return (
                f"M{_xy(Point(c.x + r, c.y))}" + "".join(f"a{_n(r)} {_n(r)} 0 1 0 {_n(s * 2.0 * r)} 0" for s in (-1.0, 1.0)) + "Z"
            )
        case Ellipse(_, a, b, turn):
            half = f"A{_n(a)} {_n(b)} {_n(-turn)} 0 0"
            return f"M{_xy(figure.at(0.0))}{half} {_xy(figure.at(pi))}{half} {_xy(figure.at(0.0))}Z"
        case Outline(pieces, closed):
            return f"M{_xy(pieces[0].start)}" + "".join(map(_onward, pieces)) + ("Z" if closed else "")
        case FigureSet(members):
            return "".join(map(path_of, members))
        case Point() | EndlessLine():
            return ""
        case _:
            assert_never(figure)


def _onward(piece: Piece) -> str:
    """The path command that goes on from the start of a piece to its end."""
    match piece:
        case Line(_, end):
            return f"L{_xy(end)}"
        case Arc(_, radius, _, end, sweep):
            # A sweep flag of 0 is counter-clockwise once y is turned over.
            return f"A{_n(radius)} {_n(radius)} 0 {int(abs(sweep) > 180.0)} {int(sweep < 0.0)} {_xy(end)}"
        case Ellipse(_, a, b, turn):
            return f"A{_n(a)} {_n(b)} {_n(-turn)} {int(abs(piece.sweep) > 180.0)} {int(piece.sweep < 0.0)} {_xy(piece.end)}"
        case _:
            assert_never(piece)


def _n(value: float) -> str:
    return f"{value + 0.0:.10g}"


def _xy(at: Point) -> str:
    return f"{_n(at.x)} {_n(0.0 - at.y)}"
