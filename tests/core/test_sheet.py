"""Sheets: paper, border, title block, views to scale, and the PDF and PNG of them, measured from outside."""

from dataclasses import replace
from io import BytesIO
from itertools import pairwise
from math import dist
from pathlib import Path

import pypdf
import pytest
from fontTools.ttLib import TTFont
from PIL import Image
from pypdf.generic import ContentStream

from kentrograph.cli import main
from kentrograph.core.book.edits import Delete, Replace
from kentrograph.core.book.papers import PAPERS, SCALES, scale_words
from kentrograph.core.desk.restating import restate
from kentrograph.core.desk.set_out import set_out
from kentrograph.core.desk.sheet_views import table_views
from kentrograph.core.desk.show_working import working_of
from kentrograph.core.figures import Circle, Line, Point
from kentrograph.core.problem import Problem, Refused
from kentrograph.core.sheet import letters
from kentrograph.core.sheet.at_table import layout_at_table
from kentrograph.core.sheet.border import FILING, MARGIN
from kentrograph.core.sheet.marks import Lettering, Stroke, Within
from kentrograph.core.sheet.of_book import laid_out
from kentrograph.core.sheet.page import Facts, Page, page_of
from kentrograph.core.sheet.tiles import tiles
from kentrograph.core.sheet.title_block import WIDTH
from kentrograph.exchange.export import as_csv, as_pdf, as_png, pages_of
from kentrograph.exchange.files.csv_in import read_csv
from kentrograph.exchange.files.formats import BY_WORD, Options, written
from kentrograph.exchange.plotter import plotted
from kentrograph.exchange.plotter_page import plot_page
from kentrograph.exchange.sheet_svg import sheet_svg

from .support import book

FONTS = Path(letters.__file__).parents[2] / "exchange" / "fonts"
PLATE = ("K1 = rectangle from 0, 0 size 100, 60", "C1 = circle centre 30, 30 radius 10")
MM = 72.0 / 25.4


def page(*lines: str, number: int = 1) -> Page:
    return page_of(book(*lines), number, Facts("Plate", "M. Oake"))


@pytest.mark.parametrize(
    ("said", "size"),
    [
        # ISO 216: A4 to A0 have sides as 1 to the root of 2, each half of the next. Sizes from memory.
        ("sheet a4", (297.0, 210.0)),
        ("sheet a4 portrait", (210.0, 297.0)),
        ("sheet a3", (420.0, 297.0)),
        ("sheet a0 portrait", (841.0, 1189.0)),
        ("sheet ansi_c", (558.8, 431.8)),
        ("sheet size 500, 300", (500.0, 300.0)),
    ],
)
def test_paper(said: str, size: tuple[float, float]) -> None:
    found = page(*PLATE, said)
    assert (found.width, found.height) == size


def test_each_size_of_the_a_series_is_half_of_the_next() -> None:
    """ISO 216: rounded down to whole millimetres. Source: common practice."""
    for (wide, high), (wider, _) in pairwise(PAPERS[f"a{n}"] for n in (4, 3, 2, 1, 0)):
        assert high == wider
        assert wide == high // 2**0.5 + (0.0 if high // 2**0.5 == wide else wide - high // 2**0.5)


def test_scales_are_those_of_the_standard() -> None:
    """ISO 5455: 1, 2 and 5 times powers of ten, from memory; 20:1 and 50:1 for enlargements."""
    assert {scale_words(a / b) for a, b in SCALES} >= {"1:1", "1:2", "1:5", "1:10", "2:1", "5:1", "10:1", "1:1000"}
    assert all(str(max(a, b)).rstrip("0") in ("1", "2", "5") and min(a, b) == 1 for a, b in SCALES)


def test_the_frame_leaves_20_mm_where_it_is_filed_and_10_elsewhere() -> None:
    """ISO 5457, from memory; lines 0.7 wide."""
    found = page(*PLATE, "sheet a3")
    wide = [m.figure for m in found.marks if isinstance(m, Stroke) and m.width == 0.7 and isinstance(m.figure, Line)]
    xs = {x for line in wide for x in (line.start.x, line.end.x)}
    assert (min(xs), max(xs)) == (FILING - 5.0, 420.0 - MARGIN + 5.0)
    assert {FILING, 420.0 - MARGIN} <= xs
    assert WIDTH == 180.0


