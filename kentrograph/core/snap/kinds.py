"""The kinds of place that can be taken, with the words for them. One table; everything that lists kinds reads it.

``behind`` is how much nearer, in shares of the reach, another place must lie to come before one of this kind: so what is
most likely meant comes first, and nothing is ever hidden for good by what lies beside it.
"""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class PlaceKind:
    """A kind of place: its key, the word that asks for it, what it is, whether it is on from the start.

    ``along`` says that it is found all along a line: what lies under the pointer may be meant as well. ``of_figure`` says
    that pointing there means the figure more likely than the place.
    """

    key: str
    word: str
    explanation: str
    behind: float
    on: bool = True
    along: bool = False
    of_figure: bool = False


_ALL = (
    PlaceKind("point", "point", "a point mark", 0.0),
    PlaceKind("end", "end", "an end or a corner", 0.01),
    PlaceKind("centre", "centre", "the centre of a round figure", 0.02),
    PlaceKind("crossing", "crossing", "where two figures cross or touch", 0.04),
    PlaceKind("foot", "foot", "foot of the perpendicular from the last place", 0.15, of_figure=True),
    PlaceKind("touch", "touch", "touching point of a tangent from the last place", 0.15, of_figure=True),
    PlaceKind("area", "area middle", "area centre of an outline, and the centre of its box", 0.1),
    PlaceKind("middle", "middle", "halfway along a line or an arc", 0.25),
    PlaceKind("quarter", "quarter", "the four quarter points of a circle", 0.28, of_figure=True),
    PlaceKind("part", "part", "equal parts along a figure", 0.4, on=False),
    PlaceKind("onward", "onward", "where two figures would cross if they were longer", 0.5),
    PlaceKind("sights", "sights", "where two sight lines cross, or one crosses a figure", 0.3),
    PlaceKind("past", "past", "on from the end of a line or an arc passed over", 1.2, along=True),
    PlaceKind("level", "level", "level or plumb with a place passed over", 1.25, along=True),
    PlaceKind("turn", "turn", "at the direction steps from a place passed over", 1.3, along=True),
    PlaceKind("beside", "beside", "parallel or square to a line passed over", 1.35, along=True),
    PlaceKind("step", "step", "at the distance steps from the nearer end of a figure", 1.4, along=True),
    PlaceKind("nearest", "nearest", "the nearest place on a figure", 2.0, along=True, of_figure=True),
)
KINDS: dict[str, PlaceKind] = {kind.key: kind for kind in _ALL}
ON = frozenset(kind.key for kind in _ALL if kind.on)
ASKING = frozenset({*(kind.word for kind in KINDS.values()), "plumb"})
"""Words that ask for a kind of place for just this once, whether that kind is on or not."""
