"""Points and readings of a drawing as CSV (RFC 4180): heads first, a row for each, lines that end in CR LF."""

import csv
from collections.abc import Sequence
from io import StringIO

from ...core.book.book import Book
from ...core.book.kinds.table import places_of
from ...core.desk.check_report import check_report
from ...core.figures import EndlessLine, Point
from ...core.problem import refuse
from .items import Item
from .numbers import told_with


def points_csv(items: Sequence[Item], unit: str, decimals: int | None = None) -> str:
    """Names and coordinates: of the points among them; where there is none, of corners, ends and centres of all. Raises
    `Refused` (nothing_chosen)."""
    told = told_with(decimals)
    points = [item for item in items if isinstance(item.figure, Point)]
    out = StringIO(newline="")
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(["name", f"x, {unit}", f"y, {unit}"])
    if points:
        writer.writerows([one.name, told(one.figure.x), told(one.figure.y)] for one in points if isinstance(one.figure, Point))
        return out.getvalue()
    for item in items:
        if isinstance(item.figure, EndlessLine):
            continue
        writer.writerows([place.words, told(place.at.x), told(place.at.y)] for place in places_of(item.figure, item.name))
    return out.getvalue()


def readings_csv(book: Book) -> str:
    """All readings of a drawing, with what is wanted of them and how they stand to it. Raises `Refused` (no_reading_yet)."""
    readings = check_report(book).readings
    if not readings:
        raise refuse("no_reading_yet")
    out = StringIO(newline="")
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(["reading", "of", "value", "wanted", "difference", "verdict"])
    for one in readings:
        writer.writerow([one.name, one.what, one.value, one.wanted, one.difference, "" if one.verdict == "none" else one.verdict])
    return out.getvalue()
