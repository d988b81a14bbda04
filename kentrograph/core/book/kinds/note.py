"""Notes: words on the drawing, with a line to each thing that they are about."""

from typing import cast

from ...figures import Point
from ...problem import refusal
from ..kind import GivenSpec, Kind
from ..on_paper import Note
from ..planner import Env, Plan, Planner
from ..tree import Statement, Words
from ..values import StepResult, Untouchable
from .bindings import check_words
from .given import needs
from .things import Things

_LONGEST = 2000


def plan_note(p: Planner, statement: Statement) -> Plan:
    """``note C1 says "ream" at 40, 20``."""
    things = Things(p, statement)
    has = things.others
    check_words(statement, {"figures": len(things.givens)})
    if "says" not in has:
        raise needs(statement, "says and the words, in quotation marks")
    said = has["says"]
    words = cast(Words, said.arguments[0]).text.strip()
    if not words or len(words) > _LONGEST:
        raise refusal("bad_words", said.start, said.end, most=_LONGEST, count=len(words))
    at = things.behind_given("at")
    if at is None and not things.givens:
        raise needs(statement, "at and a place", "what it is about")

    def draw(env: Env, last: Point) -> StepResult:
        found, last = things.of(env, last)
        for thing, given in zip(found, things.givens, strict=True):
            if isinstance(thing, Untouchable):
                raise refusal("not_a_figure", given.start, given.end)
        return StepResult(Note(words, tuple(found), at(env, last) if at is not None else None))

    return draw


KIND = Kind(
    word="note",
    group="paper",
    explanation="words on the drawing, with a line to what they are about",
    plan=plan_note,
    letter="Note",
    first="Point at what it is about, and say its words: says and the words in quotation marks.",
    givens=(
        GivenSpec("figures", "things", "what it is about", repeats=True),
        GivenSpec("says", "words", "its words, in quotation marks; | begins a line of its own"),
        GivenSpec("at", "place", "where the words stand; without it, they are kept clear by themselves"),
    ),
    examples=(
        ('note C1 says "ream after fitting" at 60, 50', "with a line to what it is about"),
        ('note says "Break all edges | 0.5 x 45" at 10, 80', "alone; | begins a line of its own"),
    ),
)
