"""The figures of a flat drawing: frozen, slotted, refused when made wrong, never repaired in silence."""

from .arc import Arc
from .circle import Circle
from .ellipse import Ellipse
from .endless_line import EndlessLine
from .figure_set import FigureSet
from .line import Line
from .outline import Outline, Piece
from .point import Point, halfway

Figure = Point | Line | EndlessLine | Circle | Arc | Ellipse | Outline | FigureSet
FIGURE_NAMES: dict[type, str] = {
    Point: "point", Line: "line", EndlessLine: "line", Circle: "circle", Arc: "arc", Ellipse: "ellipse", Outline: "outline",
    FigureSet: "set",
}  # fmt: skip
"""What each kind of figure is called where figures are told apart by a word."""
StraightCurve = Line | EndlessLine
RoundCurve = Circle | Arc
"""What has one radius."""
CentredCurve = RoundCurve | Ellipse
"""What stands for its centre where a place is wanted."""
Curve = StraightCurve | CentredCurve
FiniteCurve = Line | CentredCurve | Outline
"""What has a length."""

__all__ = [
    "FIGURE_NAMES",
    "Arc",
    "CentredCurve",
    "Circle",
    "Curve",
    "Ellipse",
    "EndlessLine",
    "Figure",
    "FigureSet",
    "FiniteCurve",
    "Line",
    "Outline",
    "Piece",
    "Point",
    "RoundCurve",
    "StraightCurve",
    "halfway",
]  # fmt: skip
