"""Points from CSV (RFC 4180): with names or without, in any order of columns, with heads or without.

Heads say which column is which; without them the first two columns of numbers are x and y, and a column of words, or one of whole
numbers in front of them, holds the names. What a file of other habits has (semicolons, tabs, a decimal comma) is read and said.
"""

import csv
import re
from collections.abc import Sequence
from dataclasses import dataclass
from io import StringIO
from itertools import islice

from ...core.figures import Point
from ...core.problem import Refused
from ...core.units import MILLIMETRES
from .found import MOST_FIGURES, Found, bad_file, finite

_X = frozenset(("x", "across", "e", "east", "easting", "x coordinate"))
_Y = frozenset(("y", "up", "n", "north", "northing", "y coordinate"))
_NAME = frozenset(("name", "number", "point", "id", "no", "no.", "nr", "label", "place"))
_HEAD = re.compile(r"^\s*(.*?)\s*(?:[,(\[]\s*([a-zA-Z]+)\s*[)\]]?)?\s*$")
_MOST_COLUMNS = 200
_SHOWN = 12
_LOOKED_AT = 50_000
"""So many characters tell the habits of a file."""


@dataclass(frozen=True, slots=True)
class Columns:
    """Which column holds what, from 0; ``name`` None where the points have none."""

    x: int
    y: int
    name: int | None = None


@dataclass(frozen=True, slots=True)
class Sheet:
    """A file as rows of cells, before columns are assigned: what is shown while choosing."""

    heads: list[str]
    rows: list[list[str]]
    columns: Columns | None
    """What the columns seem to hold; None where that is not plain."""
    unit: str
    notes: list[str]
    decimal_comma: bool = False

    @property
    def first(self) -> list[list[str]]:
        """Its first rows."""
        return self.rows[:_SHOWN]


def sheet_of(data: bytes) -> Sheet:
    """The rows of a file, with what its columns seem to hold. Raises `Refused` (bad_file)."""
    notes: list[str] = []
    text = _text_of(data, notes)
    mark, comma = _habits(text, notes)
    try:
        read = csv.reader(StringIO(text, newline=""), delimiter=mark, strict=True)
        rows = [row for row in islice(read, MOST_FIGURES + 2) if any(cell.strip() for cell in row)]
    except csv.Error as error:
        raise bad_file(f"it is no CSV: {error}") from None
    if not rows:
        raise bad_file("it has no rows")
    if len(rows) > MOST_FIGURES + 1:
        raise bad_file(f"it has more than {MOST_FIGURES:,} rows")
    if max(map(len, rows)) > _MOST_COLUMNS:
        raise bad_file(f"it has more than {_MOST_COLUMNS} columns")
    heads: list[str] = []
    if not any(_is_number(cell, comma) for cell in rows[0]):
        heads, rows = rows[0], rows[1:]
    columns, unit = _columns(heads, rows, comma)
    return Sheet(heads, rows, columns, unit, notes, comma)


def read_csv(data: bytes, columns: Columns | None = None, unit: str = "") -> Found:
    """The points of a file; ``columns`` and ``unit`` where they are other than they seem. Raises `Refused` (bad_file)."""
    sheet = sheet_of(data)
    chosen = columns or sheet.columns
    if chosen is None:
        raise bad_file("it has no two columns of numbers")
    found = Found(unit or sheet.unit or "mm")
    found.notes += sheet.notes
    for number, row in enumerate(sheet.rows, 2 if sheet.heads else 1):
        where = f"row {number}"
        try:
            x, y = (finite(_plain(row[n], sheet.decimal_comma), where) for n in (chosen.x, chosen.y))
        except (IndexError, Refused):
            found.leave_out("row", "it has no two numbers where x and y should be", where)
            continue
        name = row[chosen.name].strip() if chosen.name is not None and chosen.name < len(row) else ""
        found.add(Point(x, y), name, where=where)
    return found


def _text_of(data: bytes, notes: list[str]) -> str:
    """A file as text: in UTF-8, in UTF-16 where it begins with the mark of that or every other byte is 0, else in Latin-1."""
    head = data[:200]
    if head[:2] in (b"\xff\xfe", b"\xfe\xff"):
        coding = "utf-16"
    elif len(head) > 3 and not any(head[1::2]):
        coding = "utf-16-le"
    elif len(head) > 3 and not any(head[::2]):
        coding = "utf-16-be"
    else:
        try:
            return data.decode("utf-8-sig")
        except UnicodeDecodeError:
            return data.decode("latin-1")
    notes.append("it is written in UTF-16")
    try:
        return data.decode(coding)
    except UnicodeDecodeError:
        raise bad_file("it begins as UTF-16 and is none: it may have been cut off") from None


