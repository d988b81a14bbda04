"""Files of other hands and hostile ones: what is read, what is left out and why, and that no file does any harm."""

import random
from collections.abc import Sequence
from io import StringIO
from math import cos, radians, sin, sqrt
from pathlib import Path
from time import perf_counter

import pytest
from fontTools.pens.svgPathPen import SVGPathPen
from fontTools.ttLib import TTFont
from reportlab.graphics import renderSVG, shapes

from kentrograph.cli import main
from kentrograph.core.figures import Arc, Circle, Ellipse, Line, Outline, Point
from kentrograph.core.language.script import book_of, read_script
from kentrograph.core.problem import Refused
from kentrograph.exchange.files.csv_in import Columns, read_csv, sheet_of
from kentrograph.exchange.files.formats import found_in
from kentrograph.exchange.files.iges_in import read_iges
from kentrograph.exchange.files.nc_in import read_nc, read_program
from kentrograph.exchange.files.step_in import read_step
from kentrograph.exchange.files.svg_in import read_svg
from kentrograph.exchange.files.taking_in import entries_of, text_of

from .support import BOTH_WAYS, items, random_figures

# Other libraries ---------------------------------------------------------------------------------------------------


def test_a_plot_of_another_library() -> None:
    """reportlab's own renderer: bars, a circle, a polygon, words."""
    drawing = shapes.Drawing(200, 100)
    for n in range(5):
        drawing.add(shapes.Rect(20 + 30 * n, 10, 20, 10 + 12 * n))
    drawing.add(shapes.Circle(180, 80, 12))
    drawing.add(shapes.Polygon([10, 90, 40, 90, 25, 60]))
    drawing.add(shapes.String(5, 5, "Lamps"))
    out = StringIO()
    renderSVG.drawToFile(drawing, out)
    found = read_svg(out.getvalue().encode())
    assert found.counts() == {"circle": 1, "outline": 6}
    assert [what for what, _ in found.left_out] == ["text"]
    circle = next(one.figure for one in found.figures if isinstance(one.figure, Circle))
    px = 25.4 / 96.0
    assert (circle.centre.x, circle.centre.y, circle.radius) == pytest.approx((180 * px, 80 * px, 12 * px))


def test_a_letter_of_another_library() -> None:
    """fontTools' pen: the straight ones are outlines, the curves of the round ones are splines and are left out."""
    font = TTFont(Path(__file__).parents[2] / "kentrograph" / "exchange" / "fonts" / "regular.ttf")
    glyphs = font.getGlyphSet()
    for letter, curved in (("H", False), ("S", True)):
        pen = SVGPathPen(glyphs)
        glyphs[letter].draw(pen)
        head = '<svg xmlns="http://www.w3.org/2000/svg" width="10mm" height="10mm" viewBox="0 0 1000 1000">'
        found = read_svg(f'{head}<path d="{pen.getCommands()}"/></svg>'.encode())
        assert bool(found.left_out) == curved
        if not curved:
            assert found.counts() == {"outline": 1}
            (one,) = found.figures
            assert isinstance(one.figure, Outline)
            assert len(one.figure.pieces) == 12


# STEP and IGES -----------------------------------------------------------------------------------------------------


def step(data: str) -> bytes:
    return f"ISO-10303-21;\nHEADER;\nENDSEC;\nDATA;\n{data}\nENDSEC;\nEND-ISO-10303-21;\n".encode()


PLACES = (
    "#1=CARTESIAN_POINT('',(0.,0.,0.));#2=CARTESIAN_POINT('',(10.,0.,0.));"
    "#3=DIRECTION('',(0.,0.,-1.));#4=DIRECTION('',(1.,0.,0.));"
)
ROUND = f"{PLACES}#5=AXIS2_PLACEMENT_3D('',#1,#3,#4);#6=CIRCLE('',#5,10.);"


def test_a_circle_whose_axis_points_down_runs_the_other_way() -> None:
    end = "#7=CARTESIAN_POINT('',(0.,10.,0.));"
    found = read_step(step(f"{ROUND}{end}#8=TRIMMED_CURVE('a',#6,(#2),(#7),.T.,.CARTESIAN.);"))
    (one,) = found.figures
    assert isinstance(one.figure, Arc)
    # Its parameter grows clockwise, so from east to north is three quarters of a turn.
    assert one.figure.sweep == pytest.approx(-270.0)
    assert (one.name, one.where) == ("a", "#8")


