"""The ``kentrograph`` command."""

import argparse
import json
import sys
from collections.abc import Sequence
from dataclasses import replace
from datetime import date
from pathlib import Path
from typing import Any

from . import __version__, file_cli, serve_cli, service
from .core.book.papers import PAPERS
from .core.desk.check_report import CheckReport, check_report
from .core.language.messages import sentence
from .core.language.report import problem_data, run_report
from .core.language.script import Script, book_of, read_script
from .core.problem import Refused
from .core.sheet.page import Facts as SheetFacts
from .exchange.check_page import VERDICTS, Facts, check_csv, check_html, picture_of
from .exchange.check_pdf import check_pdf
from .exchange.export import FORMATS, as_csv, as_pdf, as_png, pages_of
from .exchange.marks import read_mark


def main(arguments: Sequence[str] | None = None) -> int:
    """Runs one subcommand and returns the exit status."""
    parser = argparse.ArgumentParser(prog="kentrograph", description="Exact setting-out of flat drawings.")
    parser.add_argument("--version", action="version", version=__version__)
    commands = parser.add_subparsers(dest="command", required=True)
    run = commands.add_parser("run", help="evaluate a text and print its figures and readings")
    run.add_argument("file", metavar="FILE", help="a .kent file, or - for standard input")
    run.add_argument("--json", action="store_true", help="print one JSON object")
    check = commands.add_parser(
        "check", help="check a text: readings, touching figures, loose ends; status 1 when something is out"
    )
    check.add_argument("file", metavar="FILE", help="a .kent file, or - for standard input")
    check.add_argument("--json", action="store_true", help="print one JSON object")
    check.add_argument("--csv", action="store_true", help="print one row for each thing that was checked")
    check.add_argument("--html", action="store_true", help="print a page that can be printed")
    check.add_argument("--pdf", type=Path, metavar="OUT", help="write a page that can be handed over")
    check.add_argument("--limit", type=_length, metavar="LENGTH", help="how near is too near to be meant, in the drawing's unit")
    export = commands.add_parser(
        "export", help="hand a drawing over: its sheets as PDF or PNG, its figures as SVG, STEP, IGES, CSV or a tool path"
    )
    export.add_argument("file", metavar="FILE", help="a .kent file, or - for standard input")
    export.add_argument("out", metavar="OUT", type=Path, help="what is written: its ending says what it is")
    export.add_argument("--sheet", type=int, metavar="N", help="this sheet alone, counted from 1")
    export.add_argument(
        "--paper",
        choices=sorted(PAPERS),
        metavar="SIZE",
        help="paper of the printer, such as a4: larger sheets come on several pages",
    )
    export.add_argument("--mark", type=Path, metavar="FILE", help="the owner's mark, a PNG of at most 5 MB")
    export.add_argument("--dots", type=_length, default=150.0, metavar="N", help="dots to the inch of a PNG (150)")
    file_cli.add_options(export)
    taking = commands.add_parser("import", help="take figures in from SVG, STEP, IGES, CSV or a tool path")
    taking.add_argument("file", type=Path, metavar="IN", help="the file: its ending says what it is")
    taking.add_argument(
        "-o", "--out", type=Path, metavar="OUT", help="the .kent file that is written; without it, standard output"
    )
    prepare = commands.add_parser("prepare", help="bring the database's tables up to date")
    prepare.add_argument("--demo", type=Path, metavar="FOLDER", help="load the demo drawings, once")
    prepare.add_argument("--person", default="drafter", metavar="NAME", help="who keeps the office, or is alone at this machine")
    serve_cli.add_options(commands)
    commands.add_parser("schema", help="print the schema of the interface")
    commands.add_parser("declared", help="print what the core declares, as a module of the front end")
    chosen = parser.parse_args(arguments)
    match chosen.command:
        case "run":
            return run_file(chosen.file, chosen.json)
        case "check":
            form = "json" if chosen.json else "csv" if chosen.csv else "html" if chosen.html else "plain"
            return check_file(chosen.file, form, chosen.limit, chosen.pdf)
        case "export":
            if file_cli.is_file_format(chosen):
                script = read_file(chosen.file)
                return 2 if script is None else file_cli.export_figures(script, chosen)
            return export_file(chosen.file, chosen.out, chosen.sheet, chosen.dots, chosen.paper, chosen.mark)
        case "import":
            return file_cli.import_file(chosen.file, chosen.out)
        case "prepare":
            return service.prepare(chosen.demo, chosen.person)
        case "serve":
            return service.serve(serve_cli.serving(chosen))
        case "backup":
            return service.back_up(chosen.file)
        case "restore":
            return service.restore(chosen.file)
        case "unload":
            return service.unload(chosen.folder)
        case "load":
            return service.load(chosen.folder, chosen.owner)
        case "join":
            return service.join(chosen.name, chosen.keeper, chosen.address, chosen.first)
        case "declared":
            return service.print_declared()
        case _:
            return service.print_schema()


def _length(text: str) -> float:
    """A length above nothing. Raises `ValueError`, which the parser turns into a sentence."""
    value = float(text)
    if not 0.0 < value < 1e9:
        raise ValueError(text)
    return value


def read_file(name: str) -> Script | None:
    """A file as a script; None, with a sentence on standard error, when it cannot be read."""
    try:
        raw = sys.stdin.buffer.read() if name == "-" else Path(name).read_bytes()
    except OSError as error:
        print(f"kentrograph: cannot read {name}: {error.strerror or error}", file=sys.stderr)
        return None
    try:
        text = raw.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        print(f"kentrograph: {name} is not UTF-8 text: byte {error.start} is {raw[error.start]:#04x}", file=sys.stderr)
        return None
    return read_script(text)


