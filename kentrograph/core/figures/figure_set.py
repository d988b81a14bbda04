"""Several figures as one."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any

from ..problem import refusal


@dataclass(frozen=True, slots=True)
class FigureSet:
    """Figures that are taken as one: the copies of a `repeat`, what a group names, a placed symbol. Sets may hold sets.

    ``names`` are those of its members, where they have any, in the form in which they are compared; ``row`` is how many stand in
    each row, where they stand in rows; ``pens`` what each member is drawn with, where that is not the pen of the set. Raises
    `Refused` (empty_set).
    """

    members: tuple[Any, ...]
    names: tuple[str, ...] = ()
    row: int = 0
    pens: tuple[str, ...] = ()

    def __post_init__(self) -> None:
        if not self.members:
            raise refusal("empty_set")

    def named(self, name: str) -> Any:
        """The member with this name, or the set of those with this name in each copy; None where there is none."""
        if name in self.names:
            return self.members[self.names.index(name)]
        found = [member.named(name) if isinstance(member, FigureSet) else None for member in self.members]
        return FigureSet(tuple(found), (), self.row) if not self.names and all(one is not None for one in found) else None

    def copy(self, number: int, row: int = 0) -> Any:
        """A copy by its number, from 1, or by its number in a row and that of the row; None where there is none."""
        if row and not (self.row and 1 <= number <= self.row):
            return None
        at = number + (row - 1) * self.row if row else number
        return self.members[at - 1] if 1 <= at <= len(self.members) and not self.names else None


def members_of(figure: Any) -> Iterator[Any]:
    """The figures of a set, and of sets in it; a figure that is no set, itself."""
    if isinstance(figure, FigureSet):
        for member in figure.members:
            yield from members_of(member)
    else:
        yield figure
