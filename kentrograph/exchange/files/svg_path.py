"""Path data of SVG: subpaths of lines, arcs and curves in the path's own coordinates. Source, published: SVG 1.1, 8.3, and the
implementation notes F.6 for arcs."""

import re
from dataclasses import dataclass, field
from itertools import count as count_from_0
from itertools import pairwise
from math import atan2, cos, hypot, pi, radians, sin, sqrt

from ...core.figures import Line, Point
from .affine import Round
from .found import bad_file, finite

_TOKEN = re.compile(r"[\s,]*(?:([MmZzLlHhVvCcSsQqTtAa])|([-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d{1,4})?)|(.))", re.DOTALL)
MOST_COMMANDS = 200_000
_FLAG = re.compile(r"[\s,]*([01])")
_COUNT = {"M": 2, "L": 2, "H": 1, "V": 1, "C": 6, "S": 4, "Q": 4, "T": 2, "A": 7, "Z": 0}


@dataclass(frozen=True, slots=True)
class Bezier:
    """A curve by its control points: three of a quadratic one, four of a cubic one."""

    points: tuple[Point, ...]

    @property
    def start(self) -> Point:
        """Where it begins."""
        return self.points[0]

    @property
    def end(self) -> Point:
        """Where it ends."""
        return self.points[-1]

    def at(self, t: float) -> Point:
        """The place at a parameter from 0 to 1 (de Casteljau)."""
        points = self.points
        while len(points) > 1:
            points = tuple(Point(a.x + t * (b.x - a.x), a.y + t * (b.y - a.y)) for a, b in pairwise(points))
        return points[0]


@dataclass(frozen=True, slots=True)
class Bow:
    """A part of an ellipse with the ends that the file gives it."""

    round: Round
    start: Point
    end: Point


Segment = Line | Bow | Bezier


@dataclass(slots=True)
class Subpath:
    """Segments end to end, and whether the path closes them."""

    segments: list[Segment] = field(default_factory=list)
    closed: bool = False
    start: Point = Point(0.0, 0.0)


def subpaths(data: str, where: str = "") -> list[Subpath]:
    """The subpaths of path data. Raises `Refused` (bad_file) for what is wrong in it."""
    reader = _Reader(data, where)
    reader.read()
    return reader.found


