"""Values of a figure, stated or derived, and what would have to give way for another value to be stated."""

from collections.abc import Iterator
from dataclasses import dataclass
from itertools import combinations
from math import hypot
from typing import Any, assert_never

from ..book.book import Book
from ..book.step import Step
from ..book.values import Mark, OnPaper, Reading, StepResult, Untouchable
from ..construct.solution import near as nearest_solution
from ..figures import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Point, RoundCurve
from ..language import display
from ..problem import Problem, Refused
from ..units import plain
from .draft import Draft
from .draft_from import before_kind, draft_of
from .intents import mended
from .interpretation import given_texts
from .side_words import worded

_MOST_REMOVED = 2


@dataclass(frozen=True, slots=True)
class FigureValue:
    """A value of a figure: its word in the language, how it reads, and whether it is one of the givens."""

    word: str
    shown: str
    exact: float
    stated: bool


@dataclass(frozen=True, slots=True)
class Way:
    """A way to state another value: the givens that give way, the text of the step then, and the figure it draws."""

    instead: tuple[str, ...]
    text: str
    figure: Figure


def values_of(book: Book, id: str) -> list[FigureValue]:
    """The values of a step's figure that can be stated, each in the drawing's unit or in degrees."""
    step, value = book.steps[id], book.values[id]
    if not isinstance(value, StepResult) or draft_of(step) is None:
        return []
    words = {g.word for g in step.statement.givens}
    return [
        FigureValue(word, shown, exact, word in words) for word, shown, exact in _values(book, value.figure)
    ]  # fmt: skip


def _values(book: Book, figure: Any) -> Iterator[tuple[str, str, float]]:
    header = book.header
    if isinstance(figure, RoundCurve):
        yield "radius", display.with_unit(figure.radius, header), figure.radius
    if isinstance(figure, Circle):
        yield "diameter", display.with_unit(2.0 * figure.radius, header), 2.0 * figure.radius
        yield "circumference", display.with_unit(figure.length, header), figure.length
    if isinstance(figure, Arc):
        yield "sweep", display.dms(figure.sweep), figure.sweep
    if isinstance(figure, Line):
        yield "length", display.with_unit(figure.length, header), figure.length
        yield "direction", display.direction(figure.direction, header), header.manner.direction_from_core(figure.direction)


def ways_to_state(book: Book, id: str, word: str, typed: str) -> list[Way]:
    """The ways in which a step could state this value, the fewest givens replaced first; the present solution stays.

    Raises `Refused` (not_stated) where no givens of the step could give way, or whatever is wrong with the number.
    """
    step, value = book.steps[id], book.values[id]
    if not isinstance(value, StepResult) or all(v.word != word for v in values_of(book, id)):
        raise Refused(Problem("not_stated", {"word": word}))
    rows, given = given_texts(step.statement), f"{word} {typed.strip()}"
    own = [n for n, g in enumerate(step.statement.givens) if g.word == word]
    if own:
        rows[own[0]] = given
        return [_way(book, step, value, rows, ())]
    first: Refused | None = None
    found = [*_along_itself(book, step, value, given, word)]
    for count in range(0 if found else _MOST_REMOVED + 1):
        first = _replacing(book, step, value, given, count, found) or first
        if found:
            break
    last = _plainly(book, step, value, given, word)
    if last is not None and all(way.text != last.text for way in found):
        found.append(last)
    if not found:
        raise first or Refused(Problem("not_stated", {"word": word}))
    return found


def _replacing(book: Book, step: Step, value: StepResult, given: str, count: int, found: list[Way]) -> Refused | None:
    """Adds the ways in which ``count`` givens give way; the first refusal where there are some that do not do."""
    rows = given_texts(step.statement)
    first: Refused | None = None
    for gone in combinations(range(len(rows)), count):
        kept = [row for n, row in enumerate(rows) if n not in gone]
        try:
            found.append(_way(book, step, value, [*kept, given], tuple(rows[n] for n in gone)))
        except Refused as refused:
            first = first or refused
    return first


