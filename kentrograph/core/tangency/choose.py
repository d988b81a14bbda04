"""Which of several touching solutions the side words mean."""

from collections.abc import Callable, Sequence
from typing import NamedTuple

from ..problem import refusal

_CONTACT = frozenset({"outside", "inside", "enclosing"})
_LINE = frozenset({"left", "right"})


class Stated(NamedTuple):
    """Side words as they were written: those right after each touched given, and those after anything else."""

    own: tuple[tuple[str, ...], ...]
    loose: tuple[str, ...] = ()

    @property
    def nothing(self) -> bool:
        """Whether no word was written at all."""
        return not self.loose and not any(self.own)


def fits(sides: Sequence[str], stated: Stated) -> bool:
    """Whether the words of a solution (one for each given, then the one for mirrored solutions) are those stated.

    A word for a sign that the solution does not have, because two have merged, fits.
    """
    places, mirror = sides[:-1], sides[-1]
    spare = list(stated.loose)
    for words, side in zip(stated.own, places, strict=True):
        for index, word in enumerate(words):
            if word in _CONTACT or (index == 0 and side in _LINE):
                if word != side:
                    return False
            else:
                spare.append(word)
    free = [side for side, words in zip(places, stated.own, strict=True) if not words]
    for word in spare:
        if word in _CONTACT:
            if word not in free:
                return False
        elif mirror:
            if word not in mirror.split():
                return False
        elif any(side in _LINE for side in free) and word not in free:
            return False
    return True


def chosen(count: int, sides: Callable[[int], Sequence[str]], stated: Stated) -> int:
    """The index of the first solution that fits. Raises `Refused` (no_such_side) with the words there are."""
    for index in range(count):
        if fits(sides(index), stated):
            return index
    words = [w for own in stated.own for w in own] + list(stated.loose)
    there = list(dict.fromkeys(" ".join(w for w in sides(i) if w) for i in range(count)))
    raise refusal("no_such_side", wanted=" ".join(words), there=there)
