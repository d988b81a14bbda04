"""The order of the steps of a book: who stands where, as a list that is never changed, and a key for every step.

A step keeps its key whatever is put in or taken out elsewhere, so nothing behind it has to be numbered anew, in memory or
in the database. Keys are tuples of whole numbers that compare as Python and PostgreSQL compare them, item by item; there is
always another one between two. Method: dense order keys by paths (common practice), and a list in blocks, of which a change
copies one.
"""

from bisect import bisect_left, bisect_right
from collections.abc import Callable, Iterable, Iterator, Sequence
from itertools import accumulate
from typing import overload

from immutables import Map

from ..problem import refusal

Key = tuple[int, ...]
END: Key = (2**62,)
"""A key behind those of all steps."""
_FULL = 512
"""A block that has grown to so many is parted in two."""

Block = tuple[str, ...]


def key_between(before: Key | None, after: Key | None) -> Key:
    """A key between two neighbours; None where there is none on that side.

    >>> key_between((5,), (6,)), key_between((5, 0), (6,)), key_between((5,), (5, 0)), key_between(None, (0,))
    ((5, 0), (5, 1), (5, -1), (-1,))
    """
    if before is None:
        return (after[0] - 1,) if after is not None else (0,)
    if after is None:
        return (before[0] + 1,)
    shared = 0
    while shared < len(before) and before[shared] == after[shared]:
        shared += 1
    if shared == len(before):
        return (*before, after[shared] - 1)
    if len(before) > shared + 1:
        return (*before[: shared + 1], before[shared + 1] + 1)
    if after[shared] - before[shared] > 1:
        return (*before[:shared], before[shared] + 1)
    return (*before, 0)


class Order(Sequence[str]):
    """The ids of the steps of a book from first to last. Never changed: `inserted` and `without` give another one."""

    __slots__ = ("_blocks", "_firsts", "_keys", "_starts", "key")

    def __init__(self, ids: Iterable[str] = (), keys: Iterable[Key] | None = None) -> None:
        """``keys`` are those that the steps have already, ascending; without them they are numbered from 0."""
        every = tuple(ids)
        given = tuple(keys) if keys is not None else tuple((n,) for n in range(len(every)))
        size = _FULL // 2
        self._set(tuple(every[n : n + size] for n in range(0, len(every), size)), Map(zip(every, given, strict=True)))

    def _set(self, blocks: tuple[Block, ...], keys: Map[str, Key]) -> "Order":
        self._blocks, self._keys = blocks, keys
        self.key: Callable[[str], Key] = keys.__getitem__
        """What orders a step among the others. Raises `KeyError` for one that does not stand here."""
        self._firsts = tuple(keys[block[0]] for block in blocks)
        self._starts = (0, *accumulate(map(len, blocks)))
        return self

    # Reading ------------------------------------------------------------------------------------------

    def __len__(self) -> int:
        return self._starts[-1]

    def __iter__(self) -> Iterator[str]:
        for block in self._blocks:
            yield from block

    def __contains__(self, id: object) -> bool:
        return id in self._keys

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Order) and tuple(self) == tuple(other)

    def __hash__(self) -> int:
        return hash(self._blocks)

    @overload
    def __getitem__(self, at: int) -> str: ...
    @overload
    def __getitem__(self, at: slice) -> tuple[str, ...]: ...
    def __getitem__(self, at: int | slice) -> str | tuple[str, ...]:
        if isinstance(at, slice):
            first, last, step = at.indices(len(self))
            return tuple(self._from(first, last))[::step] if step > 0 else tuple(self)[at]
        n = at + len(self) if at < 0 else at
        if not 0 <= n < len(self):
            raise IndexError(at)
        block = bisect_right(self._starts, n) - 1
        return self._blocks[block][n - self._starts[block]]

    def _from(self, first: int, last: int) -> Iterator[str]:
        block = max(0, bisect_right(self._starts, first) - 1)
        while block < len(self._blocks) and self._starts[block] < last:
            start = self._starts[block]
            yield from self._blocks[block][max(0, first - start) : last - start]
            block += 1

    def key_at(self, index: int) -> Key:
        """The key of the step at an index; `END` behind the last."""
        return self.key(self[index]) if index < len(self) else END

    def position(self, id: str) -> int:
        """Where a step stands, counted from 0. Raises `Refused` (no_step)."""
        if id not in self._keys:
            raise refusal("no_step", id=id)
        block = self._block_of(id)
        return self._starts[block] + self._blocks[block].index(id)

    def before(self, key: Key) -> Iterator[str]:
        """The steps before a key, the nearest first."""
        at = max(0, bisect_right(self._firsts, key) - 1)
        for n in range(at if self._blocks else -1, -1, -1):
            block = self._blocks[n]
            stop = bisect_left(block, key, key=self.key) if n == at else len(block)
            yield from reversed(block[:stop])

    def next_to(self, id: str) -> str | None:
        """The step that stands right behind one; None behind the last."""
        at = self.position(id) + 1
        return self[at] if at < len(self) else None

    def _block_of(self, id: str) -> int:
        return bisect_right(self._firsts, self._keys[id]) - 1

    # Changing -----------------------------------------------------------------------------------------

    def inserted(self, id: str, before: str | None = None) -> "Order":
        """The order with a step in front of another one, or at the end. Raises `Refused`: no_step, step_twice."""
        if id in self._keys:
            raise refusal("step_twice", id=id)
        if not self._blocks:
            return Order((id,))
        if before is None:
            n, at = len(self._blocks) - 1, len(self._blocks[-1])
            key = key_between(self._keys[self._blocks[-1][-1]], None)
        else:
            index = self.position(before)
            n = self._block_of(before)
            at = index - self._starts[n]
            key = key_between(self._keys[self[index - 1]] if index else None, self._keys[before])
        block = (*self._blocks[n][:at], id, *self._blocks[n][at:])
        parts = (block,) if len(block) < _FULL else (block[: _FULL // 2], block[_FULL // 2 :])
        return Order()._set((*self._blocks[:n], *parts, *self._blocks[n + 1 :]), self._keys.set(id, key))

    def without(self, id: str) -> "Order":
        """The order without a step. Raises `Refused` (no_step)."""
        n, at = self._block_of(id) if id in self._keys else 0, self.position(id)
        inside = at - self._starts[n]
        block = (*self._blocks[n][:inside], *self._blocks[n][inside + 1 :])
        blocks = (*self._blocks[:n], *((block,) if block else ()), *self._blocks[n + 1 :])
        return Order()._set(blocks, self._keys.delete(id))
