"""Where the figures were clicked decides which of several solutions is meant: the one that touches there.

*Common practice*: whoever clicks on three circles clicks where the fourth shall touch them.
"""

from math import cos, hypot, radians, sin
from random import Random

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.values import StepResult
from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.pointer import Pointer

from .support import book

PIXELS = 15.0
"""So far beside the touching place a hand may click; one pixel is one unit here."""


def figure_text(dice: Random) -> str:
    x, y, r = dice.uniform(100, 700), dice.uniform(100, 700), dice.uniform(30, 150)
    match dice.choice(("circle", "circle", "line", "arc")):
        case "circle":
            return f"circle centre {x:.3f}, {y:.3f} radius {r:.3f}"
        case "line":
            return f"line from {x:.3f}, {y:.3f} to {dice.uniform(0, 800):.3f}, {dice.uniform(0, 800):.3f}"
        case _:
            return f"arc centre {x:.3f}, {y:.3f} radius {r:.3f} at {dice.uniform(0, 360):.2f} sweep {dice.uniform(90, 300):.2f}"


def drawing(dice: Random) -> Book | None:
    made = book(*(f"F{n} = {figure_text(dice)}" for n in range(3)))
    return made if all(isinstance(made.values[id], StepResult) for id in made.order) else None


def beside(dice: Random, x: float, y: float) -> tuple[float, float]:
    way, off = radians(dice.uniform(0, 360)), dice.uniform(0, PIXELS)
    return x + off * cos(way), y + off * sin(way)


def told_apart(places: list[list[list[float]]], meant: int) -> bool:
    """Whether a hand could have meant no other: each other one touches somewhere that is not near a click."""
    return all(
        max(hypot(a[0] - b[0], a[1] - b[1]) for a, b in zip(other, places[meant], strict=True)) > 6 * PIXELS
        for n, other in enumerate(places)
        if n != meant
    )


def test_that_solution_always_of_500_random_triples() -> None:
    dice, cases = Random(13), 0
    while cases < 500:
        made = drawing(dice)
        if made is None:
            continue
        rows = tuple(f"touching F{n}" for n in range(3))
        view = look(made, Hand(draft=Draft("circle", rows)))
        true = [n for n, one in enumerate(view.solutions) if not one.note]
        if len(view.solutions) < 2 or not true:
            continue
        meant = dice.choice(true)
        places = [one.touching for one in view.solutions]
        if not told_apart([places[n] for n in true], true.index(meant)):
            continue
        cases += 1
        order = [0, 1, 2]
        dice.shuffle(order)
        draft = Draft("circle")
        for n in order:
            draft = draft.grown((*draft.rows, rows[n]), beside(dice, *places[meant][n]))
        decided = look(made, Hand(draft=draft))
        assert decided.enter.do == "write"
        assert decided.preview is not None
        wanted = view.solutions[meant].figure
        got = decided.preview
        assert hypot(got["centre"][0] - wanted["centre"][0], got["centre"][1] - wanted["centre"][1]) <= 1e-6 * (1 + got["radius"])
        assert got["radius"] == pytest.approx(wanted["radius"], rel=1e-6)


THREE = (
    "F0 = circle centre 200, 200 radius 60", "F1 = circle centre 500, 200 radius 60", "F2 = circle centre 350, 450 radius 60",
)  # fmt: skip
FACING = ((252, 229), (447, 229), (350, 390))
FAR = ((145, 175), (555, 175), (350, 510))


@pytest.mark.parametrize(("clicks", "outside"), [(FACING, True), (FAR, False)])
def test_three_circles_clicked_with_the_pointer(clicks: tuple[tuple[float, float], ...], outside: bool) -> None:
    """Clicked on their facing sides it lies between them; on their far sides it encloses them."""
    made = book(*THREE)
    draft = Draft("circle")
    for x, y in clicks:
        click = look(made, Hand(draft=draft, pointer=Pointer(x, y, 10.0, 1.0), aimed=True)).click
        assert click is not None
        if click.do == "write":
            assert click.statement.count("outside" if outside else "enclosing") == 3
            return
        assert click.draft is not None
        draft = click.draft
    raise AssertionError(draft)


def test_lines_clicked_on_their_inner_edges_and_then_a_radius() -> None:
    """A number typed after the clicks writes at once: they have said which circle is meant."""
    made = book("L1 = line from 0, 0 to 400, 0", "L2 = line from 0, 300 to 400, 0")
    for corner, (x, y) in {"below": (100, 225), "right": (300, 75)}.items():
        draft = Draft("circle").grown(("touching L1",), (380.0 if corner == "right" else 60.0, 0.0))
        draft = draft.grown(("touching L1", "touching L2"), (float(x), float(y)))
        view = look(made, Hand(draft=draft, text="20"))
        assert view.enter.do == "write"
        assert view.preview is not None
        taken = view.solutions[view.taken]
        assert min(hypot(p[0] - x, p[1] - y) for p in taken.touching) == min(
            hypot(p[0] - x, p[1] - y) for one in view.solutions for p in one.touching
        )


def test_the_pointer_on_another_solution_takes_that_one() -> None:
    made = book(*THREE)
    draft = Draft("circle")
    for n, at in enumerate(FACING):
        draft = draft.grown((*draft.rows, f"touching F{n}"), (float(at[0]), float(at[1])))
    all_of_them = look(made, Hand(draft=draft)).solutions
    large = max(all_of_them, key=lambda one: one.figure["radius"]).figure
    x, y = large["centre"][0] + large["radius"], large["centre"][1]
    on_it = look(made, Hand(draft=draft, pointer=Pointer(x, y, 10.0, 1.0), aimed=True))
    assert on_it.preview is not None
    assert on_it.preview["radius"] == pytest.approx(large["radius"])


def test_a_second_click_in_the_same_place_makes_no_figure_smaller_than_a_spot() -> None:
    """The corner of a triangle and a crossing lie there, a rounding apart. *From memory*: found by a double click."""
    lines = ("line from 0, 0 to 40, 0", "line from 40, 0 to 40, 30", "line from 40, 30.2 to 0, 0", "join L1 L2 L3 within 0.3")
    made = book(*lines, "scale K1 about 0, 0 from 40, 0 to 80, 0")
    hand = Hand(draft=Draft("circle", ("centre corner 1 of K1",)), pointer=Pointer(0.0, 0.0, 2.0, 0.2), aimed=True)
    click = look(made, hand).click
    assert click is None or not click.statement.startswith("circle centre corner 1 of K1 through"), click
