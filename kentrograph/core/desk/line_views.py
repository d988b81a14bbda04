"""The open line as a table shows it: read, with the pointer where it is, mended or pulled."""

from dataclasses import dataclass, replace

from ..book.book import Book
from ..book.edits import Replace
from ..language.messages import sentence
from ..language.report import figure_data
from ..problem import Problem, Refused
from ..sheet.at_table import annotation_at
from .afterwards import joining, said_first
from .brush import Brush, offered_join, stroked, strokes
from .carrying import carry
from .draft import READING, Draft
from .handles import Handle, Pulled, handles, pulled
from .intents import mended
from .line_parts import enter_of, handles_of, line_of
from .open_line import OpenLine, before_kind, draft_of, read_mend, read_open_line
from .picks import Shown, under_pointer
from .pointing import (
    Pointed,
    Pointer,
    exactly_at,
    later_place,
    place_at,
    places_passed,
    with_solution,
)
from .read_at import area_there, named_there, readings_at, wanted_of
from .told import told
from .view_types import (
    BrushView,
    CarryView,
    EnterView,
    EntryView,
    FollowView,
    LineView,
    PullView,
    TagView,
)
from .views import previewed, problem_view, reading_words


@dataclass(frozen=True, slots=True, kw_only=True)
class Looked:
    """What stands on the open line, where the pointer is, and what is looked at besides.

    ``mend`` is the step that is being mended; ``in_front_of`` the one before which a new step would be written; ``selected``
    the one whose handles are shown, of which ``pull`` is being pulled. ``choice`` is which reading of a pick, or which
    solution, is meant; ``aimed`` as in `under_pointer`.
    """

    draft: Draft | None = None
    text: str = ""
    mend: str | None = None
    in_front_of: str | None = None
    pointer: Pointer | None = None
    choice: int | None = None
    selected: str | None = None
    pull: int | None = None
    aimed: bool = False
    carried: tuple[str, ...] = ()
    """The figures, by their ids, that are dragged from ``start`` to where the pointer is; ``copied`` says that they stay, too."""
    start: Pointer | None = None
    copied: bool = False
    stroke: tuple[tuple[float, float], ...] = ()
    """Where the pointer went since it went down on a kind that is done by stroking."""


def line_view(book: Book, at: Looked, seq: int = 0) -> LineView:
    """The open line, read against the book as it stands; ``seq`` is said again in the answer."""
    return replace(_looked(book, at), seq=seq)


def cut_short(book: Book, at: Looked, seconds: float, seq: int = 0) -> LineView:
    """The answer to what would have taken longer to look at: nothing of it is shown, and nothing would be entered."""
    problem = Problem("over_budget", {"seconds": seconds}, 0, len(at.text))
    return replace(_looked(book, Looked()), problem=problem_view(book, problem, len(book.order)), hint="", seq=seq)


def _looked(book: Book, at: Looked) -> LineView:
    if at.mend is not None:
        # What is read by pointing mends no step.
        reading = at.draft is not None and at.draft.kind == READING
        return _mend_view(book, replace(at, draft=None) if reading else at, at.mend)
    chosen = book.step_of(at.selected or "")
    if at.pull is not None and at.pointer is not None and chosen in book.steps:
        return _pull_view(book, chosen, at.pull, at.pointer)
    index = book.index_before(at.in_front_of if at.in_front_of in book.order else None)
    if at.draft is not None and at.draft.kind == READING:
        return _read_view(book, at, index)
    if at.carried and at.pointer is not None and at.start is not None:
        return _carry_view(book, at, at.start, at.pointer, index)
    if at.draft is not None and not at.draft.rows and not at.text.strip() and strokes(at.draft.kind):
        return _brush_view(book, at, at.draft, index)
    read = under_pointer(book, at.draft, at.text, index, at.pointer, at.choice, at.aimed)
    shown = handles(book, chosen) if chosen in book.steps and at.draft is None and not at.text else []
    line = line_of(book, read.line, read.shown, index, at.draft, read.pointed, at.pointer)
    if at.draft is None and not at.text and line.tag is not None and read.pointed is not None:
        line = replace(line, tag=_seen_there(book, line.tag, read.pointed, at.pointer))
    return replace(
        line,
        handles=handles_of(shown),
        click=enter_of(read.click) if read.click else None,
        picks=list(read.rows),
        picked=read.picked,
        beside=read.beside or None,
        unfit=_unfit(read),
    )


