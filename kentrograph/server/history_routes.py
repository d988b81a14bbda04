"""HTTP: what was done with a drawing, and the states that it was in."""

from datetime import datetime
from typing import Annotated, Any, Literal
from uuid import UUID

from fastapi import APIRouter, Path, Query, Request
from pydantic import BaseModel, Field

from ..core.desk.bounds import WRITABLE, Revision
from ..core.desk.comparing import compared
from ..exchange.comparison import comparison, state_picture
from ..store import history
from .schemas import Model
from .service import service_of

router = APIRouter(prefix="/api/drawings/{id}/history")
At = Annotated[Revision, Path()]


class HappenedView(BaseModel):
    """Something that was done. A change of the book has a revision; the state after it may have a name."""

    at: datetime
    author: str
    act: Literal["do", "undo", "redo", "with it"]
    what: str
    revision: int | None
    name: str | None


class HistoryView(BaseModel):
    """A page of a drawing's history, the last first, and the moment to go on from."""

    entries: list[HappenedView]
    before: datetime | None


class DifferenceView(BaseModel):
    """What became of one step between two states."""

    id: str
    name: str
    what: Literal["came", "went", "changed", "followed", "moved"]
    before: str
    after: str


class StateView(BaseModel):
    """A state that a drawing was in, as a picture (SVG); compared with another one, what differs as well."""

    revision: int
    steps: int
    picture: str
    differences: list[DifferenceView]


class NamedAs(Model):
    """A name for a state; nothing takes it away."""

    name: Annotated[str, Field(max_length=200, pattern=WRITABLE)]


@router.get("", response_model=HistoryView)
def get_history(request: Request, id: UUID, before: Annotated[datetime | None, Query()] = None) -> Any:
    """What was done with a drawing, a page of it, the last first."""
    with service_of(request).session() as session:
        found = history.entries(session, id, before)
    return {"entries": found, "before": found[-1].at if len(found) == history.PAGE else None}


@router.get("/{revision}", response_model=StateView)
def get_state(request: Request, id: UUID, revision: At, since: Annotated[Revision | None, Query()] = None) -> Any:
    """A state, as a picture; with ``since``, what became of an earlier (or later) one until then."""
    service = service_of(request)
    after = service.state_at(id, revision).book
    if since is None:
        return StateView(revision=revision, steps=len(after.order), picture=state_picture(after), differences=[])
    before = service.state_at(id, since).book
    found = compared(before, after)
    differences = [DifferenceView(id=d.id, name=d.name, what=d.what, before=d.before, after=d.after) for d in found]
    return StateView(revision=revision, steps=len(after.order), picture=comparison(before, after, found), differences=differences)


@router.put("/{revision}/name", status_code=204)
def name_state(request: Request, id: UUID, revision: At, named: NamedAs) -> None:
    """Gives a state a name, or takes it away."""
    with service_of(request).session() as session:
        history.name_state(session, id, revision, named.name)
