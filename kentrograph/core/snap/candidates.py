"""Everything that can be taken near the pointer, in words, the likeliest first."""

from collections.abc import Iterator
from itertools import pairwise
from math import hypot
from typing import Any

from ..book.book import Book
from ..book.index import index_of
from ..book.scene import in_sight
from ..figures import Arc, Line, Outline, Point, RoundCurve
from ..intersect import feet, nearest, tangent_places
from ..intersect.within import distance_along, within
from ..measure.distance_to import distance_to
from ..problem import Refused
from ..tolerance import SPOT_SHARE
from .crossings import MOST_CROSSED, add_crossings
from .edge import edge_at
from .known import Candidate, known_places, parts, stepped
from .query import Query
from .scores import Scores
from .sight_lines import sights_near

_MOST_ALONG = 6
"""Of so many, the nearest, the places along them are offered, too."""
MOST = 32
"""Nobody steps through more than so many."""
Near = list[tuple[float, str, Any]]


def take_at(book: Book, q: Query, most: int = MOST) -> list[Candidate]:
    """What lies within reach, the likeliest first and no more than ``most``; see `kinds` for what comes before what.

    Nothing within reach is no error: the list is empty then.
    """
    return look(book, q, most)[0]


def look(book: Book, q: Query, most: int = MOST) -> tuple[list[Candidate], str | None]:
    """What can be taken, as `take_at` gives it, and the step whose figure runs nearest to the pointer within reach."""
    before = book.key_at(q.before)
    around = index_of(book).around(q.x, q.y, q.reach)
    ids = [id for id in around if in_sight(book, id, before, q.ink_only)]
    near = figures_near(book, q, ids)
    scores = Scores(book, q)
    reaches = q.reaches
    for id in ids:
        for place in known_places(book, id):
            if reaches(place.at):
                scores.add(place)
    if "crossing" in q.on or "onward" in q.on:
        add_crossings(book, q, near, scores)
    for source in (_from_last(book, q, near), _along(book, q, near)):
        for one in source:
            scores.add(one)
    for one in sights_near(book, q, near):
        scores.add(one, ordered=True)
    return scores.best(most), near[0][1] if near else None


def figures_near(book: Book, q: Query, ids: list[str]) -> Near:
    """The figures that run within reach, the nearest first; of equally near ones the latest."""
    found: Near = []
    for id in ids:
        figure = book.figure_of(id)
        off = distance_to(figure, q.x, q.y)
        if off <= q.reach:
            found.append((off, id, figure))
    found.sort(key=lambda f: f[0])
    if any(one[0] == other[0] for one, other in pairwise(found)):
        # The latest first where several are equally near, whatever order they were met in.
        found.sort(key=lambda f: book.order.key(book.step_of(f[1])), reverse=True)
        found.sort(key=lambda f: f[0])
    return found


# From the last place, and along figures -----------------------------------------------------------------


def _from_last(book: Book, q: Query, near: Near) -> Iterator[Candidate]:
    """Feet of the perpendiculars, and touching points of the tangents, from the last place to the figures under the pointer."""
    if q.last is None:
        return
    for _, id, figure in near[:MOST_CROSSED]:
        name = book.name_of(id)
        if isinstance(figure, Outline):
            figure, name = edge_at(figure, name, q.x, q.y)
        if isinstance(figure, Point):
            continue
        try:
            found = feet(figure, q.last)
        except Refused:
            # At the centre of a circle every radius is square to it.
            found = []
        for at, word in zip(found, (" first", " second") if len(found) > 1 else ("",), strict=False):
            # A place that lies on the figure is its own foot: it is offered as what it is.
            if q.reaches(at) and hypot(at.x - q.last.x, at.y - q.last.y) > SPOT_SHARE * q.reach and within(figure, at):
                yield Candidate(at, f"foot on {name}{word}", "foot", id)
        if isinstance(figure, RoundCurve):
            for at, sign, _ in tangent_places(figure, q.last):
                # A place on the rim touches nowhere else: it has no sign.
                if sign and q.reaches(at) and within(figure, at):
                    yield Candidate(at, f"touch on {name} {sign}", "touch", id)


def _along(book: Book, q: Query, near: Near) -> Iterator[Candidate]:
    """Equal parts, distance steps and the nearest place, of the figures under the pointer."""
    pointer = Point(q.x, q.y)
    for _, id, figure in near[:_MOST_ALONG]:
        name = book.name_of(id)
        if isinstance(figure, Point):
            continue
        if "part" in q.on and q.parts > 1:
            yield from parts(figure, name, id, q.parts)
        if "step" in q.on and q.step > 0.0 and isinstance(figure, Line | Arc):
            one = stepped(figure, name, id, distance_along(figure, pointer), q)
            if one:
                yield one
        if "nearest" in q.on:
            x, y = book.writing.from_world(pointer)
            shown = (round(x, q.decimals), round(y, q.decimals))
            at = nearest(figure, Point(*book.writing.to_world(*shown)))
            words = f"nearest to {q.length(shown[0])}, {q.length(shown[1])} on {name}"
            yield Candidate(at, words, "nearest", id)
