"""The table as it is shown for what is in hand: read, with the pointer where it is, mended, pulled, carried, stroked.

`look` is the one reading of it: what it shows is what its outcomes do.
"""

from dataclasses import replace

from ..book.book import Book
from ..book.edits import Replace
from ..book.kinds import STATEMENT_KINDS
from ..language.messages import sentence
from ..language.report import figure_data
from ..problem import Problem, Refused
from ..sheet.at_table import annotation_at
from .acts import Mend, Write, WriteAll
from .afterwards import joining, said_first
from .brush import Brush, offered_join, stroked, strokes
from .carrying import carry
from .desk import Desk
from .draft import READING, Draft
from .draft_from import before_kind, draft_of
from .dragging import dragged
from .hand import Hand
from .handles.handle import Handle
from .hover import hover_measures
from .intents import mended
from .line_parts import handles_of, line_of
from .open_line import OpenLine, read_mend, read_open_line
from .outcomes import Outcome, leaving_outcome, mend_outcome, outcome_of
from .picks import Shown, under_pointer
from .pointer import Pointer
from .pointing import Pointed, exactly_at, later_place, place_at, places_passed, with_solution
from .pulling import Pulled, handles, pulled
from .read_at import area_there, named_there, readings_at, wanted_of
from .view_types import BrushView, CarryView, FollowView, LineView, PullView, TagView
from .views import previewed, problem_view, reading_words


def look(book: Book, hand: Hand, seq: int = 0) -> LineView:
    """What is shown for what is in hand, and what can be done with it, on the book as it stands; ``seq`` is returned with it."""
    view = _looked(book, hand)
    return replace(view, better=_better(hand, view), seq=seq)


def cut_short(book: Book, hand: Hand, seconds: float, seq: int = 0) -> LineView:
    """The answer to what would have taken longer to look at: nothing of it is shown, and nothing would be entered."""
    problem = Problem("over_budget", {"seconds": seconds}, 0, len(hand.text))
    return replace(_looked(book, Hand()), problem=problem_view(book, problem, len(book.order)), hint="", seq=seq)


def _better(hand: Hand, view: LineView) -> Outcome | None:
    """What would work is put into the row. Another kind of figure takes the place of what is begun."""
    words = view.problem.suggested if view.problem is not None else None
    if not words:
        return None
    other = hand.mend is None and words.split()[0] in STATEMENT_KINDS
    return Outcome(do="type", draft=None if other else hand.draft, statement=words)


def _looked(book: Book, hand: Hand) -> LineView:
    if hand.mend is not None:
        # What is read by pointing mends no step.
        reading = hand.draft is not None and hand.draft.kind == READING
        return _mend_view(book, replace(hand, draft=None) if reading else hand, hand.mend)
    chosen = book.step_of(hand.selected[0]) if hand.selected else ""
    if hand.pull is not None and hand.pointer is not None and chosen in book.steps:
        return _pull_view(book, hand, chosen, hand.pull, hand.pointer)
    index = book.index_before(hand.in_front_of if hand.in_front_of in book.order else None)
    desk = Desk(book, hand, index)
    if hand.draft is not None and hand.draft.kind == READING:
        return _read_view(desk)
    if hand.carry is not None and hand.pointer is not None:
        return _carry_view(desk)
    if hand.draft is not None and not hand.draft.rows and not hand.text.strip() and strokes(hand.draft.kind):
        return _brush_view(desk, hand.draft)
    desk, read = dragged(desk) or (desk, under_pointer(desk))
    hand = desk.hand
    shown = handles(book, chosen) if chosen in book.steps and hand.draft is None and not hand.text else []
    line = line_of(desk, read.line, read.shown, read.pointed)
    nothing = hand.draft is None and not hand.text
    if nothing and line.tag is not None and read.pointed is not None:
        line = replace(line, tag=_seen_there(book, line.tag, read.pointed, hand.pointer))
    click = outcome_of(desk, read.click, read.beside) if read.click is not None else None
    if nothing:
        click = Outcome(do="select", figure=line.tag.figure if line.tag is not None else None)
    return replace(
        line,
        # With something typed a click that states nothing else is Enter.
        click=line.enter if click is None and hand.text.strip() and line.enter.do != "nothing" else click,
        leave=leaving_outcome(desk),
        handles=handles_of(shown),
        picks=read.rows,
        picked=read.picked,
        unfit=_unfit(read),
    )


def _seen_there(book: Book, tag: TagView, pointed: Pointed, pointer: Pointer | None) -> TagView:
    """The tag while nothing is written: the measures of the figure there or, where there is none, what stands there on paper."""
    id = annotation_at(book, pointer.x, pointer.y, pointer.reach / 2.0) if tag.figure is None and pointer is not None else None
    if id is None:
        return replace(tag, told=hover_measures(book, pointed))
    step = book.steps[id]
    return replace(
        tag,
        words=step.name,
        figure=id,
        of_figure=True,
        told=(f"{step.name}: {step.statement.text[step.statement.kind_start :]}",),
    )