def run_file(name: str, as_json: bool) -> int:
    """Evaluates a file: 0 without problems, 1 with some, 2 when it cannot be read."""
    script = read_file(name)
    if script is None:
        return 2
    report = run_report(script, book_of(script))
    if as_json:
        print(json.dumps(report, ensure_ascii=False))
    else:
        _print_plain(report)
    return 1 if report["problems"] else 0


def check_file(name: str, form: str, limit: float | None, pdf: Path | None = None) -> int:
    """Checks a file: 0 when nothing is out, waits or is loose, 1 when something does, 2 when it cannot be read."""
    script = read_file(name)
    if script is None:
        return 2
    book = book_of(script)
    report = check_report(book, limit)
    unread = [problem_data(m.problem, m.line, m.text) for m in script.misread]
    facts = Facts(Path(name).stem, f"as it stands in {Path(name).name}", f"{date.today():%d %B %Y}", picture_of(book))
    if pdf is not None:
        try:
            pdf.write_bytes(check_pdf(report, facts))
        except OSError as error:
            print(f"kentrograph: cannot write {pdf}: {error.strerror or error}", file=sys.stderr)
            return 2
    if form == "json":
        print(json.dumps({**report.as_data(), "good": report.good and not unread, "problems": unread}, ensure_ascii=False))
    elif form == "csv":
        sys.stdout.buffer.write(check_csv(report).encode())
    elif form == "html":
        print(check_html(report, facts))
    else:
        _print_check(report)
    for one in unread:
        print(f"line {one['line']}, column {one['column']}: {one['message']}", file=sys.stderr)
    return 0 if report.good and not unread else 1


def export_file(name: str, out: Path, sheet: int | None, dots: float, paper: str | None = None, mark: Path | None = None) -> int:
    """Writes a drawing in an open format: 0 when all of it is there, 1 when some of it waits, 2 when nothing could be written."""
    form = out.suffix.lower().removeprefix(".")
    if form not in FORMATS:
        every = ", .".join(dict.fromkeys((*FORMATS, *file_cli.ENDINGS)))
        print(f"kentrograph: {out.name} says no format: let it end with .{every}", file=sys.stderr)
        return 2
    script = read_file(name)
    if script is None:
        return 2
    book = book_of(script)
    facts = SheetFacts(title="" if name == "-" else Path(name).stem.replace("-", " ").capitalize())
    try:
        facts = replace(facts, mark=read_mark(mark)) if mark is not None else facts
        match form:
            case "pdf":
                made = as_pdf(book, facts, sheet, _progress if sys.stderr.isatty() else None, paper)
            case "png":
                made = as_png(book, facts, sheet or 1, dots)
            case _:
                made = as_csv(book).encode()
        if form == "pdf" and sys.stderr.isatty():
            print(file=sys.stderr)
        out.write_bytes(made)
    except Refused as refused:
        print(f"kentrograph: {sentence(refused.problem)}", file=sys.stderr)
        return 2
    except OSError as error:
        print(f"kentrograph: cannot write {out}: {error.strerror or error}", file=sys.stderr)
        return 2
    problems = run_report(script, book)["problems"]
    for one in problems:
        print(f"line {one['line']}, column {one['column']}: {one['message']}", file=sys.stderr)
    missing = [words for page in pages_of(book, facts, sheet) for words in page.missing] if form != "csv" else []
    for words in missing:
        print(words, file=sys.stderr)
    return 1 if problems or missing else 0


def _progress(done: int, total: int) -> None:
    """How far a long PDF is, on a line that is written over."""
    print(f"\r{done:,} of {total:,} drawn ", end="", file=sys.stderr, flush=True)


def _print_check(report: CheckReport) -> None:
    for reading in report.readings:
        wanted = f"  wanted {reading.wanted}, off by {reading.difference}: {VERDICTS[reading.verdict]}" if reading.wanted else ""
        print(f"{reading.name:6} {reading.what}: {reading.value}{wanted}")
    for touching in report.touching:
        print(f"{touching.name:6} touches to {touching.residual}{'' if touching.exact else ': out'}")
    for waiting in report.waiting:
        print(f"{waiting.name:6} waits: {waiting.why}")
    for words in report.loose_ends:
        print(f"loose  {words}")
    print("Nothing is out." if report.good else "Something is out.")


def _print_plain(report: dict[str, Any]) -> None:
    for name, figure in report["figures"].items():
        print(f"{name:6} {_told(figure)}")
    for reading in report["readings"]:
        told = {k: v for k, v in reading.items() if k not in ("name", "statement")}
        print(f"{reading['name']:6} {_told(told)}")
    for problem in report["problems"]:
        print(f"line {problem['line']}, column {problem['column']}: {problem['message']}", file=sys.stderr)
        print(f"    {problem['statement']}\n    {' ' * (problem['column'] - 1)}^", file=sys.stderr)


def _told(data: dict[str, Any]) -> str:
    kind = data["kind"]
    rest = {k: v for k, v in data.items() if k not in ("kind", "all", "pieces")}
    if "pieces" in data:
        rest = {"pieces": len(data["pieces"]), **rest}
    words = [f"{k} {', '.join(map(repr, v)) if isinstance(v, list) else v}" for k, v in rest.items()]
    return " · ".join([kind, *words])


if __name__ == "__main__":
    sys.exit(main())
