"""Points and readings of a drawing as CSV (RFC 4180): heads first, a row for each, lines that end in CR LF."""

from collections.abc import Sequence

from ...core.book.book import Book
from ...core.book.kinds.table import places_of
from ...core.book.manner import Conventions
from ...core.desk.check_report import check_report
from ...core.figures import EndlessLine, Point
from ...core.problem import refusal
from ..csv_text import csv_text
from .items import Item
from .numbers import number_writer


def points_csv(items: Sequence[Item], manner: Conventions, decimals: int | None = None) -> str:
    """Names and coordinates from the datum of a manner, in its unit: of the points among them; where there is none, of corners,
    ends and centres of all. Raises `Refused` (nothing_chosen)."""
    told = number_writer(decimals)
    places = [(one.name, one.figure) for one in items if isinstance(one.figure, Point)]
    if not places:
        shown = [item for item in items if not isinstance(item.figure, EndlessLine)]
        places = [(place.words, place.at) for item in shown for place in places_of(item.figure, item.name)]
    counted = "" if manner.level else " from the datum"
    heads = ["name", f"x{counted}, {manner.unit}", f"y{counted}, {manner.unit}"]
    return csv_text([heads, *([name, *map(told, manner.from_world(at))] for name, at in places)])


def readings_csv(book: Book) -> str:
    """All readings of a drawing, with what is wanted of them and how they stand to it. Raises `Refused` (no_reading_yet)."""
    readings = check_report(book).readings
    if not readings:
        raise refusal("no_reading_yet")
    rows = [
        [one.name, one.what, one.value, one.wanted, one.difference, "" if one.verdict == "none" else one.verdict]
        for one in readings
    ]
    return csv_text([["reading", "of", "value", "wanted", "difference", "verdict"], *rows])
