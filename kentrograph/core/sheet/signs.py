"""Signs of the drawing office that the lettering lacks, drawn as strokes: the diameter, the arc."""

from math import atan2, degrees

from ..angles import unit_vector
from ..figures import Arc, Circle, Line, Point
from ..figures.similarity import Similarity
from .letters import SIGNS, width_of
from .marks import Lettering, Mark, Stroke, moved

_LINE = 0.1
"""Width of their lines as a share of the height. Source: ISO 3098-1: 2015, lettering of type B, from memory."""
_ANCHORS = {"start": 0.0, "middle": 0.5, "end": 1.0}


def spelled(marks: list[Mark]) -> list[Mark]:
    """Marks in which what the lettering lacks is drawn."""
    found: list[Mark] = []
    for mark in marks:
        if isinstance(mark, Lettering) and any(sign in mark.words for sign in SIGNS):
            found += _spelled(mark)
        else:
            found.append(mark)
    return found


def _spelled(mark: Lettering) -> list[Mark]:
    h = mark.height
    x = -_ANCHORS[mark.anchor] * width_of(mark.words, h, mark.strong)
    found: list[Mark] = []
    run = ""
    for letter in [*mark.words, ""]:
        if letter and letter not in SIGNS:
            run += letter
            continue
        if run:
            found.append(Lettering(run, Point(x, 0.0), h, strong=mark.strong))
            x += width_of(run, h, mark.strong)
            run = ""
        if letter:
            found += _diameter(x, h) if letter == "\u2300" else _arc(x, h)
            x += SIGNS[letter] * h / 1000.0
    ux, uy = unit_vector(mark.direction)
    return moved(found, Similarity(ux, uy, mark.at.x, mark.at.y), mark.direction, 1.0)


def _diameter(x: float, h: float) -> list[Mark]:
    """A circle with a stroke through it. Source: ISO 129-1, from memory."""
    middle = Point(x + 0.5 * h, 0.5 * h)
    slash = Line(Point(middle.x - 0.3 * h, 0.0), Point(middle.x + 0.3 * h, h))
    return [Stroke(Circle(middle, 0.36 * h), _LINE * h), Stroke(slash, _LINE * h)]


def _arc(x: float, h: float) -> list[Mark]:
    """A flat arc, before the length of one. Source: ISO 129-1, from memory."""
    half, rise = 0.4 * h, 0.45 * h
    a, b = Point(x + 0.1 * h, 0.3 * h), Point(x + 0.9 * h, 0.3 * h)
    radius = (half * half + rise * rise) / (2.0 * rise)
    centre = Point(a.x + half, a.y + rise - radius)
    return [Stroke(Arc(centre, radius, a, b, -degrees(4.0 * atan2(rise, half))), _LINE * h)]
