"""Angles and lengths of arcs: a dimension line that runs around a corner, or beside an arc. Source: ISO 129-1, from memory."""

from math import degrees, hypot, radians

from ..angles import unit_vector
from ..book.on_paper import Dimension
from ..figures import Arc, Circle, Point
from .compose import Composed
from .frame import Frame
from .laid import Laid, Ways, arrow, readable, set_at
from .marks import Mark, Stroke, segment
from .style import Style
from .tilted import Tilted, between

_TRIES = 40
_LEAST = 6.0
"""The smallest dimension arc, in heights of the lettering."""


def ways(dimension: Dimension, value: Composed, frame: Frame, style: Style) -> Ways:
    """Ever further from the corner, or from the arc."""
    centre = frame.place(dimension.places[0])
    if dimension.form == "arc":
        rim = frame.figure(dimension.rim) if dimension.rim is not None else None
        assert isinstance(rim, Circle | Arc)
        begin, turn = (rim.from_direction, rim.sweep) if isinstance(rim, Arc) else (0.0, 359.0)
        legs, least = (rim.radius, rim.radius), rim.radius + style.first_row
    else:
        begin, turn = dimension.direction + frame.turn, dimension.turn
        a, b = dimension.legs
        legs, least = (a * frame.size, b * frame.size), _LEAST * style.height
    if turn < 0.0:
        begin, turn, legs = begin + turn, -turn, (legs[1], legs[0])
    put = frame.place(dimension.at) if dimension.at is not None else None
    first = hypot(put.x - centre.x, put.y - centre.y) if put is not None else least
    for n in range(_TRIES):
        yield _lay(
            centre, max(first + n * style.next_row, style.height), begin, turn, legs, value, style, dimension.form == "arc"
        )


def _lay(
    centre: Point,
    radius: float,
    begin: float,
    turn: float,
    legs: tuple[float, float],
    value: Composed,
    style: Style,
    rim: bool,
) -> Laid:
    marks: list[Mark] = []
    ends = [_at(centre, radius, begin), _at(centre, radius, begin + turn)]
    small = degrees(2.5 * style.arrow / radius)
    inside = turn > small
    room = radius * radians(turn)
    fits = inside and room >= value.width + 2.0 * style.arrow
    for leg, direction in zip(legs, (begin, begin + turn), strict=True):
        # From where the leg ends, which may be on the other side of the corner; none where it runs on past the dimension line.
        if rim or leg < radius:
            start = leg + style.gap if leg != 0.0 else 0.0
            marks += segment(_at(centre, start, direction), _at(centre, radius + style.past, direction), style.narrow)
    over = 0.0 if inside else small
    if turn + 2.0 * over < 360.0:
        marks.append(Stroke(arc_of(centre, radius, begin - over, turn + 2.0 * over), style.narrow))
    lean = degrees(style.arrow / radius) / 2.0
    tips = ((ends[0], begin - 90.0 + lean), (ends[1], begin + turn + 90.0 - lean))
    marks += [arrow(tip, way if inside else way + 180.0, style) for tip, way in tips]
    middle = begin + turn / 2.0 if fits else begin + turn + small + degrees((value.width / 2.0 + style.height) / radius)
    words: list[Tilted] = []
    direction = readable(middle - 90.0)
    # Over the line as it is read: outside it or within.
    ux, uy = unit_vector(direction)
    rx, ry = unit_vector(middle)
    outward = -uy * rx + ux * ry > 0.0
    # Within it, the line bends toward the words.
    half = min(value.width / 2.0, radius)
    sag = 0.0 if outward else radius - (radius * radius - half * half) ** 0.5
    foot = _at(centre, radius, middle)
    set_marks, boxes = set_at(value, foot, direction, style.raised + sag)
    marks += set_marks
    words += boxes
    bars = [between(a, b, style.raised) for a, b in zip(*(_chords(centre, radius, begin, turn)), strict=True)]
    return Laid(tuple(marks), tuple(words), tuple(bar for bar in bars if bar is not None), foot)


def _chords(centre: Point, radius: float, begin: float, turn: float) -> tuple[list[Point], list[Point]]:
    """The dimension line in short straight bars."""
    count = max(2, min(24, int(turn / 15.0)))
    places = [_at(centre, radius, begin + turn * n / count) for n in range(count + 1)]
    return places[:-1], places[1:]


def _at(centre: Point, radius: float, direction: float) -> Point:
    ux, uy = unit_vector(direction)
    return Point(centre.x + radius * ux, centre.y + radius * uy)


def arc_of(centre: Point, radius: float, begin: float, turn: float) -> Arc:
    """An arc about a centre, from a direction over so many degrees."""
    return Arc(centre, radius, _at(centre, radius, begin), _at(centre, radius, begin + turn), turn)
