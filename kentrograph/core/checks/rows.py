"""Linear equations that come one by one: which of them say something new, and which unknowns all of them together determine.

Method: each row is reduced by those before it (Gauss and Jordan); what is left of it has a pivot of its own, or the row depends
on them. Source: common practice.
"""

from collections.abc import Mapping

from ..tolerance import DEPENDENT_SHARE

Row = dict[int, float]


class Rows:
    """Rows in reduced form, by their pivots."""

    def __init__(self) -> None:
        self._by_pivot: dict[int, Row] = {}

    def add(self, row: Mapping[int, float]) -> bool:
        """Takes a row; whether it says anything that those before it do not."""
        size = max((abs(v) for v in row.values()), default=0.0)
        if size == 0.0:
            return False
        left = {n: v / size for n, v in row.items()}
        for pivot in [n for n in left if n in self._by_pivot]:
            factor = left.get(pivot, 0.0)
            if factor:
                _take(left, self._by_pivot[pivot], factor)
        pivot, value = max(left.items(), key=lambda one: abs(one[1]), default=(0, 0.0))
        if abs(value) <= DEPENDENT_SHARE:
            return False
        own = {n: v / value for n, v in left.items() if abs(v) > DEPENDENT_SHARE}
        for other in self._by_pivot.values():
            factor = other.get(pivot, 0.0)
            if factor:
                _take(other, own, factor)
        self._by_pivot[pivot] = own
        return True

    def determines(self, unknown: int) -> bool:
        """Whether an unknown has one value only."""
        row = self._by_pivot.get(unknown)
        return row is not None and all(n == unknown or abs(v) <= DEPENDENT_SHARE for n, v in row.items())


def _take(row: Row, other: Row, factor: float) -> None:
    """Takes ``factor`` times another row from a row."""
    for n, v in other.items():
        left = row.get(n, 0.0) - factor * v
        if left == 0.0:
            row.pop(n, None)
        else:
            row[n] = left