def _seen_there(book: Book, tag: TagView, pointed: Pointed, pointer: Pointer | None) -> TagView:
    """The tag while nothing is written: the measures of the figure there or, where there is none, what stands there on paper."""
    id = annotation_at(book, pointer.x, pointer.y, pointer.reach / 2.0) if tag.figure is None and pointer is not None else None
    if id is None:
        return replace(tag, told=told(book, pointed))
    step = book.steps[id]
    return replace(
        tag,
        words=step.name,
        figure=id,
        of_figure=True,
        told=(f"{step.name}: {step.statement.text[step.statement.kind_start :]}",),
    )


def _brush_view(book: Book, at: Looked, draft: Draft, index: int) -> LineView:
    """A kind that is done by pointing at stretches: what is under the pointer, or under a stroke, as it would be then."""
    line = read_open_line(book, draft, "", index)
    gone = draft.kind == "trim"
    join = offered_join(book) if not gone and index == len(book.order) else ""
    if join:
        line = joining(book, line, join)
    view = replace(line_of(book, line, line, index, draft, None), last=None, live=None, preview=None, box=None)
    if at.pointer is None:
        return view
    # Nothing that is stroked over is held level: the key means the whole figure here.
    brush = Brush("trim" if gone else "ink", at.pointer.reach, at.pointer.level, at.pointer.snapping.ink_only)
    stroke = stroked(book, brush, at.stroke or ((at.pointer.x, at.pointer.y),), index)
    stretches = [figure_data(figure) for figure in stroke.stretches]
    entries = [EntryView(one.text, one.away or None) for one in stroke.entries]
    return replace(view, brush=BrushView(gone, stretches, entries, list(stroke.words), stroke.why))


def _read_view(book: Book, at: Looked, index: int) -> LineView:
    """Reading by pointing: what lies under the pointer tells its measures, and a click keeps the one that is taken. A number, or
    what is wanted, typed meanwhile is what that one should be; anything else is read as if nothing were begun."""
    nothing = OpenLine("nothing", at.draft, hint="Point at a figure, a corner or a space: a click keeps what it says.")
    pointed = place_at(book, at.pointer) if at.pointer is not None else None
    view = replace(line_of(book, nothing, nothing, index, None, pointed), last=None, live=None)
    if at.pointer is None or pointed is None or view.tag is None:
        return _looked(book, replace(at, draft=None)) if at.text.strip() else view
    view = replace(view, tag=replace(view.tag, passes=named_there(book, pointed)))
    kept = readings_at(book, pointed, at.pointer, index)
    one = kept[(at.choice or 0) % len(kept)] if kept else None
    if at.text.strip():
        wanted = wanted_of(book, one, at.text, index) if one is not None else None
        if wanted is None:
            return _looked(book, replace(at, draft=None))
        if isinstance(wanted, Problem):
            return replace(view, row=at.text.strip(), problem=problem_view(book, wanted, index))
        write = EnterView("write", at.draft, wanted.text, None)
        hint = f"Enter or a click keeps it: {wanted.words}."
        return replace(
            view, row=at.text.strip(), enter=write, click=write, picks=[wanted.words], hint=hint,
            reading=reading_words(wanted.reading, book),
        )  # fmt: skip
    if one is None:
        return replace(view, unfit=area_there(book, at.pointer, index)[1] or None)
    # What is kept already is not kept twice: the tag says so beforehand.
    write_one = None if one.already else EnterView("write", at.draft, one.text, None)
    picks = [each.words for each in kept]
    return replace(
        view, reading=reading_words(one.reading, book), click=write_one, picks=picks, picked=(at.choice or 0) % len(kept)
    )


def _carry_view(book: Book, at: Looked, start: Pointer, pointer: Pointer, index: int) -> LineView:
    """What is selected, dragged from a place to a place."""
    view = line_of(book, OpenLine("nothing"), OpenLine("nothing"), index, None, None)
    try:
        found = carry(book, at.carried, start, pointer, at.copied, index)
    except Refused as refused:
        here = [pointer.x, pointer.y]
        return replace(view, carry=CarryView(here, here, [sentence(refused.problem)], ""))
    start_at, end_at = ([one.x, one.y] for one in (found.start, found.end))
    return replace(view, carry=CarryView(start_at, end_at, list(found.words), found.text))


