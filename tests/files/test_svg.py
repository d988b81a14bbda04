"""SVG of other hands: shapes, transformations, units, what is left out. Values by hand, from the clauses that are named."""

from math import cos, hypot, isclose, radians, sin, sqrt

import pytest

from kentrograph.core.figures import Arc, Circle, Ellipse, Figure, Line, Outline, Point
from kentrograph.core.problem import Refused
from kentrograph.exchange.files.found import Found
from kentrograph.exchange.files.svg_in import read_svg


def read(inner: str, head: str = 'width="100mm" height="80mm" viewBox="0 0 100 80"') -> Found:
    return read_svg(
        f'<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" {head}>{inner}</svg>'.encode()
    )


def only(inner: str, head: str = 'width="100mm" height="80mm" viewBox="0 0 100 80"') -> Figure:
    found = read(inner, head)
    assert not found.left_out, found.left_out
    (one,) = found.figures
    return one.figure


def near(at: Point, x: float, y: float) -> bool:
    return hypot(at.x - x, at.y - y) < 1e-9


def test_the_lower_left_corner_of_the_page_is_the_datum() -> None:
    line = only('<line x1="0" y1="80" x2="10" y2="60"/>')
    assert isinstance(line, Line)
    assert (line.start, line.end) == (Point(0.0, 0.0), Point(10.0, 20.0))


@pytest.mark.parametrize(
    ("head", "unit", "across"),
    [
        ('width="10cm" height="8cm" viewBox="0 0 100 80"', "cm", 1.0),
        ('width="2in" height="2in" viewBox="0 0 192 192"', "in", 10.0 / 96.0),
        ('width="96" height="96"', "mm", 10.0 * 25.4 / 96.0),
        ('width="72pt" height="72pt" viewBox="0 0 72 72"', "mm", 10.0 * 25.4 / 72.0),
        ('width="100%" height="100%" viewBox="0 0 96 96"', "mm", 10.0 * 25.4 / 96.0),
        ('viewBox="0 0 96 96"', "mm", 10.0 * 25.4 / 96.0),
        # 7.8: meet keeps the shape, so the smaller scale holds for both.
        ('width="100mm" height="400mm" viewBox="0 0 100 100"', "mm", 10.0),
        ('width="100mm" height="400mm" viewBox="0 0 50 100" preserveAspectRatio="none"', "mm", 20.0),
        ('width="100mm" height="400mm" viewBox="0 0 100 100" preserveAspectRatio="xMidYMid slice"', "mm", 40.0),
    ],
)
def test_units(head: str, unit: str, across: float) -> None:
    """CSS: 96 pixels, 72 points, 25.4 mm to the inch."""
    found = read('<path d="M10 10h10"/>', head)
    line = found.figures[0].figure
    assert isinstance(line, Line)
    assert found.unit == unit
    assert line.length == pytest.approx(across, rel=1e-12)


def test_a_circle_under_a_skew_is_the_ellipse_of_its_principal_axes() -> None:
    """x' = x + t y: the axes of what a unit circle becomes are the singular values of (1 t; 0 1): (sqrt(t2 + 4) +- t) / 2."""
    figure = only('<circle cx="10" cy="10" r="1" transform="translate(3 4) skewX(45)"/>')
    assert isinstance(figure, Ellipse)
    assert {round(figure.a, 12), round(figure.b, 12)} == {round((sqrt(5.0) + s) / 2.0, 12) for s in (1.0, -1.0)}
    assert near(figure.centre, 10.0 + 10.0 + 3.0, 80.0 - 14.0)


def test_an_arc_under_a_skew_runs_through_the_images_of_its_places() -> None:
    figure = only('<path d="M20 10A10 10 0 0 1 10 20" transform="skewY(20) scale(2 1)"/>')
    assert isinstance(figure, Ellipse)
    for share, angle in ((0.0, 0.0), (0.5, 45.0), (1.0, 90.0)):
        x, y = 10.0 + 10.0 * cos(radians(angle)), 10.0 + 10.0 * sin(radians(angle))
        x, y = 2.0 * x, y + 2.0 * x * 0.36397023426620236
        at = figure.at_degrees(figure.begin + share * figure.sweep)
        if share == 0.5:
            # The middle of the angle is that of the places, too: the map is linear.
            assert near(at, x, 80.0 - y)
        else:
            assert near(at, x, 80.0 - y)


def test_transformations_nest_and_are_applied_from_the_inside() -> None:
    inner = '<g transform="translate(10,20)"><g transform="rotate(90)"><line x1="1" y1="0" x2="3" y2="0"/></g></g>'
    line = only(inner)
    assert isinstance(line, Line)
    assert near(line.start, 10.0, 80.0 - 21.0)
    assert near(line.end, 10.0, 80.0 - 23.0)
    about = only('<line x1="1" y1="0" x2="3" y2="0" transform="rotate(180 2 5) matrix(1 0 0 1 0 0)"/>')
    assert isinstance(about, Line)
    assert near(about.start, 3.0, 70.0)


