"""What the table does with each kind: the facets of those whose givens do not say it alone."""

from ..draft import reading_named
from . import arc, by_givens, circle, ellipse, line, measure, outline, paper, path, place, point, polygon, rectangle, shaping
from .facet import Click, Facet

_FACETS: dict[str, Facet] = {
    "point": point.FACET,
    "line": line.FACET,
    "circle": circle.FACET,
    "arc": arc.FACET,
    "path": path.FACET,
    "rectangle": rectangle.FACET,
    "polygon": polygon.FACET,
    "ellipse": ellipse.FACET,
    "outline": outline.FACET,
    "offset": shaping.OFFSET,
    "split": shaping.SPLIT,
    "extend": shaping.EXTEND,
    "fillet": shaping.FILLET,
    "chamfer": shaping.CHAMFER,
    "place": place.FACET,
    "dimension": paper.DIMENSION,
    "note": paper.NOTE,
    "table": paper.TABLE,
}
_BY_GIVENS = Facet()


def facet_of(kind: str) -> Facet:
    """The facet of a kind; of one that has none, what its givens say."""
    return measure.FACET if reading_named(kind) is not None else _FACETS.get(kind, _BY_GIVENS)


def click_candidates(c: Click) -> list[str]:
    """The rows that a click on a place could mean, likeliest first; not all of them can be read."""
    return (facet_of(c.draft.kind).rows or by_givens.rows)(c)
