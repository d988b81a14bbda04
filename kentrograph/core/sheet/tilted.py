"""Boxes that lie in any direction, and which of them lie on each other: what keeps lettering clear.

Method: two boxes lie apart where they do in the direction of one of their sides (separating axes). Source: common practice.
"""

from collections.abc import Container, Iterable, Sequence
from dataclasses import dataclass, replace
from math import floor, hypot

from ..angles import unit_vector
from ..figures import Line, Point
from .letters import width_of
from .marks import Lettering, Mark, Stroke

_CELL = 10.0
"""Millimetres on paper of a cell in which boxes are looked up."""
_ROWS = 1 << 40
"""More than there are cells one above another."""
_MOST_CELLS = 1024
_WIDE = -(1 << 100)
"""In place of more cells than that: it stands for all of them."""
_SHIFT = {"start": 0.0, "middle": 0.5, "end": 1.0}


@dataclass(frozen=True, slots=True)
class Tilted:
    """A box about a middle: half its length along a direction (its unit vector), and half its height."""

    x: float
    y: float
    ux: float
    uy: float
    along: float
    high: float

    @property
    def bounds(self) -> tuple[float, float, float, float]:
        """Left, bottom, right, top."""
        dx = abs(self.ux) * self.along + abs(self.uy) * self.high
        dy = abs(self.uy) * self.along + abs(self.ux) * self.high
        return self.x - dx, self.y - dy, self.x + dx, self.y + dy

    @property
    def corners(self) -> tuple[Point, ...]:
        """Its corners, counter-clockwise."""
        ax, ay = self.ux * self.along, self.uy * self.along
        bx, by = -self.uy * self.high, self.ux * self.high
        signs = ((-1.0, -1.0), (1.0, -1.0), (1.0, 1.0), (-1.0, 1.0))
        return tuple(Point(self.x + s * ax + t * bx, self.y + s * ay + t * by) for s, t in signs)

    def meets(self, other: "Tilted") -> bool:
        """Whether the two lie on each other. Thousands of pairs are asked for: all in plain sums."""
        dx, dy = other.x - self.x, other.y - self.y
        cosine = abs(self.ux * other.ux + self.uy * other.uy)
        sine = abs(self.ux * other.uy - self.uy * other.ux)
        return (
            abs(dx * self.ux + dy * self.uy) < self.along + other.along * cosine + other.high * sine
            and abs(dy * self.ux - dx * self.uy) < self.high + other.along * sine + other.high * cosine
            and abs(dx * other.ux + dy * other.uy) < other.along + self.along * cosine + self.high * sine
            and abs(dy * other.ux - dx * other.uy) < other.high + self.along * sine + self.high * cosine
        )

    def off(self, at: Point) -> float:
        """How far a place lies outside it; 0 within."""
        dx, dy = at.x - self.x, at.y - self.y
        along = max(0.0, abs(dx * self.ux + dy * self.uy) - self.along)
        high = max(0.0, abs(dy * self.ux - dx * self.uy) - self.high)
        return hypot(along, high)


def of_lettering(words: Lettering, beside: float = 0.0) -> Tilted:
    """The box of words, as far as capitals and what hangs below the base line reach, and ``beside`` more on all sides."""
    width = width_of(words.words, words.height, words.strong)
    ux, uy = unit_vector(words.direction)
    low, high = -0.25 * words.height, 1.05 * words.height
    shift, up = width * (0.5 - _SHIFT[words.anchor]), (low + high) / 2.0
    x, y = words.at.x + shift * ux - up * uy, words.at.y + shift * uy + up * ux
    return Tilted(x, y, ux, uy, width / 2.0 + beside, (high - low) / 2.0 + beside)


def between(a: Point, b: Point, thick: float) -> Tilted | None:
    """A bar from place to place; None where they are one."""
    dx, dy = b.x - a.x, b.y - a.y
    far = hypot(dx, dy)
    if far == 0.0:
        return None
    return Tilted((a.x + b.x) / 2.0, (a.y + b.y) / 2.0, dx / far, dy / far, far / 2.0, thick / 2.0)


def upright(bounds: Sequence[float], beside: float = 0.0) -> Tilted:
    """The box of bounds (left, bottom, right, top), and ``beside`` more on all sides."""
    left, bottom, right, top = bounds
    x, y, along, high = (left + right) / 2.0, (bottom + top) / 2.0, (right - left) / 2.0, (top - bottom) / 2.0
    return Tilted(x, y, 1.0, 0.0, along + beside, high + beside)


