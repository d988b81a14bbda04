"""A sheet, laid out: border, title block, views at their scales, tables. What stands on it is stated by the steps of the book."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field

from ..book.book import Book
from ..book.names import key_of
from ..book.on_paper import PointTable, Schedule, Sheet, View
from ..book.papers import scale_words
from ..figures.box import boxes_meet
from .border import border, drawing_space
from .marks import Mark
from .of_book import note_of, on_paper
from .page_tables import PlacedTable, table_on_page
from .page_views import CLEAR, PlacedView, ShownViews, views_on_page
from .signs import spelled
from .style import Style, style_for
from .title_block import WIDTH, FieldBox, height_of, title_block


@dataclass(frozen=True, slots=True)
class Facts:
    """What is known of a drawing besides its book: what fills the fields of a title block that nobody has filled.

    Its revision and its date of issue are for a person to say: they are empty until somebody writes them.
    """

    title: str = ""
    author: str = ""
    mark: bytes = b""


@dataclass(frozen=True, slots=True)
class Page:
    """A sheet as it is drawn, and where what lies on it can be taken hold of; ``missing`` is what did not fit, in words."""

    id: str
    name: str
    width: float
    height: float
    marks: tuple[Mark, ...]
    views: tuple[PlacedView, ...]
    tables: tuple[PlacedTable, ...]
    fields: tuple[FieldBox, ...]
    missing: tuple[str, ...] = field(default=())


def sheets_of(book: Book) -> list[tuple[str, Sheet]]:
    """The sheets of a drawing by the ids of their steps, in order."""
    return [(id, value) for id, value in on_paper(book) if isinstance(value, Sheet)]


def page_of(book: Book, number: int = 1, facts: Facts | None = None) -> Page:
    """The sheet with a number, from 1. A drawing without a sheet has one all the same: A4, lying."""
    facts = facts or Facts()
    sheets = sheets_of(book) or [("", Sheet("a4", 297.0, 210.0))]
    id, sheet = sheets[number - 1]
    style = style_for(sheet.width, sheet.height)
    views, tables = _on_sheet(book, id)
    fields = _fields(book, sheet, facts)
    space = _space(sheet, fields)
    lying, table_marks, missing = _lie(book, sheet, tables, space, style)
    standing = [one.box for one, (_, table) in zip(lying, tables, strict=True) if table.at is None]
    shown = views_on_page(book, views, space, standing, style)
    in_the_way = _over_others(book, shown, lying, drawing_space(sheet.width, sheet.height), space[1] - CLEAR)
    placed, missing = shown.placed, [*missing, *shown.missing, *in_the_way, *_said_of_it(book)]
    marks: list[Mark] = [*border(sheet.width, sheet.height, WIDTH), *shown.marks, *table_marks]
    others = dict.fromkeys(scale_words(one.scale) for one in placed[1:] if one.scale != placed[0].scale)
    fields["scale"] = " ".join([scale_words(placed[0].scale), *(f"({one})" for one in others)]) if placed else ""
    fields["unit"] = book.header.manner.unit
    fields["sheet"] = f"{number} of {len(sheets)}"
    block, boxes = title_block(sheet.width, sheet.height, fields, facts.mark)
    name = book.steps[id].name if id else ""
    drawn_marks = tuple(spelled([*marks, *block]))
    held = tuple(placed), tuple(lying), tuple(boxes), tuple(missing)
    return Page(id, name, sheet.width, sheet.height, drawn_marks, *held)


def _fields(book: Book, sheet: Sheet, facts: Facts) -> dict[str, str]:
    known = {"title": facts.title, "author": facts.author}
    return {**{word: words for word, words in known.items() if words}, **dict(sheet.fields)}


def _on_sheet(book: Book, sheet: str) -> tuple[list[tuple[str, View]], list[tuple[str, PointTable | Schedule]]]:
    """The views and the tables that stand on a sheet: those that name it, and those that name none and come behind it. A sheet
    on which no view stands shows the whole drawing."""
    key = key_of(book.steps[sheet].name) if sheet else ""
    # What comes before the first sheet stands on that.
    last = next((key_of(book.steps[id].name) for id, _ in sheets_of(book)), "")
    views: list[tuple[str, View]] = []
    tables: list[tuple[str, PointTable | Schedule]] = []
    for id, held in on_paper(book):
        if isinstance(held, Sheet):
            last = key_of(book.steps[id].name)
        elif isinstance(held, View) and (held.sheet or last) == key:
            views.append((id, held))
        elif isinstance(held, PointTable | Schedule) and (held.sheet or last) == key:
            tables.append((id, held))
    return views or [("", View(""))], tables


def _lie(
    book: Book, sheet: Sheet, tables: Sequence[tuple[str, PointTable | Schedule]], space: tuple[float, float, float, float],
    style: Style,
) -> tuple[list[PlacedTable], list[Mark], list[str]]:  # fmt: skip
    """The tables, each where it was put or under the one before it at the right edge; and what reaches past the paper."""
    lying: list[PlacedTable] = []
    marks: list[Mark] = []
    missing: list[str] = []
    top = space[3]
    for step, table in tables:
        drawn, where = table_on_page(book, step, table, (space[2], top), style)
        marks += drawn
        lying.append(where)
        top = where.box[1] - CLEAR if table.at is None else top
        if not _on_paper(where.box, sheet):
            missing.append(f"{book.steps[step].name}: it reaches past the edge of the sheet")
    return lying, marks, missing


def _said_of_it(book: Book) -> Iterator[str]:
    """What a person should know of what stands on paper: that it has lost something, or says what is not drawn."""
    for id, _ in on_paper(book):
        if note := note_of(book, id):
            yield f"{book.steps[id].name}: {note}"


def _over_others(
    book: Book, shown: ShownViews, tables: Sequence[PlacedTable], frame: tuple[float, float, float, float], block: float
) -> list[str]:
    """What of the views lies where it cannot be read: through the frame, over the title block, which is so high, over one another
    or a table."""
    found: list[str] = []
    names = [book.steps[one.id].name if one.id else "the drawing" for one in shown.placed]
    named = list(zip(names, shown.around, strict=True))
    for n, (name, around) in enumerate(named):
        if around[0] < frame[0] or around[1] < frame[1] or around[2] > frame[2] or around[3] > frame[3]:
            found.append(f"{name} reaches past the frame of the sheet")
        elif around[2] > frame[2] - WIDTH and around[1] < block:
            found.append(f"{name} lies over the title block")
        found += [f"{name} lies over {other}" for other, box in named[:n] if boxes_meet(around, box)]
        found += [f"{name} lies over {book.steps[one.id].name}" for one in tables if boxes_meet(around, one.box)]
    return found


def _on_paper(box: tuple[float, float, float, float], sheet: Sheet) -> bool:
    return box[0] >= 0.0 and box[1] >= 0.0 and box[2] <= sheet.width and box[3] <= sheet.height


def _space(sheet: Sheet, fields: dict[str, str]) -> tuple[float, float, float, float]:
    """Where views lie: within the frame, over the title block."""
    left, bottom, right, top = drawing_space(sheet.width, sheet.height)
    return left + CLEAR, bottom + height_of(fields) + CLEAR, right - CLEAR, top - CLEAR
