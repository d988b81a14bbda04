"""Everything that can be taken near the pointer, in words, the likeliest first."""

from collections.abc import Iterator
from math import hypot
from typing import Any

from ..book.book import Book
from ..book.crossings import COUNTED
from ..figures import Arc, Circle, Line, Outline, Point
from ..meet import feet, meet, meet_long, nearest
from ..meet.meeting import Spot
from ..meet.within import within
from ..problem import Refused
from ..tolerance import TOLERANCE
from .away import away
from .index import index_of
from .kinds import KINDS
from .known import Candidate, known_places, parts, stepped
from .query import Query
from .sights import sights_near

_MOST_CROSSED = 12
"""Of more figures than this under the pointer only those that run nearest to it are crossed with each other."""
_MOST_KEPT = 20_000
Near = list[tuple[float, str, Any]]


def take_at(book: Book, q: Query) -> list[Candidate]:
    """All that lies within reach, the likeliest first; see `kinds` for what comes before what.

    Nothing within reach is no error: the list is empty then.
    """
    before = len(book.order) if q.before is None else q.before
    ids = [id for id in index_of(book).around(q.x, q.y, q.reach) if book.position(id) < before]
    near = figures_near(book, q, ids)
    found: list[Candidate] = []
    x, y, reach, on = q.x, q.y, q.reach, q.on
    for id in ids:
        for place in known_places(book, id):
            if abs(place.at.x - x) <= reach and abs(place.at.y - y) <= reach and place.kind in on:
                found.append(place)
    if "crossing" in on or "onward" in on:
        found.extend(_crossings(book, q, near))
    for source in (_from_last(book, q, near), _along(book, q, near), sights_near(book, q, near)):
        found.extend(source)
    return _ranked(book, q, found)


def figures_near(book: Book, q: Query, ids: list[str]) -> Near:
    """The figures that run within reach, the nearest first, of those a few pixels apart the latest."""
    found: Near = []
    for id in ids:
        figure = book.values[id].figure  # type: ignore[union-attr]
        off = away(figure, q.x, q.y)
        if off <= q.reach:
            found.append((off, id, figure))
    found.sort(key=lambda f: (f[0], -book.position(f[1])))
    return found


def _ranked(book: Book, q: Query, found: list[Candidate]) -> list[Candidate]:
    scored: list[tuple[float, float, int, Candidate]] = []
    for one in found:
        off = hypot(one.at.x - q.x, one.at.y - q.y)
        if off <= q.reach and one.kind in q.on:
            behind = KINDS[one.kind].behind
            # Places that lie in one spot must not change their order by the noise of where it lies.
            score = round(off / q.reach + behind, 6) if q.reach > 0.0 else behind
            scored.append((score, behind, -book.position(one.step) if one.step else 0, one))
    scored.sort(key=lambda s: s[:3])
    return [s[3] for s in scored]


# Crossings ----------------------------------------------------------------------------------------------


def _crossings(book: Book, q: Query, near: Near) -> Iterator[Candidate]:
    """Where the figures under the pointer cross each other, or would with those passed over and those placed last."""
    under = near[:_MOST_CROSSED]
    for index, (_, id, figure) in enumerate(under):
        for _, other, second in under[:index]:
            yield from _between(book, q, other, second, id, figure)
    if "onward" not in q.on:
        return
    seen = {id for _, id, _ in under}
    others = [id for id in dict.fromkeys((*(p.step for p in q.passed), *q.late)) if id and id not in seen]
    far = [(id, book.values[id].figure) for id in others]  # type: ignore[union-attr]
    for index, (id, figure) in enumerate(far):
        for _, other, second in under:
            yield from _between(book, q, other, second, id, figure)
        for other, second in far[:index]:
            yield from _between(book, q, other, second, id, figure)


def _between(book: Book, q: Query, one: str, first: Any, two: str, second: Any) -> Iterator[Candidate]:
    if book.position(one) > book.position(two):
        one, first, two, second = two, second, one, first
    for spot, sign in meetings(book, one, first, two, second):
        if abs(spot.at.x - q.x) <= q.reach and abs(spot.at.y - q.y) <= q.reach:
            words = f"crossing of {book.steps[one].name} {book.steps[two].name}{sign}"
            yield Candidate(spot.at, words, "crossing" if spot.true else "onward", two)