def test_a_view_has_the_largest_scale_that_fits_with_its_dimensions() -> None:
    bare = page(*PLATE, "sheet a4").views[0].scale
    assert bare == 2.0
    dimensioned = page(*PLATE, *["dimension up corner 1 of K1; corner 3 of K1"] * 14, "sheet a4")
    assert dimensioned.views[0].scale < bare
    assert page(*PLATE, "sheet a4", "view scale 1:5").views[0].scale == 0.2


def test_what_stands_on_which_sheet() -> None:
    lines = (
        *PLATE,
        "table K1",
        "sheet a4",
        "view K1",
        "S2 = sheet a3",
        "view C1 scale 5:1 at 100, 200",
        "view scale 1:1 on Sheet1",
    )
    first, second = page(*lines), page(*lines, number=2)
    assert [len(first.views), len(first.tables)] == [2, 1]
    assert [one.scale for one in second.views] == [5.0]
    left, bottom, right, top = second.views[0].box
    assert ((left + right) / 2, (bottom + top) / 2) == pytest.approx((100.0, 200.0))
    assert (right - left, top - bottom) == pytest.approx((100.0, 100.0))


def test_readings_stand_in_a_schedule_with_what_is_wanted_of_them() -> None:
    found = page(
        *PLATE, "measure radius C1 wanted 11 within 0.1", "measure area K1", "dimension across C1 C1", "dimension C1",
        'schedule R1 R2 D2 title "Checked"', "sheet a3",
    )  # fmt: skip
    words = [m.words for m in found.marks if isinstance(m, Lettering)]
    at = words.index("Checked")
    assert words[at : at + 10] == [
        "Checked", "reading", "of", "value", "wanted", "verdict", "R1", "radius C1", "10.000 mm", "11 \u00b10.1",
    ]  # fmt: skip
    assert {"out", "area K1", "20.000 mm"} <= set(words)


def test_a_schedule_of_ones_own_is_ruled_under_heads_and_the_views_keep_clear_of_it() -> None:
    said = 'schedule heads "rev | change" row "A | first issue" row "B"'
    bare, ruled = page(*PLATE, "sheet a3"), page(*PLATE, "sheet a3", said)
    (table,) = ruled.tables
    assert {"rev", "change", "A", "first issue", "B"} <= {m.words for m in ruled.marks if isinstance(m, Lettering)}
    assert ruled.views[0].box[2] < table.box[0] < bare.views[0].box[2] + 100.0
    notes = page(*PLATE, "sheet a3", 'schedule row "Break all edges." at 30, 60')
    assert notes.views[0].box == bare.views[0].box
    assert notes.tables[0].box[0] == 30.0
    assert notes.tables[0].box[3] == 60.0
    past = page(*PLATE, "sheet a4", 'schedule row "Break all edges." at 290, 60')
    assert past.missing == ("List1: it reaches past the edge of the sheet",)


@pytest.mark.parametrize(
    ("said", "problem"),
    [
        ("schedule", "needs_given"),
        ("schedule K1", "no_reading"),
        ('schedule D1 row "A"', "too_many_givens"),
        (f'schedule row "{"x" * 301}"', "bad_words"),
        ("schedule " + 'row "a" ' * 201, "bad_count"),
    ],
)
def test_a_schedule_that_cannot_be_says_why(said: str, problem: str) -> None:
    made = book(*PLATE, "dimension C1", said)
    value = made.values[made.order[-1]]
    assert isinstance(value, Problem)
    assert value.kind == problem


def test_a_detail_is_cut_out_and_larger() -> None:
    found = page(*PLATE, "X1 = detail at corner 1 of K1 radius 8", "sheet a3", "view scale 1:2", "view X1 scale 5:1")
    cut = [mark for mark in found.marks if isinstance(mark, Within)]
    assert [one.circle.radius for one in cut] == pytest.approx([40.0])
    assert "X1 (5:1)" in [m.words for m in found.marks if isinstance(m, Lettering)]


