/** What is selected: figures on the surface, or steps in the book, which stand for all their figures. */
import type { Step } from "../api/types";
import { figureBy, figuresOf, idsOf, stepOf } from "./figures";
import { useDocument } from "./document";
import { useInterface } from "./interface";

/** Figures by their ids, the one first that the others were added to. */
export function selectedIds(): readonly string[] {
  const { selected, others } = useInterface.getState();
  return selected === null ? [] : [selected, ...others];
}

export function selectAll(ids: readonly string[], first: string | null): void {
  useInterface.setState({ selected: first, others: ids.filter((id) => id !== first), inBook: false });
}

/** A step of the book, with all that comes of it. */
export function selectStep(step: Step): void {
  const [selected, ...others] = idsOf(step);
  useInterface.setState({ selected, others, inBook: true });
}

/** The figure under the pointer is selected; with ``more`` it is added, or taken away again. */
export function choose(id: string | null, more: boolean): void {
  const { selected, others } = useInterface.getState();
  if (!more || id === null) selectAll([], id);
  else if (id === selected) selectAll(others, others[0] ?? null);
  else if (others.includes(id))
    selectAll(
      others.filter((one) => one !== id),
      selected,
    );
  else selectAll(selected === null ? others : [...others, selected], id);
}

/** Changes the book: what was selected goes on being so by its name, whichever step draws it now. */
export function keepingSelection(change: () => void): void {
  const before = useDocument.getState().byId;
  change();
  const { steps, byId } = useDocument.getState();
  const ids = selectedIds();
  if (ids.every((id) => figureBy(byId, id)?.figure)) return;
  const now = new Map(figuresOf(steps).flatMap((one) => (one.figure && one.name !== "" ? [[one.name, one.id]] : [])));
  const found = ids.map((id) => {
    const name = figureBy(before, id)?.name ?? "";
    return figureBy(byId, id)?.figure ? id : (now.get(name) ?? id);
  });
  const [selected = null, ...others] = found;
  useInterface.setState({ selected, others });
}

/** The step where it stands in the book. */
export function showStep(step: { readonly id: string }): void {
  useInterface.setState({ selected: step.id, others: [], inBook: true, leaf: "book" });
}

export function selectNothing(): void {
  selectAll([], null);
}

const kept = new WeakMap<readonly string[], ReadonlySet<string>>();

/** The steps that further selected figures come of. */
export function stepsOf(others: readonly string[]): ReadonlySet<string> {
  let found = kept.get(others);
  if (!found) kept.set(others, (found = new Set(others.map(stepOf))));
  return found;
}
