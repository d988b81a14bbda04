"""A large sheet on several smaller pages, which are joined again by their marks."""

from collections.abc import Iterator
from dataclasses import dataclass
from math import ceil

from ..figures import Point
from .marks import Lettering, Mark, segment
from .page import Page

MARGIN = 10.0
"""Millimetres at the edge of a page that no printer reaches for sure."""
_LINE, _CROSS, _HEIGHT = 0.25, 4.0, 2.5


@dataclass(frozen=True, slots=True)
class Tile:
    """A page of a sheet: the size of its paper, what of the sheet is seen on it (left, bottom, right, top), which of how many."""

    paper: tuple[float, float]
    window: tuple[float, float, float, float]
    margin: float
    row: int
    column: int
    of: int
    joints: tuple[Mark, ...]


def tiles(page: Page, paper: tuple[float, float] | None) -> Iterator[Tile]:
    """The pages of a sheet on paper of a size, turned as fewer of them do; one page as large as the sheet where it fits."""
    if paper is None or _fits(page, paper):
        yield Tile((page.width, page.height), (0.0, 0.0, page.width, page.height), 0.0, 1, 1, 1, ())
        return
    upright, lying = (min(paper), max(paper)), (max(paper), min(paper))
    size = min((lying, upright), key=lambda one: _count(page, one)[0] * _count(page, one)[1])
    columns, rows = _count(page, size)
    wide, high = size[0] - 2.0 * MARGIN, size[1] - 2.0 * MARGIN
    for row in range(rows):
        for column in range(columns):
            left, top = column * wide, page.height - row * high
            window = left, max(0.0, top - high), min(page.width, left + wide), top
            joints = tuple(_joints(window, f"row {row + 1} of {rows}, column {column + 1} of {columns}"))
            yield Tile(size, window, MARGIN, row + 1, column + 1, rows * columns, joints)


def _fits(page: Page, paper: tuple[float, float]) -> bool:
    """Whether a sheet is no larger than paper, however that lies."""
    return max(page.width, page.height) <= max(paper) and min(page.width, page.height) <= min(paper)


def _count(page: Page, paper: tuple[float, float]) -> tuple[int, int]:
    return ceil(page.width / (paper[0] - 2.0 * MARGIN)), ceil(page.height / (paper[1] - 2.0 * MARGIN))


def _joints(window: tuple[float, float, float, float], words: str) -> Iterator[Mark]:
    """Crosses on the corners of what is seen, to lay the pages edge to edge, and which page it is."""
    wide, high = window[2] - window[0], window[3] - window[1]
    for x in (MARGIN, MARGIN + wide):
        for y in (MARGIN, MARGIN + high):
            yield from segment(Point(x - _CROSS, y), Point(x + _CROSS, y), _LINE)
            yield from segment(Point(x, y - _CROSS), Point(x, y + _CROSS), _LINE)
    yield Lettering(words, Point(MARGIN + 2.0 * _CROSS, MARGIN / 2.0 - _HEIGHT / 2.0), _HEIGHT)
