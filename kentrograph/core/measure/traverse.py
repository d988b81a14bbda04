"""Traverses: what is walked leg by leg, by how much it misses its beginning, and how that is shared out over its legs.

Source, published: any surveying textbook (from memory): the compass rule (Bowditch) gives each leg a share by its length, the
transit rule by how far it goes up and across.
"""

from dataclasses import dataclass
from itertools import pairwise
from math import fsum, hypot
from typing import Any, Literal

from ..angles import direction_of
from ..figures import Line, Outline, Point
from ..problem import refusal
from .angle import between_directions

Rule = Literal["compass", "transit"]


@dataclass(frozen=True, slots=True)
class Leg:
    """One leg: its length, its direction (degrees counter-clockwise from east), and how far it goes across (its departure) and up
    (its latitude)."""

    length: float
    direction: float
    across: float
    up: float


def legs_of(outline: Any) -> list[Leg]:
    """The legs of a traverse, as it is walked. Raises `Refused`: no_traverse for anything but straight pieces."""
    if not isinstance(outline, Outline) or not all(isinstance(piece, Line) for piece in outline.pieces):
        raise refusal("no_traverse")
    found: list[Leg] = []
    for piece in outline.pieces:
        dx, dy = piece.end.x - piece.start.x, piece.end.y - piece.start.y
        found.append(Leg(hypot(dx, dy), direction_of(dx, dy), dx, dy))
    return found


def inner_angles(legs: list[Leg]) -> list[float]:
    """The angle inside each corner, degrees: that in which a leg ends, the last of them where it should have come back.

    Walked either way round, it is what is left of half a turn.
    """
    turns = [between_directions(one.direction, other.direction) for one, other in pairwise([*legs, legs[0]])]
    sense = 1.0 if fsum(turns) > 0.0 else -1.0
    return [180.0 - sense * turn for turn in turns]


def misclosure(outline: Outline) -> tuple[float, float]:
    """How far across and up the end of a traverse lies from its beginning."""
    return outline.end.x - outline.start.x, outline.end.y - outline.start.y


def balanced(outline: Outline, rule: Rule) -> Outline:
    """The traverse with its misclosure shared out over its legs, so that it closes; it begins where it began.

    What is missing across or up is what legs that go that way have left, so there always is something to share by. Raises
    `Refused`: no_traverse; zero_length where a leg is no longer than its share.
    """
    legs = legs_of(outline)
    dx, dy = misclosure(outline)
    across, up = [leg.length for leg in legs], [leg.length for leg in legs]
    if rule == "transit":
        across, up = [abs(leg.across) for leg in legs], [abs(leg.up) for leg in legs]
    whole_across, whole_up = fsum(across), fsum(up)
    start = outline.start
    corners = [start]
    for n in range(1, len(legs)):
        # Summed from the beginning each time: rounding does not pile up from leg to leg.
        share_across = fsum(across[:n]) / whole_across if whole_across else 0.0
        share_up = fsum(up[:n]) / whole_up if whole_up else 0.0
        at = outline.pieces[n].start
        corners.append(Point(at.x - dx * share_across, at.y - dy * share_up))
    return Outline(tuple(Line(a, b) for a, b in zip(corners, [*corners[1:], start], strict=True)), True)
