"""What a reader finds in a file, whatever its format: figures with their unit and where each came from, and what was left out."""

from collections import Counter
from collections.abc import Callable
from contextvars import ContextVar
from dataclasses import dataclass, field
from time import monotonic

from ...core.figures import Figure
from ...core.figures.box import Box, box_around, box_of
from ...core.problem import Refused, refusal
from ...core.tolerance import LARGEST

MOST_BYTES = 25_000_000
MOST_FIGURES = 200_000
MOST_SECONDS = 30.0
Progress = Callable[[int, int], None]
"""Is told how much of how much is done; what it raises calls the work off."""
WATCH: ContextVar[Callable[[], None] | None] = ContextVar("WATCH", default=None)
"""Is called again and again while a file is read; what it raises calls the reading off."""


@dataclass(frozen=True, slots=True)
class FoundFigure:
    """A figure of a file, in the file's unit: the name, group and pen that it has there, and its place in the file."""

    figure: Figure
    name: str = ""
    group: str = ""
    pen: str = ""
    where: str = ""


@dataclass(slots=True)
class Found:
    """All that came of a file. ``left_out`` counts what could not be taken, by what it is and why; ``first`` says where the first
    of each stood. ``notes`` are what a person should know of what was taken."""

    unit: str = "mm"
    figures: list[FoundFigure] = field(default_factory=list)
    left_out: Counter[tuple[str, str]] = field(default_factory=Counter)
    first: dict[tuple[str, str], str] = field(default_factory=dict)
    notes: list[str] = field(default_factory=list)
    _until: float = field(default_factory=lambda: monotonic() + MOST_SECONDS)

    def add(self, figure: Figure, name: str = "", group: str = "", pen: str = "", where: str = "") -> None:
        """Takes a figure, unless it reaches further than anything can be drawn. Raises `Refused` (bad_file) where there are too
        many, or it takes too long."""
        try:
            box_of(figure)
        except Refused:
            self.leave_out(kind_of(figure), "it reaches further than can be drawn", where)
            return
        self.figures.append(FoundFigure(figure, name, group, pen, where))
        if len(self.figures) > MOST_FIGURES:
            raise bad_file(f"it has more than {MOST_FIGURES:,} figures")
        self.in_time()

    def leave_out(self, what: str, why: str, where: str = "") -> None:
        """Counts what cannot be taken."""
        self.left_out[what, why] += 1
        self.first.setdefault((what, why), where)
        self.in_time()

    def in_time(self) -> None:
        """Raises `Refused` (bad_file) once reading has taken longer than anybody waits."""
        watch = WATCH.get()
        if watch is not None:
            watch()
        if monotonic() > self._until:
            raise bad_file(f"reading it takes longer than {MOST_SECONDS:.0f} s")

    @property
    def box(self) -> Box | None:
        """The box around all figures, in the file's unit."""
        return box_around(one.figure for one in self.figures) if self.figures else None

    def counts(self) -> dict[str, int]:
        """How many there are of each kind."""
        found = Counter(kind_of(one.figure) for one in self.figures)
        return dict(sorted(found.items()))


def kind_of(figure: Figure) -> str:
    """A kind of figure in a word."""
    return {"EndlessLine": "line without ends", "FigureSet": "set"}.get(type(figure).__name__, type(figure).__name__.lower())


def bad_file(why: str, where: str = "") -> Refused:
    """The refusal of a whole file, to raise."""
    return refusal("bad_file", why=why, where=where)


def finite(text: str, where: str = "") -> float:
    """A number of a file. Raises `Refused` (bad_file) for one that is none, or too large to be a place."""
    try:
        value = float(text)
    except ValueError:
        raise bad_file(f"{text[:40]!r} is no number", where) from None
    if not abs(value) <= LARGEST:
        raise bad_file(f"the number {text[:40]} is too large", where)
    return value
