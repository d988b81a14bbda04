"""Every address and every message of the socket, by every right: as the one table of rights says, and by none other."""

import json
import re
from typing import Any
from uuid import uuid4

import httpx
import pytest
from fastapi.routing import APIWebSocketRoute
from pydantic import TypeAdapter
from websockets.exceptions import InvalidStatus
from websockets.sync.client import connect

from kentrograph.server.permissions import MESSAGES, PERMISSIONS, Asked, Need, asked_of
from kentrograph.server.socket_schemas import ClientMessage

from ..conftest import Server
from .office import Person, closed_with, people_of, told
from .test_doors import APP, ROUTES

STANDINGS = ("stranger", "guest", "other", "see", "draw", "own", "keeper")
MAY = {
    Need.UNASKED: set(STANDINGS),
    Need.NOTHING: set(STANDINGS),
    Need.SIGNED_IN: set(STANDINGS) - {"stranger", "guest"},
    Need.KEEPER: {"keeper"},
    Need.SEE: {"guest", "see", "draw", "own", "keeper"},
    Need.COPY: {"see", "draw", "own", "keeper"},
    Need.DRAW: {"draw", "own", "keeper"},
    Need.OWN: {"own", "keeper"},
}
"""Who is let in by each need: said here once more, and not read from what is tested."""


def test_every_address_says_what_it_asks_for() -> None:
    sockets = {f"SOCKET {route.path}" for route in APP.routes if isinstance(route, APIWebSocketRoute)}
    assert {f"{method} {path}" for method, path in ROUTES} | sockets == set(PERMISSIONS)
    schema = TypeAdapter(ClientMessage).json_schema()
    assert set(MESSAGES) == set(schema["discriminator"]["mapping"])


def test_addresses_are_known_however_they_are_written() -> None:
    id = uuid4()
    for written in (str(id), str(id).upper(), id.hex, f"{{{id}}}", f"urn:uuid:{id}", "nonsense"):
        assert asked_of("GET", f"/api/drawings/{written}") == Asked("GET /api/drawings/{id}", Need.SEE, written)


@pytest.fixture(scope="module")
def everyone(office: Server, keeper: Person) -> dict[str, Person]:
    """A browser of each standing, as it is to the drawings of `drawing_of`."""
    names = [f"Walks {n}" for n in ("other", "see", "draw", "own")]
    other, see, draw, own = people_of(office, keeper, *names)
    return {
        "stranger": Person(office),
        "guest": Person(office),
        "other": other,
        "see": see,
        "draw": draw,
        "own": own,
        "keeper": keeper,
    }


def drawing_of(everyone: dict[str, Person]) -> str:
    """A drawing that each of them may do so much with."""
    own = everyone["own"]
    id = own.draws("Walked", "circle centre 0,0 radius 5\nmeasure distance C1 0,0")
    for may in ("see", "draw"):
        own.shares(id, "person", may, everyone[may].id)
    everyone["guest"].post(f"/looking/{own.links(id).removeprefix('/look/')}").raise_for_status()
    return id


@pytest.mark.parametrize(("method", "path"), ROUTES, ids=[f"{m} {p}" for m, p in ROUTES])
def test_every_address_lets_in_whom_it_should(everyone: dict[str, Person], method: str, path: str) -> None:
    if path == "/api/sign-out":
        pytest.skip("it would sign the others out; test_people tries it")
    need = PERMISSIONS[f"{method} {path}"]
    for standing in STANDINGS:
        # Afresh for each: what one of them deletes the next one could not see.
        id = drawing_of(everyone)
        address = path.removeprefix("/api").replace("{id}", id).replace("{step}", "s1").replace("{figure}", "s1")
        address = re.sub(r"\{\w+\}", "x" * 32, address)
        answer = everyone[standing].request(method, address)
        status, code = told(answer)
        let_in = status not in (401, 403) and not (status == 404 and code == "no_drawing")
        if path == "/api/looking/{token}":
            let_in = status == 404 and "taken back" in answer.text
        assert let_in == (standing in MAY[need]), (standing, status, answer.text[:200])
        if not let_in:
            # Who may not see it is not told that it is there.
            hidden = need.may is not None and standing in ("other",)
            assert (status == 404) == hidden, (standing, status, answer.text)


