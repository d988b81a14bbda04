"""``kentrograph export`` to the formats of figures, and ``kentrograph import``."""

import argparse
import sys
from pathlib import Path

from .core.language.messages import sentence
from .core.language.report import run_report
from .core.language.script import Script, book_of
from .core.problem import Refused
from .core.units import plain
from .exchange.files.formats import BY_ENDING, Content, Options, Written, format_of, found_in, too_large, written
from .exchange.files.found import MOST_BYTES, Found
from .exchange.files.items import Choice
from .exchange.files.looks import told
from .exchange.files.nc_out import SIDES, Tool
from .exchange.files.numbers import MOST_DECIMALS
from .exchange.files.taking_in import text_of

ENDINGS = tuple(BY_ENDING)


def add_options(export: argparse.ArgumentParser) -> None:
    """The options that only files of figures have."""
    export.add_argument(
        "--decimals", type=int, choices=range(MOST_DECIMALS + 1), metavar="N", help="decimals of lengths; all digits without it"
    )
    export.add_argument("--only", nargs="+", default=[], metavar="NAME", help="figures and groups, in this order")
    export.add_argument("--pen", action="append", default=[], metavar="PEN", help="only what is drawn with this pen")
    export.add_argument("--construction", action="store_true", help="pencil and points as well")
    export.add_argument(
        "--content", choices=("points", "readings", "tables"), help="what a CSV holds: the setting-out tables first"
    )
    export.add_argument(
        "--within", type=float, default=0.0, metavar="LENGTH", help="how far apart what touches may lie in the file"
    )
    export.add_argument("--tool", type=float, default=0.0, metavar="D", help="diameter of the tool of a tool path")
    export.add_argument("--side", choices=SIDES, default="part", help="where it runs (part: outside, and inside of holes)")
    export.add_argument("--feed", type=float, default=600.0, metavar="F", help="mm or inch a minute (600)")
    export.add_argument("--inch", action="store_true", help="the tool path in inch")


def is_file_format(chosen: argparse.Namespace) -> bool:
    """Whether a file of figures is asked for, and not a sheet or its tables."""
    ending = chosen.out.suffix.lower().removeprefix(".")
    tables = ending == "csv" and chosen.content in (None, "tables") and not chosen.only
    return ending in BY_ENDING and BY_ENDING[ending].written and not tables


def export_figures(script: Script, chosen: argparse.Namespace) -> int:
    """Writes figures: 0 when all of it is there and touches as it did, 1 when something waits, was left out or is no longer
    tangent, 2 when nothing could be written."""
    book = book_of(script)
    choice = Choice(names=tuple(chosen.only), pens=tuple(chosen.pen), construction=chosen.construction)
    content: Content = "readings" if chosen.content == "readings" else "points"
    tool = Tool(chosen.tool, chosen.side, chosen.feed, "in" if chosen.inch else "mm")
    options = Options(choice, chosen.decimals, content, tool, chosen.within)
    title = "" if chosen.file == "-" else Path(chosen.file).stem.replace("-", " ").capitalize()
    try:
        made = written(book, format_of(chosen.out.name), title, options)
        chosen.out.write_bytes(made.data)
    except Refused as refused:
        print(f"kentrograph: {sentence(refused.problem)}", file=sys.stderr)
        return 2
    except OSError as error:
        print(f"kentrograph: cannot write {chosen.out}: {error.strerror or error}", file=sys.stderr)
        return 2
    problems = run_report(script, book)["problems"]
    for one in problems:
        print(f"line {one['line']}, column {one['column']}: {one['message']}", file=sys.stderr)
    _tell(made, book.header.manner.unit)
    return 1 if problems or made.left_out or (made.back is not None and not made.back.good) else 0


def _tell(made: Written, unit: str) -> None:
    print(f"{made.count} figures, {len(made.data):,} bytes")
    for words in made.left_out:
        print(f"left out: {words}", file=sys.stderr)
    back = made.back
    if back is None:
        return
    print(told(back, unit), file=sys.stdout if back.good else sys.stderr)
    if back.worst and not back.good:
        worst = back.worst[0]
        enough = f"; {back.enough} decimals would keep it" if back.enough is not None else ""
        print(f"{worst.names}: {plain(worst.gap, 9)} {unit} apart{enough}", file=sys.stderr)


def import_file(file: Path, out: Path | None) -> int:
    """Takes a file in: 0 when all of it came, 1 when some was left out, 2 when nothing could be read."""
    try:
        # Before anything is read: it may be larger than there is memory.
        if file.stat().st_size > MOST_BYTES:
            raise too_large(file.stat().st_size)
        found = found_in(file.name, file.read_bytes())
        text = text_of(found, file.stem)
        if out is not None:
            out.write_text(text, encoding="utf-8")
    except Refused as refused:
        print(f"kentrograph: {file.name}: {sentence(refused.problem)}", file=sys.stderr)
        return 2
    except OSError as error:
        print(f"kentrograph: {error.filename}: {error.strerror or error}", file=sys.stderr)
        return 2
    _tell_found(found)
    if out is None:
        print(text, end="")
    return 1 if found.left_out else 0


def _tell_found(found: Found) -> None:
    """What came, and what did not, on standard error: what was read may stand on standard output."""
    counts = ", ".join(f"{count} {kind}{'s' if count != 1 else ''}" for kind, count in found.counts().items())
    box = found.box
    reach = f", {plain(box[2] - box[0], 3)} by {plain(box[3] - box[1], 3)} {found.unit}" if box is not None else ""
    print(f"{counts or 'nothing'}{reach}", file=sys.stderr)
    for words in found.notes:
        print(f"note: {words}", file=sys.stderr)
    for (what, why), count in found.left_out.items():
        where = found.first[what, why]
        print(f"left out: {count} {what}, {why}{f' (the first: {where})' if where else ''}", file=sys.stderr)
