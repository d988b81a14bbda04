"""The kinds of figure and of reading, as a table knows them: for the tray, for drags and for held numbers."""

from dataclasses import dataclass
from typing import Literal

from ..book.kind import Drag, Held, Kind
from ..book.kinds import FIGURES
from ..book.kinds.measure import READINGS
from .draft import READING


@dataclass(frozen=True, slots=True)
class KindView:
    """A kind that can be begun: the word (or words) that begins it, its title, its group on the tray, one line that explains it.

    ``drag`` are the words of the two ends of a drag, ``held`` what Tab does with a number; ``endless`` says that what can be
    drawn of it is kept when it is left; ``brush`` that it can be done by stroking over stretches. ``takes`` says how many
    figures it begins with, of what is selected then; ``rare`` ones stand on the tray only where there is room.
    """

    word: str
    title: str
    group: Literal["place", "shape", "carry", "read", "paper"]
    explanation: str
    drag: Drag | None
    held: Held | None
    endless: bool
    brush: bool
    takes: Literal["none", "one", "many"]
    rare: bool = False


def _group(kind: Kind) -> Literal["place", "shape", "carry", "paper"]:
    return kind.group if kind.group in ("shape", "carry", "paper") else "place"


_OF_ONE = frozenset({"length", "radius", "area", "diameter", "moments", "box", "count", "closing"})
"""Readings of one figure."""


def _takes(kind: Kind) -> Literal["none", "one", "many"]:
    first = kind.givens[0] if kind.givens else None
    if first is None or first.word != "figures" or kind.brush or not (kind.shapes or kind.marks):
        return "none"
    return "many" if first.repeats else "one"


def kind_views() -> list[KindView]:
    """All of them, group by group, in the order in which they are offered."""
    figures = [
        KindView(word, kind.title, _group(kind), kind.explanation, kind.drag, kind.held, kind.endless, kind.brush, _takes(kind))
        for word, kind in FIGURES.items()
    ]
    readings = [
        KindView(
            f"measure {word}",
            one.title,
            "read",
            one.explanation,
            one.drag,
            None,
            False,
            False,
            "one" if word in _OF_ONE else "none",
            one.rare,
        )
        for word, one in READINGS.items()
    ]
    anything = KindView(READING, "Anything", "read", "whatever lies under the pointer", None, None, False, False, "none")
    return [*figures, anything, *readings]
