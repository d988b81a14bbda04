"""The touching circles of a statement as its solutions: in order, each made into a figure only when it is looked at."""

from collections.abc import Sequence
from math import hypot
from typing import Any, overload

from ..construct.solution import Contact, Contacts, Solution
from ..figures import Circle, Point
from ..intersect.within import within
from ..tolerance import TOLERANCE
from .sides import LINE_SIDES, MIRRORS, PLACE_SIDES, RING_SIDES, Side
from .three import AGAIN, Raw
from .touched import Touched

ALONG = ("entering", "leaving", "")
"""Words for two centres on one figure: where it, as it runs, enters and leaves the locus of the centre."""


class TouchingCircles(Sequence[Solution]):
    """All circles that touch ``touched``, in the documented order.

    The order: those that touch what is drawn before those that touch only a continuation; then by the side words of the
    givens as they are written (outside, inside, enclosing; left, right), then left before right.
    """

    __slots__ = ("_made", "mirrors", "names", "past", "raws", "touched")

    def __init__(
        self, raws: list[Raw], touched: Sequence[Touched], names: Sequence[str] = (), mirrors: tuple[str, ...] = MIRRORS
    ) -> None:
        self.raws, self.touched, self.names, self.mirrors = raws, touched, names, mirrors
        self.past: list[int] | None = None
        """For each circle the givens that it touches past an end: bit 0 for the first."""
        self._made: dict[int, Solution] = {}
        if any(one.finite for one in touched):
            self._rank()

    def _rank(self) -> None:
        """Those that touch a line or an arc past its end go behind."""
        finite = [(index, one) for index, one in enumerate(self.touched) if one.finite]
        true: list[tuple[Raw, int]] = []
        marked: list[tuple[Raw, int]] = []
        for raw in self.raws:
            past = 0
            for index, one in finite:
                if one.line:
                    # A circle touches a line at the foot of its centre.
                    along = (raw[1] - one.x) * one.ux + (raw[2] - one.y) * one.uy
                    if 0.0 <= along <= one.size:
                        continue
                    slack = TOLERANCE.length(one.size, max(one.away, abs(raw[1]), abs(raw[2])))
                    if not -slack <= along <= one.size + slack:
                        past |= 1 << index
                elif not within(one.figure, self.contacts_of(raw)[index]):  # type: ignore[arg-type]
                    past |= 1 << index
            (marked if past else true).append((raw, past))
        if not marked:
            return
        both = true + marked
        self.raws = [raw for raw, _ in both]
        self.past = [past for _, past in both]

    def contacts_of(self, raw: Raw) -> list[Point]:
        """Where a circle touches each given."""
        key, x, y, radius, _ = raw
        found: list[Point] = []
        for one in reversed(self.touched):
            key //= 3
            if one.line:
                off = one.off(x, y)
                found.append(Point(x + off * one.uy, y - off * one.ux))
                continue
            dx, dy = x - one.x, y - one.y
            d = hypot(dx, dy)
            code = key % 3
            # From the smaller of the two, where a radius is worth more digits.
            if one.r <= radius:
                share = (-one.r if code == 2 else one.r) / d
                found.append(Point(one.x + share * dx, one.y + share * dy))
            else:
                share = (radius if code == 1 else -radius) / d
                found.append(Point(x + share * dx, y + share * dy))
        found.reverse()
        return found

    def note(self, index: int) -> str:
        """Which givens a circle touches past an end, in words; empty where it touches what is drawn."""
        past = self.past[index] if self.past else 0
        if not past:
            return ""
        return f"touches the continuation of {' and '.join(name for k, name in enumerate(self.names) if past >> k & 1)}"

    def sides(self, index: int) -> tuple[str, ...]:
        """The side word for every given, and the one that tells two mirrored solutions apart."""
        key = self.raws[index][0]
        words = [self.mirrors[key % 3] + _AGAIN[key // AGAIN]]
        for one in reversed(self.touched):
            key //= 3
            words.append(_words(one)[key % 3].word)
        return tuple(reversed(words))

    def residuals(self, index: int) -> list[float]:
        """By how much each given is missed, from the numbers of the circle itself."""
        _, x, y, radius, _ = self.raws[index]
        found: list[float] = []
        for one, word in zip(self.touched, self.sides(index), strict=False):
            if one.line:
                found.append(abs(abs(one.off(x, y)) - radius))
            else:
                d = hypot(x - one.x, y - one.y)
                found.append(abs(d - (radius + one.r if word == "outside" else abs(radius - one.r))))
        return found

    def __len__(self) -> int:
        return len(self.raws)

    @overload
    def __getitem__(self, index: int) -> Solution: ...
    @overload
    def __getitem__(self, index: slice) -> Sequence[Solution]: ...
    def __getitem__(self, index: Any) -> Any:
        if isinstance(index, slice):
            return [self[i] for i in range(*index.indices(len(self)))]
        made = self._made.get(index)
        if made is None:
            made = self._made[index] = self._make(range(len(self))[index])
        return made

    def _make(self, index: int) -> Solution:
        raw = self.raws[index]
        sides = self.sides(index)
        past = self.past[index] if self.past else 0
        note = self.note(index)

        def contacts() -> list[Contact]:
            """Where it touches each given and by how much it misses it."""
            found = zip(self.contacts_of(raw), self.residuals(index), strict=True)
            return [Contact(at, residual, bool(past >> k & 1)) for k, (at, residual) in enumerate(found)]

        return Solution(Circle(Point(raw[1], raw[2]), raw[3]), " ".join(filter(None, sides)), note, sides, Contacts(contacts))

    def __eq__(self, other: object) -> bool:
        return isinstance(other, TouchingCircles) and self.raws == other.raws and self.past == other.past

    def __hash__(self) -> int:
        return hash(tuple(self.raws))


_AGAIN = ("", " second", " third", " fourth")


def _words(one: Touched) -> tuple[Side, ...]:
    return LINE_SIDES if one.line else RING_SIDES if one.r > 0.0 else PLACE_SIDES * 3
