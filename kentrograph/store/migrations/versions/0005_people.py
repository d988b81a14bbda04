"""People who sign in, teams of them, what each may do with a drawing, links to look at it; the shelf's pictures stand alone."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB, TIMESTAMP

revision = "0005"
down_revision = "0004"


def upgrade() -> None:
    """Makes the tables. Drawings that are there already belong to nobody in particular: those who keep the office own them."""
    op.create_table(
        "people",
        sa.Column("id", sa.Uuid, primary_key=True),
        sa.Column("name", sa.Text, nullable=False),
        sa.Column("key", sa.Text, nullable=False, unique=True),
        sa.Column("password", sa.Text),
        sa.Column("keeper", sa.Boolean, nullable=False),
        _now("made_at"),
        sa.Column("left_at", TIMESTAMP(timezone=True)),
    )
    op.create_table(
        "sign_ins",
        sa.Column("token", sa.LargeBinary, primary_key=True),
        _person(),
        _now("made_at"),
        _now("seen_at"),
    )
    op.create_table(
        "invitations",
        sa.Column("token", sa.LargeBinary, primary_key=True),
        sa.Column("person_id", sa.Uuid, sa.ForeignKey("people.id", ondelete="CASCADE")),
        sa.Column("name", sa.Text, nullable=False),
        sa.Column("keeper", sa.Boolean, nullable=False),
        _now("made_at"),
        sa.Column("until", TIMESTAMP(timezone=True), nullable=False),
    )
    op.create_table("attempts", sa.Column("key", sa.Text, nullable=False), _now("at"))
    op.create_index("attempts_by_key", "attempts", ["key", "at"])
    op.create_table(
        "teams",
        sa.Column("id", sa.Uuid, primary_key=True),
        sa.Column("name", sa.Text, nullable=False),
        sa.Column("key", sa.Text, nullable=False, unique=True),
    )
    op.create_table(
        "members",
        sa.Column("team_id", sa.Uuid, sa.ForeignKey("teams.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("person_id", sa.Uuid, sa.ForeignKey("people.id", ondelete="CASCADE"), primary_key=True),
    )
    op.create_table(
        "rights",
        sa.Column("drawing_id", sa.Uuid, sa.ForeignKey("drawings.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("whose", sa.Text, primary_key=True),
        sa.Column("person_id", sa.Uuid, sa.ForeignKey("people.id", ondelete="CASCADE")),
        sa.Column("team_id", sa.Uuid, sa.ForeignKey("teams.id", ondelete="CASCADE")),
        sa.Column("may", sa.SmallInteger, nullable=False),
    )
    op.create_index("rights_by_person", "rights", ["person_id"])
    op.create_index("rights_by_team", "rights", ["team_id"])
    op.create_table(
        "links",
        sa.Column("token", sa.Text, primary_key=True),
        sa.Column("drawing_id", sa.Uuid, sa.ForeignKey("drawings.id", ondelete="CASCADE"), nullable=False),
        sa.Column("made_by", sa.Text, nullable=False),
        _now("made_at"),
    )
    op.create_index("links_by_drawing", "links", ["drawing_id"])
    op.create_table(
        "pictures",
        sa.Column("drawing_id", sa.Uuid, sa.ForeignKey("drawings.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("revision", sa.Integer, nullable=False),
        sa.Column("picture", JSONB, nullable=False),
    )
    op.drop_column("drawings", "picture")
    op.create_index("drawings_on_the_shelf", "drawings", [sa.text("changed_at DESC"), "id"])


def _now(name: str) -> "sa.Column[object]":
    return sa.Column(name, TIMESTAMP(timezone=True), server_default=sa.func.now(), nullable=False)


def _person() -> "sa.Column[object]":
    return sa.Column("person_id", sa.Uuid, sa.ForeignKey("people.id", ondelete="CASCADE"), nullable=False, index=True)
