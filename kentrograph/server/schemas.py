"""What goes over the wire: figures, the shelf, the book, acts. The front end's types are generated from these."""

from dataclasses import dataclass
from typing import Annotated, Any, Literal, get_type_hints
from uuid import UUID

from pydantic import BaseModel, ConfigDict, Field, GetCoreSchemaHandler
from pydantic_core import CoreSchema
from typing_extensions import TypedDict as Readable

from ..core.desk.help_views import HelpKind
from ..core.desk.view_types import HeaderView, StepView
from ..core.language.report import FigureData
from ..core.page.differing import Placed

LONGEST_TEXT = 200_000
LONGEST_BOOK = 8_000_000
WRITABLE = r"^[^\x00-\x08\x0b\x0c\x0e-\x1f\x7f]*$"
"""No control characters but the blanks among them: nobody can see them, and the database keeps no NUL."""
LARGEST_NUMBER = 1e15
"""Beyond it doubles are whole units apart: no coordinate of a drawing is larger."""

Text = Annotated[str, Field(max_length=LONGEST_TEXT, pattern=WRITABLE)]
Typed = Annotated[str, Field(max_length=400, pattern=WRITABLE)]
Name = Annotated[str, Field(min_length=1, max_length=200, pattern=WRITABLE)]
Id = Annotated[str, Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9_-]+$")]
FigureId = Annotated[str, Field(min_length=1, max_length=80, pattern=r"^[A-Za-z0-9_-]+(\.[0-9]{1,9})?$")]
"""A step, for the first figure that comes of it; with a dot and its number, for a further one."""
MayWord = Literal["see", "draw", "own"]
"""What may be done with a drawing; each word takes in those before it."""
Revision = Annotated[int, Field(ge=0, le=2_000_000_000)]
Index = Annotated[int, Field(ge=0, le=1_000_000)]
Number = Annotated[float, Field(ge=-LARGEST_NUMBER, le=LARGEST_NUMBER, allow_inf_nan=False)]
Size = Annotated[float, Field(ge=0, le=LARGEST_NUMBER, allow_inf_nan=False)]


class Model(BaseModel):
    """No unknown fields."""

    model_config = ConfigDict(extra="forbid")


# Figures ----------------------------------------------------------------------------------------------


_FIELDS: Any = {**get_type_hints(FigureData, include_extras=True), "pieces": "list[FigureView]"}
FigureView = Readable("FigureView", _FIELDS, total=False)  # type: ignore[misc]
"""A figure, as `FigureData` declares it: pydantic reads typed dictionaries of the standard library from Python 3.12 on only."""


def _figure_schema(source: object, handler: GetCoreSchemaHandler) -> CoreSchema:
    return handler.generate_schema(FigureView)


FigureData.__get_pydantic_core_schema__ = staticmethod(_figure_schema)  # type: ignore[attr-defined]


# The table --------------------------------------------------------------------------------------------


@dataclass(frozen=True, slots=True, kw_only=True)
class BookView:
    """A drawing's book, its steps in order; or (``whole`` false) only what differs from what the receiver has.

    ``gone`` are steps that the receiver has and that are no longer there. ``placed`` are those that are new or stand
    elsewhere, to be put in one after the other: each finds the one that it stands in front of.
    """

    type: Literal["book"]
    id: UUID
    name: str
    revision: int
    header: HeaderView
    whole: bool
    gone: list[str]
    placed: list[Placed]
    undo: str | None
    redo: str | None
    last: list[float]
    since: int | None
    """The revision that the receiver had, and ``edits`` what was done since; None where it is to be opened anew."""
    edits: list[dict[str, Any]]
    steps: list[StepView]


class Placing(Model):
    """How a picture lies: under the drawing with its lower left corner at x, y, so many units a pixel and turned, or pinned
    in a corner of the table; ``strength`` is how plainly it shows."""

    pinned: bool = False
    x: Number = 0.0
    y: Number = 0.0
    scale: Annotated[float, Field(gt=0, le=1e12, allow_inf_nan=False)] = 1.0
    turn: Annotated[float, Field(ge=-360, le=360, allow_inf_nan=False)] = 0.0
    strength: Annotated[float, Field(ge=0.05, le=1, allow_inf_nan=False)] = 0.5
    shown: bool = True


class BackingScaled(Model):
    """Two places on the picture, and how far apart they are, as it is typed."""

    first: Annotated[list[Number], Field(min_length=2, max_length=2)]
    second: Annotated[list[Number], Field(min_length=2, max_length=2)]
    apart: Typed


class BackingView(BaseModel):
    """The picture of a drawing: its size in pixels, which of several it is, and how it lies."""

    width: int
    height: int
    version: int
    placing: Placing


class ProcessView(BaseModel):
    """A worker that answers."""

    process: Literal["answers"] = "answers"


class HealthView(ProcessView):
    """A worker that answers, and the database behind it."""

    database: Literal["answers", "away"]


class HelpSection(BaseModel):
    """A section of the guide, in Markdown."""

    title: str
    text: str


class HelpView(BaseModel):
    """All that the help at the table shows."""

    kinds: list[HelpKind]
    sections: list[HelpSection]


PenWord = Literal["pencil", "ink", "fine", "hidden", "axis"]


class PenView(BaseModel):
    """A pen: the word that takes it, and what it is for."""

    word: PenWord
    explanation: str