def test_trims_by_parameters_in_degrees() -> None:
    degrees = (
        "#20=(NAMED_UNIT(*)PLANE_ANGLE_UNIT()SI_UNIT($,.RADIAN.));"
        "#21=PLANE_ANGLE_MEASURE_WITH_UNIT(PLANE_ANGLE_MEASURE(0.017453292519943295),#20);"
        "#22=(CONVERSION_BASED_UNIT('DEGREE',#21)NAMED_UNIT(#23)PLANE_ANGLE_UNIT());"
        "#24=(LENGTH_UNIT()NAMED_UNIT(*)SI_UNIT(.CENTI.,.METRE.));"
        "#25=(GEOMETRIC_REPRESENTATION_CONTEXT(3)GLOBAL_UNIT_ASSIGNED_CONTEXT((#24,#22))REPRESENTATION_CONTEXT('',''));"
    )
    found = read_step(
        step(f"{ROUND}{degrees}#8=TRIMMED_CURVE('',#6,(PARAMETER_VALUE(0.)),(PARAMETER_VALUE(90.)),.T.,.PARAMETER.);")
    )
    (one,) = found.figures
    assert found.unit == "cm"
    assert isinstance(one.figure, Arc)
    assert one.figure.sweep == pytest.approx(-90.0, rel=1e-9)


def test_edges_polylines_and_what_is_left_out() -> None:
    edge = (
        "#30=VERTEX_POINT('',#1);#31=VERTEX_POINT('',#2);#32=VECTOR('',#4,1.);#33=LINE('',#1,#32);"
        "#34=EDGE_CURVE('',#30,#31,#33,.T.);"
    )
    assert [type(one.figure).__name__ for one in read_step(step(f"{PLACES}{edge}")).figures] == ["Line"]
    high = "#40=CARTESIAN_POINT('',(1.,3.,5.));"
    curves = "#41=POLYLINE('',(#1,#2));#42=POLYLINE('',(#1,#40));#43=B_SPLINE_CURVE('',3);"
    found = read_step(step(f"{PLACES}{high}{curves}#44=GEOMETRIC_CURVE_SET('g',(#41,#42,#43));"))
    assert [one.group for one in found.figures] == ["g"]
    assert dict(found.left_out.keys()) == {
        "polyline": "it does not lie in the plane of the drawing",
        "b spline curve": "a drawing has no such curve",
    }


Spot = tuple[float, float]
SQUARE = ((0.0, 0.0), (20.0, 0.0), (20.0, 20.0), (0.0, 20.0))


def plate(
    axes: tuple[str, str, str], heights: tuple[float, ...], on_surfaces: bool = False, rims: Sequence[Sequence[Spot]] = ()
) -> str:
    """Plates, square and of 20 where no rims are given, with a round hole of radius 4, one loop of edges each, in planes
    square to the last of three axes."""
    lines: list[str] = []
    number = 0

    def put(text: str) -> int:
        nonlocal number
        number += 1
        lines.append(f"#{number}={text};")
        return number

    def place(u: float, v: float, w: float) -> int:
        at = {"x": 0.0, "y": 0.0, "z": 0.0} | dict(zip(axes, (u, v, w), strict=True))
        return put(f"CARTESIAN_POINT('',({at['x']!r},{at['y']!r},{at['z']!r}))")

    def direction(axis: str) -> int:
        return put(f"DIRECTION('',({','.join('1.' if one == axis else '0.' for one in 'xyz')}))")

    def edge(a: int, b: int, curve: int) -> int:
        if on_surfaces:
            curve = put(f"{'SEAM' if number % 2 else 'SURFACE'}_CURVE('',#{curve},(),.CURVE_3D.)")
        return put(f"ORIENTED_EDGE('',*,*,#{put(f'EDGE_CURVE({chr(39) * 2},#{a},#{b},#{curve},.T.)')},.T.)")

    for height, corner in zip(heights, rims or [SQUARE] * len(heights), strict=True):
        places = [place(u, v, height) for u, v in corner]
        corners = [put(f"VERTEX_POINT('',#{at})") for at in places]
        run = []
        for n in range(len(corner)):
            vector = put(f"VECTOR('',#{direction(axes[n % 2])},1.)")
            run.append(edge(corners[n], corners[(n + 1) % len(corner)], put(f"LINE('',#{places[n]},#{vector})")))
        put(f"EDGE_LOOP('',({','.join(f'#{one}' for one in run)}))")
        placement = put(f"AXIS2_PLACEMENT_3D('',#{place(10.0, 10.0, height)},#{direction(axes[2])},#{direction(axes[0])})")
        rim = put(f"VERTEX_POINT('',#{place(14.0, 10.0, height)})")
        put(f"EDGE_LOOP('',(#{edge(rim, rim, put(f'CIRCLE({chr(39) * 2},#{placement},4.)'))}))")
    return "".join(lines)


