"""Changes of a book, each with its inverse. Edits are what is stored and sent."""

from dataclasses import dataclass

from .manner import Header
from .step import Step


@dataclass(frozen=True, slots=True)
class Insert:
    """Puts a step in front of another one; at the end where there is none."""

    step: Step
    in_front_of: str | None = None


@dataclass(frozen=True, slots=True)
class Delete:
    """Takes a step out. What needs it waits."""

    id: str


@dataclass(frozen=True, slots=True)
class Replace:
    """Puts another step (same id) in the place of one: its text, name, manner or flags changed."""

    step: Step


@dataclass(frozen=True, slots=True)
class Move:
    """Moves a step in front of another one; to the end where there is none."""

    id: str
    in_front_of: str | None = None


@dataclass(frozen=True, slots=True)
class SetHeader:
    """Sets the drawing's unit, angles, datum and decimals."""

    header: Header


@dataclass(frozen=True, slots=True)
class Several:
    """Edits done one after another as one change."""

    edits: "tuple[Edit, ...]"


Edit = Insert | Delete | Replace | Move | SetHeader | Several
