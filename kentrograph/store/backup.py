"""All that is kept, in one file, and back: a ZIP (ISO/IEC 21320-1) with a file of JSON lines (RFC 8259) for each table.

It is read in one moment of the database, so that all of it belongs together, and says how many rows of each table it has and
the SHA-256 of each file: what is cut off or was changed on the way is not taken back.
"""

import hashlib
import json
from base64 import b64decode, b64encode
from collections.abc import Callable, Iterator
from datetime import datetime
from pathlib import Path
from typing import Any
from uuid import UUID
from zipfile import ZIP_DEFLATED, BadZipFile, ZipFile

from sqlalchemy import Connection, Engine, LargeBinary, Row, Table, Uuid, insert, select, text
from sqlalchemy.dialects.postgresql import TIMESTAMP
from sqlalchemy.types import TypeEngine

from . import history_tables, people_tables, tables
from .errors import StoreError

EVERY = (tables, people_tables, history_tables)
"""The modules that declare tables: imported here, so that all of them are known."""
_LEFT_OUT = {"sign_ins", "attempts", "invitations", "packed_books"}
"""What lets somebody in is not carried about: after a restore everybody signs in again. Nor is what is made again by itself."""
_AT_ONCE = 500
_FACTS = "facts.json"


class BadBackup(StoreError):
    """The file is no backup, not whole, or of another version; or there are drawings here already."""

    code, status = "bad_backup", 400


def back_up(engine: Engine, file: Path, version: str) -> dict[str, int]:
    """Writes everything to a file, which appears only once it is whole; how many rows of each table. Raises `OSError`."""
    part = file.with_name(f"{file.name}.part")
    facts: dict[str, Any] = {"kentrograph": version, "made": datetime.now().astimezone().isoformat(), "tables": {}}
    with (
        engine.connect().execution_options(isolation_level="REPEATABLE READ") as connection,
        ZipFile(part, "w", ZIP_DEFLATED) as out,
    ):
        connection.execute(text("set statement_timeout = 0"))
        facts["migration"] = connection.scalar(text("select version_num from alembic_version"))
        for table in _tables():
            count, digest = 0, hashlib.sha256()
            with out.open(f"{table.name}.jsonl", "w", force_zip64=True) as lines:
                for line in _lines(connection, table):
                    lines.write(line)
                    digest.update(line)
                    count += 1
            facts["tables"][table.name] = {"rows": count, "sha256": digest.hexdigest()}
        out.writestr(_FACTS, json.dumps(facts, indent=1))
    part.chmod(0o600)
    part.replace(file)
    return {name: one["rows"] for name, one in facts["tables"].items()}


def restore(engine: Engine, file: Path) -> dict[str, int]:
    """Takes everything back into a database that has its tables and no drawings; how many rows of each. Raises `BadBackup`."""
    try:
        with ZipFile(file) as held, engine.begin() as connection:
            facts = json.loads(held.read(_FACTS))
            here = connection.scalar(text("select version_num from alembic_version"))
            if facts["migration"] != here:
                raise BadBackup(
                    f"This backup was made by another version ({facts['kentrograph']}): restore it with that one first."
                )
            if connection.scalar(select(tables.Drawing.id).limit(1)) is not None:
                raise BadBackup("There are drawings here already; a backup is restored into a new, empty place.")
            connection.execute(text("set local statement_timeout = 0"))
            # Somebody who keeps the office is made at the first start; who is in the backup takes their place.
            connection.execute(people_tables.Person.__table__.delete())  # type: ignore[attr-defined]
            return {table.name: _take(connection, held, table, facts["tables"][table.name]) for table in _tables()}
    except (BadZipFile, KeyError, json.JSONDecodeError, UnicodeDecodeError, EOFError) as error:
        raise BadBackup(f"{file.name} is no backup, or not all of one.") from error


def _tables() -> list[Table]:
    return [table for table in tables.Base.metadata.sorted_tables if table.name not in _LEFT_OUT]


def _lines(connection: Connection, table: Table) -> Iterator[bytes]:
    rows = connection.execution_options(stream_results=True, yield_per=_AT_ONCE).execute(select(table))
    for row in rows:
        yield json.dumps(row_data(table, row), ensure_ascii=False, separators=(",", ":")).encode() + b"\n"


def _take(connection: Connection, held: ZipFile, table: Table, said: dict[str, Any]) -> int:
    count, digest, rows = 0, hashlib.sha256(), list[dict[str, Any]]()
    with held.open(f"{table.name}.jsonl") as lines:
        for line in lines:
            digest.update(line)
            count += 1
            rows.append(row_values(table, json.loads(line)))
            if len(rows) == _AT_ONCE:
                connection.execute(insert(table), rows)
                rows = []
    if rows:
        connection.execute(insert(table), rows)
    if (count, digest.hexdigest()) != (said["rows"], said["sha256"]):
        raise BadBackup(f"The backup is not whole: of {table.name} it should have {said['rows']} rows, as they were written.")
    if table.name == "happenings":
        # The database deals these numbers: it goes on behind those that are taken.
        taken = "select setval(pg_get_serial_sequence('happenings', 'number'), coalesce(max(number), 1)) from happenings"
        connection.execute(text(taken))
    return count


def row_data(table: Table, row: Row[Any]) -> dict[str, Any]:
    """A row of a table as JSON has it."""
    out = [(column.name, _WRITTEN.get(type(column.type), _as_it_is)) for column in table.columns]
    return {name: value if value is None else write(value) for (name, write), value in zip(out, row, strict=True)}


def row_values(table: Table, data: dict[str, Any]) -> dict[str, Any]:
    """And back. Raises `KeyError` for a column that the table does not have, `ValueError` for what is no value of it."""
    back = {column.name: _READ.get(type(column.type), _as_it_is) for column in table.columns}
    return {name: None if value is None else back[name](value) for name, value in data.items()}


def _as_it_is(value: Any) -> Any:
    return value


_WRITTEN: dict[type[TypeEngine[Any]], Callable[[Any], Any]] = {
    Uuid: str, TIMESTAMP: datetime.isoformat, LargeBinary: lambda value: b64encode(value).decode()
}  # fmt: skip
_READ: dict[type[TypeEngine[Any]], Callable[[Any], Any]] = {
    Uuid: UUID, TIMESTAMP: datetime.fromisoformat, LargeBinary: b64decode
}  # fmt: skip
