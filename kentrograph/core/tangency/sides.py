"""From which side a given is touched: the word for it, its place in the order, and the radius that it asks for."""

from math import hypot
from typing import NamedTuple

from .touched import Touched


class Side(NamedTuple):
    """A side word and its code in the keys of the solutions."""

    word: str
    code: int


LINE_SIDES = (Side("left", 0), Side("right", 1))
RING_SIDES = (Side("outside", 0), Side("inside", 1), Side("enclosing", 2))
PLACE_SIDES = (Side("", 0),)
MIRRORS = ("left", "right", "")


def sides_of(a: Touched) -> tuple[Side, ...]:
    """The sides from which a given can be touched, in the documented order."""
    return LINE_SIDES if a.line else RING_SIDES if a.r > 0.0 else PLACE_SIDES


def radius_by(a: Touched, side: Side, x: float, y: float) -> float:
    """The radius of the circle about (x, y) that touches a given from this side; not positive where there is none."""
    if a.line:
        off = a.off(x, y)
        return off if side.code == 0 else -off
    d = hypot(a.x - x, a.y - y)
    if a.r == 0.0:
        return d
    return d - a.r if side.code == 0 else a.r - d if side.code == 1 else d + a.r
