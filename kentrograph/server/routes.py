"""HTTP: the shelf, a drawing as it stands or stood, one change at a time."""

from dataclasses import replace
from datetime import datetime
from typing import Annotated, Any
from urllib.parse import quote
from uuid import UUID

from fastapi import APIRouter, Path, Query, Request
from fastapi.responses import FileResponse, HTMLResponse, PlainTextResponse, Response
from starlette.concurrency import run_in_threadpool

from ..core.desk.bounds import Id, Revision
from ..core.desk.causes import each_cause, in_order
from ..core.desk.check_report import CheckReport, check_report
from ..core.desk.fields import Field, length_of, numbers_of
from ..core.desk.finding_views import CauseView, LooseView, cause_views, loose_view, offered
from ..core.desk.help_views import help_kinds
from ..core.desk.view_types import ValueView, WayView, WorkingView
from ..core.desk.views import before_view, values_view, ways_view, working_view
from ..core.language.report import FigureData
from ..core.language.script import write_script
from ..exchange.check_page import Facts, check_csv, check_html, picture_of
from ..exchange.check_pdf import check_pdf
from ..store import backings, changes, drawings, history, packed, pictures, shelf
from ..store.changes import Asked, State
from ..store.database import UNANSWERED
from .bodies import body_of
from .caller import caller_of, person_of
from .doors import PICTURE_HEADERS
from .help_pages import picture, sections
from .packing import Packing
from .present import book_message
from .rooms import rooms_of
from .schemas import (
    BackingScaled,
    BackingView,
    BookView,
    ChangeRequest,
    HealthView,
    HelpSection,
    HelpView,
    Placing,
    ProcessView,
    Typed,
)
from .service import Service, service_of
from .shelf_schemas import DrawingView, NewDrawing, PictureView, Renamed, ShelfView

router = APIRouter(prefix="/api")
NOT_KEPT = {"Cache-Control": "no-store"}
Words = Annotated[Typed, Query()]
AtRevision = Annotated[Revision | None, Query()]
Limit = Annotated[float | None, Query(gt=0, le=1e9)]


@router.get("/health", response_model=HealthView)
def health(request: Request, response: Response) -> Any:
    """How the worker that answers is, and the database behind it: 503 where that does not answer."""
    try:
        with service_of(request).session() as session:
            session.connection()
    except UNANSWERED:
        response.status_code = 503
        return HealthView(database="away")
    return HealthView(database="answers")


@router.get("/health/process", response_model=ProcessView)
async def process() -> Any:
    """Answers as long as the worker does, whatever the database is about."""
    return ProcessView()


@router.get("/help", response_model=HelpView)
def get_help() -> Any:
    """The language as it is declared, with examples, and the drafter's guide."""
    return HelpView(kinds=help_kinds(), sections=[HelpSection(title=title, text=text) for title, text in sections()])


@router.get("/help/pictures/{name}", response_class=FileResponse)
def get_help_picture(name: Annotated[str, Path(max_length=60)]) -> Any:
    """The picture of an example."""
    return FileResponse(picture(name), media_type="image/svg+xml", headers={"Cache-Control": "no-cache"})


@router.get("/drawings", response_model=ShelfView)
def list_drawings(
    request: Request, words: Words = "", person: UUID | None = None, team: UUID | None = None, deleted: bool = False,
    after: Annotated[str | None, Query(max_length=200)] = None, most: Annotated[int, Query(ge=1, le=200)] = shelf.PAGE,
) -> Any:  # fmt: skip
    """The drawings that the person may see, a page of them, the last changed first."""
    with service_of(request).session() as session:
        return shelf.listed(session, person_of(request), shelf.Wanted(words, person, team, deleted), after, most)


@router.post("/drawings", status_code=201, response_model=DrawingView)
def create_drawing(request: Request, new: NewDrawing) -> Any:
    """A new drawing, empty or from a text."""
    with service_of(request).session() as session:
        made = drawings.create_drawing(session, new.name, person_of(request), new.text)
    return _made(request, made)


def _made(request: Request, made: drawings.Made) -> drawings.Listed:
    """Its book is at hand when it is opened, which is next."""
    service_of(request).cache.put(made.listed.id, made.listed.revision, made.book)
    packing: Packing = request.app.state.packing
    packing.made(made.listed.id, len(made.book.order))
    return made.listed


@router.get("/drawings/{id}/picture", response_model=PictureView)
def get_picture(request: Request, response: Response, id: UUID, of: AtRevision = None) -> Any:
    """What the shelf draws of a drawing; the browser keeps the one ``of`` a revision."""
    with service_of(request).session() as session:
        found = pictures.get_picture(session, id)
    if found is not None and found.revision == of:
        response.headers["Cache-Control"] = "private, max-age=31536000, immutable"
    return found.picture if found is not None else PictureView(figures=[], box=None)


@router.get("/drawings/{id}", response_model=BookView)
def get_drawing(request: Request, id: UUID, revision: AtRevision = None) -> Response:
    """A drawing's whole book, as it stands or as it stood at a revision."""
    service = service_of(request)
    return _whole(service, service.state_at(id, revision))


