"""Tables and schedules on a sheet: rows of words, ruled."""

from collections.abc import Sequence
from dataclasses import dataclass

from ..book.book import Book
from ..book.kinds.comparing import compares
from ..book.names import key_of
from ..book.on_paper import PointTable, Schedule
from ..book.tree import Name
from ..checks.verdict import verdict
from ..figures import Point
from ..language.limit_words import in_one_line, scale_of
from .letters import width_of
from .marks import Lettering, Mark, box
from .style import Style
from .tables import Row, rows_of, title_of

Spot = tuple[float, float]
_LINE, _PAD = 2.2, 0.8
"""The height of a row, and what is free beside its words, by the height of the lettering."""
_READING_HEADS = ["reading", "of", "value", "wanted", "verdict"]


@dataclass(frozen=True, slots=True)
class PlacedTable:
    """Where a table or a schedule lies on its sheet: its step, and its box: left, bottom, right, top."""

    id: str
    box: tuple[float, float, float, float]


def table_on_page(
    book: Book, step: str, table: PointTable | Schedule, corner: Spot, style: Style
) -> tuple[list[Mark], PlacedTable]:
    """A table with its upper left corner where it was put, or its upper right one in a corner of the sheet."""
    if isinstance(table, PointTable):
        heads, rows = rows_of(table, book.header, edge_names(book, step))
        title, worded = title_of(table, book.steps[step].name), [1]
    elif table.readings:
        heads, rows = _of_readings(book, step, table)
        title, worded = table.title, [0, 1, 3, 4]
    else:
        heads, rows = list(table.heads), [list(row) for row in table.rows]
        title, worded = table.title, list(range(max(map(len, [heads, *rows]))))
    marks, where = _ruled(title, heads, rows, worded, table.at, corner, style)
    return marks, PlacedTable(step, where)


def _of_readings(book: Book, step: str, schedule: Schedule) -> tuple[Row, list[Row]]:
    """A row for each reading: its name, what it is of, its value, and where one is wanted what it should be."""
    rows: list[Row] = []
    for name, reading in schedule.readings:
        value, wanted = scale_of(reading, book.header).value(reading.value), in_one_line(reading, book.header)
        said = {"none": "", "close": "within, close"}.get(found := verdict(reading, book.header), found)
        rows.append([name, _of(book, step, name), value, wanted, said])
    width = 5 if any(reading.wanted is not None for _, reading in schedule.readings) else 3
    heads = list(schedule.heads) or _READING_HEADS
    return (heads + [""] * width)[:width], [row[:width] for row in rows]


def _of(book: Book, step: str, name: str) -> str:
    """What a reading is of, as it is written."""
    measured = book.find(key_of(name), book.position(step))
    if measured is None:
        return ""
    text, givens = measured.statement.text, measured.statement.givens
    return " ".join(text[g.start : g.end].strip(" ;") for g in givens if not compares(g.word) and g.word != "at")


def _ruled(
    title: str, heads: Row, rows: Sequence[Row], worded: Sequence[int], put: Spot | None, corner: Spot, style: Style
) -> tuple[list[Mark], tuple[float, float, float, float]]:
    """Rows under heads, with a title over them; the columns that are ``worded`` begin at their left, numbers end at their right.
    Without heads nothing is ruled."""
    h = style.height
    all_rows = [heads, *rows] if heads else list(rows)
    count = max(map(len, all_rows))
    full = [[*row, *[""] * (count - len(row))] for row in all_rows]
    widths = [
        max(width_of(row[n], h, strong=bool(heads) and k == 0) for k, row in enumerate(full)) + 2.0 * _PAD * h
        for n in range(count)
    ]
    line = _LINE * h
    over = line if title else 0.0
    wide = max(sum(widths), width_of(title, h, strong=True) + 2.0 * _PAD * h)
    widths[-1] += wide - sum(widths)
    high = line * len(full) + over
    x, y = put if put is not None else (corner[0] - wide, corner[1])
    marks: list[Mark] = []
    if title:
        marks.append(Lettering(title, Point(x + _PAD * h, y - line + 0.6 * h), h, strong=True))
    top = y - over
    if heads:
        marks += box(x, y - high, wide, high - over, style.wide)
    for n, row in enumerate(full):
        foot = top - (n + 1) * line
        if heads:
            marks += box(x, foot, wide, line, style.narrow)
        left = x
        for k, (words, width) in enumerate(zip(row, widths, strict=True)):
            is_head = bool(heads) and n == 0
            begins = is_head or k in worded
            at = Point(left + _PAD * h if begins else left + width - _PAD * h, foot + 0.6 * h)
            if words:
                marks.append(Lettering(words, at, h, anchor="start" if begins else "end", strong=is_head))
            left += width
    left = x
    for width in widths[:-1] if heads else ():
        left += width
        marks += box(left, y - high, 0.0, high - over, style.narrow)[1:2]
    return marks, (x, y - high, x + wide, y)


def edge_names(book: Book, step: str) -> list[str]:
    """The names of the edges from which a table counts, as they are written."""
    statement = book.steps[step].statement
    given = next((g for g in statement.givens if g.word == "edges"), None)
    return [statement.text[one.start : one.end] for one in given.arguments if isinstance(one, Name)] if given is not None else []
