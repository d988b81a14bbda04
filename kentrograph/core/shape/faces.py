"""The face of a drawing around a place: the smallest closed way round it, and what lies free within: docs/maths/faces.md.

From the place the nearest figure is taken, and followed with the place on the left, turning left as far as possible wherever it
meets others. What is run along both ways, there and back, bounds nothing and falls out. Only what is met on the way is looked at.
"""

from collections.abc import Callable, Iterable
from math import hypot, inf
from typing import NamedTuple

from ..construct.outlines import reversed_piece
from ..figures import Arc, Circle, Curve, Ellipse, EndlessLine, Line, Outline, Point
from ..figures.box import box_of
from ..figures.outline import Piece
from ..measure.inside import is_inside
from ..meet import meet, nearest
from ..meet.within import within
from ..problem import refuse
from ..tolerance import LARGEST, ROUGH_SHARE, TOLERANCE
from .loops import Loop, Places, clockwise, is_counter, lies_in, meeting, turned
from .stretch import Cut, cut_at, end_of, is_closed, part_of, same_cut, start_of
from .turning import OUT, Leaving, furthest, out, way_at

Id = tuple[str, int]
"""A figure and the number of its piece."""
Around = Callable[[float, float, float], Iterable[tuple[Id, Curve]]]
"""What runs near a place: for each curve within reach of it what it is known by, and itself."""
_MOST_EDGES = 20_000


class _Node(NamedTuple):
    """A place on a curve where it meets others: the cut, and those others with their cuts there."""

    cut: Cut
    others: tuple[tuple[Id, Cut], ...]


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
        found: list[Id] = []
        for id, curve in self._around(x, y, reach):
            self._curves.setdefault(id, curve)
            found.append(id)
        return found

    def _distance(self, id: Id, at: Point) -> float:
        on = nearest(self._curves[id], at)
        return hypot(on.x - at.x, on.y - at.y)

    def _first_reach(self, at: Point) -> float:
        reach = TOLERANCE.length(1.0, max(abs(at.x), abs(at.y)))
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
        found: list[tuple[Cut, Id | None, Cut | None]] = []
        if not is_closed(curve) and not isinstance(curve, EndlessLine):
            found += [(start_of(curve), None, None), (end_of(curve), None, None)]
        for other in self._crossing(id):
            if other == id:
                continue
            for at in _meetings(curve, self._curves[other]):
                found.append((cut_at(curve, at), other, cut_at(self._curves[other], at)))
        found.sort(key=lambda one: one[0].along)
        nodes: list[_Node] = []
        for cut, known, there in found:
            more = ((known, there),) if known is not None and there is not None else ()
            if nodes and same_cut(curve, nodes[-1].cut, cut):
                nodes[-1] = _Node(nodes[-1].cut, (*nodes[-1].others, *more))
            else:
                nodes.append(_Node(cut, more))
        if len(nodes) > 1 and is_closed(curve) and same_cut(curve, nodes[0].cut, nodes[-1].cut):
            nodes[0] = _Node(nodes[0].cut, (*nodes[0].others, *nodes[-1].others))
            nodes.pop()
        self._nodes[id] = nodes
        return nodes

    def _crossing(self, id: Id) -> list[Id]:
        curve = self._curves[id]
        if isinstance(curve, EndlessLine):
            return self._near(curve.through.x, curve.through.y, LARGEST)
        left, low, right, high = box_of(curve)
        size = max(right - left, high - low)
        reach = 0.5 * size + TOLERANCE.length(size, max(abs(left), abs(low), abs(right), abs(high)))
        return self._near(0.5 * (left + right), 0.5 * (low + high), reach)

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
        for id, cut in ((of, node.cut), *node.others):
            curve, nodes = self._curves[id], self._nodes_of(id)
            here = _number(nodes, cut)
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
            if id in self._seen:
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
                for other, _ in node.others:
                    if other not in found:
                        found.add(other)
                        waiting.append(other)
        return found, tip, of


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


def _number(nodes: list[_Node], cut: Cut) -> int:
    """The node of a curve at a cut."""
    return min(range(len(nodes)), key=lambda n: hypot(nodes[n].cut.at.x - cut.at.x, nodes[n].cut.at.y - cut.at.y))


def _following(curve: Curve, nodes: list[_Node], number: int, ahead: bool) -> int | None:
    """The number of the next node; None at an end; -1 where a line without ends runs out of the drawing."""
    to = number + 1 if ahead else number - 1
    if is_closed(curve):
        return to % len(nodes)
    if 0 <= to < len(nodes):
        return to
    return -1 if isinstance(curve, EndlessLine) else None


__all__ = ["Around", "Face", "Id", "Tracer"]
