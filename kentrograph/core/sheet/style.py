"""Line widths, lettering heights and distances on paper, in mm."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Style:
    """A line group with its lettering. Sources: ISO 128-2: 2020, line groups 0.5 and 0.7, wide to narrow 2 : 1; ISO 3098-1: 2015,
    lettering of type B, its line width a tenth of its height; both from memory."""

    wide: float = 0.5
    narrow: float = 0.25
    height: float = 2.5

    @property
    def arrow(self) -> float:
        """Length of an arrowhead. Source: ISO 129-1: 2018, as long as the lettering is high, from memory."""
        return 1.2 * self.height

    @property
    def raised(self) -> float:
        """From a dimension line to the foot of its value."""
        return 0.4 * self.height

    @property
    def past(self) -> float:
        """How far an extension line runs past its dimension line: eight line widths. Source: ISO 129-1, from memory."""
        return 8.0 * self.narrow

    @property
    def gap(self) -> float:
        """What is left free between a figure and an extension line: four line widths. *Common practice*."""
        return 4.0 * self.narrow

    @property
    def first_row(self) -> float:
        """From the outline to the first dimension line. *Common practice*."""
        return 4.0 * self.height

    @property
    def next_row(self) -> float:
        """From one dimension line to the next. *Common practice*."""
        return 3.0 * self.height


SMALL, LARGE = Style(), Style(0.7, 0.35, 3.5)


def style_for(width: float, height: float) -> Style:
    """The line group for a sheet of a size: larger lines and letters from A2 on. *Common practice*."""
    return LARGE if max(width, height) > _LONG else SMALL


_LONG = 450.0
DASHES: dict[str, tuple[float, ...]] = {"hidden": (12.0, 3.0), "axis": (24.0, 3.0, 1.0, 3.0)}
"""Lines and gaps in line widths. Source: ISO 128-2: 2020, dashed and long-dashed dotted lines, from memory."""


def pen_line(pen: str, style: Style) -> tuple[float, tuple[float, ...]]:
    """The width and the dashes of a pen's lines."""
    width = style.wide if pen == "ink" else style.narrow
    return width, tuple(part * width for part in DASHES.get(pen, ()))
