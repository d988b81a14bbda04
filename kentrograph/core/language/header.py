"""Header lines: ``unit mm``, ``decimals 3``, ``angles east counter-clockwise``, ``datum 10,20 direction 15``."""

from dataclasses import replace
from typing import Literal

from ..angles import Convention
from ..book.manner import Datum, Header, Manner
from ..book.statement_planner import StatementPlanner
from ..problem import refuse
from ..units import MILLIMETRES, convert
from .numbers import direction, number
from .places import Reader
from .statements import HeaderLine

MOST_DECIMALS = 12


def apply_header(line: HeaderLine, header: Header) -> Header:
    """The header after this line. Raises `Refused` (bad_header) with what would do."""
    match line.word:
        case "unit":
            return _unit(line, header)
        case "decimals":
            found = line.values
            if len(found) != 1 or not found[0].isdigit() or int(found[0][:4]) > MOST_DECIMALS:
                raise _bad(line, f"a whole number from 0 to {MOST_DECIMALS}")
            return replace(header, decimals=int(found[0]))
        case "angles":
            return replace(header, manner=replace(header.manner, convention=_convention(line)))
        case _:
            return replace(header, manner=replace(header.manner, datum=_datum(line, header.manner)))


def header_lines(now: Header, wanted: Header) -> list[str]:
    """The lines that turn one header into another."""
    lines: list[str] = []
    manner, before = wanted.manner, now.manner
    datum_now = before.datum
    if manner.unit != before.unit:
        lines.append(f"unit {manner.unit}")
        datum_now = in_unit(before, manner.unit).datum
    if wanted.decimals != now.decimals:
        lines.append(f"decimals {wanted.decimals}")
    if manner.convention != before.convention:
        way = "clockwise" if manner.convention.clockwise else "counter-clockwise"
        lines.append(f"angles {manner.convention.zero} {way}")
    if manner.datum != datum_now:
        d = manner.datum
        lines.append(f"datum {d.x!r}, {d.y!r} direction {d.turn!r}")
    return lines


def in_unit(manner: Manner, unit: str) -> Manner:
    """The same manner with another unit; its datum stays where it is."""
    d = manner.datum
    return Manner(unit, manner.convention, Datum(convert(d.x, manner.unit, unit), convert(d.y, manner.unit, unit), d.turn))


def _unit(line: HeaderLine, header: Header) -> Header:
    if len(line.values) != 1 or line.values[0].lower() not in MILLIMETRES:
        raise _bad(line, ", ".join(MILLIMETRES))
    return replace(header, manner=in_unit(header.manner, line.values[0].lower()))


def _convention(line: HeaderLine) -> Convention:
    words = [w.lower() for w in line.values]
    if len(words) != 2 or words[0] not in ("east", "north") or words[1] not in ("clockwise", "counter-clockwise"):
        raise _bad(line, "east or north, and clockwise or counter-clockwise")
    zero: Literal["east", "north"] = "north" if words[0] == "north" else "east"
    return Convention(zero, words[1] == "clockwise")


def _datum(line: HeaderLine, manner: Manner) -> Datum:
    """The datum is given in plain coordinates, its direction counter-clockwise from east: not from an earlier datum."""
    c = Reader(" ".join(line.values), {})
    x = number(c)
    if not c.take_op(",", ".."):
        raise _bad(line, "as in datum 10, 20 direction 15")
    y = number(c)
    turn = direction(c) if c.take_word("direction") else None
    if c.tok.kind != "end":
        raise _bad(line, "as in datum 10, 20 direction 15")
    p = StatementPlanner(Manner(manner.unit), manner.unit)
    plans = (p.length(x), p.length(y), p.direction(turn) if turn is not None else 0.0)
    if not all(isinstance(v, float) for v in plans):
        raise _bad(line, "numbers, as in datum 10, 20 direction 15")
    return Datum(*(v for v in plans if isinstance(v, float)))


def _bad(line: HeaderLine, expected: str) -> Exception:
    return refuse("bad_header", line.start, line.end, word=line.word, found=" ".join(line.values), expected=expected)


__all__ = ["MOST_DECIMALS", "apply_header", "header_lines", "in_unit"]
