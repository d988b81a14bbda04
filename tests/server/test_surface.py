"""What the surface asks of the server: boxes, what hangs together, values, handles, and the picture under a drawing."""

from typing import Any

import httpx
import pytest

from .support import act, picture

STEPS = ("point 0, 0", "line from P1 to 50, 0", "line from 50, 0 to 50, 40", "circle centre 25, 20 radius 8")


@pytest.fixture
def ids(api: httpx.Client, drawing: dict[str, Any]) -> list[str]:
    for n, text in enumerate(STEPS):
        assert act(api, drawing["id"], do="write", text=text, id=f"s{n}").status_code == 200
    return [f"s{n}" for n in range(len(STEPS))]


def test_boxes_and_what_hangs_together(api: httpx.Client, drawing: dict[str, Any], ids: list[str]) -> None:
    path = f"/drawings/{drawing['id']}"
    box = {"left": -1, "bottom": -1, "right": 55, "top": 30}
    assert api.get(f"{path}/inside", params=box).json() == ["s0", "s1", "s3"]
    assert api.get(f"{path}/inside", params={**box, "touched": True}).json() == ids
    assert api.get(f"{path}/alike/s1?way=together").json() == ["s0", "s1", "s2"]
    assert api.get(f"{path}/alike/none?way=together").status_code == 422


def test_values_and_ways(api: httpx.Client, drawing: dict[str, Any], ids: list[str]) -> None:
    path = f"/drawings/{drawing['id']}"
    assert [v["word"] for v in api.get(f"{path}/values/s3").json()] == ["radius", "diameter", "circumference"]
    ways = api.get(f"{path}/ways/s1", params={"word": "length", "typed": "60"}).json()
    assert ways[0]["instead"] == ["to 50, 0"]
    assert ways[0]["text"] == "line from P1 through 50, 0 length 60"
    bad = api.get(f"{path}/ways/s3", params={"word": "radius", "typed": "-1"})
    assert bad.status_code == 422


def test_several_steps_are_struck_and_hidden_as_one_change(api: httpx.Client, drawing: dict[str, Any], ids: list[str]) -> None:
    path = f"/drawings/{drawing['id']}"
    api.post(f"{path}/changes", json={"act": {"do": "flag", "id": "s1", "others": ["s2", "s3"], "hidden": True}})
    assert [s["hidden"] for s in api.get(path).json()["steps"]] == [False, True, True, True]
    struck = api.post(f"{path}/changes", json={"act": {"do": "strike", "id": "s0", "others": ["s1", "s2"]}}).json()
    assert [s["id"] for s in struck["steps"]] == ["s3"]
    back = api.post(f"{path}/changes", json={"act": {"do": "undo"}}).json()
    assert [s["id"] for s in back["steps"]] == ids
    assert all(s["problem"] is None for s in back["steps"])


def test_a_picture_is_laid_placed_scaled_and_taken_away(api: httpx.Client, drawing: dict[str, Any]) -> None:
    path = f"/drawings/{drawing['id']}/backing"
    assert api.get(path).json() is None
    assert api.get(f"{path}/picture").status_code == 404
    for kind, version in (("PNG", 1), ("JPEG", 2)):
        laid = api.put(path, content=picture(kind=kind), params={"scale": 2}).json()
        assert (laid["width"], laid["height"], laid["version"]) == (40, 30, version)
        assert api.get(f"{path}/picture").headers["content-type"] == f"image/{kind.lower()}"
    placed = api.patch(path, json={**laid["placing"], "x": 10, "y": 20}).json()
    # Two places 20 apart are to be 5 ft: the first stays where it is.
    scaled = api.post(f"{path}/scale", json={"first": [10, 20], "second": [30, 20], "apart": "1524"}).json()
    assert scaled["placing"]["scale"] == pytest.approx(placed["placing"]["scale"] * 1524 / 20)
    assert (scaled["placing"]["x"], scaled["placing"]["y"]) == (10, 20)
    same = api.post(f"{path}/scale", json={"first": [1, 1], "second": [1, 1], "apart": "3"})
    assert (same.status_code, same.json()["code"]) == (422, "bad_picture")
    assert api.post(f"{path}/scale", json={"first": [1, 1], "second": [2, 1], "apart": "-3"}).status_code == 422
    assert api.delete(path).status_code == 204
    assert api.patch(path, json=placed["placing"]).status_code == 404


@pytest.mark.parametrize(
    ("content", "says"),
    [(b"", "PNG or JPEG"), (b"GIF89a" + bytes(40), "PNG or JPEG"), (picture()[:60], "PNG or JPEG"), (bytes(9 * 2**20), "MB")],
)
def test_what_is_no_picture_is_refused_with_the_reason(
    api: httpx.Client, drawing: dict[str, Any], content: bytes, says: str
) -> None:
    answer = api.put(f"/drawings/{drawing['id']}/backing", content=content)
    assert answer.status_code == 422
    assert says in answer.json()["message"]
