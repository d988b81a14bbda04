"""States and open lines as they go over the wire: plain data in the shape of `schemas`."""

from dataclasses import replace
from math import hypot
from typing import Any

from ..core.angles import direction_of
from ..core.book.book import Book
from ..core.book.edits import Replace
from ..core.book.values import Drawn, Reading
from ..core.construct.solution import Solution
from ..core.desk import display
from ..core.desk.handles import handles, pulled
from ..core.desk.intents import mended
from ..core.desk.interpretation import given_texts, given_values
from ..core.desk.open_line import Draft, OpenLine, before_kind, draft_of, read_mend
from ..core.desk.picks import under_pointer
from ..core.desk.pointing import (
    OF_FIGURE,
    Pointed,
    Pointer,
    Snapping,
    last_of_draft,
    leaving,
    passed_over,
    place_at,
    places_passed,
    turning_about,
    with_solution,
)
from ..core.desk.views import problem_view, reading_words, step_view
from ..core.figures import Point
from ..core.language.codec import header_data
from ..core.language.report import figure_data
from ..core.problem import Problem, Refused
from ..core.snap.kinds import KINDS as PLACE_KINDS
from ..store.changes import State
from .socket_schemas import DraftData, PointerData, ReadRequest, SnappingData

Data = dict[str, Any]


def book_view(state: State, known: Book | None) -> Data:
    """The book for a receiver who has ``known`` already; the whole of it where that is None."""
    book = state.book
    whole = known is None or known.header != book.header
    differ = list(book.order) if whole or known is None else _differing(book, known)
    last = book.last_place()
    return {
        "type": "book",
        "id": str(state.id),
        "name": state.name,
        "revision": state.revision,
        "header": header_data(book.header),
        "whole": whole,
        "order": list(book.order),
        "steps": [step_view(book, id) for id in differ],
        "undo": state.undo,
        "redo": state.redo,
        "last": [last.x, last.y],
    }


def _differing(book: Book, known: Book) -> list[str]:
    """The steps that a receiver does not have as they are now, in the order of the book.

    Where the one book came of the other by an edit, only what that touched is looked at, and what shares a name with it.
    """
    if book.before is not known.values:
        return [id for id in book.order if _differs(book, known, id)]
    looked_at = {id: None for touched in book.touched for id in (touched, *book.sharing(touched), *known.sharing(touched))}
    found = [id for id in looked_at if id in book.steps and _differs(book, known, id)]
    return sorted(found, key=book.position)


def _differs(book: Book, known: Book, id: str) -> bool:
    if id not in known.steps:
        return True
    if (book.shown_of(id), book.pen_of(id)) != (known.shown_of(id), known.pen_of(id)):
        # A later step has shaped what comes of this one, or no longer does.
        return True
    same = book.steps[id] is known.steps[id] or book.steps[id] == known.steps[id]
    return not (same and (book.values[id] is known.values[id] or book.values[id] == known.values[id]))


MOST_SOLUTIONS = 64


def line_view(book: Book, request: ReadRequest) -> Data:
    """The open line, read against the book as it stands."""
    pointer = _pointer(request.pointer)
    if request.mend is not None:
        return _mend_view(book, request, pointer)
    if request.pull is not None and pointer is not None and request.selected in book.steps:
        return _pull_view(book, request, pointer)
    draft = _draft(request.draft)
    index = len(book.order) if request.index is None else min(request.index, len(book.order))
    read = under_pointer(book, draft, request.text, index, pointer, request.choice, request.aimed)
    shown = handles(book, request.selected) if request.selected in book.steps and draft is None and not request.text else []
    return {
        **_line(book, request.seq, read.line, read.shown, index, draft, read.pointed, pointer),
        "handles": [{"at": [h.at.x, h.at.y], "words": h.words} for h in shown],
        "click": _enter(read.click) if read.click else None,
        "picks": list(read.rows),
        "picked": read.picked,
        "beside": read.beside or None,
    }


