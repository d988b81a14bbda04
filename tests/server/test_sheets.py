"""Sheets over the wire: what is stated where no step stands yet, the office's own mark."""

from io import BytesIO
from typing import Any

import httpx
import pypdf
from PIL import Image

from .support import act, book, picture, texts


def test_a_field_of_a_sheet_that_is_not_kept_yet_writes_the_sheet(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    first = {"do": "restate", "id": "s1", "word": "title", "said": 'a "plate"', "otherwise": "sheet", "first": "a4 portrait"}
    assert act(api, id, **first).status_code == 200
    assert texts(book(api, id)) == ['sheet a4 portrait title "a ""plate"""']
    assert act(api, id, **{**first, "word": "Finish", "said": "primed", "otherwise": ""}).status_code == 200
    assert texts(book(api, id)) == ['sheet a4 portrait title "a ""plate""" field "Finish" "primed"']
    part = {"do": "restate", "id": "v1", "word": "at", "said": "100, 80", "otherwise": "view", "first": "scale 1:2"}
    assert act(api, id, **part).status_code == 200
    assert texts(book(api, id))[-1] == "view scale 1:2 at 100, 80"


def test_the_mark_of_the_office_stands_on_every_sheet_until_it_is_taken_off(api: httpx.Client, drawing: dict[str, Any]) -> None:
    sheets = f"/drawings/{drawing['id']}/sheets.pdf"
    try:
        assert api.get("/office/mark").status_code == 204
        assert api.put("/office/mark", content=picture(900, 300)).status_code == 204
        with Image.open(BytesIO(api.get("/office/mark").content)) as kept:
            # No larger than it is printed.
            assert kept.size == (600, 200)
        assert len(pypdf.PdfReader(BytesIO(api.get(sheets).content)).pages[0].images) == 1
        for bad, why in ((b"no picture", "no PNG"), (b"\x89PNG" + b"0" * 5_000_001, "5.0 MB")):
            answer = api.put("/office/mark", content=bad)
            assert answer.status_code == 422
            assert why in answer.json()["message"]
    finally:
        assert api.delete("/office/mark").status_code == 204
    assert len(pypdf.PdfReader(BytesIO(api.get(sheets).content)).pages[0].images) == 0
