"""HTTP: a drawing as a file of another format, looked at before it is kept; others' files, looked at before they are taken in."""

from contextlib import nullcontext
from pathlib import PurePath
from typing import Annotated, Any
from urllib.parse import quote
from uuid import UUID

from fastapi import APIRouter, Path, Query, Request
from fastapi.concurrency import run_in_threadpool
from fastapi.responses import HTMLResponse, Response, StreamingResponse

from ..core.desk.fields import length_of
from ..core.problem import refusal
from ..core.units import plain
from ..exchange.cutter_page import cut_page
from ..exchange.files.csv_in import Columns, Sheet, sheet_of
from ..exchange.files.formats import BY_WORD, FORMATS, Format, Options, Written, format_of, found_in, too_large, written
from ..exchange.files.found import MOST_BYTES, Found, Progress
from ..exchange.files.items import Choice
from ..exchange.files.looks import cut_of, picture_of, picture_of_file, told
from ..exchange.files.nc_out import Tool
from ..exchange.files.taking_in import entries_of, text_of
from ..store.changes import State
from .bodies import body_of
from .file_schemas import (
    FileAsked,
    FileFound,
    FileLook,
    FormatView,
    FoundLine,
    LeftOutView,
    LookLine,
    SheetOfPoints,
    TouchingView,
)  # fmt: skip
from .long_work import in_lines
from .service import Service, service_of

router = APIRouter(prefix="/api")
Word = Annotated[str, Path(pattern=r"^[a-z]{2,8}$")]
FileName = Annotated[str, Query(min_length=1, max_length=200)]
Unit = Annotated[str, Query(max_length=4)]
Column = Annotated[int | None, Query(ge=0, le=199)]


@router.get("/files/formats", response_model=list[FormatView])
def get_formats() -> Any:
    """The formats that are written and read."""
    return [FormatView(word=f.word, says=f.says, endings=list(f.endings), written=f.written) for f in FORMATS]


@router.post("/drawings/{id}/files/{word}/look", response_class=StreamingResponse, responses={200: {"model": LookLine}})
def look_at_file(request: Request, id: UUID, word: Word, asked: FileAsked) -> Any:
    """A file as it would be written, and what came of reading it back: in lines, the last with the result."""
    service = service_of(request)
    form, state = _format(word), service.state(id)

    options = _options(state, asked)

    def work(progress: Progress) -> FileLook:
        return _look(state, form, options, _written(service, state, form, options, progress))

    return in_lines(LookLine, work)


@router.post("/drawings/{id}/files/{word}", response_class=Response)
def get_file(request: Request, id: UUID, word: Word, asked: FileAsked) -> Response:
    """The file itself."""
    service = service_of(request)
    form, state = _format(word), service.state(id)
    made = _written(service, state, form, _options(state, asked), None, check=False)
    headers = {
        "Content-Disposition": f"attachment; filename*=UTF-8''{quote(_name(state, form))}", "Cache-Control": "no-store"
    }  # fmt: skip
    return Response(made.data, media_type=form.media, headers=headers)


@router.post("/drawings/{id}/cut", response_class=HTMLResponse)
def get_cut(request: Request, id: UUID, asked: FileAsked) -> str:
    """What the stand-in for a cutter cuts of the tool path, and where that differs from the drawing."""
    service = service_of(request)
    state = service.state(id)
    options = _options(state, asked)
    made = _written(service, state, BY_WORD["nc"], options, None, check=False)
    return cut_page(cut_of(state.book, options, made.data), state.book.header.manner.unit, state.name)


@router.post("/files/read", response_class=StreamingResponse, responses={200: {"model": FoundLine}})
async def read_file(
    request: Request, name: FileName, unit: Unit = "", x: Column = None, y: Column = None, label: Column = None
) -> Any:
    """What a file holds, sent as it is, and what making a drawing of it would write. The columns and the unit are those of a CSV,
    where they are other than they seem."""
    return await _read(request, None, name, unit, x, y, label)


@router.post("/drawings/{id}/found", response_class=StreamingResponse, responses={200: {"model": FoundLine}})
async def read_file_for(
    request: Request, id: UUID, name: FileName, unit: Unit = "", x: Column = None, y: Column = None, label: Column = None
) -> Any:
    """The same, and what taking it into a drawing would write."""
    return await _read(request, id, name, unit, x, y, label)


