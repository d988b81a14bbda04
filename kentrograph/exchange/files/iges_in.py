"""IGES 5.3 as figures: arcs (100), composite curves (102), conics that are ellipses (104), lines (110), points (116), under their
matrices (124); polylines (106) as well. What lies in another plane, splines and the like are left out and counted."""

import re
from collections.abc import Iterator
from dataclasses import dataclass
from itertools import pairwise
from math import atan2, cos, hypot, isclose, pi, sin, sqrt

from ...core.figures import Figure, Line, Outline, Point
from ...core.figures.outline import Piece
from ...core.problem import Refused
from ...core.units import MILLIMETRES
from .affine import Affine, Round
from .chains import figure_of
from .found import Found, bad_file, finite
from .iges_out import LEVELS, SYSTEM
from .splines import whole_of

_MM = {1: 25.4, 2: 1.0, 4: 304.8, 5: 1609344.0, 6: 1000.0, 7: 1e6, 8: 0.0254, 9: 1e-3, 10: 10.0, 11: 25.4e-6}
"""Millimetres of the unit flags (2.2.4.3.14)."""
_NAMES = {"IN": 25.4, "INCH": 25.4, "MM": 1.0, "FT": 304.8, "M": 1000.0, "CM": 10.0}
_FLAT = 1e-9
_ADMINISTRATION = frozenset((0, 124, 302, 304, 308, 310, 312, 314, 316, 320, 322, 402, 404, 406, 410, 412, 414))
_WORDS = {
    108: "plane", 112: "spline", 114: "spline surface", 126: "B-spline curve", 128: "B-spline surface", 130: "offset curve",
    106: "copious data", 142: "curve on a surface", 144: "trimmed surface", 186: "solid", 212: "note", 408: "subfigure",
}  # fmt: skip
_STRING = re.compile(r"\s*(\d{1,6})H")
_MOST_ENTITIES = 1_000_000


class _NotFlat(Exception):
    """It does not lie in the plane of the drawing."""


class _NotTaken(Exception):
    """It is nothing that a drawing has."""


@dataclass(frozen=True, slots=True)
class _Entry:
    """A directory entry, with the lines of its parameters."""

    number: int
    type: int
    first: int
    count: int
    level: int
    matrix: int
    form: int
    label: str


def read_iges(data: bytes) -> Found:
    """The figures of a file. Raises `Refused` (bad_file)."""
    found = Found()
    _Reader(data.decode("ascii", "replace"), found).read()
    return found


