"""Readings: a place or a figure."""

from .facet import Click, Facet


def _rows(c: Click) -> list[str]:
    if c.special or not c.name:
        return [c.place, *([c.name] if c.name else [])]
    other = c.edge_name if c.takes_whole else c.whole_name
    return [c.name, *([other] if other != c.name else []), c.place]


FACET = Facet(_rows)
