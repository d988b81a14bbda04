"""Verbs that are done by pointing alone: where on a figure one clicks says more than which figure it is."""

from math import hypot

from ...figures import Outline, Piece
from ...measure.distance_to import distance_to
from ...shape.stretch import is_closed
from ...units import plain
from ..pointing import rounded
from ..working.offsets import offset_working
from ..working.rounds import round_working
from .facet import Click, Facet


def _figures(c: Click) -> list[str]:
    """The whole figure, then the edge of it."""
    return list(dict.fromkeys([c.whole_name, c.name] if c.whole_name else []))


def _offset(c: Click) -> list[str]:
    if "figures" not in c.has:
        return _figures(c)
    # As far beside it as the pointer is; the side is the pointer's, too.
    far = rounded(c.pointer, _off(c))
    return [f"by {plain(far, 12)}{c.book.suffix}"] if "by" not in c.has and far > 0.0 else []


def _off(c: Click) -> float:
    """How far the pointer is off the first figure that a verb works on; 0 where it is not there."""
    line = c.read(f"by 1{c.book.suffix}")
    operands = line.step.statement.operands if line.step is not None else ()
    version = c.book.version(operands[0].key, c.book.key_at(c.index)) if operands else None
    figure = c.book.figure_of(version) if version is not None else None
    return distance_to(figure, c.pointer.x, c.pointer.y) if figure is not None else 0.0


def _split(c: Click) -> list[str]:
    at = f"at {c.place}"
    if "figures" in c.has:
        return [at]
    return [*([f"{c.whole_name} {at}"] if c.whole_name and c.special else []), *_figures(c)[:1]]


def _extend(c: Click) -> list[str]:
    if "figures" not in c.has:
        return [*(f"{c.whole_name} {end}" for end in _nearer_end(c) if c.whole_name), *_figures(c)[:1]]
    onto = [f"to {c.edge_name}{sign}" for sign in ("", " entering", " leaving", " left", " right")] if c.edge_name else []
    level = [f"to {c.place}"] if c.special or not onto else []
    return [*c.nearest_only(onto, either=True), *level] if onto else level


def _nearer_end(c: Click) -> list[str]:
    """The end of a figure that the pointer is nearer to; none of one without ends."""
    figure = c.whole
    if not isinstance(figure, Piece | Outline) or is_closed(figure):
        return []
    to_start, to_end = (hypot(p.x - c.pointer.x, p.y - c.pointer.y) for p in (figure.start, figure.end))
    return ["start"] if to_start < to_end else ["end"]


def _corner(c: Click) -> list[str]:
    given = "figures" in c.has
    corner = [c.place] if c.place.startswith("corner ") and not given else []
    return [*corner, *(reversed(_figures(c)) if given else _figures(c))]


OFFSET = Facet(_offset, working=offset_working)
SPLIT, EXTEND = Facet(_split), Facet(_extend)
FILLET, CHAMFER = Facet(_corner, working=round_working), Facet(_corner)
