"""The formats that drawings are handed over in and taken in from, by the endings of files; who writes or reads one asks here."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, field, replace
from math import inf
from pathlib import PurePath
from typing import Literal

from ...core.book.book import Book
from ...core.language.messages import sentence
from ...core.problem import Refused, refusal
from ...core.units import MILLIMETRES, convert
from .csv_in import Columns, read_csv
from .csv_out import points_csv, readings_csv
from .found import MOST_BYTES, Found, Progress, bad_file
from .iges_in import read_iges
from .iges_out import as_iges
from .items import Choice, Item, items_of
from .kent_in import read_kent
from .nc_in import read_nc
from .nc_out import Tool, as_nc, cuts_of
from .readback import NOT_READ, WANTED, ReadBack, enough_decimals, read_back
from .step_in import read_step
from .step_out import as_step
from .svg_in import read_svg
from .svg_out import as_svg

Content = Literal["points", "readings"]
_Write = Callable[[Sequence[Item], str, str, int | None, Progress | None], tuple[str, list[str]]]


@dataclass(frozen=True, slots=True)
class Format:
    """A format: its word, what it is, the endings of its files, the media type."""

    word: str
    says: str
    endings: tuple[str, ...]
    media: str
    write: _Write | None = None
    read: Callable[[bytes], Found] | None = None
    written: bool = True
    """Whether figures are written in it."""


FORMATS = (
    Format("svg", "SVG, true to scale", ("svg",), "image/svg+xml", as_svg, read_svg),
    Format("step", "STEP, ISO 10303", ("step", "stp"), "model/step", as_step, read_step),
    Format("iges", "IGES 5.3", ("igs", "iges"), "model/iges", as_iges, read_iges),
    Format("csv", "CSV, points or readings", ("csv",), "text/csv; charset=utf-8", None, read_csv),
    Format("kent", "a drawing of our own", ("kent",), "text/plain; charset=utf-8", None, read_kent, written=False),
    Format("nc", "Tool path, ISO 6983", ("nc",), "text/plain; charset=utf-8", None, read_nc),
)
BY_WORD = {one.word: one for one in FORMATS}
BY_ENDING = {ending: one for one in FORMATS for ending in one.endings}


@dataclass(frozen=True, slots=True)
class Options:
    """How a file is written: what of the drawing, with how many decimals (None for every digit), what a CSV holds, with which
    tool; ``wanted`` is how far apart what touches may lie afterwards, in the drawing's unit, 0 for the usual."""

    choice: Choice = field(default_factory=Choice)
    decimals: int | None = None
    content: Content = "points"
    tool: Tool = Tool(0.0)
    wanted: float = 0.0


@dataclass(frozen=True, slots=True)
class Written:
    """A file as it was written, how many figures stand in it, what could not be written, and what came of reading it back."""

    data: bytes
    count: int
    left_out: list[str]
    back: ReadBack | None


def written(
    book: Book, form: Format, title: str, options: Options, progress: Progress | None = None, check: bool = True
) -> Written:
    """A drawing as a file, read back by our own reader. Raises `Refused`."""
    unit = book.header.manner.unit
    if form.word == "csv":
        return _as_csv(book, options)
    items = items_of(book, options.choice)
    count = len(items)
    tool = options.tool
    if form.word == "nc":
        cuts, _ = cuts_of(items, tool)
        count = len(cuts)
        text, left_out = as_nc(items, unit, title, tool, options.decimals, progress)
        compared = [Item(path, cut.item.name, cut.item.pen) for cut in cuts for path in cut.paths]

        def again(some: Sequence[Item], decimals: int) -> Found:
            return read_nc(as_nc(some, unit, title, replace(tool, side="on"), decimals)[0].encode())
    else:
        write, read = form.write, form.read
        assert write is not None
        assert read is not None
        text, left_out = write(items, unit, title, options.decimals, progress)
        compared = items

        def again(some: Sequence[Item], decimals: int) -> Found:
            return read(write(some, unit, title, decimals, None)[0].encode())

    data = text.encode()
    if not check:
        return Written(data, count, left_out, None)
    assert form.read is not None
    wanted = options.wanted or convert(WANTED, "mm", unit)
    try:
        found = form.read(data)
    except Refused as refused:
        # Rounded so far that no machine would take it.
        enough = enough_decimals(compared, unit, wanted, again)
        back = replace(NOT_READ, wanted=wanted, missing=[sentence(refused.problem)], enough=enough)
        return Written(data, count, left_out, back)
    return Written(data, count, left_out, read_back(compared, unit, found, wanted, again))


def _as_csv(book: Book, options: Options) -> Written:
    if options.content == "readings":
        text = readings_csv(book)
        return Written(text.encode(), text.count("\r\n") - 1, [], None)
    text = points_csv(items_of(book, replace(options.choice, construction=True)), book.header.manner, options.decimals)
    count = text.count("\r\n") - 1
    if not count:
        raise refusal("nothing_chosen")
    return Written(text.encode(), count, [], None)


def format_of(name: str) -> Format:
    """The format of a file by the ending of its name. Raises `Refused` (no_format)."""
    ending = PurePath(name.lower()).suffix.removeprefix(".")
    if ending not in BY_ENDING:
        raise refusal("no_format", name=name[-60:], endings=list(BY_ENDING))
    return BY_ENDING[ending]


def found_in(name: str, data: bytes, columns: Columns | None = None, unit: str = "") -> Found:
    """What a file holds. ``columns`` and ``unit`` are those of a CSV. Raises `Refused`: no_format, bad_file."""
    form = format_of(name)
    if len(data) > MOST_BYTES:
        raise too_large(len(data))
    if unit and unit not in MILLIMETRES:
        raise bad_file(f"{unit} is no unit of length")
    if form.word == "csv":
        found = read_csv(data, columns, unit)
    else:
        assert form.read is not None
        found = form.read(data)
    if not found.figures and not found.left_out:
        raise bad_file("there is no figure in it")
    box = found.box
    if box is not None and not all(abs(value) < inf for value in box):
        raise bad_file("its places lie out of reach")
    return found


def too_large(size: int) -> Exception:
    """The refusal of a file that is larger than what is read."""
    return bad_file(f"it has {size / 1e6:.0f} MB; up to {MOST_BYTES / 1e6:.0f} MB can be read")
