"""The check report as PDF (ISO 32000): what the page says, on A4, with the letters embedded."""

from collections.abc import Sequence
from io import BytesIO

from reportlab.lib import colors
from reportlab.lib.pagesizes import A4
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.platypus import Flowable, Paragraph, SimpleDocTemplate, Spacer, Table, TableStyle

from ..core.desk.check_report import CheckReport
from ..core.sheet.letters import known
from .check_page import VERDICTS, Facts
from .pdf import register_fonts

_INK, _QUIET, _OUT, _RULE = (colors.HexColor(one) for one in ("#1B2A49", "#5d6470", "#B2442B", "#E2DCCD"))
_BODY = ParagraphStyle("body", fontName="kentrograph-regular", fontSize=9.5, leading=13, textColor=_INK)
_CELL = ParagraphStyle("cell", parent=_BODY, fontSize=8.5, leading=11)
_BAD = ParagraphStyle("bad", parent=_CELL, textColor=_OUT)
_HEAD = ParagraphStyle("head", parent=_CELL, fontName="kentrograph-strong", textColor=_QUIET)
_TITLE = ParagraphStyle("title", parent=_BODY, fontName="kentrograph-strong", fontSize=16, leading=20)
_PART = ParagraphStyle("part", parent=_BODY, fontName="kentrograph-strong", fontSize=11, leading=15, spaceBefore=6 * mm)


def check_pdf(report: CheckReport, facts: Facts) -> bytes:
    """The report as a document."""
    register_fonts()
    out = BytesIO()
    document = SimpleDocTemplate(
        out, pagesize=A4, leftMargin=18 * mm, rightMargin=18 * mm, topMargin=16 * mm, bottomMargin=16 * mm, invariant=1,
        title=f"Check report: {facts.drawing}", creator="Kentrograph",
    )  # fmt: skip
    verdict = "Nothing is out." if report.good else "Something is out."
    parts: list[Flowable] = [
        _said(facts.drawing, _TITLE),
        _said(f"Check report · {facts.state} · {facts.date}", _BODY),
        Spacer(0, 2 * mm),
        _said(verdict, _BODY if report.good else _BAD),
    ]
    if report.waiting:
        parts += _part(
            "Steps that wait", ("", "as stated", "why"), [(True, (w.name, w.statement, w.why)) for w in report.waiting], ""
        )
    readings = [
        (one.verdict == "out", (one.name, one.what, one.value, one.wanted, one.difference, VERDICTS[one.verdict]))
        for one in report.readings
    ]
    parts += _part("Readings", ("", "of", "value", "wanted", "off by", ""), readings, "Nothing was measured.")
    loose = [(True, (words,)) for words in report.loose_ends]
    none = "None: all that comes so near meets, touches, or lies apart."
    parts += _part(f"Loose ends, nearer than {report.limit:g} {report.unit}", ("what was found",), loose, none)
    touching = [(not one.exact, (one.name, one.statement, one.residual)) for one in report.touching]
    parts += _part("Touching figures", ("", "as stated", "misses by at most"), touching, "None.")
    document.build(parts)
    return out.getvalue()


def _said(words: str, style: ParagraphStyle) -> Paragraph:
    plain = known(words).replace("&", "&amp;").replace("<", "&lt;")
    return Paragraph(plain, style)


def _part(title: str, heads: Sequence[str], rows: Sequence[tuple[bool, Sequence[str]]], empty: str) -> list[Flowable]:
    """A table of what was checked; rows that are out in red."""
    if not rows:
        return [_said(title, _PART), _said(empty, _BODY)]
    cells = [
        [_said(head, _HEAD) for head in heads],
        *([_said(cell, _BAD if bad else _CELL) for cell in row] for bad, row in rows),
    ]
    style = TableStyle(
        [("LINEBELOW", (0, 0), (-1, -1), 0.3, _RULE), ("VALIGN", (0, 0), (-1, -1), "TOP"), ("LEFTPADDING", (0, 0), (-1, -1), 0)]
    )
    return [_said(title, _PART), Table(cells, colWidths=_widths(len(heads)), style=style, repeatRows=1)]


def _widths(count: int) -> list[float]:
    """Names are short; what is of them takes what is left."""
    shares = {1: (174.0,), 3: (18.0, 96.0, 60.0), 6: (14.0, 62.0, 30.0, 30.0, 22.0, 16.0)}[count]
    return [share * mm for share in shares]
