"""Cutting: a stretch taken away, a stretch kept, a figure split at places, a part made whole again."""

from collections.abc import Sequence
from itertools import pairwise
from typing import Any

from ..figures import Arc, Circle, Ellipse, EndlessLine, Figure, Line, Outline, Piece
from ..figures.along import Longish
from ..problem import refusal
from .stretch import Cut, end_of, is_closed, part_of, same_cut, start_of

LONGISH = (Line, EndlessLine, Circle, Arc, Ellipse, Outline)


def longish(figure: Any, word: str, name: str) -> Longish:
    """The figure, if it has stretches. Raises `Refused` (not_cut) for points and numbers."""
    if not isinstance(figure, LONGISH):
        raise refusal("not_cut", name=name, word=word)
    return figure


def in_order(figure: Longish, a: Cut, b: Cut) -> tuple[Cut, Cut]:
    """Two cuts as a figure takes them: on an open one in its own order, on a closed one as they were said.

    Raises `Refused` (same_places) where nothing lies between them.
    """
    if same_cut(figure, a, b):
        raise refusal("same_places")
    return (b, a) if not is_closed(figure) and b[:2] < a[:2] else (a, b)


def kept(figure: Longish, a: Cut, b: Cut) -> Figure:
    """Only the stretch from one cut to the other. Raises `Refused` (same_places)."""
    part = part_of(figure, *in_order(figure, a, b))
    if part is None:
        raise refusal("same_places")
    return part


def trimmed(figure: Longish, a: Cut, b: Cut, name: str) -> tuple[Figure, ...]:
    """What is left when the stretch from one cut to the other is taken away: one rest, or two of an open figure.

    Raises `Refused`: same_places; endless, since what is left of a line without ends would have only one; all_gone.
    """
    a, b = in_order(figure, a, b)
    if isinstance(figure, EndlessLine):
        raise refusal("endless", name=name)
    if is_closed(figure):
        rest = part_of(figure, b, a)
        rests = [rest] if rest is not None else []
    else:
        rests = [one for one in (part_of(figure, start_of(figure), a), part_of(figure, b, end_of(figure))) if one is not None]
    if not rests:
        raise refusal("all_gone", name=name)
    return tuple(rests)


def split(figure: Longish, cuts: Sequence[Cut], name: str) -> tuple[Figure, ...]:
    """The pieces of a figure cut at places, as it runs: of an open one from its start, of a closed one from the first cut.

    Raises `Refused`: endless; two_cuts for a circle that is cut once; same_places; at_its_end.
    """
    if isinstance(figure, EndlessLine):
        raise refusal("endless", name=name)
    if len(cuts) < 2 and isinstance(figure, Circle | Ellipse) and is_closed(figure):
        raise refusal("two_cuts", name=name)
    order = sorted(cuts, key=lambda cut: cut[:2])
    for one, other in pairwise(order):
        if same_cut(figure, one, other):
            raise refusal("same_places")
    if is_closed(figure):
        if len(order) > 1 and same_cut(figure, order[0], order[-1]):
            raise refusal("same_places")
        first = next(n for n, cut in enumerate(order) if cut[:2] == cuts[0][:2])
        order = order[first:] + order[:first]
        if len(order) == 1:
            return (opened(figure, order[0]),)
        stops = [*order, order[0]]
    else:
        stops = [start_of(figure), *order, end_of(figure)]
    pieces = [part_of(figure, one, other) for one, other in pairwise(stops)]
    if any(piece is None for piece in pieces):
        raise refusal("at_its_end", name=name)
    return tuple(piece for piece in pieces if piece is not None)


def opened(figure: Longish, cut: Cut) -> Outline:
    """A closed outline opened at a place: it begins and ends there."""
    assert isinstance(figure, Outline)
    pieces, n = figure.pieces, cut.piece
    one = pieces[n]
    if cut.along == 0.0:
        return Outline((*pieces[n:], *pieces[:n]), False)
    before, after = part_of(one, start_of(one), cut._replace(piece=0)), part_of(one, cut._replace(piece=0), end_of(one))
    ends = [piece for piece in (after, before) if isinstance(piece, Piece)]
    return Outline((ends[0], *pieces[n + 1 :], *pieces[:n], *ends[1:]), False)


def whole(figure: Any, name: str) -> Circle | Ellipse:
    """The circle of an arc, the ellipse of a part of one. Raises `Refused` (whole_already, no_whole)."""
    if isinstance(figure, Arc):
        return Circle(figure.centre, figure.radius)
    if isinstance(figure, Ellipse) and not figure.whole:
        return Ellipse(figure.centre, figure.a, figure.b, figure.turn)
    if isinstance(figure, Circle | Ellipse):
        raise refusal("whole_already", name=name)
    raise refusal("no_whole", name=name)
