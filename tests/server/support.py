"""Short ways to change and read drawings over HTTP."""

import io
from itertools import count
from typing import Any

import httpx
from PIL import Image

_NUMBERS = count(1)


def act(api: httpx.Client, drawing_id: str, base: int | None = None, /, **what: Any) -> httpx.Response:
    return api.post(f"/drawings/{drawing_id}/changes", json={"base": base, "act": what})


def write(api: httpx.Client, id: str, text: str, base: int | None = None) -> dict[str, Any]:
    answer = act(api, id, base, do="write", text=text, id=f"t{next(_NUMBERS)}")
    assert answer.status_code == 200, answer.text
    found: dict[str, Any] = answer.json()
    return found


def book(api: httpx.Client, id: str, **query: Any) -> dict[str, Any]:
    found: dict[str, Any] = api.get(f"/drawings/{id}", params=query).json()
    return found


def shelf(api: httpx.Client, **query: Any) -> list[dict[str, Any]]:
    found: list[dict[str, Any]] = api.get("/drawings", params={"most": 200, **query}).json()["drawings"]
    return found


def texts(book: dict[str, Any]) -> list[str]:
    return [step["text"] for step in book["steps"]]


def step(book: dict[str, Any], name: str) -> dict[str, Any]:
    found: dict[str, Any] = next(s for s in book["steps"] if s["name"] == name)
    return found


def picture(width: int = 40, height: int = 30, kind: str = "PNG") -> bytes:
    file = io.BytesIO()
    Image.new("RGB", (width, height), "white").save(file, kind)
    return file.getvalue()


class Receiver:
    """What a table has of a drawing, by the messages that it has taken."""

    def __init__(self) -> None:
        self.revision = -1
        self.steps: dict[str, Any] = {}
        self.order: list[str] = []

    def take(self, message: dict[str, Any]) -> None:
        """Takes in a book, or what differs from the one before, as the contract of the message says."""
        self.revision = message["revision"]
        self.steps.update({s["id"]: s for s in message["steps"]})
        if message["whole"]:
            self.order = [s["id"] for s in message["steps"]]
        out = {*message["gone"], *(p["id"] for p in message["placed"])}
        self.order = [id for id in self.order if id not in out]
        for one in message["placed"]:
            at = len(self.order) if one["in_front_of"] is None else self.order.index(one["in_front_of"])
            self.order.insert(at, one["id"])

    def in_order(self) -> list[dict[str, Any]]:
        return [self.steps[id] for id in self.order]
