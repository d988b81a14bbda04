"""The connection to PostgreSQL, and bringing its tables up to date."""

from pathlib import Path

import psycopg
from alembic import command
from alembic.config import Config
from sqlalchemy import Engine, create_engine
from sqlalchemy.exc import OperationalError, TimeoutError

from .errors import DiskFull, NoDatabase, StoreError

POOL, MORE = 10, 10
UNANSWERED = (OperationalError, TimeoutError)
"""What is raised where the database does not answer, or no connection to it comes free."""
WAIT_SECONDS = 10.0
"""How long for a connection of the pool."""
_LIMITS = "-c statement_timeout=20s -c lock_timeout=5s -c idle_in_transaction_session_timeout=60s"
"""Nothing holds a connection, or what it has locked, for ever (PostgreSQL, client connection defaults)."""


def engine_for(url: str) -> Engine:
    """An engine for ``postgresql+psycopg://...``; lost connections are noticed before they are used."""
    return create_engine(
        url, pool_pre_ping=True, pool_size=POOL, max_overflow=MORE, pool_timeout=WAIT_SECONDS,
        # What is typed must get into no log.
        hide_parameters=True,
        connect_args={"options": _LIMITS, "connect_timeout": 5},
    )  # fmt: skip


def unanswered(error: Exception) -> StoreError:
    """The message where one of `UNANSWERED` was raised."""
    cause = getattr(error, "orig", None)
    if isinstance(cause, psycopg.errors.DiskFull):
        return DiskFull("The disk that the drawings are kept on is full: nothing was changed. Make room there, and do it again.")
    return NoDatabase("The database does not answer; nothing was changed.")


def migrate(url: str) -> None:
    """Applies all migrations that the database does not have yet."""
    config = Config()
    config.set_main_option("script_location", str(Path(__file__).with_name("migrations")))
    config.set_main_option("sqlalchemy.url", url.replace("%", "%%"))
    command.upgrade(config, "head")
