"""What a value of a message may be, declared beside its type: how long a text, how large a number.

`Bound` is metadata of `typing.Annotated` that says so in the words of a core schema, which is what a server that checks messages
reads; here nothing is checked.
"""

from collections.abc import Callable
from typing import Annotated, Any, ClassVar, Literal

from ..tolerance import LARGEST


class Bound:
    """Limits of a value, by the names that a core schema has for them: ``max_length``, ``pattern``, ``ge``, ...

    ``check`` is called with the value once the limits hold; it returns it, or raises `ValueError`.
    """

    __slots__ = ("check", "limits")

    def __init__(self, check: Callable[[Any], Any] | None = None, **limits: Any) -> None:
        self.check = check
        self.limits = limits

    def __get_pydantic_core_schema__(self, source: Any, handler: Callable[[Any], dict[str, Any]]) -> dict[str, Any]:
        schema = {**handler(source), **self.limits}
        if self.check is None:
            return schema
        return {"type": "function-after", "function": {"type": "no-info", "function": self.check}, "schema": schema}


class Message:
    """A dataclass that comes as a message: what it does not declare may not be in it."""

    __slots__ = ()
    __pydantic_config__: ClassVar[dict[str, Any]] = {"extra": "forbid"}


class Whole(Message):
    """One that goes both ways, with all that it declares."""

    __slots__ = ()
    __pydantic_config__: ClassVar[dict[str, Any]] = {"extra": "forbid", "json_schema_serialization_defaults_required": True}


PenWord = Literal["pencil", "ink", "fine", "hidden", "axis"]
LONGEST_TEXT = 200_000
WRITABLE = r"^[^\x00-\x08\x0b\x0c\x0e-\x1f\x7f]*$"
"""No control characters but the blanks among them: nobody can see them, and the database keeps no NUL."""
MOST_FIGURES = 100_000

Text = Annotated[str, Bound(max_length=LONGEST_TEXT, pattern=WRITABLE)]
Name = Annotated[str, Bound(min_length=1, max_length=200, pattern=WRITABLE)]
Words = Annotated[str, Bound(max_length=300, pattern=WRITABLE)]
Id = Annotated[str, Bound(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9_-]+$")]
FigureId = Annotated[str, Bound(min_length=1, max_length=80, pattern=r"^[A-Za-z0-9_-]+(\.[0-9]{1,9})?$")]
"""A step, for the first figure that comes of it; with a dot and its number, for a further one."""
Figures = Annotated[tuple[FigureId, ...], Bound(min_length=1, max_length=MOST_FIGURES)]
Others = Annotated[tuple[Id, ...], Bound(max_length=MOST_FIGURES)]
Revision = Annotated[int, Bound(ge=0, le=2_000_000_000)]
Index = Annotated[int, Bound(ge=0, le=1_000_000)]
Number = Annotated[float, Bound(ge=-LARGEST, le=LARGEST, allow_inf_nan=False)]
Size = Annotated[float, Bound(ge=0, le=LARGEST, allow_inf_nan=False)]
Place = tuple[Number, Number]
