"""The pointer over the drawing, and what may be taken near it."""

from dataclasses import dataclass
from typing import Annotated

from ..snap.kinds import KINDS, ON
from ..tolerance import SMALLEST_STEP
from .bounds import Bound, Id, Number, Size, Whole, Words

_OFF = frozenset(KINDS) - ON


def _whole_steps(step: float) -> float:
    """A step that positions can be counted in. Raises `ValueError` for one too small to be told from none."""
    if 0.0 < step < SMALLEST_STEP:
        raise ValueError(f"must be 0, for none, or at least {SMALLEST_STEP:g}")
    return step


Steps = Annotated[float, Bound(_whole_steps, ge=0, le=1e12, allow_inf_nan=False)]
Turn = Annotated[float, Bound(ge=-360, le=360, allow_inf_nan=False)]


@dataclass(frozen=True, slots=True)
class Snapping(Whole):
    """What may be taken near the pointer: the kinds that are off, into how many parts figures are cut, and the steps that
    directions (degrees), distances and plain positions (the drawing's unit) are held to; 0 for none."""

    off: Annotated[frozenset[Id], Bound(max_length=40)] = _OFF
    parts: Annotated[int, Bound(ge=2, le=99)] = 3
    turn: Annotated[float, Bound(ge=0, le=180, allow_inf_nan=False)] = 0.0
    step: Steps = 0.0
    grid: Steps = 0.0
    turns: Annotated[tuple[Turn, ...], Bound(max_length=60)] = ()
    """Directions of a list of one's own, besides the steps."""
    ink_only: bool = False
    """Whether pencil is out of sight."""

    @property
    def on(self) -> frozenset[str]:
        """The kinds of place that may be taken."""
        return frozenset(KINDS) - self.off


@dataclass(frozen=True, slots=True)
class Pointer(Whole):
    """Where the pointer is, how far it reaches, and the size of a pixel; all in the drawing's unit."""

    x: Number
    y: Number
    reach: Size
    pixel: Size
    level: bool = False
    """Whether what is placed is held level or plumb with the last place or, where a hold lasts, that hold is lifted."""
    swing: bool = False
    """Whether the pointer left the last place sideways: a chain then goes on as an arc."""
    turned: Annotated[float, Bound(ge=-1e9, le=1e9, allow_inf_nan=False)] = 0.0
    """Degrees that the pointer went around the centre of the arc being written, since its beginning was given."""
    snapping: Snapping = Snapping()
    passed: Annotated[tuple[Words, ...], Bound(max_length=8)] = ()
    """Places, and lines by their names, that the pointer passed over, in words."""
