/** The figures of a drawing, each by its own id: of most steps one comes, known as the step is; of some several. */
import type { Step } from "../api/types";

/** What is drawn of a figure, and what is known of it. */
export type Shown = Pick<Step, "id" | "name" | "kind" | "pen" | "hidden" | "figure">;

/** The step that a figure comes of. */
export function stepOf(id: string): string {
  const dot = id.indexOf(".");
  return dot < 0 ? id : id.slice(0, dot);
}

const kept = new WeakMap<readonly Step[], readonly Shown[]>();

/** All figures of some steps, in their order. */
export function figuresOf(steps: readonly Step[]): readonly Shown[] {
  let found = kept.get(steps);
  if (!found) {
    found = steps.every(stands) ? steps : steps.flatMap((step) => [first(step), ...further(step)]);
    kept.set(steps, found);
  }
  return found;
}

/** Whether a step is known as its figure is. */
function stands(step: Step): boolean {
  return step.further.length === 0 && step.called === step.name;
}

function first(step: Step): Shown {
  return stands(step) ? step : { ...step, name: step.called, kind: step.figure?.kind ?? step.kind };
}

function further(step: Step): Shown[] {
  return step.further.map((one) => ({ ...one, hidden: step.hidden }));
}

const inked = new WeakMap<readonly Shown[], readonly Shown[]>();

/** The figures without those in pencil, where pencil is out of sight. */
export function inSight(figures: readonly Shown[], pencil: boolean): readonly Shown[] {
  if (pencil) return figures;
  let found = inked.get(figures);
  if (!found) inked.set(figures, (found = figures.filter((one) => one.pen !== "pencil")));
  return found;
}

/** A figure by its id. */
export function figureBy(byId: ReadonlyMap<string, Step>, id: string): Shown | undefined {
  const step = byId.get(stepOf(id));
  return step && (step.id === id ? first(step) : further(step).find((one) => one.id === id));
}

/** The figures of a step, the first of them first. */
export function idsOf(step: Step): readonly [string, ...string[]] {
  return [step.id, ...step.further.map((one) => one.id)];
}