def _pull_view(book: Book, request: ReadRequest, pointer: Pointer) -> Data:
    """A handle being pulled: the step that changes, and all that would follow."""
    assert request.selected is not None
    assert request.pull is not None
    all_of_them = handles(book, request.selected)
    handle = all_of_them[request.pull] if request.pull < len(all_of_them) else None
    made = pulled(book, handle, pointer) if handle else None
    index = book.position(handle.step if handle else request.selected)
    hand = book.in_hand(book.steps[handle.step].manner) if handle else book
    line = read_mend(book, handle.step, made.text) if handle and made else OpenLine("nothing")
    view = {**_line(book, request.seq, line, line, index, None, place_at(hand, pointer)), **_NO_CLICK, "last": None, "live": None}
    view["handles"] = [{"at": [h.at.x, h.at.y], "words": h.words} for h in all_of_them]
    view["follows"] = _follows(book, handle.step, line, False) if handle else []
    view["passed"] = [[p.x, p.y] for p in places_passed(book, pointer, index)]
    written = handle is not None and made is not None and line.do == "write"
    view["pull"] = {"id": handle.step, "text": made.text, "becomes": made.becomes} if written else None  # type: ignore[union-attr]
    return view


def _mend_view(book: Book, request: ReadRequest, pointer: Pointer | None) -> Data:
    """A step being mended: row by row where there is a draft of it, else as one line."""
    assert request.mend is not None
    step = book.steps.get(request.mend)
    if step is None:
        gone = OpenLine("nothing", problem=Problem("no_step"))
        return {**_line(book, request.seq, gone, gone, len(book.order), None, None), **_NO_CLICK, "last": None, "live": None}
    index = book.position(step.id)
    # Its numbers go on being read, and are written, as they were when it was written.
    book = book.in_hand(step.manner)
    draft = _draft(request.draft)
    if draft is None:
        if not request.text:
            line = OpenLine("nothing", draft_of(step))
        else:
            line = with_solution(book, read_mend(book, step.id, request.text), request.choice, None, index, step.id)
        view = {
            **_line(book, request.seq, line, line, index, None, place_at(book, pointer) if pointer else None),
            **_NO_CLICK,
            "last": None,
            "live": None,
        }
        shown = line
    else:
        read = under_pointer(book, draft, request.text, index, pointer, request.choice, request.aimed)
        view = {
            **_line(book, request.seq, read.line, read.shown, index, draft, read.pointed, pointer),
            # A click states a given; the step is accepted with Enter, or by a click where nothing more can be given.
            "click": _enter(replace(read.click, do="given") if read.rows else read.click) if read.click else None,
            "picks": list(read.rows), "picked": read.picked, "beside": read.beside or None, "name": step.name,
        }  # fmt: skip
        shown = read.shown
        for key in ("enter", "click"):
            if view[key] and view[key]["statement"]:
                view[key]["statement"] = before_kind(step) + view[key]["statement"]
    view["follows"] = _follows(book, step.id, shown, draft is not None)
    return view


_NO_CLICK: Data = {"click": None, "picks": [], "picked": 0}


def _follows(book: Book, id: str, line: OpenLine, by_rows: bool) -> list[Data]:
    """The steps that would change with the one being mended."""
    if line.step is None or line.do != "write":
        return []
    try:
        step = mended(book, id, before_kind(book.steps[id]) + line.statement)[0] if by_rows else line.step
    except Refused:
        return []
    after, _ = book.edited(Replace(step))
    found: list[Data] = []
    for one in after.order:
        if one in after.changed and (one == id or after.values[one] != book.values[one]):
            value = after.values[one]
            drawn = isinstance(value, Drawn) and not isinstance(value.figure, float | Reading)
            figure = figure_data(value.figure) if drawn else None  # type: ignore[union-attr, arg-type]
            problem = problem_view(after, value, after.position(one)) if isinstance(value, Problem) else None
            found.append({"id": one, "figure": figure, "problem": problem})
    return found


