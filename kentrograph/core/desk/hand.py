"""The state of the hand: all that a look at the table reads, in one value."""

from dataclasses import dataclass, replace
from typing import Annotated

from .bounds import LONGEST_TEXT, MOST_FIGURES, Bound, FigureId, Figures, Id, Number, PenWord, Place, Whole
from .draft import Draft
from .pointer import Pointer


@dataclass(frozen=True, slots=True, kw_only=True)
class Carried(Whole):
    """Figures that are dragged: from where, in the drawing's unit, and whether they stay as well."""

    figures: Figures
    x: Number
    y: Number
    copied: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Hand(Whole):
    """What stands on the open line, where the pointer is, what is held, and what is selected."""

    draft: Draft | None = None
    text: Annotated[str, Bound(max_length=LONGEST_TEXT)] = ""
    """As it was typed; what cannot be written in it is answered at its place."""
    mend: Id | None = None
    """The step that is being mended."""
    opened: bool = False
    """Whether the row stands there as it was opened, in a step being mended: pointing picks it again."""
    in_front_of: Id | None = None
    """The step in front of which a new one would be written; at the end where there is none."""
    id: Id = "new"
    """The id that what is written gets."""
    pen: PenWord = "ink"
    """What new figures are drawn with."""
    pointer: Pointer | None = None
    aimed: bool = False
    """Whether the pointer was moved since the figure was begun, or something of it was chosen: the solution nearest to it is
    meant."""
    choice: Annotated[int, Bound(ge=-1_000_000, le=1_000_000)] | None = None
    """Which reading of a pick, or which solution, is meant; counted from 0, either way round."""
    selected: Annotated[tuple[FigureId, ...], Bound(max_length=MOST_FIGURES)] = ()
    """What is selected; the handles of the first are shown while nothing is written."""
    pull: Annotated[int, Bound(ge=0, le=1000)] | None = None
    """Which of its handles is being pulled to the pointer."""
    carry: Carried | None = None
    """What is dragged to the pointer."""
    drag: Pointer | None = None
    """Where the pointer went down, while it is dragged from one place of a figure to the other."""
    stroke: Annotated[tuple[Place, ...], Bound(max_length=20_000)] = ()
    """Where the pointer went since it went down, while a kind is open that is done by stroking."""

    @property
    def carried_from(self) -> Pointer | None:
        """The pointer as it was when what is carried was taken hold of."""
        if self.carry is None or self.pointer is None:
            return None
        return replace(self.pointer, x=self.carry.x, y=self.carry.y)
