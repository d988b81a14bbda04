"""Which figures run near a place: a grid of cells in several sizes.

A figure stands in the size of cells of which it covers a few, and only in those cells that it runs through, or that hold
a place of it (a centre). So nothing has to be made anew when figures are added, however large or small they are, and a
look-up meets only what is near. Method: hierarchical cell grid; source: common practice.
"""

from collections.abc import Iterator
from math import ceil, cos, floor, frexp, radians, sin
from typing import Any

from ..figures import Arc, CentredCurve, Ellipse, EndlessLine, FigureSet, Line, Outline, Point, RoundCurve
from ..figures.box import box_of
from ..measure.area import middles
from ..tolerance import NOISE_OF_SUMS, SPOT_SHARE
from .caches import Shared
from .network import Network
from .values import StepResult, Untouchable

_FINENESS = 1
"""A figure covers up to 2 cells of its size each way, and more than half as many."""
_FEW = 400
"""So many cells are looked through one by one; of more, the nearest first."""
_MOST_RINGS = 24
_MOST_CELLS = (2 * _MOST_RINGS + 1) ** 2
_MOST_FIGURES = 160
"""More figures than this around the pointer cannot be told apart by pointing: the search stops at a ring of so many."""

Cells = dict[tuple[int, int], list[str]]


class Index:
    """The figures of a book by where they run. `of` brings it up to date with a book, doing only what has changed."""

    def __init__(self) -> None:
        self._levels: dict[int, Cells] = {}
        self._where: dict[str, tuple[int, list[tuple[int, int]]]] = {}
        self._endless: dict[str, None] = {}
        self._points_level = 0
        self._stamp: object = None
        """The stamp of the book that it is up to date with."""
        self._held: dict[str, tuple[Any, Any]] = {}
        """For each step, the value and the step that it stands here for."""
        self._several: dict[str, list[str]] = {}
        """The ids of the figures of steps of which several come."""

    # Keeping up ---------------------------------------------------------------------------------------

    def of(self, book: Network) -> "Index":
        """This index, for a book: what differs from the last one asked for is taken out and put in again."""
        if self._stamp is book.stamp:
            return self
        if self._stamp is None:
            self._points_level = _level_of_points(book)
            self._scan(book)
        elif book.before is self._stamp:
            for id in book.touched:
                self._renew(book, id)
        else:
            self._scan(book)
        self._stamp = book.stamp
        return self

    def half_way(self, book: Network) -> "Index":
        """This index, for a book of which some steps are worked out and others are not: the next look-up finds out again what
        they hold then."""
        if self._stamp is None:
            self._points_level = _level_of_points(book)
        self._scan(book)
        self._stamp = object()
        return self

    def _scan(self, book: Network) -> None:
        for id in [id for id in self._held if id not in book.steps]:
            self._renew(book, id)
        held, values, steps = self._held, book.values, book.steps
        for id in book.order:
            known = held.get(id)
            if known is None or known[0] is not values.get(id) or known[1] is not steps[id]:
                self._renew(book, id)

    def _renew(self, book: Network, id: str) -> None:
        self._take_out(id)
        step, value = book.steps.get(id), book.values.get(id)
        if step is None:
            self._held.pop(id, None)
            return
        self._held[id] = (value, step)
        if step.hidden or not isinstance(value, StepResult) or isinstance(value.figure, Untouchable):
            return
        if not value.more and not isinstance(value.figure, FigureSet):
            self._put_in(id, value.figure)
            return
        # Every version of a figure stands here: which of them is seen depends on where the step stands that asks.
        leaves = list(book.leaves_of(id))
        self._several[id] = [one for one, _, _ in leaves]
        for one, _, figure in leaves:
            self._put_in(one, figure)

    def _put_in(self, id: str, figure: Any) -> None:
        if isinstance(figure, EndlessLine):
            self._endless[id] = None
            return
        level, cells = _cells(figure, self._points_level)
        table = self._levels.setdefault(level, {})
        for cell in cells:
            table.setdefault(cell, []).append(id)
        self._where[id] = (level, cells)

    def _take_out(self, step: str) -> None:
        if step not in self._held:
            return
        for id in self._several.pop(step, (step,)):
            self._take_out_one(id)

    def _take_out_one(self, id: str) -> None:
        self._endless.pop(id, None)
        level, cells = self._where.pop(id, (0, []))
        table = self._levels.get(level, {})
        for cell in cells:
            table[cell].remove(id)
            if not table[cell]:
                del table[cell]
        if level in self._levels and not table:
            del self._levels[level]

    # Looking up ---------------------------------------------------------------------------------------

    def around(self, x: float, y: float, reach: float, every: bool = False) -> dict[str, None]:
        """The figures, by their ids, that may run, or have a place, within reach: all, unless too many to tell apart; then, too,
        where ``every`` one is wanted."""
        return self.in_box(x - reach, y - reach, x + reach, y + reach, every)

    def in_box(self, x0: float, y0: float, x1: float, y1: float, every: bool = False) -> dict[str, None]:
        """The same for a box (left, bottom, right, top)."""
        x, y, reach = 0.5 * (x0 + x1), 0.5 * (y0 + y1), 0.5 * max(x1 - x0, y1 - y0)
        found = dict(self._endless)
        for level, cells in self._levels.items():
            size = 2.0**level
            left, right = floor(x0 / size), floor(x1 / size)
            low, high = floor(y0 / size), floor(y1 / size)
            asked = (right - left + 1) * (high - low + 1)
            if asked <= _FEW or (every and asked <= len(cells)):
                for i in range(left, right + 1):
                    for j in range(low, high + 1):
                        here = cells.get((i, j))
                        if here:
                            for id in here:
                                found[id] = None
                continue
            had = len(found)
            if not every and (len(cells) > asked or len(cells) > _MOST_CELLS):
                self._by_rings(cells, floor(x / size), floor(y / size), ceil(reach / size), found)
                if asked <= _MOST_CELLS or len(found) > had:
                    continue
            for (i, j), here in cells.items():
                if left <= i <= right and low <= j <= high:
                    found.update(dict.fromkeys(here))
        return found

    @staticmethod
    def _by_rings(cells: Cells, i: int, j: int, rings: int, found: dict[str, None]) -> None:
        for ring in range(min(rings, _MOST_RINGS) + 1):
            for cell in _ring(i, j, ring):
                here = cells.get(cell)
                if here:
                    found.update(dict.fromkeys(here))
            if len(found) >= _MOST_FIGURES:
                return


