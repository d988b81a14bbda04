"""Whatever the schema allows is answered without a server error."""

import httpx
import schemathesis
from hypothesis import HealthCheck, settings

from kentrograph.server.app import create_app

from ..conftest import Server

SCHEMA = schemathesis.openapi.from_dict(create_app("postgresql+psycopg://nobody@127.0.0.1/none").openapi())


@SCHEMA.parametrize()
@settings(max_examples=12, deadline=None, suppress_health_check=list(HealthCheck))
def test_no_request_is_a_server_error(case: schemathesis.Case, server: Server) -> None:
    arguments = case.as_transport_kwargs(base_url=server.url)
    arguments.pop("cookies", None)
    with httpx.Client(timeout=20, verify=False) as client:
        answer = client.request(
            arguments["method"], arguments["url"], params=arguments.get("params"), json=arguments.get("json"),
            headers={k: v for k, v in (arguments.get("headers") or {}).items() if v.isascii() and v.isprintable()},
        )  # fmt: skip
    assert answer.status_code < 500, (case.method, case.path, answer.status_code, answer.text[:500])
