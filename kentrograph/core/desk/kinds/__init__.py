"""What a click may state, kind by kind: the facets of those whose givens do not say it alone."""

from . import arc, by_givens, circle, ellipse, line, measure, outline, paper, path, place, point, shaping
from .facet import Click, Facet

_FACETS: dict[str, Facet] = {
    "point": point.FACET,
    "line": line.FACET,
    "circle": circle.FACET,
    "arc": arc.FACET,
    "path": path.FACET,
    "ellipse": ellipse.FACET,
    "outline": outline.FACET,
    "offset": shaping.OFFSET,
    "split": shaping.SPLIT,
    "extend": shaping.EXTEND,
    "fillet": shaping.CORNER,
    "chamfer": shaping.CORNER,
    "place": place.FACET,
    "dimension": paper.DIMENSION,
    "note": paper.NOTE,
    "table": paper.TABLE,
}


def click_candidates(c: Click) -> list[str]:
    """The rows that a click on a place could mean, likeliest first; not all of them can be read."""
    if c.draft.kind.startswith("measure"):
        return measure.FACET.rows(c)
    return _FACETS.get(c.draft.kind, by_givens.FACET).rows(c)
