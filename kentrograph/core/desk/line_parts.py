"""What every look at the open line shows: its rows, its preview and solutions, the tag, the live numbers."""

from dataclasses import replace
from math import hypot

from ..angles import direction_of
from ..book.book import Book
from ..book.kinds import STATEMENT_KINDS
from ..book.manner import Header
from ..book.values import Reading, StepResult
from ..construct.solution import Solution
from ..figures import Point
from ..language import display
from ..language.report import figure_data
from .desk import Desk
from .draft import Draft, reading_named
from .handles.handle import Handle
from .interpretation import given_texts, given_values
from .open_line import OpenLine
from .outcomes import Outcome, outcome_of
from .pointing import OF_FIGURE, Pointed, last_of_draft, leaving, passed_over, places_passed, turning_about
from .view_types import HandleView, LineView, LiveView, ProblemView, Row, SolutionView, TagView
from .views import box_of_things, previewed, problem_view, reading_words

MOST_SOLUTIONS = 64


def line_of(desk: Desk, line: OpenLine, shown: OpenLine, pointed: Pointed | None) -> LineView:
    """The open line as it is ``shown``, which may be more than what is read; without what only some ways of looking add."""
    book, hand, index, draft = desk.book, desk.hand, desk.index, desk.draft
    # A reading, or what stands on paper, puts nothing down: nothing is counted from the last place.
    kind = STATEMENT_KINDS.get(draft.kind) if draft is not None else None
    places = draft is not None and reading_named(draft.kind) is None and not (kind is not None and kind.group == "paper")
    # No more does the choice of what something is done with.
    choosing = kind is not None and kind.givens[0].word == "figures" and draft is not None and not draft.rows
    last = last_of_draft(book, draft, index)
    rows = _rows(book, line, index)
    value = shown.value if isinstance(shown.value, StepResult) else None
    drawn = value.figure if value else None
    results = value.results if value else ()
    preview = previewed(book, value, shown.step, shown.step.id if shown.step else "") if value is not None else None
    target = _target(drawn, None if line.row else pointed)
    about = turning_about(book, draft, index)
    return LineView(
        rows=rows,
        name=line.step.name if line.step else "",
        row=line.row,
        value=rows[-1].value if rows and line.row else "",
        enter=outcome_of(desk, line),
        leave=Outcome(do="nothing"),
        preview=preview,
        box=box_of_things(results) if preview is not None and preview["kind"] != "paper" else None,
        solutions=[_solution(one) for one in value.solutions[:MOST_SOLUTIONS]] if value else [],
        taken=value.chosen_index if value else 0,
        note=value.note if value else "",
        reading=reading_words(drawn, book) if isinstance(drawn, Reading) else None,
        problem=_problem(book, line, index, draft),
        hint=line.hint,
        completions=line.completions,
        tag=_tag(book, pointed),
        live=_live(last, target, book.header) if target is not None and places and not choosing else None,
        last=[last.x, last.y] if places else None,
        around=[about.x, about.y] if about else None,
        leaving=leaving(book, draft, index),
        passed=[[p.x, p.y] for p in places_passed(book, hand.pointer, index)] if hand.pointer and draft else [],
        follows=[],
        handles=[],
    )


def _problem(book: Book, line: OpenLine, index: int, draft: Draft | None) -> ProblemView | None:
    """What is wrong with the row, and what would work there: as a row of a draft, else as the whole statement."""
    if line.problem is None:
        return None
    view = problem_view(book, line.problem, index, line.step)
    if view.suggested and view.suggestion and draft is not None:
        word = view.suggestion.split()[0]
        if word in STATEMENT_KINDS and word != draft.kind:
            # Another kind of figure takes the place of the whole.
            return replace(view, suggested=view.suggestion)
        return replace(view, suggested=view.suggestion if line.row.lower().startswith(word) else None)
    return view


def _solution(one: Solution) -> SolutionView:
    return SolutionView(figure_data(one.figure), one.signature, one.note, [[c.at.x, c.at.y] for c in one.contacts])


def _rows(book: Book, line: OpenLine, index: int) -> list[Row]:
    if line.step is None or line.step.reads:
        return [Row(row, "") for row in (line.draft.rows if line.draft else ())]
    texts, values = given_texts(line.step.statement), given_values(book, line.step, index)
    return [Row(t, v) for t, v in zip(texts, values, strict=True)]


def _target(drawn: object, pointed: Pointed | None) -> Point | None:
    end = getattr(drawn, "end", None)
    if isinstance(end, Point):
        return end
    return pointed.at if pointed else None


def _live(last: Point, to: Point, header: Header) -> LiveView:
    dx, dy = to.x - last.x, to.y - last.y
    # Across and up count along the datum, as coordinates do.
    ux, uy = header.manner.turned(1.0, 0.0)
    across, up = dx * ux + dy * uy, dy * ux - dx * uy
    return LiveView(
        length=display.with_unit(hypot(dx, dy), header),
        direction=display.direction(direction_of(dx, dy), header),
        across=display.length(across, header),
        up=display.length(up, header),
    )


def _tag(book: Book, pointed: Pointed | None) -> TagView | None:
    if pointed is None:
        return None
    return TagView(
        words=pointed.words,
        at=[pointed.at.x, pointed.at.y],
        kind=pointed.kind,
        more=pointed.more,
        figure=pointed.figure.partition("/")[0] if pointed.figure else None,
        sights=[figure_data(line) for line in pointed.sights],
        of_figure=pointed.kind in OF_FIGURE,
        passes=passed_over(book, pointed),
    )


def handles_of(found: list[Handle]) -> list[HandleView]:
    """Handles as they go over the wire."""
    return [HandleView([h.at.x, h.at.y], h.words) for h in found]
