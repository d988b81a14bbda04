"""Tool paths of ISO 6983 read as a machine does: the moves that its words come to, in the unit that they say."""

import re
from dataclasses import dataclass, field
from math import atan2, degrees, hypot, pi, sqrt

from ...core.figures import Arc, Line, Point
from ...core.figures.outline import Piece
from .chains import figure_of
from .found import Found, bad_file, finite

_WORD = re.compile(r"\s*(?:\(([^()]*)\)|([A-Z])\s*([-+]?(?:\d+\.?\d*|\.\d+))|(;.*)|(%|/\d?)|(\S))", re.IGNORECASE)
_MOST_MOVES = 1_000_000
_ARC_SHARE = 5e-3
"""By how much the ends of an arc may lie at other distances from its centre than one another, as a share of the radius."""
_IGNORED = frozenset("NFSTMOPHD")
_KNOWN = frozenset((0, 1, 2, 3, 4, 9, 17, 20, 21, 40, 43, 44, 49, 53, 54, 61, 64, 70, 71, 80, 90, 91, 94, 95, 98, 99))
_CYCLES = frozenset((73.0, 74.0, 76.0, *(float(code) for code in range(81, 90))))
"""Fixed cycles: at each place something is drilled, which is no path."""
_BESIDE = {41.0: "left", 42.0: "right"}
"""On which side of the path the machine keeps the tool, by its own radius: the path itself is the drawing."""
_OF_CYCLES = frozenset("QLKEZR")


@dataclass(frozen=True, slots=True)
class Move:
    """A straight or round move of the tool; rapid ones do not cut."""

    piece: Piece
    rapid: bool
    where: str


@dataclass(slots=True)
class Program:
    """What a program does: its moves in order, and the unit of their places."""

    unit: str = "mm"
    moves: list[Move] = field(default_factory=list)
    left_out: list[tuple[str, str, str]] = field(default_factory=list)
    """What was not read: what it is, why, and the line."""
    notes: dict[str, None] = field(default_factory=dict)


def read_program(data: bytes) -> Program:
    """The moves of a program. Raises `Refused` (bad_file) for what a machine would not do, with the line."""
    return _Machine().run(data.decode("ascii", "replace"))


def read_nc(data: bytes) -> Found:
    """The chains that a program cuts, as figures: from one rapid move to the next."""
    program = read_program(data)
    found = Found(program.unit)
    found.notes += program.notes
    for what, why, where in program.left_out:
        found.leave_out(what, why, where)
    run: list[Move] = []
    for move in [*program.moves, None]:
        if move is not None and not move.rapid:
            run.append(move)
        elif run:
            pieces = [one.piece for one in run]
            closed = (pieces[0].start.x, pieces[0].start.y) == (pieces[-1].end.x, pieces[-1].end.y)
            found.add(figure_of(pieces, closed), where=run[0].where)
            run = []
    return found