def test_the_title_block_is_filled_from_the_drawing_and_what_is_said_goes_before() -> None:
    found = page(*PLATE, 'sheet a3 title "Guard" number "HM-1" field "Finish" "primed"', "view scale 1:2")
    said = {field.word: field.words for field in found.fields}
    assert said["title"] == "Guard"
    assert [said[w] for w in ("author", "date", "revision", "scale", "sheet", "unit", "number", "Finish")] == [
        "M. Oake", "", "", "1:2", "1 of 1", "mm", "HM-1", "primed",
    ]  # fmt: skip


def test_a_drawing_with_nothing_in_ink_says_so() -> None:
    assert page("C1 = pencil circle centre 0, 0 radius 5", "sheet a4").missing
    assert not page(*PLATE).missing


@pytest.mark.parametrize(
    ("word", "said", "after"),
    [
        ("title", 'a 6" guard', 'sheet a3 title "a 6"" guard"'),
        ("title", "", "sheet a3"),
        ("paper", "a1", 'sheet a1 title "T"'),
        ("lies", "portrait", 'sheet a3 title "T" portrait'),
        ("Finish", "raw", 'sheet a3 title "T" field "Finish" "raw"'),
    ],
)
def test_a_field_is_written_into_its_step(word: str, said: str, after: str) -> None:
    made = book(*PLATE, 'sheet a3 title "T"')
    changed = made.edited(restate(made, made.order[-1], word, said)[0])[0]
    assert changed.steps[made.order[-1]].statement.text == after


# Handed over -------------------------------------------------------------------------------------------------


def operators(pdf: bytes) -> list[tuple[list[float], bytes]]:
    reader = pypdf.PdfReader(BytesIO(pdf))
    content = ContentStream(reader.pages[0].get_contents(), reader)
    return [([float(v) for v in operands if isinstance(v, int | float)], operator) for operands, operator in content.operations]


def test_pdf_is_true_to_scale() -> None:
    """100 mm at 1:1 measure 100 mm within 0.02, read from the operators by pypdf. Source: ISO 32000, a unit is 1/72 inch."""
    pdf = as_pdf(book("L1 = line from 0, 0 to 100, 0", "sheet a3", "view scale 1:1"), Facts("Line"))
    found = operators(pdf)
    scale = max(values[0] for values, operator in found if operator == b"cm")
    assert scale == pytest.approx(MM, abs=1e-5)
    lengths = [
        abs(b[0] - a[0]) * scale / MM
        for (a, first), (b, second) in pairwise(found)
        if first == b"m" and second == b"l" and a[1] == b[1]
    ]
    assert min(abs(length - 100.0) for length in lengths) < 0.02
    assert {0.25, 0.5, 0.7} <= {values[0] for values, operator in found if operator == b"w"}
    media = pypdf.PdfReader(BytesIO(pdf)).pages[0].mediabox
    assert (float(media.width) / MM, float(media.height) / MM) == pytest.approx((420.0, 297.0), abs=0.01)


def test_pdf_carries_its_letters_and_says_what_it_is() -> None:
    reader = pypdf.PdfReader(
        BytesIO(as_pdf(book(*PLATE, "dimension C1", "sheet a4", "sheet a3"), Facts("Plate", author="M. Oake")))
    )
    assert len(reader.pages) == 2
    assert reader.metadata is not None
    assert (reader.metadata.title, reader.metadata.author) == ("Plate", "M. Oake")
    fonts = [font.get_object() for font in reader.pages[0]["/Resources"]["/Font"].values()]  # type: ignore[index]
    embedded = [font for font in fonts if "/FontDescriptor" in font and "/FontFile2" in font["/FontDescriptor"]]
    assert len(embedded) >= 2
    assert "Plate" in reader.pages[0].extract_text()


def test_lettering_has_the_height_of_the_standard_and_the_widths_of_its_font() -> None:
    """ISO 3098: capitals 2.5 mm high, from memory. The widths are held against the fonts that are embedded, by fontTools."""
    for strong, name in ((False, "regular"), (True, "strong")):
        font = TTFont(FONTS / f"{name}.ttf")
        capital, shapes = font["OS/2"].sCapHeight, font.getBestCmap()
        for text in ("40.5 ±0.1", "Hollin Moor", "Zażółć, Ωμέγα"):
            exact = sum(font["hmtx"][shapes[ord(letter)]][0] for letter in text) / capital * 2.5
            assert letters.width_of(text, 2.5, strong) == pytest.approx(exact, rel=2e-3)
    said = [m for m in page(*PLATE, "dimension C1", "sheet a4").marks if isinstance(m, Lettering)]
    assert 2.5 in {mark.height for mark in said}


