"""HTTP: a drawing as a file of another format, looked at before it is kept; others' files, looked at before they are taken in."""

from pathlib import PurePath
from typing import Annotated, Any
from urllib.parse import quote
from uuid import UUID

from fastapi import APIRouter, Path, Query, Request
from fastapi.concurrency import run_in_threadpool
from fastapi.responses import HTMLResponse, Response, StreamingResponse

from ..core.figures import Circle, EndlessLine, Figure, Point
from ..core.figures.box import box_around
from ..core.problem import refuse
from ..core.units import MILLIMETRES, convert, plain
from ..exchange.cutter import Run
from ..exchange.cutter import run as run_program
from ..exchange.cutter_page import cut_page, cut_svg
from ..exchange.files.csv_in import Columns, Sheet, sheet_of
from ..exchange.files.formats import BY_WORD, FORMATS, Format, Options, Written, format_of, found_in, too_large, written
from ..exchange.files.found import MOST_BYTES, Found, Progress
from ..exchange.files.items import Choice, items_of
from ..exchange.files.nc_in import read_program
from ..exchange.files.nc_out import Tool, cuts_of
from ..exchange.files.readback import WANTED
from ..exchange.files.taking_in import entries_of, text_of
from ..exchange.svg import Styled, picture
from ..store.changes import State
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
Column = Annotated[int | None, Query(ge=0, le=199)]
_MOST_SHOWN = 4_000
_DOT = 0.006
_EXACTLY = 1e-9
"""Lengths below which nothing but rounding is left."""


@router.get("/files/formats", response_model=list[FormatView])
def get_formats() -> Any:
    """The formats that are written and read."""
    return [FormatView(word=f.word, says=f.says, endings=list(f.endings), written=f.word != "kent") for f in FORMATS]


@router.post("/drawings/{id}/files/{word}/look", response_class=StreamingResponse, responses={200: {"model": LookLine}})
def look_at_file(request: Request, id: UUID, word: Word, asked: FileAsked) -> Any:
    """A file as it would be written, and what came of reading it back: in lines, the last with the result."""
    service = service_of(request)
    form, state = _format(word), service.state(id)

    def work(progress: Progress) -> FileLook:
        made = _written(service, state, form, asked, progress)
        return _look(state, form, asked, made)

    return in_lines(LookLine, work)


@router.post("/drawings/{id}/files/{word}", response_class=Response)
def get_file(request: Request, id: UUID, word: Word, asked: FileAsked) -> Response:
    """The file itself."""
    service = service_of(request)
    form, state = _format(word), service.state(id)
    made = _written(service, state, form, asked, None, check=False)
    headers = {
        "Content-Disposition": f"attachment; filename*=UTF-8''{quote(_name(state, form))}", "Cache-Control": "no-store"
    }  # fmt: skip
    return Response(made.data, media_type=form.media, headers=headers)


@router.post("/drawings/{id}/cut", response_class=HTMLResponse)
def get_cut(request: Request, id: UUID, asked: FileAsked) -> str:
    """What the stand-in for a cutter cuts of the tool path, and where that differs from the drawing."""
    service = service_of(request)
    state = service.state(id)
    made = _written(service, state, BY_WORD["nc"], asked, None, check=False)
    return cut_page(_cut(state, asked, made), state.book.header.manner.unit, state.name)


@router.post("/files/read", response_class=StreamingResponse, responses={200: {"model": FoundLine}})
async def read_file(
    request: Request, name: FileName, drawing: UUID | None = None, unit: Annotated[str, Query(max_length=4)] = "",
    x: Column = None, y: Column = None, label: Column = None,
) -> Any:  # fmt: skip
    """What a file holds, sent as it is, and what taking it into a drawing (or making one of it) would write. The columns and the
    unit are those of a CSV, where they are other than they seem."""
    content = bytearray()
    async for chunk in request.stream():
        content += chunk
        if len(content) > MOST_BYTES:
            raise too_large(len(content))
    service = service_of(request)
    state = await run_in_threadpool(service.state, drawing) if drawing is not None else None
    columns = Columns(x, y, label) if x is not None and y is not None else None
    data = bytes(content)

    def work(progress: Progress) -> FileFound:
        progress(0, 1)
        return _found(name, data, columns, unit, state)

    return in_lines(FoundLine, work)


def _format(word: str) -> Format:
    form = BY_WORD.get(word)
    if form is None or form.word == "kent":
        raise refuse("no_format", name=word, endings=[one.word for one in FORMATS if one.word != "kent"])
    return form