@pytest.mark.parametrize("on_surfaces", [False, True])
@pytest.mark.parametrize(("axes", "heights", "notes"), [("xyz", (0.0,), 0), ("xyz", (7.5,), 0), ("xzy", (3.0,), 1),
                                                        ("yzx", (3.0,), 1), ("xyz", (0.0, 4.0), 1),
                                                        ("yzx", (0.0, 4.0), 2)])  # fmt: skip
def test_wires_in_planes_side_by_side_are_laid_flat(axes: str, heights: tuple[float, ...], notes: int, on_surfaces: bool) -> None:
    """The pieces of a wire come joined; the same wire in another plane, laid flat onto the first, comes once, and
    the other is counted."""
    found = read_step(step(plate(tuple(axes), heights, on_surfaces)))  # type: ignore[arg-type]
    twice = {("edge loop", "laid flat it lies on one of another plane"): 2}
    assert dict(found.left_out) == (twice if len(heights) > 1 else {})
    assert len(found.notes) == notes, found.notes
    figures = [one.figure for one in found.figures]
    square = next(one for one in figures if isinstance(one, Outline))
    assert square.closed
    assert sorted((round(p.start.x, 9), round(p.start.y, 9)) for p in square.pieces) == [(0, 0), (0, 20), (20, 0), (20, 20)]
    circles = [one for one in figures if isinstance(one, Circle)]
    assert {(one.centre.x, one.centre.y, one.radius) for one in circles} == {(10.0, 10.0, 4.0)}
    assert len(figures) == 2


def test_wires_of_one_box_and_length_that_lie_otherwise_are_both_read() -> None:
    """A plate that has lost its right upper corner on one face, and its left one on the other; where one of them runs the other
    way round from another corner they are the same."""
    right = ((0.0, 0.0), (20.0, 0.0), (20.0, 15.0), (15.0, 20.0), (0.0, 20.0))
    left = tuple((20.0 - u, v) for u, v in right)
    again = (*reversed(right[:3]), *reversed(right[3:]))

    def outlines(*rims: Sequence[Spot]) -> int:
        found = read_step(step(plate(("x", "y", "z"), (0.0, 4.0), rims=rims)))
        return sum(isinstance(one.figure, Outline) for one in found.figures)

    assert outlines(right, left) == 2
    assert outlines(right, again) == 1


def test_a_measure_without_a_type_is_read() -> None:
    unit = (
        "#60=(LENGTH_UNIT()NAMED_UNIT(*)CONVERSION_BASED_UNIT('INCH',#61));#61=LENGTH_MEASURE_WITH_UNIT(25.4,#62);"
        "#62=(LENGTH_UNIT()NAMED_UNIT(*)SI_UNIT(.MILLI.,.METRE.));"
        "#63=(GEOMETRIC_REPRESENTATION_CONTEXT(3)GLOBAL_UNIT_ASSIGNED_CONTEXT((#60))REPRESENTATION_CONTEXT('',''));"
    )
    assert read_step(step(f"{PLACES}{unit}#41=POLYLINE('',(#1,#2));")).unit == "in"


