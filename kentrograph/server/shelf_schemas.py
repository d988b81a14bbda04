"""What goes over the wire of the shelf."""

from datetime import datetime
from typing import Annotated
from uuid import UUID

from pydantic import BaseModel, Field

from ..core.desk.bounds import WRITABLE, Name
from ..core.language.report import FigureData
from .schemas import LONGEST_BOOK, MayWord, Model


class PictureView(BaseModel):
    """What the shelf draws of a drawing: figures, and the box around them."""

    figures: list[FigureData]
    box: list[float] | None


class DrawingView(BaseModel):
    """A drawing on the shelf: what the client may do with it, who owns it, and of which revision there is a picture."""

    id: UUID
    name: str
    revision: int
    changed_at: datetime
    may: MayWord
    owners: list[str]
    pictured: int | None


class ShelfView(BaseModel):
    """A page of the shelf: its drawings, how many there are in all, and from where to go on."""

    drawings: list[DrawingView]
    count: int
    after: str | None


class NewDrawing(Model):
    """A new drawing, empty or from a text."""

    name: Name
    text: Annotated[str, Field(max_length=LONGEST_BOOK, pattern=WRITABLE)] = ""


class Renamed(Model):
    """Another name."""

    name: Name
