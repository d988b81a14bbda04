"""Checks over the wire and from the command line: loose ends put right, what a reading hangs on, the report."""

import csv
import io
import json
import re
from html.parser import HTMLParser
from pathlib import Path
from typing import Any

import pytest

from kentrograph.cli import main
from kentrograph.core.desk.check_report import check_report
from kentrograph.core.language.script import book_of, read_script
from kentrograph.exchange.check_page import Facts, check_csv, check_html, picture_of

SLIPS = """L1 = line from 0, 0 to 40, 0
L2 = line from 40.2, 0 to 40, 30
C1 = circle touching L1 left at 10, 0 radius 8
R1 = measure length L1 wanted 45 within 0.1
R2 = measure radius C1 wanted 8 within 0.1
L9 = line from nowhere to 3, 4
"""
RIGHT = "L1 = line from 0, 0 to 40, 0\nR1 = measure length L1 wanted 40 within 0.1\n"


def made(api: Any, text: str) -> str:
    found: str = api.post("/drawings", json={"name": "Checked <b>", "text": text}).raise_for_status().json()["id"]
    return found


def test_loose_ends_are_told_and_put_right(api: Any) -> None:
    id = made(api, SLIPS)
    told = api.get(f"/drawings/{id}/loose").json()
    assert (told["limit"], told["unit"], told["count"]) == (0.5, "mm", 1)
    (one,) = told["findings"]
    assert one["words"] == "The end of L1 and the start of L2 miss each other by 0.2 mm."
    assert one["offer"] == "L2 becomes: from end of L1"
    # A wider limit finds more, a narrower one less.
    assert api.get(f"/drawings/{id}/loose", params={"limit": 0.1}).json()["count"] == 0
    act = {"do": "settle", "id": "mended", "findings": [one["key"]], "limit": 0.5}
    after = api.post(f"/drawings/{id}/changes", json={"base": 0, "act": act})
    assert after.status_code == 200
    assert [s["text"] for s in after.json()["steps"]][1] == "L2 = line from end of L1 to 40, 30"
    assert after.json()["undo"] == "L2 becomes: from end of L1"
    assert api.get(f"/drawings/{id}/loose").json()["findings"] == []
    again = api.post(f"/drawings/{id}/changes", json={"base": 1, "act": act})
    assert (again.status_code, again.json()["code"]) == (422, "nothing_to_settle")


def test_what_a_reading_hangs_on(api: Any) -> None:
    id = made(api, SLIPS)
    reading = api.get(f"/drawings/{id}").json()["steps"][3]["id"]
    first = api.get(f"/drawings/{id}/causes/{reading}").json()[0]
    assert (first["name"], first["typed"], first["becomes"], first["slip"]) == ("L1", "40", "45", True)
    assert first["moves"] == "0.01 more makes it 0.01 more"
    assert api.get(f"/drawings/{id}/causes/nobody").status_code == 422


@pytest.mark.parametrize("limit", ["0", "-1", "nan", "inf", "x"])
def test_a_limit_is_a_length(api: Any, limit: str) -> None:
    id = made(api, RIGHT)
    assert api.get(f"/drawings/{id}/loose", params={"limit": limit}).status_code == 422
    assert api.get(f"/drawings/{id}/check.html", params={"limit": limit}).status_code == 422


class Words(HTMLParser):
    """The words of a page; every tag must be closed in its turn."""

    def __init__(self) -> None:
        super().__init__()
        self.open: list[str] = []
        self.words: list[str] = []

    def handle_starttag(self, tag: str, attrs: Any) -> None:
        if tag not in ("meta", "circle", "path", "rect"):
            self.open.append(tag)

    def handle_endtag(self, tag: str) -> None:
        if tag not in ("circle", "path", "rect"):
            assert self.open.pop() == tag

    def handle_data(self, data: str) -> None:
        self.words.append(data.strip())


