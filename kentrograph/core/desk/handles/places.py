"""Handles of the places that a step states: a coordinate, an offset, a distance along, or the point that is named."""

import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from typing import cast

from ...book.book import Book
from ...book.chain import chain_of, follow, is_place
from ...book.places import plan_place
from ...book.planner import Planner, as_function
from ...book.step import Step, planner_of
from ...book.tree import Along, Coordinates, Given, NamedPlace, OnAt, Place, Polar, Relative
from ...figures import Arc, Line, Point
from ...intersect.within import distance_along
from ...snap.sight_lines import coordinate
from ..draft import Draft
from ..interpretation import env_of, given_texts
from ..pointer import Pointer
from ..pointing import places_at
from .handle import Handle, Pull, from_base, is_number, length_text, way_text

HandlesOf = Callable[[Book, str], list[Handle]]
Write = Callable[[Book, Pointer], str]
"""What is written for a place, by a book in the manner of the step."""


def place_handles(book: Book, step: Step, handles_of: HandlesOf) -> Iterator[Handle]:
    """A handle for each place; ``handles_of`` gives those of a point that is named, which is then what moves."""
    index = book.position(step.id)
    planner = planner_of(step, book.header.manner.unit)
    last = book.last_place(index)
    texts = given_texts(step.statement)
    numbers = {id(given): n for n, given in enumerate(step.statement.givens)}
    chain = chain_of(planner, step.statement)
    for link, at, before in follow(chain, env_of(book, planner, index), last):
        if link.given.word == "figures" or not is_place(planner, link.given.word, link.argument):
            continue
        argument = cast(Place, link.argument)
        if isinstance(argument, NamedPlace):
            yield from _of_named(book, argument, index, handles_of)
        else:
            n = numbers[id(link.given)]
            row = _row(step, link.given, n, texts[n], argument)
            if row is not None:
                yield _of_place(book, step, row, argument, at, before, planner)


def _of_named(book: Book, place: NamedPlace, before: int, handles_of: HandlesOf) -> Iterator[Handle]:
    named = book.find(place.name.key, before)
    if named is not None and isinstance(book.figure_of(named.id), Point):
        own = next(iter(handles_of(book, named.id)), None)
        if own is not None:
            yield replace(own, words=f"moves {named.name}")


@dataclass(frozen=True, slots=True)
class _Row:
    """A row of which one place is written anew, between what stands before it and after it."""

    index: int
    text: str
    before: str
    place: str
    after: str

    def pull(self, write: Write) -> Pull:
        return lambda book, pointer: {self.index: f"{self.before}{write(book, pointer)}{self.after}"}


_TWO = {
    "curve via": re.compile(r"(curve\s+via\s+)(.+)(\s+to\s+)(.+)", re.IGNORECASE),
    "curve along": re.compile(r"(curve\s+along\s)(.+)(\s+to\s+)(.+)", re.IGNORECASE),
    "curve radius": re.compile(r"(curve\s+radius\s)(.+)(\s+to\s+)(.+)", re.IGNORECASE),
    "across": re.compile(r"(across\s+)([^;]+)(\s*;\s*)(.+)", re.IGNORECASE),
}
"""Givens that state more than one thing, and how these stand in the row."""


def _row(step: Step, given: Given, n: int, text: str, place: Place) -> _Row | None:
    """The row around a place; None where the place stands beside others that cannot be told apart in it."""
    sides = "" if given.word == "curve radius" else "".join(f" {side}" for side in given.sides)
    bare = text.removesuffix(sides)
    if len(given.arguments) == 1:
        before = f"{given.word} " if bare.startswith(f"{given.word} ") else ""
        return _Row(n, text, before, bare.removeprefix(before), sides)
    found = _TWO[given.word].fullmatch(bare) if given.word in _TWO else None
    if found is None or _TO.search(found[2]):
        return None
    first, second = found[1] + found[2], found[3] + found[4]
    if place is given.arguments[0]:
        return _Row(n, text, found[1], found[2], second + sides)
    return _Row(n, text, first + found[3], found[4], sides)


_TO = re.compile(r"\sto\s", re.IGNORECASE)


