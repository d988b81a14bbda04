"""Arcs: both ends first; then a number is the radius, and a third place is one that it goes through."""

from ...figures import CentredCurve, Ellipse, StraightCurve
from ..working.arcs import arc_working
from .facet import Click, Facet


def _rows(c: Click) -> list[str]:
    placed = _places(c)
    figured: list[str] = []
    if c.name and isinstance(c.figure, StraightCurve | CentredCurve) and not isinstance(c.figure, Ellipse):
        figured = [f"touching {c.name}"]
        if not c.has and c.special and c.place in (f"end of {c.name}", f"start of {c.name}"):
            figured.insert(0, f"continuing {'start of ' if c.place.startswith('start') else ''}{c.name}")
    return [*placed, *figured] if c.special or not figured else [*figured, *placed]


def _places(c: Click) -> list[str]:
    if not c.has:
        placed = [f"from {c.place}", f"centre {c.place}"]
        return placed[::-1] if c.place.startswith("centre of") else placed
    if not {"centre", "from"} <= c.has or "to" in c.has:
        ends = ("from", "to") if c.has & {"centre", "touching", "continuing"} else ("from", "to", "via")
        return [f"{word} {c.place}" for word in ends if word not in c.has]
    # The way that the pointer went around the centre.
    clockwise = c.pointer.turned < 0.0
    placed = [f"to {c.place}", f"to {c.place} clockwise"]
    if clockwise:
        placed.reverse()
    if not c.name or c.special or not isinstance(c.figure, StraightCurve | CentredCurve):
        return placed
    # On a figure: it ends there, and not only in that direction.
    sense = " clockwise" if clockwise else ""
    return [
        *c.nearest_only([f"until {c.name}{sense}{sign}" for sign in ("", " entering", " leaving", " left", " right")]),
        *placed,
    ]


FACET = Facet(_rows, working=arc_working)
