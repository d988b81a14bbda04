"""What the core declares and the table has to know from its first key on: it is built into the front end, like its types."""

import json

from pydantic import BaseModel, TypeAdapter

from ..core.book.pens import PENS
from ..core.desk.kind_views import KindView, kind_views
from ..core.snap.kinds import KINDS as PLACE_KINDS
from .schemas import PenView, SnapKind

_MODULE = """\
/** What the core declares, written by `kentrograph declared`: nothing is changed here by hand. */
import type {{ Declared }} from "./types";

export const DECLARED: Declared = {};
"""


class DeclaredView(BaseModel):
    """The kinds of figure and of reading that can be begun, the pens, and the kinds of place that can be taken."""

    kinds: list[KindView]
    pens: list[PenView]
    places: list[SnapKind]


def declared() -> DeclaredView:
    """All of it, in the order in which it is offered."""
    return DeclaredView(
        kinds=kind_views(),
        pens=[TypeAdapter(PenView).validate_python({"word": word, "explanation": said}) for word, said in PENS.items()],
        places=[SnapKind(key=k.key, word=k.word, explanation=k.explanation, on=k.on) for k in PLACE_KINDS.values()],
    )


def declared_module() -> str:
    """The same as a module of the front end, each thing on a line of its own."""
    lines = ["{"]
    for name, things in declared().model_dump(mode="json").items():
        lines += [f"  {name}: [", *(f"    {json.dumps(one, ensure_ascii=False)}," for one in things), "  ],"]
    return _MODULE.format("\n".join([*lines, "}"]))
