"""Crossings and touchings of any two figures, nearest places and feet."""

from .dispatch import meet, meet_long
from .meeting import Meeting, Spot
from .nearest import feet, nearest

__all__ = ["Meeting", "Spot", "feet", "meet", "meet_long", "nearest"]
