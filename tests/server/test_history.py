"""The history over HTTP: who did what when, any state found, named, compared and brought back."""

from typing import Any

import httpx

from ..conftest import Server
from .office import Person, people_of, told
from .support import act, book, texts, write


def test_all_that_was_done_is_told_with_who_did_it(office: Server, keeper: Person) -> None:
    one, two = people_of(office, keeper, "Does Much", "Does Little")
    id = one.draws("Told about")
    one.shares(id, "person", "draw", two.id)
    write(two, id, "point 1, 1")
    act(one, id, do="undo")
    one.patch(f"/drawings/{id}", json={"name": "Told otherwise"})
    one.delete(f"/drawings/{id}")
    one.post(f"/drawings/{id}/restore")
    link = one.links(id)
    one.delete(f"/drawings/{id}/links/{link.removeprefix('/look/')}")
    found = one.get(f"/drawings/{id}/history").json()["entries"]
    assert [(e["author"], e["act"], e["what"], e["revision"]) for e in reversed(found)] == [
        ("Does Much", "do", "new drawing Told about", 0),
        ("Does Much", "with it", "lets Does Little draw it", None),
        ("Does Little", "do", "point P1", 1),
        ("Does Much", "undo", "point P1", 2),
        ("Does Much", "with it", "renamed it from Told about", None),
        ("Does Much", "with it", "deleted it", None),
        ("Does Much", "with it", "put it back on the shelf", None),
        ("Does Much", "with it", "made a link to look at it", None),
        ("Does Much", "with it", "took a link to it back", None),
    ]
    assert told(keeper.get(f"/drawings/{id}/history/9")) == (404, "no_revision")


def test_a_state_is_named_compared_and_brought_back(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    root = write(api, id, "P1 = point 0, 0")["steps"][0]["id"]
    write(api, id, "circle centre P1 radius 5")
    api.put(f"/drawings/{id}/history/2/name", json={"name": "as agreed"}).raise_for_status()
    act(api, id, do="mend", id=root, text="P1 = point 4, 0")
    write(api, id, "point 9, 9")
    state = api.get(f"/drawings/{id}/history/4", params={"since": 2}).json()
    assert [(d["name"], d["what"]) for d in state["differences"]] == [("P1", "changed"), ("C1", "followed"), ("P2", "came")]
    assert "<svg" in state["picture"]
    base = book(api, id)["revision"]
    done = act(api, id, base, do="bring_back", revision=2).json()
    assert (texts(done), done["revision"], done["undo"]) == (
        ["P1 = point 0, 0", "circle centre P1 radius 5"],
        5,
        "return to revision 2",
    )
    again = act(api, id, base + 1, do="bring_back", revision=2)
    assert told(again) == (422, "same_state")
    assert told(act(api, id, base, do="bring_back", revision=1)) == (409, "stale")
    assert texts(act(api, id, do="undo").json()) == ["P1 = point 4, 0", "circle centre P1 radius 5", "point 9, 9"]
    names = [e["name"] for e in api.get(f"/drawings/{id}/history").json()["entries"]]
    assert [n for n in names if n] == ["as agreed"]
    api.put(f"/drawings/{id}/history/2/name", json={"name": " "}).raise_for_status()
    assert not any(e["name"] for e in api.get(f"/drawings/{id}/history").json()["entries"])


def test_every_state_is_found_also_past_snapshots(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    step = write(api, id, "point 0, 0")["steps"][0]["id"]
    for number in range(1, 520):
        act(api, id, do="mend", id=step, text=f"point {number}, 0").raise_for_status()
    for revision in (1, 2, 249, 250, 251, 374, 375, 376, 499, 500, 501, 519, 520):
        assert texts(book(api, id, revision=revision)) == [f"point {revision - 1}, 0"]
    page = api.get(f"/drawings/{id}/history").json()
    seen = [e["revision"] for e in page["entries"]]
    while page["before"]:
        page = api.get(f"/drawings/{id}/history", params={"before": page["before"]}).json()
        seen += [e["revision"] for e in page["entries"]]
    assert seen == list(range(520, -1, -1))
