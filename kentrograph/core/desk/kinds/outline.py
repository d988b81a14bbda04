"""Outlines: around a place."""

from .facet import Facet

# What is out of sight closes nothing in.
FACET = Facet(lambda c: [f"{c.place} ink"] if c.pointer.snapping.ink_only else [c.place])