def test_png_shows_what_is_there() -> None:
    """Rendered by pdfium: a circle of 10 at 1:1 is black on its rim and nowhere within."""
    made = book("C1 = circle centre 0, 0 radius 10", "sheet a4", "view scale 1:1 at 100, 120")
    image = Image.open(BytesIO(as_png(made, Facts("C"), 1, 254.0))).convert("L")
    assert image.size == pytest.approx((2970, 2100), abs=1)
    dark = lambda x, y: min(
        image.crop((int(x * 10) - 3, int((210 - y) * 10) - 3, int(x * 10) + 4, int((210 - y) * 10) + 4)).tobytes()
    )
    assert all(dark(100 + dx, 120 + dy) < 60 for dx, dy in ((10, 0), (0, 10), (-10, 0), (7.071, 7.071)))
    assert dark(104, 120) > 200
    with pytest.raises(Refused):
        as_png(book(*PLATE, "sheet a0"), Facts(), 1, 2400.0)


def test_round_figures_stay_round_in_the_svg() -> None:
    svg = sheet_svg(page("C1 = circle centre 0, 0 radius 10", "sheet a4", "view scale 1:1"))
    assert "a10 10 0 1 0" in svg
    assert 'width="297mm"' in svg
    assert sheet_svg(page(*PLATE, 'sheet title "<script>&"')).count("&lt;script&gt;&amp;") == 1


def test_a_centre_outside_is_set_out_from_the_two_edges_that_suit() -> None:
    """Two offsets from edges that exist. By hand: the centre lies 20 below the lower edge and 30 right of the left one."""
    made = book(
        "K1 = rectangle from 0, 0 size 100, 60",
        "A1 = arc centre 30, -20 radius 25 at 60 sweep 60",
        "L1 = line from 90, 90 to 120, 121",
    )
    after = made.edited(set_out(made, [made.order[1]], "new")[0])[0]
    assert after.steps["new"].statement.text == "table centre of A1 edges edge 1 of K1; edge 4 of K1"
    assert as_csv(after) == 'number,place,"from edge 1 of K1, mm","from edge 4 of K1, mm"\r\n1,centre of A1,20.000,30.000\r\n'
    working = working_of(after, "new")
    assert working is not None
    assert working.sums == ("centre of A1: 20 from edge 1 of K1 and 30 from edge 4 of K1.",)
    with pytest.raises(Refused):
        set_out(book("A1 = arc centre 0, 0 radius 5 at 0 sweep 90", "L1 = line from 0, 0 to 9, 0"), ["s1"], "new")


def test_one_sheet_of_several() -> None:
    made = book(*PLATE, "sheet a4", "sheet a3")
    assert [one.width for one in pages_of(made, Facts(), 2)] == [420.0]
    with pytest.raises(Refused):
        pages_of(made, Facts(), 3)


@pytest.mark.parametrize(("ending", "begins"), [("pdf", b"%PDF-"), ("png", b"\x89PNG"), ("csv", b"number,place")])
def test_from_the_command_line(tmp_path: Path, ending: str, begins: bytes) -> None:
    source, out = tmp_path / "plate.kent", tmp_path / f"out.{ending}"
    source.write_text("\n".join((*PLATE, "table K1", "sheet a4")))
    assert main(["export", str(source), str(out)]) == 0
    assert out.read_bytes().startswith(begins)


@pytest.mark.parametrize(
    ("lines", "out", "more", "status", "said"),
    [
        (PLATE, "a.dwx", [], 2, ".pdf, .png, .csv"),
        (PLATE, "a.csv", [], 2, "no setting-out table"),
        (PLATE, "a.pdf", ["--sheet", "4"], 2, "there is no sheet 4"),
        ((*PLATE, "sheet a0"), "a.png", ["--dots", "5000"], 2, "million dots"),
        ((*PLATE, "dimension C9"), "a.pdf", [], 1, "C9"),
        (("C1 = pencil circle centre 0, 0 radius 5",), "a.pdf", [], 1, "nothing in ink"),
        (PLATE, "no/such/folder/a.pdf", [], 2, "cannot write"),
    ],
)
def test_the_command_line_says_what_is_wrong(
    tmp_path: Path, capsys: pytest.CaptureFixture[str], lines: tuple[str, ...], out: str, more: list[str], status: int, said: str
) -> None:
    source = tmp_path / "plate.kent"
    source.write_text("\n".join(lines))
    assert main(["export", str(source), str(tmp_path / out), *more]) == status
    assert said in capsys.readouterr().err


