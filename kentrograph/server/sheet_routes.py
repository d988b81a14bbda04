"""HTTP: a drawing handed over: its sheets to look at and as PDF and PNG, its setting-out tables as CSV."""

from typing import Annotated, Any, Literal
from urllib.parse import quote
from uuid import UUID

from fastapi import APIRouter, Path, Query, Request
from fastapi.concurrency import run_in_threadpool
from fastapi.responses import HTMLResponse, Response

from ..core.book.book import Book
from ..core.book.papers import PAPERS
from ..core.desk.bounds import Id, Revision
from ..core.desk.dimension_check import DimensionCheck, dimension_check
from ..core.desk.sheet_views import SheetView, TableView, sheet_view, table_views
from ..core.sheet.page import Facts
from ..exchange.export import as_csv, pages_of
from ..exchange.marks import MOST_BYTES, as_mark
from ..exchange.pdf import sheets_pdf
from ..exchange.plotter import plotted
from ..exchange.plotter_page import plot_page
from ..exchange.png import page_png
from ..exchange.sheet_svg import sheet_svg
from ..store import changes, marks
from .bodies import body_of
from .service import service_of

router = APIRouter(prefix="/api/drawings/{id}")
office = APIRouter(prefix="/api/office")
AtRevision = Annotated[Revision | None, Query()]
Number = Annotated[int, Path(ge=1, le=1000)]
Sheet = Annotated[int | None, Query(ge=1, le=1000)]
Paper = Annotated[Literal["a4", "a3"] | None, Query()]
Dots = Annotated[float, Query(ge=10, le=1200)]


def _of(request: Request, id: UUID, revision: int | None) -> tuple[Book, Facts]:
    """A drawing as it stands or stood at a revision, and what is known of that besides."""
    service = service_of(request)
    state = service.state_at(id, revision)
    with service.session() as session:
        author = changes.author_of(session, id, state.revision)
        mark = marks.get_mark(session)
    # A name that was dealt, and not given, is nobody's.
    named = "" if author.startswith("drafter") else author
    return state.book, Facts(state.name, named, mark)


@office.get("/mark", response_class=Response)
def get_mark(request: Request) -> Response:
    """The office's own mark, as PNG; no content where there is none."""
    with service_of(request).session() as session:
        found = marks.get_mark(session)
    return Response(found, media_type="image/png") if found else Response(status_code=204)


@office.put("/mark", status_code=204)
async def put_mark(request: Request) -> None:
    """Takes a PNG, sent as it is, for the mark in all title blocks."""
    content = await body_of(request, MOST_BYTES)

    def store() -> None:
        made = as_mark(content)
        with service_of(request).session() as session:
            marks.put_mark(session, made)

    await run_in_threadpool(store)


@office.delete("/mark", status_code=204)
def take_mark(request: Request) -> None:
    """Takes the mark off all title blocks."""
    with service_of(request).session() as session:
        marks.take_mark(session)


@router.get("/tables", response_model=list[TableView])
def get_tables(request: Request, id: UUID, revision: AtRevision = None) -> Any:
    """The setting-out tables of a drawing."""
    return table_views(_of(request, id, revision)[0])


@router.get("/dimensions", response_model=DimensionCheck)
def get_dimension_check(request: Request, id: UUID) -> Any:
    """What the dimensions of a drawing leave open, and what they say twice."""
    service = service_of(request)
    book = service.state(id).book
    with service.reading(id):
        return dimension_check(book)


@router.get("/tables.csv", response_class=Response)
def get_tables_csv(
    request: Request, id: UUID, table: Annotated[Id | None, Query()] = None, revision: AtRevision = None
) -> Response:
    """All of them, or the one of a step, as CSV (RFC 4180)."""
    book, facts = _of(request, id, revision)
    return _file(as_csv(book, table).encode(), "text/csv; charset=utf-8", f"{facts.title} setting out.csv")


@router.get("/sheets/{number}", response_model=SheetView)
def get_sheet(request: Request, id: UUID, number: Number, revision: AtRevision = None) -> Any:
    """A sheet, laid out."""
    book, facts = _of(request, id, revision)
    with service_of(request).reading(id):
        page = pages_of(book, facts, number)[0]
        return sheet_view(book, number, page, sheet_svg(page))


@router.get("/sheets.pdf", response_class=Response)
def get_sheets_pdf(request: Request, id: UUID, sheet: Sheet = None, paper: Paper = None, revision: AtRevision = None) -> Response:
    """The sheets of a drawing, or one of them, as PDF; on smaller paper, those that are larger come on several pages."""
    book, facts = _of(request, id, revision)
    made = _pdf(request, id, book, facts, sheet, paper)
    return _file(made, "application/pdf", f"{facts.title}.pdf", shown=True)


@router.get("/sheets/{number}/picture.png", response_class=Response)
def get_sheet_png(request: Request, id: UUID, number: Number, dots: Dots = 150.0, revision: AtRevision = None) -> Response:
    """A sheet as PNG, with so many dots to the inch."""
    book, facts = _of(request, id, revision)
    made = page_png(_pdf(request, id, book, facts, number), 1, dots)
    return _file(made, "image/png", f"{facts.title}.png", shown=True)


@router.get("/sheets/{number}/plot", response_class=HTMLResponse)
def get_plot(request: Request, id: UUID, number: Number, revision: AtRevision = None) -> str:
    """What the stand-in for a plotter draws of a sheet's PDF."""
    book, facts = _of(request, id, revision)
    return plot_page(plotted(_pdf(request, id, book, facts, number)), facts.title)


def _pdf(request: Request, id: UUID, book: Book, facts: Facts, sheet: int | None, paper: str | None = None) -> bytes:
    """The sheets as PDF. The drawing's lock is held while they are laid out, and not while they are written."""
    with service_of(request).reading(id):
        pages = pages_of(book, facts, sheet)
    return sheets_pdf(pages, facts.title, facts.author, tile=PAPERS[paper] if paper is not None else None)


def _file(data: bytes, kind: str, name: str, shown: bool = False) -> Response:
    """A file to keep or, where a browser can show it, to look at first."""
    how = "inline" if shown else "attachment"
    headers = {"Content-Disposition": f"{how}; filename*=UTF-8''{quote(name)}", "Cache-Control": "no-store"}
    return Response(data, media_type=kind, headers=headers)