def _brush_view(desk: Desk, draft: Draft) -> LineView:
    """A kind that is done by pointing at stretches: what is under the pointer, or under a stroke, as it would be then."""
    book, hand, index, pointer = desk.book, desk.hand, desk.index, desk.pointer
    line = read_open_line(book, draft, "", index)
    # Nothing that is stroked over is held level: the key means the whole figure here.
    brush = Brush(draft.kind, pointer.reach, pointer.level, pointer.snapping.ink_only) if pointer else Brush(draft.kind, 0.0)
    join = offered_join(book) if brush.inks and index == len(book.order) else ""
    if join:
        line = joining(book, line, join)
    view = replace(line_of(desk, line, line, None), last=None, live=None, preview=None, box=None)
    if pointer is None:
        return view
    stroke = stroked(book, brush, hand.stroke or ((pointer.x, pointer.y),), index)
    stretches = [figure_data(figure) for figure in stroke.stretches]
    entries = tuple(stroke.entries)
    click = Outcome(do="nothing", draft=draft, why=stroke.why)
    if entries:
        act = WriteAll(do="write_all", id=hand.id, entries=entries, in_front_of=hand.in_front_of, pen=hand.pen)
        click = Outcome(do="write", act=act, draft=draft)
    return replace(view, click=click, brush=BrushView(not brush.inks, stretches, entries, list(stroke.words), stroke.why))


def _read_view(desk: Desk) -> LineView:
    """Reading by pointing: what lies under the pointer tells its measures, and a click keeps the one that is taken. A number, or
    what is wanted, typed meanwhile is what that one should be; anything else is read as if nothing were begun."""
    book, hand, index = desk.book, desk.hand, desk.index
    nothing = OpenLine("nothing", hand.draft, hint="Point at a figure, a corner or a space: a click keeps what it says.")
    pointed = place_at(book, hand.pointer) if hand.pointer is not None else None
    view = replace(line_of(desk.but(draft=None), nothing, nothing, pointed), last=None, live=None)
    if hand.pointer is None or pointed is None or view.tag is None:
        return _looked(book, replace(hand, draft=None)) if hand.text.strip() else view
    view = replace(view, tag=replace(view.tag, passes=named_there(book, pointed)))
    kept = readings_at(book, pointed, hand.pointer, index)
    one = kept[(hand.choice or 0) % len(kept)] if kept else None
    if hand.text.strip():
        wanted = wanted_of(book, one, hand.text, index) if one is not None else None
        if wanted is None:
            return _looked(book, replace(hand, draft=None))
        if isinstance(wanted, Problem):
            return replace(view, row=hand.text.strip(), problem=problem_view(book, wanted, index))
        write = _kept(hand, wanted.text)
        hint = f"Enter or a click keeps it: {wanted.words}."
        return replace(
            view, row=hand.text.strip(), enter=write, click=write, picks=(wanted.words,), hint=hint,
            reading=reading_words(wanted.reading, book),
        )  # fmt: skip
    if one is None:
        return replace(view, unfit=area_there(book, hand.pointer, index)[1] or None)
    # What is kept already is not kept twice: the tag says so beforehand.
    click = None if one.already else _kept(hand, one.text)
    picks = tuple(each.words for each in kept)
    return replace(
        view, reading=reading_words(one.reading, book), click=click, picks=picks, picked=(hand.choice or 0) % len(kept)
    )


def _kept(hand: Hand, text: str) -> Outcome:
    """A reading is written, and reading goes on."""
    act = Write(do="write", text=text, id=hand.id, in_front_of=hand.in_front_of)
    return Outcome(do="write", act=act, draft=Draft(READING, again=True), statement=text)


def _carry_view(desk: Desk) -> LineView:
    """What is selected, dragged from a place to a place."""
    book, hand = desk.book, desk.hand
    view = line_of(desk.but(draft=None), OpenLine("nothing"), OpenLine("nothing"), None)
    start, pointer, carried = hand.carried_from, hand.pointer, hand.carry
    assert start is not None
    assert pointer is not None
    assert carried is not None
    try:
        found = carry(book, carried.figures, start, pointer, carried.copied, desk.index)
    except Refused as refused:
        here, why = [pointer.x, pointer.y], sentence(refused.problem)
        return replace(view, carry=CarryView(here, here, [why]), click=Outcome(do="nothing", why=why))
    act = Write(do="write", text=found.text, id=hand.id, in_front_of=hand.in_front_of, pen=hand.pen)
    start_at, end_at = ([one.x, one.y] for one in (found.start, found.end))
    return replace(
        view,
        carry=CarryView(start_at, end_at, list(found.words)),
        click=Outcome(do="write", act=act, draft=hand.draft, statement=found.text),
    )


