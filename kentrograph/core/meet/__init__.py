"""Crossings and touchings of any two figures, nearest places and feet."""

from .dispatch import meet, meet_long, meet_outlines
from .meeting import Meeting, Spot
from .nearest import feet, nearest, tangent_places

__all__ = ["Meeting", "Spot", "feet", "meet", "meet_long", "meet_outlines", "nearest", "tangent_places"]
