"""The database's announcements: what wakes the tables that have a drawing open, in every worker."""

from uuid import UUID

from sqlalchemy import text
from sqlalchemy.orm import Session

CHANNEL, TABLES = "kentrograph_changes", "kentrograph_tables"
"""What has become of drawings; and who is at which table, of which nothing is kept."""
BACKING, RENAMED, DELETED, RESTORED, SHARED = "backing", "renamed", "deleted", "restored", "shared"
PERSON = "person"
"""What is announced of a person whose standing has changed: signed out, left, in another team."""


def announce(session: Session, drawing: UUID, what: str) -> None:
    """Told to all once the transaction is committed: a drawing and its revision, or what else became of it."""
    session.execute(text("select pg_notify(:channel, :payload)"), {"channel": CHANNEL, "payload": f"{drawing} {what}"})


def announce_person(session: Session, person: UUID) -> None:
    """Told to all once the transaction is committed: what this person may do must be looked up anew."""
    announce(session, person, PERSON)
