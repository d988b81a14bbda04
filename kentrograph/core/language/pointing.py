"""The pointer as a way of writing: the words for the place it is at, and distances that go toward it."""

from dataclasses import dataclass, replace
from math import floor, hypot, log10

from ..angles import direction_of
from ..book.book import Book
from ..book.places import as_function, plan_next, plan_place
from ..book.planner import Planner
from ..book.tree import PLACES, Given, Place, Statement
from ..book.values import Drawn
from ..construct.solution import near as nearest_solution
from ..figures import Point
from ..measure.closest import distance_between
from ..problem import Refused
from ..snap.candidates import figure_at, within_reach
from . import display
from .echo import env_of
from .intents import mended, tried
from .openline import DRAFT_ID, Draft, OpenLine, read_open_line
from .script import named_step
from .taking import worded


@dataclass(frozen=True, slots=True)
class Pointer:
    """Where the pointer is, how far it reaches, and the size of a pixel; all in the drawing's unit."""

    x: float
    y: float
    reach: float
    pixel: float
    level: bool = False
    """Whether what is placed is held level or plumb with the last place."""


@dataclass(frozen=True, slots=True)
class Pointed:
    """The place that would be taken: its words, where it is, how many more lie within reach, and the figure under it."""

    words: str
    at: Point
    special: bool
    more: int
    figure: str | None
    kind: str = ""
    """What kind of place it is; empty for a plain position."""


def place_at(book: Book, pointer: Pointer) -> Pointed:
    """The special place within reach that is likeliest meant, or the plain position in round numbers."""
    return places_at(book, pointer, 1)[0]


def places_at(book: Book, pointer: Pointer, most: int) -> list[Pointed]:
    """The special places within reach, likeliest first; where there is none, the plain position in round numbers."""
    found = within_reach(book, pointer.x, pointer.y, pointer.reach)
    under = figure_at(book, pointer.x, pointer.y, pointer.reach)
    if found:
        spots = {(c.at.x, c.at.y) for c in found}
        return [Pointed(one.words, one.at, True, len(spots) - 1, one.step, one.kind) for one in found[:most]]
    words, at = plain_position(book, pointer)
    return [Pointed(words, at, False, 0, under)]


def plain_position(book: Book, pointer: Pointer) -> tuple[str, Point]:
    """Where the pointer is, in numbers as round as a pixel is wide, and that place."""
    manner = book.header.manner
    x, y = manner.from_world(Point(pointer.x, pointer.y))
    decimals = max(0, min(12, -floor(log10(pointer.pixel) + 0.3))) if pointer.pixel > 0 else book.header.decimals
    rx, ry = round(x, decimals), round(y, decimals)
    at = Point(*manner.to_world(rx, ry))
    return f"{display.plain(rx, 12)}, {display.plain(ry, 12)}", at


def read_with_pointer(book: Book, draft: Draft | None, text: str, index: int | None, pointer: Pointer | None) -> OpenLine:
    """Reads the open line; a distance without a direction goes toward the pointer."""
    line = read_open_line(book, draft, text, index)
    problem = line.problem
    if problem is None or problem.kind != "needs_pointer" or pointer is None:
        return line
    at = len(book.order) if index is None else index
    last = last_of_draft(book, draft, at)
    pointed = place_at(book, pointer)
    dx, dy = pointed.at.x - last.x, pointed.at.y - last.y
    if hypot(dx, dy) == 0.0:
        return line
    distance = text.strip().lstrip("+ ")
    if pointed.special:
        way = f"toward {pointed.words}"
    else:
        # Whole degrees, as a person would write it down.
        way = f"at {round(book.header.manner.direction_from_core(direction_of(dx, dy))) % 360}"
    words = text.strip()[: max(0, problem.start)] if problem.start > 0 else ""
    return read_open_line(book, draft, f"{words}+ {distance[len(words) :].lstrip('+ ')} {way}".strip(), index)


def with_solution(
    book: Book, line: OpenLine, choice: int | None, pointer: Pointer | None, index: int, mend: str | None = None
) -> OpenLine:
    """The line with another solution taken: by its number or, where no side is stated, the one nearest to the pointer.

    The side words that mean it are written into the statement; ``mend`` is the step whose text it is, if there is one.
    """
    value, step = line.value, line.step
    if step is None or line.do != "write" or not isinstance(value, Drawn) or len(value.solutions) < 2:
        return line
    if choice is not None:
        which = choice % len(value.solutions)
    elif pointer is not None and not any(g.sides for g in step.statement.givens):
        at = Point(pointer.x, pointer.y)
        which = nearest_solution(value.solutions, lambda figure: distance_between(at, figure))
    else:
        return line
    try:
        text = worded(book, step, value, which, index)
        step, value = mended(book, mend, text) if mend else tried(book, text, DRAFT_ID, index)
    except Refused:
        return line
    return replace(line, step=step, value=value, statement=step.statement.text)


def last_of_draft(book: Book, draft: Draft | None, index: int) -> Point:
    """The place that the next relative entry of a draft counts from."""
    last = book.last_place(index)
    if draft is None:
        return last
    line = read_open_line(book, draft, "", index)
    step = line.step
    if step is None:
        return last
    return last_of_givens(book, step.statement, last, index)


def last_of_givens(book: Book, statement: Statement, last: Point, index: int) -> Point:
    """Follows the places of a statement, each relative to the one before it, as far as they can be worked out."""
    step = named_step(DRAFT_ID, replace(statement, name=None), book.header, set())
    planner = Planner(step.manner, book.header.manner.unit)
    for given in statement.givens:
        for place in _places(given):
            try:
                plan = as_function(plan_place(planner, place)) if given is statement.givens[0] else plan_next(planner, place)
                last = plan(env_of(book, planner, index), last)
            except Refused:
                # What cannot be worked out has put nothing down.
                return last
    return last


def _places(given: Given) -> list[Place]:
    return [a for a in given.arguments if isinstance(a, PLACES)]
