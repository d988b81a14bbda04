"""A drawing as IGES 5.3 (entities 100, 102, 104, 110, 116, 124 and, for groups, 402 form 7), in the plane z = 0.

Source, published: Initial Graphics Exchange Specification 5.3, from memory: sections of 80 columns (2.2), arcs and conics that
always run counter-clockwise (4.3, 4.5); one that runs clockwise stands in a space turned over by a matrix. Pens are levels;
names, cut to eight letters, are entity labels.
"""

from collections.abc import Sequence
from datetime import datetime
from typing import assert_never

from ...core.angles import unit_vector
from ...core.book.pens import PENS
from ...core.figures import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Point
from ...core.figures.in_unit import in_unit
from .found import Progress
from .items import Item
from .numbers import number_writer

UNITS = {"in": (1, "INCH"), "mm": (2, "MM"), "ft": (4, "FT"), "m": (6, "M"), "cm": (10, "CM")}
"""The flags and names of units that the format has; yards are written in feet."""
LEVELS = {pen: level for level, pen in enumerate(PENS, 1)}
"""The level on which each pen is."""
SYSTEM = "Kentrograph"
_EVERY = 500
_WIDTH, _DATA = 72, 64


def as_iges(
    items: Sequence[Item], unit: str, title: str, decimals: int | None = None, progress: Progress | None = None
) -> tuple[str, list[str]]:
    """The file, and what could not be written, in words."""
    known = unit if unit in UNITS else "ft"
    shown = [item for item in items if not isinstance(item.figure, EndlessLine)]
    writer = _Writer(decimals)
    groups: dict[str, list[int]] = {}
    for done, item in enumerate(shown, 1):
        entity = writer.figure(in_unit(item.figure, unit, known), item.name, LEVELS.get(item.pen, 0))
        if item.group:
            groups.setdefault(item.group, []).append(entity)
        if progress is not None and done % _EVERY == 0:
            progress(done, len(shown))
    for name, members in groups.items():
        writer.entity(402, [str(len(members)), *map(str, members)], name, form=7)
    start = _lines("Flat drawing. Lengths are true; z is 0.", _WIDTH, "S")
    flag, word = UNITS[known]
    stamp = f"{datetime.now():%Y%m%d.%H%M%S}"
    name = title.encode("ascii", "replace").decode()[:60] or "drawing"
    fields = [
        "1H,", "1H;", _text(name), _text(f"{name}.igs"), _text(SYSTEM), _text("1"), "32", "38", "6", "308", "15", _text(name),
        "1.", str(flag), _text(word), "1", "0.5", _text(stamp), "1.E-09", "1.E+09", "", "", "11", "0", _text(stamp), "",
    ]  # fmt: skip
    head = _broken(fields, _WIDTH, "G")
    tail = f"S{len(start):07d}G{len(head):07d}D{len(writer.directory):07d}P{len(writer.parameters):07d}"
    end = f"{tail:<{_WIDTH}}T{1:07d}"
    without = len(items) - len(shown)
    notes = [f"{without} lines without ends, which are no entity here"] if without else []
    return "\n".join([*start, *head, *writer.directory, *writer.parameters, end]) + "\n", notes


def _text(words: str) -> str:
    """A string with its length in front (Hollerith)."""
    return f"{len(words)}H{words}" if words else ""


def _lines(text: str, width: int, section: str) -> list[str]:
    parts = [text[at : at + width] for at in range(0, max(1, len(text)), width)]
    return [f"{part:<{_WIDTH}}{section}{n:07d}" for n, part in enumerate(parts, 1)]


def _records(fields: Sequence[str], width: int) -> list[str]:
    """Fields with commas between them and a semicolon at the end, in lines; none is parted."""
    lines, line = [], ""
    for n, field in enumerate(fields):
        part = field + (";" if n == len(fields) - 1 else ",")
        if len(line) + len(part) > width and line:
            lines.append(line)
            line = ""
        line += part
    return [*lines, line]


def _broken(fields: Sequence[str], width: int, section: str) -> list[str]:
    return [f"{line:<{_WIDTH}}{section}{n:07d}" for n, line in enumerate(_records(fields, width), 1)]


