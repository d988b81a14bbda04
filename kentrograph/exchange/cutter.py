"""A stand-in for a cutter: it is given a program of ISO 6983 and a round tool, runs it, and shows where what it has cut differs
from the outline that was meant, and by how much.

Too deep is where the middle of the tool comes nearer to the outline than its radius: measured exactly, move by move. Left
standing is what of the outline no move comes near enough to: looked for at all corners, and between them.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import assert_never

from ..core.figures import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Point
from ..core.figures.along import place_along
from ..core.figures.in_unit import in_unit
from ..core.figures.outline import Piece
from ..core.measure.closest import distance_between
from ..core.units import convert
from .files.nc_in import Program
from .files.nc_out import Cut, Tool

_LOOKS = 24
"""So many places between two corners are looked at."""
RAPID = 5_000.0
"""Millimetres a minute of a move that does not cut."""
_MOST_TOLD = 40


@dataclass(frozen=True, slots=True)
class Difference:
    """A place where what was cut differs: by how much (the drawing's unit), of which outline, too deep or left standing."""

    at: Point
    off: float
    name: str
    deep: bool


@dataclass(frozen=True, slots=True)
class Run:
    """What came of a program: the figures that were meant, the moves in the drawing's unit, how far the tool ran cutting and
    else, how long it took, the greatest differences, and where they are larger than is wanted."""

    meant: Sequence[tuple[str, Figure]]
    cutting: Sequence[Piece]
    rapid: Sequence[Piece]
    tool: Tool
    length: float
    travel: float
    seconds: float
    deepest: float
    left: float
    differences: list[Difference]


def run(program: Program, cuts: Sequence[Cut], tool: Tool, unit: str, wanted: float) -> Run:
    """Runs a program and compares it with the outlines of the cuts."""
    moves = [(in_unit(move.piece, program.unit, unit), move.rapid) for move in program.moves]
    cutting = [piece for piece, rapid in moves if not rapid and isinstance(piece, Line | Arc)]
    rapid = [piece for piece, rapid in moves if rapid and isinstance(piece, Line | Arc)]
    radius = 0.0 if all(cut.side == "on" for cut in cuts) else tool.diameter / 2.0
    found = [one for cut, own in _shared(cuts, cutting) for one in _compare(cut, own, radius)]
    length, travel = sum(piece.length for piece in cutting), sum(piece.length for piece in rapid)
    mm = convert(1.0, unit, "mm")
    feed = tool.feed * convert(1.0, tool.words, "mm")
    seconds = 60.0 * (length * mm / feed + travel * mm / RAPID)
    told = _worst(found, wanted, 2.0 * radius)
    return Run(
        [(cut.item.name, cut.item.figure) for cut in cuts], cutting, rapid, tool, length, travel, seconds,
        max((one.off for one in found if one.deep), default=0.0), max((one.off for one in found if not one.deep), default=0.0),
        told,
    )  # fmt: skip


def _worst(found: Sequence[Difference], wanted: float, near: float) -> list[Difference]:
    """The differences larger than is wanted, the largest first; of those of one outline near one another only the worst."""
    kept: list[Difference] = []
    for one in sorted(found, key=lambda one: -one.off):
        if one.off <= wanted or len(kept) >= _MOST_TOLD:
            break
        if all(one.name != other.name or distance_between(one.at, other.at) > near for other in kept):
            kept.append(one)
    return kept


def _shared(cuts: Sequence[Cut], cutting: Sequence[Piece]) -> list[tuple[Cut, list[Piece]]]:
    """The moves of each cut: as many as its paths have pieces, in the order in which they were written."""
    found: list[tuple[Cut, list[Piece]]] = []
    at = 0
    for cut in cuts:
        count = sum(2 if isinstance(path, Circle) else len(path.pieces) if isinstance(path, Outline) else 1 for path in cut.paths)
        found.append((cut, list(cutting[at : at + count])))
        at += count
    return found


def _compare(cut: Cut, moves: Sequence[Piece], radius: float) -> list[Difference]:
    if not moves:
        return []
    path = Outline(tuple(moves), False)
    name = cut.item.name or "a figure"
    found: list[Difference] = []
    for move in moves:
        if cut.side == "on":
            off, at = max(((distance_between(place, cut.item.figure), place) for place in _places(move)), key=lambda one: one[0])
        else:
            off, at = radius - distance_between(move, cut.item.figure), place_along(move, move.length / 2.0)
        if off > 0.0:
            found.append(Difference(at, off, name, True))
    for place in _looked_at(cut.item.figure):
        off = distance_between(place, path) - radius
        if off > 0.0:
            found.append(Difference(place, off, name, False))
    return found


def _looked_at(figure: Figure) -> list[Point]:
    match figure:
        case Outline(pieces):
            return [place for piece in pieces for place in _places(piece)]
        case Circle(centre, r):
            return _places(Arc(centre, r, Point(centre.x + r, centre.y), Point(centre.x - r, centre.y), 180.0)) + _places(
                Arc(centre, r, Point(centre.x - r, centre.y), Point(centre.x + r, centre.y), 180.0)
            )
        case Line() | Arc():
            return _places(figure)
        case Point() | EndlessLine() | Ellipse() | FigureSet():
            return []
        case _:
            assert_never(figure)


def _places(piece: Piece) -> list[Point]:
    return [piece.start, *(place_along(piece, piece.length * n / _LOOKS) for n in range(1, _LOOKS)), piece.end]
