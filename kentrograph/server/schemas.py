"""What goes over the wire: figures, the shelf, the book, acts. The front end's types are generated from these."""

from datetime import datetime
from typing import Annotated, Any, Literal
from uuid import UUID

from pydantic import BaseModel, ConfigDict, Field

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
Author = Annotated[str, Field(max_length=80, pattern=WRITABLE)]
Revision = Annotated[int, Field(ge=0, le=2_000_000_000)]
Index = Annotated[int, Field(ge=0, le=1_000_000)]
Number = Annotated[float, Field(ge=-LARGEST_NUMBER, le=LARGEST_NUMBER, allow_inf_nan=False)]
Size = Annotated[float, Field(ge=0, le=LARGEST_NUMBER, allow_inf_nan=False)]


class Model(BaseModel):
    """No unknown fields."""

    model_config = ConfigDict(extra="forbid")


# Figures ----------------------------------------------------------------------------------------------


class FigureView(BaseModel):
    """A figure to draw, in the drawing's unit and degrees counter-clockwise from east; ``kind`` says which fields it has."""

    kind: Literal["point", "line", "circle", "arc", "ellipse", "outline", "set"]
    at: list[float] | None = None
    from_: Annotated[list[float] | None, Field(alias="from")] = None
    to: list[float] | None = None
    through: list[float] | None = None
    direction: float | None = None
    centre: list[float] | None = None
    radius: float | None = None
    sweep: float | None = None
    axes: list[float] | None = None
    turned: float | None = None
    part: list[float] | None = None
    note: str | None = None
    pieces: "list[FigureView] | None" = None
    closed: bool | None = None
    pen: str | None = None
    box: list[float] | None = None
    """Left, bottom, right, top."""


class PictureView(BaseModel):
    """What the shelf draws of a drawing: figures, and the box around them."""

    figures: list[FigureView]
    box: list[float] | None


# Shelf ------------------------------------------------------------------------------------------------


class DrawingView(BaseModel):
    """A drawing on the shelf."""

    id: UUID
    name: str
    revision: int
    changed_at: datetime
    picture: PictureView


class NewDrawing(Model):
    """A new drawing, empty or from a text."""

    name: Name
    text: Annotated[str, Field(max_length=LONGEST_BOOK, pattern=WRITABLE)] = ""
    author: Author = "drafter"


class Renamed(Model):
    """Another name."""

    name: Name


# The table --------------------------------------------------------------------------------------------


class HeaderView(BaseModel):
    """What a drawing is set to; ``datum`` is x, y and the direction of its x axis."""

    unit: str
    zero: str
    clockwise: bool
    datum: list[float]
    decimals: int


class ProblemView(BaseModel):
    """Why something cannot be; ``start`` and ``end`` are places in the text."""

    kind: str
    message: str
    start: int
    end: int
    suggestion: str | None = None
    """What would work, in words: ``radius 15.7``."""
    suggested: str | None = None
    """The statement with that in place."""


class Row(BaseModel):
    """A given in its own words, and what it was understood as where that says more."""

    text: str
    value: str


class ReadingPart(BaseModel):
    """A further number of a reading."""

    name: str
    value: str


class Compared(BaseModel):
    """A reading against the value wanted."""

    wanted: str
    difference: str
    good: bool | None


class ReadingView(BaseModel):
    """A reading in words; ``exact`` is its value with every digit."""

    kind: str
    value: str
    exact: float
    rows: list[ReadingPart]
    compared: Compared | None


class StepView(BaseModel):
    """A step of the book."""

    id: str
    kind: str
    title: str
    name: str
    pen: str
    hidden: bool
    off: bool
    text: str
    rows: list[Row]
    uses: list[str]
    figure: FigureView | None
    reading: ReadingView | None
    number: float | None
    problem: ProblemView | None
    beside: str | None
    """The special place that a plain position was taken beside."""
    residual: str | None
    """By how much a touching figure misses what it touches at most, in words; None for one that touches nothing."""


class BookView(BaseModel):
    """A drawing's book, or (``whole`` false) only the steps that differ from what the receiver has."""

    type: Literal["book"] = "book"
    id: UUID
    name: str
    revision: int
    header: HeaderView
    whole: bool
    order: list[str]
    steps: list[StepView]
    undo: str | None
    redo: str | None
    last: list[float]


class Locus(BaseModel):
    """A line or circle that a person would draw to find a figure, and what it is."""

    figure: FigureView
    words: str


class WorkingView(BaseModel):
    """The working of a step: its loci, and the sums in words."""

    loci: list[Locus]
    sums: list[str]


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


class ValueView(BaseModel):
    """A value of a figure: its word, how it reads, every digit of it, and whether it is one of the givens."""

    word: str
    shown: str
    exact: float
    stated: bool


class WayView(BaseModel):
    """A way to state another value: the givens that give way, the step's text then, and the figure that it draws."""

    instead: list[str]
    text: str
    figure: FigureView


class SnapKind(BaseModel):
    """A kind of place that can be taken: its word, what it is, and whether it is on from the start."""

    key: str
    word: str
    explanation: str
    on: bool


# Acts -------------------------------------------------------------------------------------------------


class Write(Model):
    """Writes a step, or a header line; at the end, or before the step at ``index``."""

    do: Literal["write"]
    text: Text
    id: Id
    index: Index | None = None
    beside: Annotated[str, Field(max_length=300, pattern=WRITABLE)] = ""
    """Special places that a plain position was taken beside: the step is marked with them."""
    pen: Literal["pencil", "ink"] = "ink"
    """``pencil`` is written in front of a figure that does not say it itself; ink is what a bare statement is in."""


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


class MoveStep(Model):
    """Moves a step to another place in the book."""

    do: Literal["move"]
    id: Id
    index: Index


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


class Undo(Model):
    """Takes the last change back."""

    do: Literal["undo"]


class Redo(Model):
    """Does again what was taken back last."""

    do: Literal["redo"]


Act = Annotated[Write | Mend | Strike | MoveStep | Rename | Flag | Undo | Redo, Field(discriminator="do")]


class ChangeRequest(Model):
    """One change, against the revision that it was made on."""

    base: Revision | None = None
    author: Author = "drafter"
    act: Act


class ErrorView(BaseModel):
    """An error of an HTTP request."""

    code: str
    message: str
    fields: dict[str, Any]
