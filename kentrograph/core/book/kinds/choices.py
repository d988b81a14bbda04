"""Shapes whose words say which construction it is."""

from collections.abc import Callable
from typing import Any

from ...figures import Point
from ..planner import Plan, Planner
from ..tree import Statement
from .bindings import Facts, check_words, plan_facts, words_of
from .given import needs, too_many

Make = Callable[[Facts], Any]
Choices = dict[frozenset[str], Make]


def turning(p: Planner) -> Callable[[Facts], float]:
    """How far a shape is turned: counted from the datum's direction, as its coordinates are."""
    level = p.manner.datum.turn
    return lambda f: level + next((float(x.values[0]) for x in f if x.word == "turned"), 0.0)


def size(f: Facts) -> tuple[float, float]:
    first, second = next(x.values for x in f if x.word in ("size", "axes"))
    return first, second


def plan_choice(p: Planner, statement: Statement, choices: Choices, extra: set[str], last_of: Callable[[Any], Point]) -> Plan:
    """The construction whose words are given; ``extra`` words fit any of them."""
    check_words(statement, {})
    words = frozenset(words_of(statement)) - extra
    make = choices.get(words)
    if make is None:
        more = [sorted(c - words) for c in choices if words < c]
        if more:
            least = min(map(len, more))
            raise needs(statement, *dict.fromkeys(" and ".join(m) for m in more if len(m) == least), more=least)
        wrong = next(g for g in reversed(statement.givens) if g.word not in extra)
        raise too_many(statement, wrong, sorted(words - {wrong.word}))
    return plan_facts(p, statement, make, last_of)