def _whole(service: Service, state: State) -> Response:
    """A whole book, in the shape of `BookView`; large ones are not looked through a second time."""
    with service.reading(state.id):
        return Response(book_message(state, None), media_type="application/json")


@router.get("/drawings/{id}/source", response_class=Response)
def get_source(id: UUID, request: Request) -> Any:
    """All steps as they are kept, of one revision: what a page needs to work the drawing out itself (JSON)."""
    return Response(service_of(request).source(id), media_type="application/json", headers=NOT_KEPT)


@router.get("/drawings/{id}/opened", response_class=Response)
def get_opened(id: UUID, request: Request) -> Any:
    """A large drawing as it was kept, in lines of JSON: a `BookView` without steps, the names of the fields of a step, and a
    list of that for each; nothing (204) where nothing is kept. The table receives which revision that is (`Opening`)."""
    with service_of(request).session() as session:
        found = packed.views(session, id)
    if found is None:
        return Response(status_code=204, headers=NOT_KEPT)
    return Response(found, media_type="application/x-ndjson", headers={**NOT_KEPT, "Content-Encoding": "gzip"})


@router.get("/drawings/{id}/text", response_class=PlainTextResponse)
def get_text(request: Request, id: UUID) -> str:
    """A drawing as a ``.kent`` text."""
    return write_script(service_of(request).state(id).book)


@router.get("/drawings/{id}/numbers", response_model=list[float])
def get_numbers(request: Request, id: UUID, field: Field, typed: Words) -> Any:
    """What is typed in a field for steps, as the drawing reads it."""
    return numbers_of(service_of(request).state(id).book, field, typed)


@router.get("/drawings/{id}/working/{step}", response_model=WorkingView)
def get_working(request: Request, id: UUID, step: Annotated[Id, Path()]) -> Any:
    """The loci and sums by which a person would find a step's figure."""
    return working_view(service_of(request).state(id).book, step)


@router.get("/drawings/{id}/before/{step}", response_model=list[FigureData])
def get_before(request: Request, id: UUID, step: Annotated[Id, Path()]) -> Any:
    """What a verb works on, as it stands before it."""
    return before_view(service_of(request).state(id).book, step)


@router.get("/drawings/{id}/values/{step}", response_model=list[ValueView])
def get_values(request: Request, id: UUID, step: Annotated[Id, Path()]) -> Any:
    """The values of a step's figure that can be stated."""
    return values_view(service_of(request).state(id).book, step)


@router.get("/drawings/{id}/ways/{step}", response_model=list[WayView])
def get_ways(
    request: Request, id: UUID, step: Annotated[Id, Path()], word: Annotated[Typed, Query()], typed: Annotated[Typed, Query()]
) -> Any:
    """The ways in which a step could state another value, the fewest givens replaced first."""
    return ways_view(service_of(request).state(id).book, step, word, typed)


@router.get("/drawings/{id}/loose", response_model=LooseView)
def get_loose_ends(request: Request, id: UUID, limit: Limit = None) -> Any:
    """What almost meets, almost touches or lies twice, nearer than a limit in the drawing's unit, and what would put it right."""
    service = service_of(request)
    book = service.state(id).book
    with service.reading(id):
        view = loose_view(book, limit)
    return replace(view, findings=service.in_turns(id, offered(book, view)))


@router.get("/drawings/{id}/check.html", response_class=HTMLResponse)
def get_check_page(request: Request, id: UUID, limit: Limit = None, revision: AtRevision = None) -> str:
    """The check report of a drawing, as it stands or stood at a revision, as a page to print."""
    report, facts = _checked(request, id, limit, revision)
    return check_html(report, facts)


@router.get("/drawings/{id}/check.csv", response_class=PlainTextResponse)
def get_check_table(request: Request, id: UUID, limit: Limit = None, revision: AtRevision = None) -> Response:
    """The same as a table (CSV, RFC 4180)."""
    report, facts = _checked(request, id, limit, revision)
    name = quote(f"{facts.drawing} check.csv")
    headers = {"Content-Disposition": f"attachment; filename*=UTF-8''{name}"}
    return Response(check_csv(report), media_type="text/csv; charset=utf-8", headers=headers)


@router.get("/drawings/{id}/check.pdf", response_class=Response)
def get_check_pdf(request: Request, id: UUID, limit: Limit = None, revision: AtRevision = None) -> Response:
    """The same as PDF."""
    report, facts = _checked(request, id, limit, revision)
    headers = {"Content-Disposition": f"inline; filename*=UTF-8''{quote(f'{facts.drawing} check.pdf')}"}
    return Response(check_pdf(report, facts), media_type="application/pdf", headers=headers)


def _checked(request: Request, id: UUID, limit: float | None, revision: int | None) -> tuple[CheckReport, Facts]:
    service = service_of(request)
    state = service.state_at(id, revision)
    with service.session() as session:
        author = changes.author_of(session, id, state.revision)
    with service.reading(id):
        report, drawn = check_report(state.book, limit), picture_of(state.book)
    return report, Facts(
        state.name, f"revision {state.revision} by {author}", f"{datetime.now().astimezone():%d %B %Y, %H:%M}", drawn
    )


