"""Handles of a figure: the places by which it can be pulled, and in words what pulling changes.

Pulling changes the given that put the place there: a coordinate, a radius, a length, or the point that is named.
"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from math import atan2, degrees, hypot

from ..angles import unit_vector
from ..book.book import Book
from ..book.places import as_function, plan_next, plan_place
from ..book.planner import Planner
from ..book.step import Step
from ..book.tree import PLACES, Bearing, Coordinates, Given, InUnit, Name, NamedPlace, Negative, Place, Plain, Polar, Relative
from ..book.values import Drawn
from ..construct.circles import through_three
from ..figures import Arc, Circle, Line, Point
from ..figures.along import place_along
from ..problem import Refused
from ..units import plain
from .echo import env_of, given_texts
from .openline import Draft, before_kind, draft_of
from .pointing import Pointer, places_at, rounded

_LITERAL = (Plain, InUnit, Bearing, Negative)
_SIZES = {"radius": 1.0, "diameter": 2.0, "circumference": 6.283185307179586}


@dataclass(frozen=True, slots=True)
class Handle:
    """A place to pull by. ``step`` is the id of the step whose given at ``given`` changes; ``how`` is what is written there."""

    at: Point
    words: str
    step: str
    given: int
    how: str
    base: Point = Point(0.0, 0.0)
    """What a relative place, a size or a direction counts from."""


def handles(book: Book, id: str) -> list[Handle]:
    """The handles of a step's figure, in the order of its givens. None of a figure that waits."""
    step, value = book.steps[id], book.values[id]
    if not isinstance(value, Drawn) or draft_of(step) is None or step.statement.kind == "measure":
        return []
    try:
        return list(_handles(book, step, value))
    except Refused:
        # A place that cannot be worked out has no handle; the step itself says why.
        return []


def _handles(book: Book, step: Step, value: Drawn) -> Iterator[Handle]:
    index = book.position(step.id)
    planner = Planner(step.manner, book.header.manner.unit)
    last = book.last_place(index)
    texts = given_texts(step.statement)
    for n, given in enumerate(step.statement.givens):
        for argument in given.arguments:
            if isinstance(argument, PLACES):
                plan = as_function(plan_place(planner, argument)) if n == 0 else plan_next(planner, argument)
                at = plan(env_of(book, planner, index), last)
                handle = _of_place(book, step, given, n, texts[n], argument, at, last)
                if handle:
                    yield handle
                last = at
    yield from _of_numbers(step, value, texts)


def _of_place(
    book: Book, step: Step, given: Given, n: int, text: str, place: Place, at: Point, last: Point
) -> Handle | None:  # fmt: skip
    if isinstance(place, NamedPlace):
        named = book.find(place.name.key)
        if named is None or named.statement.kind != "point":
            return None
        own = next(iter(handles(book, named.id)), None)
        return replace(own, words=f"moves {named.name}") if own else None
    if len(given.arguments) > 1:
        # Only one of several places on a row: the row is mended as a whole.
        return None
    if isinstance(place, Relative) and place.base is None:
        polar = isinstance(place.offset, Polar)
        return Handle(at, f"changes {text}", step.id, n, "polar" if polar else "relative", last)
    if isinstance(place, Coordinates):
        return Handle(at, f"changes {text}", step.id, n, "place")
    return Handle(at, f"takes another place for {text}", step.id, n, "place")


def _of_numbers(step: Step, value: Drawn, texts: list[str]) -> Iterator[Handle]:
    givens = step.statement.givens
    words = {g.word: n for n, g in enumerate(givens) if len(g.arguments) == 1 and _literal(g)}
    figure = value.figure
    size = next((w for w in _SIZES if w in words), None)
    if isinstance(figure, Circle) and size:
        c, s = unit_vector(45.0)
        rim = Point(figure.centre.x + figure.radius * c, figure.centre.y + figure.radius * s)
        yield Handle(rim, f"changes {texts[words[size]]}", step.id, words[size], size, figure.centre)
    if isinstance(figure, Arc):
        middle = place_along(figure, figure.length / 2.0)
        if size:
            spanning = {"from", "to"} <= {g.word for g in givens}
            how = "spanning" if spanning else size
            yield Handle(middle, f"changes {texts[words[size]]}", step.id, words[size], how, figure.centre)
        if "sweep" in words:
            n = words["sweep"]
            yield Handle(figure.end, f"changes {texts[n]}", step.id, n, "sweep", figure.centre)
    if isinstance(figure, Line) and "from" in {g.word for g in givens}:
        both = "length" in words and "direction" in words
        if both:
            text = f"changes {texts[words['direction']]} and {texts[words['length']]}"
            yield Handle(figure.end, text, step.id, words["length"], "length and direction", figure.start)
        elif "length" in words:
            n = words["length"]
            yield Handle(figure.end, f"changes {texts[n]}", step.id, n, "length", figure.start)


