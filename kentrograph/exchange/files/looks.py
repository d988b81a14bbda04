"""Files looked at before they are kept or taken in: pictures of them, and in words what came of reading one back."""

from collections.abc import Sequence

from ...core.book.book import Book
from ...core.figures import Circle, EndlessLine, Figure, Point
from ...core.figures.box import box_around
from ...core.units import convert, plain
from ..cutter import Run, run
from ..cutter_page import cut_svg
from ..svg import Styled, picture
from .formats import Format, Options, Written, found_in
from .items import items_of
from .nc_in import read_program
from .nc_out import cuts_of
from .readback import WANTED, ReadBack

_MOST_SHOWN = 4_000
_EXACTLY = 1e-9
"""Lengths below which nothing but rounding is left."""
_DOT, _LINE, _MARGIN, _PIXELS = 0.006, 0.004, 0.04, 600.0
"""Of the size of what is seen: a point's ring, a line, the margin; and how many pixels all of it is wide."""


def told(back: ReadBack, unit: str) -> str:
    """What came of reading back, in a sentence or two."""
    if back.deviation is None:
        return f"Read back: {'; '.join(back.missing)}."
    count = f"{back.touchings}{' and more' if back.more else ''} {'touching' if back.touchings == 1 else 'touchings'}"
    apart = "still exact" if back.gap < _EXACTLY else f"at most {plain(back.gap, 9)} {unit} apart"
    touch = f"{count}, {apart}" if back.touchings else "nothing touched"
    outlines = f"; {back.closed} closed outline{'s' if back.closed != 1 else ''}" if back.closed else ""
    off = back.deviation
    places = "Every place came back" if off < _EXACTLY else f"No place is off by more than {plain(off, 9)} {unit}"
    return f"Read back: {touch}{outlines}. {places}."


def cut_of(book: Book, options: Options, data: bytes) -> Run:
    """What the stand-in for a cutter cuts of a tool path of a drawing. Raises `Refused`."""
    unit = book.header.manner.unit
    cuts, _ = cuts_of(items_of(book, options.choice), options.tool)
    return run(read_program(data), cuts, options.tool, unit, options.wanted or convert(WANTED, "mm", unit))


def picture_of_file(book: Book, form: Format, options: Options, made: Written) -> str:
    """A picture (SVG) of what is written: of a tool path as it is cut; of readings none."""
    if form.word == "csv":
        return picture_of([one.figure for one in found_in("a.csv", made.data).figures]) if options.content == "points" else ""
    if form.word == "nc" and made.back is not None and made.back.deviation is not None:
        return cut_svg(cut_of(book, options, made.data))
    return picture_of([item.figure for item in items_of(book, options.choice)])


def picture_of(figures: Sequence[Figure]) -> str:
    """A picture (SVG) of figures; of very many the first few thousand, of none nothing."""
    # A point is a small ring: as large as it can be seen, whatever the unit.
    seen = [figure for figure in figures[:_MOST_SHOWN] if not isinstance(figure, EndlessLine)]
    if not seen:
        return ""
    box = box_around(seen)
    size = max(box[2] - box[0], box[3] - box[1]) or 1.0
    drawn = [Circle(one, size * _DOT) if isinstance(one, Point) else one for one in seen]
    return picture([Styled(one, width=size * _LINE) for one in drawn], margin=size * _MARGIN, pixels=_PIXELS / size, box=box)