# Piegl and Tiller, The NURBS Book, 7.5 (*published*, from memory): a circle of nine places, and one of seven.
NINE = [(1, 0), (1, 1), (0, 1), (-1, 1), (-1, 0), (-1, -1), (0, -1), (1, -1), (1, 0)]
SEVEN = [(sqrt(3) / 2, 0.5), (0, 2), (-sqrt(3) / 2, 0.5), (-sqrt(3), -1), (0, -1), (sqrt(3), -1), (sqrt(3) / 2, 0.5)]


@pytest.mark.parametrize(
    ("places", "weights", "knots"),
    [
        (NINE, [1, sqrt(0.5)] * 4 + [1], ((3, 2, 2, 2, 3), (0.0, 0.25, 0.5, 0.75, 1.0))),
        (SEVEN, [1, 0.5] * 3 + [1], ((3, 2, 2, 3), (0.0, 1.0, 2.0, 3.0))),
    ],
)
def test_an_ellipse_written_as_a_rational_spline_is_one(
    places: list[tuple[float, float]], weights: list[float], knots: tuple[tuple[int, ...], tuple[float, ...]]
) -> None:
    a, b, turn, cx, cy = 30.0, 12.0, radians(25), 100.0, -40.0
    moved = [(cx + a * x * cos(turn) - b * y * sin(turn), cy + a * x * sin(turn) + b * y * cos(turn)) for x, y in places]
    points = "".join(f"#{70 + n}=CARTESIAN_POINT('',({x!r},{y!r},0.));" for n, (x, y) in enumerate(moved))
    refs = ",".join(f"#{70 + n}" for n in range(len(moved)))
    times, at = (",".join(map(str, one)) for one in knots)

    def spline(weights: list[float]) -> bytes:
        said = ",".join(repr(float(one)) for one in weights)
        return step(
            f"{points}#90=(BOUNDED_CURVE()B_SPLINE_CURVE(2,({refs}),.UNSPECIFIED.,.T.,.F.)B_SPLINE_CURVE_WITH_KNOTS(({times}),({at}),"
            f".UNSPECIFIED.)CURVE()GEOMETRIC_REPRESENTATION_ITEM()RATIONAL_B_SPLINE_CURVE(({said}))REPRESENTATION_ITEM(''));"
            "#91=GEOMETRIC_CURVE_SET('',(#90));"
        )

    (found,) = read_step(spline(weights)).figures
    assert isinstance(found.figure, Ellipse)
    assert (found.figure.centre.x, found.figure.centre.y) == pytest.approx((cx, cy), abs=1e-9)
    assert sorted((found.figure.a, found.figure.b)) == pytest.approx([b, a], rel=1e-9)
    # With another weight it is close to one, and none.
    other = read_step(spline([weights[0], weights[1] * 1.001, *weights[2:]]))
    assert not other.figures
    assert other.left_out


def test_a_circle_whose_axis_has_no_length_is_left_out_and_the_rest_is_read() -> None:
    """Found by spoilt files, of which some hundred thousand were tried: a digit of the axis was gone."""
    axes = "#50=DIRECTION('',(0.,0.,1.));#51=DIRECTION('',(0.,0.,0.));#52=DIRECTION('',(0.,0.,1.E-320));"
    places = "".join(f"#{n + 10}=AXIS2_PLACEMENT_3D('',#1,#{n},$);#{n + 20}=CIRCLE('',#{n + 10},{n}.);" for n in (50, 51, 52))
    found = read_step(step(f"{PLACES}{axes}{places}"))
    # The shortest axis there is still says which way it runs.
    assert [one.figure.radius for one in found.figures if isinstance(one.figure, Circle)] == [50.0, 52.0]
    assert dict(found.left_out.keys()) == {"circle": "it is not as the standard has it"}


@pytest.mark.parametrize("half", ["0.", "1.E-320", "1.E-200"])
def test_a_part_of_an_ellipse_with_next_to_no_width_does_no_harm(half: str) -> None:
    """Found in the same way; a square of the second or third is nothing."""
    bent = f"#50=AXIS2_PLACEMENT_3D('',#1,$,$);#51=ELLIPSE('',#50,10.,{half});#52=CARTESIAN_POINT('',(-10.,0.,0.));"
    found = read_step(step(f"{PLACES}{bent}#53=TRIMMED_CURVE('',#51,(#2),(#52),.T.,.CARTESIAN.);"))
    if half == "0.":
        assert ("trimmed curve", "it is not as the standard has it") in found.left_out
    else:
        (one,) = found.figures
        assert isinstance(one.figure, Ellipse)
        assert (one.figure.b, one.figure.sweep) == (float(half), 180.0)
        assert not read_script(text_of(found, "lot")).misread


