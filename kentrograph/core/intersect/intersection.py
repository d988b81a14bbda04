"""How two figures meet: one declared outcome for every pair and every position."""

from dataclasses import dataclass
from typing import Literal, NamedTuple

from ..figures import Point

How = Literal["apart", "crossing", "touching", "coincident"]


NEITHER = (False, False)
"""Past the end of neither figure."""


class Spot(NamedTuple):
    """A place where two figures meet. ``sign`` tells it from the other one: entering or leaving, left or right.

    ``past`` says for the first and the second figure whether the place lies beyond what is drawn of it.
    """

    at: Point
    sign: str = ""
    past: tuple[bool, bool] = NEITHER

    @property
    def true(self) -> bool:
        """Whether it lies on both figures as they are drawn."""
        return not any(self.past)


@dataclass(frozen=True, slots=True)
class Intersection:
    """The outcome: how two figures meet and where. Coincident figures run along each other and have no single places."""

    how: How
    spots: tuple[Spot, ...] = ()


APART = Intersection("apart")
COINCIDENT = Intersection("coincident")
