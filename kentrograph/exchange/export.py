"""A drawing handed over, from the command line or the server: its sheets as PDF or PNG, its setting-out tables as CSV."""

from ..core.book.book import Book
from ..core.book.papers import PAPERS
from ..core.problem import refusal
from ..core.sheet.of_book import tables_of
from ..core.sheet.page import Facts, Page, page_of, sheets_of
from ..core.sheet.page_tables import edge_names
from ..core.sheet.tables import heads_in_file, rows_of
from .csv_text import csv_text
from .pdf import Progress, sheets_pdf
from .png import page_png

FORMATS = ("pdf", "png", "csv")


def pages_of(book: Book, facts: Facts, sheet: int | None = None) -> list[Page]:
    """All sheets of a drawing, or one by its number. Raises `Refused` (no_such_sheet)."""
    count = max(1, len(sheets_of(book)))
    if sheet is not None and not 1 <= sheet <= count:
        raise refusal("no_such_sheet", number=sheet, count=count)
    return [page_of(book, number, facts) for number in ([sheet] if sheet is not None else range(1, count + 1))]


def as_pdf(
    book: Book, facts: Facts, sheet: int | None = None, progress: Progress | None = None, paper: str | None = None
) -> bytes:
    """The sheets of a drawing, each a page; on ``paper`` of a size, those that are larger on several. Raises `Refused`."""
    tile = PAPERS[paper] if paper is not None else None
    return sheets_pdf(pages_of(book, facts, sheet), facts.title, facts.author, progress, tile)


def as_png(book: Book, facts: Facts, sheet: int = 1, dots: float = 150.0) -> bytes:
    """One sheet as a picture with so many dots to the inch. Raises `Refused`."""
    return page_png(as_pdf(book, facts, sheet), 1, dots)


def as_csv(book: Book, table: str | None = None) -> str:
    """The setting-out tables of a drawing, or the one of a step, by RFC 4180: heads first, tables apart by an empty line."""
    tables: list[list[list[str]]] = []
    for id, one in tables_of(book).items():
        if table in (None, id):
            heads, rows = rows_of(one, book.header, edge_names(book, id))
            tables.append([heads_in_file(one, heads, book.header), *rows])
    if not tables:
        raise refusal("no_table")
    return csv_text(*tables)
