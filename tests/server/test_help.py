"""The help at the table: what the declarations and the guide say, with every picture that is named."""

import json
import re

import httpx

from kentrograph.core.book.kinds import ALL, STATEMENT_KINDS
from kentrograph.core.book.pens import PENS
from kentrograph.core.book.readings import READINGS
from kentrograph.core.desk.draft import READING
from kentrograph.core.snap.kinds import KINDS as PLACES
from kentrograph.server.declared import declared_module


def test_it_has_every_kind_with_its_examples_and_every_picture_it_names(api: httpx.Client) -> None:
    found = api.get("/help").json()
    assert [k["word"] for k in found["kinds"]] == [word for word, kind in ALL.items() if kind.examples]
    for kind in found["kinds"]:
        assert [e["text"] for e in kind["examples"]] == [text for text, _ in ALL[kind["word"]].examples]
        for example in kind["examples"]:
            if example["picture"]:
                picture = api.get(f"/help/pictures/{example['picture']}")
                assert picture.headers["content-type"] == "image/svg+xml"
                assert picture.text.startswith("<svg")


def test_it_has_the_guide_without_pictures_of_the_table_and_links_to_other_pages(api: httpx.Client) -> None:
    sections = {s["title"]: s["text"] for s in api.get("/help").json()["sections"]}
    assert {"Keys", "Places", "Mending"} <= sections.keys()
    assert not any("](" in text for text in sections.values())


def test_no_other_file_is_a_picture(api: httpx.Client) -> None:
    for name in ("guide.md", "..%2Fguide.md", "circle-99.svg"):
        answer = api.get(f"/help/pictures/{name}")
        assert answer.status_code == 404


def test_what_is_built_into_the_front_end_is_all_that_is_declared() -> None:
    kinds, pens, places = (
        [json.loads(line.strip().rstrip(",")) for line in part.splitlines()[1:-1]]
        for part in re.findall(r"\w+: \[.*?\n  \],", declared_module(), re.DOTALL)
    )
    assert {pen["word"]: pen["explanation"] for pen in pens} == PENS
    assert [place["key"] for place in places] == list(PLACES)
    assert [kind["word"] for kind in kinds] == [*STATEMENT_KINDS, READING, *(f"measure {word}" for word in READINGS)]
