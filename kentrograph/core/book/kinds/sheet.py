"""Sheets of paper, with what stands in the fields of their title block."""

from typing import cast

from ...figures import Point
from ...problem import refusal
from ..crossings import called
from ..kind import GivenSpec, Kind
from ..on_paper import Sheet
from ..papers import PAPERS
from ..planner import Env, Plan, Planner
from ..tree import Number, Statement, Words
from ..values import StepResult
from .bindings import check_words

FIELDS = {
    "title": "what is drawn",
    "subtitle": "what else is to be said of it",
    "number": "the number of the drawing",
    "revision": "the index of the revision",
    "date": "the date of issue",
    "author": "who has drawn it",
    "approved": "who has approved it",
    "owner": "whose drawing it is",
    "department": "who is responsible",
    "reference": "who can be asked",
    "document": "what kind of document it is",
    "status": "where it stands: for information, released",
    "material": "what it is made of",
}
"""The fields of a title block with words of their own. Source: ISO 7200: 2004, from memory; the material: *common practice*."""
_LONGEST = 120
_LEAST, _MOST = 50.0, 3000.0
_MOST_FIELDS = 12


def plan_sheet(p: Planner, statement: Statement) -> Plan:
    """``sheet A3 landscape title "Belt guard"``."""
    check_words(statement, {"field": _MOST_FIELDS})
    has = {given.word: given for given in statement.givens if given.word != "field"}
    fields: list[tuple[str, str]] = []
    for given in statement.givens:
        said = [one.text.strip() for one in given.arguments if isinstance(one, Words)]
        if said and any(len(one) > _LONGEST for one in said):
            raise refusal("bad_words", given.start, given.end, most=_LONGEST, count=max(map(len, said)))
        if said:
            fields.append((said[0], said[1]) if given.word == "field" else (given.word, said[0]))
    paper = has["paper"].sides[0] if "paper" in has else "a4"
    size = [called(p.number(cast(Number, one))) for one in has["size"].arguments] if "size" in has else None
    lies = has["lies"].sides[0] if "lies" in has else "landscape"

    def draw(env: Env, last: Point) -> StepResult:
        wide, high = PAPERS[paper] if size is None else (size[0](env, last), size[1](env, last))
        if not (_LEAST <= wide <= _MOST and _LEAST <= high <= _MOST):
            given = has["size"]
            raise refusal("bad_paper", given.start, given.end, least=_LEAST, most=_MOST)
        if size is None:
            wide, high = (max(wide, high), min(wide, high)) if lies == "landscape" else (min(wide, high), max(wide, high))
        return StepResult(Sheet("" if size is not None else paper, wide, high, tuple(fields)))

    return draw


KIND = Kind(
    word="sheet",
    group="paper",
    explanation="a sheet of paper with its title block",
    plan=plan_sheet,
    letter="Sheet",
    shown=True,
    first="Say the paper: A4 to A0, and what stands in its title block.",
    givens=(
        GivenSpec("paper", "choice", "its size by name", choices=tuple(PAPERS)),
        GivenSpec("lies", "choice", "landscape or portrait", choices=("landscape", "portrait")),
        GivenSpec("size", "pair", "its width and height in mm, where it has no name"),
        *(GivenSpec(word, "words", explanation) for word, explanation in FIELDS.items()),
        GivenSpec("field", "two words", "a field of your own: its name, and what stands in it"),
    ),
    examples=(
        ('sheet A3 title "Belt guard" number "HM-12"', "landscape, unless it says portrait"),
        ('sheet size 500, 300 field "Finish" "as rolled"', "a size of its own, and a field of one's own"),
    ),
)