@pytest.mark.parametrize(
    ("said", "x", "y"),
    # Published: CSS Transforms 1, sections 3, 7 and 13; a pixel is one of the view's units.
    [
        ('style="transform: translate(10px, 20px)"', 11.0, 20.0), ('style="transform:translateX(10px)"', 11.0, 0.0),
        ('style="transform: rotate(90deg)"', 0.0, 1.0), ('style="transform: rotate(0.25turn) translate(1in)"', 0.0, 97.0),
        ('style="transform: scale(3) !important; fill: none" transform="translate(50)"', 3.0, 0.0),
        ('style="transform: none" transform="translate(50)"', 1.0, 0.0),
        ('style="fill: none" transform="translate(50)"', 51.0, 0.0),
        ('style="transform-origin: 5px 5px"', 1.0, 0.0), ('style="transform-origin: 0 0" transform="translate(50)"', 51.0, 0.0),
    ],
)  # fmt: skip
def test_a_style_that_moves_goes_before_the_attribute(said: str, x: float, y: float) -> None:
    line = only(f'<line x1="1" y1="0" x2="3" y2="1" {said}/>')
    assert isinstance(line, Line)
    assert near(line.start, x, 80.0 - y)


@pytest.mark.parametrize(
    ("said", "word"),
    [
        ('style="transform-origin: 5px 5px" transform="rotate(90)"', "transform-origin"),
        ('style="transform: rotate(90deg); transform-origin: center"', "transform-origin"),
        ('style="rotate: 90deg"', "rotate"), ('style="transform: translate(50%)"', "translate(50%)"),
    ],
)  # fmt: skip
def test_a_style_that_is_not_read_leaves_out_what_it_moves_and_says_why(said: str, word: str) -> None:
    found = read(f'<line x1="1" y1="0" x2="3" y2="1" {said}/><circle r="2"/>')
    assert [type(one.figure) for one in found.figures] == [Circle]
    ((_, why),) = found.left_out
    assert word in why


def test_a_mirrored_arc_runs_the_other_way() -> None:
    figure = only('<path d="M10 0A10 10 0 0 1 0 10" transform="translate(50 0) scale(-1 1)"/>')
    assert isinstance(figure, Arc)
    assert near(figure.centre, 50.0, 80.0)
    # In the path clockwise as seen (y down); the map turns it over, and y once more.
    assert figure.sweep == pytest.approx(90.0)
    assert near(figure.start, 40.0, 80.0)


@pytest.mark.parametrize(
    ("data", "sweep", "centre"),
    [
        # F.6.5, by hand: a unit chord from 1, 0 to 0, 1 and radius 1 has its centres at 0, 0 and 1, 1.
        ("M1 0A1 1 0 0 1 0 1", 90.0, (0.0, 0.0)),
        ("M1 0A1 1 0 0 0 0 1", -90.0, (1.0, 1.0)),
        ("M1 0A1 1 0 1 1 0 1", 270.0, (1.0, 1.0)),
        ("M1 0A1 1 0 1 0 0 1", -270.0, (0.0, 0.0)),
        # Flags without anything between them, and a radius that is too small (F.6.6): half a turn about the middle.
        ("M1 0A.5.5 0 01-1 0", 180.0, (0.0, 0.0)),
    ],
)
def test_arcs_by_their_flags(data: str, sweep: float, centre: tuple[float, float]) -> None:
    figure = only(f'<path d="{data}"/>', 'width="1mm" height="0mm" viewBox="0 0 1 0"')
    assert isinstance(figure, Arc)
    # y is turned over: what is counter-clockwise in the drawing was clockwise there. The page has no height.
    assert figure.sweep == pytest.approx(-sweep)
    assert figure.radius == pytest.approx(1.0)
    assert near(figure.centre, centre[0], -centre[1])


def test_all_commands_of_paths() -> None:
    figure = only('<path d="M10 10h10v-5H5V10 l5 5 L20 20z"/>')
    assert isinstance(figure, Outline)
    assert figure.closed
    assert [(p.x, 80.0 - p.y) for p in figure.corners] == [(10, 10), (20, 10), (20, 5), (5, 5), (5, 10), (10, 15), (20, 20)]
    found = read('<path d="m1 1 2 0 0 2zm10 10 1 0"/>')
    assert [type(one.figure).__name__ for one in found.figures] == ["Outline", "Line"]
    last = found.figures[1].figure
    assert isinstance(last, Line)
    # After a close, what is relative counts from where the subpath began.
    assert near(last.start, 11.0, 80.0 - 11.0)


