"""History: what else was done with a drawing, states that have a name, and snapshots from which old states are found."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB, TIMESTAMP

revision = "0006"
down_revision = "0005"


def upgrade() -> None:
    """Makes the tables. Of what was done before there are the changes of the log."""
    op.create_table(
        "happenings",
        sa.Column("number", sa.BigInteger, sa.Identity(), primary_key=True),
        _drawing(primary_key=False),
        sa.Column("at", TIMESTAMP(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.Column("author", sa.Text, nullable=False),
        sa.Column("what", sa.Text, nullable=False),
    )
    op.create_index("happenings_by_drawing", "happenings", ["drawing_id", "at"])
    op.create_table(
        "named_states",
        _drawing(primary_key=True),
        sa.Column("revision", sa.Integer, primary_key=True),
        sa.Column("name", sa.Text, nullable=False),
    )
    op.create_table(
        "snapshots",
        _drawing(primary_key=True),
        sa.Column("revision", sa.Integer, primary_key=True),
        sa.Column("header", JSONB, nullable=False),
        sa.Column("steps", JSONB, nullable=False),
    )
    op.create_index("changes_by_time", "changes", ["drawing_id", "at"])


def _drawing(primary_key: bool) -> "sa.Column[object]":
    return sa.Column(
        "drawing_id", sa.Uuid, sa.ForeignKey("drawings.id", ondelete="CASCADE"), primary_key=primary_key, nullable=False
    )
