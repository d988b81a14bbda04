"""Renaming a step: its own text and that of every step that uses the name, as one change."""

from dataclasses import replace

from ..book.book import Book
from ..book.edits import Edit, Replace, Several
from ..book.step import Step, like_name
from ..book.tree import Name, key_of
from ..problem import refuse
from .statements import check_name, read


def rename(book: Book, id: str, name: str) -> tuple[Edit, str]:
    """The edit that gives a step another name everywhere, and its label.

    Raises `Refused`: bad_name, name_taken, no_name for a step that defines nothing, no_step.
    """
    index = book.position(id)
    step = book.steps[id]
    if not step.name:
        raise refuse("no_name")
    check_name(name, 0, len(name))
    other = book.find(key_of(name))
    if other is not None and other.id != id:
        raise refuse("name_taken", 0, len(name), name=name, free=like_name(name, book.taken_names()))
    edits: list[Edit] = [Replace(_own(step, name))]
    for user in book.order[index + 1 :]:
        uses = [n for n in book.steps[user].statement.uses if n.key == step.key]
        if uses:
            edits.append(Replace(_using(book.steps[user], uses, name)))
    return Several(tuple(edits)), f"renaming {step.name} to {name}"


def _own(step: Step, name: str) -> Step:
    """The step with its new name written into its text, before the kind."""
    statement = step.statement
    text = statement.text
    if statement.name is not None:
        start = text.lower().find(statement.name.lower())
        text = text[:start] + name + text[start + len(statement.name) :]
    else:
        text = f"{name} = {text}"
    return replace(step, name=name, dealt=False, statement=read(text))


def _using(step: Step, uses: list[Name], name: str) -> Step:
    text = step.statement.text
    for use in sorted(uses, key=lambda n: -n.start):
        text = text[: use.start] + name + text[use.end :]
    return replace(step, statement=read(text))
