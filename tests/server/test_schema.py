"""No request that the schema allows, or nearly, is a fault of the server: also where all that it names is there."""

import re
from collections.abc import Iterator
from typing import Any

import httpx
import pytest
import schemathesis
from hypothesis import HealthCheck, settings

from kentrograph.server.app import create_app

from ..conftest import Server

SCHEMA = schemathesis.openapi.from_dict(create_app("postgresql+psycopg://nobody@127.0.0.1/none").openapi())
TEXT = """P1 = point 1, 2
C1 = circle centre P1 radius 5
K1 = path from 0, 0 to 40, 0 to 40, 30 close
R1 = measure distance P1 C1
sheet a4
dimension C1
table P1
"""


def request_of(case: schemathesis.Case) -> dict[str, Any]:
    """What is sent, but for what no browser could send."""
    arguments = case.as_transport_kwargs(base_url="")
    headers = {k: v for k, v in (arguments.get("headers") or {}).items() if v.isascii() and v.isprintable()}
    return {"method": arguments["method"], "url": arguments["url"], "params": arguments.get("params"),
            "json": arguments.get("json"), "headers": headers}  # fmt: skip


@pytest.fixture(scope="module")
def client(server: Server) -> Iterator[httpx.Client]:
    """One for all; what has been idle is not used again, for the server may be ending it just then."""
    limits = httpx.Limits(keepalive_expiry=1.0)
    with httpx.Client(timeout=20, verify=False, base_url=server.url, limits=limits) as made:
        yield made


def tried(client: httpx.Client, sent: dict[str, Any]) -> None:
    client.cookies.clear()
    answer = client.request(**sent)
    assert answer.status_code < 500, (sent, answer.status_code, answer.text[:500])


@SCHEMA.parametrize()
@settings(max_examples=12, deadline=None, suppress_health_check=list(HealthCheck))
def test_no_request_is_a_server_error(case: schemathesis.Case, client: httpx.Client) -> None:
    tried(client, request_of(case))


@pytest.fixture(scope="module")
def there(server: Server) -> dict[str, str]:
    """Things that exist, by what they are called in an address."""
    with httpx.Client(base_url=f"{server.url}/api", timeout=20, verify=False) as api:
        id = api.post("/drawings", json={"name": "Tried", "text": TEXT}).raise_for_status().json()["id"]
        steps = [step["id"] for step in api.get(f"/drawings/{id}").json()["steps"]]
        return {"id": id, **{f"step{n}": step for n, step in enumerate(steps)}}


@SCHEMA.parametrize()
@settings(max_examples=6, deadline=None, suppress_health_check=list(HealthCheck))
def test_nor_is_one_about_what_is_there(case: schemathesis.Case, client: httpx.Client, there: dict[str, str]) -> None:
    sent = request_of(case)
    if (case.method.upper(), case.path) in (("DELETE", "/api/drawings/{id}"), ("DELETE", "/api/teams/{team}")):
        pytest.skip("what it is about would not be there afterwards")
    steps = [there[key] for key in there if key.startswith("step")]
    names = {"id": there["id"], "word": "svg", "number": "1", "name": "circle.svg"}
    for number, step in enumerate(steps):
        path = re.sub(r"\{(\w+)\}", lambda m, s=step: names.get(m[1], s), case.path)  # type: ignore[misc]
        tried(client, {**sent, "url": path})
        if number == 0 and "{step}" not in case.path and "{figure}" not in case.path:
            break
