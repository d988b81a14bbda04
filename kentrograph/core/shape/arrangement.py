"""Pieces that cross one another, cut where they cross, and put together again to outlines: what stays is decided by a rule."""

from collections import defaultdict
from collections.abc import Sequence
from itertools import pairwise
from math import atan2, floor, hypot, pi
from typing import NamedTuple

from ..figures import Arc, Line, Outline, Point
from ..figures.along import heading, place_along
from ..figures.box import box_of
from ..figures.box_tree import BoxLike, BoxTree
from ..intersect import intersect, nearest
from ..intersect.roughly import RoughCurve, rough_curve
from ..intersect.within import within
from ..measure.area import signed_area
from ..measure.distance_to import distance_to
from ..measure.inside import winding
from ..measure.rough_spots import spots_on_both
from ..tolerance import ROUGH_SHARE
from .stretch import Cut, cut_on, end_of, part_of, same_cut, start_of

Bit = Line | Arc


class Laid(NamedTuple):
    """A piece that is laid out. Those that lie on one line or one circle, since they came of one piece, have one number.

    Some only cut others, where the edge of what is covered runs, and never stay themselves.
    """

    piece: Bit
    number: int
    only_cuts: bool = False


class Rest:
    """What is left of the plane: what lies no nearer to an outline than a distance, and in none of the caps of its corners."""

    def __init__(self, outline: Outline, distance: float, caps: Sequence[Outline], nothing: float) -> None:
        self.pieces, self.distance, self.caps, self.nothing = outline.pieces, distance, caps, nothing
        self._tree = BoxTree([box_of(piece) for piece in outline.pieces])
        self._caps = BoxTree([box_of(cap) for cap in caps])

    def holds(self, at: Point) -> bool:
        """Whether a place belongs to it, its edge included."""
        # Middles of pieces are known far better than the places where they cross.
        reach = self.distance - 0.02 * self.nothing
        for number in self._tree.within(at.x - reach, at.y - reach, at.x + reach, at.y + reach):
            if distance_to(self.pieces[number], at.x, at.y) < reach:
                return False
        for number in self._caps.within(at.x, at.y, at.x, at.y):
            cap = self.caps[number]
            if winding(cap, at) != 0 and not self._on_edge(cap, at):
                return False
        return True

    def _on_edge(self, cap: Outline, at: Point) -> bool:
        on = nearest(cap, at)
        return hypot(on.x - at.x, on.y - at.y) <= 4.0 * self.nothing


class _Part(NamedTuple):
    """A cut piece, in the order in which it was laid out and runs; its ends by the numbers of the nodes there."""

    order: tuple[int, int]
    piece: Bit
    number: int
    start: int
    end: int


def arranged(laid: Sequence[Laid], rest: Rest, left: bool, closed: bool, nothing: float) -> tuple[Outline, ...]:
    """What stays of the laid pieces, as outlines in the order in which the original runs.

    ``left`` says on which side of them what is left of the plane lies: where several go on from one node, they part there.
    ``closed`` says that only closed outlines that enclose something can stay.
    """
    nodes = _Nodes(4.0 * nothing)
    parts: list[_Part] = []
    for n, bits in enumerate(_cut(laid, nothing)):
        for k, bit in enumerate(bits):
            if rest.holds(place_along(bit, 0.5 * bit.length)):
                start, end = nodes.at(bit.start), nodes.at(bit.end)
                if start != end:
                    parts.append(_Part((n, k), bit, laid[n].number, start, end))
    parts = _without_stubs(_without_doubles(parts, nothing), closed)
    outlines: list[Outline] = []
    for chain in _chains(parts, left):
        pieces = [(part.number, _between(part.piece, nodes.places[part.start], nodes.places[part.end])) for part in chain]
        back = chain[0].start == chain[-1].end
        made = Outline(tuple(_merged(pieces, back)), back)
        if not closed or (back and abs(signed_area(made)) > nothing * made.length):
            outlines.append(made)
    return tuple(outlines)