def index_of(book: Network) -> Index:
    """The index of a book; every revision of it shares one."""
    return _INDEX.of(book).of(book)


def index_half_way(book: Network) -> Index:
    """The same, while the book is being worked out: of what stands worked out so far."""
    return _INDEX.of(book).half_way(book)


_INDEX = Shared(Index, steady=True)


def _ring(i: int, j: int, ring: int) -> Iterator[tuple[int, int]]:
    if ring == 0:
        yield (i, j)
        return
    for k in range(-ring, ring + 1):
        yield (i + k, j - ring)
        yield (i + k, j + ring)
    for k in range(-ring + 1, ring):
        yield (i - ring, j + k)
        yield (i + ring, j + k)


# Where a figure stands ----------------------------------------------------------------------------------


def _level_of_points(book: Network) -> int:
    """The size of cells for point marks: about one of them in a cell, as they lie when the index is made."""
    # By the order: a book that is being worked out can be asked for one value, not for all.
    values = (book.values.get(id) for id in book.order)
    points = [v.figure for v in values if isinstance(v, StepResult) and isinstance(v.figure, Point)]
    if len(points) < 2:
        return 0
    xs, ys = [p.x for p in points], [p.y for p in points]
    return _exponent(max(max(xs) - min(xs), max(ys) - min(ys)) / len(points) ** 0.5)


