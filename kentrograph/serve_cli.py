"""The options of `kentrograph serve` and `kentrograph join`."""

import argparse
from pathlib import Path
from typing import Any

from .service import Serving


def add_options(commands: Any) -> None:
    """Both commands, to a parser's."""
    serve = commands.add_parser("serve", help="serve the application, on 127.0.0.1 unless --bind says otherwise")
    serve.add_argument("--port", type=int, default=8300)
    serve.add_argument(
        "--allow", action="append", default=[], metavar="ADDRESS",
        help="a further address under which it is reached, such as https://office.example; may stand more than once",
    )  # fmt: skip
    serve.add_argument("--bind", default="127.0.0.1", metavar="ADDRESS", help="the address it listens at (127.0.0.1)")
    serve.add_argument("--office", action="store_true", help="people sign in; without it there is one person, at this machine")
    serve.add_argument("--person", default="drafter", metavar="NAME", help="who is at this machine, where nobody signs in")
    serve.add_argument("--certificate", type=Path, metavar="FILE", help="a certificate (PEM): it is then served over TLS")
    serve.add_argument("--key", type=Path, metavar="FILE", help="its private key (PEM)")
    serve.add_argument("--backup", type=Path, metavar="FOLDER", help="once a day all is written to a file there; 14 are kept")
    serve.add_argument("--workers", type=int, default=1, metavar="N", help="processes that answer, about one a core (1)")
    serve.add_argument("--logs", type=Path, metavar="FOLDER", help="a log a day is kept there; without it, standard error")
    serve.add_argument("--metrics", type=int, metavar="PORT", help="what is counted can be read at this port of 127.0.0.1")
    backup = commands.add_parser("backup", help="write everything that is kept to one file")
    backup.add_argument("file", type=Path, metavar="FILE", help="what is written, such as office.zip")
    restore = commands.add_parser("restore", help="take everything back from such a file, into a place without drawings")
    restore.add_argument("file", type=Path, metavar="FILE")
    unload = commands.add_parser("unload", help="write every drawing to a folder, as a text with its history beside it")
    unload.add_argument("folder", type=Path, metavar="FOLDER")
    load = commands.add_parser("load", help="take drawings in from such a folder, or from any folder of .kent texts")
    load.add_argument("folder", type=Path, metavar="FOLDER")
    load.add_argument("--owner", metavar="NAME", help="whose they are then; without it, who keeps the office")
    join = commands.add_parser("join", help="print a link, good once, with which somebody sets a password")
    join.add_argument("name", metavar="NAME", help="who; somebody new joins by it")
    join.add_argument("--keeper", action="store_true", help="somebody new keeps the office")
    join.add_argument("--address", default="http://127.0.0.1:8300", help="where the server is reached")
    join.add_argument("--first", action="store_true", help="only where nobody has a password yet; for who keeps the office")


def serving(chosen: argparse.Namespace) -> Serving:
    """What the options say."""
    return Serving(
        chosen.port,
        chosen.allow,
        chosen.bind,
        chosen.office,
        chosen.person,
        chosen.certificate,
        chosen.key,
        chosen.backup,
        chosen.workers,
        chosen.logs,
        chosen.metrics,
    )
