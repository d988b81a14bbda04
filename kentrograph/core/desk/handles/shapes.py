"""Handles of the sizes and turns of rectangles, polygons, ellipses and placed symbols."""

import re
from collections.abc import Callable, Iterator
from math import atan2, degrees, pi

from ...angles import unit_vector
from ...book.book import Book
from ...book.step import Step
from ...book.values import StepResult
from ...figures import Ellipse, FigureSet, Line, Outline, Point, halfway
from ..interpretation import given_texts
from ..pointer import Pointer
from .handle import (
    Handle,
    Pull,
    Rows,
    from_base,
    is_length,
    length_text,
    literal,
    number_of,
    reach_of,
    scale_text,
    sign_of,
    turn_text,
    turned_text,
)

_PAIR = re.compile(r"(\w+)\s+(.+?)\s*(?:,|\.\.)\s*(.+)", re.DOTALL)
Make = Callable[[Point, Pull, tuple[str, ...]], Handle]


def shape_handles(step: Step, value: StepResult) -> Iterator[Handle]:
    """A handle for each size, share and turn that was typed."""
    texts = given_texts(step.statement)
    numbers = {g.word: n for n, g in enumerate(step.statement.givens) if literal(g)}

    def made(at: Point, pull: Pull, words: tuple[str, ...]) -> Handle:
        return Handle(at, f"changes {' and '.join(texts[numbers[word]] for word in words)}", step.id, pull)

    match step.statement.kind, value.figure:
        case "rectangle", Outline() as outline:
            return _of_rectangle(step, outline, numbers, made)
        case "polygon", Outline() as outline:
            return _of_polygon(outline, numbers, made)
        case "ellipse", Ellipse() as ellipse:
            return _of_ellipse(ellipse, numbers, texts, made)
        case "place", FigureSet() as placed:
            return _of_symbol(step, placed, value.last, made) if value.last is not None else iter(())
    return iter(())


def _of_rectangle(step: Step, outline: Outline, numbers: dict[str, int], made: Make) -> Iterator[Handle]:
    """Its far corner states the size, the end of its first side how far it is turned."""
    first, second, far = outline.pieces[0], outline.pieces[1], outline.pieces[1].end
    size_given = step.statement.givens[numbers["size"]].arguments if "size" in numbers else ()
    across, up = [sign_of(a) for a in size_given] or (1.0, 1.0)
    about = any(g.word == "centre" for g in step.statement.givens)
    base, share = (halfway(outline.start, far), 2.0) if about else (outline.start, 1.0)
    if "size" in numbers:

        def size(book: Book, pointer: Pointer) -> Rows | None:
            texts = []
            for side, sign in ((first, across), (second, up)):
                assert isinstance(side, Line)
                ux, uy = (side.end.x - side.start.x) / side.length, (side.end.y - side.start.y) / side.length
                dx, dy, _ = from_base(base, pointer)
                texts.append(length_text(book, sign * share * (dx * ux + dy * uy), pointer))
            nothing = any(float(text.removesuffix(book.suffix)) == 0.0 for text in texts)
            return None if nothing else {numbers["size"]: f"size {', '.join(texts)}"}

        yield made(far, size, ("size",))
    if "turned" in numbers:
        at = halfway(second.start, far) if about else first.end
        yield made(at, _turned(base, numbers["turned"], across), ("turned",))


def _of_polygon(outline: Outline, numbers: dict[str, int], made: Make) -> Iterator[Handle]:
    """Its first corner states the radius and the turn, the middle of its first side the distance across flats."""
    corners = outline.corners
    centre = Point(sum(p.x for p in corners) / len(corners), sum(p.y for p in corners) / len(corners))
    if "radius" in numbers:

        def radius(book: Book, pointer: Pointer) -> Rows | None:
            dx, dy, away = from_base(centre, pointer)
            text = length_text(book, away, pointer)
            rows: Rows = {numbers["radius"]: f"radius {text}"}
            if "turned" in numbers:
                rows[numbers["turned"]] = turned_text(book, dx, dy, pointer)
            return rows if is_length(book, text) else None

        yield made(corners[0], radius, ("radius", "turned") if "turned" in numbers else ("radius",))
    elif "turned" in numbers:
        yield made(corners[0], _turned(centre, numbers["turned"], 1.0), ("turned",))
    if "across flats" in numbers:
        a, b = corners[0], corners[1]

        def flats(book: Book, pointer: Pointer) -> Rows | None:
            text = length_text(book, 2.0 * from_base(centre, pointer)[2], pointer)
            return {numbers["across flats"]: f"across flats {text}"} if is_length(book, text) else None

        yield made(halfway(a, b), flats, ("across flats",))


