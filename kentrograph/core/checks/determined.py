"""What the dimensions of a drawing leave open, and which of them say the same twice.

Method: the places of what is in ink are unknowns, two for each, and the radius of each round figure one. What is drawn level,
plumb or smooth is taken to be so; each dimension is one more equation between them, linear near where they lie. An unknown is
determined where the equations leave it one value (their reduced form has no other unknown in its row); a dimension whose equation
depends on those before it says nothing new. Source: common practice (degrees of freedom of a framework).
"""

import itertools
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from itertools import pairwise
from math import hypot
from typing import Any

from ..angles import unit_vector
from ..book.book import Book
from ..book.on_paper import Dimension, PointTable
from ..book.order import END
from ..book.scene import all_seen, pen_of
from ..book.values import StepResult
from ..figures import Arc, Circle, FigureSet, Line, Outline, Point
from ..shape.corners import is_smooth
from ..tolerance import TOLERANCE
from .rows import Row, Rows

MOST_PLACES = 400
"""More are not looked through: a drawing with so many is set out by tables."""
Affine = dict[int, float]
"""A coordinate as a sum of unknowns."""


@dataclass(frozen=True, slots=True)
class Open:
    """A place that no dimension determines: in words, where, and whether across, up, or both are open."""

    words: str
    figure: str
    at: Point
    across: bool
    up: bool


@dataclass(frozen=True, slots=True)
class OpenSize:
    """A radius that no dimension determines."""

    words: str
    figure: str
    at: Point


@dataclass(frozen=True, slots=True)
class Determined:
    """What is open, and the dimensions, by the ids of their steps, that say nothing new; ``looked``, whether it was looked at."""

    places: list[Open] = field(default_factory=list)
    sizes: list[OpenSize] = field(default_factory=list)
    twice: list[str] = field(default_factory=list)
    looked: bool = False


@dataclass(slots=True)
class _Edge:
    start: int
    end: int
    line: Line


class _Unknowns:
    """The unknowns of a drawing: the places of its figures, and the radii."""

    def __init__(self) -> None:
        self.places: list[tuple[Point, str, str]] = []
        self.sizes: list[tuple[int, float, str, str, Point]] = []
        self.edges: list[_Edge] = []
        self.rows = Rows()
        self.turned = False
        """Whether what is taken to hold, or a dimension, says how the whole is turned."""
        self._count = 0
        self._numbers: list[int] = []

    def place(self, at: Point, words: str, figure: str) -> int:
        """The number of the first unknown of a place; places that are one share them."""
        for n, (known, _, _) in enumerate(self.places):
            if TOLERANCE.same_place(known.x, known.y, at.x, at.y):
                return self._numbers[n]
        self.places.append((at, words, figure))
        self._numbers.append(self._count)
        self._count += 2
        return self._numbers[-1]

    def size(self, radius: float, words: str, figure: str, at: Point) -> int:
        """The unknown of a radius."""
        self.sizes.append((self._count, radius, words, figure, at))
        self._count += 1
        return self._count - 1

    def known(self) -> Iterator[tuple[int, Point, str, str]]:
        """Every place with its first unknown."""
        for n, (at, words, figure) in zip(self._numbers, self.places, strict=True):
            yield n, at, words, figure

    def coordinates(self, at: Point) -> tuple[Affine, Affine] | None:
        """A place by its unknowns: one of its own or, on an edge, those of the edge's ends; None for any other one."""
        for n, known, _, _ in self.known():
            if TOLERANCE.same_place(known.x, known.y, at.x, at.y):
                return {n: 1.0}, {n + 1: 1.0}
        for edge in self.edges:
            a, b = edge.line.start, edge.line.end
            length = edge.line.length
            ux, uy = (b.x - a.x) / length, (b.y - a.y) / length
            off = (at.y - a.y) * ux - (at.x - a.x) * uy
            if abs(off) <= TOLERANCE.length(length, max(abs(at.x), abs(at.y))):
                t = ((at.x - a.x) * ux + (at.y - a.y) * uy) / length
                s, e = edge.start, edge.end
                return {s: 1.0 - t, e: t}, {s + 1: 1.0 - t, e + 1: t}
        return None


def determined(book: Book) -> Determined:
    """What the dimensions and tables of a drawing leave open, and say twice; nothing of a drawing that has none."""
    said = [(id, v.figure) for id in book.order if isinstance(v := book.values[id], StepResult)]
    dimensions = [(id, one) for id, one in said if isinstance(one, Dimension) and not one.bracketed and not one.free]
    tables = [one for _, one in said if isinstance(one, PointTable)]
    if not dimensions and not tables:
        return Determined()
    u = _Unknowns()
    for id, figure in all_seen(book):
        if pen_of(book, id, END) == "ink" and book.name_of(id):
            _take_in(u, figure, book.name_of(id), id)
        if len(u.places) > MOST_PLACES:
            return Determined()
    if not u.places:
        return Determined()
    _hold(u, tables)
    # The dimension with most readings goes first: so of an overall size and the whole chain below it the overall one is the one
    # too many, in either order of writing.
    dimensions.sort(key=lambda one: -max(len(one[1].readings), one[1].times))
    twice = {id for id, one in dimensions if not _says_something(u, one)}
    if not tables:
        _hold_turn(u)
    # A table says in one place what dimensions may say as well: they are judged before it.
    for table in tables:
        for place in table.places:
            found = u.coordinates(place.at)
            for coordinate in found or ():
                u.rows.add(coordinate)
            _of_table(u, place.at, place.radius)
    return _left_open(u, [id for id in book.order if id in twice])


