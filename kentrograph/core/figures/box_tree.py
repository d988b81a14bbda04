"""A tree of boxes: which of many things may lie in a region, or nearest to something, without looking at each.

Method: boxes sorted by their middles along the longer way and halved, again and again (a bounding volume hierarchy). Source:
common practice.
"""

from collections.abc import Callable, Iterator, Sequence
from heapq import heappop, heappush
from math import hypot, inf

BoxLike = Sequence[float]
_LEAF = 4


class _Node:
    __slots__ = ("box", "items", "one", "other")

    def __init__(self, boxes: Sequence[BoxLike], items: list[int]) -> None:
        left, low, right, high = inf, inf, -inf, -inf
        # Written out: this runs for every box on every storey of the tree.
        for item in items:
            x0, y0, x1, y1 = boxes[item]
            if x0 < left:
                left = x0
            if y0 < low:
                low = y0
            if x1 > right:
                right = x1
            if y1 > high:
                high = y1
        self.box = (left, low, right, high)
        self.items: list[int] | None = items
        self.one: _Node | None = None
        self.other: _Node | None = None
        if len(items) > _LEAF:
            axis = 0 if right - left >= high - low else 1
            items.sort(key=lambda item: boxes[item][axis] + boxes[item][axis + 2])
            half = len(items) // 2
            self.items = None
            self.one, self.other = _Node(boxes, items[:half]), _Node(boxes, items[half:])


class BoxTree:
    """A tree over boxes (left, bottom, right, top), which are known by their numbers."""

    def __init__(self, boxes: Sequence[BoxLike]) -> None:
        self.boxes = boxes
        self._root = _Node(boxes, list(range(len(boxes)))) if boxes else None

    def within(self, left: float, low: float, right: float, high: float) -> list[int]:
        """The numbers of the boxes that touch a box."""
        found: list[int] = []
        waiting = [self._root] if self._root is not None else []
        boxes = self.boxes
        while waiting:
            node = waiting.pop()
            box = node.box
            if box[0] > right or box[2] < left or box[1] > high or box[3] < low:
                continue
            if node.items is None:
                waiting += [node.one, node.other]  # type: ignore[list-item]
                continue
            for item in node.items:
                one = boxes[item]
                if one[0] <= right and one[2] >= left and one[1] <= high and one[3] >= low:
                    found.append(item)
        return found

    def pairs(self, other: "BoxTree", reach: float = 0.0) -> Iterator[tuple[int, int]]:
        """Every pair of a box of this tree and a box of another one that lie no further apart than ``reach`` each way."""
        for number, (left, low, right, high) in enumerate(self.boxes):
            for item in other.within(left - reach, low - reach, right + reach, high + reach):
                yield number, item

    def closest(self, other: "BoxTree", measure: Callable[[int, int], float]) -> None:
        """Measures pairs, the likely nearest first, until no pair that is left can be nearer than the nearest measured.

        ``measure`` gives the distance of a pair, which is never less than that of their boxes.
        """
        if self._root is None or other._root is None:
            return
        best, count = inf, 0
        heap: list[tuple[float, int, _Node | int, _Node | int]] = [
            (distance(self._root.box, other._root.box), count, self._root, other._root)
        ]
        while heap:
            away, _, one, two = heappop(heap)
            if away > best:
                return
            if isinstance(one, int) and isinstance(two, int):
                best = min(best, measure(one, two))
                continue
            for first in _below(one) if _larger(one, two) else [one]:
                for second in [two] if _larger(one, two) else _below(two):
                    apart = distance(self._box(first), other._box(second))
                    if apart <= best:
                        count += 1
                        heappush(heap, (apart, count, first, second))

    def _box(self, node: "_Node | int") -> BoxLike:
        return self.boxes[node] if isinstance(node, int) else node.box


def _below(node: "_Node | int") -> "list[_Node | int]":
    assert isinstance(node, _Node)
    if node.items is not None:
        return list(node.items)
    assert node.one is not None
    assert node.other is not None
    return [node.one, node.other]


def _larger(one: "_Node | int", two: "_Node | int") -> bool:
    """Which of two is to be taken apart next: the first where the second cannot be, or is no larger."""
    if isinstance(two, int):
        return True
    if isinstance(one, int):
        return False
    return _extent(one.box) >= _extent(two.box)


def _extent(box: BoxLike) -> float:
    return max(box[2] - box[0], box[3] - box[1])


def distance(a: BoxLike, b: BoxLike) -> float:
    """How far two boxes lie apart; 0 where they meet."""
    return hypot(max(a[0] - b[2], b[0] - a[2], 0.0), max(a[1] - b[3], b[1] - a[3], 0.0))
