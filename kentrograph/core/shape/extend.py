"""An end of a figure brought further, or back, along its own line, circle or ellipse."""

from collections.abc import Sequence
from dataclasses import replace
from math import degrees
from typing import Any, NamedTuple, assert_never

from ..construct.outlines import reversed_piece
from ..figures import Arc, Circle, Curve, Ellipse, Figure, Line, Outline, Piece, Point
from ..figures.along import ellipse_angle, place_along
from ..intersect import intersect_long, nearest
from ..intersect.supporting_curves import supporting_curve
from ..intersect.within import distance_along, swept, within
from ..problem import refusal
from .stretch import cut_at, is_closed, same_cut

Open = Piece


class Reached(NamedTuple):
    """A figure with an end brought to a place; the sign of that place among others, and what is to be known of it."""

    figure: Figure
    sign: str = ""
    note: str = ""


def extended_by(figure: Any, at_end: bool, length: float, name: str) -> Figure:
    """An end brought on by a length; back by one below 0. Raises `Refused`: no_end_to_extend; too_short; full_circle."""
    return _at(figure, at_end, name, lambda piece: _longer(piece, length, name))


def extended_to_place(figure: Any, at_end: bool, place: Point, name: str) -> Figure:
    """An end brought level with a place: to its foot on the line; to its direction from the centre of an arc or an ellipse.

    Raises `Refused`: no_end_to_extend; turned_over where the line would run backwards; same_places.
    """
    return _at(figure, at_end, name, lambda piece: _ending_level(piece, place, name))


def extended_to_figure(figure: Any, at_end: bool, other: Any, name: str, to: str) -> Sequence[Reached]:
    """An end brought to where the figure, going on as itself, meets another one: what lies ahead first, the nearest before
    the others, then what lies back on it, the nearest to the end first. What is drawn of the other goes before what is not.

    Raises `Refused`: no_end_to_extend; no_curve; no_crossing where they never meet.
    """
    last = _last(figure, at_end, name)
    found: list[tuple[bool, bool, float, Reached]] = []
    for at, sign, past in _meetings(last, other, to):
        turn = _past_end(last, at)
        if turn is None:
            continue
        made = _put_back(figure, at_end, _ending(last, at))
        found.append((past, turn < 0.0, abs(turn), Reached(made, sign, f"past the end of {to}" if past else "")))
    if not found:
        raise refusal("never_reaches", name=name, to=to)
    found.sort(key=lambda one: one[:3])
    return [one for *_, one in found]


def _at(figure: Any, at_end: bool, name: str, change: Any) -> Figure:
    return _put_back(figure, at_end, change(_last(figure, at_end, name)))


def _last(figure: Any, at_end: bool, name: str) -> Open:
    """The piece at an end, run so that the end is its own. Raises `Refused` (no_end_to_extend)."""
    piece: Any = figure
    if isinstance(figure, Outline):
        piece = figure.pieces[-1 if at_end else 0]
    if not isinstance(piece, Piece) or is_closed(figure):
        raise refusal("no_end_to_extend", name=name)
    return piece if at_end else reversed_piece(piece)


def _put_back(figure: Any, at_end: bool, piece: Open) -> Figure:
    made = piece if at_end else reversed_piece(piece)
    if not isinstance(figure, Outline):
        return made
    return replace(figure, pieces=(*figure.pieces[:-1], made) if at_end else (made, *figure.pieces[1:]))


def _longer(piece: Open, length: float, name: str) -> Open:
    whole = piece.length + length
    if not whole > 0.0:
        raise refusal("too_short", name=name, length=piece.length)
    match piece:
        case Line(start):
            return Line(start, place_along(piece, whole))
        case Arc(centre, radius, start, _, sweep):
            turn = degrees(whole / radius)
            if turn >= 360.0:
                raise refusal("full_circle", name=name, most=Circle(centre, radius).length - piece.length)
            return Arc(centre, radius, start, place_along(piece, whole), turn if sweep > 0.0 else -turn)
        case Ellipse():
            full = replace(piece, begin=0.0, sweep=360.0).length
            if whole >= full:
                raise refusal("full_circle", name=name, most=full - piece.length)
            # Run the other way an ellipse is as long as its mirror image, which begins at the opposite angle.
            sense = 1.0 if piece.sweep > 0.0 else -1.0
            begin = sense * piece.begin
            stop = ellipse_angle(replace(piece, begin=begin, sweep=360.0), whole)
            return replace(piece, sweep=sense * (stop - begin))
        case _:
            assert_never(piece)


def _ending_level(piece: Open, place: Point, name: str) -> Open:
    whole = supporting_curve(piece)
    foot = nearest(whole, place)
    past = _past_end(piece, foot)
    if past is None:
        raise refusal("turned_over", name=name)
    if isinstance(piece, Arc) and (place.x, place.y) == (piece.centre.x, piece.centre.y):
        raise refusal("no_direction_from_centre")
    return _ending(piece, foot)


def _meetings(last: Open, other: Any, to: str) -> list[tuple[Point, str, bool]]:
    """Where the whole of a piece meets another figure: the place, its sign, and whether it lies past what is drawn of that."""
    along = supporting_curve(last)
    pieces = other.pieces if isinstance(other, Outline) else (other,)
    found: list[tuple[Point, str, bool]] = []
    for piece in pieces:
        if not isinstance(piece, Curve):
            raise refusal("no_curve", name=to)
        for spot in intersect_long(along, piece).spots:
            past = not within(piece, spot.at)
            if not (past and isinstance(other, Outline)):
                found.append((spot.at, spot.sign, past))
    return found


def _past_end(piece: Open, at: Point) -> float | None:
    """How far a place on the whole figure lies past the end of a piece: a length on a line, degrees of turn else; less than
    0 where it lies back on the piece; None where nothing of the piece would be left."""
    if isinstance(piece, Line):
        along = distance_along(piece, at)
        return along - piece.length if along > 0.0 and cut_at(piece, at).along > 0.0 else None
    turn = _turn_to(piece, at)
    if turn is None:
        return None
    # What lies off the piece lies ahead, all the way round to its start.
    return turn - abs(piece.sweep)


def _turn_to(piece: Arc | Ellipse, at: Point) -> float | None:
    """Degrees from the start of a piece to a place, as it sweeps; None where that is nothing or a whole turn."""
    whole = supporting_curve(piece)
    assert isinstance(whole, Circle | Ellipse)
    if same_cut(whole, cut_at(whole, at), cut_at(whole, piece.start)):
        return None
    return swept(piece, at) if isinstance(piece, Arc) else piece.past_begin(piece.angle_at(at.x, at.y))


def _ending(piece: Open, at: Point) -> Open:
    """A piece that ends at a place on its whole figure."""
    if isinstance(piece, Line):
        return Line(piece.start, at)
    turn = _turn_to(piece, at)
    if turn is None:
        raise refusal("same_places")
    signed = turn if piece.sweep > 0.0 else -turn
    if isinstance(piece, Arc):
        return Arc(piece.centre, piece.radius, piece.start, at, signed)
    return replace(piece, sweep=signed)
