"""The real interface in Debian's Chromium, on a server of the tests' own."""

import shutil
from collections.abc import Iterator
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from ..conftest import Server
from .drafter import Answering, Drafter, choose


@pytest.fixture(scope="session")
def browser_type_launch_args() -> dict[str, Any]:
    return {"executable_path": shutil.which("chromium"), "args": ["--disable-gpu"]}


@pytest.fixture(scope="session")
def browser_context_args() -> dict[str, Any]:
    return {"viewport": {"width": 1280, "height": 800}, "reduced_motion": "reduce"}


@pytest.fixture
def answering(request: pytest.FixtureRequest) -> Answering:
    """Who reads what is only looked at: the server, unless a journey is made both ways or ``--answering page`` asks otherwise."""
    found: Answering = getattr(request, "param", None) or request.config.getoption("--answering")
    return found


@pytest.fixture
def drafter(page: Page, server: Server, api: Any, answering: Answering) -> Iterator[Drafter]:
    """Somebody at an empty drawing; the page must have written no error to the console at the end."""
    expect.set_options(timeout=20_000)
    errors: list[str] = []
    page.on("console", lambda message: errors.append(message.text) if message.type == "error" else None)
    page.on("pageerror", lambda error: errors.append(str(error)))
    made = api.post("/drawings", json={"name": "Journey"}).json()
    choose(page, answering)
    someone = Drafter(page, server, api, made["id"], answering)
    someone.open()
    yield someone
    # What the server refuses on purpose is no fault of the page.
    assert [e for e in errors if "422" not in e] == []
