"""The face of a drawing around a place: the smallest closed way round it, and what lies free within: docs/maths/faces.md.

From the place the nearest figure is taken, and followed with the place on the left, turning left as far as possible wherever it
meets others. What is run along both ways, there and back, bounds nothing and falls out. Only what is met on the way is looked at.
"""

from collections.abc import Callable, Iterable
from math import inf
from typing import NamedTuple

from ..budget import watch
from ..construct.outlines import reversed_piece
from ..figures import Circle, Curve, Ellipse, EndlessLine, Line, Outline, Point
from ..figures.along import place_along
from ..figures.box import box_of
from ..figures.outline import Piece
from ..measure.distance_to import distance_to
from ..measure.inside import is_inside
from ..problem import refusal
from ..tolerance import LARGEST, ROUGH_SHARE, TOLERANCE
from .loops import Loop, Places, clockwise, is_counter, lies_in, meeting, turned
from .nodes import Id, Key, Nodes, Other
from .stretch import Cut, cut_at, part_of, same_cut
from .turning import OUT, Leaving, furthest, out, way_at

Box = tuple[float, float, float, float]
Around = Callable[[Box], Iterable[tuple[Id, Curve]]]
"""What runs in a box (left, bottom, right, top): for each curve what it is known by, and itself."""
_SPANS = 16
"""In so many spans a long curve is looked along, so that only what lies near it is met."""


class _Edge(NamedTuple):
    """A stretch of a curve between two of its nodes, run from the one to the other."""

    id: Id
    start: Key
    end: Key | None
    """None where a line without ends runs out of the drawing."""
    ahead: bool

    def back(self) -> "_Edge":
        assert self.end is not None
        return _Edge(self.id, self.end, self.start, not self.ahead)


class Face(NamedTuple):
    """What lies around a place, and what lies free within it."""

    edge: Loop
    holes: tuple[Loop, ...]


