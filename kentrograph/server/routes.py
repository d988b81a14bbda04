"""HTTP: the shelf, a drawing as it stands or stood, one change at a time."""

from typing import Annotated, Any
from uuid import UUID

from fastapi import APIRouter, Path, Query, Request
from fastapi.responses import PlainTextResponse

from ..core.language.script import write_script
from ..core.language.views import working_view
from ..core.snap.kinds import KINDS as PLACE_KINDS
from ..store import changes, drawings
from ..store.changes import State
from .present import book_view
from .schemas import Author, BookView, ChangeRequest, DrawingView, Id, NewDrawing, Renamed, Revision, SnapKind, WorkingView
from .service import Service

router = APIRouter(prefix="/api")


def _service(request: Request) -> Service:
    service: Service = request.app.state.service
    return service


@router.get("/health")
def health(request: Request) -> dict[str, str]:
    """Answers once the database does."""
    with _service(request).session() as session:
        session.connection()
    return {"status": "ready"}


@router.get("/snapping", response_model=list[SnapKind])
def get_snapping() -> Any:
    """The kinds of place that can be taken, in words."""
    return [{"key": k.key, "word": k.word, "explanation": k.explanation, "on": k.on} for k in PLACE_KINDS.values()]


@router.get("/drawings", response_model=list[DrawingView], response_model_exclude_none=True)
def list_drawings(request: Request) -> Any:
    """All drawings on the shelf, the last changed first."""
    with _service(request).session() as session:
        return drawings.list_drawings(session)


@router.post("/drawings", status_code=201, response_model=DrawingView)
def create_drawing(request: Request, new: NewDrawing) -> Any:
    """A new drawing, empty or from a text."""
    with _service(request).session() as session:
        return drawings.create_drawing(session, new.name, new.author, new.text)


@router.get("/drawings/{id}", response_model=BookView)
def get_drawing(request: Request, id: UUID, revision: Annotated[Revision | None, Query()] = None) -> Any:
    """A drawing's whole book, as it stands or as it stood at a revision."""
    service = _service(request)
    with service.session() as session:
        state = changes.current_state(session, service.cache, id)
        if revision is not None:
            book = changes.state_at(session, service.cache, id, revision)
            state = State(id, state.name, revision, book, None, None)
    return book_view(state, None)


@router.get("/drawings/{id}/text", response_class=PlainTextResponse)
def get_text(request: Request, id: UUID) -> str:
    """A drawing as a ``.kent`` text."""
    return write_script(_service(request).state(id).book)


@router.get("/drawings/{id}/working/{step}", response_model=WorkingView)
def get_working(request: Request, id: UUID, step: Annotated[Id, Path()]) -> Any:
    """The loci and sums by which a person would find a step's figure."""
    return working_view(_service(request).state(id).book, step)


@router.patch("/drawings/{id}", response_model=DrawingView)
def rename_drawing(request: Request, id: UUID, renamed: Renamed) -> Any:
    """Gives a drawing another name."""
    with _service(request).session() as session:
        return drawings.rename_drawing(session, id, renamed.name)


@router.delete("/drawings/{id}", status_code=204)
def delete_drawing(request: Request, id: UUID) -> None:
    """Takes a drawing from the shelf; it can be brought back."""
    with _service(request).session() as session:
        drawings.delete_drawing(session, id)


@router.post("/drawings/{id}/restore", response_model=DrawingView)
def restore_drawing(request: Request, id: UUID) -> Any:
    """Brings a deleted drawing back."""
    with _service(request).session() as session:
        return drawings.restore_drawing(session, id)


@router.post("/drawings/{id}/duplicate", status_code=201, response_model=DrawingView)
def duplicate_drawing(request: Request, id: UUID, author: Annotated[Author, Query()] = "drafter") -> Any:
    """A copy of a drawing as it stands."""
    with _service(request).session() as session:
        return drawings.duplicate_drawing(session, id, author)


@router.post("/drawings/{id}/changes", response_model=BookView)
def change_drawing(request: Request, id: UUID, change: ChangeRequest) -> Any:
    """One change; committed when this answers. 409 with code ``stale`` where the drawing has moved on."""
    return book_view(_service(request).act(id, change.base, change.author, change.act), None)
