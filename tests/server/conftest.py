"""An office: its server, and who keeps it."""

from collections.abc import Iterator

import pytest

from ..conftest import Server, kentrograph
from .office import Person


@pytest.fixture(scope="session")
def office(office_database: str) -> Iterator[Server]:
    """A server at which people sign in."""
    running = Server(office_database, "--office")
    running.start()
    yield running
    running.stop()


@pytest.fixture(scope="session")
def keeper(office: Server) -> Person:
    """Who keeps the office, let in by the link that the first start shows."""
    link = kentrograph(office.database, "join", "Maud Oake", "--first", "--address", office.url).strip()
    return Person(office).joins(link.removeprefix(office.url), "Maud Oake")
