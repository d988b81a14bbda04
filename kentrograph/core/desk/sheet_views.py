"""Sheets and setting-out tables as a table is shown them."""

from dataclasses import dataclass

from ..book.book import Book
from ..book.on_paper import Sheet
from ..book.papers import PAPERS, scale_words, scales_for
from ..sheet.of_book import tables_of
from ..sheet.page import Page, sheets_of
from ..sheet.page_tables import edge_names
from ..sheet.tables import ordered, rows_of, title_of
from ..sheet.tiles import tiles


@dataclass(frozen=True, slots=True)
class TableRow:
    """A row of a setting-out table in words, and where its place lies."""

    words: list[str]
    at: list[float]


@dataclass(frozen=True, slots=True)
class TableView:
    """A setting-out table: its step and name, its title with from where it counts, its heads, a row for each place."""

    id: str
    name: str
    title: str
    heads: list[str]
    rows: list[TableRow]


def table_views(book: Book) -> list[TableView]:
    """The setting-out tables that can be worked out, in the order of the book."""
    found: list[TableView] = []
    for id, table in tables_of(book).items():
        heads, rows = rows_of(table, book.header, edge_names(book, id))
        places = [[place.at.x, place.at.y] for place in ordered(table)]
        shown = [TableRow(words, at) for words, at in zip(rows, places, strict=True)]
        found.append(TableView(id, book.steps[id].name, title_of(table, ""), heads, shown))
    return found


@dataclass(frozen=True, slots=True)
class PlacedPart:
    """A view or a table where it lies on its sheet: its step (none for the view that a sheet has unasked), the box of it in mm,
    left, bottom, right, top, and the scale, as it is written, of a view."""

    id: str | None
    name: str
    box: list[float]
    scale: str
    fixed: bool
    """Whether its scale is stated, and not found."""
    at: list[float]
    """The place by which it is put on the sheet: of a view its middle, of a table its upper left corner, in mm."""


@dataclass(frozen=True, slots=True)
class FieldView:
    """A field of the title block, and its box in mm: left, bottom, width, height."""

    word: str
    label: str
    words: str
    box: list[float]


@dataclass(frozen=True, slots=True, kw_only=True)
class SheetView:
    """A sheet: which of how many, its step (none where the drawing has no sheet yet), its size in mm, its picture, what is on it.

    ``names`` are those of all sheets; ``papers`` and ``scales`` what can be chosen; ``missing`` what could not be shown.
    """

    number: int
    names: list[str]
    id: str | None
    paper: str
    lies: str
    width: float
    height: float
    svg: str
    views: list[PlacedPart]
    tables: list[PlacedPart]
    fields: list[FieldView]
    papers: list[str]
    scales: list[str]
    missing: list[str]
    pages: int
    """On how many pages of A4 it comes."""


def sheet_view(book: Book, number: int, page: Page, svg: str) -> SheetView:
    """A page as it is shown; ``svg`` is its picture."""
    sheets = sheets_of(book)
    value = book.values[page.id].figure if page.id else None  # type: ignore[union-attr]
    return SheetView(
        number=number,
        names=[book.steps[id].name for id, _ in sheets],
        id=page.id or None,
        paper=value.paper if isinstance(value, Sheet) else "a4",
        lies="landscape" if page.width >= page.height else "portrait",
        width=page.width,
        height=page.height,
        svg=svg,
        views=[
            PlacedPart(
                one.id or None,
                _name(book, one.id),
                list(one.box),
                scale_words(one.scale),
                _says(book, one.id, "scale"),
                [(one.box[0] + one.box[2]) / 2.0, (one.box[1] + one.box[3]) / 2.0],
            )
            for one in page.views
        ],
        tables=[
            PlacedPart(one.id, _name(book, one.id), list(one.box), "", False, [one.box[0], one.box[3]]) for one in page.tables
        ],
        fields=[FieldView(f.word, f.label, f.words, [f.x, f.y, f.width, f.height]) for f in page.fields],
        papers=list(PAPERS),
        scales=[scale_words(scale) for scale in scales_for(book.header.manner.unit)],
        missing=list(page.missing),
        pages=sum(1 for _ in tiles(page, PAPERS["a4"])),
    )


def _name(book: Book, id: str) -> str:
    return book.steps[id].name if id else ""


def _says(book: Book, id: str, word: str) -> bool:
    return bool(id) and any(given.word == word for given in book.steps[id].statement.givens)
