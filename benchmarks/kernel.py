"""The same problems put to a compiled geometry kernel, where it is installed: built, solved, read.

It is an optional extra (`requirements/kernel.in`): ``uv pip install -r requirements/kernel.txt``. Its answers are not
believed unread: in special positions it gives circles that touch nothing, which is why the tests do not use it.
"""

from collections.abc import Callable
from typing import Any

try:
    from OCP.GccAna import GccAna_Circ2d2TanRad, GccAna_Circ2d3Tan, GccAna_Lin2d2Tan
    from OCP.GccEnt import GccEnt
    from OCP.gp import gp_Ax22d, gp_Circ2d, gp_Dir2d, gp_Lin2d, gp_Pnt2d
    from OCP.Standard import Standard_ConstructionError, Standard_Failure

    THERE = True
except ImportError:
    THERE = False

Ring = tuple[float, float, float]
Found = list[tuple[float, float, float]]
_TOLERANCE = 1e-9


def _ring(ring: Ring) -> Any:
    frame = gp_Ax22d(gp_Pnt2d(ring[0], ring[1]), gp_Dir2d(1.0, 0.0))
    return GccEnt.Unqualified_s(gp_Circ2d(frame, ring[2]))


def _circles(make: Callable[..., Any], *givens: Any) -> Found:
    found: Found = []
    try:
        solver = make(*givens, _TOLERANCE)
    except (Standard_Failure, Standard_ConstructionError):
        # It refuses some special positions, such as three lines through one place.
        return found
    if solver.IsDone():
        for n in range(1, solver.NbSolutions() + 1):
            circle = solver.ThisSolution(n)
            at = circle.Location()
            found.append((at.X(), at.Y(), circle.Radius()))
    return found


def three_circles(a: Ring, b: Ring, c: Ring) -> Found:
    """Circles that touch three circles."""
    return _circles(GccAna_Circ2d3Tan, _ring(a), _ring(b), _ring(c))


def _line(line: tuple[float, float, float, float]) -> Any:
    ax, ay, bx, by = line
    return GccEnt.Unqualified_s(gp_Lin2d(gp_Pnt2d(ax, ay), gp_Dir2d(bx - ax, by - ay)))


def three_lines(*lines: tuple[float, float, float, float]) -> Found:
    """Circles that touch three lines."""
    return _circles(GccAna_Circ2d3Tan, *map(_line, lines))


def two_circles_radius(a: Ring, b: Ring, radius: float) -> Found:
    """Circles of a radius that touch two circles."""
    return _circles(GccAna_Circ2d2TanRad, _ring(a), _ring(b), radius)


def common_tangents(a: Ring, b: Ring) -> list[tuple[float, float, float, float]]:
    """The common tangents of two circles."""
    solver = GccAna_Lin2d2Tan(_ring(a), _ring(b), _TOLERANCE)
    found: list[tuple[float, float, float, float]] = []
    if solver.IsDone():
        for n in range(1, solver.NbSolutions() + 1):
            line = solver.ThisSolution(n)
            at, way = line.Location(), line.Direction()
            found.append((at.X(), at.Y(), way.X(), way.Y()))
    return found
