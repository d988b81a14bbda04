"""The face of a drawing around a place: the smallest closed way round it, and what lies free within: docs/maths/faces.md.

From the place the nearest figure is taken, and followed with the place on the left, turning left as far as possible wherever it
meets others. What is run along both ways, there and back, bounds nothing and falls out. Only what is met on the way is looked at.
"""

from collections.abc import Callable, Iterable
from math import inf
from typing import NamedTuple

from ..construct.outlines import reversed_piece
from ..figures import Arc, Circle, Curve, Ellipse, EndlessLine, Line, Outline, Point
from ..figures.along import place_along
from ..figures.box import box_of
from ..figures.outline import Piece
from ..measure.away import away
from ..measure.inside import is_inside
from ..meet import meet
from ..meet.within import within
from ..problem import refuse
from ..tolerance import LARGEST, ROUGH_SHARE, TOLERANCE
from .loops import Loop, Places, clockwise, is_counter, lies_in, meeting, turned
from .stretch import Cut, cut_at, cut_on, end_of, is_closed, part_of, same_cut, start_of
from .turning import OUT, Leaving, furthest, out, way_at

Id = tuple[str, int]
"""A figure and the number of its piece."""
Box = tuple[float, float, float, float]
Around = Callable[[Box], Iterable[tuple[Id, Curve]]]
"""What runs in a box (left, bottom, right, top): for each curve what it is known by, and itself."""
_SPANS = 16
"""In so many spans a long curve is looked along, so that only what lies near it is met."""
_MOST_EDGES = 20_000


class _Node(NamedTuple):
    """A place on a curve where it meets others: the cut, and those others."""

    cut: Cut
    others: tuple[Id, ...]


class _Edge(NamedTuple):
    """A stretch of a curve between two of its nodes, by their numbers, run from the one to the other."""

    id: Id
    start: int
    end: int
    ahead: bool

    def back(self) -> "_Edge":
        return _Edge(self.id, self.end, self.start, not self.ahead)


class Face(NamedTuple):
    """What lies around a place, and what lies free within it."""

    edge: Loop
    holes: tuple[Loop, ...]


