"""Signing in: who gets in, who does not, and that what is ended is ended everywhere at once."""

import time
from concurrent.futures import ThreadPoolExecutor

import httpx
import psycopg
import pytest

from kentrograph.service import Serving, serve

from ..conftest import Server, kentrograph
from .office import PASSWORD, Person, closed_with, people_of, told


def test_nobody_comes_in_without_a_sign_in(office: Server, keeper: Person) -> None:
    stranger = Person(office)
    assert told(stranger.get("/drawings")) == (401, "not_signed_in")
    assert stranger.get("/who").json() == {"office": True, "person": None, "looking": []}
    for name, password in (("Maud Oake", PASSWORD + "!"), ("Nobody Here", PASSWORD), ("Maud Oake", "")):
        assert told(stranger.signs_in(name, password)) == (401, "not_signed_in")
    # Whoever was not told of a name cannot find it out.
    said = {stranger.signs_in(name, "wrong wrong wrong").text for name in ("Maud Oake", "Nobody Here")}
    assert len(said) == 1
    assert stranger.signs_in("  MAUD   oake ").json()["name"] == "Maud Oake"
    assert stranger.get("/drawings").status_code == 200


def test_a_cookie_is_no_scripts_and_no_other_sites(office: Server, keeper: Person) -> None:
    answer = Person(office).signs_in("Maud Oake")
    cookie = answer.headers["set-cookie"].lower()
    assert "httponly" in cookie
    assert "samesite=strict" in cookie
    assert "secure" not in cookie
    for nonsense in ("", "x", "a" * 5000, '"', "=;=", "kentrograph=" + "é" * 10):
        raw = {"Cookie": f"kentrograph={nonsense}".encode()}
        assert httpx.get(office.url + "/api/drawings", headers=raw, verify=False).status_code == 401  # type: ignore[arg-type]


def test_what_is_kept_of_a_cookie_and_of_a_password_is_neither(office: Server, keeper: Person) -> None:
    with psycopg.connect(office.database.replace("+psycopg", "")) as connection:
        rows = connection.execute("SELECT encode(token, 'escape') FROM sign_ins").fetchall()
        kept = connection.execute("SELECT password FROM people WHERE password IS NOT NULL").fetchall()
    assert all(keeper.cookies["kentrograph"] not in token for (token,) in rows)
    assert all(password.startswith("$argon2id$") for (password,) in kept)


def test_signing_out_ends_it_here_or_everywhere(office: Server, keeper: Person) -> None:
    one, *_ = people_of(office, keeper, "Signs Out")
    two, three = Person(office), Person(office)
    for other in (two, three):
        assert other.signs_in("Signs Out").status_code == 200
    cookie = dict(one.cookies)
    one.post("/sign-out", json={})
    assert told(one.get("/drawings")) == (401, "not_signed_in")
    assert told(httpx.get(office.url + "/api/drawings", cookies=cookie, verify=False)) == (401, "not_signed_in")
    assert two.get("/drawings").status_code == 200
    id = two.draws("Open while signed out")
    with three.socket(id) as table:
        table.receive("book")
        two.post("/sign-out", json={"everywhere": True})
        assert closed_with(table) == 4401
    assert told(three.get("/drawings")) == (401, "not_signed_in")


def test_another_password_ends_all_other_sign_ins(office: Server, keeper: Person) -> None:
    one, *_ = people_of(office, keeper, "Changes It")
    other = Person(office)
    other.signs_in("Changes It")
    assert told(one.post("/password", json={"now": "not this one", "new": "walking on the moor"})) == (400, "store")
    for bad in ("short", "aaaaaaaaaaaaaaaa", "my name: Changes it"):
        assert told(one.post("/password", json={"now": PASSWORD, "new": bad})) == (422, "bad_password")
    assert one.post("/password", json={"now": PASSWORD, "new": "walking on the moor"}).status_code == 204
    assert one.get("/drawings").status_code == 200
    assert told(other.get("/drawings")) == (401, "not_signed_in")
    assert told(other.signs_in("Changes It")) == (401, "not_signed_in")
    assert other.signs_in("Changes It", "walking on the moor").status_code == 200


