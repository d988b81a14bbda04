"""Makes docs/reference.md and its pictures anew from the tables of the language; the pictures are the program's own.

.venv/bin/python tools/reference.py [--check]
"""

import sys
from pathlib import Path

from examples import DRAWING, EXAMPLES, ON_DEMAND, REFUSED

from kentrograph.core.book.book import Book
from kentrograph.core.book.kind import Kind
from kentrograph.core.book.kinds import ALL, STATEMENT_KINDS
from kentrograph.core.book.readings import READINGS
from kentrograph.core.book.values import Mark, OnPaper, Reading, StepResult
from kentrograph.core.desk.views import reading_words
from kentrograph.core.figures import EndlessLine, Line, Point
from kentrograph.core.figures.box import empty_box, stretch
from kentrograph.core.language.report import run_report
from kentrograph.core.language.script import book_of, read_script
from kentrograph.core.language.vocabulary import FUNCTIONS, PARTS
from kentrograph.core.sheet.bounds import bounds
from kentrograph.core.sheet.frame import Frame
from kentrograph.core.sheet.of_book import laid_out
from kentrograph.core.sheet.page import Facts, page_of
from kentrograph.core.sheet.signs import spelled
from kentrograph.core.sheet.style import SMALL
from kentrograph.exchange.sheet_svg import marks_svg, sheet_svg
from kentrograph.exchange.svg import Styled, picture

DOCS = Path(__file__).resolve().parents[1] / "docs"
BOX = [4.0, 0.0, 84.0, 58.0]
PENCIL, INK, OTHER = "#A6A9AC", "#B2442B", "#E0B7A9"


def main(check: bool) -> int:
    """Writes everything, or says what would be written otherwise."""
    wanted = {DOCS / "reference.md": page()}
    for kind, examples in EXAMPLES.items():
        for number, (text, _) in enumerate(examples, 1):
            if kind != "measure":
                wanted[DOCS / "reference" / f"{kind}-{number}.svg"] = drawn(text)
    stale = [p for p, text in wanted.items() if not p.exists() or p.read_text(encoding="utf-8") != text]
    if check:
        for path in stale:
            print(f"{path.relative_to(DOCS)} is not what tools/reference.py makes")
        return 1 if stale else 0
    (DOCS / "reference").mkdir(exist_ok=True)
    for path, text in wanted.items():
        path.write_text(text, encoding="utf-8")
    return 0


def evaluated(text: str) -> tuple[Book, str]:
    """The little drawing with one statement more, and that step's id."""
    script = read_script("\n".join([*DRAWING, text]))
    assert not script.misread, text
    book = book_of(script)
    return book, book.order[-1]


def drawn(text: str) -> str:
    """The little drawing in grey, what the statement draws in red, its other solutions faint."""
    book, new = evaluated(text)
    shown: list[Styled] = []
    for id in book.order[:-1]:
        value = book.values[id]
        assert isinstance(value, StepResult)
        if not isinstance(value.figure, float | Reading | OnPaper):
            name = book.steps[id].name
            on_demand = name in ON_DEMAND and name not in text and not text.startswith("outline")
            if on_demand or ALL[book.steps[id].statement.kind].unseen:
                continue
            shown.append(Styled(value.figure, PENCIL, 0.4, name))
    value = book.values[new]
    assert isinstance(value, StepResult), (text, value)
    assert not isinstance(value.figure, float | Reading)
    if isinstance(value.figure, OnPaper):
        return on_paper(book, new, shown)
    results = value.results
    if isinstance(value.figure, Mark):
        # It draws nothing: what it names is shown.
        results = tuple(book.figure_named(name.key, len(book.order)) for name in book.steps[new].statement.operands)
    shown += [Styled(s.figure, OTHER, 0.5) for i, s in enumerate(value.solutions) if i != value.chosen_index]
    shown += [Styled(figure, INK, 0.9 if not isinstance(figure, Point) else 1.1) for figure in results]
    box = empty_box()
    for one in shown:
        if not isinstance(one.figure, EndlessLine):
            stretch(box, one.figure)
    # A little more than the drawing: solutions that are much larger run out of the picture.
    box = [
        max(-40.0, min(box[0], BOX[0])),
        max(-40.0, min(box[1], BOX[1])),
        min(130.0, max(box[2], BOX[2])),
        min(100.0, max(box[3], BOX[3])),
    ]
    assert any(isinstance(s.figure, Line) for s in shown)
    return picture(shown, margin=2.0, pixels=2.4, box=box)