class Tracer:
    """Follows the edges of faces. What it has worked out of a curve it keeps."""

    def __init__(self, around: Around) -> None:
        self._around = around
        self._curves: dict[Id, Curve] = {}
        self._nodes: dict[Id, list[_Node]] = {}
        self._boxes: dict[Id, list[float]] = {}
        self._seen: set[Id] = set()

    def face(self, at: Point) -> Face:
        """The face around a place. Raises `Refused`: nothing_around; not_enclosed; on_an_edge for a place on a figure."""
        outer: Loop | None = None
        inner: list[tuple[Id, Loop]] = []
        reach = self._first_reach(at)
        tried: set[Id] = set()
        while outer is None:
            id = self._nearest(at, reach, tried)
            if id is None:
                raise refuse("not_enclosed")
            tried.add(id)
            reach = max(reach, 2.0 * self._distance(id, at))
            if id in self._seen:
                continue
            loops, ids = self._loops_from(id, at)
            outer = next((loop for _, loop in loops if is_counter(loop) and is_inside(loop, at)), None)
            if outer is not None or not any(is_counter(loop) for _, loop in loops):
                self._seen |= ids
                inner += [(first, turned(loop)) for first, loop in loops if not is_counter(loop)]
        inner += self._free_within(outer)
        holes = [
            (id, loop)
            for id, loop in inner
            if not any(other is not loop and lies_in(loop, other) for _, other in inner) and lies_in(loop, outer)
        ]
        holes.sort(key=lambda one: one[0])
        return Face(outer, tuple(loop for _, loop in holes))

    # Looking around ---------------------------------------------------------------------------------------

    def _near(self, x: float, y: float, reach: float) -> list[Id]:
        return self._in_box((x - reach, y - reach, x + reach, y + reach))

    def _in_box(self, box: Box) -> list[Id]:
        found: list[Id] = []
        for id, curve in self._around(box):
            self._curves.setdefault(id, curve)
            found.append(id)
        return found

    def _distance(self, id: Id, at: Point) -> float:
        return away(self._curves[id], at.x, at.y)

    def _first_reach(self, at: Point) -> float:
        reach = ROUGH_SHARE * 64.0 * max(abs(at.x), abs(at.y), 1.0)
        while not self._near(at.x, at.y, reach):
            reach *= 4.0
            if reach > LARGEST:
                raise refuse("nothing_around")
        return reach

    def _nearest(self, at: Point, reach: float, tried: set[Id]) -> Id | None:
        """The nearest curve that was not tried yet: of those within reach, or of all that there are."""
        while True:
            ids = [id for id in self._near(at.x, at.y, reach) if id not in tried]
            away = [(self._distance(id, at), id) for id in ids]
            close = min(away, default=(inf, ("", 0)))
            if close[0] <= reach:
                return close[1]
            if reach > LARGEST:
                return close[1] if away else None
            reach *= 4.0

    # Nodes ------------------------------------------------------------------------------------------------

    def _nodes_of(self, id: Id) -> list[_Node]:
        """The places where a curve meets others, in the order in which it runs, its ends among them."""
        if id in self._nodes:
            return self._nodes[id]
        curve = self._curves[id]
        found: list[tuple[Cut, Id | None]] = []
        if not is_closed(curve) and not isinstance(curve, EndlessLine):
            found += [(start_of(curve), None), (end_of(curve), None)]
        box = self._box(id)
        slack = TOLERANCE.length(max(box[2] - box[0], box[3] - box[1]), max(map(abs, box)))
        for other in self._crossing(id):
            if other == id or not self._boxes_meet(id, other):
                continue
            for at in _meetings(curve, self._curves[other]):
                found.append((cut_on(curve, at, slack) if isinstance(curve, Line | Arc) else cut_at(curve, at), other))
        found.sort(key=lambda one: one[0].along)
        nodes: list[_Node] = []
        for cut, known in found:
            more = (known,) if known is not None else ()
            if nodes and same_cut(curve, nodes[-1].cut, cut):
                nodes[-1] = _Node(nodes[-1].cut, (*nodes[-1].others, *more))
            else:
                nodes.append(_Node(cut, more))
        if len(nodes) > 1 and is_closed(curve) and same_cut(curve, nodes[0].cut, nodes[-1].cut):
            nodes[0] = _Node(nodes[0].cut, (*nodes[0].others, *nodes[-1].others))
            nodes.pop()
        self._nodes[id] = nodes
        return nodes

    def _boxes_meet(self, id: Id, other: Id) -> bool:
        a, b = self._box(id), self._box(other)
        slack = 4.0 * TOLERANCE.length(max(a[2] - a[0], a[3] - a[1], 0.0), max(map(abs, a)))
        return a[0] <= b[2] + slack and b[0] <= a[2] + slack and a[1] <= b[3] + slack and b[1] <= a[3] + slack

    def _box(self, id: Id) -> list[float]:
        if id not in self._boxes:
            curve = self._curves[id]
            everywhere = [-LARGEST, -LARGEST, LARGEST, LARGEST]
            self._boxes[id] = everywhere if isinstance(curve, EndlessLine) else box_of(curve)
        return self._boxes[id]

    def _crossing(self, id: Id) -> list[Id]:
        curve = self._curves[id]
        if isinstance(curve, EndlessLine):
            return self._near(curve.through.x, curve.through.y, LARGEST)
        left, low, right, high = box_of(curve)
        slack = 4.0 * TOLERANCE.length(max(right - left, high - low), max(map(abs, (left, low, right, high))))
        found: dict[Id, None] = {}
        # Along a slanting line the box around it holds much that is nowhere near.
        spans = _SPANS if isinstance(curve, Line) and min(right - left, high - low) > 0.0 else 1
        for n in range(spans):
            if spans > 1:
                a, b = (place_along(curve, curve.length * (n + k) / spans) for k in (0, 1))
                left, low, right, high = min(a.x, b.x), min(a.y, b.y), max(a.x, b.x), max(a.y, b.y)
            found.update(dict.fromkeys(self._in_box((left - slack, low - slack, right + slack, high + slack))))
        return list(found)

    # Following --------------------------------------------------------------------------------------------

    def _loops_from(self, id: Id, at: Point) -> tuple[list[tuple[Id, Loop]], set[Id]]:
        """The loops of the edge that a curve nearest to a place belongs to, with the place on the left, and all curves on it."""
        curve, nodes = self._curves[id], self._nodes_of(id)
        cut = cut_at(curve, at)
        if cut.off == 0.0:
            raise refuse("on_an_edge")
        hx, hy = way_at(curve, cut)
        left = hx * (at.y - cut.at.y) - hy * (at.x - cut.at.x) > 0.0
        if not nodes:
            # Alone: all round it, or free within.
            alone = isinstance(curve, Circle | Ellipse)
            return ([(id, curve if left else clockwise(curve))] if alone else []), {id}  # type: ignore[list-item, arg-type]
        there = next((n for n, node in enumerate(nodes) if same_cut(curve, node.cut, cut)), None)
        first: _Edge | None
        if there is not None:
            first = self._clockwise(id, there, Leaving.toward(cut.at, at))
        else:
            before, after = _beside(curve, nodes, cut)
            first = _Edge(id, before, after, True) if left else _Edge(id, after, before, False)
        if first is None or first.start < 0 or first.end < 0:
            return [], {id}
        edges = self._round(first)
        return self._loops(edges), {edge.id for edge in edges or ()} | {id}

    def _round(self, first: _Edge) -> list[_Edge] | None:
        """All edges from one on, turning left, until it comes again; None where a line runs out of the drawing."""
        edges: list[_Edge] = []
        edge: _Edge | None = first
        while edge is not None and len(edges) < _MOST_EDGES:
            edges.append(edge)
            edge = self._next(edge)
            if edge == first:
                return edges
        return None

    def _next(self, edge: _Edge) -> _Edge | None:
        back = Leaving(self._curves[edge.id], self._nodes_of(edge.id)[edge.end].cut, not edge.ahead)
        found = self._clockwise(edge.id, edge.end, back, edge)
        if found is None:
            return edge.back()
        return None if found.end < 0 else found

    def _clockwise(self, of: Id, number: int, back: Leaving, arriving: _Edge | None = None) -> _Edge | None:
        """The edge that leaves a node first clockwise from a direction; not the one that arrived there, back again."""
        node = self._nodes_of(of)[number]
        best: tuple[tuple[float, float], _Edge] | None = None
        for id in (of, *node.others):
            curve, nodes = self._curves[id], self._nodes_of(id)
            here = _number(nodes, node.cut.at)
            for ahead in (True, False):
                to = _following(curve, nodes, here, ahead)
                if to is None or (arriving is not None and (id, here, not ahead) == (arriving.id, arriving.end, arriving.ahead)):
                    continue
                key = back.before(Leaving(curve, nodes[here].cut, ahead))
                if key is not None and (best is None or key < best[0]):
                    best = key, _Edge(id, here, to, ahead)
        return best[1] if best is not None else None

    def _loops(self, edges: list[_Edge] | None) -> list[tuple[Id, Loop]]:
        """The closed ways of which a way round is made: wherever it comes by a place again it has closed one. Those that only run
        there and back bound nothing."""
        ends = [self._nodes_of(edge.id)[edge.end].cut.at for edge in edges or ()]
        places = Places(max((max(abs(at.x), abs(at.y)) for at in ends), default=1.0))
        path: list[_Edge] = []
        stops: list[int] = []
        found: list[tuple[Id, Loop]] = []
        for edge in edges or ():
            nodes = self._nodes_of(edge.id)
            path.append(edge)
            stops.append(places.number(nodes[edge.start].cut.at))
            end = places.number(nodes[edge.end].cut.at)
            if end in stops:
                at = len(stops) - 1 - stops[::-1].index(end)
                loop, path, stops = path[at:], path[:at], stops[:at]
                if not all(one.back() in loop for one in loop):
                    found.append((min(one.id for one in loop), self._outline(loop)))
        return found

    def _outline(self, loop: list[_Edge]) -> Loop:
        stretches: list[tuple[Id, bool, Cut, Cut]] = []
        for edge in loop:
            nodes = self._nodes_of(edge.id)
            a, b = nodes[edge.start].cut, nodes[edge.end].cut
            if stretches and stretches[-1][:2] == (edge.id, edge.ahead) and stretches[-1][3] == a:
                stretches[-1] = (edge.id, edge.ahead, stretches[-1][2], b)
            else:
                stretches.append((edge.id, edge.ahead, a, b))
        if len(stretches) > 1 and stretches[0][:2] == stretches[-1][:2] and stretches[-1][3] == stretches[0][2]:
            stretches[0] = (*stretches[0][:2], stretches[-1][2], stretches[0][3])
            stretches.pop()
        pieces: list[Piece] = []
        for id, ahead, a, b in stretches:
            curve = self._curves[id]
            part = part_of(curve, a, b) if ahead else part_of(curve, b, a)
            if part is None and isinstance(curve, Circle | Ellipse) and len(stretches) == 1:
                return curve if ahead else clockwise(curve)
            if isinstance(part, Line | Arc | Ellipse):
                pieces.append(part if ahead else reversed_piece(part))
        return Outline(tuple(meeting(pieces)), True)

    # What lies free within --------------------------------------------------------------------------------

    def _free_within(self, outer: Loop) -> list[tuple[Id, Loop]]:
        """The outer edges of all that hangs together within an edge and does not touch it."""
        left, low, right, high = box_of(outer)
        reach = 0.5 * max(right - left, high - low)
        found: list[tuple[Id, Loop]] = []
        for id in self._near(0.5 * (left + right), 0.5 * (low + high), reach):
            # What is free within lies within with every place of it.
            if id in self._seen or not is_inside(outer, _a_place(self._curves[id])):
                continue
            ids, at, curve = self._hanging_together(id)
            self._seen |= ids
            if at is None or not is_inside(outer, at):
                continue
            # Beyond the place that lies furthest out nothing of it lies.
            step = ROUGH_SHARE * max(reach, abs(at.x), abs(at.y))
            loops, _ = self._loops_from(curve, Point(at.x + step * OUT[0], at.y + step * OUT[1]))
            found += [(first, turned(loop)) for first, loop in loops if not is_counter(loop)]
        return found

    def _hanging_together(self, id: Id) -> tuple[set[Id], Point | None, Id]:
        """All that meets a curve, and what meets that, and so on; the place of them all that lies furthest out, and its curve."""
        found, waiting = {id}, [id]
        tip: Point | None = None
        of = id
        while waiting:
            one = waiting.pop()
            at = furthest(self._curves[one])
            if at is not None and (tip is None or out(at) > out(tip)):
                tip, of = at, one
            for node in self._nodes_of(one):
                for other in node.others:
                    if other not in found:
                        found.add(other)
                        waiting.append(other)
        return found, tip, of


