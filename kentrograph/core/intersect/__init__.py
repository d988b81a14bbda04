"""Crossings and touchings of any two figures, nearest places and feet."""

from .dispatch import intersect, intersect_long, intersect_outlines
from .intersection import Intersection, Spot
from .nearest import feet, nearest, tangent_places

__all__ = ["Intersection", "Spot", "feet", "intersect", "intersect_long", "intersect_outlines", "nearest", "tangent_places"]
