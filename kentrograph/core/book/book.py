"""The book: its steps in order, what each needs, and what each holds; a change evaluates only what hangs on it.

A `Book` is never changed: `Book.edited` gives another one that shares everything the edit did not touch. Names
resolve to the nearest earlier step that defines them, so a step can only need what stands before it.
"""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import replace
from itertools import islice
from typing import Any, NamedTuple

from immutables import Map

from ..figures import Point
from .editing import Editing
from .edits import Edit
from .evaluation import Evaluation
from .manner import Conventions, Header
from .names import parted
from .network import TABLES, Need, Network, key_of_own, result_of
from .order import Key, Order
from .pieces import part_or_none
from .planned import Planned
from .step import InUse, Step
from .values import StepResult, Value

LOOKED_THROUGH = 5000
"""So many steps are looked through for names to offer."""


class Known(NamedTuple):
    """What is known of a step from before: its plan and what that needs, the steps that these are, and what it holds."""

    planned: Planned
    links: tuple[Need, ...]
    value: Value


class Book(Network):
    """Steps in order with what they hold. Make one with `Book.new` and `Book.edited`."""

    __slots__ = ()

    @classmethod
    def new(cls, header: Header | None = None, steps: Iterable[Step] = (), keys: Iterable[Key] | None = None) -> "Book":
        """A book with these steps, evaluated from the first to the last; ``keys`` order them where they have some already."""
        book = cls()
        book.header = header or Header()
        every = tuple(steps)
        book.order = Order((step.id for step in every), keys)
        editing = Editing(book)
        editing.bring(every)
        editing.link(book.order, set())
        editing.close()
        Evaluation(book).all()
        return book

    @classmethod
    def put_together(cls, header: Header, steps: Iterable[Step], keys: Iterable[Key], known: Mapping[str, Known]) -> "Book":
        """A book as it was worked out before: of the steps in ``known`` that is taken as it is, and only the others are planned,
        linked and evaluated."""
        book = cls()
        book.header = header
        every = tuple(steps)
        book.order = Order((step.id for step in every), keys)
        # What is known stands in plain dictionaries first, which are faster to write; it defines its names and carries none on.
        definers: dict[str, tuple[str, ...]] = {}
        for step in every:
            if step.id in known:
                for key in step.keys:
                    definers[key] = (*definers[key], step.id) if key in definers else (step.id,)
        book.steps, book.defined = Map({step.id: step for step in every}), Map(definers)  # type: ignore[assignment]
        book.plans = Map({id: found.planned for id, found in known.items()})  # type: ignore[assignment]
        book.links = Map({id: found.links for id, found in known.items()})  # type: ignore[assignment]
        book.values = Map({id: found.value for id, found in known.items()})  # type: ignore[assignment]
        editing = Editing(book)
        editing.use({id: found.links for id, found in known.items() if found.links})
        rest = [step for step in every if step.id not in known]
        editing.bring(rest)
        ids = [step.id for step in rest]
        editing.link(ids, set())
        Evaluation(book).these(ids)
        editing.close()
        return book

    # Reading ------------------------------------------------------------------------------------------

    def position(self, id: str) -> int:
        """Where a step stands. Raises `Refused` (no_step)."""
        return self.order.position(id)

    def index_before(self, id: str | None) -> int:
        """The index of what is put in front of a step; of what is put at the end where that is None. Raises `Refused`
        (no_step)."""
        return len(self.order) if id is None else self.order.position(id)

    def plan_of(self, id: str) -> tuple[Planned, tuple[Need, ...]]:
        """A step's plan, and the steps that it needs."""
        return self.plans[id], self.links[id]

    def names_like(self, first: str, before: int) -> dict[str, str]:
        """The names that begin with a letter and are defined before an index, by the form in which they are compared; of a
        book that is too large to be looked through, those of the last steps."""
        names: dict[str, str] = {}
        for step in self.latest(before):
            names.update((key, name) for key, name in zip(step.keys, step.names, strict=True) if key.startswith(first))
        return names

    def latest(self, before: int) -> Iterator[Step]:
        """The steps before an index, the latest first; of a book that is too large to be looked through, the last of them."""
        return (self.steps[id] for id in islice(self.order.before(self.key_at(before)), LOOKED_THROUGH))

    def users_of_names(self, keys: set[str], after: str) -> list[Step]:
        """The steps behind one that use any of these names, whichever version of it, in the order of the book."""
        definers = {d for key in keys for d in self.defined.get(key, ())}
        users = {u for d in definers for u in self.users.get(d, ())} | {u for key in keys for u in self.hopeful(key)}
        at = self.order.key(after)
        found = [u for u in users if self.order.key(u) > at and any(n.key in keys for n in self.steps[u].statement.uses)]
        return [self.steps[u] for u in sorted(found, key=self.order.key)]

    def find(self, key: str, before: int | None = None) -> Step | None:
        """The step that a name means at an index, or at the end."""
        id = self.resolved(key, self.key_at(before))
        return self.steps[id] if id is not None else None

    def owner(self, key: str) -> Step | None:
        """The step that gives a name, which those that carry it on stand behind."""
        return next((self.steps[d] for d in self.defined.get(key, ()) if key_of_own(self.steps[d], key)), None)

    def figure_named(self, key: str, before: int) -> Any:
        """What a name stands for at an index; None where it stands for nothing."""
        key, path = parted(key)
        id = self.resolved(key, self.key_at(before))
        figure = result_of(self.values[id], self.steps[id].keys.index(key)) if id is not None else None
        return part_or_none(figure, path) if path and figure is not None else figure

    def taken_names(self) -> InUse:
        """Names in use, and names that waiting steps hope for; none of them is dealt again."""
        return InUse(self.defined, self.users, self.tried)

    def last_place(self, before: int | None = None) -> Point:
        """Where relative entries count from, for a step at this index."""
        provider = self.last_provider(self.key_at(before))
        value = self.values.get(provider) if provider else None
        return (
            value.last
            if isinstance(value, StepResult) and value.last is not None
            else self.datum_place(self.hand or self.header.manner)
        )

    def in_hand(self, manner: Conventions) -> "Book":
        """The same book, to be read and written in another manner: that of the step being mended."""
        if manner == self.header.manner:
            return self
        book = self._copy()
        book.hand, book.before, book.touched, book.stamp = manner, self.before, self.touched, self.stamp
        return book

    @property
    def writing(self) -> Conventions:
        """The manner of what is written next, its datum in the drawing's unit."""
        unit = self.header.manner.unit
        return self.header.manner if self.hand is None else self.hand.in_unit(unit)

    @property
    def suffix(self) -> str:
        """The unit to write behind a length: none where plain numbers are read in the drawing's own unit."""
        unit = self.header.manner.unit
        return unit if self.hand is not None and self.hand.unit != unit else ""

    def try_statement(self, step: Step, index: int) -> Value:
        """What a step would hold at ``index``, without putting it into the book."""
        at = self.key_at(index)
        settled = step.statement.settled(lambda key: self.kind_before(key, at))
        step = step if settled is step.statement else replace(step, statement=settled)
        planned = Planned(step, self.header.manner.unit)
        return Evaluation(self).value(step, planned, self.needs(planned, at), at)

    def evaluated_anew(self) -> "Book":
        """The same book with every step evaluated again; its plans and links are those it has."""
        book = self._copy()
        Evaluation(book).all()
        return book

    # Changing -----------------------------------------------------------------------------------------

    def edited(self, edit: Edit) -> "tuple[Book, Edit]":
        """The book after an edit, and the edit that takes it back.

        Raises `Refused`: no_step, step_twice, name_taken.
        """
        book = self._copy()
        editing = Editing(book)
        inverse = editing.apply(edit)
        editing.settle()
        editing.close()
        book.before, book.touched = self.stamp, editing.touched.union(book.changed)
        return book, inverse

    def _copy(self) -> "Book":
        """A book that shares every table with this one."""
        book = Book()
        book.header, book.order, book.shared, book.tried = self.header, self.order, self.shared, self.tried.copy()
        book.carriers = self.carriers
        for table in TABLES:
            setattr(book, table, getattr(self, table))
        return book
