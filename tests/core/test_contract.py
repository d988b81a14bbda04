"""The entry language is a contract: every statement of its description is read word for word, and drawn or answered "not yet"."""

import pytest

from .support import report

DRAWING = (
    "P1 = point 10, 10", "P2 = point 50, 20", "P3 = point 30, 45", "P4 = point 0, 40", "P5 = point 5, 60", "P7 = point 100, 50",
    "L1 = line from 10, 5 to 90, 15", "L2 = line from 20, 0 to 60, 80", "L3 = line from 90, 15 to 95, 60",
    "C1 = circle centre 60, 20 radius 25", "C2 = circle centre 90, 30 radius 20", "C3 = circle centre 30, 60 radius 5",
    "A2 = arc from 0, 0 via 5, 5 to 10, 5", "K1 = path from 0,0 to 40,0 to 40,30 close", "a = 45",
    "R1 = measure distance P1 P2",
)  # fmt: skip

DRAWN = """
point 40, 25
point 40..25
point 50 at 30
point 50//30
point + 5, 0
point + 20 at 90
point +5..0
point +20//90
point + 9 at 180
point + 9 toward P4
point P7: 6, 8
point P7: 14 at 90
point centre of C1: 10, 0
point P3.x, P5.y
point P3.x, 15
point 15, (middle of L2).y
point P7
point C2
point start of L1
point end of L1
point middle of L1
point middle of P1 P2
point centre of C1
point 12 along L1
point 12 along L1 from end
point 25% of L1
point 2/5 of L1
point 12 past end of L1
point on C1 at 90
point crossing of L1 L2
point crossing of L1 C2 entering
point crossing of L1 C2 leaving
point crossing of C1 C2 left
point foot of P1 on L2
point nearest to P1 on C2
point touch of P1 on C2 left
point middle of K1
point box middle of K1
circle through 0, 0; 10, 5; 3, 8
circle through P1 P2 P3
point on L1 on C1 leaving
point 120 from P1; 90 from C2 left
point 30 from L1 left; 20 from L2 right
line from 10,10 to + 70, 0
line from P1 direction 30 length 80
line through P1 P2
line through P1 parallel L2
line through P1 square L2
line through P1 direction 30
line parallel L2 distance 15 left
line bisecting P1 P2
line bisecting L1 L2 left
circle centre 30,20 diameter 24
circle centre 30,20 radius 24
circle centre 30,20 circumference 24
circle centre 30,20 through P1
circle across P1 P2
circle through P1 P2 radius 30 left
circle centre 0,0 touching C1
line through P1 touching C1
line from P1 touching C1 left
line touching C1 left C2 left
circle touching L1 L2 C3
circle touching C1 through P3 P5
circle touching L1 at foot of P2 on L1 radius 12 left
arc continuing L1 touching L2
arc touching C1 C2 radius 45
fillet L1 L2 radius 10
circle centre on L1 through P1 P2
arc from P1 via P2 to P3
arc from P1 to P2 radius 35 left
arc from P1 to P2 radius 35 left major
arc from P1 to P2 rise 12 left
arc centre P1 from P2 sweep 90
arc centre P1 radius 20 at 30 sweep 90
arc centre P1 from P2 to P3 clockwise
arc continuing L1 to P2
arc continuing start of L1 to P3
arc continuing L1 radius 20 sweep -40
path from 10,10 to 80,10 to + 0,30 to + 25 at 120 curve to + -40,0 close
path from 10,10 curve via 25,22 to 40,10 curve radius 18 left to 70,10
rectangle from P1 size 40, 25
rectangle from P1 to P2
rectangle centre P1 size 40, 25
rectangle from P1 size 40, 25 turned 15
polygon centre P1 sides 6 radius 20
polygon centre P1 sides 6 across flats 34
ellipse centre P1 axes 30, 20 turned 15
ellipse across P1 P2 ratio 0.5
ellipse centre P1 axes 30, 20 part 0 to 120
K7 = join L1 L3
ink C1 from crossing of C1 L1 leaving to crossing of C1 C2 right
trim C1 from P1 to P2
split L1 at P3; P2
extend L1 end to C2
chamfer L1 L2 by 5
offset K1 by 5 left
hide C1 L2
repeat C3 20 times about P1
repeat C3 5 by 3 step 20,0; 0,15
measure distance P1 P2
measure direction P1 P2
measure angle L1 L2
measure angle P1 P2 P3
measure length K1
measure radius C1
measure gap C1 L2
R9 = measure distance P1 P2 wanted 45 within 0.1
LINE FROM p1 TO P2
b = P1.x + 5
c = distance P1 P2
d = R1 + 1
pencil circle centre P1 radius a
ink circle centre P1 radius C2.r
line from P1 direction az 135.5 length 5
line from P1 direction N 12:05:30 E length 5
line from P1 direction S45W length 5
line from P1 direction N12°05'30"E length 5
line from P1 direction 12°05'30" length 5
line from P1 direction 12:05:30 length 5
line from P1 direction 30° length 5
line from P1 direction 50gon length 5
line from P1 direction 0.5rad length 5
line from P1 direction direction P1 P2 length 5
line from P1 direction L1.dir + 30 length 5
circle centre (P1) radius (2 3/8)   # a comment
unit mm
decimals 3
angles east counter-clockwise
datum 10,20 direction 15
""".strip().splitlines()


DRAWN += """
move K1 C2 from P1 to P5
copy K1 by 40, 0
turn K1 about P1 by 30
mirror K1 in L1
scale K1 about P1 by 2
""".strip().splitlines()


@pytest.mark.parametrize("text", DRAWN)
def test_statement_is_drawn(text: str) -> None:
    assert report(*DRAWING, text)["problems"] == []


def test_an_area_less_its_holes() -> None:
    plate = (
        "K1 = path from 0,0 to 40,0 to 40,30 close",
        "C1 = circle centre 30, 8 radius 5",
        "C2 = circle centre 36, 20 radius 2",
    )
    assert report(*plate, "measure area K1 less C1 C2")["problems"] == []


def test_two_touched_and_a_radius_is_drawn() -> None:
    # A circle to the left of a line that encloses another one: only where that one does not cross the line.
    lines = [line for line in DRAWING if not line.startswith("C2")]
    made = report(*lines, "C2 = circle centre 90, 50 radius 20", "circle touching L1 left C2 enclosing radius 45")
    assert made["problems"] == []


def test_distance_alone_asks_for_a_direction() -> None:
    for text in ("line from P1 to + 9", "path from P1 to 9"):
        assert [p["kind"] for p in report(*DRAWING, text)["problems"]] == ["needs_pointer"]