@pytest.mark.parametrize(
    ("unit", "why"),
    [
        ("#60=(LENGTH_UNIT()SI_UNIT());", "a unit of it cannot be read"),
        ("#60=(LENGTH_UNIT()SI_UNIT(.FURLONG.,.METRE.));", "FURLONG metres"),
        ("#60=(LENGTH_UNIT()CONVERSION_BASED_UNIT('X',#61));#61=MEASURE_WITH_UNIT(LENGTH_MEASURE('x'),$);", "cannot be read"),
        ("#60=(LENGTH_UNIT()CONVERSION_BASED_UNIT('X',#61));#61=MEASURE_WITH_UNIT(LENGTH_MEASURE(0.),$);", "no larger than"),
        ("#60=(LENGTH_UNIT()CONVERSION_BASED_UNIT('X',#61));#61=MEASURE_WITH_UNIT(LENGTH_MEASURE(-1.),$);", "no larger than"),
        ("#60=(LENGTH_UNIT()CONVERSION_BASED_UNIT());", "a unit of it cannot be read"),
    ],
)
def test_a_unit_that_cannot_be_read_is_a_reason(unit: str, why: str) -> None:
    context = "#62=(GEOMETRIC_REPRESENTATION_CONTEXT(3)GLOBAL_UNIT_ASSIGNED_CONTEXT((#60)));"
    with pytest.raises(Refused) as refused:
        read_step(step(f"{PLACES}{unit}{context}"))
    assert why in refused.value.problem.fields["why"]


def test_a_figure_that_reaches_too_far_is_left_out_and_the_rest_is_read() -> None:
    """Found in the same way: the ends of its axis lie further away than a place can."""
    far = "#50=CARTESIAN_POINT('',(9.E14,0.,0.));#51=AXIS2_PLACEMENT_3D('',#50,$,$);#52=ELLIPSE('',#51,9.E14,1.);"
    near = "#53=AXIS2_PLACEMENT_3D('',#1,$,$);#54=ELLIPSE('',#53,9.,1.);"
    found = found_in("a.stp", step(f"{PLACES}{far}{near}"))
    assert [one.figure for one in found.figures] == [Ellipse(Point(0.0, 0.0), 9.0, 1.0, 0.0)]
    assert dict(found.left_out.keys()) == {"ellipse": "it reaches further than can be drawn"}


def test_iges_is_refused_or_left_out_with_a_reason() -> None:
    write, _ = BOTH_WAYS["iges"]
    text = write(items(random_figures(3)), "mm", "x")[0]
    lines = text.splitlines()
    whole = len(read_iges(text.encode()).figures)
    # A spline in place of a circle: that one is left out, all others come.
    first = next(number for number, line in enumerate(lines) if line[72] == "D" and line[:8].strip() == "100")
    lines[first] = f"{'126':>8}{lines[first][8:]}"
    found = read_iges("\n".join(lines).encode())
    assert len(found.figures) == whole - 1
    assert found.left_out["B-spline curve", "a drawing has no such curve"] == 1
    for cut in (100, 700, len(text) // 2):
        with pytest.raises(Refused):
            read_iges(text[:cut].encode())


# CSV ---------------------------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("text", "columns", "unit", "points"),
    [
        ("name,x,y\r\nA,1,2\r\nB,3.5,-4\r\n", Columns(1, 2, 0), "", [("A", 1.0, 2.0), ("B", 3.5, -4.0)]),
        ('"y, mm","x, mm",point\r\n2,1,A\r\n', Columns(1, 0, 2), "mm", [("A", 1.0, 2.0)]),
        ("1,2\n3,4\n", Columns(0, 1), "", [("", 1.0, 2.0), ("", 3.0, 4.0)]),
        # A number that counts in front is no coordinate.
        ("1,10,20\n2,30,40\n3,50,60\n", Columns(1, 2, 0), "", [("1", 10.0, 20.0), ("2", 30.0, 40.0), ("3", 50.0, 60.0)]),
        ("Punkt;x [in];y [in]\nA;1,5;2,25\n", Columns(1, 2, 0), "in", [("A", 1.5, 2.25)]),
        ('"a ""b""",1,2\r\n', Columns(1, 2, 0), "", [('a "b"', 1.0, 2.0)]),
        ("\ufeffx,y\n1e3,-2.5E-1\n", Columns(0, 1), "", [("", 1000.0, -0.25)]),
    ],
)
def test_points_from_csv(text: str, columns: Columns, unit: str, points: list[tuple[str, float, float]]) -> None:
    """RFC 4180, sections 2.4 to 2.7: heads, quotation marks, and files of other habits."""
    sheet = sheet_of(text.encode())
    found = read_csv(text.encode())
    assert sheet.columns is not None
    assert (sheet.columns.x, sheet.columns.y) == (columns.x, columns.y)
    assert sheet.unit == unit
    read = [(one.name, one.figure.x, one.figure.y) for one in found.figures if isinstance(one.figure, Point)]
    assert [(x, y) for _, x, y in read] == [(x, y) for _, x, y in points]
    if columns.name is not None and sheet.heads != ["Punkt", "x [in]", "y [in]"]:
        assert [name for name, _, _ in read] == [name for name, _, _ in points]


