"""What can be read where the pointer is: statements that a click would keep, with what each says now, likeliest first."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any

from ..book.book import Book
from ..book.index import index_of
from ..book.kinds import READS
from ..book.planner import DRAWING
from ..book.step import Step
from ..book.surroundings import Surroundings
from ..book.values import Reading, StepResult
from ..figures import Arc, Circle, Ellipse, EndlessLine, Line, Outline
from ..language.messages import sentence
from ..problem import Problem, Refused
from .kinds.facet import figure_under
from .open_line import DRAFT_ID
from .pointer import Pointer
from .pointing import Pointed, plain_position
from .trying import tried
from .views import reading_words

_MOST = 8


@dataclass(frozen=True, slots=True)
class Kept:
    """A reading that a click would keep: its statement, what it says, and in words; ``already`` is the reading that says so."""

    text: str
    words: str
    reading: Reading
    already: str = ""


def readings_at(book: Book, pointed: Pointed, pointer: Pointer, index: int) -> list[Kept]:
    """The readings of what lies under the pointer: its own measures, those from what was pointed at last, and where nothing lies
    there the area of the face around it (see `area_there`)."""
    found: list[Kept] = []
    for text in dict.fromkeys(_texts(book, pointed, pointer, index)):
        try:
            step, value = tried(book, f"{READS} {text}", DRAFT_ID, index)
        except Refused:
            continue
        if isinstance(value, StepResult) and isinstance(value.figure, Reading):
            said, already = f"{text}: {reading_words(value.figure, book).value}", _already(book, step)
            said += f", kept as {already}" if already else ""
            found.append(Kept(step.statement.text, said, value.figure, already))
        if len(found) == _MOST:
            break
    return found


def wanted_of(book: Book, one: Kept, typed: str, index: int) -> "Kept | Problem | None":
    """A reading with what is typed as what it should be: ``45``, ``wanted 45 within 0.1``, ``least 40``. None for a text that
    says nothing of that kind, the problem, placed in what is typed, for one that cannot be read."""
    text = typed.strip()
    named = text.split()[0].lower() in _LIMITS
    prefix = f"{one.text} " if named else f"{one.text} wanted "
    if not named and not text[0].isdigit():
        return None
    problem: Problem | None = None
    try:
        step, value = tried(book, prefix + text, DRAFT_ID, index)
        problem = value if isinstance(value, Problem) else None
    except Refused as refused:
        problem = refused.problem
    if problem is not None:
        # Placed in what is typed. What only begins with a number may be something else.
        return problem.at(max(0, problem.start - len(prefix)), max(1, problem.end - len(prefix))) if named else None
    if not isinstance(value, StepResult) or not isinstance(value.figure, Reading):
        return None
    compared = reading_words(value.figure, book).compared
    said = f"{one.words.partition(', kept')[0]}, wanted {compared.wanted}" if compared is not None else one.words
    return Kept(step.statement.text, said, value.figure)


_LIMITS = frozenset({"wanted", "least", "most"})


def _already(book: Book, made: Step) -> str:
    """The name of a reading of the book that reads the same; empty where there is none. A second click is most often a slip."""
    names = made.statement.uses
    of = book.find(names[0].key) if names else None
    others = book.users_of(of.id) if of is not None else book.users_of(DRAWING)
    same = (book.steps[id] for id in others if book.steps[id].reads)
    return next((one.name for one in same if one.statement.text[one.statement.kind_start :] == made.statement.text), "")


def named_there(book: Book, pointed: Pointed) -> str | None:
    """What is pointed at, in words that a reading can be of: a special place, else the figure there; None where nothing is."""
    if _is_place(pointed):
        return pointed.words
    return figure_under(book, pointed)[1] or None


_PLACES = frozenset({"point", "end", "centre", "crossing"})
"""The kinds of place that are meant themselves; at any other one the figure is."""


def _is_place(pointed: Pointed) -> bool:
    return pointed.special and pointed.kind in _PLACES


_NEAR, _CROWD = 3.0, 24
"""More figures than this so near to the pointer, in its reaches, are a crowd."""
_MOST_AROUND = 24
"""With more curves than this around it a face is no longer told by pointing."""


def area_there(book: Book, pointer: Pointer, index: int) -> tuple[str, str]:
    """What reads the area of the face around the pointer; where it is not told by pointing, nothing, and why."""
    words, at = plain_position(book, pointer)
    if len(index_of(book).around(pointer.x, pointer.y, _NEAR * pointer.reach)) > _CROWD:
        # Where all lies close together nobody reads areas.
        return "", "too much lies here: see it larger to read the area around"
    try:
        Surroundings(book, book.key_at(index)).face_around(at, _MOST_AROUND)
    except Refused as refused:
        return "", sentence(refused.problem)
    return f"area {words}", ""


def _texts(book: Book, pointed: Pointed, pointer: Pointer, index: int) -> Iterator[str]:
    there = named_there(book, pointed)
    if there is None:
        area, _ = area_there(book, pointer, index)
        if area:
            yield area
        return
    last = next((words for words in reversed(pointer.passed) if words != there), None)
    place = _is_place(pointed)
    if place and there.startswith("corner "):
        yield f"angle {there}"
    if place and last is not None:
        yield f"distance {last}; {there}"
    edge, edge_name = figure_under(book, pointed)
    whole, whole_name = figure_under(book, pointed, whole=True)
    if edge_name:
        yield from (f"{word} {edge_name}" for word in _own(edge))
    if whole_name and whole_name != edge_name:
        yield from (f"{word} {whole_name}" for word in _own(whole))
    if last is not None and not place:
        yield f"distance {last}; {there}"
    if place and last is not None:
        yield f"direction {last}; {there}"
    if last is not None and not place:
        yield f"angle {last} {there}"


def _own(figure: Any) -> tuple[str, ...]:
    """The readings that a figure has of itself, the one most wanted first."""
    if isinstance(figure, Outline | Ellipse):
        closed = figure.closed if isinstance(figure, Outline) else figure.whole
        return ("area", "length") if closed else ("length",)
    return _OF_KIND.get(type(figure), ())


_OF_KIND: dict[type, tuple[str, ...]] = {
    Line: ("length", "direction"),
    EndlessLine: ("direction",),
    Circle: ("diameter", "radius", "area", "length"),
    Arc: ("radius", "length"),
}
