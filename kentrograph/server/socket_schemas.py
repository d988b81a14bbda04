"""The messages of the live socket, both ways. The front end's types are generated from these."""

from typing import Annotated, Literal

from pydantic import AfterValidator, BaseModel, Field

from ..core.desk.draft import READING
from ..core.desk.view_types import LineView
from ..core.language.vocabulary import KINDS, READINGS
from ..core.page.held import AheadView
from .schemas import (
    LONGEST_TEXT,
    WRITABLE,
    Act,
    BookView,
    FigureId,
    Id,
    Index,
    MayWord,
    Model,
    Number,
    Revision,
    Size,
    Text,
)


def known_draft(kind: str) -> str:
    """A kind of figure or of reading that can be written row by row. Raises `ValueError` for any other word."""
    word, _, reading = kind.partition(" ")
    if kind in KINDS or kind == READING or (word == "measure" and reading in READINGS):
        return kind
    raise ValueError(f"is no kind of figure: {', '.join(KINDS)}, or measure and a kind of reading")


def whole_steps(step: float) -> float:
    """A step that positions can be counted in. Raises `ValueError` for one too small to be told from none."""
    if 0.0 < step < SMALLEST_STEP:
        raise ValueError(f"must be 0, for none, or at least {SMALLEST_STEP:g}")
    return step


SMALLEST_STEP = 1e-9
MOST_SHOWN = 20
"""Selected figures that others are shown; more of them are a crowd that hides the drawing."""
Steps = Annotated[float, Field(ge=0, le=1e12, allow_inf_nan=False), AfterValidator(whole_steps)]


class DraftData(Model):
    """A figure being written: its kind and the rows given so far."""

    kind: Annotated[str, Field(max_length=40), AfterValidator(known_draft)]
    rows: Annotated[list[Text], Field(max_length=20_000)]
    at: Index | None = None
    """Where the row being written belongs, when an earlier one is being changed."""
    again: bool = False
    """Whether the kind stayed open after one of it was written."""
    clicks: Annotated[list[tuple[Number, Number] | None], Field(max_length=20_000, default_factory=list)]
    """Where each row was clicked, as far as it was."""


class SnappingData(Model):
    """Which kinds of place are off, and the steps that directions (degrees), distances and positions are held to; 0 for none."""

    off: Annotated[list[Id], Field(max_length=40, default_factory=list)]
    parts: Annotated[int, Field(ge=2, le=99)] = 3
    turn: Annotated[float, Field(ge=0, le=180, allow_inf_nan=False)] = 0.0
    turns: Annotated[
        list[Annotated[float, Field(ge=-360, le=360, allow_inf_nan=False)]], Field(max_length=60, default_factory=list)
    ]
    """Directions of a list of one's own."""
    step: Steps = 0.0
    grid: Steps = 0.0
    ink_only: bool = False
    """Whether pencil is out of sight: then nothing of it is taken."""


class PointerData(Model):
    """The pointer, in the drawing's unit."""

    x: Number
    y: Number
    reach: Size
    pixel: Size
    level: bool = False
    """Whether the place is held level or plumb with the last one."""
    swing: bool = False
    """Whether it left the last place sideways: a chain goes on as an arc."""
    turned: Annotated[float, Field(ge=-1e9, le=1e9, allow_inf_nan=False)] = 0.0
    """Degrees that it went around the centre of the arc being written."""
    snapping: SnappingData | None = None
    passed: Annotated[list[Annotated[str, Field(max_length=300, pattern=WRITABLE)]], Field(max_length=8, default_factory=list)]
    """Places and lines that it passed over, in words: sight lines start from there."""


class CarryData(Model):
    """Figures that are dragged: from where, in the drawing's unit, and whether they stay as well."""

    figures: Annotated[list[FigureId], Field(min_length=1, max_length=100_000)]
    x: Number
    y: Number
    copied: bool = False


