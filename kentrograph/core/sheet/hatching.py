"""Lines that fill a face: where lines of one direction run within its edge and outside its holes.

Method: each line is met with all edges, and filled between every other meeting, in order. Meetings count by where the edge goes
from one side of the line to the other; lines that would run through a corner are moved aside by a
trifle. Source: common practice.
"""

from collections.abc import Iterable, Iterator, Sequence
from math import ceil, floor, inf

from ..angles import unit_vector
from ..figures import Curve, EndlessLine, Outline, Point
from ..figures.box import box_of
from ..intersect import intersect
from ..shape.loops import Loop
from .marks import Mark, segment
from .tilted import Tilted

MOST_LINES = 4000
Interval = tuple[float, float]


def hatched(
    edge: Loop, holes: Sequence[Loop], direction: float, apart: float, width: float, words: Sequence[Tilted] = ()
) -> list[Mark]:
    """Strokes that fill what lies within an edge and in none of the holes, all on paper; words are left free."""
    ux, uy = unit_vector(direction)
    box = box_of(edge)
    corners = [Point(x, y) for x in (box[0], box[2]) for y in (box[1], box[3])]
    across = [p.y * ux - p.x * uy for p in corners]
    first, last = ceil(min(across) / apart), floor(max(across) / apart)
    if last - first > MOST_LINES:
        apart *= (last - first) / MOST_LINES
        first, last = ceil(min(across) / apart), floor(max(across) / apart)
    marks: list[Mark] = []
    for n in range(first, last + 1):
        # A trifle aside, so that no line runs exactly along an edge or through a corner.
        off = (n + 0.0137) * apart
        through = Point(-off * uy, off * ux)
        line = EndlessLine(through, ux, uy)
        gaps = [gap for one in words if (gap := _gap(one, through, ux, uy)) is not None]
        gaps += [gap for hole in holes for gap in _within(line, hole)]
        for a, b in _without(_within(line, edge), gaps):
            marks += segment(_on(through, ux, uy, a), _on(through, ux, uy, b), width)
    return marks


def _within(line: EndlessLine, loop: Loop) -> list[Interval]:
    """Where a line runs within a closed figure, along itself."""
    spots = [spot.at for piece in _pieces(loop) for spot in intersect(line, piece).spots]
    along = sorted(at.x * line.ux + at.y * line.uy for at in spots)
    return list(zip(along[::2], along[1::2], strict=False))


def _gap(one: Tilted, through: Point, ux: float, uy: float) -> Interval | None:
    """Where a line runs through a box, along itself; None where it does not."""
    low, high = -inf, inf
    start = through.x * ux + through.y * uy
    for vx, vy, half in ((one.ux, one.uy, one.along), (-one.uy, one.ux, one.high)):
        away = (through.x - one.x) * vx + (through.y - one.y) * vy
        slope = ux * vx + uy * vy
        if slope == 0.0:
            if abs(away) >= half:
                return None
            continue
        a, b = sorted(((-half - away) / slope, (half - away) / slope))
        low, high = max(low, a), min(high, b)
    return (start + low, start + high) if low < high else None


def _without(spans: Iterable[Interval], gaps: Sequence[Interval]) -> Iterator[Interval]:
    """What is left of spans outside the gaps."""
    for a, b in spans:
        for low, high in sorted(gaps):
            if low < b and high > a:
                if low > a:
                    yield a, low
                a = max(a, high)
        if a < b:
            yield a, b


def _pieces(face: Loop) -> Sequence[Curve]:
    return face.pieces if isinstance(face, Outline) else (face,)


def _on(through: Point, ux: float, uy: float, along: float) -> Point:
    start = through.x * ux + through.y * uy
    return Point(through.x + (along - start) * ux, through.y + (along - start) * uy)
