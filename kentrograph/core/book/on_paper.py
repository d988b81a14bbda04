"""What a step holds that stands on paper and is no figure: dimensions, notes, tables, sheets and the views on them.

Places are in the drawing's unit, as those of figures; what lies on a sheet is in millimetres from its lower left corner.
"""

from dataclasses import dataclass
from typing import Literal

from ..figures import Arc, Circle, Figure, Point, RoundCurve, StraightCurve
from ..shape.faces import Face
from .readings_held import Reading

Form = Literal["straight", "radius", "diameter", "angle", "arc", "place", "area"]
"""How a dimension is drawn: from place to place along a direction, on a rim, between two directions, along an arc, coordinates,
the area of what is closed."""
Rows = Literal["", "chain", "rows", "running"]
"""How several dimensions from place to place stand: one behind the other, each in a row of its own from the first place, or from
a zero in one row."""


class OnPaper:
    """What stands on paper: it is not drawn as a figure, nor snapped to, nor shaped."""

    __slots__ = ()


@dataclass(frozen=True, slots=True)
class Dimension(OnPaper):
    """A measured value as it stands on a drawing.

    ``places`` are those that it is measured between: of an angle its corner, of a round figure its centre, of coordinates the
    place. ``direction`` is the way along which it is measured, or where an angle begins; ``turn`` its sweep (degrees). ``at`` is
    a place through which its line runs; without it, it is kept clear by itself. ``legs`` are how far what runs out from the
    corner of an angle reaches, in its first and in its last direction.
    """

    form: Form
    readings: tuple[Reading, ...]
    places: tuple[Point, ...]
    direction: float = 0.0
    turn: float = 0.0
    rim: Circle | Arc | None = None
    legs: tuple[float, float] = (0.0, 0.0)
    at: Point | None = None
    rows: Rows = ""
    times: int = 1
    bracketed: bool = False
    free: bool = False
    """Whether it is not to scale: its value is underlined."""
    words: str = ""


def reading_of(held: object) -> Reading | None:
    """The reading that a step is checked by: its own, or the only one of a dimension of which a value is wanted."""
    if isinstance(held, Reading):
        return held
    if isinstance(held, Dimension) and len(held.readings) == 1 and held.readings[0].wanted is not None:
        return held.readings[0]
    return None


@dataclass(frozen=True, slots=True)
class Note(OnPaper):
    """Words, with a line to each place or figure that they are about. ``at`` is where they begin."""

    words: str
    to: tuple[Figure, ...]
    at: Point | None = None


@dataclass(frozen=True, slots=True)
class Axes(OnPaper):
    """Centre marks of round figures, and the circles on which the centres of sets of them lie."""

    rims: tuple[RoundCurve, ...]
    through: tuple[Circle, ...] = ()


@dataclass(frozen=True, slots=True)
class Hatch(OnPaper):
    """Closed faces filled with lines in a direction (degrees), ``apart`` in millimetres on paper."""

    faces: tuple[Face, ...]
    direction: float = 45.0
    apart: float = 3.0


@dataclass(frozen=True, slots=True)
class Detail(OnPaper):
    """A circle around what is shown larger elsewhere; its name is its letter."""

    circle: Circle


Columns = Literal["x y", "polar", "offsets"]


@dataclass(frozen=True, slots=True)
class TablePlace:
    """A place of a setting-out table, what it is, and the radius or diameter of what has its centre there."""

    words: str
    at: Point
    radius: float | None = None
    whole: bool = False
    """Whether it is the centre of a whole circle, of which one writes the diameter."""


@dataclass(frozen=True, slots=True)
class PointTable(OnPaper):
    """Places with coordinates from a corner and a direction (degrees, core convention), or with their distances from two edges.

    ``order`` is "across" or "up" where they are sorted by that; ``shown`` the unit that it is in. ``counted`` says in words from
    where its coordinates count, where that is not the datum. ``sheet`` and ``at`` say where it stands on paper.
    """

    places: tuple[TablePlace, ...]
    corner: Point
    direction: float
    columns: Columns = "x y"
    edges: tuple[StraightCurve, ...] = ()
    order: str = ""
    shown: str = ""
    decimals: int | None = None
    sheet: str = ""
    at: tuple[float, float] | None = None
    title: str = ""
    counted: str = ""
    numbers: tuple[int, ...] = ()
    """Those of its places in its order, where other tables of the drawing number places as well: a place has one number."""


@dataclass(frozen=True, slots=True)
class Schedule(OnPaper):
    """Rows of words on a sheet: those that are stated, or one for each of some readings, which have names. Without heads, and
    where it is of no readings, nothing is ruled. ``sheet`` and ``at`` say where it stands, as of a table."""

    title: str
    heads: tuple[str, ...]
    rows: tuple[tuple[str, ...], ...]
    readings: tuple[tuple[str, Reading], ...] = ()
    sheet: str = ""
    at: tuple[float, float] | None = None


@dataclass(frozen=True, slots=True)
class Sheet(OnPaper):
    """A sheet of paper: its size in mm as it lies, and the fields of its title block by their words."""

    paper: str
    width: float
    height: float
    fields: tuple[tuple[str, str], ...] = ()


@dataclass(frozen=True, slots=True)
class View(OnPaper):
    """The drawing on a sheet, or figures of it: ``scale`` is paper by nature, None for the largest that fits; ``at`` is where the
    middle of what is seen lies on the sheet, in mm. With a ``window`` only what lies within that circle is seen."""

    sheet: str
    of: tuple[Figure, ...] = ()
    names: tuple[str, ...] = ()
    scale: float | None = None
    turn: float = 0.0
    at: tuple[float, float] | None = None
    window: Circle | None = None
