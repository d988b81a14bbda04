"""Shaping: what comes of figures that are cut, lengthened, joined, rounded, set beside themselves."""
