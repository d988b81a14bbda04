"""Handles of the numbers that determine lines, circles, arcs and points: sizes, lengths, directions, distances."""

import re
from collections.abc import Iterator
from math import hypot
from typing import assert_never

from ...angles import unit, unit_vector
from ...book.book import Book
from ...book.step import Step
from ...book.tree import Given, Name, Named, NamedPlace
from ...book.values import Mark, OnPaper, Reading, StepResult
from ...construct.arcs import via
from ...construct.circles import through_three
from ...figures import Arc, Circle, Curve, Ellipse, EndlessLine, FigureSet, Line, Outline, Point, RoundCurve, StraightCurve
from ...figures.along import place_along
from ...intersect import nearest
from ...intersect.supporting_curves import way_of
from ...intersect.within import swept
from ...problem import Refused
from ...tolerance import ROUGH_SHARE
from ...units import plain
from ..interpretation import given_texts
from ..pointer import Pointer
from .fitting import fitting_radius, nearest_worded
from .handle import Handle, Pull, Rows, from_base, is_length, is_number, length_text, literal, turn_text, way_text

SIZES = {"radius": 1.0, "diameter": 2.0, "circumference": 6.283185307179586}
"""How much of each a radius of 1 has."""


def number_handles(book: Book, step: Step, value: StepResult) -> Iterator[Handle]:
    """A handle for each number that was typed, where pulling can say what it becomes."""
    givens, texts = step.statement.givens, given_texts(step.statement)
    single = {g.word: n for n, g in enumerate(givens) if len(g.arguments) == 1}
    named = {word: found for word, n in single.items() if (found := _named_number(book, givens[n], book.position(step.id)))}
    numbers = {word: n for word, n in single.items() if literal(givens[n]) or word in named}
    words = {g.word for g in givens}

    def handle(at: Point, word: str, pull: Pull, *others: str) -> Handle:
        if word in named:
            return Handle(
                at, f"changes {named[word].statement.text}", named[word].id, _of_number(named[word], pull, numbers[word])
            )
        said = " and ".join(texts[numbers[w]] for w in (*others, word))
        return Handle(at, f"changes {said}", step.id, pull)

    match value.figure:
        case Circle() as circle:
            for word in numbers.keys() & SIZES.keys():
                about = bool(words & {"centre", "across"})
                pull = _size(step, numbers[word], word, circle.centre) if about else _fitting(step, circle, numbers[word], word)
                yield handle(_free_rim(book, step, circle), word, pull)
        case Arc() as arc:
            for word, at, pull in _of_arc(step, arc, numbers, words):
                yield handle(at, word, pull)
        case Line() as line if "from" in words and "length" in numbers:
            n = numbers["length"]
            if "direction" in numbers:
                yield handle(line.end, "length", _length_and_direction(line, n, numbers["direction"]), "direction")
            else:
                yield handle(line.end, "length", _length(line, n))
        case Line() as line if {"from", "direction"} <= words and "direction" in numbers:
            yield handle(line.end, "direction", _direction("direction", numbers["direction"], line.start))
        case Line() | EndlessLine() as line if {"parallel", "distance"} <= words and "distance" in numbers:
            base = _line_named(book, next(g for g in givens if g.word == "parallel"), book.position(step.id))
            at = place_along(line, line.length / 2.0) if isinstance(line, Line) else line.through
            if base is not None:
                yield handle(at, "distance", _beside(step, numbers["distance"], "distance", base))
        case Point() as point if len(givens) == 2 and all(_is_distance(g) for g in givens):
            yield Handle(point, f"changes {texts[0]} and {texts[1]}", step.id, _distances(book, step, texts))
        case Point() | Line() | EndlessLine() | Ellipse() | Outline() | FigureSet() | Reading() | Mark() | OnPaper() | float():
            # Nothing here that a number put where it is, or `shapes` knows it.
            pass
        case _:
            assert_never(value.figure)


def _named_number(book: Book, given: Given, before: int) -> Step | None:
    """The number that a given names, where it was typed as such: `radius hub` after `hub = 20`."""
    argument = given.arguments[0]
    step = book.find(argument.name.key, before) if isinstance(argument, Named) else None
    typed = step is not None and isinstance(book.figure_of(step.id), float) and literal(step.statement.givens[0])
    return step if typed else None


