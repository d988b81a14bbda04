"""The shelf over HTTP."""

import time
from typing import Any

import httpx

from .support import act, book, shelf, texts, write


def names(api: httpx.Client) -> list[str]:
    return [d["name"] for d in shelf(api)]


def test_drawing_comes_goes_and_comes_back(api: httpx.Client) -> None:
    made = api.post("/drawings", json={"name": "  Cam   plate "}).json()
    assert made["name"] == "Cam plate"
    assert names(api)[0] == "Cam plate"
    assert api.delete(f"/drawings/{made['id']}").status_code == 204
    assert "Cam plate" not in names(api)
    assert api.get(f"/drawings/{made['id']}").status_code == 404
    assert api.post(f"/drawings/{made['id']}/restore").json()["name"] == "Cam plate"
    assert "Cam plate" in names(api)


def test_renamed_and_duplicated(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    write(api, id, "point 1, 2")
    assert api.patch(f"/drawings/{id}", json={"name": "Belt"}).json()["name"] == "Belt"
    copy = api.post(f"/drawings/{id}/duplicate").json()
    assert copy["name"] == "Belt (copy)"
    assert api.post(f"/drawings/{id}/duplicate").json()["name"] == "Belt (copy 2)"
    write(api, copy["id"], "point 3, 4")
    assert texts(book(api, id)) == ["point 1, 2"]
    assert texts(book(api, copy["id"])) == ["point 1, 2", "point 3, 4"]


def test_picture_is_of_the_drawing_as_it_stands(api: httpx.Client, drawing: dict[str, Any]) -> None:
    write(api, drawing["id"], "circle centre 10, 20 radius 5")
    write(api, drawing["id"], "path from 0,0 to 40,0 to 40,30 close")
    for _ in range(100):
        listed = next(d for d in shelf(api) if d["id"] == drawing["id"])
        if listed["pictured"] == listed["revision"]:
            break
        time.sleep(0.1)
    answer = api.get(f"/drawings/{drawing['id']}/picture", params={"of": listed["pictured"]})
    assert answer.headers["cache-control"].endswith("immutable")
    assert answer.json()["box"] == [0.0, 0.0, 40.0, 30.0]
    assert [f["kind"] for f in answer.json()["figures"]] == ["circle", "outline"]


def test_the_shelf_is_searched_and_comes_in_pages(api: httpx.Client) -> None:
    for number in range(7):
        api.post("/drawings", json={"name": f"Paged 100% plate_{number}"})
    found: list[str] = []
    mark: dict[str, Any] = {}
    while mark.get("after", "") is not None:
        page = api.get("/drawings", params={"words": "PLATE_ paged 100%", "most": 3, **mark}).json()
        mark = {"after": page["after"]}
        assert page["count"] == 7
        found += [d["name"] for d in page["drawings"]]
    assert found == [f"Paged 100% plate_{number}" for number in reversed(range(7))]
    assert api.get("/drawings", params={"words": "plate%0"}).json()["drawings"] == []
    assert api.get("/drawings", params={"after": "bm9uc2Vuc2U="}).status_code == 400


def test_text_makes_a_drawing_and_comes_out_again(api: httpx.Client) -> None:
    text = "unit in\npoint 1 1/2, 2\nC1 = circle centre P1 diameter 2 3/8\n"
    made = api.post("/drawings", json={"name": "From text", "text": text}).json()
    assert api.get(f"/drawings/{made['id']}/text").text == text
    refused = api.post("/drawings", json={"name": "Bad", "text": "point 1, 2\nunit ell"})
    assert (refused.status_code, refused.json()["fields"]["line"]) == (400, 2)


def test_a_line_of_a_text_that_cannot_be_read_is_kept_as_a_step(api: httpx.Client) -> None:
    text = "point 1, 2\npont 3\nL1 = line fro P1\nline from end of L1 to P1\n"
    made = api.post("/drawings", json={"name": "Half read", "text": text}).json()
    assert api.get(f"/drawings/{made['id']}/text").text == text
    steps = book(api, made["id"])["steps"]
    assert [s["problem"] and s["problem"]["kind"] for s in steps] == [None, "unknown_word", "unknown_given", "waits"]
    mended = act(api, made["id"], do="mend", id=steps[2]["id"], text="L1 = line from P1 to 5, 5").json()
    assert [s["problem"] and s["problem"]["kind"] for s in mended["steps"]] == [None, "unknown_word", None, None]


def test_bad_requests_are_answered_with_a_cause(api: httpx.Client, drawing: dict[str, Any]) -> None:
    for answer in (
        api.post("/drawings", json={"name": "   "}),
        api.post("/drawings", json={"name": "x" * 201}),
        api.post("/drawings", json={}),
        api.patch(f"/drawings/{drawing['id']}", json={"name": "\x00"}),
        api.get("/drawings/not-a-drawing"),
        api.get("/drawings/00000000-0000-0000-0000-000000000000"),
        api.get(f"/drawings/{drawing['id']}", params={"revision": 7}),
        api.get(f"/drawings/{drawing['id']}", params={"revision": -1}),
        api.get("/nothing"),
    ):
        assert 400 <= answer.status_code < 500, answer.text
        assert answer.json()