@router.get("/drawings/{id}/causes/{step}", response_model=list[CauseView])
def get_causes(request: Request, id: UUID, step: Annotated[Id, Path()]) -> Any:
    """The typed numbers on which a reading hangs, and what each would have to be."""
    service = service_of(request)
    book = service.state(id).book
    found = in_order(service.in_turns(id, each_cause(book, step)))
    return service.in_turns(id, cause_views(book, step, found))


@router.patch("/drawings/{id}", response_model=DrawingView)
def rename_drawing(request: Request, id: UUID, renamed: Renamed) -> Any:
    """Gives a drawing another name."""
    with service_of(request).session() as session:
        before = drawings.rename_drawing(session, id, renamed.name)
        history.happened(session, id, caller_of(request).name, f"renamed it from {before}")
        return shelf.one(session, person_of(request), id)


@router.delete("/drawings/{id}", status_code=204)
def delete_drawing(request: Request, id: UUID) -> None:
    """Takes a drawing from the shelf; it can be brought back."""
    with service_of(request).session() as session:
        drawings.delete_drawing(session, id)
        history.happened(session, id, caller_of(request).name, "deleted it")


@router.post("/drawings/{id}/restore", response_model=DrawingView)
def restore_drawing(request: Request, id: UUID) -> Any:
    """Brings a deleted drawing back."""
    with service_of(request).session() as session:
        drawings.restore_drawing(session, id)
        drawings.get_drawing(session, id)
        history.happened(session, id, caller_of(request).name, "put it back on the shelf")
        return shelf.one(session, person_of(request), id)


@router.post("/drawings/{id}/duplicate", status_code=201, response_model=DrawingView)
def duplicate_drawing(request: Request, id: UUID) -> Any:
    """A copy of a drawing as it stands."""
    book = service_of(request).state(id).book
    with service_of(request).session() as session:
        made = drawings.duplicate_drawing(session, id, book, person_of(request))
    return _made(request, made)


@router.post("/drawings/{id}/changes", response_model=BookView)
async def change_drawing(request: Request, id: UUID, change: ChangeRequest) -> Response:
    """One change; committed when this answers. 409 with code ``stale`` where somebody has changed what it is about since."""
    rooms, caller = rooms_of(request), caller_of(request)
    state, _ = await rooms.act(caller.person, id, Asked(caller.name, change.base, change.key), change.act)
    return await run_in_threadpool(_whole, service_of(request), state)


# The picture under a drawing ----------------------------------------------------------------------------


@router.get("/drawings/{id}/backing", response_model=BackingView | None)
def get_backing(request: Request, id: UUID) -> Any:
    """The picture that lies under a drawing, if there is one."""
    with service_of(request).session() as session:
        return backings.get_backing(session, id)


@router.get("/drawings/{id}/backing/picture", response_class=Response)
def get_backing_picture(request: Request, id: UUID) -> Response:
    """The picture itself."""
    with service_of(request).session() as session:
        row = backings.get_backing(session, id)
        if row is None:
            raise backings.NoBacking("There is no picture under this drawing.")
        headers = {"Cache-Control": "no-cache", **PICTURE_HEADERS}
        return Response(row.content, media_type=row.media_type, headers=headers)


@router.put("/drawings/{id}/backing", response_model=BackingView)
async def put_backing(request: Request, id: UUID, scale: Annotated[float, Query(gt=0, le=1e12)] = 1.0) -> Any:
    """Lays a picture (PNG or JPEG, sent as it is) under a drawing, so many units a pixel."""
    content = await body_of(request, backings.LARGEST_FILE)

    def store() -> Any:
        with service_of(request).session() as session:
            laid = backings.put_backing(session, id, content, Placing(scale=scale).model_dump())
            history.happened(session, id, caller_of(request).name, "laid a picture under it")
            return laid

    return await run_in_threadpool(store)


@router.patch("/drawings/{id}/backing", response_model=BackingView)
def place_backing(request: Request, id: UUID, placing: Placing) -> Any:
    """Places the picture anew."""
    with service_of(request).session() as session:
        return backings.place_backing(session, id, placing.model_dump())


@router.post("/drawings/{id}/backing/scale", response_model=BackingView)
def scale_backing(request: Request, id: UUID, scaled: BackingScaled) -> Any:
    """Scales the picture so that two places on it are so far apart; the first of them stays where it is."""
    apart = length_of(service_of(request).state(id).book, scaled.apart)
    with service_of(request).session() as session:
        return backings.scale_backing(session, id, scaled.first, scaled.second, apart)


@router.delete("/drawings/{id}/backing", status_code=204)
def take_backing(request: Request, id: UUID) -> None:
    """Takes the picture away."""
    with service_of(request).session() as session:
        backings.take_backing(session, id)
        history.happened(session, id, caller_of(request).name, "took the picture away")
