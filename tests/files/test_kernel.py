"""STEP and IGES as an independent geometry kernel reads and writes them. It is large, and in an extra of its own
(`requirements/kernel.txt`): where it is not installed, what it once read is not asked again."""

from pathlib import Path
from typing import Any

import pytest

from kentrograph.core.figures import Arc, Circle, Ellipse, Figure, Line, Outline
from kentrograph.core.figures.along import place_along
from kentrograph.exchange.files.formats import found_in

from .support import BOTH_WAYS, items, random_figures

pytest.importorskip("OCP", reason="the kernel of requirements/kernel.txt is not installed")

NAMES = {"step": "a.stp", "iges": "a.igs"}


def edges(file: Path) -> list[Any]:
    """The edges that the kernel reads, as curves."""
    from OCP.BRepAdaptor import BRepAdaptor_Curve
    from OCP.IGESControl import IGESControl_Reader
    from OCP.STEPControl import STEPControl_Reader
    from OCP.TopAbs import TopAbs_EDGE
    from OCP.TopExp import TopExp_Explorer
    from OCP.TopoDS import TopoDS

    reader = STEPControl_Reader() if file.suffix == ".stp" else IGESControl_Reader()
    reader.ReadFile(str(file))
    reader.TransferRoots()
    found = []
    explorer = TopExp_Explorer(reader.OneShape(), TopAbs_EDGE)
    while explorer.More():
        found.append(BRepAdaptor_Curve(TopoDS.Edge(explorer.Current())))
        explorer.Next()
    return found


def pieces(figures: list[Figure]) -> list[Any]:
    return [piece for one in figures for piece in (one.pieces if isinstance(one, Outline) else (one,))]


@pytest.mark.parametrize("form", ["step", "iges"])
@pytest.mark.parametrize("seed", range(25))
def test_the_kernel_reads_what_is_written(form: str, seed: int, tmp_path: Path) -> None:
    """Ends, middles and radii, to 1e-9 of the size of the drawing."""
    figures = [one for one in random_figures(seed) if not isinstance(one, Ellipse) or one.whole]
    file = tmp_path / NAMES[form]
    file.write_text(BOTH_WAYS[form][0](items(figures), "mm", "x")[0])
    mine, theirs = pieces(figures), edges(file)
    assert len(theirs) == len(mine)
    for one, other in zip(mine, theirs, strict=True):
        first, last = other.FirstParameter(), other.LastParameter()
        middle = other.Value((first + last) / 2.0)
        size = 1e-9 * max(1.0, *(abs(v) for p in (other.Value(first), other.Value(last)) for v in (p.X(), p.Y())))
        if isinstance(one, Line | Arc):
            expected = place_along(one, one.length / 2.0)
            assert abs(middle.X() - expected.x) < size
            assert abs(middle.Y() - expected.y) < size
        if isinstance(one, Arc | Circle):
            assert abs(other.Circle().Radius() - one.radius) < size
            assert abs(other.Circle().Location().X() - one.centre.x) < size
        if isinstance(one, Ellipse):
            assert abs(other.Ellipse().MajorRadius() - max(one.a, one.b)) < size
            assert abs(other.Ellipse().MinorRadius() - min(one.a, one.b)) < size


@pytest.mark.parametrize("form", ["step", "iges"])
def test_what_the_kernel_writes_is_read(form: str, tmp_path: Path) -> None:
    from OCP.BRepBuilderAPI import BRepBuilderAPI_MakeEdge
    from OCP.gp import gp_Ax2, gp_Circ, gp_Dir, gp_Elips, gp_Pnt
    from OCP.IGESControl import IGESControl_Writer
    from OCP.STEPControl import STEPControl_AsIs, STEPControl_Writer

    up = gp_Dir(0.0, 0.0, 1.0)
    circle = gp_Circ(gp_Ax2(gp_Pnt(3.0, 4.0, 0.0), up), 5.0)
    shapes = [
        BRepBuilderAPI_MakeEdge(gp_Pnt(0.0, 0.0, 0.0), gp_Pnt(10.0, 5.0, 0.0)).Edge(),
        BRepBuilderAPI_MakeEdge(circle).Edge(),
        BRepBuilderAPI_MakeEdge(circle, 0.5, 2.0).Edge(),
        BRepBuilderAPI_MakeEdge(gp_Elips(gp_Ax2(gp_Pnt(0.0, 9.0, 0.0), up), 6.0, 2.0)).Edge(),
    ]
    file = tmp_path / NAMES[form]
    if form == "step":
        writer = STEPControl_Writer()
        for shape in shapes:
            writer.Transfer(shape, STEPControl_AsIs)
        writer.Write(str(file))
    else:
        other = IGESControl_Writer()
        for shape in shapes:
            other.AddShape(shape)
        other.Write(str(file))
    found = found_in(file.name, file.read_bytes())
    kinds = {type(one.figure).__name__: one.figure for one in found.figures}
    assert found.unit == "mm"
    line, whole, part = (kinds[name] for name in ("Line", "Circle", "Arc"))
    assert line.length == pytest.approx(125.0**0.5, rel=1e-9)
    assert (whole.centre.x, whole.centre.y, whole.radius) == pytest.approx((3.0, 4.0, 5.0))
    assert part.sweep == pytest.approx(1.5 * 57.29577951308232)
    if form == "step":
        ellipse = kinds["Ellipse"]
        assert (max(ellipse.a, ellipse.b), min(ellipse.a, ellipse.b)) == pytest.approx((6.0, 2.0))
    else:
        # There the kernel makes a spline of it.
        assert found.left_out["B-spline curve", "a drawing has no such curve"] == 1
