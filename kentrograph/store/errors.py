"""What the store refuses, each with a stable code and fields."""

from typing import Any


class StoreError(Exception):
    """A refusal with a code, an HTTP status that fits, and the facts."""

    code = "store"
    status = 400

    def __init__(self, message: str, **fields: Any) -> None:
        super().__init__(message)
        self.message = message
        self.fields = fields


class NoDrawing(StoreError):
    """There is no such drawing, or it was struck from the shelf."""

    code, status = "no_drawing", 404


class NoDatabase(StoreError):
    """The database does not answer."""

    code, status = "no_database", 503


class DiskFull(StoreError):
    """There is no room left for what would have been kept."""

    code, status = "disk_full", 507


class Busy(StoreError):
    """What was asked for would have had to wait too long."""

    code, status = "busy", 503


class TooMuch(StoreError):
    """More than one may have, or ask for at once."""

    code, status = "too_much", 429


class StaleBase(StoreError):
    """The change was made against a revision that is no longer the newest."""

    code, status = "stale", 409


class NoRevision(StoreError):
    """The drawing never had that revision."""

    code, status = "no_revision", 404
