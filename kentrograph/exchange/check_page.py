"""The check report as a page to print (HTML, a W3C standard) and as a table (CSV, RFC 4180)."""

from collections.abc import Sequence
from dataclasses import dataclass
from html import escape

from ..core.book.book import Book
from ..core.book.scene import all_seen, pen_of
from ..core.desk.check_report import CheckReport
from ..core.figures.box import empty_box, stretch
from .csv_text import csv_text
from .svg import Styled, picture


@dataclass(frozen=True, slots=True)
class Facts:
    """What a report is of: the drawing, its state (``revision 3 by Ada``), when the report was made, a picture as SVG."""

    drawing: str
    state: str
    date: str
    picture: str = ""


VERDICTS = {"out": "out", "close": "within, close to the limit", "within": "within", "none": ""}


def picture_of(book: Book) -> str:
    """All that is seen of a drawing, as SVG; empty where nothing is."""
    shown = list(all_seen(book))
    if not shown:
        return ""
    box = empty_box()
    for _, figure in shown:
        stretch(box, figure)
    size = max(box[2] - box[0], box[3] - box[1]) or 1.0
    styled = [Styled(figure, _PENCIL if pen_of(book, one) == "pencil" else _INK, size * _STROKE_SHARE) for one, figure in shown]
    return picture(styled, margin=size * _MARGIN_SHARE, pixels=_PIXELS / size)


_INK, _PENCIL = "#1B2A49", "#A6A9AC"
_STROKE_SHARE, _MARGIN_SHARE, _PIXELS = 0.003, 0.03, 640.0


def check_csv(report: CheckReport) -> str:
    """One row for each thing that was checked; lines end as RFC 4180, section 2, has it."""
    rows = [["check", "name", "what", "value", "wanted", "difference", "verdict"]]
    for reading in report.readings:
        said = "measured" if reading.verdict == "none" else reading.verdict
        rows.append(["reading", reading.name, reading.what, reading.value, reading.wanted, reading.difference, said])
    for one in report.touching:
        rows.append(["touching", one.name, one.statement, one.residual, "", "", "exact" if one.exact else "out"])
    rows += [["loose end", "", words, "", "", "", "out"] for words in report.loose_ends]
    rows += [["waits", waiting.name, waiting.statement, "", "", waiting.why, "out"] for waiting in report.waiting]
    return csv_text(rows)


def check_html(report: CheckReport, facts: Facts) -> str:
    """A page of its own, styles and picture within it: nothing has to be fetched to read or print it."""
    verdict = "Nothing is out." if report.good else "Something is out."
    parts = [
        f"<h1>{escape(facts.drawing)}</h1>",
        f'<p class="facts">Check report · {escape(facts.state)} · {escape(facts.date)}</p>',
        f'<p class="{"good" if report.good else "out"}"><b>{verdict}</b></p>',
        f"<figure>{facts.picture}</figure>" if facts.picture else "",
        _waiting(report),
        _readings(report),
        _loose_ends(report),
        _touching(report),
    ]
    body = "\n".join(part for part in parts if part)
    title = f"Check report: {escape(facts.drawing)}"
    return (
        f'<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><title>{title}</title>\n'
        f"<style>{_STYLE}</style></head><body>\n{body}\n</body></html>\n"
    )


def _table(title: str, heads: list[str], rows: Sequence[tuple[str, list[str]]], empty: str) -> str:
    """``rows`` are their verdicts, by which they are coloured, and their cells."""
    if not rows:
        return f"<h2>{title}</h2><p>{empty}</p>"
    head = "".join(f"<th>{escape(one)}</th>" for one in heads)
    lines = "\n".join(f'<tr class="{kind}">{"".join(f"<td>{escape(cell)}</td>" for cell in cells)}</tr>' for kind, cells in rows)
    return f"<h2>{title}</h2><table><thead><tr>{head}</tr></thead><tbody>\n{lines}\n</tbody></table>"


def _readings(report: CheckReport) -> str:
    rows = [
        (one.verdict, [one.name, one.what, one.value, one.wanted, one.difference, VERDICTS[one.verdict]])
        for one in report.readings
    ]
    return _table("Readings", ["", "of", "value", "wanted", "off by", ""], rows, "Nothing was measured.")


def _loose_ends(report: CheckReport) -> str:
    rows = [("out", [words]) for words in report.loose_ends]
    title = f"Loose ends, nearer than {report.limit:g} {escape(report.unit)}"
    return _table(title, ["what was found"], rows, "None: all that comes so near meets, touches, or lies apart.")


def _touching(report: CheckReport) -> str:
    rows = [("within" if one.exact else "out", [one.name, one.statement, one.residual]) for one in report.touching]
    return _table("Touching figures", ["", "as stated", "misses by at most"], rows, "None.")


def _waiting(report: CheckReport) -> str:
    rows = [("out", [one.name, one.statement, one.why]) for one in report.waiting]
    return _table("Steps that wait", ["", "as stated", "why"], rows, "None.") if rows else ""


_STYLE = """
@page { size: A4; margin: 16mm }
body { font: 10pt/1.45 "IBM Plex Sans", sans-serif; color: #1B2A49; max-width: 178mm; margin: 12mm auto }
h1 { font-size: 16pt; margin: 0 } h2 { font-size: 11pt; margin: 7mm 0 2mm }
.facts { color: #5d6470; margin: 1mm 0 4mm }
table { border-collapse: collapse; width: 100%; font-variant-numeric: tabular-nums }
th { text-align: left; font-weight: 600; color: #5d6470; font-size: 9pt } tr { break-inside: avoid }
td, th { border-bottom: 0.2mm solid #E2DCCD; padding: 1mm 3mm 1mm 0; vertical-align: top }
.number { white-space: nowrap }
.out, tr.out td { color: #B2442B } tr.close td:last-child { color: #8a5a00 }
figure { margin: 4mm 0; text-align: center } figure svg { max-width: 100%; max-height: 90mm; height: auto }
"""
