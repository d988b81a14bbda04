"""Copying: moving, with the originals left where they are."""

from ..kind import Kind
from .move import KIND as MOVE
from .move import bare_carry, plan_copy

KIND = Kind(
    word="copy",
    group="carry",
    explanation="copy by two places, or by so far across and up",
    plan=plan_copy,
    implied_words=bare_carry,
    first="Name what is to be copied, or click on it; then from and to, or by.",
    givens=tuple(given for given in MOVE.givens if given.word != "keeping"),
    examples=(
        ("copy C4 from C4 to P3", "a place of it onto another place; the copy has a name of its own"),
        ("C8 C9 = copy C3 C4 by 0, -20", "several, with the names that they shall have"),
    ),
    shapes=True,
    always_keeps=True,
)
