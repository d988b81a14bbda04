"""The stretch of a figure under a place: from the neighbour on one side to that on the other, in words of the language.

Neighbours are crossings with what is seen, touchings, and the figure's own ends. Around the place only so much is looked at
as it takes to find one on either side: docs/maths/stretches.md.
"""

from collections.abc import Iterator
from math import hypot, radians
from typing import Any, NamedTuple

from ..book.book import Book
from ..book.index import index_of
from ..book.names import edge_name
from ..book.scene import in_sight
from ..book.values import StepResult
from ..figures import Curve, Ellipse, EndlessLine, Figure, Outline, Point, StraightCurve
from ..figures.box import box_of
from ..intersect import intersect_long
from ..intersect.roughly import RoughCurve, rough_curve
from ..intersect.within import within
from ..measure.distance_to import distance_to
from ..measure.rough_spots import spots_on_both
from ..shape.stretch import Cut, cut_at, end_of, is_closed, part_of, same_cut, start_of
from ..tolerance import LARGEST, ROUGH_SHARE, TOLERANCE

Part = tuple[int, Curve, RoughCurve | None]
"""A piece of an outline by its number, or a whole figure by 0, with what tells roughly where it meets another."""
_FIRST_SHARE = 64.0
"""Of a large figure so small a share at least is looked at first, and each time so much further:"""
_FURTHER = 4.0


class Stop(NamedTuple):
    """Where a stretch begins or ends: the cut, and the words that follow from or to."""

    cut: Cut
    words: str


class Stretch(NamedTuple):
    """A stretch of a figure: its figure's id and name, what lies under the place, and its stops. Of a closed figure that nothing
    cuts there are none: it is meant as a whole."""

    id: str
    name: str
    part: Figure
    start: Stop | None
    end: Stop | None


def stretch_under(book: Book, x: float, y: float, reach: float, before: int | None = None) -> Stretch | None:
    """The stretch under a place: of the nearest figure within reach that has any; None where there is none."""
    nearest = min(figures_under(book, x, y, reach, before), default=None)
    return stretch_of(book, nearest[1], Point(x, y), reach, before) if nearest is not None else None


def figures_under(
    book: Book, x: float, y: float, reach: float, before: int | None = None, ink_only: bool = False
) -> list[tuple[float, str]]:
    """What is seen within reach of a place and has stretches: how far off each figure runs, and its id."""
    at = book.key_at(before)
    found: list[tuple[float, str]] = []
    values = book.values
    for id in index_of(book).around(x, y, reach):
        value = values.get(id)
        # Most figures are alone of their step.
        figure = value.figure if type(value) is StepResult else book.figure_of(id)
        if type(figure) is not Point and (off := distance_to(figure, x, y)) <= reach and counts(book, id, at, ink_only):
            found.append((off, id))
    return found


def stretch_of(
    book: Book, id: str, place: Point, reach: float, before: int | None = None, ink_only: bool = False
) -> Stretch | None:
    """The stretch of a figure, by its id, around the foot of a place; with ``ink_only`` pencil does not bound it."""
    return _Seeker(book, id, book.figure_of(id), book.key_at(before), reach, ink_only).stretch(place)


def counts(book: Book, id: str, at: Any, ink_only: bool) -> bool:
    """Whether a figure, by its id, is seen at a place in the order and can be named; with ``ink_only`` not in pencil."""
    return bool(book.name_of(id)) and in_sight(book, id, at, ink_only)


