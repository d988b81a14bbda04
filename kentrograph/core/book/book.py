"""The book: its steps in order, what each needs, and what each holds; a change evaluates only what hangs on it.

A `Book` is never changed: `Book.edited` gives another one that shares everything the edit did not touch. Names
resolve to the nearest earlier step that defines them, so a step can only need what stands before it.
"""

from collections.abc import Iterable
from dataclasses import replace
from typing import Any

from ..figures import Point
from ..problem import refuse
from .edits import Delete, Edit, Insert, Move, Replace, SetHeader, Several
from .manner import Header, Manner
from .network import TABLES, Network, Planned, key_of_own
from .planner import Planner
from .step import InUse, Step
from .tree import key_of
from .values import Drawn, Value


class Book(Network):
    """Steps in order with what they hold. Make one with `Book.new` and `Book.edited`."""

    __slots__ = ()

    @classmethod
    def new(cls, header: Header | None = None, steps: Iterable[Step] = ()) -> "Book":
        """A book with these steps, evaluated from the first to the last."""
        book = cls()
        book.header = header or Header()
        for index, step in enumerate(steps):
            book.steps[step.id] = step
            book._positions[step.id] = index
            book._define(step)
        book.order = tuple(book.steps)
        for id in book.order:
            book._plans[id] = Planned(book.steps[id], book.header.manner.unit)
        book._link(book.order)
        book._evaluate_all()
        return book

    # Reading ------------------------------------------------------------------------------------------

    def position(self, id: str) -> int:
        """Where a step stands. Raises `Refused` (no_step)."""
        found = self._positions.get(id)
        if found is None:
            raise refuse("no_step", id=id)
        return found

    @property
    def positions(self) -> dict[str, int]:
        """Where every step stands. Not to be changed by whoever asks."""
        return self._positions

    def find(self, key: str) -> Step | None:
        """The last step that defines this name."""
        ids = self._definers.get(key)
        return self.steps[ids[-1]] if ids else None

    def owner(self, key: str) -> Step | None:
        """The step that gives a name, which those that carry it on stand behind."""
        return next((self.steps[d] for d in self._definers.get(key, ()) if key_of_own(self.steps[d], key)), None)

    def figure_of(self, id: str | None) -> Any:
        """What a step draws, or one figure of several (see `figures_of`): a figure, a number or a reading; None where there is
        no such step or it does not stand."""
        if id is None:
            return None
        step, _, which = id.partition(".")
        value = self.values.get(step)
        return value.results[int(which or 0)] if type(value) is Drawn else None

    def figures_of(self, id: str) -> list[tuple[str, str, Any]]:
        """All that comes of a step: for each its id (of the first the step's own, of others with a dot and its number), its
        name and the figure. None where the step does not stand."""
        value, names = self.values[id], self.steps[id].names or ("",)
        if type(value) is not Drawn:
            return []
        return [(f"{id}.{n}" if n else id, names[n], figure) for n, figure in enumerate(value.results)]

    def step_of(self, id: str) -> str:
        """The step that a figure comes of, by its id as `figures_of` gives it."""
        return id.partition(".")[0]

    def pen_of(self, id: str) -> str:
        """What a step draws with: what it says itself; a verb, what drew the first figure that it works on."""
        step = self.steps[id]
        if step.statement.pen is None and step.statement.operands:
            version = self._resolve(step.statement.operands[0].key, self._positions[id])
            return self.pen_of(version) if version is not None else "ink"
        return step.statement.pen or "ink"

    def name_of(self, id: str) -> str:
        """The name of one figure of a step, by its id as `figures_of` gives it; empty where it has none."""
        step, _, which = id.partition(".")
        names = self.steps[step].names
        return names[int(which or 0)] if names else ""

    def figure_named(self, key: str, before: int | None = None) -> Any:
        """What a name stands for at an index, or at the end; None where it stands for nothing."""
        id = self._resolve(key, len(self.order) if before is None else before)
        value = self.values[id] if id is not None else None
        return value.results[self.steps[id].keys.index(key)] if type(value) is Drawn and id is not None else None

    def sharing(self, id: str) -> tuple[str, ...]:
        """The steps that define a name that this one defines, too, and the verbs that work on what comes of it: what is seen
        of them, and how it is drawn, hangs on it besides their values."""
        step = self.steps.get(id)
        if step is None:
            return ()
        versions = (d for key in step.keys for d in self._definers.get(key, ()))
        return (*versions, *(u for u in self._users.get(id, ()) if self.steps[u].statement.operands))

    def shown_of(self, id: str) -> tuple[bool, ...]:
        """Which of the figures that come of a step are seen."""
        return tuple(self.seen(one) for one, _, _ in self.figures_of(id))

    def seen(self, id: str, before: int | None = None) -> bool:
        """Whether a figure, by its id as `figures_of` gives it, is what its name stands for at an index, or at the end: an
        earlier version of it is out of sight from the step on that has shaped it."""
        name = key_of(self.name_of(id))
        ids = self._definers.get(name, ())
        if len(ids) < 2:
            return True
        return self._resolve(name, len(self.order) if before is None else before) == id.partition(".")[0]

    def kinds(self, before: int | None = None) -> dict[str, str]:
        """What every name stands for, among the steps before this index. Not to be changed by whoever asks."""
        limit = len(self.order) if before is None else before
        if limit == len(self.order):
            if self._kinds is None:
                self._kinds = self._kinds_before(limit)
            return self._kinds
        return self._kinds_before(limit)

    def _kinds_before(self, limit: int) -> dict[str, str]:
        found: dict[str, str] = {}
        for id in self.order[:limit]:
            step = self.steps[id]
            found.update({key: kind for key, kind in zip(step.keys, step.kinds(found.get), strict=False) if kind is not None})
        return found

    def taken_names(self) -> InUse:
        """Names in use, and names that waiting steps hope for; none of them is dealt again."""
        return InUse(self._definers, self._users, self._tried)

    def last_place(self, before: int | None = None) -> Point:
        """Where relative entries count from, for a step at this index."""
        provider = self._last_provider(len(self.order) if before is None else before)
        value = self.values.get(provider) if provider else None
        return (
            value.last
            if isinstance(value, Drawn) and value.last is not None
            else self.datum_place(self.hand or self.header.manner)
        )

    def in_hand(self, manner: Manner) -> "Book":
        """The same book, to be read and written in another manner: that of the step being mended."""
        if manner == self.header.manner:
            return self
        book = self._copy()
        book.hand, book.before, book.touched = manner, self.before, self.touched
        book._kinds = self._kinds
        return book

    @property
    def writing(self) -> Manner:
        """The manner of what is written next, its datum in the drawing's unit."""
        unit = self.header.manner.unit
        return self.header.manner if self.hand is None else Planner(self.hand, unit).in_drawing(self.hand)

    @property
    def suffix(self) -> str:
        """The unit to write behind a length: none where plain numbers are read in the drawing's own unit."""
        unit = self.header.manner.unit
        return unit if self.hand is not None and self.hand.unit != unit else ""

    def try_statement(self, step: Step, index: int) -> Value:
        """What a step would hold at ``index``, without putting it into the book."""
        settled = step.statement.settled(lambda key: self.kind_at(key, index))
        step = step if settled is step.statement else replace(step, statement=settled)
        planned = Planned(step, self.header.manner.unit)
        return self._value(step, planned, self._needs(planned, index))

    def evaluated_anew(self) -> "Book":
        """The same book with every step evaluated again; its plans and links are those it has."""
        book = self._copy()
        book.values = {}
        book._owned.add("values")
        book._evaluate_all()
        return book

    # Changing -----------------------------------------------------------------------------------------

    def edited(self, edit: Edit) -> "tuple[Book, Edit]":
        """The book after an edit, and the edit that takes it back.

        Raises `Refused`: no_step, step_twice, bad_index, name_taken.
        """
        book = self._copy()
        touched: set[str] = set()
        inverse = book._apply(edit, touched)
        book._settle(touched)
        book.before, book.touched = self.values, touched | book.changed
        return book, inverse

    def _copy(self) -> "Book":
        """A book that shares every table with this one; `_own` makes one of them its own before it is changed."""
        book = Book()
        book.header, book.order, book.memo, book._tried = self.header, self.order, self.memo, self._tried.copy()
        for table in TABLES:
            setattr(book, table, getattr(self, table))
        book._owned = set()
        return book

    def _apply(self, edit: Edit, touched: set[str]) -> Edit:
        match edit:
            case Insert(index, step):
                return self._insert(index, step, touched)
            case Delete(id):
                return self._delete(id, touched)
            case Replace(step):
                return self._replace(step, touched)
            case Move(id, index):
                return self._move(id, index, touched)
            case SetHeader(header):
                before, self.header = self.header, header
                self._own("_plans")
                if header.manner.unit != before.manner.unit:
                    for id in self.order:
                        self._plans[id] = Planned(self.steps[id], header.manner.unit)
                    touched.update(self.order)
                return SetHeader(before)
            case Several(edits):
                inverses = [self._apply(e, touched) for e in edits]
                return Several(tuple(reversed(inverses)))

    def _insert(self, index: int, step: Step, touched: set[str]) -> Edit:
        if not 0 <= index <= len(self.order):
            raise refuse("bad_index", index=index, count=len(self.order))
        if step.id in self.steps:
            raise refuse("step_twice", id=step.id)
        self._check_name(step)
        touched.update(self._users_between(step.keys, index))
        self._own("steps", "_plans")
        self.order = (*self.order[:index], step.id, *self.order[index:])
        self.steps[step.id] = step
        if index == len(self.order) - 1:
            self._own("_positions")
            self._positions[step.id] = index
        else:
            self._renumber()
        self._define(step)
        self._plans[step.id] = Planned(step, self.header.manner.unit)
        touched.add(step.id)
        touched.update(self._relative_after(index + 1))
        return Delete(step.id)

    def _delete(self, id: str, touched: set[str]) -> Edit:
        index = self.position(id)
        self._own("steps", "_plans", "values", "_users")
        step = self.steps.pop(id)
        touched.update(self._users.get(id, ()))
        touched.add(id)
        self.order = (*self.order[:index], *self.order[index + 1 :])
        self._undefine(step)
        del self._plans[id], self.values[id]
        self._unlink(id)
        self._users.pop(id, None)
        self._renumber()
        return Insert(index, step)

    def _replace(self, step: Step, touched: set[str]) -> Edit:
        index = self.position(step.id)
        before = self.steps[step.id]
        if before.own != step.own:
            self._check_name(step)
        if before.keys != step.keys:
            touched.update(self._users.get(step.id, ()))
            self._undefine(before)
            touched.update(self._users_between({*before.keys, *step.keys}, index))
            self._define(step)
        self._own("steps", "_plans")
        if before.figure_kind != step.figure_kind or step.statement.operands:
            # Those that use it may read otherwise now.
            touched.update(self._users.get(step.id, ()))
        self.steps[step.id] = step
        self._plans[step.id] = Planned(step, self.header.manner.unit)
        touched.add(step.id)
        if before.puts_place != step.puts_place or before.off != step.off:
            touched.update(self._users.get(step.id, ()))
            touched.update(self._relative_after(index + 1))
        return Replace(before)

    def _move(self, id: str, index: int, touched: set[str]) -> Edit:
        before = self.position(id)
        if not 0 <= index < len(self.order):
            raise refuse("bad_index", index=index, count=len(self.order))
        rest = [*self.order[:before], *self.order[before + 1 :]]
        rest.insert(index, id)
        step = self.steps[id]
        touched.update(self._relative_after(before + 1))
        touched.update(self._users.get(id, ()))
        self._undefine(step)
        self.order = tuple(rest)
        self._renumber()
        touched.update(self._users_between(step.keys, index))
        self._define(step)
        touched.add(id)
        touched.update(self._relative_after(index + 1))
        return Move(id, before)