def _left_open(u: _Unknowns, twice: list[str]) -> Determined:
    places = [
        Open(words, figure, at, not u.rows.determines(n), not u.rows.determines(n + 1)) for n, at, words, figure in u.known()
    ]
    sizes = [OpenSize(words, figure, at) for n, _, words, figure, at in u.sizes if not u.rows.determines(n)]
    return Determined([one for one in places if one.across or one.up], sizes, twice, True)


def _take_in(u: _Unknowns, figure: Any, name: str, id: str) -> None:
    """The unknowns of a figure, and what is taken to hold of it as it is drawn."""
    if isinstance(figure, Line):
        _edge(u, figure, f"start of {name}", f"end of {name}", id)
    elif isinstance(figure, Circle):
        u.place(figure.centre, f"centre of {name}", id)
        u.size(figure.radius, name, id, figure.centre)
    elif isinstance(figure, Arc):
        _arc(u, figure, f"start of {name}", f"end of {name}", name, id)
    elif isinstance(figure, Outline):
        _outline(u, figure, name, id)
    elif isinstance(figure, FigureSet):
        # What was repeated follows its first.
        first = figure.members[0]
        _take_in(u, first, f"copy 1 of {name}" if not figure.names else f"{name}.{figure.names[0]}", id)


def _edge(u: _Unknowns, line: Line, first: str, last: str, id: str) -> None:
    s, e = u.place(line.start, first, id), u.place(line.end, last, id)
    u.edges.append(_Edge(s, e, line))
    dx, dy = line.end.x - line.start.x, line.end.y - line.start.y
    slack = TOLERANCE.length(line.length, max(abs(line.start.x), abs(line.start.y)))
    for level, off in ((abs(dy) <= slack, 1), (abs(dx) <= slack, 0)):
        if level:
            # What is drawn level or plumb is so.
            u.rows.add({s + off: 1.0, e + off: -1.0})
            u.turned = True


def _arc(u: _Unknowns, arc: Arc, first: str, last: str, name: str, id: str) -> int:
    c = u.place(arc.centre, f"centre of {name}", id)
    r = u.size(arc.radius, name, id, arc.centre)
    for at, words in ((arc.start, first), (arc.end, last)):
        p = u.place(at, words, id)
        ux, uy = (at.x - arc.centre.x) / arc.radius, (at.y - arc.centre.y) / arc.radius
        u.rows.add({p: ux, p + 1: uy, c: -ux, c + 1: -uy, r: -1.0})
    return c


def _outline(u: _Unknowns, outline: Outline, name: str, id: str) -> None:
    pieces = outline.pieces
    count = len(pieces)
    centres: dict[int, int] = {}
    for n, piece in enumerate(pieces):
        first, last = f"corner {n + 1} of {name}", f"corner {(n + 1) % count + 1} of {name}"
        if isinstance(piece, Line):
            _edge(u, piece, first, last, id)
        elif isinstance(piece, Arc):
            centres[n] = _arc(u, piece, first, last, f"edge {n + 1} of {name}", id)
    for n, piece in enumerate(pieces):
        if n == 0 and not outline.closed:
            continue
        before = pieces[n - 1]
        if is_smooth(before, piece):
            _smooth(u, before, piece, centres.get((n - 1) % count), centres.get(n))


def _smooth(u: _Unknowns, before: Any, after: Any, first: int | None, second: int | None) -> None:
    """Where pieces run smoothly into one another, the centre of an arc lies square to its neighbour there."""
    for piece, other, centre in ((before, after, second), (after, before, first)):
        if centre is None or not isinstance(piece, Line) or not isinstance(other, Arc):
            continue
        s, e = u.place(piece.start, "", ""), u.place(piece.end, "", "")
        ux, uy = (piece.end.x - piece.start.x) / piece.length, (piece.end.y - piece.start.y) / piece.length
        at = after.start
        p = u.place(at, "", "")
        # (p - c) . u = 0, with u turning as the ends of the line do.
        cx, cy = at.x - other.centre.x, at.y - other.centre.y
        turn = (-uy * cx + ux * cy) / piece.length
        row: Row = {}
        for n, v in (
            (p, ux), (p + 1, uy), (centre, -ux), (centre + 1, -uy),
            (e, -uy * turn), (e + 1, ux * turn), (s, uy * turn), (s + 1, -ux * turn),
        ):  # fmt: skip
            row[n] = row.get(n, 0.0) + v
        u.rows.add(row)