def _crossed(a: Point, b: Point, box: Tilted) -> tuple[float, float] | None:
    """From which share of the way from place to place to which one it runs through a box; None where it does not."""
    first, last = 0.0, 1.0
    dx, dy = b.x - a.x, b.y - a.y
    for ux, uy, half in ((box.ux, box.uy, box.along), (-box.uy, box.ux, box.high)):
        at, way = (a.x - box.x) * ux + (a.y - box.y) * uy, dx * ux + dy * uy
        if way == 0.0:
            if abs(at) >= half:
                return None
            continue
        enters, leaves = sorted(((-half - at) / way, (half - at) / way))
        first, last = max(first, enters), min(last, leaves)
    return (first, last) if first < last else None


class Taken:
    """Boxes that are taken, found by where they lie."""

    def __init__(self) -> None:
        self._cells: dict[int, list[Tilted]] = {}

    def add(self, boxes: Iterable[Tilted]) -> None:
        """Takes these boxes as well."""
        for one in boxes:
            for cell in _cells_of(*one.bounds):
                self._cells.setdefault(cell, []).append(one)

    def among(self, bounds: Sequence[float]) -> list[Tilted]:
        """What is taken within bounds, or near them."""
        left, bottom, right, top = bounds
        found: dict[int, Tilted] = {}
        for boxes in self._beside(_cells_of(left, bottom, right, top)):
            found.update((id(one), one) for one in boxes)
        return list(found.values())

    def beside(self, cells: set[int]) -> bool:
        """Whether nothing is taken in any of some cells."""
        if _WIDE in cells or _WIDE in self._cells:
            return not (cells and self._cells)
        return cells.isdisjoint(self._cells.keys())

    def _beside(self, around: Sequence[int]) -> Iterable[Sequence[Tilted]]:
        """What is taken in some cells, with what is taken in all."""
        cells = self._cells
        if _WIDE in cells or around[0] == _WIDE:
            return cells.values() if around[0] == _WIDE else [cells.get(cell, ()) for cell in (*around, _WIDE)]
        return [cells[cell] for cell in around if cell in cells]

    def free(self, boxes: Iterable[Tilted], but: Container[int] = (), looked: set[int] | None = None) -> bool:
        """Whether none of these lies on one that is taken; ``but`` are some that do not count, by `id`. The cells of those that
        were looked at are put into ``looked``."""
        for one in boxes:
            around = _cells_of(*one.bounds)
            if looked is not None:
                looked.update(around)
            for taken in self._beside(around):
                for other in taken:
                    if one.meets(other) and id(other) not in but:
                        return False
        return True


def _cells_of(left: float, bottom: float, right: float, top: float) -> Sequence[int]:
    """The cells in which bounds lie, each as one number; one for all, where they are too many."""
    i0, i1 = floor(left / _CELL), floor(right / _CELL)
    j0, j1 = floor(bottom / _CELL), floor(top / _CELL)
    if (i1 - i0 + 1) * (j1 - j0 + 1) > _MOST_CELLS:
        return (_WIDE,)
    if i0 == i1:
        return range(i0 * _ROWS + j0, i0 * _ROWS + j1 + 1)
    return [i * _ROWS + j for i in range(i0, i1 + 1) for j in range(j0, j1 + 1)]


def giving_way(mark: Mark, words: Taken) -> list[Mark]:
    """A mark as it is drawn: a line that gives way is left out where words lie on it."""
    if not isinstance(mark, Stroke) or not mark.gives_way or not isinstance(mark.figure, Line):
        return [mark]
    a, b = mark.figure.start, mark.figure.end
    bounds = (min(a.x, b.x), min(a.y, b.y), max(a.x, b.x), max(a.y, b.y))
    under = sorted(one for box in words.among(bounds) if (one := _crossed(a, b, box)) is not None)
    found: list[Mark] = []
    at = 0.0
    for first, last in [*under, (1.0, 1.0)]:
        if first > at:
            start, end = (Point(a.x + t * (b.x - a.x), a.y + t * (b.y - a.y)) for t in (at, first))
            found += [mark] if not under else [replace(mark, figure=Line(start, end))]
        at = max(at, last)
    return found
