"""A drawing as steps: statements as data, their plans, what each step needs and holds, and how that is changed.

`book.Book` holds the tables and looks things up in them; `editing` puts an edit into effect, `evaluation` works out values.
The tables are persistent maps, and the order is a list in blocks with a key for every step (`order`): an edit costs what it
changes. Edits name neighbours (`in_front_of`), never an index that was counted on another revision.

A name resolves to the nearest earlier step that defines it. Verbs carry names on: a name has as many versions as steps carry
it. `Step.names` are the names that a step defines, those that it carries on first, each for one of `StepResult.results`. Of a
verb several figures can come, and only drawing it tells how many: `language.script` deals names by drawing such a step where
it is read. A group is its members: a statement that names it is read as if it named them (`SetKind`, by the hinges). `outline
at` needs the whole drawing before it: it hangs on whatever stands there (`surroundings`).
"""