_MARKS = {"\t": "tabs", ";": "semicolons", "|": "upright strokes"}
_GROUPED = re.compile(r"[-+]?\d{1,3}([,.' \u00a0\u202f\u2019])\d{3}(?:\1\d{3})*(?:([.,])\d+)?")
"""A number in groups of three digits: what stands between them, and the mark of its decimals."""


def _habits(text: str, notes: list[str]) -> tuple[str, bool]:
    """What stands between cells, and whether a comma stands in numbers."""
    lines = [line for line in text[:_LOOKED_AT].splitlines()[:50] if line.strip()]
    first = lines[0] if lines else ""
    mark = next((mark for mark in _MARKS if mark in first and first.count(mark) >= first.count(",")), ",")
    cells = [cell.strip(' "') for line in lines for cell in (next(csv.reader([line])) if mark == "," else line.split(mark))]
    # Digits in groups and a decimal mark say which is which; a group alone may be either, and is taken as decimals.
    grouped = [found for cell in cells if (found := _GROUPED.fullmatch(cell)) and (found[2] or found[1] not in ",.")]
    if grouped:
        notes.append(f"its numbers have {grouped[0][1]!r} between thousands")
    if mark != ",":
        notes.append(f"its cells are parted by {_MARKS[mark]}, not by commas")
    pointed = any(re.fullmatch(r"[-+]?[\d,' \u00a0\u202f\u2019]*\.\d+", cell) for cell in cells)
    comma = any(re.fullmatch(r"[-+]?[\d.' \u00a0\u202f\u2019]*,\d+", cell) for cell in cells) and not pointed
    if comma:
        notes.append("its numbers have a decimal comma")
    return mark, comma


def _plain(cell: str, comma: bool) -> str:
    cell = cell.strip().replace("\u2212", "-")
    grouped = _GROUPED.fullmatch(cell)
    if grouped is not None and grouped[1] != ("," if comma else "."):
        cell = cell.replace(grouped[1], "")
    return cell.replace(",", ".") if comma else cell


def _is_number(cell: str, comma: bool) -> bool:
    return re.fullmatch(r"[-+]?(\d+\.?\d*|\.\d+)([eE][-+]?\d{1,3})?", _plain(cell, comma)) is not None


def _columns(heads: Sequence[str], rows: Sequence[Sequence[str]], comma: bool) -> tuple[Columns | None, str]:
    """What the columns seem to hold, and the unit that a head says."""
    said: dict[str, int] = {}
    unit = ""
    for n, head in enumerate(heads):
        match = _HEAD.match(head)
        word, of = (match[1].lower(), (match[2] or "").lower()) if match else (head.lower(), "")
        # "x from the datum, mm": what stands behind "from" explains the column and does not name it.
        word = word.partition(" from ")[0]
        kind = "x" if word in _X else "y" if word in _Y else "name" if word in _NAME else ""
        if kind and kind not in said:
            said[kind] = n
            unit = unit or (of if of in MILLIMETRES else "")
    sample = rows[:50]
    width = max((len(row) for row in sample), default=0)
    # A cell here and there may be empty or spoilt.
    told = {n: sum(n < len(row) and _is_number(row[n], comma) for row in sample) for n in range(width)}
    numeric = [n for n, count in told.items() if 2 * count > len(sample)]
    if "x" in said and "y" in said:
        return Columns(said["x"], said["y"], said.get("name")), unit
    names = next((n for n in range(width) if n not in numeric), None)
    if len(numeric) >= 3 and names is None and _counts(sample, numeric[0]):
        # A number in front of each row is no coordinate.
        names, numeric = numeric[0], numeric[1:]
    if len(numeric) < 2:
        return None, unit
    return Columns(numeric[0], numeric[1], names), unit


def _counts(rows: Sequence[Sequence[str]], column: int) -> bool:
    first = rows[0][column].strip()
    return first.isdigit() and all(row[column].strip() == str(n + int(first)) for n, row in enumerate(rows))
