"""The figures of a flat drawing: frozen, slotted, refused when made wrong, never repaired in silence."""

from .circle import Arc, Circle
from .line import EndlessLine, Line
from .outline import Outline
from .point import Point

Figure = Point | Line | EndlessLine | Circle | Arc | Outline

__all__ = ["Arc", "Circle", "EndlessLine", "Figure", "Line", "Outline", "Point"]