def test_a_view_is_drawn_where_it_lies() -> None:
    found = page("C1 = circle centre 1000, 2000 radius 10", "sheet a4", "view scale 2:1 at 80, 120 turned 30")
    circle = next(m.figure for m in found.marks if isinstance(m, Stroke) and isinstance(m.figure, Circle))
    assert (circle.centre.x, circle.centre.y, circle.radius) == pytest.approx((80.0, 120.0, 20.0))


def test_a_large_sheet_comes_on_several_pages_that_join() -> None:
    """A2 on A4: what is seen of the sheet are windows that cover it edge to edge, none twice. Properties."""
    found = page(*PLATE, "sheet a2")
    parts = list(tiles(found, PAPERS["a4"]))
    assert sum((p.window[2] - p.window[0]) * (p.window[3] - p.window[1]) for p in parts) == pytest.approx(
        found.width * found.height
    )
    assert len({p.window for p in parts}) == len(parts) == parts[0].of
    assert all(p.window[2] - p.window[0] <= p.paper[0] - 2 * MARGIN for p in parts)
    reader = pypdf.PdfReader(BytesIO(as_pdf(book(*PLATE, "sheet a2"), Facts("Plate"), paper="a4")))
    assert len(reader.pages) == len(parts)
    assert "column 2 of" in reader.pages[1].extract_text()
    assert [t.of for t in tiles(page(*PLATE, "sheet a4 portrait"), PAPERS["a4"])] == [1]


def test_the_plotter_draws_what_is_on_the_page() -> None:
    """It is given nothing but the PDF. By hand: the rim of a circle of 30 at 1:1 is 188.496 mm, a line 100."""
    made = book("C1 = circle centre 0, 0 radius 30", "L1 = fine line from 60, 0 to 60, 100", "sheet a3", "view scale 1:1")
    plot = plotted(as_pdf(made, Facts("Plate")))
    lengths = {pen.width: [sum(dist(p, q) for p, q in pairwise(path)) for path in pen.strokes] for pen in plot.pens}
    assert min(abs(length - 188.496) for length in lengths[0.5]) < 0.05
    assert min(abs(length - 100.0) for length in lengths[0.25]) < 0.01
    assert "Plate" in {word.text.strip() for word in plot.words}
    assert (plot.width, plot.height) == pytest.approx((420.0, 297.0), abs=0.01)
    assert plot_page(plot, "<Plate>").count("&lt;Plate&gt;") == 2


def test_a_mark_of_ones_own(tmp_path: Path) -> None:
    Image.new("RGB", (40, 40), "#B2442B").save(tmp_path / "mark.png")
    (tmp_path / "plate.kent").write_text("\n".join(PLATE))
    arguments = ["export", str(tmp_path / "plate.kent"), str(tmp_path / "out.pdf"), "--mark"]
    assert main([*arguments, str(tmp_path / "mark.png")]) == 0
    assert len(pypdf.PdfReader(tmp_path / "out.pdf").pages[0].images) == 1
    (tmp_path / "large.png").write_bytes(b"\x89PNG" + b"0" * 6_000_000)
    for wrong in ("large.png", "plate.kent", "none.png"):
        assert main([*arguments, str(tmp_path / wrong)]) == 2


def test_the_check_report_as_pdf(tmp_path: Path) -> None:
    (tmp_path / "plate.kent").write_text(
        "\n".join((*PLATE, "measure radius C1 wanted 11 within 0.1", "circle centre C9 radius 2"))
    )
    assert main(["check", str(tmp_path / "plate.kent"), "--pdf", str(tmp_path / "check.pdf")]) == 1
    text = pypdf.PdfReader(tmp_path / "check.pdf").pages[0].extract_text()
    for words in ("Check report", "Something is out.", "radius C1", "11.000 mm ±0.1", "Steps that wait", "C9"):
        assert words in text


