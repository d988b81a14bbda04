"""An office of the tests' own: people who are signed in, on a database that no other test uses."""

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

import httpx
from websockets.exceptions import ConnectionClosed
from websockets.sync.client import connect

from kentrograph.server.caller import LOOKING_COOKIE, SIGN_IN_COOKIE

from ..conftest import Server
from .test_live import Table

PASSWORD = "a mill race in May"


class Person(httpx.Client):
    """Somebody's browser."""

    def __init__(self, server: Server) -> None:
        # A server ends a connection that has been idle for some seconds, and tests rest between.
        super().__init__(base_url=server.url + "/api", timeout=20, verify=False, limits=httpx.Limits(max_keepalive_connections=0))
        self.server = server

    def joins(self, path: str, name: str, password: str = PASSWORD) -> "Person":
        answer = self.post(f"/invitations/{path.removeprefix('/join/')}", json={"name": name, "password": password})
        assert answer.status_code == 200, answer.text
        return self

    def signs_in(self, name: str, password: str = PASSWORD) -> httpx.Response:
        return self.post("/sign-in", json={"name": name, "password": password})

    def invites(self, name: str = "") -> str:
        return str(self.post("/invitations", json={"name": name}).raise_for_status().json()["path"])

    def draws(self, name: str, text: str = "") -> str:
        return str(self.post("/drawings", json={"name": name, "text": text}).raise_for_status().json()["id"])

    def shares(self, id: str, kind: str, may: str, whom: str | None = None) -> None:
        self.put(f"/drawings/{id}/sharing", json={"kind": kind, "id": whom, "may": may}).raise_for_status()

    def links(self, id: str) -> str:
        return str(self.post(f"/drawings/{id}/links").raise_for_status().json()["path"])

    @property
    def id(self) -> str:
        return str(self.get("/who").json()["person"]["id"])

    @contextmanager
    def socket(self, id: str) -> Iterator[Table]:
        kept = "; ".join(f"{n}={self.cookies[n]}" for n in (SIGN_IN_COOKIE, LOOKING_COOKIE) if n in self.cookies)
        address = f"ws://127.0.0.1:{self.server.port}/api/drawings/{id}/live"
        with connect(address, additional_headers={"Cookie": kept}) as socket:
            yield Table(socket)


def people_of(server: Server, keeper: Person, *names: str) -> list[Person]:
    """Several people who have joined."""
    return [Person(server).joins(keeper.invites(name), name) for name in names]


def closed_with(table: Table) -> int:
    """The code with which the server closes a socket; what it says before is passed over."""
    try:
        while True:
            table.socket.recv(timeout=10)
    except ConnectionClosed as closed:
        return closed.rcvd.code if closed.rcvd is not None else 0


def told(answer: httpx.Response) -> tuple[int, Any]:
    """Status and code of an answer."""
    return answer.status_code, answer.json().get("code") if answer.content[:1] == b"{" else None