def _pull_view(book: Book, selected: str, which: int, pointer: Pointer) -> LineView:
    """A handle being pulled: the step that changes, and all that would follow."""
    all_of_them = handles(book, selected)
    handle = all_of_them[which] if which < len(all_of_them) else None
    if handle is None:
        nothing = line_of(book, OpenLine("nothing"), OpenLine("nothing"), book.position(selected), None, place_at(book, pointer))
        return replace(nothing, last=None, live=None, handles=handles_of(all_of_them))
    line, made, follows = _pulled(book, handle, pointer)
    later = later_place(book, pointer, book.position(handle.step))
    if later is not None and made is not None and book.step_of(later.figure or "") not in {f.id for f in follows}:
        # Nothing can hang on what comes later, but it can lie where that lies now.
        line, made, follows = _pulled(book, handle, exactly_at(pointer, later.at))
    else:
        later = None
    index = book.position(handle.step)
    hand = book.in_hand(book.steps[handle.step].manner)
    said = f"as {later.words} lies now; it comes later, so nothing here follows it" if later else ""
    return replace(
        line_of(book, line, line, index, None, later or place_at(hand, pointer)),
        last=None,
        live=None,
        handles=handles_of(all_of_them),
        follows=follows,
        passed=[[p.x, p.y] for p in places_passed(book, pointer, index)],
        pull=PullView(handle.step, made.text, made.becomes, said) if made and line.do == "write" else None,
    )


def _pulled(book: Book, handle: Handle, pointer: Pointer) -> tuple[OpenLine, Pulled | None, list[FollowView]]:
    """The open line with the handle at the pointer, what would be written, and what would follow."""
    made = pulled(book, handle, pointer)
    line = read_mend(book, handle.step, made.text) if made else OpenLine("nothing")
    return line, made, _follows(book, handle.step, line, False)


def _mend_view(book: Book, at: Looked, id: str) -> LineView:
    """A step being mended: row by row where there is a draft of it, else as one line."""
    step = book.steps.get(id)
    if step is None:
        gone = OpenLine("nothing", problem=Problem("no_step"))
        return replace(line_of(book, gone, gone, len(book.order), None, None), last=None, live=None)
    index = book.position(id)
    # Its numbers go on being read, and are written, as they were when it was written.
    book = book.in_hand(step.manner)
    if at.draft is None:
        if not at.text:
            line = OpenLine("nothing", draft_of(step))
        else:
            line = with_solution(book, read_mend(book, id, at.text), at.choice, None, index, id)
        pointed = place_at(book, at.pointer) if at.pointer else None
        view = replace(line_of(book, said_first(book, line, index), line, index, None, pointed), last=None, live=None)
        return replace(view, follows=_follows(book, id, line, False))
    read = under_pointer(book, at.draft, at.text, index, at.pointer, at.choice, at.aimed)
    view = line_of(book, read.line, read.shown, index, at.draft, read.pointed, at.pointer)
    # A click states a given; the step is accepted with Enter, or by a click where nothing more can be given.
    click = enter_of(replace(read.click, do="given") if read.rows else read.click) if read.click else None
    before = before_kind(step)
    return replace(
        view,
        enter=_behind(before, view.enter),
        click=_behind(before, click) if click else None,
        picks=list(read.rows),
        picked=read.picked,
        beside=read.beside or None,
        unfit=_unfit(read),
        name=step.name,
        follows=_follows(book, id, read.shown, True),
    )


def _unfit(read: Shown) -> str | None:
    """Why the place that is likeliest meant will not do, where another one would be taken, or why nothing would."""
    if read.idle:
        return read.idle
    if read.unfit is None or read.pointed is None or not read.rows:
        return None
    return f"not what lies nearest: {sentence(read.unfit)}"


def _behind(before: str, enter: EnterView) -> EnterView:
    """What would be written, behind what stands before the kind of figure in the step."""
    return replace(enter, statement=before + enter.statement) if enter.statement else enter


def _follows(book: Book, id: str, line: OpenLine, by_rows: bool) -> list[FollowView]:
    """The steps that would change with the one being mended."""
    if line.step is None or line.do != "write":
        return []
    try:
        step = mended(book, id, before_kind(book.steps[id]) + line.statement)[0] if by_rows else line.step
    except Refused:
        return []
    after, _ = book.edited(Replace(step))
    found: list[FollowView] = []
    for one in sorted(after.changed, key=after.order.key):
        value = after.values[one]
        if one != id and value == book.values[one]:
            continue
        if isinstance(value, Problem):
            found.append(FollowView(one, None, problem_view(after, value, after.position(one))))
        else:
            # On what stands where: laid out anew only once it is written.
            found.append(FollowView(one, previewed(book, value, after.steps[one], one), None))
    return found
