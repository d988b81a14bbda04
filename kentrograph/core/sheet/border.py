"""The border of a sheet: its frame, centring marks, and zones. Source: ISO 5457: 1999, from memory."""

from itertools import pairwise
from math import floor

from ..figures import Point
from .marks import Lettering, Mark, box, segment

MARGIN, FILING = 10.0, 20.0
"""From the edge of the paper to the frame: on three sides, and on the left where it is filed."""
FRAME_LINE = 0.7
_STRIP = 5.0
"""How wide the strip is in which the zones are named."""
_ZONE = 50.0
_HEIGHT = 3.5
_INWARD = 5.0
"""How far a centring mark runs into the drawing space."""
_THIN = 0.35


def border(width: float, height: float, block: float = 0.0) -> list[Mark]:
    """The frame with its centring marks and zones, for a sheet of a size; none runs into a title block so wide in the corner."""
    left, bottom, right, top = drawing_space(width, height)
    marks = box(left, bottom, right - left, top - bottom, FRAME_LINE)
    marks += box(left - _STRIP, bottom - _STRIP, right - left + 2 * _STRIP, top - bottom + 2 * _STRIP, _THIN)
    x, y = width / 2.0, height / 2.0
    below = 0.0 if x > right - block else _INWARD
    for a, b in (
        (Point(x, bottom - _STRIP), Point(x, bottom + below)),
        (Point(x, top + _STRIP), Point(x, top - _INWARD)),
        (Point(left - _STRIP, y), Point(left + _INWARD, y)),
        (Point(right + _STRIP, y), Point(right - _INWARD, y)),
    ):
        marks += segment(a, b, FRAME_LINE)
    marks += _zones(left, right, x, (bottom, top), across=True)
    marks += _zones(bottom, top, y, (left, right), across=False)
    return marks


def drawing_space(width: float, height: float) -> tuple[float, float, float, float]:
    """What lies within the frame: left, bottom, right, top."""
    return FILING, MARGIN, width - MARGIN, height - MARGIN


def _zones(low: float, high: float, middle: float, sides: tuple[float, float], across: bool) -> list[Mark]:
    """Divisions of 50 mm from the middle outward, the rest at both ends; numbers along, letters from the top down."""
    count = floor((high - middle) / _ZONE)
    before = floor((middle - low) / _ZONE)
    cuts = [middle + n * _ZONE for n in range(-before, count + 1)]
    cuts = [cut for cut in cuts if low + _STRIP < cut < high - _STRIP]
    edges = [low, *cuts, high]
    marks: list[Mark] = []
    for side, outward in zip(sides, (-1.0, 1.0), strict=True):
        for cut in cuts:
            if cut != middle:
                a, b = (cut, side), (cut, side + outward * _STRIP)
                marks += segment(Point(*(a if across else a[::-1])), Point(*(b if across else b[::-1])), _THIN)
        for n, (a0, a1) in enumerate(pairwise(edges)):
            words = str(n + 1) if across else _letter(len(edges) - 2 - n)
            at, beside = (a0 + a1) / 2.0, side + outward * _STRIP / 2.0
            place = Point(at, beside - _HEIGHT / 2.0) if across else Point(beside, at - _HEIGHT / 2.0)
            marks.append(Lettering(words, place, _HEIGHT, anchor="middle"))
    return marks


def _letter(number: int) -> str:
    """Letters without I and O, which read as figures."""
    return "ABCDEFGHJKLMNPQRSTUVWXYZ"[number % 24]