def _cut(laid: Sequence[Laid], nothing: float) -> list[list[Bit]]:
    """Every piece that may stay, cut where it meets another one."""
    pieces = [one.piece for one in laid]
    boxes = [box_of(piece) for piece in pieces]
    carriers = [rough_curve(piece) for piece in pieces]
    tree = BoxTree(boxes)
    cuts: list[list[Cut]] = [[] for _ in pieces]
    reach = 4.0 * nothing
    for one, (left, low, right, high) in enumerate(boxes):
        a, only = pieces[one], laid[one].only_cuts
        for other in tree.within(left - reach, low - reach, right + reach, high + reach):
            b = pieces[other]
            if other <= one or (only and laid[other].only_cuts) or _go_on(laid[one], laid[other]):
                continue
            if _surely_apart(a, b, carriers[one], carriers[other], boxes[one]):
                continue
            met = intersect(a, b)
            places = [spot.at for spot in met.spots]
            if met.how == "coincident":
                places = [p for p in (a.start, a.end, b.start, b.end) if within(a, p) and within(b, p)]
            for at in places:
                cuts[one].append(cut_on(a, at, nothing))
                cuts[other].append(cut_on(b, at, nothing))
    found: list[list[Bit]] = []
    for (piece, _, only_cuts), places_on in zip(laid, cuts, strict=True):
        if only_cuts:
            found.append([])
            continue
        if not places_on:
            found.append([piece])
            continue
        stops = [start_of(piece)]
        for cut in sorted(places_on, key=lambda one: one.along):
            if not same_cut(piece, stops[-1], cut):
                stops.append(cut)
        if not same_cut(piece, stops[-1], end_of(piece)):
            stops.append(end_of(piece))
        elif len(stops) > 1:
            stops[-1] = end_of(piece)
        bits = [part_of(piece, a, b) for a, b in pairwise(stops)]
        found.append([bit for bit in bits if isinstance(bit, Line | Arc)])
    return found


def _shared_end(a: Bit, b: Bit) -> Point | None:
    """Where one of two pieces ends and the other begins."""
    return a.end if a.end == b.start else b.end if b.end == a.start else None


def _go_on(one: Laid, other: Laid) -> bool:
    """Whether of two pieces on one line or circle one goes on as the other: they meet in that end only."""
    a, b = one.piece, other.piece
    if one.number != other.number or one.number < 0 or _shared_end(a, b) is None:
        return False
    return not isinstance(a, Arc) or not isinstance(b, Arc) or abs(a.sweep + b.sweep) < 359.0


def _surely_apart(a: Bit, b: Bit, u: RoughCurve | None, v: RoughCurve | None, box: BoxLike) -> bool:
    """Whether rough sums are enough to say that two pieces meet nowhere, or only where one ends and the other begins."""
    left, low, right, high = box
    reach = 0.5 * max(right - left, high - low)
    slack = ROUGH_SHARE * (reach + max(abs(left), abs(right), abs(low), abs(high)))
    met = spots_on_both(a, b, u, v, 0.5 * (left + right), 0.5 * (low + high), reach, slack)
    if met is None:
        return False
    shared = _shared_end(a, b)
    return not met or (len(met) == 1 and shared is not None and hypot(met[0][0] - shared.x, met[0][1] - shared.y) <= slack)


class _Nodes:
    """Places that cannot be told apart are one node."""

    def __init__(self, slack: float) -> None:
        self.places: list[Point] = []
        self._slack = slack
        self._cells: dict[tuple[int, int], list[int]] = defaultdict(list)

    def at(self, place: Point) -> int:
        """The number of the node at a place."""
        size = 4.0 * self._slack
        x, y = floor(place.x / size), floor(place.y / size)
        for i in (x - 1, x, x + 1):
            for j in (y - 1, y, y + 1):
                for node in self._cells.get((i, j), ()):
                    known = self.places[node]
                    if hypot(known.x - place.x, known.y - place.y) <= self._slack:
                        return node
        self.places.append(place)
        self._cells[(x, y)].append(len(self.places) - 1)
        return len(self.places) - 1


