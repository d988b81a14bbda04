"""Tables of a book where no compiled ones are to be had: what of `immutables.Map` the book uses, made of a dictionary.

A change copies the table, which for the sizes of a drawing costs less in one go than the many small steps of a tree that Python
itself would have to walk. In the page this stands in for the package, under its name.
"""

from typing import Any, TypeVar

K = TypeVar("K")
V = TypeVar("V")


class Map(dict[K, V]):
    """A dictionary that is not changed once it is finished."""

    __slots__ = ()

    def mutate(self) -> "Map[K, V]":
        """A copy that may be written to until it is finished."""
        return Map(self)

    def finish(self) -> "Map[K, V]":
        """Written to no more."""
        return self

    def set(self, key: K, value: V) -> "Map[K, V]":
        """With another value for a key."""
        made = Map(self)
        made[key] = value
        return made

    def delete(self, key: K) -> "Map[K, V]":
        """Without a key. Raises `KeyError`."""
        made = Map(self)
        del made[key]
        return made

    def __hash__(self) -> Any:  # type: ignore[override]
        return hash(frozenset(self.items()))