def on_paper(book: Book, new: str, shown: list[Styled]) -> str:
    """What a statement puts on the drawing, laid out as large as the picture; of a sheet, or of what lies on one, the sheet."""
    laid = laid_out(book, Frame(1.0), SMALL)
    if new not in laid.laid:
        return sheet_svg(page_of(book, 1, Facts("Little drawing")))
    marks = spelled(laid.marks_of(new))
    around = bounds(marks)
    box = [min(BOX[0], around[0]), min(BOX[1], around[1]), max(BOX[2], around[2]), max(BOX[3], around[3])]
    return picture(shown, margin=2.0, pixels=2.4, box=box).replace("</svg>", f"{marks_svg(marks, INK)}</svg>")


def page() -> str:
    """The page."""
    lines = [
        "# Reference",
        "",
        "Made by `tools/reference.py` from the tables that the parser reads; the pictures are the program's own. Grey is what",
        "was there, red what the statement draws, pale what it could also have drawn. Solutions are listed in their order; the",
        "first is taken where nothing is said, `near PLACE` and `solution 2` take another.",
        "",
        "The little drawing:",
        "",
        "```",
        *DRAWING,
        "```",
    ]
    for kind in EXAMPLES:
        lines += readings() if kind == "measure" else figures(kind)
    lines += ["", "## Numbers", "", f"Functions: {', '.join(f'`{f}`' for f in FUNCTIONS)}; angles in degrees. Also `pi`.", ""]
    lines += ["Every reading can stand in a number: `area K1 less C1`, `angle L1 L2`, `direction end of A1`, `gap C1 L1`.", ""]
    lines += ["Parts of figures, places and readings:", "", *(f"- `.{part}`: {meaning}" for part, meaning in PARTS.items())]
    lines += refusals()
    return "\n".join(lines) + "\n"


def figures(kind: str) -> list[str]:
    """A kind's givens and its examples with pictures."""
    spec = STATEMENT_KINDS[kind]
    lines = [
        "",
        f"## {kind}",
        "",
        f"{spec.explanation[0].upper()}{spec.explanation[1:]}. {named(spec)}",
        "",
    ]
    lines += ["| given | |", "|---|---|"]
    lines += [f"| `{g.word}` | {g.explanation} |" for g in spec.givens if g.written]
    lines += ["", "| statement | | solutions |", "|---|---|---|"]
    for number, (text, meaning) in enumerate(EXAMPLES[kind], 1):
        book, new = evaluated(text)
        value = book.values[new]
        assert isinstance(value, StepResult)
        signs = " · ".join(s.signature or "the other" for s in value.solutions) if value.solutions else "1"
        shown = f"`{text.replace('|', chr(92) + '|')}`<br>{meaning}"
        lines.append(f"| {shown} | ![{kind} {number}](reference/{kind}-{number}.svg) | {signs} |")
    return lines


def named(kind: Kind) -> str:
    """How what comes of a kind is named."""
    if kind.letter and (not kind.shapes or kind.collects):
        return f"Named {kind.letter}1, {kind.letter}2, …"
    if kind.naming is not None and kind.marks in ("pen", "hide", "show"):
        return "It draws nothing, and has no name; it holds from its step on."
    if kind.naming is not None:
        return (
            "What it shapes keeps its name; what was built on it before goes on meaning what it meant. Whatever else comes of it "
            "has names of its own: those written in front, or the next that are free."
        )
    own = "Each figure that comes of it has a name of its own: those written in front, or the next that are free."
    carried = "The names go with the figures; what stood before goes on meaning what it meant. With `keeping`: as `copy`."
    return own if kind.always_keeps else carried


def readings() -> list[str]:
    """Readings, with what they read in the little drawing."""
    lines = [
        "",
        "## measure",
        "",
        *(f"- `{word}`: {meaning}" for word, meaning in ((one.word, one.explanation) for one in READINGS.values())),
        "",
    ]
    lines += ["| statement | | reads |", "|---|---|---|"]
    for text, meaning in EXAMPLES["measure"]:
        book, new = evaluated(text)
        value = book.values[new]
        assert isinstance(value, StepResult)
        assert isinstance(value.figure, Reading)
        words = reading_words(value.figure, book)
        told = ", ".join([words.value, *(f"{r.name} {r.value}" for r in words.rows)])
        if words.compared:
            told += f"; wanted {words.compared.wanted}, off by {words.compared.difference}"
        lines.append(f"| `{text}` | {meaning} | {told} |")
    return lines


def refusals() -> list[str]:
    """What is said of statements that cannot be drawn."""
    lines = ["", "## What is said when something cannot be drawn", "", "| statement | kind | sentence |", "|---|---|---|"]
    for text in REFUSED:
        script = read_script("\n".join([*DRAWING, text]))
        found = run_report(script, book_of(script))["problems"][0]
        lines.append(f"| `{text}` | `{found['kind']}` | {found['message']} |")
    return lines


if __name__ == "__main__":
    sys.exit(main("--check" in sys.argv))
