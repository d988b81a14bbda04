"""Several figures that meet all givens, told apart by signs; and taking one of them."""

from collections.abc import Callable, Sequence
from typing import Any, NamedTuple

from ..figures import Figure, Point
from ..problem import refusal


class Contact(NamedTuple):
    """Where a figure touches one of its givens, by how much it misses it, and whether that lies past an end of it.

    ``onward`` is the unit vector along which the given leads on from there, away from the corner that the figure shapes; None
    where it shapes none.
    """

    at: Point
    residual: float
    past: bool = False
    onward: tuple[float, float] | None = None


class Contacts(Sequence[Contact]):
    """Contacts that are worked out when they are first looked at."""

    __slots__ = ("_find", "_found")

    def __init__(self, find: Callable[[], list[Contact]]) -> None:
        self._find = find
        self._found: list[Contact] | None = None

    def all(self) -> list[Contact]:
        """All of them."""
        if self._found is None:
            self._found = self._find()
        return self._found

    def __len__(self) -> int:
        return len(self.all())

    def __bool__(self) -> bool:
        return True

    def __getitem__(self, index: Any) -> Any:
        return self.all()[index]

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Contacts) and self.all() == other.all()

    def __hash__(self) -> int:
        return hash(tuple(self.all()))


class Solution(NamedTuple):
    """One of the figures that meet all givens. ``signature`` is made of side words and unique among them.

    ``sides`` are the words for each touched given, the last for the figure as a whole; ``contacts`` where it touches.
    """

    figure: Figure
    signature: str = ""
    note: str = ""
    sides: tuple[str, ...] = ()
    contacts: Sequence[Contact] = ()


def take(solutions: Sequence[Solution], stated: Sequence[str], nth: float | None = None) -> int:
    """The index of the solution that the stated side words, or a number, mean; the first where nothing is stated.

    Raises `Refused`: no_such_side with the signatures there are, no_such_solution with how many.
    """
    if nth is not None:
        if nth != int(nth) or not 1 <= nth <= len(solutions):
            raise refusal("no_such_solution", count=len(solutions))
        return int(nth) - 1
    if not stated:
        return 0
    if len(stated) == 1:
        # The everyday case: one word, and it is the whole signature.
        for index, one in enumerate(solutions):
            if one.signature == stated[0]:
                return index
    wanted = set(stated)
    for index, one in enumerate(solutions):
        if wanted <= set(one.signature.split()):
            return index
    if len(solutions) == 1 and not solutions[0].signature:
        # The only one there is: what told it from the others has vanished, as where two merge in a touching.
        return 0
    raise refusal("no_such_side", wanted=" ".join(stated), there=[s.signature for s in solutions if s.signature])


def near(solutions: Sequence[Solution], distance: Any) -> int:
    """The index of the solution that a distance function makes the nearest."""
    return min(range(len(solutions)), key=lambda i: distance(solutions[i].figure))
