"""How many actions everyday work takes, as the guide counts them: keys that are no digits, clicks and drags."""

from math import hypot, pi

import pytest

from .drafter import Drafter


class Counting:
    """A drafter whose actions are counted."""

    def __init__(self, drafter: Drafter) -> None:
        self.drafter = drafter
        self.actions = 0

    def chooses(self, word: str) -> None:
        """A word of the tray."""
        self.drafter.page.get_by_label("Tray").get_by_role("button", name=word, exact=True).click()
        self.actions += 1

    def clicks(self, *places: tuple[float, float]) -> None:
        for place in places:
            self.drafter.clicks_on(*place)
            self.actions += 1

    def drags(self, start: tuple[float, float], end: tuple[float, float]) -> None:
        self.drafter.drags(start, end)
        self.actions += 1

    def enters(self, *texts: str) -> None:
        """Digits are free: every other key counts, and Enter."""
        for text in texts:
            self.drafter.types(text)
            self.actions += sum(not c.isdigit() for c in text) + 1

    def presses(self, *keys: str) -> None:
        self.drafter.presses(*keys)
        self.actions += len(keys)


@pytest.fixture
def hand(drafter: Drafter) -> Counting:
    drafter.types("point 0, 0", "point 80, 0", "point 80, 50", "point 0, 50")
    drafter.presses("Control+Home")
    drafter.sees_steps(4)
    return Counting(drafter)


def test_ends_of_a_diameter(hand: Counting) -> None:
    hand.chooses("Circle")
    hand.drags((0, 0), (80, 50))
    hand.presses("Enter")
    assert hand.drafter.texts()[-1] == "circle across P1; P3"
    assert hand.drafter.figure("C1")["radius"] == pytest.approx(hypot(80, 50) / 2)
    assert hand.actions <= 3


def test_a_line_from_a_middle_to_a_quarter_point(hand: Counting) -> None:
    hand.drafter.types("line from P1 to P2", "circle centre 50, 30 radius 12")
    hand.drafter.sees_steps(6)
    hand.chooses("Line")
    hand.clicks((40, 0), (50, 42))
    assert hand.drafter.texts()[-1] == "line from middle of L1 to on C1 at 90"
    assert hand.actions <= 3


@pytest.mark.parametrize("way", ["corner and size", "about its centre", "polygon"])
def test_a_square(hand: Counting, way: str) -> None:
    match way:
        case "corner and size":
            hand.chooses("Rectangle")
            hand.clicks((0, 0))
            hand.enters("40x40")
        case "about its centre":
            hand.chooses("Rectangle")
            hand.drafter.page.get_by_role("button", name="centre").click()
            hand.actions += 1
            hand.clicks((80, 50))
            hand.enters("40x40")
        case _:
            hand.chooses("Polygon")
            hand.clicks((80, 50))
            hand.enters("4", "30")
    hand.drafter.sees_steps(5)
    assert len(hand.drafter.figure("K1")["pieces"]) == 4
    assert hand.actions <= 8


def test_a_chain_of_seven_places_with_two_circles(hand: Counting) -> None:
    hand.chooses("Path")
    hand.clicks((0, 0), (80, 0), (90, 20), (80, 50), (40, 60), (0, 50), (-10, 25), (0, 0))
    hand.drafter.sees_steps(5)
    assert hand.drafter.texts()[4].endswith("close")
    hand.chooses("Circle")
    hand.clicks((20, 25))
    hand.enters("6")
    hand.clicks((60, 25))
    hand.enters("6")
    hand.drafter.sees_steps(7)
    assert [hand.drafter.figure(c)["radius"] for c in ("C1", "C2")] == [6, 6]
    assert hand.actions <= 18


def test_a_plate_with_two_holes_and_a_cut_corner(drafter: Drafter) -> None:
    """120 by 80, with the distance of its holes and its area."""
    hand = Counting(drafter)
    hand.chooses("Rectangle")
    hand.enters("0,0", "120x80")
    drafter.sees_steps(1)
    hand.chooses("Circle")
    hand.enters("20,40", "8")
    drafter.sees_steps(2)
    hand.enters("100,40", "8")
    drafter.sees_steps(3)
    # From what the pointer rested on last.
    hand.chooses("Read")
    drafter.rests_on(20, 40)
    hand.clicks((100, 40))
    drafter.sees_steps(4)
    hand.chooses("Shape")
    hand.chooses("Chamfer")
    hand.clicks((120, 80))
    hand.enters("10")
    drafter.sees_steps(5)
    hand.chooses("Read")
    hand.clicks((60, 20))
    drafter.sees_steps(6)
    assert drafter.texts()[3:5] == ["measure distance centre of C1; centre of C2", "chamfer corner 3 of K1 by 10"]
    readings = [s["reading"]["exact"] for s in drafter.book()["steps"] if s["reading"]]
    assert readings == pytest.approx([80, 9600 - 50 - 128 * pi])
    assert hand.actions <= 20


def test_lines_one_after_the_other(hand: Counting) -> None:
    """A line of its own from place to place: one click for each after the first."""
    hand.chooses("Line")
    hand.clicks((0, 0), (80, 0), (80, 50), (0, 50))
    hand.presses("Escape")
    hand.drafter.sees_steps(7)
    assert hand.drafter.texts()[4:] == ["line from P1 to P2", "line from end of L1 to P3", "line from end of L2 to P4"]
    assert hand.actions <= 6


def test_a_dozen_steps_and_more_are_in_sight(hand: Counting) -> None:
    """At 1280 by 800: a step that fits stands on one line."""
    for n in range(20):
        hand.drafter.types(f"circle centre {9 * n}, 70 radius 4")
    hand.drafter.sees_steps(24)
    hand.drafter.settles()
    seen = hand.drafter.page.get_by_label("Steps").evaluate(
        """(list) => {
          const frame = list.parentElement.getBoundingClientRect();
          return [...list.children].filter((step) => {
            const box = step.getBoundingClientRect();
            return box.top >= frame.top && box.bottom <= frame.bottom + 1;
          }).length;
        }"""
    )
    assert 12 <= seen <= 24