def _pull_view(book: Book, hand: Hand, selected: str, which: int, pointer: Pointer) -> LineView:
    """A handle being pulled: the step that changes, and all that would follow."""
    hand = replace(hand, draft=None)
    all_of_them = handles(book, selected)
    handle = all_of_them[which] if which < len(all_of_them) else None
    if handle is None:
        desk = Desk(book, hand, book.position(selected))
        nothing = line_of(desk, OpenLine("nothing"), OpenLine("nothing"), place_at(book, pointer))
        return replace(nothing, last=None, live=None, handles=handles_of(all_of_them))
    line, made, follows = _pulled(book, handle, pointer)
    later = later_place(book, pointer, book.position(handle.step))
    if later is not None and made is not None and book.step_of(later.figure or "") not in {f.id for f in follows}:
        # Nothing can hang on what comes later, but it can lie where that lies now.
        line, made, follows = _pulled(book, handle, exactly_at(pointer, later.at))
    else:
        later = None
    index = book.position(handle.step)
    there = book.in_hand(book.steps[handle.step].manner)
    said = f"as {later.words} lies now; it comes later, so nothing here follows it" if later else ""
    good = made is not None and line.do == "write"
    click = Outcome(do="nothing")
    if made is not None and line.do == "write":
        same = made.text == book.steps[handle.step].statement.text
        act = None if same else Mend(do="mend", id=handle.step, text=made.text)
        click = Outcome(do="write", act=act, statement=made.text)
    return replace(
        line_of(Desk(book, hand, index), line, line, later or place_at(there, pointer)),
        last=None,
        live=None,
        click=click,
        handles=handles_of(all_of_them),
        follows=follows,
        passed=[[p.x, p.y] for p in places_passed(book, pointer, index)],
        pull=PullView(made.becomes, said) if made is not None and good else None,
    )


def _pulled(book: Book, handle: Handle, pointer: Pointer) -> tuple[OpenLine, Pulled | None, list[FollowView]]:
    """The open line with the handle at the pointer, what would be written, and what would follow."""
    made = pulled(book, handle, pointer)
    line = read_mend(book, handle.step, made.text) if made else OpenLine("nothing")
    return line, made, _follows(book, handle.step, line, False)


def _mend_view(book: Book, hand: Hand, id: str) -> LineView:
    """A step being mended: row by row where there is a draft of it, else as one line."""
    step = book.steps.get(id)
    if step is None:
        gone = OpenLine("nothing", problem=Problem("no_step"))
        return replace(line_of(Desk(book, replace(hand, draft=None), len(book.order)), gone, gone, None), last=None, live=None)
    index = book.position(id)
    # Its numbers go on being read, and are written, as they were when it was written.
    book = book.in_hand(step.manner)
    desk = Desk(book, hand, index)
    if hand.draft is None:
        if not hand.text:
            line = OpenLine("nothing", draft_of(step))
        else:
            line = with_solution(book, read_mend(book, id, hand.text), hand.choice, None, index, id)
        pointed = place_at(book, hand.pointer) if hand.pointer else None
        first = said_first(book, line, index)
        view = replace(line_of(desk, first, line, pointed), last=None, live=None)
        enter = mend_outcome(desk, first, "")
        return replace(view, enter=enter, click=enter, follows=_follows(book, id, line, False))
    before = before_kind(step)
    picking = hand.opened and hand.aimed and hand.pointer is not None
    read = under_pointer(desk.but(text="") if picking else desk)
    view = line_of(desk, read.line, read.shown, read.pointed)
    follows = _follows(book, id, read.shown, True)
    enter = mend_outcome(desk, read_open_line(book, hand.draft, hand.text, index) if picking else read.line, before)
    click = read.click
    if click is not None and read.rows and not (picking and follows and click.statement):
        # A click states a given; the step is accepted with Enter, or by a click where nothing more can be given.
        click = replace(click, do="given")
    stated = mend_outcome(desk, click, before) if click is not None else None
    return replace(
        view,
        enter=enter,
        click=enter if stated is None and hand.text.strip() and not picking else stated,
        picks=read.rows,
        picked=read.picked,
        unfit=_unfit(read),
        name=step.name,
        follows=follows,
    )


def _unfit(read: Shown) -> str | None:
    """Why the place that is likeliest meant will not do, where another one would be taken, or why nothing would."""
    if read.idle:
        return read.idle
    if read.unfit is None or read.pointed is None or not read.rows:
        return None
    return f"not what lies nearest: {sentence(read.unfit)}"


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
