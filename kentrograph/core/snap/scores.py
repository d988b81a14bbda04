"""What comes before what: how near a place is, and how likely its kind is meant."""

from collections.abc import Callable, Iterator
from itertools import groupby
from math import hypot

from ..book.book import Book
from .kinds import KINDS
from .known import Candidate
from .query import Query

_BEHIND = {key: kind.behind for key, kind in KINDS.items()}
Made = Candidate | Callable[[], Candidate | None]


class Scores:
    """Collects places with their scores; the best of them are worked out at the end."""

    def __init__(self, book: Book, q: Query) -> None:
        self._q = q
        self._on = q.on
        self._order, self._step_of = book.order, book.step_of
        self._found: list[tuple[float, float, str, Made]] = []

    def add(self, one: Candidate, ordered: bool = False) -> None:
        """A place as it is; of places that are ``ordered`` the one added first comes first where they lie in one spot."""
        if one.kind in self._on:
            self.add_rough(one.at.x, one.at.y, one.kind, "" if ordered else one.step, one)

    def add_rough(self, x: float, y: float, kind: str, step: str, made: Made) -> None:
        """A place of which only roughly is known where it lies; ``made`` works it out when it is among the best."""
        q = self._q
        off = hypot(x - q.x, y - q.y)
        if off > q.reach:
            return
        behind = _BEHIND[kind]
        # Places that lie in one spot must not change their order by the noise of where it lies.
        score = round(off / q.reach + behind, 6) if q.reach > 0.0 else behind
        self._found.append((score, behind, step, made))

    def best(self, most: int) -> list[Candidate]:
        """The likeliest first: by score, then by kind, then the latest."""
        self._found.sort(key=lambda f: f[:2])
        chosen: list[Candidate] = []
        for made in self._by_rank():
            one = made() if callable(made) else made
            if one is not None:
                chosen.append(one)
            if len(chosen) == most:
                break
        return chosen

    def _by_rank(self) -> Iterator[Made]:
        """In their order; where score and kind are the same, the latest first: who stands where is looked up only for those."""
        for _, same in groupby(self._found, key=lambda f: f[:2]):
            tied = list(same)
            if len(tied) > 1:
                tied.sort(key=lambda f: self._order.key(self._step_of(f[2])) if f[2] else (), reverse=True)
            for *_, made in tied:
                yield made
