"""A step of the book: a statement with its own name, the manner it was written in, and whether it shows."""

from collections.abc import Container, Iterable
from dataclasses import dataclass

from .kinds import ALL
from .manner import Manner
from .tree import Statement, key_of


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
        if self.statement.kind == "fillet" and any(g.word == "trimmed" for g in self.statement.givens):
            return "outline"
        kind = ALL.get(self.statement.kind)
        return kind.draws if kind else self.statement.kind

    @property
    def puts_place(self) -> bool:
        """Whether relative entries in later steps count from it."""
        kind = ALL.get(self.statement.kind)
        return kind is not None and kind.puts_place and not self.off


Taken = Container[str]
"""Names in use, in the form that is compared."""


class Names(set[str]):
    """Names in use that are only ever added to: it is remembered up to which number each stem is known to be in use."""

    __slots__ = ("tried",)

    def __init__(self, names: Iterable[str] = ()) -> None:
        super().__init__(names)
        self.tried: dict[str, int] = {}


def free_name(stem: str, taken: Taken) -> str:
    """The first of stem1, stem2, ... that is not in use."""
    tried = taken.tried if isinstance(taken, Names) else {}
    n = tried.get(stem, 1)
    while key_of(f"{stem}{n}") in taken:
        n += 1
    tried[stem] = n
    return f"{stem}{n}"


def like_name(name: str, taken: Taken) -> str:
    """A free name that looks like one in use: P4 for P1."""
    return free_name(name.rstrip("0123456789") or "P", taken)


def deal_name(kind: str, taken: Taken) -> str:
    """The first name of this kind's letter that is free: P1, P2, ... Empty for kinds that define nothing."""
    found = ALL.get(kind)
    return free_name(found.letter, taken) if found and found.letter else ""
