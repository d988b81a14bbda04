"""Pictures that lie under drawings."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "0002"
down_revision = "0001"


def upgrade() -> None:
    """Makes the table of backing pictures, at most one a drawing."""
    op.create_table(
        "backings",
        sa.Column("drawing_id", sa.Uuid, sa.ForeignKey("drawings.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("media_type", sa.Text, nullable=False),
        sa.Column("content", sa.LargeBinary, nullable=False),
        sa.Column("width", sa.Integer, nullable=False),
        sa.Column("height", sa.Integer, nullable=False),
        sa.Column("version", sa.Integer, nullable=False),
        sa.Column("placing", JSONB, nullable=False),
    )
