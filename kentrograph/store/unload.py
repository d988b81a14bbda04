"""All drawings as their own texts, each with its history beside it, and back: a folder that outlives every database.

``NAME.kent`` is the drawing as it can be read, edited and evaluated without any of this; ``NAME.history.jsonl`` has every change
of it, what else happened, the named states and the picture under it, as JSON lines (RFC 8259). The text that the history ends
in stands in it as a hash: where somebody has written in the text since, the text is what is taken, as a drawing of its own.
"""

import hashlib
import json
import re
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import Any
from uuid import UUID

from sqlalchemy import Connection, Table, insert, select
from sqlalchemy.exc import SQLAlchemyError
from sqlalchemy.orm import Session

from ..core.language.script import write_script
from ..core.problem import Refused
from . import history_tables, tables
from .backup import row_data, row_values
from .books import current_book
from .cache import BookCache
from .drawings import LONGEST_NAME, create_drawing
from .errors import StoreError
from .people import Known
from .rights import May, share

_TEXT, _HISTORY = ".kent", ".history.jsonl"
_LONGEST_FILE = 80
_OF_A_DRAWING = (
    tables.StepRow, tables.Change, tables.Backing, history_tables.Happening, history_tables.NamedState, history_tables.Snapshot,
)  # fmt: skip
"""What belongs to one drawing; with whom it is shared does not: people are another place's."""


@dataclass(frozen=True, slots=True)
class Taken:
    """What became of one file."""

    file: str
    said: str
    good: bool = True


def unload(session: Session, folder: Path) -> list[str]:
    """Writes every drawing that is on the shelf, of one moment; the names of the texts. Raises `OSError`."""
    session.connection(execution_options={"isolation_level": "REPEATABLE READ"})
    folder.mkdir(parents=True, exist_ok=True)
    rows = session.scalars(select(tables.Drawing).where(tables.Drawing.deleted_at.is_(None)).order_by(tables.Drawing.created_at))
    made: list[str] = []
    for row in rows:
        name = _free(row.name, made)
        script = write_script(current_book(session, BookCache(), row))
        (folder / (name + _TEXT)).write_text(script, encoding="utf-8")
        with (folder / (name + _HISTORY)).open("w", encoding="utf-8") as out:
            for line in _history(session.connection(), row.id, script):
                out.write(json.dumps(line, ensure_ascii=False, separators=(",", ":")) + "\n")
        made.append(name)
    return [name + _TEXT for name in made]


def load(session: Session, file: Path, owner: Known) -> Taken:
    """Takes one text in, with its history where that stands beside it and ends in it; it is the owner's then.

    What is here already is left as it is. Raises `OSError`, `StoreError`, and `Refused` for a text too long to be one.
    """
    script = file.read_text(encoding="utf-8-sig")
    beside = file.with_name(file.name.removesuffix(_TEXT) + _HISTORY)
    if not beside.exists():
        create_drawing(session, file.stem[:LONGEST_NAME], owner, script)
        return Taken(file.name, "taken in, without a history")
    with beside.open(encoding="utf-8") as lines:
        return _with_history(session, file, script, lines, owner)


def loaded(session: Session, folder: Path, owner: Known) -> Iterator[Taken]:
    """Takes in every text of a folder, each by itself: one that cannot be read keeps none of the others."""
    for file in sorted(folder.glob("*" + _TEXT)):
        try:
            with session.begin_nested():
                yield load(session, file, owner)
        except StoreError as error:
            yield Taken(file.name, error.message, good=False)
        except Refused as refused:
            yield Taken(file.name, refused.problem.kind, good=False)
        except (KeyError, ValueError, TypeError, SQLAlchemyError) as error:
            yield Taken(file.name, f"cannot be read: {type(error).__name__}", good=False)


def _history(connection: Connection, id: UUID, script: str) -> Iterator[dict[str, Any]]:
    drawing: Table = tables.Drawing.__table__  # type: ignore[assignment]
    row = connection.execute(select(drawing).where(drawing.c.id == id)).one()
    yield {"drawing": row_data(drawing, row), "sha256": _hash(script)}
    for kind in _OF_A_DRAWING:
        table: Table = kind.__table__  # type: ignore[assignment]
        rows = connection.execute(select(table).where(table.c.drawing_id == id).order_by(*table.primary_key))
        for one in rows:
            yield {"table": table.name, "row": row_data(table, one)}


def _with_history(session: Session, file: Path, script: str, lines: Iterator[str], owner: Known) -> Taken:
    first = json.loads(next(lines, "{}"))
    drawing: Table = tables.Drawing.__table__  # type: ignore[assignment]
    row = row_values(drawing, first["drawing"])
    if first["sha256"] != _hash(script):
        create_drawing(session, row["name"], owner, script)
        return Taken(file.name, "its text was written in since: taken in as a new drawing, without the history")
    connection = session.connection()
    if connection.scalar(select(drawing.c.id).where(drawing.c.id == row["id"])) is not None:
        return Taken(file.name, "is here already; left as it is here")
    connection.execute(insert(drawing), [row])
    known: dict[str, Table] = {kind.__tablename__: kind.__table__ for kind in _OF_A_DRAWING}  # type: ignore[misc]
    count = 0
    for line in lines:
        said = json.loads(line)
        table = known[said["table"]]
        values = row_values(table, said["row"])
        if values["drawing_id"] != row["id"]:
            raise StoreError("Its history is of another drawing.")
        # Numbers that the database deals are dealt anew.
        values.pop("number", None)
        connection.execute(insert(table), [values])
        count += said["table"] == tables.Change.__tablename__
    if count != row["revision"] + 1:
        raise StoreError(f"Its history is not whole: of {row['revision'] + 1} changes it has {count}.")
    session.expire_all()
    here = session.get_one(tables.Drawing, row["id"])
    if write_script(current_book(session, BookCache(), here)) != script:
        raise StoreError("Its history does not end in this text.")
    share(session, row["id"], "person", owner.id, May.OWN)
    return Taken(file.name, f"taken in with {count} changes")


def _hash(script: str) -> str:
    return hashlib.sha256(script.encode()).hexdigest()


def _free(name: str, taken: list[str]) -> str:
    """A name for files that no other drawing has here, whatever the drawing's name holds."""
    plain = re.sub(r"[^\w .,()+-]+", "-", name).strip(" .-")[:_LONGEST_FILE] or "drawing"
    number, found = 1, plain
    while found.casefold() in {one.casefold() for one in taken}:
        number += 1
        found = f"{plain} {number}"
    return found
