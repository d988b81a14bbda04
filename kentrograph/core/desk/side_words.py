"""Taking one of several solutions: the side words that mean it, written into the statement."""

import re
from collections.abc import Sequence
from dataclasses import replace
from math import hypot

from ..book.book import Book
from ..book.step import Step
from ..book.tree import Given, Statement
from ..book.values import StepResult
from ..construct.solution import Solution
from ..language.vocabulary import CHOOSERS, SIDES
from ..problem import Refused
from .draft import Draft
from .trying import readable

_TOUCHED = ("touching", "through", "figures")
_TRAILING = re.compile(r"(\s+(?:" + "|".join(sorted(SIDES, key=len, reverse=True)) + r"))+$", re.IGNORECASE)


def worded(book: Book, step: Step, drawn: StepResult, which: int, index: int) -> str:
    """The text of a step that takes the solution at ``which`` (from 0) by its side words.

    What is written is tried: where the words do not say it, ``solution N`` is written instead.
    """
    solution = drawn.solutions[which]
    for text in (_with_sides(step.statement, solution), _with_words(step.statement, solution)):
        if text is not None and _takes(book, step, text, drawn, which, index):
            return text
    return f"{_stripped(step.statement, ())} solution {which + 1}"


def clicked_solution(draft: Draft, statement: Statement, solutions: Sequence[Solution]) -> int | None:
    """The solution whose touching places lie nearest to where its figures were clicked: true ones before those on a
    continuation. None where no figure that is touched was clicked."""
    touched = [n for n, given in enumerate(statement.givens) if given.word in _TOUCHED]
    clicks = [(k, draft.clicks[n]) for k, n in enumerate(touched) if n < len(draft.clicks) and draft.clicks[n] is not None]
    if len(solutions) < 2 or not clicks or any(len(one.contacts) < len(touched) for one in solutions):
        return None

    def off(one: Solution) -> tuple[int, float]:
        found = [(one.contacts[k], click) for k, click in clicks if click is not None]
        past = sum(contact.past for contact, _ in found)
        return past, sum(hypot(contact.at.x - x, contact.at.y - y) for contact, (x, y) in found)

    return min(range(len(solutions)), key=lambda n: off(solutions[n]))


def _takes(book: Book, step: Step, text: str, drawn: StepResult, which: int, index: int) -> bool:
    try:
        value = book.try_statement(replace(step, statement=readable(book, text, index)), index)
    except Refused:
        return False
    if not isinstance(value, StepResult):
        return False
    # Where a side is stated there is nothing left to take.
    return value.figure == drawn.solutions[which].figure and (value.chosen_index == which or not value.solutions)


def _with_sides(statement: Statement, solution: Solution) -> str | None:
    """Each word right after the given that it belongs to, the one for mirrored solutions at the end."""
    if not solution.sides:
        return None
    touched = [g for g in statement.givens if g.word in _TOUCHED]
    words = list(solution.sides)
    # What an arc begins from has no word.
    if len(words) > len(touched) and not words[0]:
        words = words[1:]
    if len(words) < len(touched):
        return None
    own = dict(zip((g.start for g in touched), words, strict=False))
    rest = [w for w in words[len(touched) :] if w]
    return " ".join([_stripped(statement, touched, own), *rest])


def _with_words(statement: Statement, solution: Solution) -> str | None:
    return f"{_stripped(statement, statement.givens[-1:])} {solution.signature}" if solution.signature else None


def _stripped(statement: Statement, givens: "list[Given] | tuple[Given, ...]", own: dict[int, str] | None = None) -> str:
    """The statement without ``near`` and ``solution``, and without side words after these givens; with words of their own."""
    text, at = "", 0
    for given in statement.givens:
        text += statement.text[at : given.start]
        at = given.end
        if given.word in CHOOSERS:
            continue
        written = statement.text[given.start : given.end]
        if own is not None or given in givens:
            written = _TRAILING.sub("", written)
        word = (own or {}).get(given.start, "")
        text += f"{written} {word}" if word else written
    return re.sub(r"[ ;]+$", "", text + statement.text[at:])
