"""Angles and lengths of arcs: a dimension line that runs around a corner, or beside an arc. Source: ISO 129-1, from memory."""

from math import degrees, hypot, radians

from ..angles import direction_of, unit_vector
from ..book.on_paper import Dimension
from ..figures import Arc, Line, Point, RoundCurve
from .compose import Composed
from .frame import Frame
from .laid import Laid, Ways, arrow, readable, set_at
from .marks import Mark, Stroke
from .straight import thin_of
from .style import Style
from .tilted import between

_TRIES = 40
_LEAST = 6.0
"""The smallest dimension arc, in heights of the lettering."""
_ROOMY = 2.5
"""So many times that a dimension arc may be, for its value to have room between its arrows."""


def ways(dimension: Dimension, value: Composed, frame: Frame, style: Style) -> Ways:
    """Ever further from the corner, or from the arc."""
    centre = frame.place(dimension.places[0])
    if dimension.form == "arc":
        rim = frame.figure(dimension.rim) if dimension.rim is not None else None
        assert isinstance(rim, RoundCurve)
        begin, turn = (rim.from_direction, rim.sweep) if isinstance(rim, Arc) else (0.0, 359.0)
        legs, least = (rim.radius, rim.radius), rim.radius + style.first_row
    else:
        begin, turn = dimension.direction + frame.turn, dimension.turn
        a, b = dimension.legs
        legs, least = (a * frame.size, b * frame.size), _LEAST * style.height
    if turn < 0.0:
        begin, turn, legs = begin + turn, -turn, (legs[1], legs[0])
    put = frame.place(dimension.at) if dimension.at is not None else None
    # Where its value has room between the arrows, unless that is far out.
    roomy = (value.width + 2.5 * style.arrow) / radians(turn) if turn > 0.0 else least
    least = max(least, roomy) if roomy <= _ROOMY * least else least
    first = hypot(put.x - centre.x, put.y - centre.y) if put is not None else least
    past = (direction_of(put.x - centre.x, put.y - centre.y) - begin) % 360.0 if put is not None and first > 0.0 else 0.0
    sides = (False, True) if past > turn and past - turn > 360.0 - past else (True, False)
    for n in range(_TRIES):
        radius = max(first + n * style.next_row, style.height)
        for onward in sides:
            yield _lay(centre, radius, begin, turn, legs, value, style, dimension.form == "arc", onward)


def _lay(
    centre: Point, radius: float, begin: float, turn: float, legs: tuple[float, float], value: Composed, style: Style, rim: bool,
    onward: bool,
) -> Laid:  # fmt: skip
    """With a dimension line of a radius; a value that has no room between its arrows stands on that line carried on past its end,
    or back past its beginning."""
    marks: list[Mark] = []
    ends = [_at(centre, radius, begin), _at(centre, radius, begin + turn)]
    small = degrees(2.5 * style.arrow / radius)
    inside = turn > small
    fits = inside and radius * radians(turn) >= value.width + 2.0 * style.arrow
    for leg, direction in zip(legs, (begin, begin + turn), strict=True):
        # From where the leg ends, which may be on the other side of the corner; none where it runs on past the dimension line.
        if rim or leg < radius:
            start = leg + style.gap if leg != 0.0 else 0.0
            marks += _giving_way(_at(centre, start, direction), _at(centre, radius + style.past, direction), style)
    over = 0.0 if inside else small
    before, behind = over, over
    middle = begin + turn / 2.0
    if not fits:
        # Past the arrows that point inward; the line runs on under the whole value.
        half, clear = degrees(value.width / 2.0 / radius), max(over, degrees(0.5 * style.height / radius))
        middle = begin + turn + clear + half if onward else begin - clear - half
        behind, before = (clear + 2.0 * half, over) if onward else (over, clear + 2.0 * half)
    if turn + before + behind < 360.0:
        marks.append(Stroke(arc_of(centre, radius, begin - before, turn + before + behind), style.narrow))
    lean = degrees(style.arrow / radius) / 2.0
    tips = ((ends[0], begin - 90.0 + lean), (ends[1], begin + turn + 90.0 - lean))
    marks += [arrow(tip, way if inside else way + 180.0, style) for tip, way in tips]
    direction = readable(middle - 90.0)
    # Over the line as it is read: outside it or within.
    ux, uy = unit_vector(direction)
    rx, ry = unit_vector(middle)
    outward = -uy * rx + ux * ry > 0.0
    # Within it, the line bends toward the words.
    half = min(value.width / 2.0, radius)
    sag = 0.0 if outward else radius - (radius * radius - half * half) ** 0.5
    foot = _at(centre, radius, middle)
    set_marks, words = set_at(value, foot, direction, style.raised + sag)
    chords = zip(*_chords(centre, radius, begin - before, turn + before + behind), strict=True)
    bars = [between(a, b, style.raised) for a, b in chords]
    drawn = (*marks, *set_marks)
    return Laid(drawn, tuple(words), tuple(bar for bar in bars if bar is not None), foot, thin_of(marks, style))


def _giving_way(a: Point, b: Point, style: Style) -> list[Mark]:
    return [Stroke(Line(a, b), style.narrow, gives_way=True)] if a != b else []


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