def _of_number(number: Step, pull: Pull, n: int) -> Pull:
    """What the given at ``n`` would become, as the number that it names."""

    def written(book: Book, pointer: Pointer) -> str | None:
        rows = pull(book, pointer)
        return f"{number.name} = {rows[n].split()[1]}" if isinstance(rows, dict) else None

    return written


def _free_rim(book: Book, step: Step, circle: Circle) -> Point:
    """The place on the rim that moves most as the circle grows: away from what it touches; else up to the right."""
    x = y = 0.0
    for given in step.statement.givens:
        name = given.arguments[0] if given.word == "touching" else None
        figure = book.figure_named(name.key, book.position(step.id)) if isinstance(name, Name) else None
        if isinstance(figure, Curve):
            at = nearest(figure, circle.centre)
            away = hypot(at.x - circle.centre.x, at.y - circle.centre.y)
            if away > 0.0:
                x, y = x - (at.x - circle.centre.x) / away, y - (at.y - circle.centre.y) / away
    c, s = unit(x, y) if hypot(x, y) > ROUGH_SHARE else unit_vector(45.0)
    return Point(circle.centre.x + circle.radius * c, circle.centre.y + circle.radius * s)


def _sides(given: Given) -> str:
    return "".join(f" {side}" for side in given.sides)


def _size(step: Step, n: int, word: str, centre: Point) -> Pull:
    """A size by how far the pointer is from the centre, which stays."""

    def pull(book: Book, pointer: Pointer) -> Rows | None:
        text = length_text(book, from_base(centre, pointer)[2] * SIZES[word], pointer)
        return {n: f"{word} {text}{_sides(step.statement.givens[n])}"} if is_length(book, text) else None

    return pull


def _fitting(step: Step, figure: RoundCurve, n: int, word: str) -> Pull:
    """A size with which the figure, held by its other givens, goes through the pointer."""
    sides = _sides(step.statement.givens[n])

    def pull(book: Book, pointer: Pointer) -> Rows | None:
        def rows(radius: float) -> Rows:
            return {n: f"{word} {plain(radius * SIZES[word], 12)}{book.suffix}{sides}"}

        at, close = Point(pointer.x, pointer.y), 0.1 * pointer.pixel
        radius = fitting_radius(book, step, rows, at, figure.radius, close)
        if radius is None:
            return None
        text = length_text(book, radius * SIZES[word], pointer)
        return {n: f"{word} {text}{sides}"} if is_length(book, text) else None

    return pull


def _of_arc(step: Step, arc: Arc, numbers: dict[str, int], words: set[str]) -> Iterator[tuple[str, Point, Pull]]:
    middle = place_along(arc, arc.length / 2.0)
    spanning = {"from", "to"} <= words
    for word in numbers.keys() & SIZES.keys():
        n = numbers[word]
        pull = _spanning(step, arc, n, word) if spanning else _size(step, n, word, arc.centre)
        yield word, middle, pull if spanning or "centre" in words else _fitting(step, arc, n, word)
    if "rise" in numbers:
        yield "rise", middle, _beside(step, numbers["rise"], "rise", Line(arc.start, arc.end))
    if "at" in numbers and "centre" in words:
        yield "at", arc.start, _direction("at", numbers["at"], arc.centre)
    if "sweep" in numbers:
        yield "sweep", middle if spanning else arc.end, _sweep(arc, numbers["sweep"], spanning)


def _spanning(step: Step, arc: Arc, n: int, word: str) -> Pull:
    """The size of the circle through both ends and the pointer."""

    def pull(book: Book, pointer: Pointer) -> Rows | None:
        try:
            circle = through_three(arc.start, Point(pointer.x, pointer.y), arc.end)
        except Refused:
            # In line with both ends: no circle is that large.
            return None
        least = hypot(arc.end.x - arc.start.x, arc.end.y - arc.start.y) / 2.0 * SIZES[word]
        # Rounded it must still span its ends.
        text = length_text(book, max(circle.radius * SIZES[word], least), pointer)
        spans = float(text.removesuffix(book.suffix)) >= least
        return {n: f"{word} {text}{_sides(step.statement.givens[n])}"} if spans else None

    return pull


