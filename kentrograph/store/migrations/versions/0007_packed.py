"""Large drawings as they were worked out, beside a revision."""

import sqlalchemy as sa
from alembic import op

revision = "0007"
down_revision = "0006"


def upgrade() -> None:
    """Makes the table. What stands in it is compressed already."""
    drawing = sa.ForeignKey("drawings.id", ondelete="CASCADE")
    op.create_table(
        "packed_books",
        sa.Column("drawing_id", sa.Uuid, drawing, primary_key=True, nullable=False),
        sa.Column("revision", sa.Integer, nullable=False),
        sa.Column("core", sa.Text, nullable=False),
        sa.Column("steps", sa.Integer, nullable=False),
        sa.Column("book", sa.LargeBinary, nullable=False),
        sa.Column("views", sa.LargeBinary, nullable=False),
    )
    for column in ("book", "views"):
        op.execute(f"ALTER TABLE packed_books ALTER COLUMN {column} SET STORAGE EXTERNAL")