async def _read(
    request: Request, drawing: UUID | None, name: str, unit: str, x: int | None, y: int | None, label: int | None
) -> StreamingResponse:
    data = await body_of(request, MOST_BYTES)
    if len(data) > MOST_BYTES:
        raise too_large(len(data))
    state = await run_in_threadpool(service_of(request).state, drawing) if drawing is not None else None
    columns = Columns(x, y, label) if x is not None and y is not None else None

    def work(progress: Progress) -> FileFound:
        progress(0, 1)
        return _found(name, data, columns, unit, state)

    return in_lines(FoundLine, work)


def _format(word: str) -> Format:
    form = BY_WORD.get(word)
    if form is None or not form.written:
        raise refusal("no_format", name=word, endings=[one.word for one in FORMATS if one.written])
    return form


def _options(state: State, asked: FileAsked) -> Options:
    """Lengths are read as the drawing reads them. Raises `Refused`."""
    figures = tuple(asked.figures) if asked.figures is not None else None
    choice = Choice(figures, tuple(asked.names), tuple(asked.pens), asked.construction)
    tool, wanted = (length_of(state.book, text) if text.strip() else 0.0 for text in (asked.tool, asked.within))
    return Options(
        choice, asked.decimals, asked.content, Tool(tool, asked.side, asked.feed, "in" if asked.inch else "mm"), wanted
    )


def _written(
    service: Service, state: State, form: Format, options: Options, progress: Progress | None, check: bool = True
) -> Written:
    # Readings are worked out with what is kept with the book, which is for one at a time.
    with service.reading(state.id) if form.word == "csv" else nullcontext():
        return written(state.book, form, state.name, options, progress, check)


def _name(state: State, form: Format) -> str:
    return f"{state.name}.{form.endings[0]}"


def _look(state: State, form: Format, options: Options, made: Written) -> FileLook:
    unit, back = state.book.header.manner.unit, made.back
    worst = [one for one in back.worst if one.gap > 0.0] if back is not None and not back.good else []
    return FileLook(
        name=_name(state, form),
        size=len(made.data),
        count=made.count,
        picture=picture_of_file(state.book, form, options, made),
        left_out=made.left_out,
        good=back is None or back.good,
        said=told(back, unit) if back is not None else "",
        worst=[TouchingView(names=one.names, how=one.how, gap=f"{plain(one.gap, 9)} {unit}") for one in worst],
        enough=back.enough if back is not None else None,
    )


def _found(name: str, data: bytes, columns: Columns | None, unit: str, state: State | None) -> FileFound:
    form = format_of(name)
    book = state.book if state is not None else None
    into = book.header.manner.unit if book is not None else ""
    sheet = sheet_of(data) if form.word == "csv" else None
    if sheet is not None and not unit:
        # What says no unit is in that of the drawing.
        unit = sheet.unit or into
    found = found_in(name, data, columns, unit)
    box = found.box
    lot = PurePath(name).stem
    return FileFound(
        counts=found.counts(),
        unit=found.unit,
        extents=[box[2] - box[0], box[3] - box[1]] if box is not None else [],
        picture=picture_of([one.figure for one in found.figures]),
        left_out=_left_out(found),
        notes=found.notes,
        entries=entries_of(found, lot, into, book.taken_names()) if book is not None else [],
        text="" if book is not None else data.decode("utf-8-sig") if form.word == "kent" else text_of(found, lot),
        sheet=_sheet(sheet, columns) if sheet is not None else None,
    )


def _sheet(sheet: Sheet, columns: Columns | None) -> SheetOfPoints:
    chosen = columns or sheet.columns
    x, y, name = (chosen.x, chosen.y, chosen.name) if chosen is not None else (None, None, None)
    return SheetOfPoints(heads=sheet.heads, rows=sheet.first, x=x, y=y, name=name)


def _left_out(found: Found) -> list[LeftOutView]:
    every = found.left_out.items()
    return [LeftOutView(what=what, count=count, why=why, where=found.first[what, why]) for (what, why), count in every]
