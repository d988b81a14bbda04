"""Renaming: the text of the step that gives a name and of every step that uses it, as one change."""

from dataclasses import replace

from ..book.book import Book
from ..book.edits import Edit, Replace, Several
from ..book.names import key_of
from ..book.step import Step, like_name
from ..language.script import read, with_names
from ..language.statements import check_name
from ..problem import refusal


def rename(book: Book, id: str, name: str) -> tuple[Edit, str]:
    """The edit that gives what comes of a step another name everywhere, and its label.

    A step that gives several names takes as many, in their order, with blanks between. Raises `Refused`: bad_name,
    name_taken, other_count, no_name for a step that defines nothing, no_step.
    """
    keys = book.steps[id].keys if book.position(id) >= 0 else ()
    step = book.steps[id]
    if not step.own and keys:
        # It only carries names on: the name of a lineage is given by one step.
        step = book.owner(keys[0]) or step
    if not step.own:
        raise refusal("no_name")
    names = _names(step, name.split() or [name], keys[0] if step.id != id else "")
    other = {key_of(old): new for old, new in zip(step.own, names, strict=True) if old != new}
    _check(book, step, names)
    edits: list[Edit] = [
        Replace(replace(step, name=" ".join(names), dealt=False, statement=read(with_names(step.statement, names))))
    ]
    edits += [Replace(_using(user, other)) for user in book.users_of_names(set(other), step.id)]
    olds = [old for old in step.own if key_of(old) in other] or [step.own[0]]
    return Several(tuple(edits)), f"renaming {' '.join(olds)} to {' '.join(other.values()) or names[0]}"


def _names(step: Step, said: list[str], only: str) -> list[str]:
    """All names that a step gives, with those that were said; ``only`` is the one that is meant where one of many is."""
    if only:
        said = [said[0] if key_of(own) == only else own for own in step.own]
    if len(said) != len(step.own):
        raise refusal("other_count", names=" ".join(step.own), count=len(step.own))
    return said


def _check(book: Book, step: Step, names: list[str]) -> None:
    start = 0
    for n, name in enumerate(names):
        end = start + len(name)
        check_name(name, start, end)
        owner = book.owner(key_of(name))
        twice = key_of(name) in map(key_of, names[:n])
        if twice or (owner is not None and owner.id != step.id):
            raise refusal("name_taken", start, end, name=name, free=like_name(name, book.taken_names()))
        start = end + 1


def _using(step: Step, other: dict[str, str]) -> Step:
    text = step.statement.text
    for use in sorted(step.statement.uses, key=lambda n: -n.start):
        if use.key in other:
            text = text[: use.start] + other[use.key] + text[use.end :]
    return replace(step, statement=read(text))
