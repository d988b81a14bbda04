"""Steps say in front of which other they stand, and keep keys that need no numbering anew; the log is translated."""

from typing import Any

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import ARRAY, JSONB

revision = "0003"
down_revision = "0002"

Data = dict[str, Any]

CHANGES = sa.table(
    "changes",
    sa.column("drawing_id", sa.Uuid),
    sa.column("revision", sa.Integer),
    sa.column("edit", JSONB),
    sa.column("inverse", JSONB),
)


def upgrade() -> None:
    """Places of one number each, in the order that stands; every index in the log becomes the step that stood there."""
    op.add_column("steps", sa.Column("place", ARRAY(sa.BigInteger)))
    op.execute("UPDATE steps SET place = ARRAY[position::bigint]")
    _translate_log(op.get_bind())
    op.alter_column("steps", "place", nullable=False)
    op.drop_index("steps_in_order", "steps")
    op.drop_column("steps", "position")
    op.create_index("steps_in_order", "steps", ["drawing_id", "place"])


def _translate_log(connection: sa.Connection) -> None:
    for (drawing,) in connection.execute(sa.text("SELECT id FROM drawings")).all():
        ids = connection.execute(sa.text("SELECT id FROM steps WHERE drawing_id = :id ORDER BY place"), {"id": drawing})
        order = [id for (id,) in ids]
        of = CHANGES.c.drawing_id == drawing
        changes = connection.execute(sa.select(CHANGES).where(of).order_by(CHANGES.c.revision.desc())).all()
        for one in changes:
            # An inverse was made for the order after its change, the edit itself for the one before.
            inverse = translated(one.inverse, order)
            edit = translated(one.edit, list(order))
            connection.execute(
                sa.update(CHANGES).where(of, CHANGES.c.revision == one.revision).values(edit=edit, inverse=inverse)
            )


def translated(edit: Data, order: list[str]) -> Data:
    """An edit with neighbours for indexes, done to ``order`` as well."""
    match edit["op"]:
        case "several":
            return {**edit, "edits": [translated(one, order) for one in edit["edits"]]}
        case "delete":
            order.remove(edit["id"])
        case "insert":
            return _placed(edit, edit["step"]["id"], order)
        case "move":
            order.remove(edit["id"])
            return _placed(edit, edit["id"], order)
    return edit


def _placed(edit: Data, id: str, order: list[str]) -> Data:
    index = edit["index"]
    in_front_of = order[index] if index < len(order) else None
    order.insert(index, id)
    return {**{key: value for key, value in edit.items() if key != "index"}, "in_front_of": in_front_of}