def _without_doubles(parts: list[_Part], nothing: float) -> list[_Part]:
    """Of pieces that run along each other one, where they run alike; none, where one runs there and one back."""
    by_ends: dict[tuple[int, int], list[_Part]] = defaultdict(list)
    for part in parts:
        by_ends[min(part.start, part.end), max(part.start, part.end)].append(part)
    gone: set[tuple[int, int]] = set()
    for alike in by_ends.values():
        for i, one in enumerate(alike):
            for other in alike[:i]:
                if one.order in gone or other.order in gone:
                    continue
                a, b = (place_along(part.piece, 0.5 * part.piece.length) for part in (one, other))
                if hypot(a.x - b.x, a.y - b.y) <= 16.0 * nothing:
                    gone.add(one.order)
                    if one.start == other.end:
                        gone.add(other.order)
    return [part for part in parts if part.order not in gone]


def _without_stubs(parts: list[_Part], closed: bool) -> list[_Part]:
    """Without pieces that lead nowhere beside others that do: what rounding has let stay. Of closed outlines nothing may end."""
    while True:
        leaving: dict[int, int] = defaultdict(int)
        arriving: dict[int, int] = defaultdict(int)
        for part in parts:
            leaving[part.start] += 1
            arriving[part.end] += 1
        stubs = {
            part.order
            for part in parts
            if (not arriving[part.start] and (closed or arriving[part.end] > max(leaving[part.end], 1)))
            or (not leaving[part.end] and (closed or leaving[part.start] > max(arriving[part.start], 1)))
        }
        if not stubs:
            return parts
        parts = [part for part in parts if part.order not in stubs]


def _chains(parts: Sequence[_Part], left: bool) -> list[list[_Part]]:
    """The parts in chains, each beginning with the part that comes first; where several go on, the one that turns most to the
    side of what is left."""
    leaving: dict[int, list[_Part]] = defaultdict(list)
    arriving: dict[int, int] = defaultdict(int)
    for part in parts:
        leaving[part.start].append(part)
        arriving[part.end] += 1
    used: set[tuple[int, int]] = set()
    found: list[list[_Part]] = []
    # Chains with an end begin where nothing arrives; what is left after them comes back to where it began.
    for begins in (True, False):
        for part in parts:
            if part.order in used or (begins and arriving[part.start] > 0):
                continue
            chain = [part]
            used.add(part.order)
            while chain[-1].end != chain[0].start:
                on = [one for one in leaving[chain[-1].end] if one.order not in used]
                if not on:
                    break
                best = max(on, key=lambda one: _turn(chain[-1].piece, one.piece, left))
                used.add(best.order)
                chain.append(best)
            found.append(chain)
    found.sort(key=lambda chain: min(part.order for part in chain))
    return [_from_first(chain) for chain in found]


def _from_first(chain: list[_Part]) -> list[_Part]:
    if chain[0].start != chain[-1].end:
        return chain
    first = min(range(len(chain)), key=lambda n: chain[n].order)
    return chain[first:] + chain[:first]


def _turn(before: Bit, after: Bit, left: bool) -> float:
    """By how much one piece turns into another, to the left or to the right (radians)."""
    ax, ay = heading(before, False)
    bx, by = heading(after, True)
    turn = atan2(ay * bx - ax * by, -(ax * bx + ay * by))
    if abs(turn) >= pi:
        return -pi
    return turn if left else -turn


def _between(piece: Bit, start: Point, end: Point) -> Bit:
    """A piece with its ends on their nodes, a hair from where they were."""
    if isinstance(piece, Line):
        return Line(start, end)
    return Arc(piece.centre, piece.radius, start, end, piece.sweep)


def _merged(pieces: list[tuple[int, Bit]], around: bool) -> list[Bit]:
    """Pieces that follow one another on one line or circle, as one piece."""
    made: list[tuple[int, Bit]] = []
    for number, piece in pieces:
        if made and made[-1][0] == number and (one := _as_one(made[-1][1], piece)) is not None:
            made[-1] = number, one
        else:
            made.append((number, piece))
    if around and len(made) > 2 and made[-1][0] == made[0][0] and (one := _as_one(made[-1][1], made[0][1])) is not None:
        made = [(made[0][0], one), *made[1:-1]]
    return [piece for _, piece in made]


def _as_one(before: Bit, after: Bit) -> Bit | None:
    if isinstance(before, Line):
        return Line(before.start, after.end)
    assert isinstance(after, Arc)
    sweep = before.sweep + after.sweep
    return Arc(before.centre, before.radius, before.start, after.end, sweep) if abs(sweep) < 360.0 else None
