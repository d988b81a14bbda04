"""Header lines: ``unit mm``, ``decimals 3`` or ``fractions 1/16``, ``angles east counter-clockwise`` or ``angles bearings``, and
``datum 10,20 direction 15``."""

from dataclasses import replace
from typing import Literal

from ..angles import Convention
from ..book.manner import Conventions, Datum, Header
from ..book.statement_planner import StatementPlanner
from ..problem import refusal
from ..units import MILLIMETRES
from .numbers import direction, number
from .places import Reader
from .readings import PARTS_OF_INCH
from .statements import HeaderLine

MOST_DECIMALS = 12
OF_INCHES = frozenset({"in", "ft", "yd"})
_OF_BEARINGS = Convention("north", True)
"""What a plain number counts as where directions are shown as bearings: an azimuth."""


def apply_header(line: HeaderLine, header: Header) -> Header:
    """The header after this line. Raises `Refused` (bad_header) with what would do."""
    match line.word:
        case "unit":
            return _unit(line, header)
        case "decimals":
            found = line.values
            if len(found) != 1 or not found[0].isdigit() or int(found[0][:4]) > MOST_DECIMALS:
                raise _bad(line, f"a whole number from 0 to {MOST_DECIMALS}; parts of an inch are fractions 1/16")
            return replace(header, decimals=int(found[0]), parts=0)
        case "fractions":
            return replace(header, parts=_parts(line, header.manner.unit))
        case "angles":
            convention, bearings = _convention(line)
            return replace(header, manner=replace(header.manner, convention=convention), bearings=bearings)
        case _:
            return replace(header, manner=replace(header.manner, datum=_datum(line, header.manner)))


def header_lines(now: Header, wanted: Header) -> list[str]:
    """The lines that turn one header into another."""
    lines: list[str] = []
    manner, before = wanted.manner, now.manner
    datum_now = before.datum
    if manner.unit != before.unit:
        lines.append(f"unit {manner.unit}")
        datum_now = before.in_unit(manner.unit).datum
    parts = now.parts if manner.unit in OF_INCHES else 0
    if wanted.decimals != now.decimals or (parts and not wanted.parts):
        lines.append(f"decimals {wanted.decimals}")
        parts = 0
    if wanted.parts != parts:
        lines.append(f"fractions 1/{wanted.parts}")
    if (manner.convention, wanted.bearings) != (before.convention, now.bearings):
        way = "clockwise" if manner.convention.clockwise else "counter-clockwise"
        lines.append("angles bearings" if wanted.bearings else f"angles {manner.convention.zero} {way}")
    if manner.datum != datum_now:
        d = manner.datum
        lines.append(f"datum {d.x!r}, {d.y!r} direction {d.turn!r}")
    return lines


def with_manner(header: Header, manner: Conventions) -> Header:
    """The header with another manner, as far as numbers can be shown as before in it."""
    parts = header.parts if manner.unit in OF_INCHES else 0
    return Header(manner, header.decimals, parts, header.bearings and manner.convention == _OF_BEARINGS)


def _unit(line: HeaderLine, header: Header) -> Header:
    if len(line.values) != 1 or line.values[0].lower() not in MILLIMETRES:
        raise _bad(line, ", ".join(MILLIMETRES))
    return with_manner(header, header.manner.in_unit(line.values[0].lower()))


def _parts(line: HeaderLine, unit: str) -> int:
    """Of an inch: 16 for ``fractions 1/16``."""
    if unit not in OF_INCHES:
        raise _bad(line, f"parts of an inch, which needs unit in or unit ft before it; this drawing is in {unit}")
    said = "".join(line.values)
    if not said.startswith("1/") or said[2:] not in PARTS_OF_INCH:
        raise _bad(line, "the smallest part of an inch: 1/2, 1/4, 1/8, 1/16, 1/32 or 1/64")
    return int(said[2:])


def _convention(line: HeaderLine) -> tuple[Convention, bool]:
    """How angles count, and whether directions are shown as bearings: a plain number is an azimuth then."""
    words = [w.lower() for w in line.values]
    if words == ["bearings"]:
        return _OF_BEARINGS, True
    if len(words) != 2 or words[0] not in ("east", "north") or words[1] not in ("clockwise", "counter-clockwise"):
        raise _bad(line, "east or north, and clockwise or counter-clockwise; or bearings")
    zero: Literal["east", "north"] = "north" if words[0] == "north" else "east"
    return Convention(zero, words[1] == "clockwise"), False


def _datum(line: HeaderLine, manner: Conventions) -> Datum:
    """The datum is given in plain coordinates, its direction counter-clockwise from east: not from an earlier datum."""
    c = Reader(" ".join(line.values), {})
    x = number(c)
    if not c.take_op(",", ".."):
        raise _bad(line, "as in datum 10, 20 direction 15")
    y = number(c)
    turn = direction(c) if c.take_word("direction") else None
    if c.tok.kind != "end":
        raise _bad(line, "as in datum 10, 20 direction 15")
    p = StatementPlanner(Conventions(manner.unit), manner.unit)
    plans = (p.length(x), p.length(y), p.direction(turn) if turn is not None else 0.0)
    if not all(isinstance(v, float) for v in plans):
        raise _bad(line, "numbers, as in datum 10, 20 direction 15")
    return Datum(*(v for v in plans if isinstance(v, float)))


def _bad(line: HeaderLine, expected: str) -> Exception:
    return refusal("bad_header", line.start, line.end, word=line.word, found=" ".join(line.values), expected=expected)


__all__ = ["MOST_DECIMALS", "apply_header", "header_lines", "with_manner"]