@pytest.mark.parametrize("standing", STANDINGS)
def test_every_message_of_the_socket_lets_in_whom_it_should(everyone: dict[str, Person], standing: str) -> None:
    id = drawing_of(everyone)
    sent: dict[str, dict[str, Any]] = {
        "echo": {},
        "read": {"text": "point 1, 1"},
        # Is not answered: what stands after it is.
        "where": {"at": [1, 2]},
        "do": {"base": 0, "act": {"do": "write", "id": "n1", "text": "point 1, 1"}},
    }
    assert set(sent) == set(MESSAGES)
    with everyone[standing].socket(id) as table:
        if standing not in MAY[Need.SEE]:
            assert closed_with(table) == (4404 if standing == "other" else 4401)
            return
        table.receive("book")
        for kind, message in sent.items():
            seq = table.send(type=kind, **message)
            seqs = {seq, table.send(type="echo")}
            while (answer := json.loads(table.socket.recv(timeout=10))).get("seq") not in seqs:
                pass
            refused = answer["type"] == "refused" and answer["code"] == "may_not"
            assert refused == (standing not in MAY[MESSAGES[kind]]), answer
    revision = everyone["own"].get(f"/drawings/{id}").json()["revision"]
    assert revision == (1 if standing in MAY[Need.DRAW] else 0)


def test_a_socket_of_another_origin_gets_nothing_with_a_sign_in(office: Server, everyone: dict[str, Person]) -> None:
    id = drawing_of(everyone)
    cookie = {"Cookie": f"kentrograph={everyone['own'].cookies['kentrograph']}"}
    address = f"ws://127.0.0.1:{office.port}/api/drawings/{id}/live"
    with pytest.raises(InvalidStatus), connect(address, origin="http://evil.example", additional_headers=cookie):  # type: ignore[arg-type]
        pass
    for headers in ({"Origin": "http://evil.example"}, {"Host": "evil.example"}):
        answer = httpx.get(f"{office.url}/api/drawings", headers={**cookie, **headers}, verify=False)
        assert answer.status_code == 403


def test_a_right_that_is_taken_away_is_gone_from_open_tables(everyone: dict[str, Person]) -> None:
    id = drawing_of(everyone)
    own, draw, guest = (everyone[n] for n in ("own", "draw", "guest"))
    with draw.socket(id) as table, guest.socket(id) as looking:
        for one in (table, looking):
            assert one.receive("standing")["may"] == ("draw" if one is table else "see")
            one.receive("book")
        own.shares(id, "person", "see", draw.id)
        assert table.receive("standing")["may"] == "see"
        table.send(type="do", base=0, act={"do": "write", "id": "n1", "text": "point 1, 1"})
        assert table.receive("refused")["code"] == "may_not"
        own.shares(id, "person", "nothing", draw.id)
        link = own.get(f"/drawings/{id}/sharing").json()["links"][0]["token"]
        own.delete(f"/drawings/{id}/links/{link}")
        for one, code in ((table, 4404), (looking, 4401)):
            assert closed_with(one) == code
    assert told(draw.get(f"/drawings/{id}")) == (404, "no_drawing")


def test_a_team_and_everybody_may_what_they_are_given(office: Server, keeper: Person, everyone: dict[str, Person]) -> None:
    own, other = everyone["own"], everyone["other"]
    id = own.draws("For a team")
    team = keeper.post("/teams", json={"name": "Organ shop"}).json()["id"]
    own.shares(id, "team", "draw", team)
    assert other.get(f"/drawings/{id}").status_code == 404
    keeper.patch(f"/teams/{team}", json={"members": [other.id]})
    assert other.get(f"/drawings/{id}/sharing").json()["may"] == "draw"
    found = other.get("/drawings", params={"team": team}).json()["drawings"]
    assert [(d["id"], d["may"], d["owners"]) for d in found] == [(id, "draw", ["Walks own"])]
    own.shares(id, "all", "see")
    assert everyone["see"].get(f"/drawings/{id}/sharing").json()["may"] == "see"
    assert other.get(f"/drawings/{id}/sharing").json()["may"] == "draw"
    keeper.delete(f"/teams/{team}")
    assert other.get(f"/drawings/{id}/sharing").json()["may"] == "see"
    assert told(everyone["stranger"].get(f"/drawings/{id}")) == (401, "not_signed_in")


def test_the_shelf_holds_what_one_may_see(everyone: dict[str, Person]) -> None:
    id = drawing_of(everyone)
    for standing, here in (("other", False), ("see", True), ("draw", True), ("own", True), ("keeper", True)):
        ids = [d["id"] for d in everyone[standing].get("/drawings", params={"most": 200}).json()["drawings"]]
        assert (id in ids) == here, standing
    everyone["own"].delete(f"/drawings/{id}")
    for standing, here in (("draw", False), ("own", True), ("keeper", True)):
        listed = everyone[standing].get("/drawings", params={"deleted": True, "most": 200}).json()["drawings"]
        assert (id in [d["id"] for d in listed]) == here, standing


def test_a_guest_is_not_told_who_is_in_the_office(everyone: dict[str, Person]) -> None:
    id = drawing_of(everyone)
    assert everyone["guest"].get(f"/drawings/{id}/sharing").json() == {"may": "see", "shares": [], "links": []}
    assert everyone["see"].get(f"/drawings/{id}/sharing").json()["links"] == []