@pytest.mark.parametrize(
    ("text", "coding", "places", "said"),
    [
        ("name,x,y\nA,1,2\nB,3.5,-4\n", "utf-16", [(1, 2), (3.5, -4)], "UTF-16"),
        ("name,x,y\nA,1,2\nB,3.5,-4\n", "utf-16-le", [(1, 2), (3.5, -4)], "UTF-16"),
        ("name,x,y\nA,1,2\nB,3.5,-4\n", "utf-16-be", [(1, 2), (3.5, -4)], "UTF-16"),
        ("name|x, mm|y\nA|1|2\nB|3.5|-4\n", "utf-8", [(1, 2), (3.5, -4)], "upright strokes"),
        ('name,x,y\nA,"1,234.5",2\nB,"12,345,678.25",-4\n', "utf-8", [(1234.5, 2), (12345678.25, -4)], "','"),
        ("name;x;y\nA;1.234,5;2\nB;3,5;-4\n", "utf-8", [(1234.5, 2), (3.5, -4)], "'.'"),
        ("name;x;y\nA;1\u00a0234,5;2\nB;3,5;-4\n", "utf-8", [(1234.5, 2), (3.5, -4)], "decimal comma"),
        ("name;x;y\nA;1'234.5;2\nB;3.5;-4\n", "latin-1", [(1234.5, 2), (3.5, -4)], "thousands"),
        # A group alone is a number with three decimals, as it is written.
        ("x,y\n1.234,2\n", "utf-8", [(1.234, 2)], ""),
    ],
)
def test_points_of_files_of_other_habits(text: str, coding: str, places: list[tuple[float, float]], said: str) -> None:
    found = read_csv(text.encode(coding))
    assert [(one.figure.x, one.figure.y) for one in found.figures if isinstance(one.figure, Point)] == places
    assert said in "; ".join(found.notes)


def test_rows_that_cannot_be_read_are_told_by_their_number_and_columns_can_be_chosen() -> None:
    data = b"a,b,c\n1,2,3\n4,five,6\n7,8\n"
    found = read_csv(data, Columns(0, 2))
    assert [one.where for one in found.figures] == ["row 2", "row 3"]
    assert found.left_out["row", "it has no two numbers where x and y should be"] == 1


# Tool paths --------------------------------------------------------------------------------------------------------


def test_a_program_is_run_as_a_machine_does() -> None:
    """Modal words, incremental places, arcs by centre and by radius, inches. Source: ISO 6983-1, from memory."""
    program = read_program(
        b"%\nO1 (Lamp)\nN10 G17 G90 G70\nG0 X1 Y1\nG91 G1 X2\nY3 F20\nG90 G2 X4 Y3 I0 J-1\nG3 X3 Y2 R1\nM30\nG1 X99\n"
    )
    assert program.unit == "in"
    moves = [move.piece for move in program.moves]
    assert [move.rapid for move in program.moves] == [True, False, False, False, False]
    assert (moves[2].end.x, moves[2].end.y) == (3.0, 4.0)
    assert isinstance(moves[3], Arc)
    assert moves[3].sweep == pytest.approx(-90.0)
    assert isinstance(moves[4], Arc)
    assert moves[4].sweep == pytest.approx(90.0)
    assert (moves[4].centre.x, moves[4].centre.y) == pytest.approx((4.0, 2.0))


