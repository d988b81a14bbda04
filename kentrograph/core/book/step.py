"""A step of the book: a statement with its own name, the manner it was written in, and whether it shows."""

from collections.abc import Container, Iterable
from dataclasses import dataclass

from .kinds import ALL, is_reading
from .manner import Conventions
from .names import key_of
from .pens import PENS
from .statement_planner import StatementPlanner
from .tree import KindOf, SetKind, Statement


def pen_key(pen: str) -> str:
    """Under what all that a pen draws is marked; no figure can have that name."""
    return f"pen {pen}"


VERBS = frozenset(kind.word for kind in ALL.values() if kind.shapes)
"""Kinds of which several figures can come, and that carry names on."""


@dataclass(frozen=True, slots=True)
class Step:
    """One line of the book. ``dealt`` says that its name was not written but given out."""

    id: str
    name: str
    dealt: bool
    statement: Statement
    manner: Conventions
    hidden: bool = False
    off: bool = False

    @property
    def key(self) -> str:
        """The compared form of the first name that it defines; empty where it defines none."""
        return key_of(self.name) if " " not in self.name and self.name else next(iter(self.keys), "")

    @property
    def carried(self) -> tuple[str, ...]:
        """The names of other steps that it carries on: what they stand for from here on is what comes of it. None while it is
        switched off: they stand for what they stood for before it."""
        kind = ALL.get(self.statement.kind)
        if kind is None or not kind.shapes or self.off:
            return ()
        return tuple(name.text for name in kind.carried(self.statement))

    @property
    def own(self) -> tuple[str, ...]:
        """The names that no other step has given before."""
        return tuple(self.name.split())

    @property
    def names(self) -> tuple[str, ...]:
        """All names that it defines, each for one of the figures that come of it, in their order."""
        if self.statement.kind not in VERBS:
            return (self.name,) if self.name else ()
        return (*self.carried, *self.own)

    @property
    def keys(self) -> tuple[str, ...]:
        """The names in the form that is compared."""
        if self.statement.kind not in VERBS:
            return (key_of(self.name),) if self.name else ()
        return tuple(map(key_of, self.names))

    @property
    def marked(self) -> tuple[str, ...]:
        """The names, in the form that is compared, that it marks: what they stand for is drawn otherwise from here on."""
        kind = ALL.get(self.statement.kind)
        if kind is None or not kind.marks or self.off:
            return ()
        pens = (pen_key(g.word) for g in self.statement.givens if kind.marks != "pen" and g.word in PENS)
        return (*(operand.key for operand in self.statement.operands), *pens)

    def kinds(self, kind_of: KindOf) -> tuple[str | None, ...]:
        """What each of its names stands for; ``kind_of`` says it of the names that it works on."""
        kind = ALL.get(self.statement.kind)
        if kind is not None and kind.collects:
            return (SetKind(kind.draws, tuple(name.text for name in self.statement.operands), kind.gathers),)
        if kind is None or not kind.shapes:
            return (self.figure_kind,) * len(self.own)
        operands = self.statement.operands
        naming = kind.naming
        if naming is None:
            kinds = (kind_of(name.key) for name in (*operands, *self.statement.along))
            # A copy of a set stands for itself: what the set was made of is not shaped with it.
            return tuple(kinds) if self.carried else tuple(str(kind) if kind else kind for kind in kinds)
        carried = (kind_of(key_of(name)) for name in self.carried)
        own = naming.own_kind(self.statement, kind_of)
        return (*(naming.becomes(one) if one is not None else None for one in carried), *[own] * len(self.own))

    @property
    def reads(self) -> bool:
        """Whether it is a reading."""
        return is_reading(self.statement)

    @property
    def gathers(self) -> bool:
        """Whether the figures that it names are meant where it is named."""
        kind = ALL.get(self.statement.kind)
        return kind is not None and kind.gathers

    @property
    def figure_kind(self) -> str:
        """What its name stands for."""
        kind = ALL.get(self.statement.kind)
        return kind.draws if kind else self.statement.kind

    @property
    def puts_place(self) -> bool:
        """Whether relative entries in later steps count from it."""
        kind = ALL.get(self.statement.kind)
        return kind is not None and kind.puts_place and not self.off


def planner_of(step: Step, unit: str) -> StatementPlanner:
    """The planner of a step, for a drawing in ``unit``."""
    kind = ALL.get(step.statement.kind)
    return StatementPlanner(step.manner, unit, kind.quantity) if kind is not None else StatementPlanner(step.manner, unit)


Taken = Container[str]
"""Names in use, in the form that is compared."""


class Names(set[str]):
    """Names in use that are only ever added to: it is remembered up to which number each stem is known to be in use."""

    __slots__ = ("tried",)

    def __init__(self, names: Iterable[str] = ()) -> None:
        super().__init__(names)
        self.tried: dict[str, int] = {}


class Besides:
    """Names in use and a few more, or but a few, without a copy of them all."""

    def __init__(self, taken: Taken, more: Container[str] = (), but: Container[str] = ()) -> None:
        self.taken, self.more, self.but = taken, more, but

    def __contains__(self, key: object) -> bool:
        return key in self.more or (key in self.taken and key not in self.but)


class InUse:
    """Names in use in a book: those that are defined, and those that waiting steps hope for. None of them is dealt again.

    ``tried`` remembers up to which number each stem is known to be in use; the book forgets that where a name comes free.
    """

    __slots__ = ("defined", "hoped", "tried")

    def __init__(self, defined: Container[str], hoped: Container[str], tried: dict[str, int]) -> None:
        self.defined, self.hoped, self.tried = defined, hoped, tried

    def __contains__(self, key: object) -> bool:
        return key in self.defined or f"?{key}" in self.hoped


LETTERS = {kind.draws: kind.letter for kind in ALL.values() if kind.letter}
"""The letter of the names of each kind of figure."""


def free_name(stem: str, taken: Taken) -> str:
    """The first of stem1, stem2, ... that is not in use."""
    tried: dict[str, int] = getattr(taken, "tried", {})
    key = key_of(stem)
    n = tried.get(key, 1)
    while f"{key}{n}" in taken:
        n += 1
    tried[key] = n
    return f"{stem}{n}"


def like_name(name: str, taken: Taken) -> str:
    """A free name that looks like one in use: P4 for P1."""
    return free_name(name.rstrip("0123456789") or "P", taken)


def deal_name(kind: str, taken: Taken) -> str:
    """The first name of this kind's letter that is free: P1, P2, ... Empty for kinds that define nothing."""
    found = ALL.get(kind)
    return free_name(found.letter, taken) if found and found.letter else ""
