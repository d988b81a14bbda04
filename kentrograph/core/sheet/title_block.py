"""The title block: the data of a drawing, in fields. Source: ISO 7200: 2004, which fields and 180 mm wide, from memory."""

from collections.abc import Mapping
from dataclasses import dataclass

from ..figures import Point
from .border import drawing_space
from .letters import known, lines_of, shortened
from .marks import Lettering, Mark, Picture, box

WIDTH, HEIGHT = 180.0, 36.0
_LABEL, _VALUE, _TITLE = 1.8, 2.5, 5.0
_THIN, _WIDE = 0.25, 0.5
_PAD = 1.5
_ROW = 9.0
"""Height of a row of one's own fields, over the block."""


@dataclass(frozen=True, slots=True)
class Cell:
    """A field: its word, its label, and its box from the lower left corner of the block."""

    word: str
    label: str
    x: float
    y: float
    width: float
    height: float


CELLS = (
    Cell("owner", "Owner", 0.0, 18.0, 52.0, 18.0),
    Cell("department", "Department", 0.0, 9.0, 52.0, 9.0),
    Cell("reference", "Reference", 0.0, 0.0, 52.0, 9.0),
    Cell("title", "Title", 52.0, 18.0, 84.0, 18.0),
    Cell("author", "Drawn by", 52.0, 9.0, 42.0, 9.0),
    Cell("approved", "Approved by", 94.0, 9.0, 42.0, 9.0),
    Cell("date", "Date of issue", 52.0, 0.0, 28.0, 9.0),
    Cell("scale", "Scale", 80.0, 0.0, 28.0, 9.0),
    Cell("unit", "Lengths in", 108.0, 0.0, 28.0, 9.0),
    Cell("number", "Number", 136.0, 27.0, 44.0, 9.0),
    Cell("document", "Document", 136.0, 18.0, 44.0, 9.0),
    Cell("revision", "Revision", 136.0, 9.0, 20.0, 9.0),
    Cell("sheet", "Sheet", 156.0, 9.0, 24.0, 9.0),
    Cell("status", "Status", 136.0, 0.0, 44.0, 9.0),
)
_HAVE_CELLS = frozenset(cell.word for cell in CELLS) | {"subtitle"}


@dataclass(frozen=True, slots=True)
class FieldBox:
    """Where a field lies on the sheet: its word, what stands in it, and its box: left, bottom, width, height."""

    word: str
    label: str
    words: str
    x: float
    y: float
    width: float
    height: float


def title_block(width: float, height: float, fields: Mapping[str, str], mark: bytes = b"") -> tuple[list[Mark], list[FieldBox]]:
    """The block in the lower right corner of a sheet, with rows over it for fields that have no cell; and where each lies."""
    _, bottom, right, _ = drawing_space(width, height)
    left = right - WIDTH
    boxes = [FieldBox(c.word, c.label, fields.get(c.word, ""), left + c.x, bottom + c.y, c.width, c.height) for c in CELLS]
    own = [word for word in fields if word not in _HAVE_CELLS]
    for n, word in enumerate(own):
        wide = WIDTH / 2.0
        label = word[:1].upper() + word[1:]
        boxes.append(FieldBox(word, label, fields[word], left + n % 2 * wide, bottom + HEIGHT + n // 2 * _ROW, wide, _ROW))
    marks = box(left, bottom, WIDTH, height_of(fields), _WIDE)
    for one in boxes:
        marks += box(one.x, one.y, one.width, one.height, _THIN)
        marks.append(Lettering(one.label, Point(one.x + _PAD, one.y + one.height - _LABEL - 1.0), _LABEL))
        marks += _value(one, fields, mark)
    return marks, boxes


def height_of(fields: Mapping[str, str]) -> float:
    """How high the block is with the rows of one's own fields."""
    own = sum(word not in _HAVE_CELLS for word in fields)
    return HEIGHT + (own + 1) // 2 * _ROW


def _value(one: FieldBox, fields: Mapping[str, str], mark: bytes) -> list[Mark]:
    room = one.width - 2.0 * _PAD
    words = known(one.words)
    if one.word == "title":
        marks: list[Mark] = []
        lines = lines_of(words, _TITLE, room, True)
        size = _TITLE
        if len(lines) > 1 or not lines:
            size = 0.7 * _TITLE
            lines = lines_of(words, size, room, True)[:2]
        y = one.y + one.height - _LABEL - 2.5 - size
        for line in lines:
            marks.append(Lettering(shortened(line, size, room, True), Point(one.x + _PAD, y), size, strong=True))
            y -= 1.4 * size
        subtitle = shortened(known(fields.get("subtitle", "")), _VALUE, room)
        return [*marks, Lettering(subtitle, Point(one.x + _PAD, one.y + _PAD), _VALUE)] if subtitle else marks
    foot = one.y + _PAD + 0.3
    if one.word == "owner":
        marks = []
        if mark:
            marks.append(Picture(mark, Point(one.x + _PAD, one.y + _PAD), 11.0, 11.0))
            room -= 13.0
        x = one.x + _PAD + (13.0 if mark else 0.0)
        lines = lines_of(words, _VALUE, room)[:3]
        for n, line in enumerate(lines):
            y = foot + (len(lines) - 1 - n) * 1.5 * _VALUE
            marks.append(Lettering(shortened(line, _VALUE, room), Point(x, y), _VALUE))
        return marks
    strong = one.word in ("number", "revision")
    size = _VALUE * 1.2 if strong else _VALUE
    said = shortened(words, size, room, strong)
    return [Lettering(said, Point(one.x + _PAD, foot), size, strong=strong)] if said else []
