"""Drawings, their steps, and the log of changes."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB, TIMESTAMP

revision = "0001"
down_revision = None

NOW = sa.text("now()")


def upgrade() -> None:
    """Makes the three tables."""
    op.create_table(
        "drawings",
        sa.Column("id", sa.Uuid, primary_key=True),
        sa.Column("name", sa.Text, nullable=False),
        sa.Column("revision", sa.Integer, nullable=False),
        sa.Column("header", JSONB, nullable=False),
        sa.Column("picture", JSONB, nullable=False),
        sa.Column("created_at", TIMESTAMP(timezone=True), nullable=False, server_default=NOW),
        sa.Column("changed_at", TIMESTAMP(timezone=True), nullable=False, server_default=NOW),
        sa.Column("deleted_at", TIMESTAMP(timezone=True)),
    )
    op.create_table(
        "steps",
        sa.Column("drawing_id", sa.Uuid, sa.ForeignKey("drawings.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("id", sa.Text, primary_key=True),
        sa.Column("position", sa.Integer, nullable=False),
        sa.Column("name", sa.Text, nullable=False),
        sa.Column("dealt", sa.Boolean, nullable=False),
        sa.Column("kind", sa.Text, nullable=False),
        sa.Column("text", sa.Text, nullable=False),
        sa.Column("givens", JSONB, nullable=False),
        sa.Column("manner", JSONB, nullable=False),
        sa.Column("hidden", sa.Boolean, nullable=False),
        sa.Column("off", sa.Boolean, nullable=False),
    )
    op.create_index("steps_in_order", "steps", ["drawing_id", "position"])
    op.create_table(
        "changes",
        sa.Column("drawing_id", sa.Uuid, sa.ForeignKey("drawings.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("revision", sa.Integer, primary_key=True),
        sa.Column("author", sa.Text, nullable=False),
        sa.Column("at", TIMESTAMP(timezone=True), nullable=False, server_default=NOW),
        sa.Column("label", sa.Text, nullable=False),
        sa.Column("act", sa.Text, nullable=False),
        sa.Column("target", sa.Integer),
        sa.Column("edit", JSONB, nullable=False),
        sa.Column("inverse", JSONB, nullable=False),
        sa.Column("next_undo", sa.Integer),
        sa.Column("next_redo", sa.Integer),
    )


def downgrade() -> None:
    """Drops them."""
    for table in ("changes", "steps", "drawings"):
        op.drop_table(table)