class Tracer:
    """Follows the edges of faces. What it has worked out of a curve it keeps.

    With ``most`` no more curves than that are followed: a look must not wait for a face with thousands around it.
    """

    def __init__(self, around: Around, most: int | None = None) -> None:
        self._around = around
        self._most = most
        self._curves: dict[Id, Other] = {}
        self._nodes: dict[Id, Nodes] = {}
        self._seen: set[Id] = set()

    def face(self, at: Point) -> Face:
        """The face around a place. Raises `Refused`: nothing_around; not_enclosed; too_many_around; on_an_edge for a place
        on a figure."""
        outer: Loop | None = None
        inner: list[tuple[Id, Loop]] = []
        reach = self._first_reach(at)
        tried: set[Id] = set()
        while outer is None:
            id = self._nearest(at, reach, tried)
            if id is None:
                raise refusal("not_enclosed")
            tried.add(id)
            if self._most is not None and len(tried) > self._most:
                raise refusal("too_many_around")
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
            if id not in self._curves:
                self._curves[id] = Other.of(id, curve)
            found.append(id)
        return found

    def _distance(self, id: Id, at: Point) -> float:
        return distance_to(self._curves[id].curve, at.x, at.y)

    def _first_reach(self, at: Point) -> float:
        reach = ROUGH_SHARE * 64.0 * max(abs(at.x), abs(at.y), 1.0)
        while not self._near(at.x, at.y, reach):
            reach *= 4.0
            if reach > LARGEST:
                raise refusal("nothing_around")
        return reach

    def _nearest(self, at: Point, reach: float, tried: set[Id]) -> Id | None:
        """The nearest curve that was not tried yet: of those within reach, or of all that there are."""
        while True:
            ids = [id for id in self._near(at.x, at.y, reach) if id not in tried]
            away = [(self._distance(id, at), id) for id in ids]
            close = min(away, default=(inf, ()))
            if close[0] <= reach:
                return close[1]
            if reach > LARGEST:
                return close[1] if away else None
            reach *= 4.0

    # Nodes ------------------------------------------------------------------------------------------------

    def _nodes_of(self, id: Id) -> Nodes:
        if id not in self._nodes:
            if self._most is not None and len(self._nodes) >= self._most:
                raise refusal("too_many_around")
            near = (self._curves[other] for other in self._crossing(id) if other != id)
            self._nodes[id] = Nodes(self._curves[id], near)
        return self._nodes[id]

    def _crossing(self, id: Id) -> list[Id]:
        curve = self._curves[id].curve
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
        curve, nodes = self._curves[id].curve, self._nodes_of(id)
        cut = cut_at(curve, at)
        if cut.off == 0.0:
            raise refusal("on_an_edge")
        hx, hy = way_at(curve, cut)
        left = hx * (at.y - cut.at.y) - hy * (at.x - cut.at.x) > 0.0
        before, after = nodes.beside(cut)
        if before is None and after is None:
            # Alone: all round it, or free within.
            alone = isinstance(curve, Circle | Ellipse)
            return ([(id, curve if left else clockwise(curve))] if alone else []), {id}  # type: ignore[list-item, arg-type]
        there = next((key for key in (before, after) if key is not None and same_cut(curve, nodes[key].cut, cut)), None)
        first: _Edge | None
        if there is not None:
            first = self._clockwise(id, there, Leaving.toward(cut.at, at))
        elif before is None or after is None:
            # A line without ends runs out of the drawing there.
            first = None
        else:
            first = _Edge(id, before, after, True) if left else _Edge(id, after, before, False)
        if first is None:
            return [], {id}
        edges = self._round(first)
        return self._loops(edges), {edge.id for edge in edges or ()} | {id}

    def _cuts(self, edge: _Edge) -> tuple[Cut, Cut]:
        """Where an edge begins and ends."""
        nodes = self._nodes_of(edge.id)
        assert edge.end is not None
        return nodes[edge.start].cut, nodes[edge.end].cut

    def _round(self, first: _Edge) -> list[_Edge] | None:
        """All edges from one on, turning left, until one comes again; None where a line runs out of the drawing.

        That is the first one, but where curves run along each other: then what came before lies under what comes again.
        """
        edges: list[_Edge] = []
        at: dict[_Edge, int] = {}
        edge = first
        while edge.end is not None and edge not in at:
            at[edge] = len(edges)
            edges.append(edge)
            edge = self._next(edge)
        return edges[at[edge] :] if edge.end is not None else None

    def _next(self, edge: _Edge) -> _Edge:
        watch()
        assert edge.end is not None
        back = Leaving(self._curves[edge.id].curve, self._cuts(edge)[1], not edge.ahead)
        return self._clockwise(edge.id, edge.end, back, edge) or edge.back()

    def _clockwise(self, of: Id, key: Key, back: Leaving, arriving: _Edge | None = None) -> _Edge | None:
        """The edge that leaves a node first clockwise from a direction; not the one that arrived there, back again."""
        node = self._nodes_of(of)[key]
        best: tuple[tuple[float, float], _Edge] | None = None
        for id in (of, *node.others):
            nodes = self._nodes_of(id)
            here = key if id == of else nodes.at(node.cut.at)
            if here is None:
                continue
            for ahead in (True, False):
                to = nodes.next(here, ahead)
                if to is None and not isinstance(nodes.curve, EndlessLine):
                    continue
                if arriving is not None and (id, here, not ahead) == (arriving.id, arriving.end, arriving.ahead):
                    continue
                turn = back.before(Leaving(nodes.curve, nodes[here].cut, ahead))
                if turn is not None and (best is None or turn < best[0]):
                    best = turn, _Edge(id, here, to, ahead)
        return best[1] if best is not None else None

    def _loops(self, edges: list[_Edge] | None) -> list[tuple[Id, Loop]]:
        """The closed ways of which a way round is made: wherever it comes by a place again it has closed one. Those that only run
        there and back bound nothing."""
        ends = [self._cuts(edge)[1].at for edge in edges or ()]
        places = Places(max((max(abs(at.x), abs(at.y)) for at in ends), default=1.0))
        path: list[_Edge] = []
        stops: list[int] = []
        found: list[tuple[Id, Loop]] = []
        for edge in edges or ():
            start, end = (places.number(cut.at) for cut in self._cuts(edge))
            path.append(edge)
            stops.append(start)
            if end in stops:
                at = len(stops) - 1 - stops[::-1].index(end)
                loop, path, stops = path[at:], path[:at], stops[:at]
                if not all(one.back() in loop for one in loop):
                    found.append((min(one.id for one in loop), self._outline(loop)))
        return found

    def _outline(self, loop: list[_Edge]) -> Loop:
        stretches: list[tuple[Id, bool, Cut, Cut]] = []
        for edge in loop:
            a, b = self._cuts(edge)
            if stretches and stretches[-1][:2] == (edge.id, edge.ahead) and stretches[-1][3] == a:
                stretches[-1] = (edge.id, edge.ahead, stretches[-1][2], b)
            else:
                stretches.append((edge.id, edge.ahead, a, b))
        if len(stretches) > 1 and stretches[0][:2] == stretches[-1][:2] and stretches[-1][3] == stretches[0][2]:
            stretches[0] = (*stretches[0][:2], stretches[-1][2], stretches[0][3])
            stretches.pop()
        pieces: list[Piece] = []
        for id, ahead, a, b in stretches:
            curve = self._curves[id].curve
            part = part_of(curve, a, b) if ahead else part_of(curve, b, a)
            if part is None and isinstance(curve, Circle | Ellipse) and len(stretches) == 1:
                return curve if ahead else clockwise(curve)
            if isinstance(part, Piece):
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
            if id in self._seen or not is_inside(outer, _a_place(self._curves[id].curve)):
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
            at = furthest(self._curves[one].curve)
            if at is not None and (tip is None or out(at) > out(tip)):
                tip, of = at, one
            for node in self._nodes_of(one).all():
                for other in node.others:
                    if other not in found:
                        found.add(other)
                        waiting.append(other)
        return found, tip, of


def _a_place(curve: Curve) -> Point:
    return curve.through if isinstance(curve, EndlessLine) else place_along(curve, 0.0)


__all__ = ["Around", "Face", "Id", "Tracer"]
