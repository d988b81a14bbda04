"""A step of the book: a statement with its own name, the manner it was written in, and whether it shows."""

from dataclasses import dataclass

from .manner import Manner
from .tree import Statement, key_of

NAME_LETTERS = {
    "point": "P", "line": "L", "circle": "C", "arc": "A", "fillet": "A", "ellipse": "E",
    "path": "K", "join": "K", "rectangle": "K", "polygon": "K", "measure": "R",
}  # fmt: skip
"""The letter of the names dealt to each kind of statement that defines something."""

FIGURE_KINDS = {
    "fillet": "arc", "path": "outline", "join": "outline", "rectangle": "outline", "polygon": "outline", "measure": "reading",
}  # fmt: skip
"""What a statement's name stands for, where that is not the kind itself."""

PUTS_PLACE = frozenset({"point", "line", "circle", "arc", "ellipse", "path", "rectangle", "polygon"})
"""Kinds of statement that put down a last place."""


@dataclass(frozen=True, slots=True)
class Step:
    """One line of the book. ``dealt`` says that its name was not written but given out."""

    id: str
    name: str
    dealt: bool
    statement: Statement
    manner: Manner
    hidden: bool = False
    off: bool = False

    @property
    def key(self) -> str:
        """The compared form of its name; empty where it has none."""
        return key_of(self.name)

    @property
    def figure_kind(self) -> str:
        """What its name stands for."""
        return FIGURE_KINDS.get(self.statement.kind, self.statement.kind)

    @property
    def puts_place(self) -> bool:
        """Whether relative entries in later steps count from it."""
        return self.statement.kind in PUTS_PLACE and not self.off


def deal_name(kind: str, taken: "set[str] | frozenset[str] | dict[str, object]") -> str:
    """The first name of this kind's letter that is free: P1, P2, ... Empty for kinds that define nothing."""
    letter = NAME_LETTERS.get(kind)
    if letter is None:
        return ""
    number = 1
    while f"{letter.lower()}{number}" in taken:
        number += 1
    return f"{letter}{number}"
