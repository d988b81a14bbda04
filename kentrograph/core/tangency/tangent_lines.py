"""The touching lines of a statement as its solutions: in order, each made into a figure only when it is looked at."""

from collections.abc import Callable, Sequence
from math import hypot
from typing import Any

from ..construct.solution import Contact, Contacts, Solution
from ..figures import Circle, Ellipse, EndlessLine, Line, Point, StraightCurve
from ..intersect.supporting_curves import way_of
from ..intersect.within import within
from .ellipse_lines import half_breadth
from .tangents import RawTangent, Tangent

_WORDS = ("left", "right", "")
_AGAIN = ("first", "second", "third", "fourth")
_OVER = {"left": "right", "right": "left", "": ""}
Finish = Callable[[StraightCurve], StraightCurve]


def raw_of(t: Tangent) -> RawTangent:
    """A tangent of one figure as numbers; its two places are a place on the line and the touching place."""
    key = 3 * 2 + _WORDS.index(t.sides[0])
    at = t.at[0]
    if isinstance(t.line, Line):
        return key, t.line.start.x, t.line.start.y, at.x, at.y, t.merged
    size = max(abs(at.x), abs(at.y), 1.0)
    return key, at.x, at.y, at.x + size * t.line.ux, at.y + size * t.line.uy, True


class TangentLines(Sequence[Solution]):
    """All lines that touch ``figures``: those that touch what is drawn first, then by the side words, left before right.

    ``turned`` runs them from the second place to the first; ``touching`` says which of the two places are touched;
    ``finish`` makes the line that was asked for: endless, or of a length.
    """

    __slots__ = ("_made", "figures", "finish", "finite", "names", "raws", "touching", "turned")

    def __init__(
        self, raws: list[RawTangent], turned: bool, touching: slice, figures: list[Any], names: list[str], finish: Finish | None
    ) -> None:
        self.raws, self.turned, self.touching = raws, turned, touching
        self.figures, self.names, self.finish = figures, names, finish
        self._made: dict[int, Solution] = {}
        self.finite = any(type(figure) is not Circle for figure in figures)
        if self.finite:
            self.raws = sorted(raws, key=lambda raw: any(self._past(raw)))

    def sides(self, index: int) -> tuple[str, ...]:
        """On which side the line has each of its figures, as it runs."""
        key = self.raws[index][0] % 9
        words = (_WORDS[key // 3], _WORDS[key % 3])
        if self.turned:
            words = (_OVER[words[0]], _OVER[words[1]])
        return words if len(self.figures) == 2 else words[1:]

    def words(self, index: int) -> tuple[str, ...]:
        """The sides, and which of the lines with the same sides it is: only ellipses that cross have two."""
        again, own = divmod(self.raws[index][0], 9)
        alone = sum(raw[0] % 9 == own for raw in self.raws) == 1
        return (*self.sides(index), "" if alone else _AGAIN[again])

    def merged(self, index: int) -> bool:
        """Whether the line of another side has become the same."""
        return self.raws[index][5]

    def __len__(self) -> int:
        return len(self.raws)

    def __getitem__(self, index: Any) -> Any:
        if isinstance(index, slice):
            return [self[i] for i in range(*index.indices(len(self)))]
        index = range(len(self))[index]
        if index not in self._made:
            self._made[index] = self._make(index)
        return self._made[index]

    def __eq__(self, other: object) -> bool:
        return isinstance(other, TangentLines) and self.raws == other.raws

    def __hash__(self) -> int:
        return hash(tuple(self.raws))

    def _places(self, raw: RawTangent) -> list[Point]:
        _, px, py, qx, qy, merged = raw
        p = Point(px, py)
        return [p, p if merged else Point(qx, qy)][self.touching]

    def _past(self, raw: RawTangent) -> list[bool]:
        return [
            hasattr(figure, "sweep") and not within(figure, at)
            for figure, at in zip(self.figures, self._places(raw), strict=True)
        ]

    def _make(self, index: int) -> Solution:
        raw = self.raws[index]
        _, px, py, qx, qy, merged = raw
        p = Point(px, py)
        line: StraightCurve
        if merged:
            size = hypot(qx - px, qy - py)
            turn = -1.0 if self.turned else 1.0
            line = EndlessLine(p, turn * (qx - px) / size, turn * (qy - py) / size)
        else:
            q = Point(qx, qy)
            line = Line(q, p) if self.turned else Line(p, q)
        made = line if self.finish is None else self.finish(line)
        past = self._past(raw) if self.finite else [False] * len(self.figures)
        names = [name for name, beyond in zip(self.names, past, strict=True) if beyond]
        note = f"touches the continuation of {' and '.join(names)}" if names else ""
        words = self.words(index)

        def contacts() -> list[Contact]:
            """Where it touches each figure and by how much it misses it."""
            places = self._places(raw)
            return [Contact(at, _miss(made, f, at), b) for f, at, b in zip(self.figures, places, past, strict=True)]

        return Solution(made, " ".join(w for w in words if w), note, words, Contacts(contacts))


def _miss(line: StraightCurve, figure: Any, at: Point) -> float:
    """By how much a line misses what it should touch, from its own numbers."""
    w = way_of(line)
    if isinstance(figure, Ellipse):
        return abs(abs(w.off(figure.centre.x, figure.centre.y)) - half_breadth(figure, -w.uy, w.ux))
    if isinstance(figure, Point):
        return abs(w.off(at.x, at.y))
    missed: float = abs(abs(w.off(figure.centre.x, figure.centre.y)) - figure.radius)
    return missed
