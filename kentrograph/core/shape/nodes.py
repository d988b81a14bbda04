"""The places where a curve meets others, in the order in which it runs; worked out exactly only where somebody asks.

Roughly it is known at little cost which curves meet a curve where. What lies close together there is one bunch, and a bunch is
worked out when it is come by: following the edge of a small face along a long line costs what lies around the face.
"""

from bisect import bisect_right
from collections.abc import Iterable, Iterator
from math import degrees, hypot, inf
from typing import Any, NamedTuple

from ..angles import direction_of
from ..figures import Arc, Circle, Curve, Ellipse, EndlessLine, Line, Piece, Point
from ..figures.along import place_along
from ..figures.box import box_of
from ..intersect import intersect
from ..intersect.roughly import RoughCurve, rough_curve
from ..intersect.within import swept, within
from ..measure.rough_spots import spots_on_both
from ..tolerance import GLANCING, LARGEST, ROUGH_SHARE, TOLERANCE
from .stretch import Cut, cut_at, cut_on, end_of, is_closed, same_cut, start_of

Id = tuple[Any, ...]
"""A figure and the number of its piece: the lesser one is drawn first."""
Key = tuple[int, int]
"""A node of a curve: the number of its bunch, and its own in there."""


class Other(NamedTuple):
    """A curve that may be met, with what tells roughly where."""

    id: Id
    curve: Curve
    supporting_curve: RoughCurve | None

    @classmethod
    def of(cls, id: Id, curve: Curve) -> "Other":
        return cls(id, curve, rough_curve(curve))


class Node(NamedTuple):
    """A place where a curve meets others: the cut, how far along the curve, and those others."""

    cut: Cut
    along: float
    others: tuple[Id, ...]


class _Met(NamedTuple):
    """What is known so far of a meeting: about how far along, with whom (with nobody at an end), the exact cuts where known."""

    along: float
    other: Other | None
    cut: Cut | None


