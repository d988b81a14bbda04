"""The messages of the live socket, both ways. The front end's types are generated from these."""

from dataclasses import dataclass
from typing import Annotated, Literal

from pydantic import BaseModel, Field

from ..core.desk.bounds import FigureId, Id, Number, Revision
from ..core.desk.hand import Hand
from ..core.desk.view_types import LineView
from ..core.replica.held import AheadView
from .schemas import Act, BookView, MayWord, Model

MOST_SHOWN = 20
"""Selected figures that others are shown; more of them are a crowd that hides the drawing."""


@dataclass(frozen=True, slots=True, kw_only=True)
class ReadRequest(Hand):
    """What is in hand, to be read; the newest one wins."""

    type: Literal["read"]
    seq: Revision


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
    """Where the person at this table is on the drawing, for the others at it; only the newest is sent on, none is answered."""

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
    """What the person at this table may do with the drawing."""

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
