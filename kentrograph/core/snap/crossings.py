"""Crossings of the figures under the pointer: found roughly, worked out exactly for those that are offered."""

from functools import partial
from math import hypot
from typing import Any

from ..book.book import Book
from ..book.caches import Shared
from ..book.crossings import COUNTED
from ..figures import Arc, FigureSet, Line, Outline, Point
from ..intersect import intersect_long, intersect_outlines
from ..intersect.intersection import Spot
from ..intersect.roughly import RoughCurve, intersect_roughly, rough_curve
from ..measure.distance_to import in_sweep
from ..tolerance import ROUGH_SHARE
from .known import Candidate
from .query import Query
from .scores import Scores

MOST_CROSSED = 12
"""Of more figures than this under the pointer only those that run nearest to it are crossed with each other."""
_MOST_KEPT = 20_000


def add_crossings(book: Book, q: Query, near: list[tuple[float, str, Any]], scores: Scores) -> None:
    """Where the figures under the pointer cross each other, or would with those passed over and those placed last."""
    under = [(id, figure, rough_curve(figure)) for _, id, figure in near[:MOST_CROSSED]]
    for index, one in enumerate(under):
        for other in under[:index]:
            _add(book, q, other, one, scores)
    if "onward" not in q.on:
        return
    seen = {id for id, _, _ in under}
    others = [id for id in dict.fromkeys((*(p.step for p in q.passed), *q.late)) if id and id not in seen]
    # A set is no curve; its members are looked at where they are near.
    far = [(id, f, rough_curve(f)) for id in others if (f := book.figure_of(id)) is not None and not isinstance(f, FigureSet)]
    for index, one in enumerate(far):
        for other in (*under, *far[:index]):
            _add(book, q, other, one, scores)


_MEETINGS: Shared[dict[tuple[str, str], tuple[Any, Any, tuple[tuple[Spot, str], ...]]]] = Shared(dict)

Looked = tuple[str, Any, RoughCurve | None]


def _add(book: Book, q: Query, one: Looked, two: Looked, scores: Scores) -> None:
    if book.order.key(book.step_of(one[0])) > book.order.key(book.step_of(two[0])):
        one, two = two, one
    rough = intersect_roughly(one[2], two[2], q.x, q.y, q.reach)
    first, second = one[1], two[1]
    if rough is None:
        for spot, sign in meetings(book, one[0], first, two[0], second):
            if q.reaches(spot.at):
                scores.add(_candidate(book, one[0], two[0], spot, sign))
        return
    for x, y in rough:
        kind = "onward" if _past(first, x, y) or _past(second, x, y) else "crossing"
        if kind in q.on:
            scores.add_rough(x, y, kind, two[0], partial(_exactly, book, one, two, x, y))


def _past(figure: Any, x: float, y: float) -> bool:
    """Whether a rough place lies past an end; where it cannot be told for sure it does not."""
    kind = type(figure)
    if kind is Line:
        a, b = figure.start, figure.end
        dx, dy = b.x - a.x, b.y - a.y
        t = ((x - a.x) * dx + (y - a.y) * dy) / (dx * dx + dy * dy)
        return not -ROUGH_SHARE <= t <= 1.0 + ROUGH_SHARE
    if kind is Arc and not in_sweep(figure, x, y):
        near = ROUGH_SHARE * figure.radius
        return all(hypot(x - end.x, y - end.y) > near for end in (figure.start, figure.end))
    return False


def _exactly(book: Book, one: Looked, two: Looked, x: float, y: float) -> Candidate | None:
    """The crossing that a rough place stands for."""
    found = meetings(book, one[0], one[1], two[0], two[1])
    if not found:
        return None
    spot, sign = min(found, key=lambda f: abs(f[0].at.x - x) + abs(f[0].at.y - y))
    return _candidate(book, one[0], two[0], spot, sign)


def _candidate(book: Book, one: str, two: str, spot: Spot, sign: str) -> Candidate:
    words = f"crossing of {book.name_of(one)} {book.name_of(two)}{sign}"
    return Candidate(spot.at, words, "crossing" if spot.true else "onward", two)


def meetings(book: Book, one: str, first: Any, two: str, second: Any) -> tuple[tuple[Spot, str], ...]:
    """Where two figures of the book meet, with the word that tells each spot; kept with the book."""
    kept = _MEETINGS.of(book)
    found = kept.get((one, two))
    if found is None or found[0] is not first or found[1] is not second:
        if len(kept) >= _MOST_KEPT:
            kept.clear()
        found = kept[(one, two)] = (first, second, _meet(first, second))
    return found[2]


def _meet(first: Any, second: Any) -> tuple[tuple[Spot, str], ...]:
    if isinstance(first, Point) or isinstance(second, Point):
        return ()
    if isinstance(first, Outline) or isinstance(second, Outline):
        return _meet_outlines(first, second)
    spots = intersect_long(first, second).spots
    return tuple((spot, f" {spot.sign}" if len(spots) > 1 and spot.sign else "") for spot in spots)


def _meet_outlines(first: Any, second: Any) -> tuple[tuple[Spot, str], ...]:
    """As a crossing with an outline is counted: along the first figure, as far as there are words for them."""
    found = intersect_outlines(first, second)
    if len(found) == 1:
        return ((Spot(found[0]), ""),)
    return tuple((Spot(at), f" {word}") for at, word in zip(found, COUNTED, strict=False))
