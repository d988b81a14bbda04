"""Words with a line to what they are about: radii, diameters, coordinates, notes. Source of the layout: ISO 128-2 and 129-1, from
memory: a leader runs obliquely to a level shoulder, over which the words stand."""

from collections.abc import Sequence
from math import hypot

from ..angles import direction_of, unit_vector
from ..book.on_paper import Dimension, Note
from ..figures import Arc, Circle, Figure, FigureSet, Point, RoundCurve
from ..figures.box import box_of
from ..measure.closest import closest
from .compose import Composed
from .frame import Frame
from .laid import Laid, Ways, arrow, box_around_value, set_at
from .letters import width_of
from .marks import Lettering, Mark, segment
from .straight import Free
from .style import Style
from .tilted import Tilted, between, of_lettering

_TURNS = (45.0, 135.0, -45.0, -135.0, 30.0, 150.0, -30.0, -150.0, 60.0, 120.0, -60.0, -120.0)
"""Directions that are tried, as the drawing lies on paper."""
_RINGS = 24


def ways_of_rim(dimension: Dimension, value: Composed, frame: Frame, style: Style, free: Free) -> Ways:
    """A radius or a diameter: an arrow on the rim, on a line that runs to its centre. What is surely taken is passed over."""
    rim = frame.figure(dimension.rim) if dimension.rim is not None else None
    assert isinstance(rim, RoundCurve)
    if dimension.at is not None:
        at = frame.place(dimension.at)
        away, turn = _seen_from(rim.centre, at)
        for ring in range(_RINGS):
            yield _leader_to(rim, _toward(rim.centre, turn, away + ring * 2.0 * style.height), value, style)
        return
    turns = [unit_vector(turn) for turn in _on_rim(rim)]
    half = (value.width + style.height) / 2.0
    for ring in range(_RINGS):
        off = (2.0 + ring) * 2.0 * style.height
        # Within it, too, where it is large enough for that.
        for far in (rim.radius + off, rim.radius - off) if off < rim.radius else (rim.radius + off,):
            for ux, uy in turns:
                x, y = rim.centre.x + far * ux, rim.centre.y + far * uy
                out = half if (far - rim.radius) * ux >= 0.0 else -half
                # A crowd is passed over thousands of times: the value and its shoulder alone, in plain sums.
                words = box_around_value(value, x + out - value.width / 2.0, y + style.raised, 1.0, 0.0)
                shoulder = Tilted(x + out, y, 1.0, 0.0, half, style.raised / 2.0)
                if ring == _RINGS - 1 or (free(words) and free(shoulder)):
                    yield _leader_to(rim, Point(x, y), value, style)


def _seen_from(centre: Point, at: Point) -> tuple[float, float]:
    """How far a place lies from a centre, and in which direction; upward to the right where it is the centre itself."""
    away = hypot(at.x - centre.x, at.y - centre.y)
    return away, direction_of(at.x - centre.x, at.y - centre.y) if away > 0.0 else _TURNS[0]


def _toward(centre: Point, turn: float, far: float) -> Point:
    ux, uy = unit_vector(turn)
    return Point(centre.x + far * ux, centre.y + far * uy)


def _on_rim(rim: RoundCurve) -> Sequence[float]:
    """Directions in which a round figure has a rim: of an arc its middle first, then others that it covers."""
    if isinstance(rim, Circle):
        return _TURNS
    shares = (0.5, 0.35, 0.65, 0.2, 0.8)
    return [rim.from_direction + share * rim.sweep for share in shares]


def _leader_to(rim: RoundCurve, at: Point, value: Composed, style: Style) -> Laid:
    """A line through the centre, from the rim to a place, and a level shoulder there."""
    far, turn = _seen_from(rim.centre, at)
    if isinstance(rim, Arc):
        turn = _covered(rim, turn)
        at = _toward(rim.centre, turn, far)
    tip = _toward(rim.centre, turn, rim.radius)
    marks: list[Mark] = [arrow(tip, turn if far < rim.radius else turn + 180.0, style)]
    marks += segment(tip, at, style.narrow)
    return _shouldered(marks, tip, at, value, style)


def _covered(rim: Arc, turn: float) -> float:
    """The direction nearest to another one in which an arc has its rim."""
    begin, sweep = (rim.from_direction, rim.sweep) if rim.sweep > 0.0 else (rim.from_direction + rim.sweep, -rim.sweep)
    past = (turn - begin) % 360.0
    if past <= sweep:
        return turn
    return begin + sweep if past - sweep < 360.0 - past else begin


def _shoulder_end(tip: Point, at: Point, value: Composed, style: Style) -> Point:
    """Where the shoulder at a place ends, away from what is pointed at."""
    sign = 1.0 if at.x >= tip.x else -1.0
    return Point(at.x + sign * (value.width + style.height), at.y)


