"""Which givens a statement has: too few, too many, twice the same."""

from collections.abc import Collection, Iterable
from typing import cast

from ...problem import refusal
from ..planner import NumberPlan, Planner
from ..tree import Given, Number, Place, Statement


def by_word(statement: Statement, words: Collection[str] | None = None) -> dict[str, Given]:
    """The givens by their words, or those with these words. Raises `Refused` (given_twice) for a word that stands twice."""
    found: dict[str, Given] = {}
    for given in statement.givens:
        if words is not None and given.word not in words:
            continue
        if given.word in found:
            raise refusal("given_twice", given.start, given.end, kind=statement.kind, word=given.word)
        found[given.word] = given
    return found


def needs(statement: Statement, *could: str, more: int = 1) -> Exception:
    """The refusal for too few givens: ``could`` are those that would do."""
    end = statement.givens[-1].end if statement.givens else statement.kind_end
    return refusal("needs_given", end, end, kind=statement.kind, more=more, could=list(could))


def too_many(statement: Statement, given: Given, others: Iterable[str]) -> Exception:
    """The refusal for a given that contradicts or repeats others."""
    return refusal("too_many_givens", given.start, given.end, kind=statement.kind, word=given.word, others=list(others))


def place_of_given(given: Given, index: int = 0) -> Place:
    """The place that the parser has put there."""
    return cast(Place, given.arguments[index])


def length_of_given(p: Planner, given: Given) -> NumberPlan:
    """The plan of a given that is a length; a constant that is no length is refused at its place."""
    return p.length(cast(Number, given.arguments[0]))
