"""Whether one closed figure lies within others, and whether two overlap: decided on the pieces between where their edges meet.

Between two neighbouring crossings an edge lies wholly on one side of another one, or along it; so one place of each piece tells.
Source: common practice (plane arrangements).
"""

from collections.abc import Iterator, Sequence
from itertools import pairwise
from typing import Any

from ..figures import Outline, Point
from ..figures.along import place_along
from ..figures.box import box_of
from ..measure.distance_to import distance_to
from ..measure.inside import is_inside
from ..tolerance import TOLERANCE
from .nodes import Nodes, Other
from .stretch import end_of, is_closed, part_of, start_of


def lies_within(figure: Any, others: Sequence[Any]) -> bool:
    """Whether nothing of a closed figure lies outside of all others: it may run along their edges, and touch them.

    >>> from kentrograph.core.figures import Circle
    >>> lies_within(Circle(Point(0.0, 0.0), 1.0), [Circle(Point(0.5, 0.0), 1.5)])
    True
    """
    return all(any(is_inside(other, at) or _is_on(other, at) for other in others) for at in _places_between(figure, others))


def overlap(one: Any, other: Any) -> bool:
    """Whether two closed figures have an area in common; those that touch, or share an edge, have none."""
    a, b = box_of(one), box_of(other)
    if a[0] >= b[2] or b[0] >= a[2] or a[1] >= b[3] or b[1] >= a[3]:
        return False
    sides = [
        (is_inside(of, at), _is_on(of, at)) for figure, of in ((one, other), (other, one)) for at in _places_between(figure, [of])
    ]
    # Along each other all round: they are the same.
    return any(inside and not on for inside, on in sides) or all(on for _, on in sides)


def _places_between(figure: Any, others: Sequence[Any]) -> Iterator[Point]:
    """A place of each piece of an edge between the places where it meets the edges of others."""
    met = [Other.of((n, k), piece) for n, other in enumerate(others) for k, piece in enumerate(_pieces(other))]
    for piece in _pieces(figure):
        cuts = [node.cut for node in Nodes(Other.of((-1,), piece), met).all()]
        if is_closed(piece) and len(cuts) < 2:
            # Met nowhere, or touched once: one piece, of which either of two places will do.
            yield from (place_along(piece, share * piece.length) for share in (0.25, 0.75))
            continue
        cuts = [*cuts, cuts[0]] if is_closed(piece) else [start_of(piece), *cuts, end_of(piece)]
        parts = (part_of(piece, a, b) for a, b in pairwise(cuts))
        yield from (place_along(part, 0.5 * part.length) for part in parts if part is not None)


def _pieces(figure: Any) -> Sequence[Any]:
    return figure.pieces if isinstance(figure, Outline) else (figure,)


def _is_on(figure: Any, at: Point) -> bool:
    left, low, right, high = box_of(figure)
    slack = TOLERANCE.length(max(right - left, high - low), max(abs(at.x), abs(at.y)))
    return distance_to(figure, at.x, at.y) <= 4.0 * slack
