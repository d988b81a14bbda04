"""Problems to sentences: the cause, and the nearest thing that would work. One entry for every kind of problem."""

from collections.abc import Callable
from typing import Any

from ..book.fits import FITS
from ..problem import Problem
from ..units import plain


def sentence(problem: Problem) -> str:
    """The problem in one sentence."""
    return SENTENCES[problem.kind](problem.fields)


def _listed(words: list[str], joint: str = "or") -> str:
    if len(words) <= 1:
        return "".join(words)
    # Before items of several words a comma keeps them apart: "length, or until and what it runs to".
    comma = "," if any(" and " in word for word in words) else ""
    return ", ".join(words[:-1]) + f"{comma} {joint} " + words[-1]


def _expected(fields: dict[str, Any]) -> str:
    words = fields["expected"]
    return _listed(words[:8]) + (" ..." if len(words) > 8 else "")


def _article(noun: str) -> str:
    """A noun with its indefinite article."""
    return f"{'an' if noun[:1] in 'aeio' else 'a'} {noun}"


def _perhaps(fields: dict[str, Any]) -> str:
    nearest = fields.get("nearest") or []
    return f": perhaps {_listed(nearest)}" if nearest else ""


def _too_large(fields: dict[str, Any]) -> str:
    value = fields["value"]
    said = "that is no number" if value != value else f"{value:.3g} is too large"
    return f"{said}: lengths and coordinates go up to 1e15"


def _needs(fields: dict[str, Any]) -> str:
    more = fields["more"]
    count = {1: "one more given", 2: "two more givens", 3: "three more givens"}.get(more, f"{more} more givens")
    could = fields["could"]
    joint = "and" if more >= len(could) else "or"
    return f"the {fields['kind']} needs {count}: {_listed(could, joint)}"


def _bad_name(fields: dict[str, Any]) -> str:
    found = fields["found"]
    reason = {
        "letters": "a name is made of letters a to z, digits and _, and begins with a letter",
        "word": "that is a word of the language",
        "bearing": "that reads as a bearing",
    }[fields["reason"]]
    return f"{found} cannot be a name: {reason}"


def _beyond_axis(fields: dict[str, Any]) -> str:
    if fields["other"] == 0.0:
        return "the place lies on the axis: it must lie beside it"
    beyond, other = plain(fields["past"]), plain(fields["other"])
    return f"no ellipse with this axis runs through that place, which lies {beyond} past its end: write other {other}"


def _bad_sweep(fields: dict[str, Any]) -> str:
    value = fields["value"]
    whole = "all the way round it is a circle: circle centre and radius draw it" if abs(value) == 360.0 else ""
    return f"a sweep of {plain(value)}° draws no arc: {whole or 'more than 0 and less than 360, either way round'}"


def _no_part(fields: dict[str, Any]) -> str:
    has = fields["has"]
    tail = f": it has {_listed(['.' + part for part in has], 'and')}" if has else ""
    return f"{fields['of'] or 'it'} has no {fields['part']}{tail}"


def _zero_length(fields: dict[str, Any]) -> str:
    return f"both ends are at {plain(fields['x'])}, {plain(fields['y'])}: a line needs some length"


def _radius_too_small(fields: dict[str, Any]) -> str:
    radius, distance, least = (plain(fields[k]) for k in ("radius", "distance", "least"))
    return f"a radius of {radius} does not span the two places: they are {distance} apart, so {least} at least"


def _no_such_side(fields: dict[str, Any]) -> str:
    there = fields["there"]
    if not there:
        return f"there is only one, so nothing is {fields['wanted']} of it"
    return f"none of them is {fields['wanted']}: there are {_listed(there, 'and')}"


def _at_most(fields: dict[str, Any]) -> str:
    most = fields.get("most") or 0.0
    return f"; {plain(most)} at most" if most > 0.0 else ""


def _hole(fields: dict[str, Any]) -> str:
    return str(fields["name"] or "what is taken away")


def _named(fields: dict[str, Any]) -> list[str]:
    return [name or "that line" for name in fields["names"]]


def _both(fields: dict[str, Any]) -> str:
    names = list(dict.fromkeys(fields.get("names") or []))
    return _listed(names, "and") if len(names) > 1 else "two of the givens"


