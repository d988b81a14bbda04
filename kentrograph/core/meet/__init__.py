"""Crossings and touchings of any two figures, nearest places and feet."""

from .dispatch import meet, meet_long
from .meeting import Meeting, Spot
from .nearest import feet, nearest
from .within import is_on

__all__ = ["Meeting", "Spot", "feet", "is_on", "meet", "meet_long", "nearest"]