def _hold(u: _Unknowns, tables: Sequence[PointTable]) -> None:
    """The drawing lies somewhere: its first place, or the corner of a table."""
    corner = u.coordinates(tables[0].corner) if tables else None
    first = corner or ({0: 1.0}, {1: 1.0})
    for coordinate in first:
        u.rows.add(coordinate)


def _hold_turn(u: _Unknowns) -> None:
    """The drawing is turned somehow: where nothing says how, its first edge lies as it is drawn, or else its first two places."""
    if u.turned or len(u.places) < 2:
        return
    (first, a, _, _), (second, b, _, _) = itertools.islice(u.known(), 2)
    if u.edges:
        edge = u.edges[0]
        first, second, a, b = edge.start, edge.end, edge.line.start, edge.line.end
    dx, dy = b.x - a.x, b.y - a.y
    u.rows.add({second: -dy, second + 1: dx, first: dy, first + 1: -dx})


def _of_table(u: _Unknowns, at: Point, radius: float | None) -> None:
    if radius is None:
        return
    for n, known, _, _, centre in u.sizes:
        if centre == at and known == radius:
            u.rows.add({n: 1.0})


def _says_something(u: _Unknowns, one: Dimension) -> bool:
    """Takes a dimension's equations; whether one of them is new. What is of places that no figure has is not judged."""
    if one.form in ("radius", "diameter"):
        alike = [n for n, radius, _, _, at in u.sizes if _is_rim(one, radius, at)]
        added = [u.rows.add({n: 1.0}) for n in alike]
        return all(added)
    if one.form == "place":
        found = u.coordinates(one.places[0])
        u.turned = True
        # Both are taken, whichever of them is new.
        new = [u.rows.add(coordinate) for coordinate in found or ()]
        return found is None or any(new)
    if one.form == "angle":
        row = _angle(u, one)
        return row is None or u.rows.add(row)
    if one.form != "straight":
        return True
    ux, uy = unit_vector(one.direction)
    ends = [u.coordinates(at) for at in one.places]
    pairs = [(ends[0], end) for end in ends[1:]] if one.rows in ("rows", "running") else list(pairwise(ends))
    rows = [_between(a, b, ux, uy) for a, b in pairs if a is not None and b is not None]
    for a, b in pairwise(one.places):
        # What lies across, and is not measured along itself, changes as the whole is turned.
        off = (b.x - a.x) * uy - (b.y - a.y) * ux
        u.turned = u.turned or abs(off) > TOLERANCE.length(hypot(b.x - a.x, b.y - a.y), max(map(abs, (a.x, a.y, b.x, b.y))))
    # Of a chain every part has to say something.
    added = [u.rows.add(row) for row in rows]
    return all(added)


def _is_rim(one: Dimension, radius: float, at: Point) -> bool:
    """Whether a dimension is that of a round figure, or of those of its size that it holds for."""
    rim = one.rim
    if rim is None:
        return False
    same = abs(rim.radius - radius) <= TOLERANCE.length(rim.radius)
    return same and (one.times > 1 or rim.centre == at)


def _between(a: tuple[Affine, Affine], b: tuple[Affine, Affine], ux: float, uy: float) -> Row:
    row: Row = {}
    for sign, (x, y) in ((1.0, b), (-1.0, a)):
        for affine, share in ((x, ux), (y, uy)):
            for n, v in affine.items():
                row[n] = row.get(n, 0.0) + sign * share * v
    return row


def _angle(u: _Unknowns, one: Dimension) -> Row | None:
    """How an angle changes with the ends of the edges that make it; None where they are no edges in ink."""
    corner = one.places[0]
    rays = [_edge_along(u, corner, turn) for turn in (one.direction, one.direction + one.turn)]
    row: Row = {}
    for edge, sign in zip(rays, (-1.0, 1.0), strict=True):
        if edge is None:
            return None
        length = edge.line.length
        ux, uy = unit_vector(edge.line.direction)
        for n, v in ((edge.end, -uy), (edge.end + 1, ux), (edge.start, uy), (edge.start + 1, -ux)):
            row[n] = row.get(n, 0.0) + sign * v / length
    return row


def _edge_along(u: _Unknowns, corner: Point, turn: float) -> _Edge | None:
    """The edge that runs through a corner, or toward it, in a direction or against it."""
    ux, uy = unit_vector(turn)
    for edge in u.edges:
        vx, vy = unit_vector(edge.line.direction)
        off = (corner.y - edge.line.start.y) * vx - (corner.x - edge.line.start.x) * vy
        away = hypot(corner.x - edge.line.start.x, corner.y - edge.line.start.y)
        if TOLERANCE.parallel(abs(ux * vy - uy * vx)) and abs(off) <= TOLERANCE.length(away + edge.line.length):
            return edge
    return None