def test_circles_of_four_curves_are_circles() -> None:
    """The usual 4 (sqrt 2 - 1) / 3: off by 2.7e-4 of the radius at most (common practice)."""
    k = 10.0 * 0.5522847498
    data = f"M20 10C20 {10 + k} {10 + k} 20 10 20S0 {10 + k} 0 10 {10 - k} 0 10 0 20 {10 - k} 20 10z"
    found = read(f'<path d="{data}"/>')
    circle = found.figures[0].figure
    assert isinstance(circle, Circle)
    assert isclose(circle.radius, 10.0, rel_tol=5e-4)
    assert found.notes[0].startswith("4 curves are arcs")


def test_straight_curves_are_lines_and_others_are_left_out_where_they_part_a_path() -> None:
    assert isinstance(only('<path d="M0 0C1 1 2 2 3 3"/>'), Line)
    assert isinstance(only('<path d="M0 0Q1 1 3 3"/>'), Line)
    found = read('<path d="M0 0H10C20 0 5 20 30 30H50L50 40"/>')
    assert found.left_out["curve", "it is neither a line nor an arc"] == 1
    assert [type(one.figure).__name__ for one in found.figures] == ["Line", "Outline"]


def test_rectangles_with_round_corners() -> None:
    figure = only('<rect x="10" y="10" width="40" height="20" rx="5"/>')
    assert isinstance(figure, Outline)
    assert [type(piece).__name__ for piece in figure.pieces] == ["Line", "Arc"] * 4
    assert figure.length == pytest.approx(2 * 30 + 2 * 10 + 10 * 3.141592653589793)
    uneven = only('<rect width="40" height="20" rx="5" ry="2"/>')
    assert isinstance(uneven, Outline)
    assert sum(isinstance(piece, Ellipse) for piece in uneven.pieces) == 4


def test_uses_and_symbols() -> None:
    circle = '<circle id="c" cx="1" cy="1" r="1"/>'
    symbol = '<symbol id="s" viewBox="0 0 10 10"><circle cx="5" cy="5" r="5"/></symbol>'
    found = read(
        f'<defs>{circle}{symbol}</defs><use href="#c" x="10" y="20"/><use xlink:href="#s" x="50" y="0" width="20" height="20"/>'
    )
    first, second = (one.figure for one in found.figures)
    assert isinstance(first, Circle)
    assert isinstance(second, Circle)
    assert near(first.centre, 11.0, 80.0 - 21.0)
    assert (second.radius, near(second.centre, 60.0, 70.0)) == (10.0, True)
    assert read('<use href="#nobody"/>').left_out["use", "what it uses is not in the file"] == 1


def test_what_is_hidden_or_defined_only_is_no_figure() -> None:
    found = read(
        '<defs><path d="M0 0h1"/></defs><g display="none"><path d="M0 0h1"/></g><path style="display: none" d="M0 0h1"/>'
        '<clipPath><rect width="3" height="3"/></clipPath><text>Words</text><image href="x.png"/><circle r="2"/>'
    )
    assert len(found.figures) == 1
    assert {what for what, _ in found.left_out} == {"text", "image"}


def test_names_groups_and_places_in_the_file_are_kept() -> None:
    found = read('<g id="frame"><path id="a" d="M0 0h9"/><path d="M0 0h9"><title>rail</title></path></g>')
    assert [(one.name, one.group) for one in found.figures] == [("a", "frame"), ("rail", "frame")]
    assert found.figures[0].where == "path a"


@pytest.mark.parametrize(
    ("data", "why"),
    [
        ("", "no whole XML"),
        ("<svg", "no whole XML"),
        ("<html></html>", "no SVG"),
        ('<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><svg xmlns="http://www.w3.org/2000/svg">&b;</svg>', "entities"),
        ('<svg xmlns="http://www.w3.org/2000/svg">' + "<g>" * 300 + "</g>" * 300 + "</svg>", "deep"),
        ('<svg xmlns="http://www.w3.org/2000/svg"><g id="a"><use href="#a"/></g></svg>', "without end"),
        ('<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0h1" transform="spin(3)"/></svg>', "is none"),
    ],
)
def test_hostile_files_are_refused_with_a_reason(data: str, why: str) -> None:
    with pytest.raises(Refused) as refused:
        read_svg(data.encode())
    assert why in refused.value.problem.fields["why"]


def test_what_lies_outside_is_not_fetched() -> None:
    outside = b'<!DOCTYPE svg SYSTEM "file:///etc/passwd"><svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0h9"/></svg>'
    assert len(read_svg(outside).figures) == 1


def test_a_number_out_of_reach_leaves_out_its_shape() -> None:
    found = read('<circle r="1e40"/><circle r="3"/>')
    assert [what for what, _ in found.left_out] == ["circle"]
    assert len(found.figures) == 1


def test_bad_path_data_leaves_out_that_path_alone() -> None:
    found = read('<path d="M0 0 X"/><path d="L3 3"/><path d="M0 0 A 1 1 0 2 0 3 3"/><path d="M0 0h9"/>')
    assert len(found.figures) == 1
    assert sum(found.left_out.values()) == 3
