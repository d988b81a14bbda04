"""Points: the place, or on the figure there."""

from ..working.points import point_working
from .facet import Facet

FACET = Facet(lambda c: [c.place, *([c.on, f"on {c.name}"] if c.name and not c.special else [])], working=point_working)