def _exponent(size: float) -> int:
    return frexp(size)[1] if size > 0.0 else 0


def _cells(figure: Any, points_level: int) -> tuple[int, list[tuple[int, int]]]:
    """The size of cells that suits a figure, and those that it runs through or that hold a place of it."""
    if isinstance(figure, Point):
        size = 2.0**points_level
        return points_level, [(floor(figure.x / size), floor(figure.y / size))]
    left, low, right, high = box_of(figure)
    extent = max(right - left, high - low, NOISE_OF_SUMS * max(abs(left), abs(right), abs(low), abs(high)))
    level = _exponent(extent) - _FINENESS
    size = 2.0**level
    if isinstance(figure, RoundCurve):
        # It runs through most of the few cells that it lies in: they are counted faster than it is followed.
        slack = SPOT_SHARE * size
        across = range(floor((left - slack) / size), floor((right + slack) / size) + 1)
        up = range(floor((low - slack) / size), floor((high + slack) / size) + 1)
        found = {(i, j): None for i in across for j in up}
    else:
        found = {}
        for piece in figure.pieces if isinstance(figure, Outline) else (figure,):
            _run(piece, size, found)
    for at in _places_off(figure):
        found[(floor(at.x / size), floor(at.y / size))] = None
    return level, list(found)


def _places_off(figure: Any) -> list[Point]:
    """Places that can be taken and lie off the figure itself."""
    if isinstance(figure, CentredCurve):
        return [figure.centre]
    if isinstance(figure, Outline) and figure.closed:
        return [at for _, at in middles(figure)]
    return []


def _run(piece: Any, size: float, found: dict[tuple[int, int], None]) -> None:
    """The cells that a piece runs through: stops half a cell apart, each with a quarter of a cell around it."""
    if isinstance(piece, Line):
        _run_line(piece, size, found)
        return
    quarter = 0.25 * size
    for x, y in _stops(piece, size):
        left, right = floor((x - quarter) / size), floor((x + quarter) / size)
        low, high = floor((y - quarter) / size), floor((y + quarter) / size)
        for i in range(left, right + 1):
            for j in range(low, high + 1):
                found[(i, j)] = None


def _run_line(line: Line, size: float, found: dict[tuple[int, int], None]) -> None:
    """The cells of a line, column by column: from where it enters a column to where it leaves."""
    a, b = (line.start, line.end) if line.start.x <= line.end.x else (line.end, line.start)
    dx, dy = b.x - a.x, b.y - a.y
    slack = SPOT_SHARE * size
    for i in range(floor((a.x - slack) / size), floor((b.x + slack) / size) + 1):
        if dx > 0.0:
            t0 = min(1.0, max(0.0, (i * size - a.x) / dx))
            t1 = min(1.0, max(0.0, ((i + 1) * size - a.x) / dx))
        else:
            t0, t1 = 0.0, 1.0
        y0, y1 = a.y + t0 * dy, a.y + t1 * dy
        for j in range(floor((min(y0, y1) - slack) / size), floor((max(y0, y1) + slack) / size) + 1):
            found[(i, j)] = None


def _stops(piece: Any, size: float) -> Iterator[tuple[float, float]]:
    count = max(1, ceil(piece.length / (0.5 * size)))
    if isinstance(piece, Ellipse):
        # Even in the eccentric angle: no two stops are further apart than the larger half axis says.
        count = max(1, ceil(radians(abs(piece.sweep)) * max(piece.a, piece.b) / (0.5 * size)))
        for n in range(count + 1):
            at = piece.at(radians(piece.begin + piece.sweep * n / count))
            yield (at.x, at.y)
        return
    first, sweep = (piece.from_direction, piece.sweep) if isinstance(piece, Arc) else (0.0, 360.0)
    begin, step = radians(first), radians(sweep) / count
    for n in range(count + 1):
        yield (piece.centre.x + piece.radius * cos(begin + n * step), piece.centre.y + piece.radius * sin(begin + n * step))