def _line(
    book: Book,
    seq: int,
    line: OpenLine,
    shown: OpenLine,
    index: int,
    draft: Draft | None,
    pointed: Pointed | None,
    pointer: Pointer | None = None,
) -> Data:
    header = book.header
    # A reading puts nothing down: nothing is counted from the last place.
    places = draft is not None and not draft.kind.startswith("measure")
    last = last_of_draft(book, draft, index)
    rows = _rows(book, line, index)
    value = shown.value if isinstance(shown.value, Drawn) else None
    drawn = value.figure if value else None
    target = _target(drawn, None if line.row else pointed)
    return {
        "type": "line",
        "seq": seq,
        "rows": rows,
        "name": line.step.name if line.step else "",
        "row": line.row,
        "value": rows[-1]["value"] if rows and line.row else "",
        "enter": _enter(line),
        "preview": figure_data(drawn) if drawn is not None and not isinstance(drawn, float | Reading) else None,
        "solutions": [_solution(one) for one in value.solutions[:MOST_SOLUTIONS]] if value else [],
        "taken": value.taken if value else 0,
        "note": value.note if value else "",
        "reading": reading_words(drawn, book) if isinstance(drawn, Reading) else None,
        "follows": [],
        "problem": _problem(book, line, index, draft) if line.problem else None,
        "hint": line.hint,
        "completions": [{"word": c.word, "explanation": c.explanation} for c in line.completions],
        "tag": _tag(book, pointed),
        "live": _live(last, target, header) if target is not None and places else None,
        "last": [last.x, last.y] if places else None,
        "around": [about.x, about.y] if (about := turning_about(book, draft, index)) else None,
        "leaving": leaving(book, draft, index),
        "passed": [[p.x, p.y] for p in places_passed(book, pointer, index)] if pointer and draft else [],
        "beside": None,
        "handles": [],
        "pull": None,
    }


def _problem(book: Book, line: OpenLine, index: int, draft: Draft | None) -> Data:
    """What is wrong with the row, and what would work there: as a row of a draft, else as the whole statement."""
    assert line.problem is not None
    view = problem_view(book, line.problem, index, line.step)
    if view["suggested"] and draft is not None:
        word = view["suggestion"].split()[0]
        view["suggested"] = view["suggestion"] if line.row.lower().startswith(word) else None
    return view


def _solution(one: Solution) -> Data:
    return {
        "figure": figure_data(one.figure), "words": one.signature, "note": one.note,
        "touching": [[c.at.x, c.at.y] for c in one.contacts],
    }  # fmt: skip


def _rows(book: Book, line: OpenLine, index: int) -> list[Data]:
    if line.step is None:
        return [{"text": row, "value": ""} for row in line.draft.rows] if line.draft else []
    if line.step.statement.kind == "measure":
        return [{"text": row, "value": ""} for row in (line.draft.rows if line.draft else ())]
    texts, values = given_texts(line.step.statement), given_values(book, line.step, index)
    return [{"text": t, "value": v} for t, v in zip(texts, values, strict=True)]


def _target(drawn: Any, pointed: Pointed | None) -> Point | None:
    end = getattr(drawn, "end", None)
    if isinstance(end, Point):
        return end
    return pointed.at if pointed else None


def _live(last: Point, to: Point, header: Any) -> Data:
    dx, dy = to.x - last.x, to.y - last.y
    # Across and up count along the datum, as coordinates do.
    ux, uy = header.manner.turned(1.0, 0.0)
    across, up = dx * ux + dy * uy, dy * ux - dx * uy
    return {
        "length": display.with_unit(hypot(dx, dy), header),
        "direction": display.direction(direction_of(dx, dy), header),
        "across": display.length(across, header),
        "up": display.length(up, header),
    }


def _tag(book: Book, pointed: Pointed | None) -> Data | None:
    if pointed is None:
        return None
    return {
        "words": pointed.words, "at": [pointed.at.x, pointed.at.y], "kind": pointed.kind, "more": pointed.more,
        "step": book.step_of(pointed.figure) if pointed.figure else None,
        "sights": [figure_data(line) for line in pointed.sights], "passes": passed_over(book, pointed),
        "of_figure": pointed.kind in OF_FIGURE,
    }  # fmt: skip


def _enter(line: OpenLine) -> Data:
    draft = {"kind": line.draft.kind, "rows": list(line.draft.rows), "at": line.draft.at, "again": False} if line.draft else None
    return {"do": line.do, "draft": draft, "statement": line.statement}


def _draft(data: DraftData | None) -> Draft | None:
    return Draft(data.kind, tuple(data.rows), data.at, data.again) if data else None


def _pointer(data: PointerData | None) -> Pointer | None:
    if data is None:
        return None
    s = data.snapping or SnappingData(off=[kind.key for kind in PLACE_KINDS.values() if not kind.on], turns=[])
    snapping = Snapping(frozenset(PLACE_KINDS) - frozenset(s.off), s.parts, s.turn, s.step, s.grid, tuple(s.turns))
    return Pointer(
        data.x, data.y, data.reach, data.pixel, data.level, data.swing, data.turned, snapping, tuple(data.passed)
    )  # fmt: skip
