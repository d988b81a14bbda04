"""Kentrograph: exact setting-out of flat drawings by typing and pointing."""

__version__ = "0.1.0"