class _Reader:
    def __init__(self, text: str, found: Found) -> None:
        self.found = found
        self.sections: dict[str, list[str]] = {mark: [] for mark in "SGDPT"}
        for number, line in enumerate(text.splitlines(), 1):
            mark = line[72:73]
            if mark not in self.sections or not mark:
                if line.strip():
                    raise bad_file("it has no section letter in column 73", f"line {number}")
                continue
            self.sections[mark].append(line[:72])
        if not self.sections["G"] or not self.sections["T"]:
            raise bad_file("its global section or its end is missing: it may have been cut off")
        self.delimiter, self.end = ",", ";"
        self.entries: dict[int, _Entry] = {}
        self.scale = 1.0
        self.height: float | None = None
        self.ours = False
        self.groups: dict[int, str] = {}

    def read(self) -> None:
        """Reads all of it."""
        self._globals()
        self._directory()
        parts = self._members()
        for entry in self.entries.values():
            if entry.type in _ADMINISTRATION or entry.number in parts:
                continue
            self._take(entry)

    def _globals(self) -> None:
        text = "".join(self.sections["G"])
        first = re.match(r"\s*(?:1H(.))?", text)
        self.delimiter = first[1] if first is not None and first[1] else ","
        rest = text[first.end() :].lstrip() if first is not None and first[1] else text.lstrip()
        second = re.match(rf"{re.escape(self.delimiter)}\s*(?:1H(.))?", rest)
        self.end = second[1] if second is not None and second[1] else ";"
        fields = list(self._fields(text))
        if len(fields) < 15:
            raise bad_file("its global section is too short")
        model = finite(_real(fields[12])) if fields[12] else 1.0
        flag = int(finite(_real(fields[13]))) if fields[13] else 1
        mm = _NAMES.get(fields[14].strip().upper(), 0.0) if flag == 3 else _MM.get(flag, 0.0)
        if not mm or not model > 0.0:
            raise bad_file("its unit of length is not known")
        name = next((word for word, size in MILLIMETRES.items() if isclose(mm, float(size), rel_tol=1e-12)), None)
        self.found.unit, self.scale = (name, 1.0 / model) if name else ("mm", mm / model)
        self.ours = fields[4] == SYSTEM

    def _fields(self, text: str) -> Iterator[str]:
        """The fields of a text up to its end, strings as they are meant."""
        at = 0
        while at < len(text):
            string = _STRING.match(text, at)
            if string is not None:
                end = string.end() + int(string[1])
                yield text[string.end() : end]
                at = end
                while at < len(text) and text[at] not in (self.delimiter, self.end):
                    at += 1
            else:
                end = at
                while end < len(text) and text[end] not in (self.delimiter, self.end):
                    end += 1
                yield text[at:end].strip()
                at = end
            if at >= len(text) or text[at] == self.end:
                return
            at += 1

    def _directory(self) -> None:
        lines = self.sections["D"]
        if len(lines) % 2 or len(lines) // 2 > _MOST_ENTITIES:
            raise bad_file("its directory is not whole: it may have been cut off")
        for number in range(0, len(lines), 2):
            one, two = lines[number], lines[number + 1]
            label = two[56:64].strip()
            entry = _Entry(
                number + 1, _whole(one, 0), _whole(one, 1), _whole(two, 3), _whole(one, 4), _whole(one, 6),
                _whole(two, 4), label,
            )  # fmt: skip
            self.entries[entry.number] = entry

    def _values(self, entry: _Entry) -> list[str]:
        lines = self.sections["P"][entry.first - 1 : entry.first - 1 + entry.count]
        if entry.first < 1 or len(lines) < entry.count:
            raise bad_file("its parameters are not whole: it may have been cut off", f"entity {entry.number}")
        return list(self._fields("".join(f"{line[:64]:<64}" for line in lines)))[1:]

    def _members(self) -> set[int]:
        """Those that are parts of a composite curve; and the groups are noted."""
        parts: set[int] = set()
        for entry in self.entries.values():
            if entry.type not in (102, 402) or (entry.type == 402 and entry.form not in (1, 7, 14, 15)):
                continue
            values = self._values(entry)
            count = int(finite(_real(values[0]))) if values else 0
            members = [int(finite(_real(value))) for value in values[1 : count + 1]]
            if entry.type == 102:
                parts.update(members)
            else:
                self.groups.update((member, entry.label or f"group {entry.number}") for member in members)
        return parts

    def _take(self, entry: _Entry) -> None:
        where = f"entity {entry.number}"
        kind = _WORDS.get(entry.type, f"entity of type {entry.type}")
        self.found.in_time()
        try:
            figure = self._figure(entry, 0)
        except _NotFlat:
            self.found.leave_out(kind, "it does not lie in the plane of the drawing", where)
        except _NotTaken:
            self.found.leave_out(kind, "a drawing has no such curve", where)
        except (IndexError, ValueError, ZeroDivisionError, KeyError):
            self.found.leave_out(kind, "it is not as the standard has it", where)
        except Refused as refused:
            if refused.problem.kind == "bad_file":
                raise
            self.found.leave_out(kind, "it has no size", where)
        else:
            pen = next((pen for pen, level in LEVELS.items() if level == entry.level), "") if self.ours else ""
            self.found.add(figure, entry.label, self.groups.get(entry.number, ""), pen, where)

    def _figure(self, entry: _Entry, deep: int) -> Figure:
        if entry.type == 102:
            pieces = self._pieces(entry, deep)
            return figure_of(pieces, (pieces[0].start.x, pieces[0].start.y) == (pieces[-1].end.x, pieces[-1].end.y), share=0.0)
        to, z_sign, z_off = self._matrix(entry.matrix, 0)
        v = self._values(entry)
        match entry.type:
            case 116:
                x, y, z = (self._number(one) for one in v[:3])
                return self._at(to, x, y, z, z_sign, z_off)
            case 110:
                x, y, z, x1, y1, z1 = (self._number(one) for one in v[:6])
                return Line(self._at(to, x, y, z, z_sign, z_off), self._at(to, x1, y1, z1, z_sign, z_off))
            case 100:
                return self._arc([self._number(one) for one in v[:7]], to, z_sign, z_off)
            case 104:
                return self._conic(v, to, z_sign, z_off)
            case 126:
                return self._spline(v, to, z_sign, z_off)
            case 106 if entry.form in (11, 12, 63):
                return self._polyline(v, entry.form, to, z_sign, z_off)
            case _:
                raise _NotTaken

    def _pieces(self, entry: _Entry, deep: int) -> list[Piece]:
        if deep > 10:
            raise bad_file("its curves refer to one another without end")
        values = self._values(entry)
        count = int(finite(_real(values[0])))
        found: list[Piece] = []
        for value in values[1 : count + 1]:
            member = self.entries[int(finite(_real(value)))]
            if member.type == 102:
                found += self._pieces(member, deep + 1)
                continue
            figure = self._figure(member, deep + 1)
            if isinstance(figure, Outline):
                found += figure.pieces
            elif isinstance(figure, Piece):
                found.append(figure)
            else:
                raise _NotTaken
        if not found:
            raise _NotTaken
        return found

    def _arc(self, v: list[float], to: Affine, z_sign: float, z_off: float) -> Figure:
        z, cx, cy, sx, sy, ex, ey = v
        centre = self._at(to, cx, cy, z, z_sign, z_off)
        radius = hypot(sx - cx, sy - cy)
        begin, last = atan2(sy - cy, sx - cx), atan2(ey - cy, ex - cx)
        sweep = 2.0 * pi if (sx, sy) == (ex, ey) else (last - begin) % (2.0 * pi)
        u, w = to.vector((radius, 0.0)), to.vector((0.0, radius))
        start, end = self._at(to, sx, sy, z, z_sign, z_off), self._at(to, ex, ey, z, z_sign, z_off)
        return Round(centre, u, w, begin, sweep).figure(start, end)

    def _spline(self, values: list[str], to: Affine, z_sign: float, z_off: float) -> Figure:
        """A rational spline that is a whole circle or ellipse in truth (5.3, type 126)."""
        v = [finite(_real(one)) if one else 0.0 for one in values]
        last, degree = int(v[0]), int(v[1])
        knots = v[6 : 6 + last + degree + 2]
        after = 6 + len(knots)
        weights = v[after : after + last + 1]
        numbers = [one * self.scale for one in v[after + last + 1 : after + 4 * (last + 1)]]
        if last < 2 or len(numbers) < 3 * (last + 1):
            raise _NotTaken
        places = [self._at(to, x, y, z, z_sign, z_off) for x, y, z in zip(*[iter(numbers)] * 3, strict=True)]
        whole = whole_of(degree, [(at.x, at.y) for at in places], weights, knots)
        if whole is None:
            raise _NotTaken
        return whole.figure()

    def _conic(self, values: list[str], to: Affine, z_sign: float, z_off: float) -> Figure:
        a, b, c, d, e, f = (finite(_real(one)) for one in values[:6])
        z, x1, y1, x2, y2 = (self._number(one) for one in values[6:11])
        d, e = d / self.scale, e / self.scale
        a, b, c = a / self.scale**2, b / self.scale**2, c / self.scale**2
        det = 4.0 * a * c - b * b
        if det <= 0.0:
            raise _NotTaken
        cx, cy = (b * e - 2.0 * c * d) / det, (b * d - 2.0 * a * e) / det
        rest = -(f + (d * cx + e * cy) / 2.0)
        turn = 0.5 * atan2(b, a - c)
        p = a * cos(turn) ** 2 + b * cos(turn) * sin(turn) + c * sin(turn) ** 2
        q = a * sin(turn) ** 2 - b * cos(turn) * sin(turn) + c * cos(turn) ** 2
        if rest / p <= 0.0 or rest / q <= 0.0:
            raise _NotTaken
        long, other = sqrt(rest / p), sqrt(rest / q)
        u, w = (long * cos(turn), long * sin(turn)), (-other * sin(turn), other * cos(turn))
        whole = Round(Point(cx, cy), u, w, 0.0, 2.0 * pi)
        centre = self._at(to, cx, cy, z, z_sign, z_off)
        own = Round(centre, to.vector(u), to.vector(w), 0.0, 2.0 * pi)
        if (x1, y1) == (x2, y2):
            return own.figure()
        begin, last = whole.angle_of(x1, y1), whole.angle_of(x2, y2)
        return Round(own.centre, own.u, own.v, begin, (last - begin) % (2.0 * pi)).figure()

    def _polyline(self, values: list[str], form: int, to: Affine, z_sign: float, z_off: float) -> Figure:
        flag, count = int(finite(_real(values[0]))), int(finite(_real(values[1])))
        step, first = (2, 3) if flag == 1 else (3, 2)
        z = self._number(values[2]) if flag == 1 else 0.0
        places: list[Point] = []
        for n in range(count):
            part = [self._number(one) for one in values[first + n * step : first + (n + 1) * step]]
            places.append(self._at(to, part[0], part[1], part[2] if step == 3 else z, z_sign, z_off))
        if form == 63 and places[0] != places[-1]:
            places.append(places[0])
        lines: list[Piece] = [Line(p, q) for p, q in pairwise(places) if p != q]
        return figure_of(lines, len(lines) > 2 and places[0] == places[-1])

    def _number(self, text: str) -> float:
        return finite(_real(text)) * self.scale if text else 0.0

    def _at(self, to: Affine, x: float, y: float, z: float, z_sign: float, z_off: float) -> Point:
        height = z_sign * z + z_off
        if self.height is None:
            self.height = height
        if abs(height - self.height) > _FLAT * max(1.0, abs(x), abs(y)):
            raise _NotFlat
        return to.place(Point(x, y))

    def _matrix(self, pointer: int, deep: int) -> tuple[Affine, float, float]:
        """The map in the plane, and what becomes of z. Raises `_NotFlat`."""
        entry = self.entries.get(pointer) if pointer > 0 else None
        if entry is None or entry.type != 124:
            return Affine(), 1.0, 0.0
        if deep > 10:
            raise bad_file("its matrices refer to one another without end")
        v = [finite(_real(one)) if one else 0.0 for one in self._values(entry)[:12]]
        if max(abs(v[2]), abs(v[6]), abs(v[8]), abs(v[9])) > _FLAT:
            raise _NotFlat
        own = Affine(v[0], v[4], v[1], v[5], v[3] * self.scale, v[7] * self.scale)
        outer, z_sign, z_off = self._matrix(entry.matrix, deep + 1)
        return outer.then(own), z_sign * v[10], z_sign * v[11] * self.scale + z_off


def _whole(line: str, field: int) -> int:
    text = line[8 * field : 8 * field + 8].strip()
    try:
        return int(text) if text else 0
    except ValueError:
        raise bad_file(f"{text!r} is no number of its directory") from None


def _real(text: str) -> str:
    """A real as it is written elsewhere: D stands for the power of a double."""
    return text.strip().upper().replace("D", "E")