def _along_itself(book: Book, step: Step, value: StepResult, given: str, word: str) -> list[Way]:
    """A line between two places: one of them stays, the other only says which way it runs, or how long it is now."""
    rows = {row.split()[0]: row for row in given_texts(step.statement)}
    if not isinstance(value.figure, Line) or set(rows) != {"from", "to"}:
        return []
    hand = book.in_hand(step.manner)
    if word == "direction":
        length = f"length {plain(value.figure.length, 12)}{hand.suffix}"
        tries = [([rows["from"], given, length], rows["to"])]
    else:
        tries = [
            ([rows["from"], f"through {rows['to'][3:]}", given], rows["to"]),
            ([rows["to"], f"through {rows['from'][5:]}", given], rows["from"]),
        ]
    found: list[Way] = []
    for made, gone in tries:
        try:
            found.append(_way(book, step, value, made, (gone,)))
        except Refused:
            # A relative place cannot be looked at from elsewhere.
            continue
    return found


def _way(book: Book, step: Step, value: StepResult, rows: list[str], instead: tuple[str, ...]) -> Way:
    """The step with these rows, with the solution that lies nearest to the present figure. Raises `Refused`."""
    text = before_kind(step) + Draft(step.statement.kind, tuple(rows)).text()
    made, drawn = mended(book, step.id, text)
    if isinstance(drawn, Problem):
        raise Refused(drawn)
    if len(drawn.solutions) > 1 and not any(g.sides for g in made.statement.givens):
        which = nearest_solution(drawn.solutions, lambda figure: _apart(figure, value.figure))
        text = worded(book, made, drawn, which, book.position(step.id))
        made, again = mended(book, step.id, text)
        drawn = again if isinstance(again, StepResult) else drawn
    figure = drawn.figure
    assert not isinstance(figure, Untouchable)
    return Way(instead, text, figure)


def _plainly(book: Book, step: Step, value: StepResult, given: str, word: str) -> Way | None:
    """Everything else as numbers: the centre, or the beginning, stays where it is now."""
    hand = book.in_hand(step.manner)
    figure = value.figure

    def place(at: Point) -> str:
        x, y = hand.writing.from_world(at)
        return f"{plain(x, 12)}{hand.suffix}, {plain(y, 12)}{hand.suffix}"

    match figure:
        case Circle(centre):
            rows = [f"centre {place(centre)}", given]
        case Arc(centre, _, start) if word == "sweep":
            rows = [f"centre {place(centre)}", f"from {place(start)}", given]
        case Arc(centre):
            way = plain(hand.writing.direction_from_core(figure.from_direction), 12)
            rows = [f"centre {place(centre)}", given, f"at {way}", f"sweep {plain(figure.sweep, 12)}"]
        case Line(start):
            way = f"direction {plain(hand.writing.direction_from_core(figure.direction), 12)}"
            length = f"length {plain(figure.length, 12)}{hand.suffix}"
            rows = [f"from {place(start)}", *([given, length] if word == "direction" else [way, given])]
        case Point() | EndlessLine() | Ellipse() | Outline() | FigureSet() | Reading() | Mark() | OnPaper() | float():
            # These are restated given by given.
            return None
        case _:
            assert_never(figure)
    try:
        return _way(book, step, value, rows, tuple(given_texts(step.statement)))
    except Refused:
        # What was typed fits no figure of this kind; the reason is that of the other ways.
        return None


def _apart(one: Any, other: Any) -> float:
    """How far two figures of one kind are from each other, by their centres or ends."""
    pairs = [(getattr(one, k, None), getattr(other, k, None)) for k in ("centre", "start", "end")]
    return sum(hypot(a.x - b.x, a.y - b.y) for a, b in pairs if isinstance(a, Point) and isinstance(b, Point))