def test_cycles_and_the_side_of_the_tool_are_said_and_the_rest_is_read() -> None:
    found = read_nc(b"G21 G90\nG0 X0 Y0\nG41 D1\nG1 X10\nY10\nG40\nG81 R2 Z-5 X20 Y20 F100\nX30\nG80\nG0 X40\nG1 X50\nM30\n")
    first, second = (one.figure for one in found.figures)
    assert isinstance(first, Outline)
    assert [(piece.end.x, piece.end.y) for piece in first.pieces] == [(10, 0), (10, 10)]
    assert second == Line(Point(40.0, 20.0), Point(50.0, 20.0))
    assert found.left_out["cycle G81", "what is drilled at a place is no path"] == 2
    assert found.first["cycle G81", "what is drilled at a place is no path"] == "line 7"
    assert [note[:3] for note in found.notes] == ["G41"]


@pytest.mark.parametrize(
    ("line", "why"),
    [
        ("G1 X1 Y?", "no word"),
        ("G68 X3 Y3 R30", "G68"),
        ("G5.1 X3", "G5.1"),
        ("G2 X3 Y0 I1 J5", "one distance"),
        ("G2 X30 Y0 R1", "too small"),
        ("K1 X3", "K"),
    ],
)
def test_a_program_that_no_machine_runs_names_the_line(line: str, why: str) -> None:
    with pytest.raises(Refused) as refused:
        read_program(f"G90 G71\nG0 X0 Y0\n{line}\n".encode())
    assert why in refused.value.problem.fields["why"]
    assert refused.value.problem.fields["where"] == "line 3"


# No file does any harm ---------------------------------------------------------------------------------------------


def samples() -> dict[str, bytes]:
    figures = random_figures(7, 8)
    found = {f"a.{form}": write(items(figures), "mm", "x")[0].encode() for form, (write, _) in BOTH_WAYS.items()}
    found["a.csv"] = b'name,"x, mm",y\r\nA,1,2\r\n"B, C",3.5,-4\r\n'
    found["a.nc"] = b"%\r\nN10 G17 G90 G71\r\nG00 X1 Y2\r\nG01 X3 Y4 F600\r\nG03 X5 Y4 I1 J0\r\nM02\r\n%\r\n"
    return found


def mutated(data: bytes, dice: random.Random) -> bytes:
    """Bytes changed, struck, doubled, moved; cut off; numbers made huge."""
    out = bytearray(data)
    for _ in range(dice.randint(1, 6)):
        at, size = dice.randrange(len(out) + 1), dice.randint(1, 12)
        match dice.randrange(7):
            case 0:
                out[at : at + 1] = bytes([dice.randrange(256)])
            case 1:
                del out[at : at + size]
            case 2:
                out[at:at] = out[at : at + size]
            case 3:
                other = dice.randrange(len(out) + 1)
                out[at:at] = out[other : other + size]
            case 4:
                out[at:at] = dice.choice([b"9e99", b"-1e308", b"nan", b"inf", b"0", b"#1", b"((((", b"'", b'"', b"<g>", b"1H"])
            case 5:
                del out[at:]
            case _:
                out[at : at + size] = bytes(reversed(out[at : at + size]))
        if not out:
            return b"x"
    return bytes(out)


def outcome(name: str, data: bytes) -> tuple[str, str]:
    """The text of what was read, or the reason."""
    try:
        return text_of(found_in(name, data), "lot"), ""
    except Refused as refused:
        return "", refused.problem.fields["why"]


