"""The office's own mark, as it stands in title blocks."""

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"


def upgrade() -> None:
    """Makes the table of marks, by what they are of: that of the office is the only one so far."""
    op.create_table(
        "marks",
        sa.Column("of", sa.Text, primary_key=True),
        sa.Column("content", sa.LargeBinary, nullable=False),
    )
