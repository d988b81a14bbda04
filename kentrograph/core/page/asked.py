"""What a table asks to have read, from the data of its message; and answers as data of theirs."""

from dataclasses import replace
from typing import Any

from ..desk.draft import Draft
from ..desk.line_views import Looked
from ..desk.pointing import Pointer, Snapping
from ..snap.kinds import KINDS

Data = dict[str, Any]


def looked_of(data: Data) -> Looked:
    """A `read` message, all fields of which are there or have their usual values."""
    pointer, carry = pointer_of(data.get("pointer")), data.get("carry")
    return Looked(
        draft=_draft(data.get("draft")),
        text=data.get("text", ""),
        mend=data.get("mend"),
        in_front_of=data.get("in_front_of"),
        pointer=pointer,
        choice=data.get("choice"),
        selected=data.get("selected"),
        pull=data.get("pull"),
        aimed=data.get("aimed", False),
        carried=tuple(carry["figures"]) if carry else (),
        start=replace(pointer, x=float(carry["x"]), y=float(carry["y"])) if carry and pointer else None,
        copied=carry.get("copied", False) if carry else False,
        stroke=tuple((float(x), float(y)) for x, y in data.get("stroke") or ()),
    )


def pointer_of(data: Data | None) -> Pointer | None:
    """Where the pointer is, as the desk looks at it."""
    if data is None:
        return None
    return Pointer(
        float(data["x"]),
        float(data["y"]),
        float(data["reach"]),
        float(data["pixel"]),
        data.get("level", False),
        data.get("swing", False),
        float(data.get("turned", 0.0)),
        _snapping(data.get("snapping")),
        tuple(data.get("passed") or ()),
    )


def _snapping(data: Data | None) -> Snapping:
    if data is None:
        return Snapping()
    return Snapping(
        frozenset(KINDS) - frozenset(data.get("off") or ()),
        data.get("parts", 3),
        float(data.get("turn", 0.0)),
        float(data.get("step", 0.0)),
        float(data.get("grid", 0.0)),
        tuple(float(turn) for turn in data.get("turns") or ()),
        data.get("ink_only", False),
    )


def _draft(data: Data | None) -> Draft | None:
    if data is None:
        return None
    clicks = tuple(None if at is None else (float(at[0]), float(at[1])) for at in data.get("clicks") or ())
    return Draft(data["kind"], tuple(data["rows"]), data.get("at"), data.get("again", False), clicks)
