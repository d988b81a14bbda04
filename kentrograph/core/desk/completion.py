"""What may stand next, here, in this drawing: words with one line each. From the tables and the parser themselves.

The text up to the word that is being written is parsed; what the parser then asks for is what is offered.
"""

import re
from dataclasses import dataclass

from ..book.book import Book
from ..book.kinds import ALL
from ..book.tree import Statement
from ..language.vocabulary import KINDS, PARTS, READINGS, SIDES
from ..problem import Refused
from .trying import readable

MOST = 12

SIDE_WORDS = {
    "left": "to the left, as it runs",
    "right": "to the right, as it runs",
    "entering": "where the line enters",
    "leaving": "where the line leaves",
    "major": "the long way round",
    "minor": "the short way round",
    "clockwise": "clockwise",
    "counter-clockwise": "counter-clockwise",
    "first": "the first of them",
    "second": "the second of them",
}
PLACE_WORDS = {
    "start of": "where a figure begins",
    "end of": "where a figure ends",
    "middle of": "halfway, or the area centre",
    "centre of": "the centre of a round figure",
    "corner": "a corner of an outline, by its number",
    "crossing of": "where two figures cross",
    "foot of": "foot of the perpendicular",
    "nearest to": "the nearest place on a figure",
    "touch of": "touching point of a tangent",
}


@dataclass(frozen=True, slots=True)
class Completion:
    """A word and what it is for."""

    word: str
    explanation: str


def complete(book: Book, text: str, index: int | None = None) -> tuple[Completion, ...]:
    """Words that may stand where ``text`` ends, and go on as its last word begins."""
    at = len(book.order) if index is None else index
    begun = re.search(r"[A-Za-z_]\w*$", text)
    partial = begun[0].lower() if begun else ""
    before = text[: len(text) - len(partial)]
    if before and not partial and not before[-1].isspace() and before[-1] != ".":
        # A number or a sign has just been written: the next word has not been begun.
        return ()
    if not before.strip():
        return complete_beginning(partial)
    found = [c for c in _after(book, before, at) if c.word.lower().startswith(partial) and c.word.lower() != partial]
    return tuple(found[:MOST])


def complete_beginning(typed: str) -> tuple[Completion, ...]:
    """Words that begin a step and go on as typed. Only what can be drawn is offered."""
    typed = " ".join(typed.lower().split())
    found = [Completion(k.word, k.explanation) for k in KINDS.values() if k.word.startswith(typed)]
    for word, explanation in READINGS.items():
        if typed and (f"measure {word}".startswith(typed) or word.startswith(typed)):
            found.append(Completion(f"measure {word}", explanation))
    return tuple(found[:MOST])


def _after(book: Book, before: str, at: int) -> list[Completion]:
    if before.rstrip().endswith("."):
        return [Completion(word, explanation) for word, explanation in PARTS.items()]
    try:
        statement = readable(book, before, at)
    except Refused as refused:
        problem = refused.problem
        if problem.kind != "unfinished":
            return []
        return [c for wanted in problem.fields["expected"] for c in _wanted(book, wanted, at)]
    if statement.kind == "point" and not statement.givens:
        # A point's place needs no word in front of it.
        return [*_givens(statement), *_wanted(book, "a place", at)]
    return [*_sides(statement), *_givens(statement)]


def _wanted(book: Book, wanted: str, at: int) -> list[Completion]:
    """What fits one thing that the parser expected."""
    if wanted in ("a place", "a place or a figure"):
        kinds = {"point", "circle", "arc", "ellipse"} if wanted == "a place" else None
        return [*_names(book, at, kinds), *(Completion(w, e) for w, e in PLACE_WORDS.items())]
    if wanted == "the name of a figure":
        return _names(book, at, None)
    if wanted == "a kind of figure":
        return list(complete_beginning(""))
    if wanted in ("a number", "a direction"):
        return _names(book, at, {"number", "reading"})
    if wanted.isalpha():
        return [Completion(wanted, READINGS.get(wanted, ""))]
    return []


def _names(book: Book, at: int, kinds: set[str] | None) -> list[Completion]:
    """Names of steps, the latest first, each with what it stands for."""
    found: list[Completion] = []
    for id in reversed(book.order[:at]):
        step = book.steps[id]
        numeric = step.figure_kind in ("number", "reading")
        if step.name and (step.figure_kind in kinds if kinds is not None else not numeric):
            found.append(Completion(step.name, f"{step.figure_kind}: {step.statement.text}"))
    return found


def _sides(statement: Statement) -> list[Completion]:
    if not statement.givens or statement.kind in ("measure", "number"):
        return []
    has = set(statement.givens[-1].sides)
    given = KINDS[statement.kind].given(statement.givens[-1].word) if statement.kind in KINDS else None
    words = given.sides if given else ()
    return [Completion(w, SIDE_WORDS[w]) for w in words if w not in has and w in SIDES]


def _givens(statement: Statement) -> list[Completion]:
    if statement.kind == "measure":
        said = {g.word for g in statement.givens}
        return [Completion(g.word, g.explanation) for g in ALL["measure"].givens if g.word not in said and g.word != "less"]
    return list(complete_given(statement.kind, statement, ""))


def complete_given(kind: str, statement: Statement | None, typed: str) -> tuple[Completion, ...]:
    """Givens of a kind that are not stated yet and go on as typed."""
    spec = KINDS.get(kind)
    if spec is None:
        return ()
    has = {g.word for g in statement.givens} if statement else set()
    words = typed.lower().split(" ")
    if len(words) > 1:
        return ()
    found = [
        Completion(g.word, g.explanation)
        for g in spec.givens
        if g.written and (g.repeats or g.word not in has) and g.word.startswith(words[0])
    ]
    return tuple(found[:MOST])
