"""Every family of givens, typed and picked in the order in which a hand gives them, and what then stands in the book.

The statements are those of the language's contract (*published* with it); the clicks are where somebody would click.
"""

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.values import StepResult
from kentrograph.core.desk import intents
from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.pointer import Pointer

from .support import book

Act = str | tuple[float, float]
GROUND = (
    "circle centre 0, 0 radius 20", "circle centre 90, 12 radius 14", "line from -40, -40 to 130, -40",
    "line from 20, 60 to 70, 90", "point 40, 40",
)  # fmt: skip

# The figure, what is typed (Enter after each) or picked, and what stands in the book.
FAMILIES: list[tuple[str, list[Act], str | None]] = [
    ("circle", ["30, 20", "diameter 24"], "circle centre 30, 20 diameter 24"),
    ("circle", ["40, 40", "circumference 60"], "circle centre 40, 40 circumference 60"),
    ("circle", [(40, 40), "12"], "circle centre P1 radius 12"),
    ("circle", [(40, 40), (70, 90)], "circle centre P1 through end of L2"),
    ("circle", [(40, 40), (14.14, 14.14), ""], "circle centre P1 touching C1 outside"),
    ("circle", ["across P1; 70, 90"], "circle across P1; 70, 90"),
    ("circle", ["through P1", (20, 60), (70, 90)], "circle through P1 through start of L2 through end of L2"),
    ("circle", ["through P1", (70, 90), "30 left"], "circle through P1 through end of L2 radius 30 left"),
    ("circle", [(20, -1), (76, 11), "60"], None),
    ("circle", [(20, -1), (76, 11), (30, -40)], None),
    ("circle", ["touching L1 at 10, -40", "12 left"], "circle touching L1 at 10, -40 radius 12 left"),
    ("arc", ["centre P1", (20, 60), "sweep 90"], "arc centre P1 from start of L2 sweep 90"),
    ("arc", [(20, 60), "via P1", (70, 90)], "arc from start of L2 via P1 to end of L2"),
    ("arc", [(20, 60), "to end of L2", "35 left"], "arc from start of L2 to end of L2 radius 35 left"),
    ("arc", ["continuing L1", "radius 20", "sweep -40"], "arc continuing L1 radius 20 sweep -40"),
    ("arc", ["touching C1 C2", "radius 80", ""], None),
    ("line", [(40, 40), (70, 90)], "line from P1 to end of L2"),
    ("line", [(40, 40), "direction 30", "length 80"], "line from P1 direction 30 length 80"),
    ("line", ["through P1", "parallel L1"], "line through P1 parallel L1"),
    ("line", ["through P1", "square L2"], "line through P1 square L2"),
    ("line", ["parallel L1", "distance 15 left"], "line parallel L1 distance 15 left"),
    ("line", ["bisecting L1 L2 left"], "line bisecting L1 L2 left"),
    ("line", [(40, 40), "touching C1 left"], "line from P1 touching C1 left"),
    ("line", [(1, 20), (90, 26)], None),
    ("point", ["50 at 30"], "point 50 at 30"),
    ("point", ["120 from P1", "90 from C2 left"], "point 120 from P1 90 from C2 left"),
    ("point", ["P1.x, 15"], "point P1.x, 15"),
    ("point", [(70, 90)], "point end of L2"),
]  # fmt: skip


def given_by_hand(b: Book, kind: str, acts: list[Act]) -> str:
    """What is written once all was typed (each with Enter) or clicked; Enter on the empty row where it is asked for."""
    draft = Draft(kind)
    for act in acts:
        if isinstance(act, str):
            does = look(b, Hand(draft=draft, text=act)).enter
        else:
            pointer = Pointer(*act, reach=1.8, pixel=0.18)
            click = look(b, Hand(draft=draft, pointer=pointer, aimed=True)).click
            assert click is not None, (acts, act)
            does = click
        if does.do == "write":
            return does.statement
        assert does.do == "given", (acts, act, does)
        assert does.draft is not None
        draft = does.draft
    raise AssertionError(f"nothing was written: {acts}, {draft}")


@pytest.mark.parametrize(("kind", "acts", "expected"), FAMILIES, ids=[f"{k}: {a}" for k, a, _ in FAMILIES])
def test_each_family_of_givens_typed_and_picked(kind: str, acts: list[Act], expected: str | None) -> None:
    b = book(*GROUND)
    edit, _ = intents.write(b, given_by_hand(b, kind, acts), "n")
    after, _ = b.edited(edit)
    text = after.steps["n"].statement.text
    assert expected is None or text == expected
    assert isinstance(after.values["n"], StepResult)
    # What was written is what a text says: typed whole, at once, it is the same step.
    whole, _ = intents.write(b, text, "n")
    assert b.edited(whole)[0].values["n"] == after.values["n"]