@pytest.mark.parametrize("demo", sorted((Path(__file__).parents[2] / "demo").glob("*.kent")), ids=lambda file: file.stem)
def test_the_demo_drawings_have_finished_sheets(tmp_path: Path, demo: Path) -> None:
    assert main(["export", str(demo), str(tmp_path / "out.pdf")]) == 0
    text = pypdf.PdfReader(tmp_path / "out.pdf").pages[0].extract_text()
    for words in ("Hollin Moor Fairground Works", "HM-", "1 of 1"):
        assert words in text


# Tables -------------------------------------------------------------------------------------------------

TABLED = (
    "datum 10,20 direction 30", "P1 = point 3, 4", "K1 = rectangle from 0, 0 size 100, 60", "C1 = circle centre 70, 30 radius 8",
    "C2 = circle centre 70, 30 radius 3", "T1 = table K1 C1", 'T2 = table C1 C2; corner 3 of K1; P1 from P1 title "Holes"',
)  # fmt: skip


def test_a_place_has_one_number_in_all_tables() -> None:
    made = book(*TABLED)
    one, other = (table_views(made)[n].rows for n in (0, 1))
    assert [row.words[0] for row in one] == ["1", "2", "3", "4", "5"]
    # Both circles have one centre, which the first table numbers already; what is new goes on.
    assert [row.words[0] for row in other] == ["5", "5", "3", "6"]
    layout = layout_at_table(made)
    numbers = [mark.words for id in layout.laid for mark in layout.marks_of(id) if isinstance(mark, Lettering)]
    assert set(numbers) == {"1", "2", "3", "4", "5", "6"}


def test_numbers_follow_when_a_table_before_changes() -> None:
    made = book(*TABLED)
    layout_at_table(made)
    gone = made.edited(Delete(made.order[-2]))[0]
    assert [row.words[0] for row in table_views(gone)[0].rows] == ["1", "1", "2", "3"]
    layout = layout_at_table(gone)
    fresh = laid_out(gone, layout.frame, layout.style)
    assert [layout.marks_of(id) for id in layout.laid] == [fresh.marks_of(id) for id in layout.laid]


def test_a_table_that_is_hidden_keeps_its_numbers_its_leaf_and_its_file() -> None:
    made = book(*TABLED)
    layout_at_table(made)
    hidden = made.edited(Replace(replace(made.steps[made.order[-2]], hidden=True)))[0]
    assert table_views(hidden) == table_views(made)
    assert as_csv(hidden) == as_csv(made)
    layout = layout_at_table(hidden)
    assert made.order[-2] not in layout.laid
    fresh = laid_out(hidden, layout.frame, layout.style)
    assert [layout.marks_of(id) for id in layout.laid] == [fresh.marks_of(id) for id in layout.laid]


def test_a_table_says_from_where_it_counts() -> None:
    made = book(*TABLED)
    assert [view.title for view in table_views(made)] == ["from the datum", "Holes, from P1"]
    first, second = (part.splitlines()[0] for part in as_csv(made).split("\r\n\r\n"))
    assert first == 'number,place,"x from the datum, mm","y from the datum, mm","size, mm"'
    assert second == 'number,place,"x from P1, mm","y from P1, mm","size, mm"'
    words = [mark.words for mark in page_of(made).marks if isinstance(mark, Lettering)]
    assert {"T1, from the datum", "Holes, from P1"} <= set(words)


def test_a_point_is_the_same_in_every_file() -> None:
    """By hand: 3, 4 is what stands in the book, whatever the datum; read again in the same drawing it lies where it lay."""
    made = book(*TABLED[:2], "T1 = table P1")
    points = written(made, BY_WORD["csv"], "a", Options()).data.decode()
    assert points.split("\r\n")[0] == 'name,"x from the datum, mm","y from the datum, mm"'
    assert as_csv(made).split("\r\n")[1] == "1,P1,3.000,4.000"
    found = read_csv(points.encode()).figures[0].figure
    assert isinstance(found, Point)
    assert (found.x, found.y) == pytest.approx((3.0, 4.0), abs=1e-12)
