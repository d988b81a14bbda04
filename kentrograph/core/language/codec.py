"""Steps, edits and headers as plain data, and back: what is stored and sent."""

from typing import Any

from ..angles import Convention
from ..book.edits import Delete, Edit, Insert, Move, Replace, SetHeader, Several
from ..book.manner import Conventions, Datum, Header
from ..book.step import Step
from ..problem import refusal
from .script import read

Data = dict[str, Any]


def manner_data(manner: Conventions) -> Data:
    """A manner as data."""
    d = manner.datum
    return {
        "unit": manner.unit,
        "zero": manner.convention.zero,
        "clockwise": manner.convention.clockwise,
        "datum": [d.x, d.y, d.turn],
    }


def manner_from(data: Data) -> Conventions:
    """A manner from data."""
    return Conventions(data["unit"], Convention(data["zero"], data["clockwise"]), Datum(*data["datum"]))


def header_data(header: Header) -> Data:
    """A header as data."""
    return {**manner_data(header.manner), "decimals": header.decimals, "parts": header.parts, "bearings": header.bearings}


def header_from(data: Data) -> Header:
    """A header from data; older ones know neither parts of an inch nor bearings."""
    return Header(manner_from(data), data["decimals"], data.get("parts", 0), data.get("bearings", False))


def step_data(step: Step) -> Data:
    """A step as data; its text says all about its statement."""
    return {
        "id": step.id,
        "name": step.name,
        "dealt": step.dealt,
        "text": step.statement.text,
        "manner": manner_data(step.manner),
        "hidden": step.hidden,
        "off": step.off,
    }


def step_from(data: Data) -> Step:
    """A step from data; one whose text cannot be read says so when it is evaluated."""
    manner = manner_from(data["manner"])
    return Step(data["id"], data["name"], data["dealt"], read(data["text"]), manner, data["hidden"], data["off"])


def statement_data(step: Step) -> list[Data]:
    """The givens of a step as data, for queries of the database."""
    text = step.statement.text
    return [{"word": g.word, "text": text[g.start : g.end], "sides": list(g.sides)} for g in step.statement.givens]


def edit_data(edit: Edit) -> Data:
    """An edit as data."""
    match edit:
        case Insert(step, in_front_of):
            return {"op": "insert", "in_front_of": in_front_of, "step": step_data(step)}
        case Delete(id):
            return {"op": "delete", "id": id}
        case Replace(step):
            return {"op": "replace", "step": step_data(step)}
        case Move(id, in_front_of):
            return {"op": "move", "id": id, "in_front_of": in_front_of}
        case SetHeader(header):
            return {"op": "header", "header": header_data(header)}
        case Several(edits):
            return {"op": "several", "edits": [edit_data(e) for e in edits]}


def edit_from(data: Data) -> Edit:
    """An edit from data."""
    match data["op"]:
        case "insert":
            return Insert(step_from(data["step"]), data["in_front_of"])
        case "delete":
            return Delete(data["id"])
        case "replace":
            return Replace(step_from(data["step"]))
        case "move":
            return Move(data["id"], data["in_front_of"])
        case "header":
            return SetHeader(header_from(data["header"]))
        case "several":
            return Several(tuple(edit_from(e) for e in data["edits"]))
        case op:
            raise refusal("bad_edit", reason=f"{op} is not known")
