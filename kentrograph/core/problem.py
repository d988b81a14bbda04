"""What a step holds when it cannot be drawn: a kind, a place in its text and the facts; the sentence is made at the edge."""

from dataclasses import dataclass, field, replace
from typing import Any


@dataclass(frozen=True, slots=True)
class Problem:
    """A reason, as data. ``kind`` is stable; ``start`` and ``end`` are offsets in the statement's text."""

    kind: str
    fields: dict[str, Any] = field(default_factory=dict)
    start: int = 0
    end: int = 0

    def at(self, start: int, end: int) -> "Problem":
        """The same problem, at another place."""
        return replace(self, start=start, end=end)

    def or_at(self, start: int, end: int) -> "Problem":
        """The same problem, at this place where it has none."""
        return self if self.end else self.at(start, end)


class Refused(Exception):
    """Raised by the core to give up on a statement or figure; always caught where a step is read or evaluated."""

    def __init__(self, problem: Problem) -> None:
        super().__init__(problem.kind, problem.fields)
        self.problem = problem


def refusal(kind: str, /, start: int = 0, end: int = 0, **fields: Any) -> Refused:
    """A refusal to raise: ``raise refusal("zero_length", at=...)``."""
    return Refused(Problem(kind, fields, start, end))