def _infinitely_many(fields: dict[str, Any]) -> str:
    said = f"infinitely many circles touch {_listed(fields['names'], 'and')}: one more given, or another, takes one of them"
    isolated = fields.get("isolated") or []
    if not isolated:
        return said
    beside = [f"radius {plain(r)} about {plain(x)}, {plain(y)}" for x, y, r in isolated]
    return f"{said}; beside them there {'is' if len(beside) == 1 else 'are'} {_listed(beside, 'and')}"


def _separated(fields: dict[str, Any]) -> str:
    by, first, second = fields["by"], fields["first"], fields["second"]
    if fields["how"] == "either_side":
        return f"{first} and {second} lie on either side of {by}: nothing touches all three"
    return f"{first} lies inside {by} and {second} outside it: nothing touches all three"


def _radius_not_possible(fields: dict[str, Any]) -> str:
    names = _listed(_named(fields), "and")
    need = {"least": "at least", "most": "at most", "exactly": "is the only one"}[fields["how"]]
    return f"no circle of {plain(fields['radius'])} touches {names} like that: {plain(fields['nearest'])} {need}"


SENTENCES: dict[str, Callable[[dict[str, Any]], str]] = {
    # reading the text
    "unknown_sign": lambda f: f"“{f['found']}” means nothing here",
    "control_sign": lambda f: f"the sign U+{f['code']:04X} cannot be seen, nor written here",
    "too_long": lambda f: f"a statement has at most {f['longest']:,} characters",
    "too_deep": lambda f: "too many things within one another",
    "nothing_closed": lambda f: f"{f['word']} takes what is closed: a circle, an ellipse, a closed outline, or a place within",
    "bad_hatch": lambda f: f"lines stand {plain(f['least'])} to {plain(f['most'])} mm apart on paper",
    "bad_words": lambda f: f"words of 1 to {f['most']} letters can stand there" + (f", not {f['count']}" if f["count"] else ""),
    "off_paper": lambda f: f"that lies off any sheet: 0 to {plain(f['most'])} mm from its left edge, and from below",
    "no_such_sheet": lambda f: f"there is no sheet {f['number']}: the drawing has {f['count']}",
    "bad_mark": lambda f: (
        f"the mark has {f['size'] / 1e6:.1f} MB; up to {f['most'] / 1e6:.0f} MB will do"
        if f["size"] > f["most"]
        else "this file is no PNG picture; a mark is one"
    ),
    "bad_file": lambda f: f"the file cannot be read: {f['why']}" + (f" ({f['where']})" if f["where"] else ""),
    "nothing_cut": lambda f: "nothing of what was chosen can be cut" + (f": {f['why']}" if f["why"] else ""),
    "no_reading_yet": lambda f: "nothing is measured in this drawing: a reading is made with measure",
    "no_format": lambda f: f"{f['name']} ends with none of {', '.join(f['endings'])}: its ending says what a file is",
    "nothing_chosen": lambda f: "nothing of what was chosen can be written: it takes figures in ink, or construction as well",
    "no_other": lambda f: "only a reading has a dimension, and only a single dimension a reading",
    "no_centre": lambda f: "only what has a centre can be set out from edges: circles, arcs, outlines with arcs",
    "no_edges": lambda f: "there are no two straight edges in ink that cross well: draw them, or name them behind edges",
    "no_table": lambda f: "there is no setting-out table in this drawing: write one with table and the places",
    "too_many_dots": lambda f: f"that is a picture of more than {f['most'] // 1_000_000} million dots: take fewer to the inch",
    "bad_scale": lambda f: f"a scale lies between 1:{f['most']} and {f['most']}:1",
    "bad_paper": lambda f: f"a sheet is {plain(f['least'])} to {plain(f['most'])} mm wide and high",
    "no_sheet": lambda f: f"{f['name']} is no sheet",
    "no_reading": lambda f: f"{f['name']} is neither a reading nor a dimension: measure it first, and name that",
    "nothing_to_view": lambda f: f"{f['name']} is nothing that a view can show: take a figure or a detail",
    "nothing_to_tell": lambda f: f"{f['name']} has no places that could be set out",
    "open_quote": lambda f: "the quotation mark at the end is missing; a mark within is written twice",
    "one_at_a_time": lambda f: f"the {f['word']} is that of one figure: leave the others out",
    "no_dimension": lambda f: f"{f['what']} has no dimension: take {f['could']}",
    "unfinished": lambda f: f"something is missing at the end: {_expected(f)}",
    "unexpected": lambda f: f"“{f['found']}” cannot stand here: expected {_expected(f)}",
    "unknown_word": lambda f: f"“{f['found']}” is no word for the beginning of a step{_perhaps(f)}",
    "unknown_given": lambda f: (
        f"{_article(f['kind'])} has no given “{f['found']}”{_perhaps(f) or ': it takes ' + _listed(f['expected'])}"
    ),
    "stray_side": lambda f: f"“{f['found']}” belongs after the given it is about",
    "argument_count": lambda f: f"{f['function']} takes {f['fewest']}, not {f['found']}",
    "bad_name": _bad_name,
    "bad_bearing": lambda f: (
        f"{f['found']} is no bearing: 0 to 90 degrees from N or S toward E or W, minutes and seconds below 60"
    ),
    "bad_header": lambda f: f"“{f['found']}” does not say the {f['word']}: {f['expected']}",
    "sixty": lambda f: f"{plain(f['value'])} minutes or seconds: there are 60 in the next larger part",
    # givens
    "needs_given": _needs,
    "too_many_givens": lambda f: f"{f['word']} is one given too many beside {_listed(f['others'], 'and')}: strike one",
    "given_twice": lambda f: f"{f['word']} stands twice: a {f['kind']} takes one",
    "after_close": lambda f: "close ends the path: nothing can follow it",
    "needs_pointer": lambda f: "a distance alone goes toward the pointer: add a direction, as in + 9 at 180",
    "no_direction": lambda f: "the last place is there already: no direction leads to it",
    "not_yet": lambda f: f"{f['what']} cannot be drawn yet in this version",
    # numbers
    "too_large": _too_large,
    "out_of_range": lambda f: "the numbers are too large or too small to be worked with",
    "divided_by_zero": lambda f: "division by zero",
    "no_number": lambda f: f"{f['operation']} of that is no number",
    "not_a_number": lambda f: (
        f"{f['name']} is a figure, not a number: name a part of it, {_listed([f['name'] + '.' + p for p in f['has']])}"
        if f["has"]
        else f"{f['name']} is no number, and has none"
    ),
    "nothing_to_settle": lambda f: "nothing of that can be put right in one way only: look at it, and mend it by hand",
    "no_part": _no_part,
    "upper_below": lambda f: f"the upper deviation is below the lower one: the upper one is written first, as {f['turned']}",
    "no_sign": lambda f: f"a deviation has a sign: +{f['found']} or -{f['found']}",
    "no_limits_of_places": lambda f: "coordinates take no limits: dimension the distances from the edges instead",
    "hole_outside": lambda f: f"{_hole(f)} does not lie within what it is taken away from, or not wholly",
    "holes_overlap": lambda f: f"{_hole(f)} lies over what is taken away already: it would be taken away twice",
    "no_fit": lambda f: (
        f"ISO 286-1 has no {f['found']} for {plain(f['size'])} mm, but {f['sizes']}: write the limits, as +0.2 -0.1"
        if f["sizes"]
        else f"{f['found']} is no fit of ISO 286-1: there are {FITS}"
    ),
    # names
    "unknown_name": lambda f: f"there is no {f['name']} before this step{_perhaps(f)}",
    "later_name": lambda f: f"a step can only use what stands before it: {' needs '.join(f['chain'])}, which comes later",
    "name_taken": lambda f: f"there is a {f['name']} already: {f['free']} is free",
    "not_a_place": lambda f: f"{f.get('name', 'it')} is not one place: say which, such as start of {f.get('name', 'L1')}",
    "no_such_place": lambda f: f"{f['name']} has no {f['what']}",
    "no_such_edge": lambda f: (
        f"{f['name']} has the edges 1 to {f['count']}" if f["count"] else f"{f['name']} has no edges: only outlines have"
    ),
    "whole_figure": lambda f: f"an edge is a part of {f['name']}, which is shaped as a whole: name {f['name']}",
    "no_such_copy": lambda f: (
        f"{f['name']} has the copies 1 to {f['count']}" + (f", {f['row']} in each row" if f["row"] else "")
        if f["count"]
        else f"{f['name']} has no copies: only what was repeated has"
    ),
    "no_such_member": lambda f: (
        f"there is no {f['member']} in {f['name']}" + (f": it has {_listed(f['has'], 'and')}" if f["has"] else "")
    ),
    "nothing_copied": lambda f: "no figure is drawn by this",
    "unnamed": lambda f: "what is selected has no name by which it could be carried",
    "nothing_around": lambda f: "there is nothing drawn around that place",
    "too_many_around": lambda f: "there is too much around the place to be looked at by pointing: type it",
    "not_enclosed": lambda f: "the place is not closed in on all sides: what is drawn around it lets it out",
    "on_an_edge": lambda f: "the place lies on a figure: take one between them",
    "in_symbol": lambda f: f"line {f['line']} of the symbol: {sentence(f['problem'])}",
    "empty_symbol": lambda f: "the symbol draws nothing: it needs at least one figure",
    "no_symbol": lambda f: f"{f['name']} is no symbol: a symbol is a block from symbol and its name to end symbol",
    "empty_set": lambda f: "a set needs at least one figure",
    "bad_count": lambda f: f"{plain(f['value'])} times will not do: a whole number from 1 to {f['most']:,}",
    "only_in_rows": lambda f: "rows have a step: about a place, or along a figure, say 15 times",
    "steps_and_rows": lambda f: (
        "in rows there are two steps, with ; between" if f["count"] > 1 else "one row has one step: for more say 5 by 3"
    ),
    "no_such_corner": lambda f: f"{f['name']} has the corners 1 to {f['count']}",
    "not_a_figure": lambda f: "a number has no place in the drawing to measure from",
    # figures
    "zero_length": _zero_length,
    "bad_radius": lambda f: f"a radius of {plain(f['value'])} draws no circle: it must be more than 0",
    "bad_sweep": _bad_sweep,
    "bad_axis": lambda f: f"a half axis of {plain(f['value'])} draws no ellipse: it must be more than 0",
    "beyond_axis": _beyond_axis,
    "bad_rise": lambda f: f"a rise of {plain(f['value'])} draws no arc: it must be more than 0; left or right says to which side",
    "bad_size": lambda f: "a rectangle needs some length along and across",
    "bad_sides": lambda f: f"a polygon of {plain(f['value'])} sides: a whole number from 3 to {f['most']:,}",
    "same_places": lambda f: "two of the places are one: they must lie apart",
    "in_line": lambda f: "the three places lie in a line: no circle goes through them",
    "radius_too_small": _radius_too_small,
    "straight_ahead": lambda f: "the place lies straight ahead or behind: a line leads there, no arc does",
    "no_direction_from_centre": lambda f: "the end lies on the centre: no direction leads to it",
    "not_joined": lambda f: f"{f['first']} and {f['second']} do not meet: their ends are {plain(f['gap'])} apart",
    "no_piece": lambda f: "only lines, arcs, parts of ellipses and outlines can be joined",
    "closed_piece": lambda f: f"{f['name']} is closed: it has no end to join at",
    "not_apart": lambda f: f"{f['name']} is one piece: only an outline can be taken apart",
    "no_piece_before": lambda f: "there is no piece before it to leave tangentially: say curve via or curve radius",
    "no_tip": lambda f: "it has no end to go on from: only lines, arcs and outlines have",
    "no_traverse": lambda f: "a traverse is a path of straight legs: this is none",
    "not_closed": lambda f: f"it is not closed: its ends are {plain(f['gap'])} apart",
    "no_area": lambda f: "it encloses nothing: areas are of circles, ellipses and closed outlines",
    # touching
    "touched_twice": lambda f: f"{_both(f)} are the same figure: what touches one touches the other, so one given is missing",
    "infinitely_many": _infinitely_many,
    "separated": _separated,
    "three_parallel": lambda f: f"{_listed(f['names'], 'and')} are parallel: nothing touches all three",
    "one_place": lambda f: f"{_listed(f['names'], 'and')} go through one place: only that place touches all three",
    "only_itself": lambda f: f"{f['name']} touches {f['first']} and {f['second']} itself, and nothing else touches all three",
    "nothing_touches": lambda f: f"nothing touches {_listed(_named(f), 'and')} as they lie",
    "radius_not_possible": _radius_not_possible,
    "inside_other": lambda f: f"{f['inner']} lies inside {f['outer']}: nothing touches both from those sides",
    "not_on": lambda f: (
        f"the place is not on {f['name']}: it lies {plain(f['gap'])} beside it; write nearest to it on {f['name']}"
    ),
    "no_touch": lambda f: f"{f['name']} cannot be touched: places, lines, circles and arcs can",
    "ellipse_givens": lambda f: (
        f"a circle that touches {f['name']} wants a radius and one more figure, two more figures, or its centre"
    ),
    "centre_on_it": lambda f: f"the centre lies on {_listed(_named(f), 'and')}: no circle about it touches that line",
    "concentric": lambda f: (
        f"{_listed(_named(f), 'and')} {'have' if len(_named(f)) > 1 else 'has'} the same centre: nothing touches there"
    ),
    "one_inside_other": lambda f: f"{f['inner']} lies {plain(f['gap'])} inside {f['outer']}: no line touches both",
    "inside_ellipse": lambda f: f"the place lies inside {f['name']}: no tangent leads from there",
    "line_touches_line": lambda f: "a line touches circles, arcs and ellipses, not another line",
    "never_touches": lambda f: f"no arc that leaves there touches {f['name']}",
    "no_trim": lambda f: f"{f['name']} cannot be trimmed to a corner: lines with ends and arcs can; write it without trimmed",
    "no_offset": lambda f: (
        f"what lies beside {f['name']} is no ellipse, nor anything that could be drawn exactly: only lines and arcs can be offset"
    ),
    "nothing_left": lambda f: (
        f"nothing is left so far beside {f['name']}" + (f": less than {plain(f['most'])} leaves something" if f["most"] else "")
    ),
    "no_corner": lambda f: "there is no corner: the two go on into one another",
    "no_corners": lambda f: f"{f['name']} has no corners: its pieces go on into one another",
    "none_fits": lambda f: f"it fits at no corner of {f['name']}{_at_most(f)}",
    "does_not_fit": lambda f: f"it does not fit there: the two pieces are too short for it{_at_most(f)}",
    "no_rounding": lambda f: "a corner of an ellipse cannot be rounded exactly: a chamfer can cut it off",
    "past_its_end": lambda f: (
        f"nothing of {f['name']} leads away from there: it would be cut past its end: make it smaller, or say left or right"
    ),
    "no_corner_there": lambda f: "the two figures do not cross: there is no corner to cut off",
    "one_corner": lambda f: "it is of two figures, or of one corner of an outline",
    "end_of_outline": lambda f: f"{f['name']} ends there: that is no corner",
    "bad_angle": lambda f: f"an angle of {plain(f['value'])}° cuts nothing off: more than 0 and less than 180",
    # where two meet
    "same_locus": lambda f: f"{f['first']} and {f['second']} lie on each other: no single place is theirs",
    "loci_apart": lambda f: f"{f['first']} and {f['second']} do not meet: {plain(f['gap'])} lies between them",
    "bad_length": lambda f: f"a length of {plain(f['value'])} will not do: more than 0",
    "unread_direction": lambda f: f"{f['found']} is no direction: 22.5, 12°30' or N 45 E would be one",
    "unread_number": lambda f: f"{f['found'] or 'nothing'} is no number: 2.5, 1/8in or 140 - 16 would be one",
    "bad_step": lambda f: f"{plain(f['value'])} will not do: 0 to {plain(f['most'])}",
    "length_too_short": lambda f: (
        f"no line of {plain(f['length'])} reaches it: it lies {plain(f['least'])} away, so {plain(f['least'])} at least"
    ),
    "until_apart": lambda f: f"in that direction it never meets what it is to run to: {plain(f['gap'])} lies between them",
    "parallel": lambda f: f"{f['first']} and {f['second']} are parallel: they never cross",
    "no_crossing": lambda f: f"{f['first']} and {f['second']} do not cross: {plain(f['gap'])} lies between them",
    "inside": lambda f: f"the place lies {plain(f['gap'])} inside {f['name']}: no tangent leads from there",
    "no_tangent": lambda f: f"tangents touch circles and arcs; {f['name']} is neither",
    "every_direction": lambda f: "the place is the centre: every direction is square to the circle there",
    "on_line": lambda f: "the place lies on the line already: nothing leads square to it",
    "past_end": lambda f: f"{f['name']} is {plain(f['length'])} long: {plain(f['distance'])} lies past its end",
    "no_along": lambda f: f"it is {plain(f['length'])} long and has no continuation past its end",
    "no_curve": lambda f: f"{f['name']} is neither a line nor a circle, an arc or an ellipse",
    "no_line": lambda f: f"{f['word']} wants a line",
    "bad_factor": lambda f: f"a factor of {plain(f['value'])} will not do: more than 0; mirror turns a figure over",
    "not_cut": lambda f: f"{f['name']} cannot be shaped by {f['word']}: lines, circles, arcs, ellipses and outlines can",
    "no_ends": lambda f: "it has no ends: name a place on it",
    "endless": lambda f: f"{f['name']} has no ends, and what is left of it would have one: keep the stretch that is wanted",
    "all_gone": lambda f: f"nothing of {f['name']} would be left: strike its step, or leave some of it",
    "two_cuts": lambda f: f"{f['name']} is closed: it falls apart only when it is cut at two places",
    "at_its_end": lambda f: f"{f['name']} ends there already: nothing would be cut off",
    "whole_already": lambda f: f"{f['name']} is whole already",
    "no_whole": lambda f: f"{f['name']} is no part of a whole: arcs and parts of ellipses can be made whole",
    "no_end_to_extend": lambda f: f"{f['name']} has no end to bring on: lines, arcs, parts of ellipses and open outlines have",
    "too_short": lambda f: f"{f['name']} is {plain(f['length'])} long there: nothing of it would be left",
    "full_circle": lambda f: f"{f['name']} would run into itself: {plain(f['most'])} closes it, and less than that can be added",
    "turned_over": lambda f: f"nothing of {f['name']} would be left up to there: its other end lies there, or beyond",
    "never_reaches": lambda f: f"{f['name']} never meets {f['to']}, however far it goes on",
    "one_figure": lambda f: f"{f['word']} takes one figure at a time: write another step for this one",
    "draws_nothing": lambda f: f"{f['word']} draws nothing that could have a name",
    "no_pencilling": lambda f: f"what is inked over stays in pencil: write ink {f['name']}, or pen pencil {f['name']}",
    "no_new_figure": lambda f: f"{f['name']} keeps its name: nothing else comes of {f['word']}",
    "no_such_result": lambda f: (
        f"there is no {f['name']} now: {'one figure comes' if f['count'] == 1 else str(f['count']) + ' figures come'} of the step"
    ),
    "named_twice": lambda f: f"{f['name']} stands there twice: once is enough",
    "names_kept": lambda f: (
        f"{_listed(f['names'], 'and')} {'keep their names' if len(f['names']) > 1 else 'keeps its name'}:"
        f" write keeping at the end for new figures with names of their own"
    ),
    "too_many_names": lambda f: f"{'one figure comes' if f['count'] == 1 else str(f['count']) + ' figures come'} of it, no more",
    "not_shaped": lambda f: f"{f['name']} is a number: {f['word']} takes figures",
    "no_mirror": lambda f: "a mirror is a line, or two places",
    "no_axis": lambda f: "only an ellipse has axes",
    "no_such_axis": lambda f: "an ellipse has the axes 1 and 2",
    "no_portion": lambda f: f"{f['name']} cuts nothing off: an arc or a part of an ellipse has a segment and a sector",
    "no_length": lambda f: f"{f['name']} has no length",
    "not_stated": lambda f: f"no given of this figure could give way to a {f['word']}",
    "no_square": lambda f: "a line square to two figures wants a circle or an arc among them: state where it begins instead",
    "no_end": lambda f: f"{f['name']} has no end to go past: only lines and arcs have",
    "no_rim": lambda f: f"{f['name']} is no circle or arc",
    "no_angle": lambda f: "an angle is between two lines, or at the middle one of three places",
    "no_bisector": lambda f: "bisecting takes two places or two lines",
    "no_distance": lambda f: f"a distance from {f['name']}: name a place, a round figure for its centre, or a line",
    "no_such_side": _no_such_side,
    "no_such_solution": lambda f: f"there {'is' if f['count'] == 1 else 'are'} {f['count']} to choose from",
    "no_pieces": lambda f: "an outline needs at least one piece",
    # steps and edits
    "waits": lambda f: f"waits for {f['on']}",
    "waits_for_last": lambda f: f"waits for {f['on'] or 'the step before'}: it counts from the place that puts down",
    "off": lambda f: "switched off",
    "other_count": lambda f: f"it gives {f['count']} names, {f['names']}: as many are wanted, with a blank between",
    "no_name": lambda f: "that step defines nothing, so it has no name",
    "needs_server": lambda f: "this waits for the connection: it is about what others may have done since",
    "over_budget": lambda f: f"this takes longer than {f['seconds']:g} s to work out: name fewer figures, or simpler ones",
    "same_state": lambda f: "the drawing is as it was then; there is nothing to bring back",
    "not_measured": lambda f: "this step is no reading: only what is measured hangs on typed numbers",
    "no_step": lambda f: "that step is no longer in the book",
    "step_twice": lambda f: "that step is in the book already",
    "nothing_to_undo": lambda f: "nothing left to undo",
    "nothing_to_redo": lambda f: "nothing left to redo",
    "bad_edit": lambda f: f"this is no change of a book: {f['reason']}",
}
