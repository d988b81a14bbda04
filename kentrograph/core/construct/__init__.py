"""Points, lines, circles, arcs and outlines from what is known about them, without touching."""