def _shouldered(marks: list[Mark], tip: Point, at: Point, value: Composed, style: Style) -> Laid:
    """The level shoulder at a place, away from what is pointed at, with the value over it."""
    end = _shoulder_end(tip, at, value, style)
    marks += segment(at, end, style.narrow)
    middle = Point((at.x + end.x) / 2.0, at.y)
    set_marks, words = set_at(value, middle, 0.0, style.raised)
    bars = [bar for bar in (between(tip, at, style.raised), between(at, end, style.raised)) if bar is not None]
    return Laid((*marks, *set_marks), tuple(words), tuple(bars), at)


def ways_of_place(at: Point, put: Point | None, value: Composed, style: Style) -> Ways:
    """Coordinates: a leader from a place."""
    if put is not None:
        sign = 1.0 if put.y >= at.y else -1.0
        for ring in range(_RINGS):
            yield _pointing(at, Point(put.x, put.y + sign * ring * 2.0 * style.height), value, style)
        return
    for ring in range(_RINGS):
        for turn in _TURNS:
            yield _pointing(at, _toward(at, turn, (2.0 + ring) * 2.0 * style.height), value, style)


def _pointing(tip: Point, at: Point, value: Composed, style: Style) -> Laid:
    marks = [*_tip(tip, at, style), *segment(tip, at, style.narrow)]
    return _shouldered(marks, tip, at, value, style)


def _tip(tip: Point, at: Point, style: Style) -> list[Mark]:
    """How a leader ends: with an arrow on a place or an edge."""
    if (tip.x, tip.y) == (at.x, at.y):
        return []
    return [arrow(tip, direction_of(tip.x - at.x, tip.y - at.y), style)]


def ways_of_area(at: Point, put: Point | None, value: Composed, style: Style) -> Ways:
    """A value that stands in a face; where there is no room, ever further about its middle."""
    about = put or at
    for ring in range(_RINGS * 4):
        for turn in _TURNS[:8] if ring else (0.0,):
            middle = _toward(about, turn, ring * style.height)
            marks, words = set_at(value, middle, 0.0, -0.5 * style.height)
            yield Laid(tuple(marks), tuple(words), (), middle)


def ways_of_note(note: Note, frame: Frame, style: Style) -> Ways:
    """Words in lines, with a leader to each thing that they are about."""
    lines = [line.strip() for line in note.words.split("|")]
    width = max(width_of(line, style.height) for line in lines)
    things = [frame.figure(thing) for thing in note.to]
    if note.at is not None:
        at = frame.place(note.at)
        for ring in range(_RINGS * 2):
            yield _noted(lines, width, things, Point(at.x, at.y - ring * 1.5 * style.height), style)
        return
    start = _about(things[0])
    for ring in range(_RINGS):
        for turn in _TURNS:
            yield _noted(lines, width, things, _toward(start, turn, (3.0 + ring) * 2.0 * style.height), style)


def _about(thing: Figure) -> Point:
    """A place of what a note is about."""
    left, bottom, right, top = box_of(thing)
    return _nearest(thing, Point(right + right - left, top + top - bottom))


def _nearest(thing: Figure, at: Point) -> Point:
    """Where a leader from a place ends on a thing; of a set on its first."""
    while isinstance(thing, FigureSet):
        thing = thing.members[0]
    return thing if isinstance(thing, Point) else closest(thing, at)[1]


def _noted(lines: Sequence[str], width: float, things: Sequence[Figure], at: Point, style: Style) -> Laid:
    tips = [_nearest(thing, at) for thing in things]
    toward = tips[0] if tips else at
    sign = 1.0 if at.x >= toward.x else -1.0
    left = at.x if sign > 0.0 or not tips else at.x - width - style.height
    marks: list[Mark] = []
    words: list[Tilted] = []
    pitch = 1.6 * style.height
    for n, line in enumerate(lines):
        # The lines stand over the shoulder, the last one on it; alone, from the place downward.
        up = (len(lines) - 1 - n) * pitch + style.raised if tips else -n * pitch
        letters = Lettering(line, Point(left + style.height / 2.0 if tips else left, at.y + up), style.height)
        marks.append(letters)
        words.append(of_lettering(letters, 0.3))
    bars: list[Tilted] = []
    for tip in tips:
        marks += [*_tip(tip, at, style), *segment(tip, at, style.narrow)]
        bar = between(tip, at, style.raised)
        bars += [bar] if bar is not None else []
    if tips:
        end = Point(at.x + sign * (width + style.height), at.y)
        marks += segment(at, end, style.narrow)
        shoulder = between(at, end, style.raised)
        bars += [shoulder] if shoulder is not None else []
    return Laid(tuple(marks), tuple(words), tuple(bars), at)
