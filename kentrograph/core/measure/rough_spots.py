"""Where two pieces meet, by rough sums: to tell at little cost the many pairs that meet nowhere from the few worth exact ones."""

from typing import Any

from ..intersect.roughly import Rough, RoughCurve, intersect_roughly
from ..tolerance import ROUGH_SHARE
from .distance_to import distance_to


def spots_on_both(
    one: Any, other: Any, u: RoughCurve | None, v: RoughCurve | None, x: float, y: float, reach: float, slack: float | None = None
) -> list[Rough] | None:  # fmt: skip
    """The places within reach of (x, y) where two pieces, with their carriers, may meet on what is drawn of both.

    ``slack`` is how far beside them that may be; without it, the noise of where each place lies. None where only exact sums can
    tell.
    """
    rough = intersect_roughly(u, v, x, y, reach)
    if rough is None:
        return None
    found: list[Rough] = []
    for p, q in rough:
        room = ROUGH_SHARE * (1.0 + abs(p) + abs(q)) if slack is None else slack
        if distance_to(one, p, q) <= room and distance_to(other, p, q) <= room:
            found.append((p, q))
    return found
