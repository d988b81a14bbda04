"""All that was checked in a drawing, in words: for a page that is handed over, and for the command line."""

from dataclasses import asdict, dataclass
from typing import Any

from ..book.book import Book
from ..book.kinds.comparing import compares
from ..book.on_paper import reading_of
from ..book.values import Reading, StepResult
from ..checks.loose_ends import distinct, loose_ends, usual_limit
from ..checks.verdict import Verdict, verdict
from ..language.messages import sentence
from ..problem import Problem
from ..sheet.of_book import note_of
from .finding_views import words
from .interpretation import given_texts
from .views import reading_words, residual_view


@dataclass(frozen=True, slots=True)
class CheckedReading:
    """A reading: its name, what it is of, what it says and should say, by how much it is off, and how it stands to that."""

    name: str
    what: str
    value: str
    wanted: str
    difference: str
    verdict: Verdict


@dataclass(frozen=True, slots=True)
class CheckedTouching:
    """A figure that touches others: by how much it misses them at most, and whether that is only what rounding left."""

    name: str
    statement: str
    residual: str
    exact: bool


@dataclass(frozen=True, slots=True)
class CheckedWaiting:
    """A step that cannot be drawn, and why; or that goes on without something, or says what is not drawn."""

    name: str
    statement: str
    why: str


@dataclass(frozen=True, slots=True)
class CheckReport:
    """What was checked: readings by trouble, touching figures, loose ends nearer than ``limit``, steps that wait."""

    readings: list[CheckedReading]
    touching: list[CheckedTouching]
    loose_ends: list[str]
    waiting: list[CheckedWaiting]
    limit: float
    unit: str

    @property
    def good(self) -> bool:
        """Whether nothing is out, loose or waiting, and all that touches does."""
        out = any(one.verdict == "out" for one in self.readings)
        return not (out or self.loose_ends or self.waiting or any(not one.exact for one in self.touching))

    def as_data(self) -> dict[str, Any]:
        """The same as plain data, for ``check --json``."""
        return {"good": self.good, **asdict(self)}


_TROUBLE: dict[Verdict, int] = {"out": 0, "close": 1, "within": 2, "none": 3}


def check_report(book: Book, limit: float | None = None) -> CheckReport:
    """Everything that can be checked in a book; loose ends with a limit in the drawing's unit, or the usual one."""
    unit = book.header.manner.unit
    used = limit or usual_limit(unit)
    readings: list[CheckedReading] = []
    touching: list[CheckedTouching] = []
    waiting: list[CheckedWaiting] = []
    for id in book.order:
        step, value = book.steps[id], book.values[id]
        text = step.statement.text
        if isinstance(value, Problem):
            if not step.off:
                waiting.append(CheckedWaiting(step.name, text, sentence(value)))
            continue
        if note := note_of(book, id):
            waiting.append(CheckedWaiting(step.name, text, note))
        reading = reading_of(value.figure)
        if reading is not None:
            texts = zip(given_texts(step.statement), step.statement.givens, strict=True)
            what = " ".join(said.rstrip(" ;") for said, given in texts if not compares(given.word))
            readings.append(_reading(book, step.name, what, reading))
        residual = residual_view(value, book)
        if residual is not None and isinstance(value, StepResult):
            touching.append(CheckedTouching(step.name, text, residual.exact, residual.words == "exact"))
    readings.sort(key=lambda one: _TROUBLE[one.verdict])
    found = [words(book, one) for one in distinct(book, loose_ends(book, used), used)]
    return CheckReport(readings, touching, found, waiting, used, unit)


def _reading(book: Book, name: str, what: str, reading: Reading) -> CheckedReading:
    said = reading_words(reading, book)
    compared = said.compared
    return CheckedReading(
        name,
        what,
        said.value,
        compared.wanted if compared else "",
        compared.difference if compared else "",
        verdict(reading, book.header),
    )