def test_who_guesses_is_slowed_and_nobody_else(office: Server, keeper: Person) -> None:
    people_of(office, keeper, "Is Guessed", "Somebody Else")
    guesser = Person(office)
    answers = [told(guesser.signs_in("Is Guessed", f"guess number {n}")) for n in range(12)]
    assert answers[:10] == [(401, "not_signed_in")] * 10
    assert answers[10:] == [(429, "too_many_attempts")] * 2
    assert told(guesser.signs_in("Is Guessed")) == (429, "too_many_attempts")
    assert guesser.signs_in("Somebody Else").status_code == 200
    # A link to set it anew clears it.
    row = next(p for p in keeper.get("/people").json() if p["name"] == "Is Guessed")
    path = keeper.post("/invitations", json={"person": row["id"]}).json()["path"]
    Person(office).joins(path, "Is Guessed")
    assert guesser.signs_in("Is Guessed").status_code == 200


def test_an_invitation_is_good_once(office: Server, keeper: Person) -> None:
    path = keeper.invites("Comes Once")
    token = path.removeprefix("/join/")
    assert Person(office).get(f"/invitations/{token}").json()["name"] == "Comes Once"

    def take(number: int) -> int:
        asked = {"name": f"Comes Once {number}", "password": PASSWORD}
        return Person(office).post(f"/invitations/{token}", json=asked).status_code

    with ThreadPoolExecutor(4) as several:
        assert sorted(several.map(take, range(4))) == [200, 404, 404, 404]
    assert told(Person(office).get(f"/invitations/{token}")) == (404, "no_invitation")
    taken_back = keeper.post("/invitations", json={"name": "Never Comes"}).json()
    assert keeper.delete("/invitations", params={"made_at": taken_back["made_at"]}).status_code == 204
    assert told(Person(office).get(f"/invitations/{taken_back['path'].removeprefix('/join/')}")) == (404, "no_invitation")


@pytest.mark.parametrize("name", ["Maud Oake", "maud  OAKE", "Ｍaud Oake"])
def test_no_two_have_a_name_that_looks_the_same(office: Server, keeper: Person, name: str) -> None:
    token = keeper.invites().removeprefix("/join/")
    answer = Person(office).post(f"/invitations/{token}", json={"name": name, "password": PASSWORD})
    assert told(answer) == (409, "taken_name")
    # The link is still good: nothing was lost by the slip.
    Person(office).joins(token, f"Other than {name[:4]} {time.time_ns()}")


def test_who_has_left_is_out_and_somebody_always_keeps_the_office(office: Server, keeper: Person) -> None:
    leaver, *_ = people_of(office, keeper, "Leaves Soon")
    id = leaver.id
    assert keeper.patch(f"/people/{id}", json={"left": True}).json()["left"]
    assert told(leaver.get("/drawings")) == (401, "not_signed_in")
    assert told(leaver.signs_in("Leaves Soon")) == (401, "not_signed_in")
    assert not keeper.patch(f"/people/{id}", json={"left": False}).json()["left"]
    assert leaver.signs_in("Leaves Soon").status_code == 200
    for change in ({"keeper": False}, {"left": True}):
        answer = keeper.patch(f"/people/{keeper.id}", json=change)
        assert answer.status_code == 400
        assert "keep the office" in answer.json()["message"]


def test_the_author_is_whoever_is_signed_in(office: Server, keeper: Person) -> None:
    writer, *_ = people_of(office, keeper, "Wren Author")
    id = writer.draws("Signed")
    act = {"do": "write", "id": "a", "text": "point 1, 1"}
    refused = writer.post(f"/drawings/{id}/changes", json={"author": "Maud Oake", "act": act})
    assert told(refused) == (422, "bad_request")
    assert writer.post(f"/drawings/{id}/changes", json={"act": act}).status_code == 200
    assert "revision 1 by Wren Author" in writer.get(f"/drawings/{id}/check.html").text


def test_once_there_are_passwords_a_forgotten_word_opens_nothing(office: Server, keeper: Person) -> None:
    forgotten = Server(office.database)
    forgotten.start()
    try:
        assert told(Person(forgotten).get("/drawings")) == (401, "not_signed_in")
    finally:
        forgotten.stop()
    assert kentrograph(office.database, "join", "Maud Oake", "--first") == ""


def test_what_others_can_reach_needs_a_sign_in() -> None:
    for how in (Serving(8300, ["https://office.example"]), Serving(8300, bind="0.0.0.0")):
        assert serve(how) == 2
