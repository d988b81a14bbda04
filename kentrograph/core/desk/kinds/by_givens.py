"""What a click states of a kind by its givens alone: figures first, then the places that they take, in the order declared."""

from ...book.kind import Kind
from ...book.kinds import STATEMENT_KINDS
from ...figures import StraightCurve
from .facet import Click


def rows(c: Click) -> list[str]:
    """The rows, likeliest first."""
    kind = STATEMENT_KINDS[c.draft.kind]
    if kind.givens[0].word == "figures":
        return _of_figures(c, kind)
    return [c.place, *([c.on] if not c.special and c.on else [])]


def _of_figures(c: Click, kind: Kind) -> list[str]:
    """For a kind that works on figures: those first, then the places that its other givens take, in the order declared."""
    figures = [c.name] if c.name else []
    placed: list[str] = []
    in_line = False
    for given in kind.givens:
        if given.takes == "place" and given.word not in c.has:
            placed.append(f"{given.word} {c.place}")
        elif given.takes == "one or two things" and given.word not in c.has:
            in_line = bool(c.name) and isinstance(c.figure, StraightCurve)
            placed.append(f"{given.word} {c.name if in_line else c.place}")
    if not placed or not c.has:
        return figures
    # On a figure, and not at a place of it, it is another one to be worked on, as long as nothing else was given.
    another = bool(c.name) and not c.special and c.has == {"figures"} and not in_line
    return [*figures, *placed] if another else [*placed[:1], *figures, *placed[1:]]
