"""Sight lines: from places and lines that the pointer passed over, and what can be taken on them."""

import re
from collections.abc import Iterator
from math import floor, hypot
from typing import Any

from ..angles import direction_of, unit_vector
from ..book.book import Book
from ..figures import Arc, EndlessLine, Line, Outline, Point, StraightCurve
from ..figures.along import heading, place_along
from ..intersect import intersect_long
from ..intersect.roughly import intersect_roughly, rough_curve
from ..intersect.within import swept, within
from ..tolerance import SPOT_SHARE
from ..units import plain
from .crossings import MOST_CROSSED
from .known import Candidate
from .query import Passed, Query, Sight

_REACH = 0.6
"""A sight line is a line and not a place: it takes hold somewhat later than a place does."""
_MOST = 5
"""At most so many places passed over count, the newest."""


def sights_near(book: Book, q: Query, near: list[tuple[float, str, Any]]) -> Iterator[Candidate]:
    """Places on the sight lines within reach: their crossings with each other and with figures, then those along one."""
    # One that runs along a line under the pointer says nothing that the line itself does not say better.
    lines = [figure for _, _, figure in near if isinstance(figure, StraightCurve)]
    close = [s for s in sights_of(book, q) if not any(intersect_long(s.line, line).how == "coincident" for line in lines)]
    if "sights" in q.on:
        for index, one in enumerate(close):
            for other in close[:index]:
                if one.source != other.source:
                    yield from _crossing(q, one, other)
            supporting_curve = rough_curve(one.line)
            for _, id, figure in near[:MOST_CROSSED]:
                if isinstance(figure, Point | Outline):
                    continue
                rough = intersect_roughly(supporting_curve, rough_curve(figure), q.x, q.y, q.reach)
                if rough is None or rough:
                    yield from _on_figure(q, one, figure, book.name_of(id), id)
    for one in close:
        at, words = _along(book, q, one)
        base = one.line.through
        if words and hypot(at.x - base.x, at.y - base.y) > SPOT_SHARE * q.reach:
            yield Candidate(at, words, one.kind, one.source.step, (one.line,))
    yield from _past_arcs(book, q)


def sights_of(book: Book, q: Query) -> list[Sight]:
    """The sight lines that run near the pointer: from what was passed over, the newest first, and from the last place."""
    found: list[Sight] = []
    last = [Passed("", q.last)] if q.last is not None else []
    newest = q.passed[: -_MOST - 1 : -1]
    sources = [*newest, *last]
    for source in sources:
        if source.at is not None:
            found.extend(_from_place(book, q, source, source.at))
    if "beside" in q.on:
        lines = dict.fromkeys(p.step for p in newest if p.step)
        for id in lines:
            found.extend(_beside(book, q, id, sources))
    return found


def _near(q: Query, at: Point, ux: float, uy: float, ray: bool = False) -> bool:
    """Whether the line through a place runs near the pointer; of a ray only the way ahead counts."""
    dx, dy = q.x - at.x, q.y - at.y
    return abs(dx * uy - dy * ux) <= _REACH * q.reach and not (ray and dx * ux + dy * uy <= 0.0)


def _from_place(book: Book, q: Query, source: Passed, at: Point) -> Iterator[Sight]:
    manner = book.writing
    if "level" in q.on:
        for kind, axis in (("level", (1.0, 0.0)), ("plumb", (0.0, 1.0))):
            ux, uy = manner.turned(*axis)
            if _near(q, at, ux, uy):
                yield Sight(EndlessLine(at, ux, uy), "level", f"({kind}{_spaced(source.words)})", source, kind)
    if "turn" in q.on and (q.turn > 0.0 or q.turns):
        yield from _at_steps(book, q, source, at)
    if "past" in q.on and source.step:
        yield from _onward(book, q, source, at)


def _at_steps(book: Book, q: Query, source: Passed, at: Point) -> Iterator[Sight]:
    """The direction steps on both sides of the way to the pointer, and the directions of one's own list."""
    if at.x == q.x and at.y == q.y:
        return
    manner = book.writing
    turns = [turn % 360.0 for turn in q.turns]
    if q.turn > 0.0:
        below = floor(manner.direction_from_core(direction_of(q.x - at.x, q.y - at.y)) / q.turn)
        turns += [below * q.turn % 360.0, (below + 1) * q.turn % 360.0]
    for shown in dict.fromkeys(turns):
        if shown % 90.0:
            ux, uy = unit_vector(manner.direction_to_core(shown))
            if _near(q, at, ux, uy, ray=True):
                through = f"through {source.words} " if source.words else ""
                way = plain(shown, 9)
                yield Sight(EndlessLine(at, ux, uy), "turn", f"({through}direction {way})", source, way)


def _spaced(words: str) -> str:
    return f" {words}" if words else ""


def _onward(book: Book, q: Query, source: Passed, at: Point) -> Iterator[Sight]:
    """Straight on from the end of a line, or of an arc along its tangent."""
    figure = book.figure_of(source.step)
    if not isinstance(figure, Line | Arc):
        return
    for which, tip in (("start", figure.start), ("end", figure.end)):
        way = heading(figure, which == "start")
        if tip == at and _near(q, at, *way, ray=True):
            name = book.name_of(source.step)
            words = name if isinstance(figure, Line) else f"(continuing {'start of ' if which == 'start' else ''}{name})"
            straight = " straight" if isinstance(figure, Arc) else ""
            yield Sight(EndlessLine(at, *way), "past", words, source, f"past {which} of {name}{straight}")


