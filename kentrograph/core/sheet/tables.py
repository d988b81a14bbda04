"""The setting-out table in words: its heads and its rows, as they stand on the leaf, on paper and in a file."""

from collections.abc import Callable, Iterable, Sequence
from dataclasses import replace
from math import hypot

from ..angles import direction_of, unit_vector
from ..book.manner import Header
from ..book.on_paper import PointTable, TablePlace
from ..figures import Point
from ..intersect.supporting_curves import way_of
from ..language import display
from ..shape.loops import Places
from ..units import convert

Row = list[str]


def ordered(table: PointTable) -> list[TablePlace]:
    """The places in the order in which they are numbered."""
    if not table.order:
        return list(table.places)
    coordinates = {id(place): across_and_up(table, place.at) for place in table.places}
    across = table.order == "across"
    return sorted(table.places, key=lambda place: coordinates[id(place)] if across else coordinates[id(place)][::-1])


def numbered(table: PointTable) -> list[tuple[int, Point]]:
    """The places with their numbers: those of the drawing, or from 1."""
    places = ordered(table)
    return list(zip(table.numbers or range(1, len(places) + 1), (place.at for place in places), strict=True))


def renumbered(tables: Iterable[PointTable]) -> list[PointTable]:
    """Tables of one drawing with numbers that run through all of them: a place has the same one wherever it stands."""
    tables = list(tables)
    far = max((max(abs(place.at.x), abs(place.at.y)) for table in tables for place in table.places), default=0.0)
    known = Places(far or 1.0)
    return [replace(table, numbers=tuple(known.number(place.at) + 1 for place in ordered(table))) for table in tables]


def title_of(table: PointTable, name: str) -> str:
    """What stands over a table on paper: its title or its name, and from where it counts."""
    counted = table.counted or ("" if table.columns == "offsets" else "from the datum")
    return ", ".join(part for part in (table.title or name, counted) if part)


def heads_in_file(table: PointTable, heads: Row, header: Header) -> Row:
    """The heads of a table in a file, which say from where coordinates count, where that is not where all of the drawing do."""
    counted = table.counted or ("" if header.manner.level else "from the datum")
    said = 1 if table.columns == "polar" else 2
    if not counted or table.columns == "offsets":
        return ["number", *heads[1:]]
    told = [f"{head.partition(',')[0]} {counted}{''.join(head.partition(',')[1:])}" for head in heads[2 : 2 + said]]
    return ["number", heads[1], *told, *heads[2 + said :]]


def across_and_up(table: PointTable, at: Point) -> tuple[float, float]:
    """Coordinates from the table's corner along its direction and square to it, in the drawing's unit."""
    ux, uy = unit_vector(table.direction)
    dx, dy = at.x - table.corner.x, at.y - table.corner.y
    return dx * ux + dy * uy, dy * ux - dx * uy


def offsets(table: PointTable) -> list[tuple[float, ...]]:
    """How far each place lies from each edge, in the table's order. The side on which the first place lies counts as positive, so
    that nothing changes when others are added."""
    columns: list[list[float]] = []
    for edge in table.edges:
        way = way_of(edge)
        found = [way.off(place.at.x, place.at.y) for place in ordered(table)]
        first = way.off(table.places[0].at.x, table.places[0].at.y)
        sign = -1.0 if first < 0.0 else 1.0
        columns.append([sign * off for off in found])
    return list(zip(*columns, strict=True))


def rows_of(table: PointTable, header: Header, edges: Sequence[str] = ()) -> tuple[Row, list[Row]]:
    """The heads of a table, and a row of words for each place; ``edges`` are the names of its edges."""
    told = _teller(table, header)
    # Feet and inches say theirs themselves.
    unit = "" if _in_parts(table, header) else f", {table.shown or header.manner.unit}"
    sized = any(place.radius is not None for place in table.places)
    heads = ["", "place", *_heads(table, unit, edges), *([f"size{unit}"] if sized else [])]
    away = offsets(table)
    rows: list[Row] = []
    for n, ((number, at), place) in enumerate(zip(numbered(table), ordered(table), strict=True)):
        numbers = _numbers(table, at, header, told, away[n] if away else ())
        size = "" if place.radius is None else f"\u2300 {told(2.0 * place.radius)}" if place.whole else f"R {told(place.radius)}"
        rows.append([str(number), place.words, *numbers, *([size] if sized else [])])
    return heads, rows


def _heads(table: PointTable, unit: str, edges: Sequence[str]) -> Row:
    match table.columns:
        case "polar":
            return [f"distance{unit}", "direction"]
        case "offsets":
            return [f"from {name}{unit}" for name in edges or ("the first edge", "the second edge")]
        case _:
            return [f"x{unit}", f"y{unit}"]


def _numbers(table: PointTable, at: Point, header: Header, told: Callable[[float], str], away: tuple[float, ...]) -> Row:
    if table.columns == "offsets":
        return [told(off) for off in away]
    if table.columns == "x y":
        return [told(v) for v in across_and_up(table, at)]
    dx, dy = at.x - table.corner.x, at.y - table.corner.y
    far = hypot(dx, dy)
    if far == 0.0:
        return [told(0.0), ""]
    # Counted from the table's own direction, in the drawing's sense.
    turn = direction_of(dx, dy) - table.direction + header.manner.datum.turn
    return [told(far), display.direction(turn, header)]


def _in_parts(table: PointTable, header: Header) -> bool:
    """Whether its lengths are in feet, inches and parts of an inch."""
    return table.shown.startswith("1/") or (header.parts > 0 and not table.shown and table.decimals is None)


def _teller(table: PointTable, header: Header) -> Callable[[float], str]:
    if _in_parts(table, header):
        parts = int(table.shown[2:]) if table.shown else header.parts
        return lambda value: display.feet_and_inches(value, header, parts, bool(table.shown) or header.manner.unit != "in")
    unit = table.shown or header.manner.unit
    decimals = header.decimals if table.decimals is None else table.decimals

    def told(value: float) -> str:
        text = f"{convert(value, header.manner.unit, unit):.{decimals}f}"
        return text if any(digit in text for digit in "123456789") else text.lstrip("-")

    return told
