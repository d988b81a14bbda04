"""What a step holds once evaluated."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any, NamedTuple

from ..construct.solution import Solution
from ..figures import Figure, Point
from ..problem import Problem
from .on_paper import OnPaper
from .readings_held import Reading


@dataclass(frozen=True, slots=True)
class Mark:
    """What a step holds that draws nothing, and changes how others are drawn: see `scene`."""

    says: str
    """pen and its name, hide, or show."""


Untouchable = float | Reading | Mark | OnPaper
"""What a step holds that is no figure: it is not drawn, nor snapped to, nor shaped."""


class StepResult(NamedTuple):
    """A step that could be drawn: its figure, number or reading.

    ``last`` is the place that it put down last, for relative entries that follow; None where it put down none.
    """

    figure: Figure | float | Reading | Mark | OnPaper
    last: Point | None = None
    solutions: Sequence[Solution] = ()
    chosen_index: int = 0
    note: str = ""
    """What a person should know of it: that a crossing lies past an end."""
    more: tuple[Figure, ...] = ()
    """Where several figures come of a step, those after the first, in the order of its names."""

    @property
    def results(self) -> tuple[Any, ...]:
        """All figures that come of it, in the order of the step's names."""
        return (self.figure, *self.more)


_new = tuple.__new__


def drawn(figure: Figure, last: Point | None) -> StepResult:
    """The only figure that comes of a step. As `StepResult` with these two, in half the time: every plan comes by here."""
    return _new(StepResult, (figure, last, (), 0, "", ()))


Value = StepResult | Problem

__all__ = ["Mark", "OnPaper", "Reading", "StepResult", "Untouchable", "Value", "drawn"]