class SnapKind(BaseModel):
    """A kind of place that can be taken: its word, what it is, and whether it is on from the start."""

    key: str
    word: str
    explanation: str
    on: bool


# Acts -------------------------------------------------------------------------------------------------


class Write(Model):
    """Writes a step, or a header line; in front of another step, or at the end."""

    do: Literal["write"]
    text: Text
    id: Id
    in_front_of: Id | None = None
    beside: Annotated[str, Field(max_length=300, pattern=WRITABLE)] = ""
    """Special places that a plain position was taken beside: the step is marked with them."""
    pen: PenWord = "ink"
    """``pencil`` is written in front of a figure that does not say it itself; ink is what a bare statement is in."""


class EntryData(Model):
    """A text that is written or, where there is none, the name of a figure that is taken away."""

    text: Text = ""
    away: Name | None = None


class WriteAll(Model):
    """Does several things as one change; the ids of the steps that are written begin with this one."""

    do: Literal["write_all"]
    id: Id
    entries: Annotated[list[EntryData], Field(min_length=1, max_length=20_000)]
    in_front_of: Id | None = None
    pen: PenWord = "ink"


class Mend(Model):
    """Gives a step another text."""

    do: Literal["mend"]
    id: Id
    text: Text


class Strike(Model):
    """Takes a step, and others with it, out of the book."""

    do: Literal["strike"]
    id: Id
    others: Annotated[list[Id], Field(max_length=100_000, default_factory=list)]


class TakeAway(Model):
    """Takes figures out of sight: the steps that drew them are struck; what came of shaping is hidden by a step with this id."""

    do: Literal["take_away"]
    id: Id
    figures: Annotated[list[FigureId], Field(min_length=1, max_length=100_000)]


class Settle(Model):
    """Puts loose ends right, by their keys, with what was offered for each; what is written gets ids that begin with this."""

    do: Literal["settle"]
    id: Id
    findings: Annotated[list[Annotated[str, Field(max_length=500)]], Field(min_length=1, max_length=200)]
    limit: Annotated[float, Field(gt=0, le=1e9)]


class Paste(Model):
    """Puts down what a text draws, with its 0, 0 at a place in the drawing's unit."""

    do: Literal["paste"]
    id: Id
    text: Text
    x: Number
    y: Number
    in_front_of: Id | None = None


class MakeSymbol(Model):
    """Makes a symbol of figures; its datum is the place or, without one, the lower left corner of the box around them."""

    do: Literal["make_symbol"]
    id: Id
    name: Name
    figures: Annotated[list[FigureId], Field(min_length=1, max_length=100_000)]
    at: tuple[Number, Number] | None = None


class MoveStep(Model):
    """Moves a step in front of another one, or to the end of the book."""

    do: Literal["move"]
    id: Id
    in_front_of: Id | None


class Rename(Model):
    """Gives a step another name, in every step that uses it."""

    do: Literal["rename"]
    id: Id
    name: Name


class Flag(Model):
    """Hides or shows a step, or switches it off or on."""

    do: Literal["flag"]
    id: Id
    others: Annotated[list[Id], Field(max_length=100_000, default_factory=list)]
    hidden: bool | None = None
    off: bool | None = None


class TurnInto(Model):
    """Writes the dimension that says what a reading says, or the reading that says what a dimension says."""

    do: Literal["turn_into"]
    id: Id
    step: Id


class SetOut(Model):
    """Writes the table that sets the centres of figures out from two edges."""

    do: Literal["set_out"]
    id: Id
    figures: Annotated[list[FigureId], Field(min_length=1, max_length=200)]


class Restate(Model):
    """Gives one given of a step another value, by its word; with nothing said it is struck. Where there is no such step yet,
    one of a kind is written that begins with ``first``."""

    do: Literal["restate"]
    id: Id
    otherwise: Literal["", "sheet", "view"] = ""
    first: Annotated[str, Field(max_length=200, pattern=WRITABLE)] = ""
    word: Annotated[str, Field(min_length=1, max_length=120, pattern=WRITABLE)]
    said: Annotated[str, Field(max_length=2_000, pattern=WRITABLE)]


class BringBack(Model):
    """Makes the drawing what it was at a revision, as one change."""

    do: Literal["bring_back"]
    revision: Revision


class Undo(Model):
    """Takes the last change back."""

    do: Literal["undo"]


class Redo(Model):
    """Does again what was taken back last."""

    do: Literal["redo"]


Act = Annotated[
    Write
    | WriteAll
    | Mend
    | Strike
    | TakeAway
    | Settle
    | Paste
    | MakeSymbol
    | MoveStep
    | Rename
    | Flag
    | SetOut
    | TurnInto
    | Restate
    | BringBack
    | Undo
    | Redo,
    Field(discriminator="do"),
]


class ChangeRequest(Model):
    """One change, against the revision that it was made on."""

    base: Revision | None = None
    act: Act
    key: Id | None = None
    """What it is called: asked for again under the same key, it is not done again."""


class PastedText(Model):
    """A text of the entry language."""

    text: Text


class CopiedView(BaseModel):
    """A text of the entry language, and the place that its figures are carried by, in words."""

    text: str
    carried_by: str


class ErrorView(BaseModel):
    """An error of an HTTP request."""

    code: str
    message: str
    fields: dict[str, Any]