def meetings(book: Book, one: str, first: Any, two: str, second: Any) -> tuple[tuple[Spot, str], ...]:
    """Where two figures of the book meet, with the word that tells each spot; kept with the book."""
    kept: dict[tuple[str, str], Any] = book.memo.setdefault("meetings", {})
    found = kept.get((one, two))
    if found is None or found[0] is not first or found[1] is not second:
        if len(kept) >= _MOST_KEPT:
            kept.clear()
        found = kept[(one, two)] = (first, second, _meet(first, second))
    spots: tuple[tuple[Spot, str], ...] = found[2]
    return spots


def _meet(first: Any, second: Any) -> tuple[tuple[Spot, str], ...]:
    if isinstance(first, Point) or isinstance(second, Point):
        return ()
    if isinstance(first, Outline) or isinstance(second, Outline):
        return _meet_outlines(first, second)
    spots = meet_long(first, second).spots
    return tuple((spot, f" {spot.sign}" if len(spots) > 1 and spot.sign else "") for spot in spots)


def _meet_outlines(first: Any, second: Any) -> tuple[tuple[Spot, str], ...]:
    """As a crossing with an outline is counted: along the first figure, as far as there are words for them."""
    found: list[Point] = []
    for p in first.pieces if isinstance(first, Outline) else (first,):
        for r in second.pieces if isinstance(second, Outline) else (second,):
            for spot in meet(p, r).spots:
                if not any(TOLERANCE.same_place(spot.at.x, spot.at.y, f.x, f.y) for f in found):
                    found.append(spot.at)
    if len(found) == 1:
        return ((Spot(found[0]), ""),)
    return tuple((Spot(at), f" {word}") for at, word in zip(found, COUNTED, strict=False))


# From the last place, and along figures -----------------------------------------------------------------


def _from_last(book: Book, q: Query, near: Near) -> Iterator[Candidate]:
    """Feet of the perpendiculars, and touching points of the tangents, from the last place to the figures under the pointer."""
    if q.last is None:
        return
    for _, id, figure in near:
        name = book.steps[id].name
        if isinstance(figure, Point | Outline):
            continue
        try:
            found = feet(figure, q.last)
        except Refused:
            # At the centre of a circle every radius is square to it.
            found = []
        for at, word in zip(found, (" first", " second") if len(found) > 1 else ("",), strict=False):
            if within(figure, at):
                yield Candidate(at, f"foot on {name}{word}", "foot", id)
        if isinstance(figure, Circle | Arc):
            for at, word in _touching(figure, q.last):
                if within(figure, at):
                    yield Candidate(at, f"touch on {name}{word}", "touch", id)


def _touching(circle: Circle | Arc, at: Point) -> list[tuple[Point, str]]:
    """Where the tangents from a place touch: left, then right, of the way to the centre. Source: Euclid, Elements III.17."""
    from ..meet.circles import circle_circle

    dx, dy = circle.centre.x - at.x, circle.centre.y - at.y
    apart = hypot(dx, dy)
    if apart <= circle.radius + TOLERANCE.length(circle.radius, max(abs(at.x), abs(at.y))):
        return []
    over = Circle(Point(at.x + dx / 2, at.y + dy / 2), apart / 2)
    spots = circle_circle(over, Circle(circle.centre, circle.radius), TOLERANCE).spots
    return [(s.at, f" {s.sign}") for s in spots]


def _along(book: Book, q: Query, near: Near) -> Iterator[Candidate]:
    """Equal parts, distance steps and the nearest place, of the figures under the pointer."""
    pointer = Point(q.x, q.y)
    for _, id, figure in near[:_MOST_CROSSED]:
        name = book.steps[id].name
        if isinstance(figure, Point):
            continue
        if "part" in q.on and q.parts > 1:
            yield from parts(figure, name, id, q.parts)
        if "step" in q.on and q.step > 0.0 and isinstance(figure, Line | Arc):
            one = stepped(figure, name, id, _distance_along(figure, pointer), q)
            if one:
                yield one
        if "nearest" in q.on:
            x, y = book.writing.from_world(pointer)
            shown = (round(x, q.decimals), round(y, q.decimals))
            at = nearest(figure, Point(*book.writing.to_world(*shown)))
            words = f"nearest to {q.length(shown[0])}, {q.length(shown[1])} on {name}"
            yield Candidate(at, words, "nearest", id)


def _distance_along(figure: Line | Arc, at: Point) -> float:
    """How far along a line or an arc the pointer is, from its start."""
    from ..meet.within import swept

    if isinstance(figure, Line):
        dx, dy = figure.end.x - figure.start.x, figure.end.y - figure.start.y
        return ((at.x - figure.start.x) * dx + (at.y - figure.start.y) * dy) / figure.length
    return swept(figure, at) / abs(figure.sweep) * figure.length
