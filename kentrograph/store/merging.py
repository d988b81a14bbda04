"""Changes that were made on an older revision: which of them can be done on the newest all the same."""

from collections.abc import Iterable
from typing import Any
from uuid import UUID

from sqlalchemy import select
from sqlalchemy.orm import Session

from .errors import StaleBase
from .tables import Change, Drawing, StepRow

Own = frozenset[str] | None
"""The steps that must be as they were when the change was made: none for what is written anew, and None (not an empty set)
for undo and redo, which mean the very last change."""


def check_base(session: Session, row: Drawing, base: int | None, own: Own) -> None:
    """Raises `StaleBase` where the drawing has moved on from ``base`` in a way that touches what the change is about."""
    if base is None or base == row.revision:
        return
    if base > row.revision:
        raise StaleBase(f"The drawing has no revision {base} yet.", base=base, revision=row.revision)
    if own is None:
        last = session.get_one(Change, (row.id, row.revision))
        said = f"{last.author} changed the drawing meanwhile ({last.label}): look at it before you take anything back."
        raise StaleBase(said, base=base, revision=row.revision)
    if not own:
        return
    later = select(Change).where(Change.drawing_id == row.id, Change.revision > base).order_by(Change.revision.desc())
    for one in session.scalars(later):
        if own & set(touched_by(one.edit)):
            raise StaleBase(
                f"{one.author} changed this step meanwhile. {_now(session, row.id, own & set(touched_by(one.edit)))}",
                base=base, revision=row.revision,
            )  # fmt: skip


def touched_by(edit: dict[str, Any]) -> Iterable[str]:
    """The steps that an edit, as it is kept, is about."""
    match edit["op"]:
        case "several":
            for one in edit["edits"]:
                yield from touched_by(one)
        case "insert" | "replace":
            yield edit["step"]["id"]
        case "delete" | "move":
            yield edit["id"]


def _now(session: Session, drawing: UUID, ids: Iterable[str]) -> str:
    row = session.get(StepRow, (drawing, min(ids)))
    return f"It now reads: {row.text}" if row is not None else "It is gone from the book."
