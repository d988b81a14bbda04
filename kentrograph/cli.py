"""The ``kentrograph`` command."""

import argparse
import json
import sys
from collections.abc import Sequence
from pathlib import Path
from typing import Any

from . import __version__, service
from .core.language.report import run_report
from .core.language.script import book_of, read_script


def main(arguments: Sequence[str] | None = None) -> int:
    """Runs one subcommand and returns the exit status."""
    parser = argparse.ArgumentParser(prog="kentrograph", description="Exact setting-out of flat drawings.")
    parser.add_argument("--version", action="version", version=__version__)
    commands = parser.add_subparsers(dest="command", required=True)
    run = commands.add_parser("run", help="evaluate a text and print its figures and readings")
    run.add_argument("file", metavar="FILE", help="a .kent file, or - for standard input")
    run.add_argument("--json", action="store_true", help="print one JSON object")
    prepare = commands.add_parser("prepare", help="bring the database's tables up to date")
    prepare.add_argument("--demo", type=Path, metavar="FOLDER", help="load the demo drawings, once")
    serve = commands.add_parser("serve", help="serve the application on 127.0.0.1")
    serve.add_argument("--port", type=int, default=8300)
    serve.add_argument(
        "--allow", action="append", default=[], metavar="ADDRESS",
        help="a further address under which it is reached, such as https://office.example; may stand more than once",
    )  # fmt: skip
    commands.add_parser("schema", help="print the schema of the interface")
    chosen = parser.parse_args(arguments)
    match chosen.command:
        case "run":
            return run_file(chosen.file, chosen.json)
        case "prepare":
            return service.prepare(chosen.demo)
        case "serve":
            return service.serve(chosen.port, chosen.allow)
        case _:
            return service.print_schema()


def run_file(name: str, as_json: bool) -> int:
    """Evaluates a file: 0 without problems, 1 with some, 2 when it cannot be read."""
    try:
        raw = sys.stdin.buffer.read() if name == "-" else Path(name).read_bytes()
    except OSError as error:
        print(f"kentrograph: cannot read {name}: {error.strerror or error}", file=sys.stderr)
        return 2
    try:
        text = raw.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        print(f"kentrograph: {name} is not UTF-8 text: byte {error.start} is {raw[error.start]:#04x}", file=sys.stderr)
        return 2
    script = read_script(text)
    report = run_report(script, book_of(script))
    if as_json:
        print(json.dumps(report, ensure_ascii=False))
    else:
        _print_plain(report)
    return 1 if report["problems"] else 0


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
