"""The kinds of figure and of reading, as a table knows them: for the tray, for drags and for held numbers."""

from dataclasses import dataclass
from typing import Literal

from ..book.kind import Kind, TabOrder
from ..book.kinds import READS, STATEMENT_KINDS
from ..book.readings import READINGS
from .draft import READING


@dataclass(frozen=True, slots=True)
class KindView:
    """A kind that can be begun: the word (or words) that begins it, its title, its group on the tray, one line that explains it.

    ``tab_order`` says what Tab does with a number; ``endless`` says that what can be
    drawn of it is kept when it is left; ``brush`` that it can be done by stroking over stretches. ``rare`` ones stand on the tray
    only where there is room.
    """

    word: str
    title: str
    group: Literal["place", "shape", "carry", "read", "paper"]
    explanation: str
    tab_order: TabOrder | None
    endless: bool
    brush: bool
    rare: bool = False


def _group(kind: Kind) -> Literal["place", "shape", "carry", "paper"]:
    return kind.group if kind.group in ("shape", "carry", "paper") else "place"


def kind_views() -> list[KindView]:
    """All of them, group by group, in the order in which they are offered."""
    figures = [
        KindView(word, kind.title, _group(kind), kind.explanation, kind.tab_order, kind.endless, kind.brush)
        for word, kind in STATEMENT_KINDS.items()
    ]
    readings = [
        KindView(
            f"{READS} {word}",
            one.title,
            "read",
            one.explanation,
            None,
            False,
            False,
            one.rare,
        )
        for word, one in READINGS.items()
    ]
    anything = KindView(READING, "Anything", "read", "whatever lies under the pointer", None, False, False)
    return [*figures, anything, *readings]
