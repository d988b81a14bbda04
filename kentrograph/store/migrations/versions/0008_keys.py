"""Changes by what they are called by whoever asks for them: asked for twice, they are done once."""

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"


def upgrade() -> None:
    """Adds the column. What is in the log already was called nothing."""
    op.add_column("changes", sa.Column("key", sa.Text, nullable=True))
    op.create_index("changes_by_key", "changes", ["drawing_id", "key"], unique=True, postgresql_where=sa.text("key IS NOT NULL"))