class ReadRequest(Model):
    """What stands on the open line and where the pointer is; the newest one wins."""

    type: Literal["read"]
    seq: Revision
    draft: DraftData | None = None
    text: Annotated[str, Field(max_length=LONGEST_TEXT)] = ""
    """As it was typed; what cannot be written in it is answered at its place."""
    mend: Id | None = None
    in_front_of: Id | None = None
    """The step in front of which it would be written; at the end where there is none."""
    pointer: PointerData | None = None
    choice: Annotated[int, Field(ge=-1_000_000, le=1_000_000)] | None = None
    """Which reading of a pick, or which solution; counted from 0, either way round."""
    selected: FigureId | None = None
    """The figure whose handles are shown while nothing is written."""
    pull: Annotated[int, Field(ge=0, le=1000)] | None = None
    """Which of its handles is being pulled to the pointer."""
    aimed: bool = False
    """Whether the pointer was moved since the figure was begun, or something of it was chosen."""
    carry: CarryData | None = None
    """What is dragged to the pointer."""
    stroke: Annotated[list[tuple[Number, Number]], Field(max_length=20_000, default_factory=list)]
    """Where the pointer went since it went down, in the drawing's unit, while a kind is open that is done by stroking."""


class DoRequest(Model):
    """One change; answered by `Done` or `RefusedView` once it is committed or not."""

    type: Literal["do"]
    seq: Revision
    base: Revision
    act: Act
    key: Id | None = None
    """What it is called: asked for again under the same key, it is not done again, and answered as it was."""


class EchoRequest(Model):
    """Comes back as it is; for measuring the way there and back."""

    type: Literal["echo"]
    seq: Revision


class WhereRequest(Model):
    """Where whoever sits here is on the drawing, for the others at it; told as the newest is, and not answered."""

    type: Literal["where"]
    seq: Revision = 0
    at: tuple[Number, Number] | None = None
    """The pointer, in the drawing's unit; none while it is elsewhere, or where it is not to be seen."""
    selected: Annotated[list[FigureId], Field(max_length=MOST_SHOWN, default_factory=list)]
    mending: Id | None = None
    """The step that is being mended."""


class Done(BaseModel):
    """A change is committed."""

    type: Literal["done"] = "done"
    seq: int
    revision: int


class RefusedView(BaseModel):
    """A change was not made; ``code`` is stable."""

    type: Literal["refused"] = "refused"
    seq: int
    code: str
    message: str
    start: int
    end: int


class Standing(BaseModel):
    """What whoever has the table open may do with the drawing."""

    type: Literal["standing"] = "standing"
    may: MayWord


class Opening(BaseModel):
    """The drawing is a large one: what was kept of a revision is to be fetched (``/opened``), with so many steps, and what has
    become of it since follows. A table that cannot have it comes again with ``?whole=true``."""

    type: Literal["opening"] = "opening"
    revision: int
    steps: int
    name: str


class OtherView(BaseModel):
    """Somebody at the drawing."""

    seat: str
    name: str
    at: tuple[float, float] | None = None
    selected: list[str] = []
    mending: str | None = None


class OthersView(BaseModel):
    """Who else is at the drawing."""

    type: Literal["others"] = "others"
    others: list[OtherView]


class Gone(BaseModel):
    """The drawing was deleted."""

    type: Literal["gone"] = "gone"


class BackingChanged(BaseModel):
    """The picture under the drawing is another one, lies elsewhere, or was taken away."""

    type: Literal["backing"] = "backing"


class Alive(BaseModel):
    """Nothing is new: the connection is still there."""

    type: Literal["alive"] = "alive"


class EchoView(BaseModel):
    """The answer to an echo."""

    type: Literal["echo"] = "echo"
    seq: int


ClientMessage = Annotated[ReadRequest | DoRequest | EchoRequest | WhereRequest, Field(discriminator="type")]
SOCKET_TYPES: tuple[type, ...] = (
    ReadRequest,
    DoRequest,
    EchoRequest,
    WhereRequest,
    BookView,
    LineView,
    Done,
    RefusedView,
    Standing,
    Opening,
    OthersView,
    Gone,
    BackingChanged,
    Alive,
    EchoView,
    AheadView,
)
