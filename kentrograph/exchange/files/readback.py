"""A file read back by our own reader: is what was tangent still tangent after rounding, what was closed still closed?

Compared is figure by figure in the order in which they were written. What touched in the drawing is looked for again in what
came back: tangents, ends that lie on one another, the joints within outlines and whether they are smooth.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from math import hypot, inf

from ...core.figures import Arc, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Piece, Point, RoundCurve
from ...core.figures.along import heading, place_along
from ...core.figures.box import box_of
from ...core.figures.box_tree import BoxTree
from ...core.figures.in_unit import in_unit
from ...core.measure.closest import distance_between
from ...core.measure.gap import gap_between
from ...core.problem import Refused
from ...core.tolerance import TOLERANCE
from .chains import figure_of
from .deviation import deviation
from .found import Found
from .items import Item
from .numbers import MOST_DECIMALS

MOST_TOUCHINGS = 20_000
"""So many touchings are looked at again; a drawing with more says so."""
WANTED = 0.001
"""How far apart what touched may lie afterwards, in millimetres, unless stated. Source: common practice of cutters."""

Again = Callable[[Sequence[Item], int], Found]
"""Writes and reads some of a drawing with so many decimals."""


@dataclass(frozen=True, slots=True)
class Touching:
    """Two figures, or two pieces of an outline, that touched: what they are called, how they stood, and how far apart they lie
    in the file (the drawing's unit)."""

    names: str
    how: str
    gap: float


@dataclass(frozen=True, slots=True)
class ReadBack:
    """What came of reading a file back. ``deviation`` is the greatest distance between what was written and what was read, None
    where figures are missing or of another kind; ``enough`` the decimals that keep all touchings within ``wanted``."""

    count: int
    deviation: float | None
    touchings: int
    closed: int
    worst: list[Touching]
    gap: float
    wanted: float
    enough: int | None
    missing: list[str]
    more: bool = False
    """Whether there were more touchings than are looked at."""

    @property
    def good(self) -> bool:
        """Whether nothing is missing, and all that touched still does within what is wanted."""
        return self.deviation is not None and self.gap <= self.wanted


NOT_READ = ReadBack(0, None, 0, 0, [], inf, WANTED, None, [])
"""What came of a file that could not be read at all."""


def read_back(items: Sequence[Item], unit: str, found: Found, wanted: float, again: Again | None = None) -> ReadBack:
    """Compares what was written, in a unit, with what was read. ``again`` finds how many decimals are
    enough."""
    written = [item for item in items if not isinstance(item.figure, EndlessLine)]
    read = [in_unit(one.figure, found.unit, unit) for one in found.figures]
    missing = _missing(written, read)
    if missing:
        return ReadBack(len(read), None, 0, 0, [], inf, wanted, None, missing)
    off = [deviation(_as_read(item.figure), other) for item, other in zip(written, read, strict=True)]
    missing = [item.name or "a figure" for item, one in zip(written, off, strict=True) if one == inf][:5]
    touchings, more = _touchings(written)
    looked = [(_now(one, written, read), one) for one in touchings]
    checked = [(now, one) for now, one in looked if now is not None]
    unseen = [f"{_name(a, written)} and {_name(b, written)} are not found again" for now, (a, b) in looked if now is None]
    worst = sorted(checked, key=lambda one: -one[0].gap)[:5]
    gap = worst[0][0].gap if worst else 0.0
    closed = sum(isinstance(item.figure, Outline) and item.figure.closed for item in written)
    enough = None
    if gap > wanted and again is not None:
        concerned = sorted({n for one, (a, b) in checked if one.gap > wanted for n in (a.item, b.item)})
        enough = enough_decimals([written[n] for n in concerned[:200]], unit, wanted, again)
    missing = [*missing, *unseen][:5]
    most = None if missing else max(off, default=0.0)
    told = [one for one, _ in worst]
    return ReadBack(len(read), most, len(checked), closed, told, gap, wanted, enough, missing, more)


def enough_decimals(items: Sequence[Item], unit: str, wanted: float, again: Again) -> int | None:
    """The fewest decimals with which these touch as closely as is wanted."""
    for decimals in range(MOST_DECIMALS):
        try:
            tried = read_back(items, unit, again(items, decimals), wanted)
        except Refused:
            continue
        if tried.good:
            return decimals
    return None


def _as_read(figure: Figure) -> Figure:
    """A figure as readers put it together: arcs that run on into each other are one."""
    return figure_of(figure.pieces, figure.closed) if isinstance(figure, Outline) else figure


def _missing(written: Sequence[Item], read: Sequence[Figure]) -> list[str]:
    if len(written) == len(read):
        return []
    return [f"{len(written)} figures were written and {len(read)} read"]


@dataclass(frozen=True, slots=True)
class _Side:
    """One of two that touch: an item, which of its pieces, and which end of that touches; None where it is no end."""

    item: int
    piece: int
    end: int | None = None


_Contact = tuple[_Side, _Side]


def _pieces(figure: Figure) -> tuple[Figure, ...]:
    return figure.pieces if isinstance(figure, Outline) else (figure,)


def _touchings(items: Sequence[Item]) -> tuple[list[_Contact], bool]:
    """All pieces that touch: those whose boxes come near, and whose gap says so; and whether there are more than that."""
    sides = [_Side(n, k) for n, item in enumerate(items) for k in range(len(_pieces(item.figure)))]
    pieces = [piece for item in items for piece in _pieces(item.figure)]
    if len(pieces) < 2:
        return [], False
    boxes = [box_of(piece) for piece in pieces]
    size = max(max(map(abs, box)) for box in boxes)
    slack = TOLERANCE.length(size, size)
    found: list[_Contact] = []
    tree = BoxTree(boxes)
    for n, k in tree.pairs(tree, slack):
        one, other = pieces[n], pieces[k]
        if n >= k or isinstance(one, Point) or isinstance(other, Point):
            continue
        ends = _ends_that_touch(one, other, slack)
        if ends == (None, None):
            try:
                if not _may_be_tangent(one, other, slack) or gap_between(one, other).state != "touches":
                    continue
            except Refused:
                continue
        found.append((replace(sides[n], end=ends[0]), replace(sides[k], end=ends[1])))
        if len(found) >= MOST_TOUCHINGS:
            return found, True
    return found, False


def _ends(figure: Figure) -> tuple[Point, ...]:
    if isinstance(figure, Line | Arc) or (isinstance(figure, Ellipse) and not figure.whole):
        return figure.start, figure.end
    return ()


def _ends_that_touch(a: Figure, b: Figure, slack: float) -> tuple[int | None, int | None]:
    """Which end of one lies on which of the other, or on the other itself."""
    ends, others = _ends(a), _ends(b)
    for i, end in enumerate(ends):
        for j, other in enumerate(others):
            if abs(end.x - other.x) <= slack and deviation(end, other) <= slack:
                return i, j
    on_b = next((i for i, end in enumerate(ends) if _lies_on(end, b, slack)), None)
    if on_b is not None:
        return on_b, None
    return None, next((j for j, end in enumerate(others) if _lies_on(end, a, slack)), None)


def _lies_on(at: Point, figure: Figure, slack: float) -> bool:
    """Whether a place lies on a figure. Most do not, and a sum or two tell it."""
    if isinstance(figure, Line):
        a, b = figure.start, figure.end
        dx, dy = b.x - a.x, b.y - a.y
        if abs((at.x - a.x) * dy - (at.y - a.y) * dx) > slack * hypot(dx, dy):
            return False
    if isinstance(figure, RoundCurve) and abs(deviation(at, figure.centre) - figure.radius) > slack:
        return False
    return distance_between(at, figure) <= slack


def _may_be_tangent(one: Figure, other: Figure, slack: float) -> bool:
    """Whether two could touch other than with their ends, by the circles and lines that they lie on."""
    if isinstance(one, Line) and isinstance(other, Line):
        return False
    return isinstance(one, Ellipse) or isinstance(other, Ellipse) or _kink(one, other) <= slack


def _now(contact: _Contact, written: Sequence[Item], read: Sequence[Figure]) -> Touching | None:
    """How two that touched stand to each other in what was read; None where one is not there any more."""
    one, other = contact
    names = f"{_name(one, written)} and {_name(other, written)}"
    found = [_found_again(side, written, read) for side in contact]
    if found[0] is None or found[1] is None:
        return None
    (a, at_a), (b, at_b) = found[0], found[1]
    if a is b:
        # They have become one piece: nothing is between them.
        return Touching(names, "are one", 0.0)
    if at_a is None and at_b is None:
        return Touching(names, "touch", _kink(a, b))
    # Two lines that come to cross a hair before their ends still have their ends apart.
    gap, how = distance_between(at_a or a, at_b or b), "meet"
    was = [_pieces(written[side.item].figure)[side.piece] for side in contact]
    if one.end is not None and other.end is not None and _smooth(was[0], one.end, was[1], other.end):
        # What two pieces miss of being tangent shows at the round one: how far its rim misses the other.
        gap, how = max(gap, _kink(a, b)), "go on smoothly"
    return Touching(names, how, gap)


def _found_again(side: _Side, written: Sequence[Item], read: Sequence[Figure]) -> tuple[Figure, Point | None] | None:
    """A piece in what was read, and its end that touched; None where there is none. Where pieces that run on into each other
    were joined it is the one that runs where the piece did."""
    was, now = _pieces(written[side.item].figure), _pieces(read[side.item])
    piece, place = was[side.piece], None if side.end is None else _ends(was[side.piece])[side.end]
    if len(was) == len(now):
        same, ends = now[side.piece], _ends(now[side.piece])
        return (same, None) if side.end is None else (same, ends[side.end]) if side.end < len(ends) else None
    if isinstance(piece, Point | EndlessLine | FigureSet):
        return None
    middle = place_along(piece, 0.5 * piece.length)
    same = min(now, key=lambda one: distance_between(middle, one))
    return same, place and min(_ends(same), key=lambda end: deviation(end, place), default=None)


def _name(side: _Side, items: Sequence[Item]) -> str:
    item = items[side.item]
    return f"edge {side.piece + 1} of {item.name}" if isinstance(item.figure, Outline) else item.name or "a figure"


def _smooth(one: Figure, end: int, other: Figure, other_end: int) -> bool:
    """Whether one goes on where the other comes from: both look out of their ends, so against each other."""
    if not isinstance(one, Piece) or not isinstance(other, Piece):
        return False
    (ax, ay), (bx, by) = heading(one, end == 0), heading(other, other_end == 0)
    return ax * bx + ay * by < 0.0 and TOLERANCE.smooth(ax * by - ay * bx)


def _kink(one: Figure, other: Figure) -> float:
    """By how much the circles or lines that two lie on miss touching, where they should."""
    if isinstance(one, RoundCurve) and isinstance(other, Line):
        one, other = other, one
    if isinstance(one, Line) and isinstance(other, RoundCurve):
        dx, dy = one.end.x - one.start.x, one.end.y - one.start.y
        off = abs((other.centre.x - one.start.x) * dy - (other.centre.y - one.start.y) * dx) / hypot(dx, dy)
        return abs(off - other.radius)
    if isinstance(one, RoundCurve) and isinstance(other, RoundCurve):
        apart = deviation(one.centre, other.centre)
        return min(abs(apart - one.radius - other.radius), abs(apart - abs(one.radius - other.radius)))
    if isinstance(one, Line) and isinstance(other, Line):
        (ax, ay), (bx, by) = heading(one, False), heading(other, False)
        return abs(ax * by - ay * bx) * min(one.length, other.length)
    return abs(gap_between(one, other).number)