class _Machine:
    def __init__(self) -> None:
        self.program = Program()
        self.at = Point(0.0, 0.0)
        self.motion, self.absolute, self.unit = 0, True, ""
        self.cycle = 0.0

    def run(self, text: str) -> Program:
        """Runs all lines up to the end of the program."""
        for number, line in enumerate(text.splitlines(), 1):
            if self._line(line.strip(), f"line {number}"):
                break
        if self.unit:
            self.program.unit = self.unit
        return self.program

    def _line(self, line: str, where: str) -> bool:
        """Does what a line says; whether the program ends there."""
        words: dict[str, float] = {}
        done = False
        at = 0
        while at < len(line):
            match = _WORD.match(line, at)
            if match is None:
                break
            at = match.end()
            _, letter, number, _, _, wrong = match.groups()
            if wrong is not None:
                raise bad_file(f"{wrong!r} is no word of a program", where)
            if letter is None:
                continue
            value, letter = finite(number, where), letter.upper()
            if letter == "G":
                self._code(value, where)
            elif letter in "XYZIJR":
                words[letter] = value
            elif letter == "M" and value in (2.0, 30.0):
                done = True
            elif letter not in _IGNORED and not (self.cycle and letter in _OF_CYCLES):
                raise bad_file(f"the word {letter} is not known here", where)
        if "X" in words or "Y" in words or "I" in words or "J" in words:
            self._move(words, where)
        return done

    def _code(self, value: float, where: str) -> None:
        match value:
            case 0.0 | 1.0 | 2.0 | 3.0:
                self.motion, self.cycle = int(value), 0.0
            case 80.0:
                self.cycle = 0.0
            case _ if value in _CYCLES:
                self.cycle = value
            case _ if value in _BESIDE:
                self.program.notes[
                    f"G{value:g} keeps the tool {_BESIDE[value]} of the path by its radius: what is read is the path itself"
                ] = None
            case 70.0 | 20.0 | 71.0 | 21.0:
                unit = "in" if value in (70.0, 20.0) else "mm"
                if self.unit and unit != self.unit and self.program.moves:
                    raise bad_file("it changes its unit on the way", where)
                self.unit = unit
            case 90.0 | 91.0:
                self.absolute = value == 90.0
            case _ if value in _KNOWN:
                return
            case _:
                raise bad_file(f"the word G{value:g} is not known here", where)

    def _move(self, words: dict[str, float], where: str) -> None:
        x, y = (words.get(letter) for letter in "XY")
        base = Point(0.0, 0.0) if self.absolute else self.at
        to = Point(base.x + x if x is not None else self.at.x, base.y + y if y is not None else self.at.y)
        if self.cycle:
            # The tool comes there without cutting on its way.
            self.program.left_out.append((f"cycle G{self.cycle:g}", "what is drilled at a place is no path", where))
            piece: Piece | None = Line(self.at, to) if to != self.at else None
        elif self.motion in (2, 3):
            piece = self._arc(words, to, where)
        else:
            piece = Line(self.at, to) if to != self.at else None
        if piece is not None:
            self.program.moves.append(Move(piece, self.motion == 0 or self.cycle > 0.0, where))
            if len(self.program.moves) > _MOST_MOVES:
                raise bad_file(f"it has more than {_MOST_MOVES:,} moves")
        self.at = to

    def _arc(self, words: dict[str, float], to: Point, where: str) -> Piece:
        counter = self.motion == 3
        if "R" in words:
            centre = self._by_radius(words["R"], to, counter, where)
        else:
            centre = Point(self.at.x + words.get("I", 0.0), self.at.y + words.get("J", 0.0))
        radius = hypot(self.at.x - centre.x, self.at.y - centre.y)
        last = hypot(to.x - centre.x, to.y - centre.y)
        if radius == 0.0 or abs(last - radius) > _ARC_SHARE * radius + 0.01:
            raise bad_file("the ends of an arc do not lie at one distance from its centre", where)
        turned = atan2(to.y - centre.y, to.x - centre.x) - atan2(self.at.y - centre.y, self.at.x - centre.x)
        sweep = turned % (2.0 * pi) if counter else -(-turned % (2.0 * pi))
        if to == self.at or sweep == 0.0:
            # A whole turn: by way of the other side, since an arc is less than that.
            other = Point(2.0 * centre.x - self.at.x, 2.0 * centre.y - self.at.y)
            half = 180.0 if counter else -180.0
            self.program.moves.append(Move(Arc(centre, radius, self.at, other, half), False, where))
            return Arc(centre, radius, other, to, half)
        return Arc(centre, (radius + last) / 2.0, self.at, to, degrees(sweep))

    def _by_radius(self, r: float, to: Point, counter: bool, where: str) -> Point:
        dx, dy = to.x - self.at.x, to.y - self.at.y
        half = hypot(dx, dy) / 2.0
        if half == 0.0 or abs(r) < half * (1.0 - _ARC_SHARE):
            raise bad_file("the radius of an arc is too small for its ends", where)
        height = sqrt(max(0.0, r * r - half * half))
        away = (1.0 if (r > 0.0) == counter else -1.0) * height / (2.0 * half)
        return Point(self.at.x + dx / 2.0 - away * dy, self.at.y + dy / 2.0 + away * dx)
