"""Renaming a step: its own text and that of every step that uses the name, as one change."""

from dataclasses import replace

from ..book.book import Book
from ..book.edits import Edit, Replace, Several
from ..book.step import Step, like_name
from ..book.tree import Name, key_of
from ..language.script import with_names
from ..language.statements import check_name, read
from ..problem import refuse


def rename(book: Book, id: str, name: str) -> tuple[Edit, str]:
    """The edit that gives a step another name everywhere, and its label.

    Raises `Refused`: bad_name, name_taken, no_name for a step that defines nothing, no_step.
    """
    keys = book.steps[id].keys if book.position(id) >= 0 else ()
    # The name of a lineage is given by one step and carried on by others.
    step = book.owner(keys[0]) if keys else None
    if step is None:
        raise refuse("no_name")
    check_name(name, 0, len(name))
    old = next(own for own in step.own if key_of(own) == keys[0])
    other = book.owner(key_of(name))
    if other is not None and (other.id != step.id or (len(step.own) > 1 and key_of(name) != keys[0])):
        raise refuse("name_taken", 0, len(name), name=name, free=like_name(name, book.taken_names()))
    edits: list[Edit] = [Replace(_own(step, old, name))]
    for user in book.order[book.position(step.id) + 1 :]:
        uses = [n for n in book.steps[user].statement.uses if n.key == keys[0]]
        if uses:
            edits.append(Replace(_using(book.steps[user], uses, name)))
    return Several(tuple(edits)), f"renaming {old} to {name}"


def _own(step: Step, old: str, name: str) -> Step:
    """The step with another name for one that it gives, written in front of it."""
    names = tuple(name if own == old else own for own in step.own)
    return replace(step, name=" ".join(names), dealt=False, statement=read(with_names(step.statement, names)))


def _using(step: Step, uses: list[Name], name: str) -> Step:
    text = step.statement.text
    for use in sorted(uses, key=lambda n: -n.start):
        text = text[: use.start] + name + text[use.end :]
    return replace(step, statement=read(text))
