"""Dimensions from place to place: single, in a chain, in rows, running from a zero. Source: ISO 129-1: 2018, from memory."""

from collections.abc import Callable, Iterator, Sequence
from itertools import pairwise

from ..angles import unit_vector
from ..book.on_paper import Dimension
from ..figures import Circle, Line, Point
from .compose import Composed
from .frame import Frame
from .laid import Laid, Ways, arrow, dot, readable, set_at
from .marks import Mark, Stroke, segment
from .reach import Reach
from .style import Style
from .tilted import Tilted, between

_TRIES, _MOST_ROWS = 60, 4000


class Span:
    """One measured length on paper: its two ends along the direction of measuring, and where its line runs."""

    def __init__(self, a: Point, b: Point, direction: float) -> None:
        self.direction = readable(direction)
        self.ux, self.uy = unit_vector(self.direction)
        self.first, self.last = a, b
        self.zero, self.end = self.along(a), self.along(b)
        self.low, self.high = min(self.zero, self.end), max(self.zero, self.end)
        self.from_low, self.from_high = (a, b) if self.zero <= self.end else (b, a)

    def along(self, at: Point) -> float:
        """How far a place lies along the direction."""
        return at.x * self.ux + at.y * self.uy

    def across(self, at: Point) -> float:
        """How far a place lies to the left of the direction."""
        return at.y * self.ux - at.x * self.uy

    def at(self, along: float, across: float) -> Point:
        """The place so far along and across."""
        return Point(along * self.ux - across * self.uy, along * self.uy + across * self.ux)


Free = Callable[[Tilted], bool]
"""Whether nothing lies where a bar does."""


def ways(dimension: Dimension, values: Sequence[Composed], frame: Frame, style: Style, reach: Reach, free: Free) -> Ways:
    """Ways in which it could lie: where it was put, its value moved along its line; else in rows beside the drawing, of which
    those that are taken are passed over."""
    places = [frame.place(at) for at in dimension.places]
    direction = dimension.direction + frame.turn
    spans = _spans(dimension, places, direction)
    if dimension.at is not None:
        across = spans[0].across(frame.place(dimension.at))
        side = 1.0 if across >= spans[0].across(spans[0].from_low) else -1.0
        put = spans[0].along(frame.place(dimension.at))
        for slide in range(_TRIES):
            yield _lay(dimension, spans, values, across, side, style, slide, put)
        return
    for across, side in rows(spans, reach, style):
        lines = [_bar(span, across + n * side * _further(dimension, style), style) for n, span in enumerate(spans)]
        if not all(line is None or free(line) for line in lines):
            continue
        # A value that does not fit between its arrows may stand on either side.
        yield _lay(dimension, spans, values, across, side, style, 0, None)
        yield _lay(dimension, spans, values, across, side, style, 1, None)


def rows(spans: Sequence[Span], reach: Reach, style: Style) -> Iterator[tuple[float, float]]:
    """Rows beside the drawing, the nearest side first: how far across each lies, and on which side."""
    one = spans[0]
    low, high = reach.of(-one.uy, one.ux)
    ends = [one.across(end) for span in spans for end in (span.from_low, span.from_high)]
    low, high = min(low, *ends), max(high, *ends)
    above, below = high - max(ends), min(ends) - low
    sides = [(1.0, high), (-1.0, low)] if above <= below else [(-1.0, low), (1.0, high)]
    for row in range(_MOST_ROWS):
        for side, edge in sides if row >= 3 else sides[:1]:
            at = row if side == sides[0][0] else row - 3
            yield edge + side * (style.first_row + at * style.next_row), side


def _further(dimension: Dimension, style: Style) -> float:
    """From one of its dimension lines to the next."""
    return style.next_row if dimension.rows == "rows" else 0.0


def _bar(span: Span, across: float, style: Style) -> Tilted | None:
    return between(span.at(span.low, across), span.at(span.high, across), style.raised)


def _spans(dimension: Dimension, places: Sequence[Point], direction: float) -> list[Span]:
    if dimension.rows in ("rows", "running"):
        return [Span(places[0], other, direction) for other in places[1:]]
    return [Span(a, b, direction) for a, b in pairwise(places)]


