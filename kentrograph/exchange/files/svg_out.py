"""A drawing as SVG (W3C Scalable Vector Graphics 1.1, second edition), in true units.

Lines, circles, arcs and ellipses stay what they are; arcs follow the implementation notes, appendix F.6. One unit of the view
box is one unit of the drawing; y is turned over. Groups are groups, pens are classes with a style of their own.
"""

from collections.abc import Sequence
from itertools import groupby
from typing import assert_never
from xml.sax.saxutils import escape, quoteattr

from ...core.figures import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Piece, Point
from ...core.figures.along import place_along
from ...core.figures.box import box_around
from ...core.sheet.style import SMALL, pen_line
from ...core.units import MILLIMETRES
from .found import Progress
from .items import Item
from .numbers import NumberWriter, number_writer

_CSS = ("mm", "cm", "in")
"""Units of a drawing that are units of CSS, too (CSS 2.1, 4.3.2); others are written in mm."""
_EVERY = 500
_HALF, _WHOLE = (135.0, 225.0), 330.0
"""Degrees of a sweep that is written in two halves."""
SAME_PLACES = 'data-coordinates="drawing"'
"""Says that places are those of the drawing with y turned over, wherever the page lies; beside it stands to how many decimals
they are rounded, if they are."""


def as_svg(
    items: Sequence[Item], unit: str, title: str, decimals: int | None = None, progress: Progress | None = None
) -> tuple[str, list[str]]:
    """The document, and what could not be written, in words."""
    told = number_writer(decimals)
    shown = [item for item in items if not isinstance(item.figure, EndlessLine)]
    left, bottom, right, top = box_around(item.figure for item in shown) if shown else (0.0, 0.0, 1.0, 1.0)
    # Half the widest line, so that none is cut off at the edge.
    edge = SMALL.wide / float(MILLIMETRES[unit])
    wide, high = right - left + 2.0 * edge, top - bottom + 2.0 * edge
    css, scale = (unit, 1.0) if unit in _CSS else ("mm", float(MILLIMETRES[unit]))
    rounded = f' data-decimals="{decimals}"' if decimals is not None else ""
    parts = [
        '<?xml version="1.0" encoding="UTF-8"?>',
        f'<svg xmlns="http://www.w3.org/2000/svg" version="1.1" {SAME_PLACES}{rounded} '
        f'width="{told(wide * scale)}{css}" height="{told(high * scale)}{css}" '
        f'viewBox="{told(left - edge)} {told(-top - edge)} {told(wide)} {told(high)}">',
        f"<title>{escape(title)}</title>",
        f"<style>{_style(shown, unit)}</style>",
    ]
    done = 0
    for group, members in groupby(shown, key=lambda item: item.group):
        if group:
            parts.append(f'<g id={quoteattr(group)} class="group"><title>{escape(group)}</title>')
        for item in members:
            parts.append(_element(item, told))
            done += 1
            if progress is not None and done % _EVERY == 0:
                progress(done, len(shown))
        if group:
            parts.append("</g>")
    parts.append("</svg>\n")
    without = len(items) - len(shown)
    return "\n".join(parts), [f"{without} lines without ends, which SVG does not have"] if without else []


def _style(items: Sequence[Item], unit: str) -> str:
    rules = ["path,circle,ellipse{fill:none;stroke:#000;stroke-linecap:round}"]
    for pen in dict.fromkeys(item.pen for item in items):
        width, dash = pen_line(pen, SMALL)
        mm = float(MILLIMETRES[unit])
        dashes = f";stroke-dasharray:{' '.join(f'{part / mm:.4g}' for part in dash)}" if dash else ""
        rules.append(f".{pen}{{stroke-width:{width / mm:.4g}{dashes}}}")
    return "".join(rules)


def _element(item: Item, told: NumberWriter) -> str:
    known = f"class={quoteattr(item.pen)}"
    name = f"<title>{escape(item.name)}</title>" if item.name else ""
    match item.figure:
        case Circle(centre, radius):
            tag, shape = "circle", f'cx="{told(centre.x)}" cy="{told(-centre.y)}" r="{told(radius)}"'
        case Ellipse(centre, a, b, turn) if item.figure.whole:
            at = f'cx="{told(centre.x)}" cy="{told(-centre.y)}" rx="{told(a)}" ry="{told(b)}"'
            # A direction has as many digits as it takes: its decimals say nothing about lengths.
            tag, shape = "ellipse", f'{at} transform="rotate({-turn!r} {told(centre.x)} {told(-centre.y)})"'
        case figure:
            tag, shape = "path", f'd="{_path(figure, told)}"'
    return f"<{tag} {known} {shape}>{name}</{tag}>" if name else f"<{tag} {known} {shape}/>"


def _path(figure: Figure, told: NumberWriter) -> str:
    match figure:
        case Point():
            # A path of no length with a round cap is drawn as a dot (SVG 1.1, 11.4).
            return f"M{_xy(figure, told)}h0"
        case Line() | Arc() | Ellipse():
            return f"M{_xy(figure.start, told)}{_onward(figure, told)}"
        case Outline(pieces, closed):
            last = pieces[-1]
            on = pieces[:-1] if closed and isinstance(last, Line) else pieces
            return f"M{_xy(pieces[0].start, told)}" + "".join(_onward(p, told) for p in on) + ("Z" if closed else "")
        case Circle() | EndlessLine() | FigureSet():
            raise AssertionError(figure)
        case _:
            assert_never(figure)


def _onward(piece: Piece, told: NumberWriter) -> str:
    match piece:
        case Line(_, end):
            return f"L{_xy(end, told)}"
        case Arc(_, radius, _, end, sweep):
            return _bows(f"{told(radius)} {told(radius)} 0", sweep, place_along(piece, piece.length / 2.0), end, told)
        case Ellipse(_, a, b, turn):
            middle = piece.at_degrees(piece.begin + piece.sweep / 2.0)
            return _bows(f"{told(a)} {told(b)} {-turn!r}", piece.sweep, middle, piece.end, told)
        case _:
            assert_never(piece)


def _bows(axes: str, sweep: float, middle: Point, end: Point, told: NumberWriter) -> str:
    """An arc by its end. Half a turn, or nearly a whole one, leaves the centre open to rounding: it goes by way of its middle."""
    round_about = int(sweep < 0.0)
    size = abs(sweep)
    if _HALF[0] < size < _HALF[1] or size > _WHOLE:
        return "".join(f"A{axes} 0 {round_about} {_xy(at, told)}" for at in (middle, end))
    return f"A{axes} {int(size > 180.0)} {round_about} {_xy(end, told)}"


def _xy(at: Point, told: NumberWriter) -> str:
    return f"{told(at.x)} {told(-at.y)}"
