"""Steps that hide figures, or all that a pen draws."""

from .marking import sight

KIND = sight(
    "hide",
    "keep figures, or all that a pen draws, out of sight",
    "what is out of sight from here on",
    ("hide C1 L2", "out of sight; still named, and measured"),
    ("hide pencil", "all that is drawn in pencil"),
)
