"""One small drawing and a statement for every way of giving something: for the reference page, and walked by a test.

Each statement stands after `DRAWING`; what it draws is shown by the program itself.
"""

from kentrograph.core.book.kinds import ALL

DRAWING = (
    "P1 = point 10, 10",
    "P2 = point 70, 10",
    "P3 = point 30, 45",
    "L1 = pencil line from P1 to P2",
    "L2 = pencil line from P1 to 60, 50",
    "C1 = pencil circle centre 55, 30 radius 15",
    "C2 = pencil circle centre 30, 25 radius 18",
    "C3 = pencil circle centre 75, 48 radius 6",
    "C4 = pencil circle centre 8, 50 radius 4",
    "E1 = pencil ellipse centre 55, 40 axes 20, 9 turned 20",
    "E2 = pencil ellipse centre 35, 20 axes 20, 14 part 0 to 180",
    "L3 = pencil line from 15, 20 to 55, 20",
    "symbol boss\n  C1 = pencil circle centre 0, 0 radius 4\n  L1 = pencil line from -6, 0 to 6, 0\nend symbol",
    "K1 = ink path from 14, 18 to 46, 18 curve to 46, 38 to 14, 38 close",
    "K4 = pencil path from 12, 14 to 60, 12 to 64, 48 to 20, 50 to 13, 17",
    "H1 = pencil circle centre 26, 28 radius 5",
    "R1 = measure distance P1 P2 wanted 60 within 0.1",
    "R2 = measure radius C1",
)
ON_DEMAND = frozenset({"E1", "E2", "L3", "K1", "K4", "H1"})
"""What is drawn only in the pictures of statements that name it."""

EXAMPLES = {word: tuple(kind.examples) for word, kind in ALL.items() if kind.examples}
"""For each kind, statements in that drawing with what they show, as the kind declares them."""

REFUSED: tuple[str, ...] = (
    "circle through P1 P2 radius 12",
    "circle centre P9 radius 5",
    "circle centre P1",
    "circle centre P1 radius 5 diameter 10",
    "circle centre P1 radius 0",
    "circle centre P1 radios 12",
    "circle through P1 P2; 40, 10",
    "line from P1 to P1",
    "line from P1 direction 30",
    "point 40 25",
    "point 12 from P1; 12 from P2",
    "point on L1 on L1",
    "point touch of 56, 30 on C1",
    "point 99 along L1",
    "arc from P1 to P2 radius 12",
    "circle touching C3 outside C4 outside radius 12",
    "circle touching C1 radius 12",
    "circle touching P1 P3 through P1",
    "circle touching L1 C1 at P3",
    "line from C1 touching C1",
    "arc continuing L1 to 90, 10",
    "a = 5 / 0",
    "a = C1 + 1",
    "circle touching E1 L1 radius 1",
    "circle centre on L1 touching E1 radius 9",
    "measure area segment of C1",
    "line axis 3 of E1",
    "pont 40, 25",
)
"""Statements that cannot be drawn, each for another reason."""