def _beside(step: Step, n: int, word: str, base: StraightCurve) -> Pull:
    """A distance from a line, on the side on which the pointer is."""
    stated = _sides(step.statement.givens[n]) != ""

    def pull(book: Book, pointer: Pointer) -> Rows | None:
        off = way_of(base).off(pointer.x, pointer.y)
        text = length_text(book, abs(off), pointer)
        side = (" left" if off > 0.0 else " right") if stated or off < 0.0 else ""
        return {n: f"{word} {text}{side}"} if is_length(book, text) else None

    return pull


def _direction(word: str, n: int, base: Point) -> Pull:
    """The direction in which the pointer lies from a place."""

    def pull(book: Book, pointer: Pointer) -> Rows | None:
        dx, dy, away = from_base(base, pointer)
        return {n: f"{word} {way_text(book, dx, dy, pointer)}"} if away > 0.0 else None

    return pull


def _sweep(arc: Arc, n: int, spanning: bool) -> Pull:
    """How far the arc runs to the direction of the pointer, in its own sense; between two ends, by way of the pointer."""

    def pull(book: Book, pointer: Pointer) -> Rows | None:
        at = Point(pointer.x, pointer.y)
        if spanning:
            try:
                sweep = via(arc.start, at, arc.end).sweep
            except Refused:
                # In line with both ends: no arc goes that way.
                return None
        else:
            sweep = swept(arc, at) if arc.sweep > 0.0 else -swept(arc, at)
        text = turn_text(abs(sweep), pointer)
        return {n: f"sweep {'-' if sweep < 0.0 else ''}{text}"} if float(text) > 0.0 else None

    return pull


def _length(line: Line, n: int) -> Pull:
    def pull(book: Book, pointer: Pointer) -> Rows | None:
        text = length_text(book, way_of(line).along(pointer.x, pointer.y), pointer)
        return {n: f"length {text}"} if is_length(book, text) else None

    return pull


def _length_and_direction(line: Line, length: int, direction: int) -> Pull:
    def pull(book: Book, pointer: Pointer) -> Rows | None:
        dx, dy, away = from_base(line.start, pointer)
        text = length_text(book, away, pointer)
        if not is_length(book, text):
            return None
        return {length: f"length {text}", direction: f"direction {way_text(book, dx, dy, pointer)}"}

    return pull


# Points by distances ------------------------------------------------------------------------------------


def _is_distance(given: Given) -> bool:
    return given.word == "from" and len(given.arguments) == 2 and is_number(given.arguments[0])


def _line_named(book: Book, given: Given, before: int) -> Line | EndlessLine | None:
    argument = given.arguments[-1]
    figure = book.figure_named(argument.key, before) if isinstance(argument, Name) else None
    return figure if isinstance(figure, StraightCurve) else None


def _distances(book: Book, step: Step, texts: list[str]) -> Pull:
    """Both distances of a point: from places, or from lines on the side on which the pointer is."""
    origins = [_measured_from(book, given, book.position(step.id)) for given in step.statement.givens]

    def pull(hand: Book, pointer: Pointer) -> Rows | str | None:
        rows: Rows = {}
        for n, (given, text, origin) in enumerate(zip(step.statement.givens, texts, origins, strict=True)):
            if origin is None:
                return None
            if isinstance(origin, Point):
                away, side = from_base(origin, pointer)[2], ""
            else:
                off = way_of(origin).off(pointer.x, pointer.y)
                away, side = abs(off), " left" if off > 0.0 else " right"
            rest = text[_FROM.search(text).start() :].removesuffix(_sides(given))  # type: ignore[union-attr]
            rows[n] = f"{length_text(hand, away, pointer)}{rest}{side}"
        return nearest_worded(hand, step, rows, Point(pointer.x, pointer.y))

    return pull


_FROM = re.compile(r"\s+from\s", re.IGNORECASE)


def _measured_from(book: Book, given: Given, before: int) -> Point | StraightCurve | None:
    """What a distance counts from: a line, or a place; of a round figure its centre."""
    argument = given.arguments[1]
    if isinstance(argument, Name | NamedPlace):
        name = argument if isinstance(argument, Name) else argument.name
        figure = book.figure_named(name.key, before)
        if isinstance(figure, Point | StraightCurve):
            return figure
        centre = getattr(figure, "centre", None)
        return centre if isinstance(centre, Point) else None
    return None
