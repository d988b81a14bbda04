"""The touching circles of a statement as its solutions: in order, each made into a figure only when it is looked at."""

from collections.abc import Sequence
from math import hypot
from typing import Any, overload

from ..construct.solution import Contact, Solution
from ..figures import Circle, Point
from ..meet.within import within
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
        self.past: list[tuple[bool, ...]] | None = None
        self._made: dict[int, Solution] = {}
        for one in touched:
            if one.finite:
                self._rank()
                break

    def _rank(self) -> None:
        """Those that touch a line or an arc past its end go behind."""
        marked = [(tuple(self._past(raw)), raw) for raw in self.raws]
        marked.sort(key=lambda m: (any(m[0]), m[1]))
        self.past, self.raws = [m[0] for m in marked], [m[1] for m in marked]

    def _past(self, raw: Raw) -> list[bool]:
        return [
            one.finite and not within(one.figure, at)  # type: ignore[arg-type]
            for one, at in zip(self.touched, self.contacts_of(raw), strict=True)
        ]

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
        past = self.past[index] if self.past else (False,) * len(self.touched)
        circle = Circle(Point(raw[1], raw[2]), raw[3])
        contacts = tuple(
            Contact(at, residual, beyond)
            for at, residual, beyond in zip(self.contacts_of(raw), self.residuals(index), past, strict=True)
        )
        names = [name for name, beyond in zip(self.names, past, strict=False) if beyond]
        note = f"touches the continuation of {' and '.join(names)}" if names else ""
        return Solution(circle, " ".join(w for w in sides if w), note, sides, contacts)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, TouchingCircles) and self.raws == other.raws and self.past == other.past

    def __hash__(self) -> int:
        return hash(tuple(self.raws))


_AGAIN = ("", " second", " third", " fourth")


def _words(one: Touched) -> tuple[Side, ...]:
    return LINE_SIDES if one.line else RING_SIDES if one.r > 0.0 else PLACE_SIDES * 3
