"""Edits done to steps as plain data, nothing of them evaluated: what the log says a drawing was."""

from typing import Any

from ..book.manner import Header
from ..book.step import Step
from ..problem import refusal
from .codec import header_from, step_from

Data = dict[str, Any]


class Replayed:
    """The steps of a drawing, in order, and its header, all as data."""

    def __init__(self, header: Data, steps: list[Data]) -> None:
        self.header = header
        self.steps = {step["id"]: step for step in steps}
        self.order = [step["id"] for step in steps]

    def edited(self, edit: Data) -> None:
        """Does an edit. Raises `Refused` (bad_edit) for one that is not known."""
        match edit["op"]:
            case "several":
                for one in edit["edits"]:
                    self.edited(one)
            case "insert":
                self.steps[edit["step"]["id"]] = edit["step"]
                self._put(edit["step"]["id"], edit["in_front_of"])
            case "delete":
                self.order.remove(edit["id"])
                del self.steps[edit["id"]]
            case "replace":
                self.steps[edit["step"]["id"]] = edit["step"]
            case "move":
                id, front = edit["id"], edit["in_front_of"]
                if front != id:
                    self.order.remove(id)
                    self._put(id, front)
            case "header":
                self.header = edit["header"]
            case op:
                raise refusal("bad_edit", reason=f"{op} is not known")

    def read(self) -> tuple[Header, list[Step]]:
        """What it has come to, to be evaluated."""
        return header_from(self.header), [step_from(self.steps[id]) for id in self.order]

    def _put(self, id: str, in_front_of: str | None) -> None:
        if in_front_of is None:
            self.order.append(id)
        else:
            self.order.insert(self.order.index(in_front_of), id)
