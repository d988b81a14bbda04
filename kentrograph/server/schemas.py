"""What goes over the wire: figures, the shelf, the book, acts. The front end's types are generated from these."""

from dataclasses import dataclass
from typing import Annotated, Any, Literal, get_type_hints
from uuid import UUID

from pydantic import BaseModel, ConfigDict, Field, GetCoreSchemaHandler
from pydantic_core import CoreSchema
from typing_extensions import TypedDict as Readable

from ..core.desk import acts
from ..core.desk.bounds import WRITABLE, Id, Number, PenWord, Revision, Text
from ..core.desk.help_views import HelpKind
from ..core.desk.view_types import HeaderView, StepView
from ..core.language.report import FigureData
from ..core.replica.differing import Placed

LONGEST_BOOK = 8_000_000
Typed = Annotated[str, Field(max_length=400, pattern=WRITABLE)]
MayWord = Literal["see", "draw", "own"]
"""What may be done with a drawing; each word takes in those before it."""


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


Act = Annotated[acts.Act, Field(discriminator="do")]


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
