"""HTTP for what is selected: what lies in a box or belongs together, and the clipboard."""

from typing import Annotated, Any
from uuid import UUID

from fastapi import APIRouter, Path, Query, Request
from pydantic import Field

from ..core.desk.bounds import FigureId, Number
from ..core.desk.clipboard import copied, put_down
from ..core.desk.group_views import GroupsView, groups_view
from ..core.desk.pointer import Pointer
from ..core.language.report import FigureData, figure_data
from ..core.snap import select
from .schemas import CopiedView, Model, PastedText
from .service import service_of

router = APIRouter(prefix="/api")
Bound = Annotated[Number, Query()]
Turn = Annotated[float, Query(ge=-1e9, le=1e9, allow_inf_nan=False)]


class Copying(Model):
    """Figures to be copied, and where the pointer is over them."""

    figures: Annotated[list[FigureId], Field(min_length=1, max_length=100_000)]
    pointer: Pointer | None = None


@router.get("/drawings/{id}/inside", response_model=list[str])
def get_inside(
    request: Request, id: UUID, left: Bound, bottom: Bound, right: Bound, top: Bound, turn: Turn = 0.0, touched: bool = False
) -> list[str]:
    """The figures that lie inside a box of a view turned by ``turn`` degrees or, with ``touched``, are touched by it."""
    book = service_of(request).state(id).book
    box = (left, bottom, right, top)
    return select.touched(book, box, turn) if touched else select.inside(book, box, turn)


@router.get("/drawings/{id}/alike/{figure}", response_model=list[str])
def get_alike(request: Request, id: UUID, figure: Annotated[FigureId, Path()], way: select.Way) -> list[str]:
    """The figure, and others that hang together with it, or are like it in another way."""
    service = service_of(request)
    book = service.state(id).book
    with service.reading(id):
        return select.alike(book, figure, way)


@router.get("/drawings/{id}/groups", response_model=GroupsView)
def get_groups(request: Request, id: UUID) -> Any:
    """The groups, symbols and pens of a drawing."""
    return groups_view(service_of(request).state(id).book)


@router.post("/drawings/{id}/copied", response_model=CopiedView)
def post_copied(request: Request, id: UUID, asked: Copying) -> Any:
    """Figures as a text of the entry language, for the clipboard."""
    service = service_of(request)
    book = service.state(id).book
    with service.reading(id):
        text, carried_by = copied(book, asked.figures, asked.pointer)
    return CopiedView(text=text, carried_by=carried_by)


@router.post("/drawings/{id}/drawn", response_model=list[FigureData])
def post_drawn(request: Request, id: UUID, asked: PastedText) -> Any:
    """What a text draws, about 0, 0 along the datum, in the unit of a drawing: as it would be put down there."""
    book = service_of(request).state(id).book
    return [figure_data(figure) for figure in put_down(book, asked.text)]