class _Reader:
    def __init__(self, data: str, where: str) -> None:
        self.data, self.where, self.at = data, where, 0
        self.found: list[Subpath] = []
        self.here = self.began = Point(0.0, 0.0)
        self.control: Point | None = None

    def read(self) -> None:
        """Reads all commands."""
        command = ""
        for count in count_from_0():
            if count > MOST_COMMANDS:
                raise bad_file(f"a path has more than {MOST_COMMANDS:,} commands", self.where)
            token = self._peek()
            if token is None:
                return
            letter, number, wrong = token.groups()
            if wrong is not None:
                raise bad_file(f"path data cannot have {wrong!r}", self.where)
            if letter is not None:
                self.at = token.end()
                command = letter
                if command.upper() == "Z":
                    self._close()
                    continue
            elif command in ("", "Z", "z"):
                raise bad_file(f"path data cannot begin with the number {number}", self.where)
            if not self.found and command not in "Mm":
                raise bad_file("path data begin with M", self.where)
            self._do(command)
            command = {"M": "L", "m": "l"}.get(command, command)

    def _peek(self) -> re.Match[str] | None:
        token = _TOKEN.match(self.data, self.at)
        return token if token is not None and token.group().strip(" \t\r\n\f,") else None

    def _numbers(self, command: str) -> list[float]:
        found: list[float] = []
        for n in range(_COUNT[command.upper()]):
            if command in "Aa" and n in (3, 4):
                # Flags may stand without anything between them.
                flag = _FLAG.match(self.data, self.at)
                if flag is None:
                    raise bad_file("a flag of an arc is 0 or 1", self.where)
                self.at = flag.end()
                found.append(float(flag[1]))
                continue
            token = self._peek()
            if token is None or token[2] is None:
                raise bad_file(f"path data end within {command}", self.where)
            self.at = token.end()
            found.append(finite(token[2], self.where))
        return found

    def _do(self, command: str) -> None:
        v = self._numbers(command)
        dx, dy = (self.here.x, self.here.y) if command.islower() else (0.0, 0.0)
        places = [Point(v[n] + dx, v[n + 1] + dy) for n in range(0, len(v) - 1, 2)] if command.upper() not in "HVA" else []
        control, self.control = self.control, None
        match command.upper():
            case "M":
                self.here = self.began = places[0]
                self.found.append(Subpath(start=self.here))
            case "L":
                self._line(places[0])
            case "H":
                self._line(Point(v[0] + dx, self.here.y))
            case "V":
                self._line(Point(self.here.x, v[0] + dy))
            case "C":
                self._curve(places)
            case "S":
                self._curve([self._mirrored(control, 4), *places])
            case "Q":
                self._curve(places)
            case "T":
                self._curve([self._mirrored(control, 3), *places])
            case _:
                self._arc(v, Point(v[5] + dx, v[6] + dy))

    def _mirrored(self, control: Point | None, order: int) -> Point:
        last = self.found[-1].segments[-1] if self.found[-1].segments else None
        if control is None or not isinstance(last, Bezier) or len(last.points) != order:
            return self.here
        return Point(2.0 * self.here.x - control.x, 2.0 * self.here.y - control.y)

    def _open(self) -> Subpath:
        # After a close, what goes on begins a subpath at the same place.
        if self.found[-1].closed:
            self.found.append(Subpath(start=self.here))
        return self.found[-1]

    def _line(self, to: Point) -> None:
        subpath = self._open()
        if to != self.here:
            subpath.segments.append(Line(self.here, to))
        self.here = to

    def _curve(self, points: list[Point]) -> None:
        self._open().segments.append(Bezier((self.here, *points)))
        self.here, self.control = points[-1], points[-2]

    def _arc(self, v: list[float], to: Point) -> None:
        subpath = self._open()
        if to == self.here:
            # F.6.2: as if it were not there.
            return
        if v[0] == 0.0 or v[1] == 0.0:
            self._line(to)
            return
        bow = arc_between(self.here, to, abs(v[0]), abs(v[1]), v[2], bool(v[3]), bool(v[4]))
        subpath.segments.append(Bow(bow, self.here, to))
        self.here = to

    def _close(self) -> None:
        if not self.found:
            raise bad_file("path data begin with M", self.where)
        subpath = self._open()
        subpath.closed = True
        if self.here != subpath.start:
            subpath.segments.append(Line(self.here, subpath.start))
        self.here, self.control = subpath.start, None


def arc_between(a: Point, b: Point, rx: float, ry: float, turn: float, large: bool, sweeping: bool) -> Round:
    """From ends to centre (F.6.5); radii that are too small are made as large as it takes (F.6.6). The sweep flag says in which
    direction of the path's own coordinates angles grow.

    >>> bow = arc_between(Point(10.0, 0.0), Point(0.0, 10.0), 10.0, 10.0, 0.0, False, True)
    >>> round(bow.centre.x, 12) + 0.0, round(bow.centre.y, 12) + 0.0, round(bow.sweep * 180 / pi, 9)
    (0.0, 0.0, 90.0)
    """
    c, s = cos(radians(turn)), sin(radians(turn))
    hx, hy = (a.x - b.x) / 2.0, (a.y - b.y) / 2.0
    x1, y1 = (c * hx + s * hy) / rx, (c * hy - s * hx) / ry
    # On the unit circle, half the chord is x1, y1.
    size = hypot(x1, y1)
    if size > 1.0:
        rx, ry, x1, y1, size = rx * size, ry * size, x1 / size, y1 / size, 1.0
    height = sqrt(max(0.0, (1.0 - size) * (1.0 + size)))
    sign = -1.0 if large == sweeping else 1.0
    mx, my = sign * height * y1 / size, -sign * height * x1 / size
    # F.6.5.2 in the unit circle: the centre lies beside the middle of the chord, square to it.
    cx = c * mx * rx - s * my * ry + (a.x + b.x) / 2.0
    cy = s * mx * rx + c * my * ry + (a.y + b.y) / 2.0
    begin = _angle(1.0, 0.0, x1 - mx, y1 - my)
    sweep = _angle(x1 - mx, y1 - my, -x1 - mx, -y1 - my)
    if sweeping and sweep < 0.0:
        sweep += 2.0 * pi
    elif not sweeping and sweep > 0.0:
        sweep -= 2.0 * pi
    return Round(Point(cx, cy), (rx * c, rx * s), (-ry * s, ry * c), begin, sweep)


def _angle(ux: float, uy: float, vx: float, vy: float) -> float:
    """From one vector to another, -pi to pi."""
    return atan2(ux * vy - uy * vx, ux * vx + uy * vy)
