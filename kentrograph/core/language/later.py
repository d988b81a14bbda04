"""Statements of which only what is needed at once is known: their text is read when more is asked for."""

from typing import Any

from ..book.tree import Statement
from .script import read

_COMPARED = ("text", "kind", "name", "pen", "givens", "uses", "kind_start", "kind_end", "problem", "hinges")


class Later(Statement):
    """A statement that was read before, and could be drawn: its text, its kind and its pen. The rest is had from the text once
    anybody looks at it, so that a drawing of a hundred thousand steps opens without reading as many texts."""

    __slots__ = ()

    @classmethod
    def of(cls, text: str, kind: str, pen: str | None) -> "Later":
        """The statement of a text that needs no names to be read."""
        made, put = object.__new__(cls), object.__setattr__
        put(made, "text", text)
        put(made, "kind", kind)
        put(made, "pen", pen)
        put(made, "problem", None)
        put(made, "hinges", ())
        put(made, "settle", None)
        return made

    def __getattr__(self, name: str) -> Any:
        # Only what is not known yet comes by here.
        if name not in _COMPARED:
            raise AttributeError(name)
        whole = read(self.text)
        for field in _COMPARED:
            object.__setattr__(self, field, getattr(whole, field))
        return getattr(whole, name)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Statement) and all(getattr(self, field) == getattr(other, field) for field in _COMPARED)

    def __hash__(self) -> int:
        return hash(self.text)
