"""Steps that show figures, or all that a pen draws."""

from .marking import sight

KIND = sight(
    "show",
    "bring back to sight what was hidden",
    "what is to be seen again",
    ("show C1", "to be seen again"),
    ("show pencil", "all that is drawn in pencil"),
)
