"""The server's log: a file a day, for its owner only, one JSON object a line, with the number of the request it is about.

No text of a drawing gets into it: of a fault there is its kind and where in the program it arose, not what it says, which may
repeat what was typed. Several workers write to one file: each line is one write at its end (POSIX, O_APPEND).
"""

import logging
import os
import sys
import traceback
from datetime import date, timedelta
from pathlib import Path
from types import TracebackType
from typing import Any

import structlog

KEPT_DAYS = 30
NAME = "kentrograph-{}.log"
MOST_FRAMES = 40


class DatedFile(logging.Handler):
    """Appends to the file of the day in ``folder``, and takes away those of long ago when a new day begins."""

    def __init__(self, folder: Path) -> None:
        super().__init__()
        self.folder = folder
        self._day: date | None = None
        self._file = -1

    def emit(self, record: logging.LogRecord) -> None:
        """One line. Where it cannot be written (a full disk) that goes to standard error, and the work goes on."""
        try:
            if self._day != date.today():
                self._begin(date.today())
            os.write(self._file, self.format(record).encode(errors="replace") + b"\n")
        except OSError:
            self.handleError(record)

    def _begin(self, day: date) -> None:
        self.folder.mkdir(parents=True, exist_ok=True, mode=0o700)
        opened = os.open(self.folder / NAME.format(day), os.O_WRONLY | os.O_APPEND | os.O_CREAT, 0o600)
        if self._file >= 0:
            os.close(self._file)
        self._file, self._day = opened, day
        oldest = NAME.format(day - timedelta(days=KEPT_DAYS))
        for file in self.folder.glob(NAME.format("????-??-??")):
            if file.name < oldest:
                file.unlink(missing_ok=True)


def log_to(folder: Path | None) -> None:
    """Sends everything that is logged to files in a folder; to standard error where there is none."""
    handler = logging.StreamHandler() if folder is None else DatedFile(folder)
    before: list[Any] = [
        structlog.contextvars.merge_contextvars,
        structlog.stdlib.ExtraAdder(),
        structlog.stdlib.add_log_level,
        structlog.processors.TimeStamper(fmt="iso", utc=True),
        _where_only,
    ]
    render: Any = structlog.processors.JSONRenderer() if folder is not None else structlog.dev.ConsoleRenderer(colors=False)
    handler.setFormatter(
        structlog.stdlib.ProcessorFormatter(
            foreign_pre_chain=before,
            processors=[_own_process, structlog.stdlib.ProcessorFormatter.remove_processors_meta, render],
        )
    )
    root = logging.getLogger()
    root.handlers = [handler]
    root.setLevel(logging.WARNING)
    logging.getLogger("kentrograph").setLevel(logging.WARNING if folder is None else logging.INFO)
    for name in ("uvicorn", "uvicorn.error", "uvicorn.access"):
        logging.getLogger(name).handlers = []
        logging.getLogger(name).propagate = True


def _own_process(logger: object, method: str, said: Any) -> Any:
    said["process"] = os.getpid()
    return said


def _where_only(logger: object, method: str, said: Any) -> Any:
    """Of an exception, its kind and where it arose."""
    found = said.pop("exc_info", None)
    if found is True:
        found = sys.exc_info()
    if isinstance(found, BaseException):
        found = (type(found), found, found.__traceback__)
    if found and found[1] is not None:
        said["fault"] = fault(found[1])
    return said


def fault(error: BaseException) -> list[str]:
    """The kinds of an exception and of what led to it, each with the lines of the program that it came through."""
    told: list[str] = []
    while True:
        told += [_named(type(error)), *_frames(error.__traceback__)]
        before = error.__cause__ or (None if error.__suppress_context__ else error.__context__)
        if before is None or len(told) > MOST_FRAMES * 3:
            return told
        error = before


def _named(kind: type[BaseException]) -> str:
    return f"{kind.__module__}.{kind.__qualname__}"


def _frames(trace: TracebackType | None) -> list[str]:
    found = traceback.extract_tb(trace)[-MOST_FRAMES:]
    return [f"  {frame.filename}:{frame.lineno} {frame.name}: {frame.line}" for frame in found]
