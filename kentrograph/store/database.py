"""The connection to PostgreSQL, and bringing its tables up to date."""

from pathlib import Path

from alembic import command
from alembic.config import Config
from sqlalchemy import Engine, create_engine


def engine_for(url: str) -> Engine:
    """An engine for ``postgresql+psycopg://...``; lost connections are noticed before they are used."""
    return create_engine(url, pool_pre_ping=True, pool_size=5, max_overflow=5)


def migrate(url: str) -> None:
    """Applies all migrations that the database does not have yet."""
    config = Config()
    config.set_main_option("script_location", str(Path(__file__).with_name("migrations")))
    config.set_main_option("sqlalchemy.url", url.replace("%", "%%"))
    command.upgrade(config, "head")
