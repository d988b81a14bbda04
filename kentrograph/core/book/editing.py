"""Changing a book: what an edit does to its tables, which are open meanwhile and can be written to like dictionaries."""

from bisect import bisect_left
from collections.abc import Iterable, Mapping
from dataclasses import replace

from ..problem import refusal
from .edits import Delete, Edit, Insert, Move, Replace, SetHeader, Several
from .evaluation import Evaluation
from .names import key_of
from .network import TABLES, Need, Network, key_of_own, step_of
from .order import Order
from .planned import Planned
from .planner import DRAWING
from .step import Step, like_name


class Editing:
    """A book whose tables are held open until `close`, with the ids of the steps that were touched so far."""

    __slots__ = ("book", "touched")

    def __init__(self, book: Network) -> None:
        self.book = book
        self.touched: set[str] = set()
        for table in TABLES:
            setattr(book, table, getattr(book, table).mutate())

    def close(self) -> None:
        """Closes the tables: the book is not changed any more."""
        for table in TABLES:
            setattr(self.book, table, getattr(self.book, table).finish())

    def bring(self, steps: Iterable[Step]) -> None:
        """Puts steps into the tables of a book in whose order they stand already, each with its plan."""
        for step in steps:
            self.book.steps[step.id] = step
            self.define(step)
            self.book.plans[step.id] = Planned(step, self.book.header.manner.unit)

    def apply(self, edit: Edit) -> Edit:
        """Puts an edit into effect; the edit that takes it back. Nothing is linked nor evaluated yet: see `settle`."""
        match edit:
            case Insert(step, in_front_of):
                return self._insert(step, in_front_of)
            case Delete(id):
                return self._delete(id)
            case Replace(step):
                return self._replace(step)
            case Move(id, in_front_of):
                return self._move(id, in_front_of)
            case SetHeader(header):
                before, self.book.header = self.book.header, header
                if header.manner.unit != before.manner.unit:
                    for id in self.book.order:
                        self.book.plans[id] = Planned(self.book.steps[id], header.manner.unit)
                    self.touched.update(self.book.order)
                return SetHeader(before)
            case Several(edits):
                inverses = [self.apply(e) for e in edits]
                return Several(tuple(reversed(inverses)))

    def _insert(self, step: Step, in_front_of: str | None) -> Edit:
        order = self.book.order.inserted(step.id, in_front_of)
        self._check_name(step)
        self._bring_in(step, order)
        self.book.steps[step.id] = step
        self.book.plans[step.id] = Planned(step, self.book.header.manner.unit)
        return Delete(step.id)

    def _bring_in(self, step: Step, order: Order) -> None:
        """Takes an order in which a step has come to stand, and touches those that see others of its names, or another last
        place, because of it."""
        self.book.order, at = order, order.key(step.id)
        self.touched.update(self.book.users_between(step.keys, at))
        if step.puts_place:
            self.touched.update(self.book.relative_after(at))
        self.define(step)
        self.touched.add(step.id)

    def _delete(self, id: str) -> Edit:
        in_front_of = self.book.order.next_to(id)
        step = self.book.steps.pop(id)
        self.touched.update(self.book.users.get(id, ()))
        self.touched.add(id)
        self._undefine(step)
        self.book.order = self.book.order.without(id)
        del self.book.plans[id], self.book.values[id]
        self._unlink(id)
        self.book.users.pop(id, None)
        return Insert(step, in_front_of)

    def _replace(self, step: Step) -> Edit:
        if step.id not in self.book.order:
            raise refusal("no_step", id=step.id)
        at, before = self.book.order.key(step.id), self.book.steps[step.id]
        if before.own != step.own:
            self._check_name(step)
        if before.keys != step.keys or before.marked != step.marked:
            self.touched.update(self.book.users.get(step.id, ()))
            self._undefine(before)
            self.touched.update(self.book.users_between({*before.keys, *step.keys}, at))
            self.define(step)
        if before.figure_kind != step.figure_kind or step.statement.operands:
            # Those that use it may read otherwise now.
            self.touched.update(self.book.users.get(step.id, ()))
        self.book.steps[step.id] = step
        self.book.plans[step.id] = Planned(step, self.book.header.manner.unit)
        self.touched.add(step.id)
        if before.puts_place != step.puts_place or before.off != step.off:
            self.touched.update(self.book.users.get(step.id, ()))
            self.touched.update(self.book.relative_after(at))
        return Replace(before)

    def _move(self, id: str, in_front_of: str | None) -> Edit:
        stood_in_front_of = self.book.order.next_to(id)
        if in_front_of == id:
            in_front_of = stood_in_front_of
        step = self.book.steps[id]
        self.touched.update(self.book.users.get(id, ()))
        # Steps behind it that look at the whole drawing look again.
        self.touched.update(self.book.lookers_behind(self.book.order.key(id)))
        self._undefine(step)
        self._bring_in(step, self.book.order.without(id).inserted(id, in_front_of))
        return Move(id, stood_in_front_of)

    def settle(self) -> None:
        """Links the touched steps again, then evaluates them and whatever hangs on a value that changed."""
        book = self.book
        there = {id for id in self.touched if id in book.steps}
        if len(there) < len(self.touched):
            # Where something stood that is gone is not known: all steps that look at the whole drawing look again.
            there.update(book.users.get(DRAWING, ()))
        waiting = set(there)
        while waiting:
            # A step that reads otherwise may be another kind of thing, and then those that use it are linked again, too.
            again: set[str] = set()
            other_kinds = self.link(sorted(waiting, key=book.order.key), again)
            waiting = again.union(user for id in other_kinds for user in book.users.get(id, ()))
            there |= waiting
        Evaluation(book).hanging_on(there)

    def _check_name(self, step: Step) -> None:
        for name in step.own:
            key = key_of(name)
            # Steps that carry a name on do not take it: they stand behind the one that gives it.
            if any(d != step.id and key_of_own(self.book.steps[d], key) for d in self.book.defined.get(key, ())):
                raise refusal("name_taken", 0, len(name), name=name, free=like_name(name, self.book.defined))

    def define(self, step: Step) -> None:
        """Puts a step among the definers of its names, which stand in the order of the book."""
        self.book.carriers += bool(step.carried)
        for table, keys in ((self.book.defined, step.keys), (self.book.marked, step.marked)):
            for key in dict.fromkeys(keys):
                ids = table.get(key, ())
                at = bisect_left(ids, self.book.order.key(step.id), key=self.book.order.key) if ids else 0
                table[key] = (*ids[:at], step.id, *ids[at:])

    def _undefine(self, step: Step) -> None:
        self.book.carriers -= bool(step.carried)
        for table, keys in ((self.book.defined, step.keys), (self.book.marked, step.marked)):
            for key in dict.fromkeys(keys):
                rest = tuple(d for d in table[key] if d != step.id)
                if rest:
                    table[key] = rest
                    continue
                del table[key]
                if table is self.book.defined:
                    self._comes_free(key)

    def _comes_free(self, key: str) -> None:
        """A name is no longer in use: it may be dealt again."""
        stem = key.rstrip("0123456789")
        number = key[len(stem) :]
        if number and stem in self.book.tried:
            self.book.tried[stem] = min(self.book.tried[stem], int(number))

    def _settle_reading(self, id: str, again: set[str]) -> bool:
        """Reads a step anew where its reading hinges on names that stand for something else now; whether it has become
        another kind of thing."""
        step, at = self.book.steps[id], self.book.order.key(id)
        settled = step.statement.settled(lambda key: self.book.kind_before(key, at))
        if settled is not step.statement:
            read = replace(step, statement=settled)
            if (read.keys, read.marked) != (step.keys, step.marked):
                self._undefine(step)
                again.update(self.book.users_between({*step.keys, *read.keys}, at))
                self.define(read)
            self.book.steps[id] = read
            self.book.plans[id] = Planned(self.book.steps[id], self.book.header.manner.unit)
        return self.book.steps[id].figure_kind != step.figure_kind

    def link(self, ids: Iterable[str], again: set[str]) -> list[str]:
        """Links steps to what they need, in the order of the book; those that have become another kind of thing. ``again`` is
        given those that have to be linked once more: they use names that are defined elsewhere now."""
        other_kinds: list[str] = []
        linked: dict[str, tuple[Need, ...]] = {}
        for id in ids:
            if self.book.steps[id].statement.hinges and self._settle_reading(id, again):
                other_kinds.append(id)
            elif self.book.steps[id].statement.operands:
                # What comes of a verb is of the kind of what it works on, which may be another one now.
                other_kinds.append(id)
            needs = self.book.needs(self.book.plans[id], self.book.order.key(id))
            if needs != self.book.links.get(id):
                self._unlink(id)
                self.book.links[id] = linked[id] = needs
        if linked:
            self.use(linked)
        return other_kinds

    def use(self, linked: Mapping[str, tuple[Need, ...]]) -> None:
        """Puts steps down as users of what they need. All at once: a place that a hundred thousand steps hang on would have its
        users copied as often."""
        users: dict[str, list[str]] = {}
        for id, needs in linked.items():
            for need in {step_of(need) for need in needs}:
                users.setdefault(need, []).append(id)
        for need, more in users.items():
            self.book.users[need] = (*self.book.users.get(need, ()), *more)

    def _unlink(self, id: str) -> None:
        for need in {step_of(need) for need in self.book.links.pop(id, ())}:
            rest = tuple(u for u in self.book.users.get(need, ()) if u != id)
            if rest:
                self.book.users[need] = rest
            elif self.book.users.pop(need, None) and need.startswith("?"):
                self._comes_free(need[1:])