def _beside(book: Book, q: Query, id: str, sources: list[Passed]) -> Iterator[Sight]:
    """Parallel and square to a line that was passed over, through the places that were passed over."""
    figure = book.figure_of(id)
    if not isinstance(figure, StraightCurve):
        return
    ux, uy = heading(figure, False)
    name = book.name_of(id)
    for source in sources:
        if source.at is None:
            continue
        through = f" through {source.words}" if source.words else ""
        if source.step != id and _near(q, source.at, ux, uy):
            yield Sight(EndlessLine(source.at, ux, uy), "beside", f"(parallel {name}{through})", source, f"{name}.dir")
        if _near(q, source.at, -uy, ux):
            yield Sight(EndlessLine(source.at, -uy, ux), "beside", f"(square {name}{through})", source, f"{name}.dir + 90")


# What lies on them --------------------------------------------------------------------------------------


def _crossing(q: Query, one: Sight, other: Sight) -> Iterator[Candidate]:
    spots = intersect_long(one.line, other.line).spots
    if not spots:
        return
    at = spots[0].at
    sources = (one.source, other.source)
    if any(s.at is not None and hypot(at.x - s.at.x, at.y - s.at.y) <= SPOT_SHARE * q.reach for s in sources):
        # One of the two places itself: it is offered by its own words.
        return
    ways = {one.way: one.source.words, other.way: other.source.words}
    if set(ways) == {"level", "plumb"} and all(ways.values()):
        words = f"{coordinate(ways['plumb'], 'x')}, {coordinate(ways['level'], 'y')}"
    else:
        words = f"crossing of {one.words} {other.words}"
    yield Candidate(at, words, "sights", "", (one.line, other.line))


def _on_figure(q: Query, sight: Sight, figure: Any, name: str, id: str) -> Iterator[Candidate]:
    spots = intersect_long(sight.line, figure).spots
    for spot in spots:
        base = sight.source.at
        if base is not None and hypot(spot.at.x - base.x, spot.at.y - base.y) <= SPOT_SHARE * q.reach:
            # The place itself that the sight line starts from.
            continue
        if hypot(spot.at.x - q.x, spot.at.y - q.y) <= q.reach and within(figure, spot.at):
            sign = f" {spot.sign}" if len(spots) > 1 and spot.sign else ""
            yield Candidate(spot.at, f"crossing of {sight.words} {name}{sign}", "sights", id, (sight.line,))


def _along(book: Book, q: Query, sight: Sight) -> tuple[Point, str]:
    """The place on a sight line beside the pointer, at a round distance, in words; no words for the beginning itself."""
    line, base, manner = sight.line, sight.source.words, book.writing
    along = (q.x - line.through.x) * line.ux + (q.y - line.through.y) * line.uy
    if sight.way in ("level", "plumb") and base:
        # One coordinate is that of the place, the other a number from the datum.
        x, y = manner.from_world(Point(q.x, q.y))
        other = Point(*manner.from_world(line.through))
        shown = q.rounded(x if sight.way == "level" else y)
        if sight.way == "level":
            return Point(*manner.to_world(shown, other.y)), f"{q.length(shown)}, {coordinate(base, 'y')}"
        return Point(*manner.to_world(other.x, shown)), f"{coordinate(base, 'x')}, {q.length(shown)}"
    distance = q.rounded(along)
    at = Point(line.through.x + distance * line.ux, line.through.y + distance * line.uy)
    if distance == 0.0:
        return at, ""
    if sight.kind == "past":
        return at, f"{q.length(distance)} {sight.way}"
    shift = f"{base}: " if base else "+ "
    if sight.way in ("level", "plumb"):
        pair = (distance, 0.0) if sight.way == "level" else (0.0, distance)
        return at, f"{shift}{q.length(pair[0])}, {q.length(pair[1])}"
    way = sight.way
    if distance < 0.0:
        way = way.replace("+ 90", "- 90") if way.endswith("+ 90") else f"{way} + 180"
    return at, f"{shift}{q.length(abs(distance))} at {way}"


def _past_arcs(book: Book, q: Query) -> Iterator[Candidate]:
    """On along the circle from an arc's end that was passed over."""
    if "past" not in q.on:
        return
    for source in q.passed[-_MOST:]:
        figure = book.figure_of(source.step) if source.step else None
        if not isinstance(figure, Arc) or source.at not in (figure.start, figure.end):
            continue
        off = abs(hypot(q.x - figure.centre.x, q.y - figure.centre.y) - figure.radius)
        beyond = swept(figure, Point(q.x, q.y)) - abs(figure.sweep)
        if off > q.reach or beyond <= 0.0:
            continue
        at_end = source.at == figure.end
        turn = beyond if at_end else 360.0 - abs(figure.sweep) - beyond
        distance = q.rounded(turn / abs(figure.sweep) * figure.length)
        if distance > 0.0:
            at = place_along(figure, figure.length + distance if at_end else -distance)
            words = f"{q.length(distance)} past {'end' if at_end else 'start'} of {book.name_of(source.step)}"
            yield Candidate(at, words, "past", source.step)


_NUMBERS = re.compile(r"(-?[\d.]+(?:[a-z]+)?), (-?[\d.]+(?:[a-z]+)?)")


def coordinate(words: str, axis: str) -> str:
    """One coordinate (``x`` or ``y``) of a place in words: the number itself where the place is given in numbers.

    >>> coordinate("P1", "x"), coordinate("middle of L1", "y"), coordinate("10, -2.5", "y")
    ('P1.x', '(middle of L1).y', '-2.5')
    """
    numbers = _NUMBERS.fullmatch(words)
    if numbers is not None:
        return numbers[1] if axis == "x" else numbers[2]
    return f"{words if words.isidentifier() else f'({words})'}.{axis}"