def test_mutated_files_give_a_result_or_a_reason(request: pytest.FixtureRequest) -> None:
    count = int(request.config.getoption("--mutations"))
    dice = random.Random(18)
    every = list(samples().items())
    refused = 0
    for n in range(count):
        name, data = every[n % len(every)]
        bad = mutated(data, dice)
        began = perf_counter()
        text, reason = outcome(name, bad)
        # What was taken can be read by the language, every line of it.
        assert reason or not read_script(text).misread, text
        refused += bool(reason)
        assert perf_counter() - began < 5.0
    assert 0.05 * count < refused < 0.95 * count


def test_a_file_of_100_mb_is_not_even_opened(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    large = tmp_path / "large.svg"
    with large.open("wb") as file:
        file.truncate(100_000_000)
    assert main(["import", str(large)]) == 2
    assert "100 MB; up to 25 MB" in capsys.readouterr().err


@pytest.mark.parametrize(
    ("name", "data", "why"),
    [
        (
            "a.svg",
            b'<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0' + b"l1 1" * 300_000 + b'"/></svg>',
            "200,000 commands",
        ),
        ("a.svg", b'<svg xmlns="http://www.w3.org/2000/svg">' + b"<g/>" * 300_001 + b"</svg>", "300,000 elements"),
        ("a.csv", b"1,2\n" * 200_002, "200,000 rows"),
        ("a.stp", b"ISO-10303-21;\nDATA;\n#1=A" + b"(" * 100, "40 deep"),
    ],
)
def test_too_much_of_anything_is_refused(name: str, data: bytes, why: str) -> None:
    if name == "a.svg" and b"path" in data:
        found = found_in(name, data)
        assert [reason for _, reason in found.left_out] == [f"a path has more than {why}"]
        return
    with pytest.raises(Refused) as refused:
        found_in(name, data)
    assert why in refused.value.problem.fields["why"]


@pytest.mark.parametrize("form", ["svg", "stp", "igs", "nc", "csv"])
def test_long_runs_of_one_byte_are_refused_at_once(form: str) -> None:
    for byte in (b"(", b"<", b"\x00", b"'", b"#1=", b"9", b" ", b"\n", b","):
        began = perf_counter()
        with pytest.raises(Refused):
            found_in(f"a.{form}", byte * 300_000)
        assert perf_counter() - began < 5.0


def test_an_ending_that_is_none() -> None:
    with pytest.raises(Refused) as refused:
        found_in("plan.doc", b"x")
    assert refused.value.problem.kind == "no_format"


# Taken in ----------------------------------------------------------------------------------------------------------


def test_what_is_taken_in_has_names_of_its_own_and_a_group_for_the_lot() -> None:
    found = read_svg(
        b'<svg xmlns="http://www.w3.org/2000/svg" width="1in" height="1in" viewBox="0 0 1 1">'
        b'<g id="frame"><circle id="C1" cx="0" cy="1" r="1"/><circle id="line" cx="0" cy="1" r="2"/></g>'
        b'<circle id="hub" r="3" cy="1"/></svg>'
    )
    entries = entries_of(found, "old plan", "in", taken={"c1"})
    assert entries == [
        "C1_1 = circle centre 0, 0 radius 1",
        "old_plan_1 = circle centre 0, 0 radius 2",
        "hub = circle centre 0, 0 radius 3",
        "frame = group C1_1 old_plan_1",
        "old_plan = group C1_1 old_plan_1 hub",
    ]
    made = book_of(read_script("unit in\n" + "\n".join(entries)))
    assert all(not hasattr(value, "kind") for value in made.values.values())


@pytest.mark.parametrize("seed", range(20))
def test_what_is_taken_in_draws_the_figures_that_were_found(seed: int) -> None:
    write, read = BOTH_WAYS["step"]
    figures = [one for one in random_figures(seed) if not isinstance(one, Ellipse)]
    found = read(write(items(figures), "mm", "x")[0].encode())
    made = book_of(read_script(text_of(found, "lot")))
    drawn = [made.figure_of(id) for id in made.order]
    kinds = [type(one).__name__ for one in drawn if isinstance(one, Line | Circle | Arc | Outline)]
    assert kinds == [type(one).__name__ for one in figures]


def test_nothing_is_read_as_if_it_were_a_program() -> None:
    with pytest.raises(Refused):
        found_in("a.nc", b"(only words)\n")
    assert read_nc(b"G90\nG0 X1 Y1\nG1 X2\nM02").counts() == {"line": 1}
