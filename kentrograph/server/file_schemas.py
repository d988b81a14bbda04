"""What goes over the wire about files: how they are written, what came of reading one back, what was found in one."""

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from ..core.desk.bounds import FigureId, Name
from .schemas import Model, Typed

Side = Literal["part", "on", "left", "right", "outside", "inside"]


class FormatView(BaseModel):
    """A format: its word, what it is, the endings of its files, and whether it is written."""

    word: str
    says: str
    endings: list[str]
    written: bool


class FileAsked(Model):
    """How a file is written: what of the drawing (figures by their ids, names of groups, pens, or all in ink), with how many
    decimals, what a CSV holds, how a tool path runs. ``within``, how far apart what touches may lie, and the diameter of the tool
    are lengths as they are typed; nothing for the usual, and for a tool without width."""

    figures: Annotated[list[FigureId], Field(max_length=100_000)] | None = None
    names: Annotated[list[Name], Field(max_length=1_000)] = Field(default_factory=list)
    pens: Annotated[list[Name], Field(max_length=10)] = Field(default_factory=list)
    construction: bool = False
    decimals: Annotated[int | None, Field(ge=0, le=15)] = None
    content: Literal["points", "readings"] = "points"
    within: Typed = ""
    tool: Typed = ""
    side: Side = "part"
    feed: Annotated[float, Field(gt=0, le=1e6)] = 600.0
    inch: bool = False


class TouchingView(BaseModel):
    """Two that touched, how, and how far apart they lie in the file, in words."""

    names: str
    how: str
    gap: str


class FileLook(BaseModel):
    """A file as it would be written: its name and size, how many figures, a picture, and in words what became of what touched.
    ``good`` where nothing is missing and all still touches; ``enough`` are the decimals that would keep it."""

    name: str
    size: int
    count: int
    picture: str
    left_out: list[str]
    good: bool
    said: str
    worst: list[TouchingView]
    enough: int | None


class LookLine(BaseModel):
    """A line of the answer: how far it is, or what came of it, or why nothing did."""

    done: int = 0
    total: int = 0
    refused: str = ""
    found: FileLook | None = None


class LeftOutView(BaseModel):
    """What was left out of a file: what, how often, why, and where the first stood."""

    what: str
    count: int
    why: str
    where: str


class SheetOfPoints(BaseModel):
    """The first rows of a CSV, and which column seems to hold what."""

    heads: list[str]
    rows: list[list[str]]
    x: int | None
    y: int | None
    name: int | None


class FileFound(BaseModel):
    """What is in a file: how many of each kind, its unit and extents, a picture, what was left out, and what taking it in would
    write: statements for a drawing, or a whole drawing as a text."""

    counts: dict[str, int]
    unit: str
    extents: list[float]
    picture: str
    left_out: list[LeftOutView]
    notes: list[str]
    entries: list[str]
    text: str
    sheet: SheetOfPoints | None = None


class FoundLine(BaseModel):
    """A line of the answer: how far it is, or what came of it, or why nothing did."""

    done: int = 0
    total: int = 0
    refused: str = ""
    found: FileFound | None = None
