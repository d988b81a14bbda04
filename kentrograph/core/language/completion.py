"""Words that may stand next, each with one line that explains it; from the same tables that the parser reads."""

from dataclasses import dataclass

from ..book.kinds import PLANS
from ..book.tree import Statement
from .vocabulary import KINDS, READINGS

MOST = 8


@dataclass(frozen=True, slots=True)
class Completion:
    """A word and what it is for."""

    word: str
    explanation: str


def complete_beginning(typed: str) -> tuple[Completion, ...]:
    """Words that begin a step and go on as typed. Only what can be drawn is offered."""
    typed = " ".join(typed.lower().split())
    found = [Completion(k.word, k.explanation) for k in KINDS.values() if k.word in PLANS and k.word.startswith(typed)]
    for word in ("distance",):
        whole = f"measure {word}"
        if whole.startswith(typed) or word.startswith(typed):
            found.append(Completion(whole, READINGS[word]))
    return tuple(found[:MOST])


def complete_given(kind: str, statement: Statement | None, typed: str) -> tuple[Completion, ...]:
    """Givens of a kind that are not stated yet and go on as typed."""
    spec = KINDS.get(kind)
    if spec is None:
        return ()
    has = {g.word for g in statement.givens} if statement else set()
    first = typed.lower().split(" ")[0]
    found = [
        Completion(g.word, g.explanation)
        for g in spec.givens
        if g.word in _DRAWN.get(kind, ()) and (g.repeats or g.word not in has) and g.word.startswith(first)
    ]
    return tuple(found[:MOST])


_DRAWN: dict[str, tuple[str, ...]] = {
    "line": ("from", "to"),
    "circle": ("centre", "radius", "diameter", "circumference", "through"),
    "path": ("from", "to", "close"),
}
"""Givens that can be drawn so far."""