def _lay(
    dimension: Dimension, spans: Sequence[Span], values: Sequence[Composed], across: float, side: float, style: Style,
    slide: int, put: float | None,
) -> Laid:  # fmt: skip
    marks: list[Mark] = []
    words: list[Tilted] = []
    bars: list[Tilted] = []
    if dimension.rows == "running":
        return _running(spans, values, across, side, style)
    chain = len(spans) > 1 and dimension.rows != "rows"
    for n, (span, value) in enumerate(zip(spans, values, strict=True)):
        line = across + n * side * _further(dimension, style)
        if chain and not _fits(span, value, style):
            _narrow(span, value, line, side, spans, style, marks, words, bars)
            continue
        if len(spans) > 1:
            # Each value moves aside as far as those before it in the line make it.
            slide, put = _clear_slide(span, value, line, style, words), None
        _one(span, value, line, style, slide, put, marks, words, bars)
    one = spans[0]
    # It is taken hold of on its line, under its value.
    grip = one.at(one.along(Point(words[0].x, words[0].y)), across)
    return Laid(tuple(marks), tuple(words), tuple(bars), grip, thin_of(marks, style))


def _narrow(
    span: Span, value: Composed, across: float, side: float, spans: Sequence[Span], style: Style,
    marks: list[Mark], words: list[Tilted], bars: list[Tilted],
) -> None:  # fmt: skip
    """One part of a chain that is too narrow for its value: beside it at an end of the chain, else outside of it on a bent
    leader; over another part it would be read as that one's. Dots stand where arrows have no room."""
    marks += _extension(span, span.from_low, span.low, across, style)
    marks += _extension(span, span.from_high, span.high, across, style)
    low, high = span.at(span.low, across), span.at(span.high, across)
    marks += segment(low, high, style.narrow)
    if _inside(span, style):
        marks += [arrow(low, span.direction + 180.0, style), arrow(high, span.direction, style)]
    else:
        marks += [dot(low, style), dot(high, style)]
    line = between(low, high, style.raised)
    bars += [line] if line is not None else []
    for lines, middle in _outside(span, value, across, side, spans, style):
        set_marks, boxes = set_at(value, middle, span.direction, style.raised)
        own = [bar for a, b in pairwise(lines) if (bar := between(a, b, style.raised)) is not None]
        if any(box.meets(other) for box in (*boxes, *own) for other in words) or any(
            box.meets(bar) for box in boxes for bar in bars
        ):
            continue
        break
    marks += [mark for a, b in pairwise(lines) for mark in segment(a, b, style.narrow)]
    marks += set_marks
    words += boxes
    bars += own


def _outside(
    span: Span, value: Composed, across: float, side: float, spans: Sequence[Span], style: Style
) -> Iterator[tuple[tuple[Point, ...], Point]]:
    """Lines that lead to a value outside of a chain, and the place under its middle: along the dimension line past an end of the
    chain, then bent outward, ever further."""
    half, beside = value.width / 2.0, value.width / 2.0 + 1.5 * style.arrow
    for end, sign in ((span.high, 1.0), (span.low, -1.0)):
        if all(sign * (other - end) <= 0.0 for one in spans for other in (one.low, one.high)):
            yield (span.at(end, across), span.at(end + sign * (beside + half), across)), span.at(end + sign * beside, across)
    foot, middle = span.at((span.low + span.high) / 2.0, across), (span.low + span.high) / 2.0
    # Words stand over their shoulder as they are read, so below a line they need their own height more.
    rise = style.past + 0.6 * style.height + (1.4 * value.height if side < 0.0 else 0.0)
    for level in range(_TRIES):
        up = across + side * (rise + level * (value.height + 2.0 * style.raised))
        for sign in (1.0, -1.0):
            elbow, end = middle + sign * 0.5 * style.height, middle + sign * (0.5 * style.height + value.width)
            yield (foot, span.at(elbow, up), span.at(end, up)), span.at((elbow + end) / 2.0, up)


def _clear_slide(span: Span, value: Composed, across: float, style: Style, words: Sequence[Tilted]) -> int:
    """The first position of a value beside or between its arrows that is clear of words."""
    fits = _fits(span, value, style)
    for slide in range(_TRIES):
        middle = span.at(_middle(span, value, style, fits, slide, None), across)
        if not any(box.meets(other) for box in set_at(value, middle, span.direction, style.raised)[1] for other in words):
            return slide
    return 0


def _inside(span: Span, style: Style) -> bool:
    """Whether the arrows fit between their ends."""
    return span.high - span.low >= 2.5 * style.arrow


def _fits(span: Span, value: Composed, style: Style) -> bool:
    """Whether a value fits between the arrows."""
    return _inside(span, style) and span.high - span.low >= value.width + 2.0 * style.arrow + 1.0


def _extension(span: Span, end: Point, along: float, across: float, style: Style) -> list[Mark]:
    """From a measured place, past the dimension line; none where the line runs through the place."""
    own = span.across(end)
    side = 1.0 if across > own else -1.0
    if abs(across - own) <= style.gap:
        return []
    start, stop = span.at(along, own + side * style.gap), span.at(along, across + side * style.past)
    return [Stroke(Line(start, stop), style.narrow, gives_way=True)]


