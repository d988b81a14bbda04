"""Chains: on to a place, as an arc where the last one was left sideways, or closed."""

from ..pointing import closes
from .facet import Click, Facet


def _rows(c: Click) -> list[str]:
    if not c.has:
        return [c.place, *([c.on] if not c.special and c.on else [])]
    # A place held level or plumb is not one that a curve is asked to reach.
    if c.place.startswith("+") and c.pointer.level:
        return [c.place]
    # Leaving the last place sideways means an arc.
    ways = [f"curve to {c.place}", c.place] if c.pointer.swing else [c.place, f"curve to {c.place}"]
    if closes(c.book, c.draft, c.pointer, c.index):
        ways.insert(0, "close")
    return [*ways, *([c.on] if not c.special and c.on else [])]


FACET = Facet(_rows)
