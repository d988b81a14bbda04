"""What a table is shown, as data: declared once. The schema of the wire, and so the browser's types, are made from it."""

from dataclasses import dataclass
from typing import Literal

from ..checks.verdict import Verdict
from ..language.report import FigureData
from .bounds import Whole
from .completion import Completion
from .intents import Entry
from .outcomes import Outcome


@dataclass(frozen=True, slots=True, kw_only=True)
class ProblemView:
    """Why something cannot be; ``start`` and ``end`` are places in the text.

    ``suggestion`` is what would work, in words (``radius 15.7``); ``suggested`` the statement, or the row, with that in place.
    """

    kind: str
    message: str
    start: int
    end: int
    suggestion: str | None
    suggested: str | None


@dataclass(frozen=True, slots=True)
class Row:
    """A given in its own words, and what it was understood as where that says more.

    ``named`` says that it only names places of figures: where they lie is seen, and is of interest only on a second look.
    """

    text: str
    value: str
    named: bool = False


@dataclass(frozen=True, slots=True)
class ReadingPart:
    """A further number of a reading."""

    name: str
    value: str


@dataclass(frozen=True, slots=True)
class Compared:
    """A reading against what is wanted of it: both in words, and how it stands to it."""

    wanted: str
    difference: str
    verdict: Verdict


@dataclass(frozen=True, slots=True)
class ReadingView:
    """A reading in words; ``exact`` is its value with every digit, ``table`` the rows that belong to it, their heads first."""

    kind: str
    value: str
    exact: float
    rows: list[ReadingPart]
    compared: Compared | None
    table: list[list[str]]


@dataclass(frozen=True, slots=True)
class ResidualView:
    """Whether a figure touches all that it is to touch, in words, and by how much it misses at most, with its unit."""

    words: str
    exact: str


@dataclass(frozen=True, slots=True)
class FurtherView:
    """A further figure that comes of a step, known by its own id."""

    id: str
    name: str
    kind: str
    pen: str
    figure: FigureData


@dataclass(frozen=True, slots=True)
class HeaderView:
    """What a drawing is set to; ``datum`` is x, y and the direction of its x axis, ``parts`` are those of an inch in which
    lengths are shown, 0 for decimals."""

    unit: str
    zero: str
    clockwise: bool
    datum: list[float]
    decimals: int
    parts: int
    bearings: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class StepView:
    """A step of the book. ``figure`` is what comes of it first, where that is seen, and ``called`` its name, which of a verb is
    that of what it works on; ``further`` what else is seen of it.

    ``beside`` is the special place that a plain position was taken beside; ``residual`` how well a touching
    figure touches, None for one that touches nothing.
    """

    id: str
    kind: str
    title: str
    name: str
    pen: str
    hidden: bool
    off: bool
    text: str
    rows: list[Row]
    uses: list[str]
    called: str
    figure: FigureData | None
    further: list[FurtherView]
    reading: ReadingView | None
    number: float | None
    problem: ProblemView | None
    note: str
    """What a person should know of what it puts on paper."""
    beside: str | None
    residual: ResidualView | None


@dataclass(frozen=True, slots=True)
class Locus:
    """A line or circle that a person would draw to find a figure, and what it is."""

    figure: FigureData
    words: str


@dataclass(frozen=True, slots=True)
class WorkingView:
    """The working of a step: its loci, and the sums in words."""

    loci: list[Locus]
    sums: list[str]


@dataclass(frozen=True, slots=True)
class ValueView:
    """A value of a figure: its word, how it reads, every digit of it, and whether it is one of the givens."""

    word: str
    shown: str
    exact: float
    stated: bool


@dataclass(frozen=True, slots=True)
class WayView:
    """A way to state another value: the givens that give way, the step's text then, and the figure that it draws."""

    instead: list[str]
    text: str
    figure: FigureData


# The open line ----------------------------------------------------------------------------------------------


