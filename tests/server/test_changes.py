"""Changes: stored to the last digit, taken back, done again, never lost to a stale base."""

from math import cos, radians, sin
from typing import Any

import httpx
import pytest

from ..conftest import Server
from .support import act, book, step, texts, write


def test_steps_are_stored_to_the_last_digit(api: httpx.Client, drawing: dict[str, Any]) -> None:
    write(api, drawing["id"], "point 0.1 + 0.2, 1/3")
    found = write(api, drawing["id"], "line from P1 to + 25 at 120")
    x, y = 0.1 + 0.2, 1 / 3
    assert step(found, "L1")["figure"]["from"] == [x, y]
    end = (x + 25 * cos(radians(120)), y + 25 * sin(radians(120)))
    assert step(book(api, drawing["id"]), "L1")["figure"]["to"] == pytest.approx(end, abs=1e-12)


def test_undo_and_redo_walk_through_every_change(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    states = [texts(book(api, id))]
    for text in ("point 1, 2", "line from P1 to 5, 5", "circle centre P1 radius 3"):
        states.append(texts(write(api, id, text)))
    first = book(api, id)["steps"][0]["id"]
    states.append(texts(act(api, id, do="mend", id=first, text="point 7, 8").json()))
    states.append(texts(act(api, id, do="strike", id=first).json()))
    for expected in reversed(states[:-1]):
        assert texts(act(api, id, do="undo").json()) == expected
    assert act(api, id, do="undo").json()["code"] == "nothing_to_undo"
    for expected in states[1:]:
        assert texts(act(api, id, do="redo").json()) == expected
    assert act(api, id, do="redo").json()["code"] == "nothing_to_redo"


def test_change_after_undo_drops_what_could_be_done_again(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    write(api, id, "point 1, 1")
    write(api, id, "point 2, 2")
    assert act(api, id, do="undo").json()["redo"] == "point P2"
    found = write(api, id, "point 3, 3")
    assert (found["undo"], found["redo"]) == ("point P2", None)
    assert texts(act(api, id, do="undo").json()) == ["point 1, 1"]
    assert texts(act(api, id, do="undo").json()) == []
    assert texts(act(api, id, do="redo").json()) == ["point 1, 1"]
    assert texts(act(api, id, do="redo").json()) == ["point 1, 1", "point 3, 3"]


def test_any_earlier_state_can_be_had(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    seen = {0: texts(book(api, id))}
    for text in ("point 1, 2", "point 3, 4", "line from P1 to P2"):
        found = write(api, id, text)
        seen[found["revision"]] = texts(found)
    found = act(api, id, do="undo").json()
    seen[found["revision"]] = texts(found)
    for revision, expected in seen.items():
        assert texts(book(api, id, revision=revision)) == expected


def test_stale_base_is_refused_and_says_so(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    first = write(api, id, "point 1, 2", base=0)["steps"][0]["id"]
    assert act(api, id, 1, do="mend", id=first, text="point 5, 6").status_code == 200
    answer = act(api, id, 1, do="mend", id=first, text="point 3, 4")
    assert (answer.status_code, answer.json()["code"]) == (409, "stale")
    assert answer.json()["fields"] == {"base": 1, "revision": 2}
    assert texts(book(api, id)) == ["point 5, 6"]


def test_mending_the_root_moves_what_follows(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    root = write(api, id, "point 1, 2")["steps"][0]["id"]
    write(api, id, "circle centre P1: 10, 0 radius 4")
    write(api, id, "measure distance P1 C1")
    found = act(api, id, do="mend", id=root, text="point 5, 5").json()
    assert step(found, "C1")["figure"]["centre"] == [15.0, 5.0]
    assert step(found, "R1")["reading"]["exact"] == 6.0
    gone = act(api, id, do="strike", id=root).json()
    assert step(gone, "C1")["problem"]["kind"] == "unknown_name"
    assert step(gone, "R1")["problem"]["kind"] == "unknown_name"


def test_pen_of_the_table_is_written_into_the_text(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    found = act(api, id, do="write", text="circle centre 0,0 radius 4", id="a", pen="pencil").json()
    assert (found["steps"][0]["text"], found["steps"][0]["pen"]) == ("pencil circle centre 0,0 radius 4", "pencil")
    found = act(api, id, do="write", text="a = 4", id="b", pen="pencil").json()
    assert found["steps"][1]["text"] == "a = 4"


def test_header_line_sets_the_drawing_and_is_taken_back(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    write(api, id, "point 25.4, 0")
    found = write(api, id, "unit in")
    assert (found["header"]["unit"], found["steps"][0]["figure"]["at"]) == ("in", [1.0, 0.0])
    back = act(api, id, do="undo").json()
    assert (back["header"]["unit"], back["steps"][0]["figure"]["at"]) == ("mm", [25.4, 0.0])


REFUSED = [
    ("nonsense", 422, "unknown_word"),
    ("point 1e300, 0", 422, "too_large"),
    ("point nan, 0", 422, "unknown_name"),
    ("line from 1,1 to 1,1", 422, "zero_length"),
    ("circle centre 0,0 radius 0", 422, "bad_radius"),
    ("circle centre 0,0 radius -5", 422, "bad_radius"),
    ("circle centre P9 radius 5", 422, "unknown_name"),
    ("P1 = point 9, 9", 422, "name_taken"),
    ("точка 3, 4", 422, "unknown_sign"),
    ("x" * 10_000, 422, "unknown_word"),
    ("point 1, 2\x00", 422, "bad_request"),
    ("", 422, "unfinished"),
]


@pytest.mark.parametrize(("text", "status", "code"), REFUSED, ids=[r[2] + str(i) for i, r in enumerate(REFUSED)])
def test_what_cannot_be_drawn_is_not_written(
    api: httpx.Client, drawing: dict[str, Any], text: str, status: int, code: str
) -> None:
    write(api, drawing["id"], "point 1, 2")
    answer = act(api, drawing["id"], do="write", text=text, id="bad")
    assert (answer.status_code, answer.json()["code"]) == (status, code), answer.text
    assert answer.json()["message"]
    assert texts(book(api, drawing["id"])) == ["point 1, 2"]


def test_bad_acts_are_refused(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    write(api, id, "point 1, 2")
    for what in (
        {"do": "strike", "id": "nowhere"},
        {"do": "mend", "id": "nowhere", "text": "point 1, 1"},
        {"do": "move", "id": "nowhere", "in_front_of": None},
        {"do": "write", "text": "point 1, 1", "id": "x", "in_front_of": "nowhere"},
        {"do": "write", "text": "point 1, 1", "id": "../x"},
        {"do": "fly"},
        {},
    ):
        assert act(api, id, **what).status_code == 422, what
    assert api.post(f"/drawings/{id}/changes", content=b"\xff\xff").status_code == 422


def test_steps_are_renamed_moved_hidden_and_switched_off(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    for text in ("point 1, 2", "circle centre P1 radius 5", "point 9, 9"):
        write(api, id, text)
    first, second, third = (s["id"] for s in book(api, id)["steps"])
    renamed = act(api, id, do="rename", id=first, name="post").json()
    assert texts(renamed) == ["post = point 1, 2", "circle centre post radius 5", "point 9, 9"]
    assert renamed["undo"] == "renaming P1 to post"
    assert act(api, id, do="rename", id=first, name="C1").json()["code"] == "name_taken"
    moved = act(api, id, do="move", id=third, in_front_of=first).json()
    assert [s["id"] for s in moved["steps"]] == [third, first, second]
    refused = act(api, id, do="move", id=second, in_front_of=third).json()
    assert (refused["code"], refused["message"]) == (
        "later_name",
        "a step can only use what stands before it: C1 needs post, which comes later",
    )
    hidden = act(api, id, do="flag", id=second, hidden=True).json()
    assert (step(hidden, "C1")["hidden"], hidden["undo"]) == (True, "hiding circle C1")
    off = act(api, id, do="flag", id=first, off=True).json()
    assert step(off, "post")["problem"]["kind"] == "off"
    assert step(off, "C1")["problem"]["kind"] == "waits"
    for _ in range(4):
        back = act(api, id, do="undo").json()
    assert texts(back) == ["point 1, 2", "circle centre P1 radius 5", "point 9, 9"]
    assert all(s["problem"] is None and not s["hidden"] for s in back["steps"])


def test_all_solutions_and_the_one_taken_come_back_from_the_database(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    write(api, id, "arc from 0, 0 to 40, 0 radius 25 right major")
    found = book(api, id)
    assert found["steps"][0]["figure"]["sweep"] == pytest.approx(360 - 106.26020470831196)
    assert found["steps"][0]["figure"]["centre"] == pytest.approx([20, -15])


def test_step_without_its_name_before_it_is_not_written(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    write(api, id, "post = point 0, 0")
    answer = act(api, id, do="write", text="circle centre past radius 4", id="x").json()
    assert answer["message"] == "“past” cannot stand here: expected a number"
    answer = act(api, id, do="write", text="circle centre pots radius 4", id="x").json()
    assert answer["message"] == "there is no pots before this step: perhaps post"


def test_a_drawing_opens_again_whatever_became_of_the_names_in_it(server: Server, database: str) -> None:
    """A number by whose name a distance is given is struck, or becomes a circle; then the server starts anew."""
    with httpx.Client(base_url=server.url + "/api", timeout=20, verify=False) as api:
        made = [api.post("/drawings", json={"name": "Named distance"}).json()["id"] for _ in range(2)]
        for id in made:
            for text in ("P1 = point 0,0", "P2 = point 10,0", "a = 8", "P3 = point a from P1; 7 from P2 left"):
                found = write(api, id, text)
        number = [step(book(api, id), "a")["id"] for id in made]
        assert act(api, made[0], do="strike", id=number[0]).status_code == 200
        assert act(api, made[1], do="mend", id=number[1], text="a = circle centre 0,0 radius 8").status_code == 200
        before = [book(api, id) for id in made]
    anew = Server(database)
    anew.start()
    try:
        with httpx.Client(base_url=anew.url + "/api", timeout=20, verify=False) as api:
            assert api.get("/drawings").status_code == 200
            assert [book(api, id) for id in made] == before
            assert [step(book(api, id), "P3")["problem"]["kind"] for id in made] == ["unknown_name", "not_a_number"]
            for id in made:
                assert act(api, id, do="undo").status_code == 200
                assert step(book(api, id), "P3")["figure"] == step(found, "P3")["figure"]
    finally:
        anew.stop()
