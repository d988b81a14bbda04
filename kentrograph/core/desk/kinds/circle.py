"""Circles: touching what the pointer is on; a special place is the centre first, then one that it goes through."""

from ...figures import CentredCurve, Point, StraightCurve
from ..working.rounds import round_working
from .facet import PASSED_THROUGH, Click, Facet


def _rows(c: Click) -> list[str]:
    curve = bool(c.name) and isinstance(c.figure, StraightCurve | CentredCurve)
    through = f"through {c.place}"
    if "centre" in c.has:
        return [*([f"touching {c.name}"] if curve and not c.special else []), through]
    touching = [f"touching {c.name}", f"centre on {c.name}", f"through {c.on}"] if curve else []
    if isinstance(c.figure, Point):
        touching = []
    if touching and (not c.special or ("touching" in c.has and c.pointed.kind in PASSED_THROUGH)):
        return [*touching, through] if c.pointed.kind else touching
    placed = [through, f"centre {c.place}"] if c.has else [f"centre {c.place}", through]
    if c.has & {"radius", "diameter", "circumference"}:
        placed.reverse()
    return [*placed, *touching]


FACET = Facet(_rows, working=round_working)