@dataclass(frozen=True, slots=True, kw_only=True)
class TagView:
    """What the pointer would take, in words, and the figure under it by its id.

    ``kind`` is what kind of place it is, empty for a plain position; ``more`` how many lie in the very same spot; ``sights``
    the sight lines that it lies on; ``of_figure`` whether the figure there is meant more likely than the place; ``passes``
    what passing over it starts sight lines from. ``told`` are the measures of the figure, while nothing is written.
    """

    words: str
    at: list[float]
    kind: str
    more: int
    figure: str | None
    sights: list[FigureData]
    of_figure: bool
    passes: str | None
    told: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class LiveView:
    """From the last place to the place in question, in words."""

    length: str
    direction: str
    across: str
    up: str


@dataclass(frozen=True, slots=True)
class FollowView:
    """A step that would change with the one being mended."""

    id: str
    figure: FigureData | None
    problem: ProblemView | None


@dataclass(frozen=True, slots=True)
class SolutionView:
    """One of several figures that meet all givens: its side words, and where it touches."""

    figure: FigureData
    words: str
    note: str
    touching: list[list[float]]


@dataclass(frozen=True, slots=True)
class HandleView:
    """A place by which the selected figure can be pulled, and what pulling changes."""

    at: list[float]
    words: str


@dataclass(frozen=True, slots=True)
class PullView:
    """What a pulled figure becomes, in words; ``later`` says which place of a later figure it is pulled to, which nothing can
    hang on, and is empty where it is none."""

    becomes: str
    later: str


@dataclass(frozen=True, slots=True)
class CarryView:
    """What is selected, carried from a place to a place: in words, line by line; where it cannot be, they say why."""

    start: list[float]
    end: list[float]
    words: list[str]


@dataclass(frozen=True, slots=True)
class BrushView:
    """What a click or a stroke would ink, or take away: the stretches as they would be then, and what would be written.

    ``words`` is the last of them in words, line by line; ``why`` the reason why what is under the pointer cannot be done.
    """

    gone: bool
    stretches: list[FigureData]
    entries: tuple[Entry, ...]
    words: list[str]
    why: str


@dataclass(frozen=True, slots=True, kw_only=True)
class LineView(Whole):
    """All that is shown of what is in hand, and all that can be done with it: ``enter``, ``click`` (also letting go of what is
    dragged, pulled or stroked), ``leave`` (Escape) and ``better`` (what would work is put into the row), each complete.

    ``box`` holds the preview: left, bottom, right, top. ``picks`` are the rows that a click could state, likeliest first, and
    ``picked`` the one that it would; ``unfit`` says why the place that lies nearest will not do or, where there are no picks, why
    a click states nothing. ``around`` is the centre of the arc being written while its end is free, ``leaving`` the direction in
    which a chain leaves its last end; ``passed`` is where the places are that the pointer passed over. ``follows`` are the steps
    that would change with one that is mended or pulled.
    """

    type: Literal["line"] = "line"
    seq: int = 0
    rows: list[Row]
    name: str = ""
    row: str = ""
    value: str = ""
    enter: Outcome
    click: Outcome | None = None
    leave: Outcome
    better: Outcome | None = None
    preview: FigureData | None = None
    box: list[float] | None = None
    solutions: list[SolutionView]
    taken: int = 0
    note: str = ""
    reading: ReadingView | None = None
    problem: ProblemView | None = None
    hint: str = ""
    completions: tuple[Completion, ...] = ()
    tag: TagView | None = None
    live: LiveView | None = None
    last: list[float] | None = None
    around: list[float] | None = None
    leaving: float | None = None
    passed: list[list[float]]
    picks: tuple[str, ...] = ()
    picked: int = 0
    unfit: str | None = None
    follows: list[FollowView]
    handles: list[HandleView]
    pull: PullView | None = None
    brush: BrushView | None = None
    carry: CarryView | None = None