class Nodes:
    """The nodes of one curve, met by some others."""

    def __init__(self, own: Other, others: Iterable[Other]) -> None:
        self.curve = curve = own.curve
        self._closed = is_closed(curve)
        box = [-LARGEST, -LARGEST, LARGEST, LARGEST] if isinstance(curve, EndlessLine) else box_of(curve)
        size, far = max(box[2] - box[0], box[3] - box[1]), max(map(abs, box))
        endless = isinstance(curve, EndlessLine)
        self._slack = TOLERANCE.length(size, far)
        self._room = ROUGH_SHARE * (size + far)
        self._box = tuple(box)
        self._exact: dict[Id, list[Cut]] = {}
        self._worked_out: dict[int, list[Node]] = {}
        met = (
            [] if self._closed or endless else [_Met(0.0, None, start_of(curve)), _Met(end_of(curve).along, None, end_of(curve))]
        )
        for other in others:
            met += self._met(own, other)
        met.sort(key=lambda one: one.along)
        self._bunches = self._bunched(met)
        self._begins = [bunch[0].along for bunch in self._bunches]

    # Roughly ----------------------------------------------------------------------------------------------

    def _met(self, own: Other, other: Other) -> Iterator[_Met]:
        left, low, right, high = self._box
        a, b = own.supporting_curve, other.supporting_curve
        rough, endless = None, isinstance(self.curve, EndlessLine)
        if a is not None and b is not None and not (len(a) == len(b) == 4 and abs(a[2] * b[3] - a[3] * b[2]) < GLANCING):
            middle, reach = (0.5 * (left + right), 0.5 * (low + high)), max(right - left, high - low)
            rough = spots_on_both(self.curve, other.curve, a, b, *middle, reach, None if endless else self._room)
        if rough is None and self._far_from(other.curve):
            return
        if rough is None:
            for cut in self._cuts(other):
                yield _Met(cut.along, other, cut)
            return
        for u, v in rough:
            yield _Met(self._roughly_along(u, v), other, None)

    def _far_from(self, other: Curve) -> bool:
        if isinstance(other, EndlessLine):
            return False
        a, b = self._box, box_of(other)
        slack = 4.0 * self._slack
        return a[0] > b[2] + slack or b[0] > a[2] + slack or a[1] > b[3] + slack or b[1] > a[3] + slack

    def _roughly_along(self, x: float, y: float) -> float:
        curve = self.curve
        if isinstance(curve, Line):
            a, b = curve.start, curve.end
            return ((x - a.x) * (b.x - a.x) + (y - a.y) * (b.y - a.y)) / curve.length
        if isinstance(curve, EndlessLine):
            return (x - curve.through.x) * curve.ux + (y - curve.through.y) * curve.uy
        if isinstance(curve, Circle):
            return direction_of(x - curve.centre.x, y - curve.centre.y)
        assert isinstance(curve, Arc)
        past = swept(curve, Point(x, y))
        return past if past < 0.5 * (360.0 + abs(curve.sweep)) else past - 360.0

    def _bunched(self, met: list[_Met]) -> list[list[_Met]]:
        """What lies so close together that it could change places when it is worked out."""
        bunches: list[list[_Met]] = []
        for one in met:
            if bunches and one.along - bunches[-1][-1].along <= self._gap(one.along):
                bunches[-1].append(one)
            else:
                bunches.append([one])
        if self._closed and len(bunches) > 1 and bunches[0][0].along + 360.0 - bunches[-1][-1].along <= self._gap(0.0):
            bunches[0] = [one._replace(along=one.along - 360.0) for one in bunches.pop()] + bunches[0]
        return bunches

    def _gap(self, along: float) -> float:
        curve = self.curve
        if isinstance(curve, EndlessLine):
            return 4.0 * ROUGH_SHARE * (1.0 + abs(along) + abs(curve.through.x) + abs(curve.through.y))
        if isinstance(curve, Line):
            return 4.0 * self._room
        return degrees(4.0 * self._room / (min(curve.a, curve.b) if isinstance(curve, Ellipse) else curve.radius))

    # Exactly ----------------------------------------------------------------------------------------------

    def _cuts(self, other: Other) -> list[Cut]:
        if other.id not in self._exact:
            curve, known = self.curve, isinstance(self.curve, Line | Arc)
            self._exact[other.id] = [
                cut_on(curve, at, self._slack) if known else cut_at(curve, at)  # type: ignore[arg-type]
                for at in _meetings(curve, other.curve)
            ]
        return self._exact[other.id]

    def _of_bunch(self, number: int) -> list[Node]:
        if number not in self._worked_out:
            bunch = self._bunches[number]
            first, last = bunch[0].along, bunch[-1].along
            found: list[tuple[float, Cut, tuple[Id, ...]]] = []
            for one in bunch:
                if one.other is None:
                    assert one.cut is not None
                    found.append((one.along, one.cut, ()))
            for other in {one.other.id: one.other for one in bunch if one.other is not None}.values():
                for cut in self._cuts(other):
                    along = self._unrolled(cut.along, first, last)
                    if first - self._gap(first) <= along <= last + self._gap(last):
                        found.append((along, cut, (other.id,)))
            # Of those that are met at the very same place one tells where that is: which, hangs on the order in which they came
            # no more than on what they are called.
            found.sort(key=lambda one: (one[0], one[1].at.x, one[1].at.y, one[2]))
            self._worked_out[number] = self._merged(found)
        return self._worked_out[number]

    def _unrolled(self, along: float, first: float, last: float) -> float:
        """On what is closed, so many degrees, told as the bunch is that lies there."""
        if not self._closed:
            return along
        middle = 0.5 * (first + last)
        return along - 360.0 * round((along - middle) / 360.0)

    def _merged(self, found: list[tuple[float, Cut, tuple[Id, ...]]]) -> list[Node]:
        nodes: list[Node] = []
        for along, cut, others in found:
            if nodes and same_cut(self.curve, nodes[-1].cut, cut):
                nodes[-1] = nodes[-1]._replace(others=(*nodes[-1].others, *others))
            else:
                nodes.append(Node(cut, along, others))
        return nodes

    # What is asked ----------------------------------------------------------------------------------------

    def __getitem__(self, key: Key) -> Node:
        return self._of_bunch(key[0])[key[1]]

    def all(self) -> Iterator[Node]:
        """Every node: of a long curve that much crosses this is much work."""
        for number in range(len(self._bunches)):
            yield from self._of_bunch(number)

    def next(self, key: Key, ahead: bool) -> Key | None:
        """The next node as the curve runs, or against it; None past an end, or where there is none."""
        number, one = key
        one += 1 if ahead else -1
        if 0 <= one < len(self._of_bunch(number)):
            return number, one
        return self._filled(number, ahead)

    def _filled(self, number: int, ahead: bool) -> Key | None:
        """The first node of the next bunch that holds any."""
        for _ in self._bunches:
            number += 1 if ahead else -1
            if self._closed:
                number %= len(self._bunches)
            elif not 0 <= number < len(self._bunches):
                return None
            if nodes := self._of_bunch(number):
                return number, 0 if ahead else len(nodes) - 1
        return None

    def beside(self, cut: Cut) -> tuple[Key | None, Key | None]:
        """The nodes before and after a cut; None past an end, or where there is none at all."""
        if not self._bunches:
            return None, None
        along = self._unrolled(cut.along, self._begins[0], self._begins[0] + 360.0)
        number = bisect_right(self._begins, along) - 1
        nodes = self._of_bunch(number) if number >= 0 else []
        passed = sum(node.along <= along for node in nodes)
        before = (number, passed - 1) if passed else self._filled(number if number >= 0 else 0 if self._closed else -1, False)
        after = (number, passed) if passed < len(nodes) else self._filled(number, True)
        return before, after

    def at(self, place: Point) -> Key | None:
        """The node at a place, or the nearest beside it."""
        beside = self.beside(cut_at(self.curve, place))
        best: tuple[float, Key | None] = inf, None
        for key in beside:
            if key is not None:
                there = self[key].cut.at
                best = min(best, (hypot(there.x - place.x, there.y - place.y), key), key=lambda one: one[0])
        return best[1]


def _meetings(a: Curve, b: Curve) -> list[Point]:
    met = intersect(a, b)
    if met.how != "coincident":
        return [spot.at for spot in met.spots]
    # Where a circle lies twice both are cut where it begins, as what has ends is there: so they run along each other.
    ends = [p for one in (a, b) if not isinstance(one, EndlessLine) for p in _ends(one)]
    return [p for p in ends if within(a, p) and within(b, p)]


def _ends(curve: Piece | Circle) -> tuple[Point, ...]:
    return (place_along(curve, 0.0),) if isinstance(curve, Circle) else (curve.start, curve.end)


__all__ = ["Id", "Key", "Node", "Nodes", "Other"]
