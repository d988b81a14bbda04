"""Books to rows and back, and the rows of the log."""

from typing import Any
from uuid import UUID

from sqlalchemy import delete, insert, select, update
from sqlalchemy.orm import Session

from ..core.book.book import Book
from ..core.book.manner import Header
from ..core.book.step import Step
from ..core.language.codec import header_from, manner_data, statement_data, step_from
from .tables import Drawing, StepRow


def load_steps(session: Session, drawing: Drawing) -> tuple[Header, list[Step], list[tuple[int, ...]]]:
    """Header, steps and places of a drawing as it stands, not evaluated."""
    rows = list(session.scalars(select(StepRow).where(StepRow.drawing_id == drawing.id).order_by(StepRow.place)))
    steps = [
        step_from(
            {
                "id": row.id,
                "name": row.name,
                "dealt": row.dealt,
                "text": row.text,
                "manner": row.manner,
                "hidden": row.hidden,
                "off": row.off,
            }
        )
        for row in rows
    ]
    return header_from(drawing.header), steps, [tuple(row.place) for row in rows]


def insert_steps(session: Session, drawing_id: UUID, book: Book) -> None:
    """Writes all steps of a book that has none in the database yet."""
    rows = [_row(drawing_id, book, id) for id in book.order]
    if rows:
        session.execute(insert(StepRow), rows)


def write_difference(session: Session, drawing_id: UUID, before: Book, after: Book) -> None:
    """Writes what differs between two books: steps gone, new, changed or moved. Where the one came of the other by an edit,
    only what that touched is looked at."""
    looked_at = after.touched if after.before is before.stamp else {*before.order, *after.order}
    gone = [id for id in looked_at if id in before.order and id not in after.order]
    if gone:
        session.execute(delete(StepRow).where(StepRow.drawing_id == drawing_id, StepRow.id.in_(gone)))
    new: list[dict[str, Any]] = []
    for id in looked_at:
        if id not in after.order:
            continue
        if id not in before.order:
            new.append(_row(drawing_id, after, id))
        elif before.steps[id] != after.steps[id]:
            values = _row(drawing_id, after, id)
            session.execute(update(StepRow).where(StepRow.drawing_id == drawing_id, StepRow.id == id).values(values))
        elif before.order.key(id) != after.order.key(id):
            place = list(after.order.key(id))
            session.execute(update(StepRow).where(StepRow.drawing_id == drawing_id, StepRow.id == id).values(place=place))
    if new:
        session.execute(insert(StepRow), new)


def _row(drawing_id: UUID, book: Book, id: str) -> dict[str, Any]:
    step = book.steps[id]
    return {
        "drawing_id": drawing_id,
        "id": step.id,
        "place": list(book.order.key(id)),
        "name": step.name,
        "dealt": step.dealt,
        "kind": step.statement.kind,
        "text": step.statement.text,
        "givens": statement_data(step),
        "manner": manner_data(step.manner),
        "hidden": step.hidden,
        "off": step.off,
    }
