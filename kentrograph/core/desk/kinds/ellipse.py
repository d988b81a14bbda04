"""Ellipses: the centre, then the end of an axis, then how wide."""

from ...book.values import StepResult
from ...figures import Ellipse
from ...tolerance import SPOT_SHARE
from ...units import plain
from ..pointing import rounded
from .facet import Click, Facet


def _rows(c: Click) -> list[str]:
    if c.has & {"axis", "across"} and not c.has & {"other", "ratio", "through"}:
        # Through what is special; else as wide as the pointer is away from the axis.
        return [f"through {c.place}", *_other(c)] if c.special else [*_other(c), f"through {c.place}"]
    return [f"axis {c.place}" if "centre" in c.has else f"centre {c.place}"]


def _other(c: Click) -> list[str]:
    """The other half axis: how far the place is from the first, in round numbers where it is no special one."""
    trial = c.read(f"other 1{c.book.suffix}").value
    figure = trial.figure if isinstance(trial, StepResult) else None
    if not isinstance(figure, Ellipse):
        return []
    away = abs(figure.to_own(c.pointed.at.x, c.pointed.at.y)[1])
    if away <= SPOT_SHARE * c.pointer.reach:
        # On the axis itself.
        return []
    return [f"other {plain(away if c.special else rounded(c.pointer, away), 12)}{c.book.suffix}"]


FACET = Facet(_rows)