def _of_ellipse(ellipse: Ellipse, numbers: dict[str, int], texts: list[str], made: Make) -> Iterator[Handle]:
    """The ends of its axes state their lengths, the first one the turn as well; the ends of a part its directions."""
    if "axes" in numbers:
        n = numbers["axes"]
        pair = _PAIR.fullmatch(texts[n])
        assert pair is not None
        turning = "turned" in numbers

        def first(book: Book, pointer: Pointer) -> Rows | None:
            dx, dy, away = from_base(ellipse.centre, pointer)
            text = length_text(book, away if turning else abs(ellipse.to_own(pointer.x, pointer.y)[0]), pointer)
            rows: Rows = {n: f"axes {text}, {pair[3]}"}
            if turning:
                rows[numbers["turned"]] = turned_text(book, dx, dy, pointer)
            return rows if is_length(book, text) else None

        def second(book: Book, pointer: Pointer) -> Rows | None:
            text = length_text(book, abs(ellipse.to_own(pointer.x, pointer.y)[1]), pointer)
            return {n: f"axes {pair[2]}, {text}"} if is_length(book, text) else None

        yield made(ellipse.at(0.0), first, ("axes", "turned") if turning else ("axes",))
        yield made(ellipse.at(pi / 2.0), second, ("axes",))
    if "ratio" in numbers:

        def ratio(_: Book, pointer: Pointer) -> Rows | None:
            share = round(abs(ellipse.to_own(pointer.x, pointer.y)[1]) / ellipse.a, 2)
            return {numbers["ratio"]: f"ratio {share:g}"} if share > 0.0 else None

        yield made(ellipse.at(pi / 2.0), ratio, ("ratio",))
    if "part" in numbers:
        yield made(ellipse.start, _part(ellipse, numbers["part"], True), ("part",))
        yield made(ellipse.end, _part(ellipse, numbers["part"], False), ("part",))


def _of_symbol(step: Step, placed: FigureSet, at: Point, made: Make) -> Iterator[Handle]:
    """At its outermost distance from its datum, along its own directions: one states how far it is turned, one its scale."""
    givens = step.statement.givens
    where = {given.word: n for n, given in enumerate(givens)}
    factor = number_of(givens[where["scale"]].arguments[0]) if "scale" in where else 1.0
    turned = number_of(givens[where["turned"]].arguments[0]) if "turned" in where else 0.0
    turn = step.manner.datum.turn + (turned or 0.0)
    reach = reach_of(placed, at)
    if reach == 0.0:
        return

    def along(direction: float) -> Point:
        ux, uy = unit_vector(direction)
        return Point(at.x + reach * ux, at.y + reach * uy)

    if turned is not None:
        words = "changes how far it is turned"
        yield Handle(along(turn), words, step.id, _turned(at, where.get("turned", len(givens)), 1.0))
    if factor:
        n, own = where.get("scale", len(givens)), reach / factor

        def scale(_: Book, pointer: Pointer) -> Rows | None:
            text = scale_text(from_base(at, pointer)[2], own, pointer)
            return {n: text} if text else None

        yield Handle(along(turn + 90.0), "changes its scale", step.id, scale)


def _part(ellipse: Ellipse, n: int, from_start: bool) -> Pull:
    """The direction, counted from the first axis, of the end that is pulled; the other one stays."""

    def pull(_: Book, pointer: Pointer) -> Rows | None:
        u, v = ellipse.to_own(pointer.x, pointer.y)
        pulled = turn_text(degrees(atan2(v, u)) % 360.0, pointer)
        other = ellipse.begin + ellipse.sweep if from_start else ellipse.begin
        kept = f"{round(ellipse.direction_at(other), 9):g}"
        return {n: f"part {pulled} to {kept}" if from_start else f"part {kept} to {pulled}"}

    return pull


def _turned(base: Point, n: int, sign: float) -> Pull:
    """How far a shape is turned, by the direction of the pointer from ``base``, or (-1) the opposite one."""

    def pull(book: Book, pointer: Pointer) -> Rows | None:
        dx, dy, away = from_base(base, pointer)
        return {n: turned_text(book, sign * dx, sign * dy, pointer)} if away > 0.0 else None

    return pull
