"""What the language has, kind by kind, as its declarations say it: for the help at the table, as for the reference page."""

from dataclasses import dataclass
from typing import Literal

from ..book.kind import Kind
from ..book.kinds import ALL


@dataclass(frozen=True, slots=True)
class HelpGiven:
    """A given: its word, and one line that explains it."""

    word: str
    explanation: str


@dataclass(frozen=True, slots=True)
class HelpExample:
    """A statement, what it shows, and the name of its picture; empty where there is none."""

    text: str
    note: str
    picture: str


@dataclass(frozen=True, slots=True)
class HelpKind:
    """One word that begins a step."""

    word: str
    title: str
    group: Literal["place", "shape", "carry", "read", "paper", "number", "block"]
    explanation: str
    first: str
    givens: list[HelpGiven]
    examples: list[HelpExample]


def help_kinds() -> list[HelpKind]:
    """All kinds that have examples, in the order in which they are declared."""
    return [_kind(kind) for kind in ALL.values() if kind.examples]


def _kind(kind: Kind) -> HelpKind:
    # A reading has no figure to be drawn.
    pictured = kind.group in ("place", "shape", "carry")
    examples = [
        HelpExample(text, note.replace("`", ""), f"{kind.word}-{number}.svg" if pictured else "")
        for number, (text, note) in enumerate(kind.examples, 1)
    ]
    givens = [HelpGiven(g.word, g.explanation.replace("`", "")) for g in kind.givens if g.written]
    return HelpKind(kind.word, kind.title, kind.group, kind.explanation, kind.first.replace("`", ""), givens, examples)