def _options(asked: FileAsked) -> Options:
    choice = Choice(tuple(asked.figures), tuple(asked.names), tuple(asked.pens), asked.construction)
    side = asked.side if asked.tool > 0.0 else "on"
    tool = Tool(asked.tool, side, asked.feed, "in" if asked.inch else "mm")
    return Options(choice, asked.decimals, asked.content, tool, asked.within)


def _written(
    service: Service, state: State, form: Format, asked: FileAsked, progress: Progress | None, check: bool = True
) -> Written:
    if form.word == "csv" and asked.content == "readings":
        # What is worked out about a book is kept with it, one at a time.
        with service.reading(state.id):
            return written(state.book, form, state.name, _options(asked), progress, check)
    return written(state.book, form, state.name, _options(asked), progress, check)


def _name(state: State, form: Format) -> str:
    return f"{state.name}.{form.endings[0]}"


def _look(state: State, form: Format, asked: FileAsked, made: Written) -> FileLook:
    unit = state.book.header.manner.unit
    back = made.back
    shown = _shown(state, form, asked, made)
    worst: list[TouchingView] = []
    said, good, enough = "", True, None
    if back is not None:
        good, enough = back.good, back.enough
        told = [one for one in back.worst if one.gap > 0.0]
        worst = [TouchingView(names=one.names, how=one.how, gap=f"{plain(one.gap, 9)} {unit}") for one in told]
        said = "; ".join(back.missing) or _told(back.touchings, back.closed, back.gap, back.deviation or 0.0, unit, back.more)
    return FileLook(
        name=_name(state, form),
        size=len(made.data),
        count=made.count,
        picture=shown,
        left_out=made.left_out,
        good=good,
        said=said,
        worst=worst if not good else [],
        enough=enough,
    )


def _shown(state: State, form: Format, asked: FileAsked, made: Written) -> str:
    """A picture of what is written: of a tool path as it is cut."""
    if form.word == "csv":
        return _picture([one.figure for one in found_in("a.csv", made.data).figures]) if asked.content == "points" else ""
    if form.word == "nc" and made.back is not None and made.back.deviation is not None:
        return cut_svg(_cut(state, asked, made))
    return _picture([item.figure for item in items_of(state.book, _options(asked).choice)])


def _cut(state: State, asked: FileAsked, made: Written) -> Run:
    """What the stand-in cuts of a tool path."""
    options = _options(asked)
    assert options.tool is not None
    unit = state.book.header.manner.unit
    cuts, _ = cuts_of(items_of(state.book, options.choice), options.tool)
    return run_program(read_program(made.data), cuts, options.tool, unit, options.wanted or convert(WANTED, "mm", unit))


def _told(touchings: int, closed: int, gap: float, off: float, unit: str, more: bool) -> str:
    """What came of reading back, in a sentence."""
    count = f"{touchings}{' and more' if more else ''} {'touching' if touchings == 1 else 'touchings'}"
    apart = "still exact" if gap < _EXACTLY else f"at most {plain(gap, 9)} {unit} apart"
    touch = f"{count}, {apart}" if touchings else "nothing touched"
    outlines = f"; {closed} closed outline{'s' if closed != 1 else ''}" if closed else ""
    places = "Every place came back" if off < _EXACTLY else f"No place is off by more than {plain(off, 9)} {unit}"
    return f"Read back: {touch}{outlines}. {places}."


def _picture(figures: list[Figure]) -> str:
    """A picture of figures; of very many the first few thousand."""
    seen = [figure for figure in figures[:_MOST_SHOWN] if not isinstance(figure, EndlessLine)]
    if not seen:
        return ""
    box = box_around(seen)
    size = max(box[2] - box[0], box[3] - box[1]) or 1.0
    # A point is a small ring: as large as it can be seen, whatever the unit.
    drawn = [Circle(one, size * _DOT) if isinstance(one, Point) else one for one in seen]
    return picture([Styled(one, width=size * 0.004) for one in drawn], margin=size * 0.04, pixels=600.0 / size, box=box)


def _found(name: str, data: bytes, columns: Columns | None, unit: str, state: State | None) -> FileFound:
    form = format_of(name)
    book = state.book if state is not None else None
    into = book.header.manner.unit if book is not None else ""
    sheet = sheet_of(data) if form.word == "csv" else None
    if sheet is not None and not unit:
        # What says no unit is in that of the drawing.
        unit = sheet.unit or into
    if unit and unit not in MILLIMETRES:
        raise refuse("bad_file", why=f"{unit} is no unit of length", where="")
    found = found_in(name, data, columns, unit)
    box = found.box
    lot = PurePath(name).stem
    return FileFound(
        counts=found.counts(),
        unit=found.unit,
        extents=[box[2] - box[0], box[3] - box[1]] if box is not None else [],
        picture=_picture([one.figure for one in found.figures]),
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
