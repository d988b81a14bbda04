"""Edges and arcs of outlines are figures: touched, parallel, square, measured, picked, as a line or an arc alone would be."""

import re

import pytest

from kentrograph.core.book.edits import Delete
from kentrograph.core.book.kinds import ALL
from kentrograph.core.book.values import StepResult
from kentrograph.core.desk import intents
from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.pointer import Pointer
from kentrograph.core.desk.rename import rename
from tools.examples import DRAWING

from .support import book, figure, problem, report

# The line L1 of the reference drawing, as the only edge of a chain and as the second of another.
CHAINS = {"edge 1 of K8": "K8 = pencil path from P1 to P2", "edge 2 of K9": "K9 = pencil path from 10, 99 to P1 to P2 to 70, 99"}
SAME = [
    text
    for kind in ALL.values()
    for text, _ in kind.examples
    if not kind.shapes and re.search(r"\bL1\b", text) and not re.search(r"L1\.|trimmed|^hub", text)
]


@pytest.mark.parametrize("edge", CHAINS)
@pytest.mark.parametrize("text", SAME)
def test_whatever_a_line_does_an_edge_does(text: str, edge: str) -> None:
    """Property: every example with a line is the same with an edge in its place."""
    line = report(*DRAWING, f"Q_ = {text}")
    other = report(*DRAWING, CHAINS[edge], "Q_ = " + re.sub(r"\bL1\b", edge, text))
    assert line["problems"] == other["problems"] == []
    one, two = (str(found["figures"].get("Q_")) for found in (line, other))
    assert one.replace("L1", edge) == two
    assert [r["value"] for r in line["readings"]] == [r["value"] for r in other["readings"]]


PLATE = ("K1 = rectangle from 0, 0 size 120, 80", "K2 = path from 200, 0 to 240, 0 curve to 240, 40 to 200, 40 close")


@pytest.mark.parametrize(
    ("text", "part", "value"),
    [
        # By hand, from the corners of the plate and the half circle of 20 about 240, 20.
        ("circle touching edge 1 of K1 left edge 2 of K1 left radius 10", "centre", (110, 10)),
        ("line from 60, 40 square edge 3 of K1", "end", (60, 80)),
        ("point centre of edge 2 of K2", "", (240, 20)),
        ("point middle of edge 2 of K2", "", (260, 20)),
        ("point 10 along edge 2 of K1", "", (120, 10)),
        ("point foot of 60, 40 on edge 4 of K1", "", (0, 40)),
        ("fillet edge 1 of K1 edge 2 of K1 radius 12", "centre", (108, 12)),
        ("arc continuing edge 1 of K1 to 140, 20", "centre", (120, 20)),
        ("point 12 from edge 1 of K1 left; 30 from edge 4 of K1 left", "", (30, 12)),
    ],
)
def test_by_hand(text: str, part: str, value: tuple[float, float]) -> None:
    made = figure(book(*PLATE, f"Q = {text}"), "Q")
    at = getattr(made, part) if part else made
    assert (at.x, at.y) == pytest.approx(value, abs=1e-9)


@pytest.mark.parametrize(
    ("text", "kind", "said"),
    [
        ("circle touching edge 7 of K1 through 3, 3; 5, 9", "no_such_edge", "K1 has the edges 1 to 4"),
        ("line from 0, 0 square edge 0 of K1", "no_such_edge", "K1 has the edges 1 to 4"),
        ("line from 0, 0 square edge 1 of C1", "no_such_edge", "C1 has no edges: only outlines have"),
        ("line from 0, 0 square edge 1 of K7", "unknown_name", "there is no K7"),
        ("move edge 1 of K1 by 40, 0", "whole_figure", "name K1"),
        ("line from 0, 0 parallel edge 2 of K2 length 5", "no_line", "wants a line"),
    ],
)
def test_what_will_not_do(text: str, kind: str, said: str) -> None:
    found = problem(*PLATE, "C1 = circle centre 0, 0 radius 5", text)
    assert found["kind"] == kind
    assert said in found["message"]


def test_they_follow_their_outline_and_wait_for_it() -> None:
    b = book(*PLATE, "C1 = circle touching edge 2 of K1 left edge 3 of K1 left radius 10")
    assert figure(b, "C1").centre.x == pytest.approx(110)
    wider, _ = b.edited(intents.mend(b, b.order[0], "rectangle from 0, 0 size 200, 80")[0])
    assert figure(wider, "C1").centre.x == pytest.approx(190)
    renamed, _ = wider.edited(rename(wider, wider.order[0], "plate")[0])
    assert renamed.steps[renamed.order[2]].statement.text.endswith("touching edge 2 of plate left edge 3 of plate left radius 10")
    assert isinstance(renamed.values[renamed.order[2]], StepResult)
    without, back = renamed.edited(Delete(renamed.order[0]))
    assert without.values[without.order[1]].kind == "unknown_name"  # type: ignore[union-attr]
    again, _ = without.edited(back)
    assert figure(again, "C1").centre.x == pytest.approx(190)
    assert again.evaluated_anew().values == again.values


@pytest.mark.parametrize(
    ("kind", "rows", "at", "picked"),
    [
        ("circle", (), (33, 0.4), "touching edge 1 of K1"),
        ("circle", ("touching edge 1 of K1",), (119.6, 22), "touching edge 2 of K1"),
        ("fillet", (), (33, 0.4), "K1"),
        ("fillet", ("edge 1 of K1",), (119.6, 22), "edge 2 of K1"),
        ("move", (), (33, 0.4), "K1"),
        ("measure angle", (), (33, 0.4), "edge 1 of K1"),
        ("measure length", (), (33, 0.4), "K1"),
        ("measure radius", (), (259.6, 23), "edge 2 of K2"),
        ("circle", (), (240.3, 20.3), "centre centre of edge 2 of K2"),
        ("line", ("from 70, 40",), (70.3, 0.2), "to foot on edge 1 of K1"),
        ("line", ("from 70, 30",), (60.3, 79.8), "to middle of edge 3 of K1"),
    ],
)
def test_by_clicks(kind: str, rows: tuple[str, ...], at: tuple[float, float], picked: str) -> None:
    view = look(book(*PLATE), Hand(draft=Draft(kind, rows), pointer=Pointer(*at, 2.4, 0.2), aimed=True))
    assert view.picks[view.picked] == picked