def test_the_page_of_the_report(api: Any) -> None:
    id = made(api, SLIPS)
    answer = api.get(f"/drawings/{id}/check.html")
    assert answer.headers["content-type"].startswith("text/html")
    page = Words()
    page.feed(answer.text)
    assert page.open == []
    said = " ".join(word for word in page.words if word)
    # The drawing's name is words, whatever stands in it.
    assert "Checked <b>" in said
    assert "revision 0 by drafter" in said
    assert re.search(r"\d{2} [A-Z][a-z]+ \d{4}, \d{2}:\d{2}", said)
    for words in ("Something is out.", "45.000 mm ±0.1", "-5.000 mm", "miss each other by 0.2 mm", "there is no nowhere", "<svg"):
        assert words in (answer.text if words == "<svg" else said), words
    # As it stood at a revision.
    api.post(
        f"/drawings/{id}/changes",
        json={"base": 0, "act": {"do": "strike", "id": api.get(f"/drawings/{id}").json()["steps"][5]["id"]}},
    ).raise_for_status()
    assert "nowhere" not in api.get(f"/drawings/{id}/check.html").text
    assert "revision 1 by drafter" in api.get(f"/drawings/{id}/check.html").text
    assert "nowhere" in api.get(f"/drawings/{id}/check.html", params={"revision": 0}).text
    assert api.get(f"/drawings/{id}/check.html", params={"revision": 7}).status_code == 404


def test_the_table_of_the_report(api: Any) -> None:
    """RFC 4180: section 2, clauses 1 to 7."""
    id = made(api, SLIPS)
    answer = api.get(f"/drawings/{id}/check.csv")
    assert answer.headers["content-type"] == "text/csv; charset=utf-8"
    assert "attachment" in answer.headers["content-disposition"]
    assert answer.content.endswith(b"\r\n")
    rows = list(csv.DictReader(io.StringIO(answer.text, newline="")))
    assert {tuple(row) for row in rows} == {("check", "name", "what", "value", "wanted", "difference", "verdict")}
    kinds = [(row["check"], row["verdict"]) for row in rows]
    assert kinds == [("reading", "out"), ("reading", "within"), ("touching", "exact"), ("loose end", "out"), ("waits", "out")]


# From the command line -------------------------------------------------------------------------------------------


def check(folder: Path, text: str, capsys: pytest.CaptureFixture[str], *options: str) -> tuple[int, str, str]:
    file = folder / "drawing.kent"
    file.write_text(text, encoding="utf-8")
    status = main(["check", str(file), *options])
    out, error = capsys.readouterr()
    return status, out, error


def test_the_exit_status_says_whether_something_is_out(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert check(tmp_path, RIGHT, capsys)[0] == 0
    status, out, _ = check(tmp_path, SLIPS, capsys)
    assert status == 1
    assert "Something is out." in out
    assert check(tmp_path, RIGHT.replace("40 within", "41 within"), capsys)[0] == 1
    assert check(tmp_path, RIGHT + "point 40.1, 0\n", capsys)[0] == 1
    # A dimension is checked as a reading is.
    assert check(tmp_path, RIGHT + "dimension length L1 wanted 40 within 0.1\n", capsys)[0] == 0
    assert check(tmp_path, RIGHT + "dimension length L1 wanted 41 within 0.1\n", capsys)[0] == 1
    assert check(tmp_path, RIGHT + "point 40.1, 0\n", capsys, "--limit", "0.05")[0] == 0
    assert check(tmp_path, RIGHT + "unit parsec\n", capsys)[0] == 1
    assert main(["check", str(tmp_path / "none")]) == 2
    capsys.readouterr()
    for bad in ("0", "-1", "far"):
        with pytest.raises(SystemExit) as stopped:
            main(["check", "-", "--limit", bad])
        assert stopped.value.code == 2
        assert "--limit" in capsys.readouterr().err


def test_the_same_is_said_in_every_form(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    _, plain, _ = check(tmp_path, SLIPS, capsys)
    _, as_json, _ = check(tmp_path, SLIPS, capsys, "--json")
    _, as_csv, _ = check(tmp_path, SLIPS, capsys, "--csv")
    _, as_html, _ = check(tmp_path, SLIPS, capsys, "--html")
    found = json.loads(as_json)
    assert found["good"] is False
    assert [one["verdict"] for one in found["readings"]] == ["out", "within"]
    for words in (found["readings"][0]["difference"], found["loose_ends"][0], found["waiting"][0]["why"]):
        assert all(words in form for form in (plain, as_csv, as_html)), words


def test_an_empty_drawing_has_a_report() -> None:
    report = check_report(book_of(read_script("")))
    assert report.good
    page = check_html(report, Facts("Nothing", "revision 0", "today", picture_of(book_of(read_script("")))))
    assert "Nothing is out." in page
    assert "<figure>" not in page
    assert check_csv(report).count("\r\n") == 1
