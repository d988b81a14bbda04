"""A figure that is being written, row by row."""

from dataclasses import dataclass
from typing import Annotated

from ..book.kinds import READS, STATEMENT_KINDS
from ..book.readings import READINGS
from ..book.readings.reading_kind import ReadingKind
from .bounds import Bound, Index, Place, Text, Whole, Words

READING = "read"
"""The kind of a draft with which one reads by pointing: it writes readings, and is none itself."""


_LISTS = frozenset(kind.word for kind in STATEMENT_KINDS.values() if kind.givens and kind.givens[0].takes == "things")
"""Kinds that begin with a list of places: what stands in two rows is not to be read as one."""


def reading_named(kind: str) -> ReadingKind | None:
    """The reading that a draft of this kind writes; None of a figure's."""
    word, _, way = kind.partition(" ")
    return READINGS.get(way) if word == READS else None


def is_endless(kind: str) -> bool:
    """Whether more can always be given to a draft of this kind."""
    return kind in STATEMENT_KINDS and STATEMENT_KINDS[kind].endless


def known(kind: str) -> str:
    """A kind of figure or of reading that can be written row by row. Raises `ValueError` for any other word."""
    if kind in STATEMENT_KINDS or kind == READING or reading_named(kind) is not None:
        return kind
    raise ValueError(f"is no kind of figure: {', '.join(STATEMENT_KINDS)}, or measure and a kind of reading")


MOST_ROWS = 20_000


@dataclass(frozen=True, slots=True)
class Draft(Whole):
    """A figure that is being written: its kind (``path``, ``measure distance``) and the rows given so far.

    ``again`` marks one to which nothing was given yet: the kind stayed open after one of it was written, and a row may
    stand there that goes on from that one, or names what was selected.
    ``at`` is where the row being written belongs, when an earlier one is being changed; None for the end. After a
    circle, a bare number is the next size about the same centre.
    ``clicks`` is where each row was clicked, as far as it was: of several solutions the one is meant that touches there.
    ``beside`` are special places that something of it was taken beside, within a hair.
    """

    kind: Annotated[str, Bound(known, max_length=40)]
    rows: Annotated[tuple[Text, ...], Bound(max_length=MOST_ROWS)] = ()
    at: Index | None = None
    again: bool = False
    clicks: Annotated[tuple[Place | None, ...], Bound(max_length=MOST_ROWS)] = ()
    beside: Annotated[tuple[Words, ...], Bound(max_length=100)] = ()

    @property
    def untouched(self) -> bool:
        """Whether nothing was given yet."""
        return self.again or not self.rows

    def grown(self, rows: tuple[str, ...], click: tuple[float, float] | None = None) -> "Draft":
        """The draft with one entry more, which may have become several rows; the others stay clicked where they were."""
        at = len(self.rows) if self.at is None else min(self.at, len(self.rows))
        clicks = (*self.clicks, *(None,) * (len(self.rows) - len(self.clicks)))[: len(self.rows)]
        more = max(0, len(rows) - len(self.rows))
        return Draft(self.kind, rows, clicks=(*clicks[:at], *(click,) * more, *clicks[at:]), beside=self.beside)

    def text(self, row: str = "") -> str:
        """The statement that it would be, with one row more."""
        return self.placed(row)[0]

    def placed(self, row: str) -> tuple[str, int]:
        """The statement with one row more, and where that row ends in it."""
        at = len(self.rows) if self.at is None else min(self.at, len(self.rows))
        before = [r for r in (*self.rows[:at], row) if r]
        after = [r for r in self.rows[at:] if r]
        joint = "; " if reading_named(self.kind) or self.kind in _LISTS else " "
        head = f"{self.kind} {joint.join(before)}".strip()
        return (joint.join([head, *after]) if before else f"{self.kind} {joint.join(after)}".strip()), len(head)
