"""The message for a request that does not fit the schema: where, and what would fit."""

from collections.abc import Mapping
from typing import Any

_SAID = {
    "string_pattern_mismatch": "has a sign in it that cannot be written, such as a control character",
    "string_unicode": "has a sign in it that is no character",
    "finite_number": "must be a number, and a finite one",
    "extra_forbidden": "is not known here",
    "unexpected_keyword_argument": "is not known here",
    "missing": "is missing",
}


def schema_sentence(error: Mapping[str, Any]) -> tuple[str, str]:
    """The place in the request, and the sentence, of one error of the schema's own."""
    where = ".".join(str(part) for part in error["loc"])
    context = error.get("ctx", {})
    match error["type"]:
        case "id_pattern" | "string_pattern_mismatch" if context.get("pattern", "").startswith("^[A-Za-z0-9_-]"):
            return where, "must be made of letters, digits, - and _"
        case kind if kind in _SAID:
            return where, _SAID[kind]
        case _:
            said = str(error["msg"]).removeprefix("Value error, ")
            return where, said[:1].lower() + said[1:]