class _Seeker:
    """Looks for the neighbours of a place on one figure."""

    def __init__(self, book: Book, id: str, figure: Any, at: Any, reach: float, ink_only: bool) -> None:
        self.ink_only = ink_only
        self.book, self.id, self.figure, self.at, self.reach = book, id, figure, at, reach
        self.name = book.name_of(id)
        self._others: dict[str, tuple[Part, ...]] = {}
        self._known: dict[tuple[int, Point, float], list[Stop]] = {}
        self.pieces: tuple[Curve, ...] = figure.pieces if isinstance(figure, Outline) else (figure,)

    def stretch(self, place: Point) -> Stretch:
        """The stretch around the foot of a place."""
        figure, cut = self.figure, cut_at(self.figure, place)
        before, after = self._side(cut, False), self._side(cut, True)
        if before is None or after is None:
            if isinstance(figure, EndlessLine) or (before is None and after is None):
                return Stretch(self.id, self.name, figure, before, after)
            before, after = before or after, after or before
        assert before is not None
        assert after is not None
        part = part_of(figure, before.cut, after.cut)
        # Cut at one place only, a closed figure is one stretch all round.
        return Stretch(self.id, self.name, part if part is not None else figure, before, after)

    def _side(self, cut: Cut, ahead: bool) -> Stop | None:
        """The nearest neighbour ahead of a cut, or behind it, as the figure runs; None on a line or a ring that has none."""
        count, closed = len(self.pieces), is_closed(self.figure)
        number = cut.piece
        for turn in range(count + (1 if closed else 0)):
            stops = self._stops(number, cut.at if turn == 0 else None, ahead, cut if turn == 0 else None)
            if stops is not None:
                return stops
            number += 1 if ahead else -1
            if not closed and not 0 <= number < count:
                break
            number %= count
        if closed or isinstance(self.figure, EndlessLine):
            return None
        return Stop(end_of(self.figure), "end") if ahead else Stop(start_of(self.figure), "start")

    def _stops(self, number: int, foot: Point | None, ahead: bool, beyond: Cut | None) -> Stop | None:
        """The first neighbour on a piece, from its beginning or from a foot on it on."""
        piece = self.pieces[number]
        for reach, complete in _reaches(piece, foot, self.reach):
            best: tuple[float, Stop] | None = None
            for stop in self._all_met(number, piece, foot or _middle(piece), reach):
                # A stop at the very foot counts for neither side.
                if beyond is not None and same_cut(self.figure, stop.cut, beyond):
                    continue
                far = self._past(number, stop.cut, beyond, ahead)
                if far is None:
                    continue
                # What two figures do there says more than where another one, which lies upon this one, ends.
                if best is not None and same_cut(self.figure, stop.cut, best[1].cut):
                    nearer = _says_more(stop, best[1])
                else:
                    nearer = best is None or far < best[0]
                if nearer:
                    best = far, stop
            # All that lies no further along than it was looked around is known.
            if best is not None and (complete or _length(piece, best[0]) <= reach):
                return best[1]
        return None

    def _all_met(self, number: int, piece: Curve, around: Point, reach: float) -> list[Stop]:
        """The same list for both sides."""
        key = (number, around, reach)
        if key not in self._known:
            self._known[key] = list(self._met(number, piece, around, reach))
        return self._known[key]

    def _past(self, number: int, cut: Cut, beyond: Cut | None, ahead: bool) -> float | None:
        """How far a cut of a piece lies past another one in a sense; None where it lies on its other side."""
        piece = self.pieces[number]
        here = cut.along
        if beyond is None:
            return here if ahead else -here
        far = here - beyond.along if ahead else beyond.along - here
        if is_closed(piece):
            return far % 360.0
        return far if far > 0.0 else None

    def _met(self, number: int, piece: Curve, around: Point, reach: float) -> Iterator[Stop]:
        """Where a piece meets what is seen within reach of a place, with the words of each."""
        own = edge_name(str(number + 1), self.name) if isinstance(self.figure, Outline) else self.name
        supporting_curve, slack = rough_curve(piece), ROUGH_SHARE * (reach + abs(around.x) + abs(around.y))
        for id in index_of(self.book).around(around.x, around.y, reach, True):
            parts = self._others.get(id)
            for n, one, carries in self._parts(id) if parts is None else parts:
                rough = spots_on_both(piece, one, supporting_curve, carries, around.x, around.y, reach, slack)
                # What meets the piece further off is looked at when it is looked further; what meets it past an end is no stop.
                worth = distance_to(one, around.x, around.y) <= reach if rough is None else bool(rough)
                if worth and counts(self.book, id, self.at, self.ink_only):
                    name = self.book.name_of(id)
                    called = edge_name(str(n), name) if n else name
                    yield from (Stop(cut_at(self.figure, at), words) for at, words in _places(piece, own, one, called))

    def _parts(self, id: str) -> tuple[Part, ...]:
        """What the pieces may meet of another figure: its own pieces by their numbers, or itself."""
        value = self.book.values.get(id)
        other: Any = value.figure if type(value) is StepResult else self.book.figure_of(id)
        parts: tuple[Part, ...]
        if id == self.id or isinstance(other, Point):
            parts = ()
        elif isinstance(other, Outline):
            parts = tuple((n, one, rough_curve(one)) for n, one in enumerate(other.pieces, 1))
        else:
            parts = ((0, other, rough_curve(other)),)
        self._others[id] = parts
        return parts


def _says_more(one: Stop, other: Stop) -> bool:
    """Whether a stop is a crossing, and the other is not."""
    return one.words.startswith("crossing") and not other.words.startswith("crossing")


def _places(piece: Curve, own: str, other: Curve, called: str) -> Iterator[tuple[Point, str]]:
    """The places where a piece meets another curve, in words."""
    met = intersect_long(piece, other)
    if met.how == "coincident":
        for which in ("start", "end"):
            tip = getattr(other, which, None)
            if isinstance(tip, Point) and within(piece, tip):
                yield tip, f"{which} of {called}"
        return
    for spot in met.spots:
        if spot.true:
            yield spot.at, f"crossing of {own} {called}" + (f" {spot.sign}" if len(met.spots) > 1 and spot.sign else "")


def _reaches(piece: Curve, foot: Point | None, first: float) -> Iterator[tuple[float, bool]]:
    """How far to look: ever further from a foot, beginning with the reach of the hand, at last as far as the piece goes."""
    if isinstance(piece, EndlessLine):
        size = LARGEST
        least = 0.0 if foot is None else TOLERANCE.joint_share * max(1.0, abs(foot.x), abs(foot.y)) * 1e6
    else:
        left, low, right, high = box_of(piece)
        size = hypot(right - left, high - low)
        least = size / _FIRST_SHARE
    reach = size if foot is None else max(first, least)
    while reach < size:
        yield reach, False
        reach *= _FURTHER
    yield size, True


def _middle(piece: Curve) -> Point:
    left, low, right, high = box_of(piece)
    return Point(left + (right - left) / 2.0, low + (high - low) / 2.0)


def _length(piece: Curve, along: float) -> float:
    """At most how long so much of a piece is: a length on lines, degrees of what is round."""
    if isinstance(piece, StraightCurve):
        return along
    return radians(along) * (max(piece.a, piece.b) if isinstance(piece, Ellipse) else piece.radius)