def _literal(given: Given) -> bool:
    return isinstance(given.arguments[0], _LITERAL) and not isinstance(given.arguments[0], Name)


# Pulling ------------------------------------------------------------------------------------------------


def pulled(book: Book, handle: Handle, pointer: Pointer) -> str | None:
    """The text of the handle's step with the handle at the pointer; None where nothing there would do."""
    step = book.steps[handle.step]
    hand = book.in_hand(step.manner)
    rows = given_texts(step.statement)
    n = handle.given
    if handle.how in ("place", "relative", "polar"):
        word = step.statement.givens[n].word
        head = "" if word == "place" or (step.statement.kind in ("path", "join") and not rows[n].startswith(word)) else f"{word} "
        if handle.how == "place" or _special(hand, step, pointer):
            rows[n] = f"{head}{_taken(hand, step, pointer)}"
        else:
            rows[n] = f"{head}{_relative(hand, handle, pointer)}"
    else:
        made = _numbers(hand, handle, pointer, step)
        if made is None:
            return None
        for changed, text in made.items():
            rows[changed] = " ".join([text, *step.statement.givens[changed].sides])
    return before_kind(step) + Draft(step.statement.kind, tuple(rows)).text()


def _special(book: Book, step: Step, pointer: Pointer) -> bool:
    return places_at(book, pointer, 1, Draft("point"), book.position(step.id))[0].special


def _taken(book: Book, step: Step, pointer: Pointer) -> str:
    """What can be taken under the pointer, of figures that stand before the step; else the plain position."""
    found = places_at(book, pointer, 1, Draft("point"), book.position(step.id))
    # A relative entry would count from another place than the last one here.
    return found[-1].words if found[0].words.startswith("+") or found[0].kind == "nearest" else found[0].words


def _relative(book: Book, handle: Handle, pointer: Pointer) -> str:
    dx, dy = pointer.x - handle.base.x, pointer.y - handle.base.y
    if handle.how == "polar":
        return f"+ {_rounded(book, hypot(dx, dy), pointer)} at {_way(book, dx, dy, pointer)}"
    manner = book.writing
    x, y = manner.turned(1.0, 0.0)
    across, up = dx * x + dy * y, dy * x - dx * y
    return f"+ {_rounded(book, across, pointer)}, {_rounded(book, up, pointer)}"


def _numbers(book: Book, handle: Handle, pointer: Pointer, step: Step) -> dict[int, str] | None:
    """The givens that a number at the pointer changes, by their place in the statement."""
    dx, dy = pointer.x - handle.base.x, pointer.y - handle.base.y
    away = hypot(dx, dy)
    figure = book.values[step.id].figure  # type: ignore[union-attr]
    n = handle.given
    match handle.how:
        case "radius" | "diameter" | "circumference":
            return {n: f"{handle.how} {_rounded(book, away * _SIZES[handle.how], pointer)}"} if away > 0.0 else None
        case "spanning" if isinstance(figure, Arc):
            try:
                circle = through_three(figure.start, Point(pointer.x, pointer.y), figure.end)
            except Refused:
                # In line with both ends: no circle is that large.
                return None
            word = step.statement.givens[n].word
            least = hypot(figure.end.x - figure.start.x, figure.end.y - figure.start.y) / 2.0
            # Rounded it must still span its ends.
            text = _rounded(book, max(circle.radius, least), pointer)
            return {n: f"{word} {text}"} if float(text.removesuffix(book.suffix)) >= least else None
        case "sweep" if isinstance(figure, Arc):
            way = degrees(atan2(dy, dx)) - figure.from_direction
            sweep = way % 360.0 if figure.sweep > 0.0 else way % 360.0 - 360.0
            whole = round(sweep)
            return {n: f"sweep {whole}"} if 0 < abs(whole) < 360 else None
        case "length" if isinstance(figure, Line):
            ux, uy = (figure.end.x - figure.start.x) / figure.length, (figure.end.y - figure.start.y) / figure.length
            text = _rounded(book, dx * ux + dy * uy, pointer)
            return {n: f"length {text}"} if float(text.removesuffix(book.suffix)) > 0.0 else None
        case "length and direction" if away > 0.0:
            givens = {g.word: i for i, g in enumerate(step.statement.givens)}
            return {
                givens["length"]: f"length {_rounded(book, away, pointer)}",
                givens["direction"]: f"direction {_way(book, dx, dy, pointer)}",
            }
    return None


def _rounded(book: Book, value: float, pointer: Pointer) -> str:
    """A length as round as a pixel is wide, or in distance steps."""
    return f"{plain(rounded(pointer, value), 12)}{book.suffix}"


def _way(book: Book, dx: float, dy: float, pointer: Pointer) -> str:
    """Whole degrees, or direction steps, as the drawing counts them."""
    turn = pointer.snapping.turn or 1.0
    shown = book.writing.direction_from_core(degrees(atan2(dy, dx)))
    return plain(round(shown / turn) * turn % 360, 9)