def _a_place(curve: Curve) -> Point:
    return curve.through if isinstance(curve, EndlessLine) else place_along(curve, 0.0)


def _meetings(a: Curve, b: Curve) -> list[Point]:
    met = meet(a, b)
    if met.how != "coincident":
        return [spot.at for spot in met.spots]
    ends = [p for one in (a, b) if isinstance(one, Line | Arc | Ellipse) for p in (one.start, one.end)]
    return [p for p in ends if within(a, p) and within(b, p)]


def _beside(curve: Curve, nodes: list[_Node], cut: Cut) -> tuple[int, int]:
    """The numbers of the nodes before and after a cut; -1 where a line without ends has none."""
    after = next((n for n, node in enumerate(nodes) if node.cut.along > cut.along), len(nodes))
    if is_closed(curve):
        return (after - 1) % len(nodes), after % len(nodes)
    if after == len(nodes):
        return (after - 1, -1) if isinstance(curve, EndlessLine) else (after - 2, after - 1)
    if after == 0:
        return (-1, 0) if isinstance(curve, EndlessLine) else (0, 1)
    return after - 1, after


def _number(nodes: list[_Node], at: Point) -> int:
    """The node of a curve at a place."""
    return min(range(len(nodes)), key=lambda n: abs(nodes[n].cut.at.x - at.x) + abs(nodes[n].cut.at.y - at.y))


def _following(curve: Curve, nodes: list[_Node], number: int, ahead: bool) -> int | None:
    """The number of the next node; None at an end; -1 where a line without ends runs out of the drawing."""
    to = number + 1 if ahead else number - 1
    if is_closed(curve):
        return to % len(nodes)
    if 0 <= to < len(nodes):
        return to
    return -1 if isinstance(curve, EndlessLine) else None


__all__ = ["Around", "Face", "Id", "Tracer"]