class _Writer:
    def __init__(self, decimals: int | None) -> None:
        self.directory: list[str] = []
        self.parameters: list[str] = []
        self._told, self._exactly = number_writer(decimals), number_writer(None)
        self._over = 0

    def entity(
        self, type: int, values: Sequence[str], name: str = "", level: int = 0, form: int = 0, matrix: int = 0, part: bool = False
    ) -> int:
        """Writes an entity; the number of its directory entry."""
        pointer = len(self.directory) + 1
        first = len(self.parameters) + 1
        for line in _records([str(type), *values], _DATA):
            self.parameters.append(f"{line:<{_DATA}}{pointer:>8}P{len(self.parameters) + 1:07d}")
        status = f"{'00':2}{'01' if part else '00'}0000"
        label = name.encode("ascii", "replace").decode()[:8]
        one = [type, first, 0, 1, level, 0, matrix, 0, status]
        two = [type, 0, 0, len(self.parameters) - first + 1, form, "", "", label, 0]
        for number, entry in enumerate((one, two)):
            self.directory.append(f"{''.join(f'{field:>8}' for field in entry)}D{pointer + number:07d}")
        return pointer

    def figure(self, figure: Figure, name: str = "", level: int = 0, part: bool = False) -> int:
        """Writes a figure; the number of its directory entry."""
        match figure:
            case Point(x, y):
                return self.entity(116, [self._real(x), self._real(y), "0.", "0"], name, level, part=part)
            case Line(a, b):
                places = [self._real(a.x), self._real(a.y), "0.", self._real(b.x), self._real(b.y), "0."]
                return self.entity(110, places, name, level, part=part)
            case Circle(c, r):
                return self._arc(c, Point(c.x + r, c.y), Point(c.x + r, c.y), False, name, level, part)
            case Arc(c, _, start, end, sweep):
                return self._arc(c, start, end, sweep < 0.0, name, level, part)
            case Ellipse():
                return self._ellipse(figure, name, level, part)
            case Outline(pieces):
                members = [self.figure(piece, part=True) for piece in pieces]
                return self.entity(102, [str(len(members)), *map(str, members)], name, level, part=part)
            case EndlessLine() | FigureSet():
                raise AssertionError(figure)
            case _:
                assert_never(figure)

    def _arc(self, c: Point, start: Point, end: Point, clockwise: bool, name: str, level: int, part: bool) -> int:
        sign = -1.0 if clockwise else 1.0
        places = [v for at in (c, start, end) for v in (self._real(at.x), self._real(sign * at.y))]
        return self.entity(100, ["0.", *places], name, level, matrix=self._turned_over() if clockwise else 0, part=part)

    def _turned_over(self) -> int:
        """The matrix that turns the plane over about the x axis; one for all."""
        if not self._over:
            self._over = self.entity(124, ["1.", "0.", "0.", "0.", "0.", "-1.", "0.", "0.", "0.", "0.", "-1.", "0."])
        return self._over

    def _ellipse(self, e: Ellipse, name: str, level: int, part: bool) -> int:
        """Along its own axes about 0, 0, and put in its place by a matrix (4.5: standard position)."""
        ux, uy = unit_vector(e.turn)
        sign = 1.0 if e.sweep > 0.0 else -1.0
        real, exactly = self._real, self._exact
        rows = [exactly(ux), exactly(-sign * uy), "0.", real(e.centre.x), exactly(uy), exactly(sign * ux), "0.", real(e.centre.y)]
        matrix = self.entity(124, [*rows, "0.", "0.", f"{sign:.0f}.", "0."])
        ends = [Point(e.a, 0.0)] * 2
        if not e.whole:
            ends = [Point(x, sign * y) for x, y in (e.to_own(at.x, at.y) for at in (e.start, e.end))]
        # x2/a2 + y2/b2 - 1 = 0: its axes with the decimals of lengths, what follows from them with every digit.
        a, b = float(self._told(e.a)), float(self._told(e.b))
        conic = [exactly(1.0 / a**2), "0.", exactly(1.0 / b**2), "0.", "0.", "-1.", "0."]
        places = [real(v) for at in ends for v in (at.x, at.y)]
        return self.entity(104, [*conic, *places], name, level, form=1, matrix=matrix, part=part)

    def _real(self, value: float) -> str:
        text = self._told(value)
        return text if "." in text else f"{text}."

    def _exact(self, value: float) -> str:
        text = self._exactly(value)
        return text if "." in text else f"{text}."