def _of_place(book: Book, step: Step, row: _Row, place: Place, at: Point, last: Point, planner: Planner) -> Handle:
    """The handle of a place, which stays of its sort while it is pulled, except where a special place is taken."""
    stays = _staying(book, step, row, place, last, planner)
    one = _one_number(row, place)
    words = f"changes {row.text}" if stays or isinstance(place, Coordinates) else f"takes another place for {row.text}"

    def written(hand: Book, pointer: Pointer) -> str:
        found = places_at(hand, pointer, 1, Draft("point"), hand.position(step.id))
        # A relative entry would count from another place than the last one here.
        special = found[0] if found[0].special and not found[0].words.startswith("+") else None
        plainly = found[-1].words
        if one is not None:
            return one(hand, pointer, special.words if special else "")
        if special is not None:
            return special.words
        return stays(hand, pointer) if stays else plainly

    return Handle(at, words, step.id, row.pull(written))


def _one_number(row: _Row, place: Place) -> Callable[[Book, Pointer, str], str] | None:
    """For `P1.x, 15`: only the number gives way, to another one or to that coordinate of the special place ``taken``."""
    if not isinstance(place, Coordinates) or is_number(place.x) == is_number(place.y):
        return None
    joint = ".." if "," not in row.place else ","
    first, second = row.place.split(joint, 1) if is_number(place.x) else row.place.rsplit(joint, 1)

    def written(hand: Book, pointer: Pointer, taken: str) -> str:
        x, y = hand.writing.from_world(Point(pointer.x, pointer.y))
        if is_number(place.x):
            changed = f"{coordinate(taken, 'x')}" if taken else length_text(hand, x, pointer)
            return f"{changed},{second}"
        changed = f"{coordinate(taken, 'y')}" if taken else length_text(hand, y, pointer)
        return f"{first}, {changed}"

    return written


def _staying(book: Book, step: Step, row: _Row, place: Place, last: Point, planner: Planner) -> Write | None:
    """How a place is written at the pointer so that it stays of its sort; None for one that is only replaced."""
    index = book.position(step.id)
    match place:
        case Relative(None, offset):
            return lambda hand, pointer: f"+ {_offset(hand, last, isinstance(offset, Polar), pointer)}"
        case Relative(base, offset) if base is not None and ":" in row.place:
            origin = as_function(plan_place(planner, base))(env_of(book, planner, index), last)
            named = row.place.split(":", 1)[0]
            return lambda hand, pointer: f"{named}: {_offset(hand, origin, isinstance(offset, Polar), pointer)}"
        case Polar():
            datum = Point(*planner.manner.in_unit(planner.unit).to_world(0.0, 0.0))
            return lambda hand, pointer: _offset(hand, datum, True, pointer)
        case Along(_, name, from_end, False):
            figure = book.figure_named(name.key, index)
            if isinstance(figure, Line | Arc):
                return lambda hand, pointer: _along(hand, row.place, figure, from_end, pointer)
        case OnAt(name, _):
            centre = getattr(book.figure_named(name.key, index), "centre", None)
            if isinstance(centre, Point):
                return lambda hand, pointer: f"on {name.text} at {way_text(hand, *from_base(centre, pointer)[:2], pointer)}"
    return None


def _offset(book: Book, base: Point, polar: bool, pointer: Pointer) -> str:
    dx, dy, away = from_base(base, pointer)
    if polar:
        return f"{length_text(book, away, pointer)} at {way_text(book, dx, dy, pointer)}"
    x, y = book.writing.turned(1.0, 0.0)
    across, up = dx * x + dy * y, dy * x - dx * y
    return f"{length_text(book, across, pointer)}, {length_text(book, up, pointer)}"


def _along(book: Book, place: str, figure: Line | Arc, from_end: bool, pointer: Pointer) -> str:
    along = distance_along(figure, Point(pointer.x, pointer.y))
    text = length_text(book, figure.length - along if from_end else along, pointer)
    return re.sub(r"^.*?(\s+along\s)", rf"{text}\1", place, count=1, flags=re.IGNORECASE | re.DOTALL)