def thin_of(marks: Sequence[Mark], style: Style) -> tuple[Tilted, ...]:
    """The bars of lines that give way: no words should lie there."""
    lines = (mark.figure for mark in marks if isinstance(mark, Stroke) and mark.gives_way)
    found = (between(line.start, line.end, style.narrow) for line in lines if isinstance(line, Line))
    return tuple(one for one in found if one is not None)


def _one(
    span: Span, value: Composed, across: float, style: Style, slide: int, put: float | None,
    marks: list[Mark], words: list[Tilted], bars: list[Tilted],
) -> None:  # fmt: skip
    """One dimension line with its extension lines, arrows and value."""
    marks += _extension(span, span.from_low, span.low, across, style)
    marks += _extension(span, span.from_high, span.high, across, style)
    inside, fits = _inside(span, style), _fits(span, value, style)
    # Where the value does not fit between the arrows it stands beside them.
    first, last = (span.low, span.high) if inside else (span.low - 2.0 * style.arrow, span.high + 2.0 * style.arrow)
    middle = _middle(span, value, style, fits, slide, put)
    half = value.width / 2.0
    first = min(first, middle - half) if middle - half < span.low else first
    last = max(last, middle + half) if middle + half > span.high else last
    a, b = span.at(first, across), span.at(last, across)
    marks += segment(a, b, style.narrow)
    turn = span.direction
    low, high = span.at(span.low, across), span.at(span.high, across)
    marks += [arrow(low, turn + 180.0 if inside else turn, style), arrow(high, turn if inside else turn + 180.0, style)]
    set_marks, set_boxes = set_at(value, span.at(middle, across), turn, style.raised)
    marks += set_marks
    words += set_boxes
    bar = between(a, b, style.raised)
    bars += [bar] if bar is not None else []


def _middle(span: Span, value: Composed, style: Style, fits: bool, slide: int, put: float | None) -> float:
    """Where along its line the middle of a value stands: as it was put, in the middle, then ever further to either side."""
    middle = (span.low + span.high) / 2.0
    beside = value.width / 2.0 + 2.5 * style.arrow
    step = max(value.width, 2.0 * style.height)
    if put is not None and not span.low <= put <= span.high:
        # Put outside: it stands there, as far out as it must.
        sign = 1.0 if put > span.high else -1.0
        edge = span.high + beside if sign > 0.0 else span.low - beside
        start = max(put, edge) if sign > 0.0 else min(put, edge)
        return start + sign * step * slide
    if fits:
        room = span.high - span.low - value.width - 2.0 * style.arrow
        turns = int(room / step) if room > 0.0 else 0
        if slide <= turns:
            shift = (slide + 1) // 2 * step * (1.0 if slide % 2 else -1.0)
            if abs(shift) <= room / 2.0:
                return middle + shift
        slide = max(0, slide - turns - 1)
    sign = 1.0 if slide % 2 == 0 else -1.0
    edge = span.high + beside if sign > 0.0 else span.low - beside
    return edge + sign * (slide // 2) * step


def _running(spans: Sequence[Span], values: Sequence[Composed], across: float, side: float, style: Style) -> Laid:
    """From a zero, in one line: arrows away from it, each value along its extension line, outward from the dimension line."""
    one = spans[0]
    ends = [one.zero, *(span.end for span in spans)]
    marks: list[Mark] = [Stroke(Circle(one.at(one.zero, across), style.arrow / 3.0), style.narrow)]
    a, b = one.at(min(ends), across), one.at(max(ends), across)
    marks += segment(a, b, style.narrow)
    marks += _extension(one, one.first, one.zero, across, style)
    words: list[Tilted] = []
    bar = between(a, b, style.raised)
    turn = readable(one.direction + 90.0)
    for span, value in zip(spans, values, strict=True):
        marks += _extension(span, span.last, span.end, across, style)
        marks.append(arrow(one.at(span.end, across), one.direction + (0.0 if span.end >= one.zero else 180.0), style))
        far = style.past + style.raised + value.width / 2.0
        for _ in range(_TRIES):
            set_marks, set_boxes = set_at(value, one.at(span.end, across + side * far), turn, -0.5 * style.height)
            if not any(box.meets(other) for box in set_boxes for other in words):
                break
            # Ends that lie close together have their values one behind the other.
            far += style.height
        foot = far - style.raised - value.width / 2.0
        marks += segment(one.at(span.end, across + side * style.past), one.at(span.end, across + side * foot), style.narrow)
        marks += set_marks
        words += set_boxes
    grip = one.at(one.zero, across)
    return Laid(tuple(marks), tuple(words), (bar,) if bar is not None else (), grip, thin_of(marks, style))
