/** What was entered and is not done yet: one after the other, in the order of the keys. Nothing here asks the server. */
import { type Entry, enteredText } from "./entry";

export interface Queue {
  /** The first is being done; the others wait for it. */
  readonly entries: readonly Entry[];
  /** What stood behind an entry that has to be mended; each comes back into the row once it is free. */
  readonly behind: readonly string[];
}

export const EMPTY: Queue = { entries: [], behind: [] };

export type Change =
  | { readonly to: "push"; readonly entry: Entry }
  /** The first one is done. */
  | { readonly to: "done" }
  /** The first one goes back into the row to be mended; what was entered or typed after it is kept behind it. */
  | { readonly to: "put back"; readonly typedSince: string }
  /** What stands behind first has come back into the row. */
  | { readonly to: "come back" };

export function changed(queue: Queue, change: Change): Queue {
  const { entries, behind } = queue;
  switch (change.to) {
    case "push":
      return { ...queue, entries: [...entries, change.entry] };
    case "done":
      return { ...queue, entries: entries.slice(1) };
    case "put back":
      // An empty row that was entered would come back as nothing, and hold up what stands behind it.
      return {
        entries: [],
        behind: [...entries.slice(1).map(enteredText), change.typedSince, ...behind].filter((text) => text !== ""),
      };
    case "come back":
      return { ...queue, behind: behind.slice(1) };
  }
}

/** What comes back into a free row next. */
export function comesBack(queue: Queue): string | null {
  return queue.entries.length > 0 ? null : (queue.behind[0] ?? null);
}

/** The texts that wait, as they are shown. */
export function waiting(queue: Queue): readonly string[] {
  return [...queue.entries.slice(1).map(enteredText), ...queue.behind].filter((text) => text !== "");
}

/** Whether everything will have been left once all is done. */
export function leaves(queue: Queue): boolean {
  return queue.entries.at(-1)?.key === "escape";
}

/** The kind that is open once everything entered is done: the last one that was begun, else the one that is open now. */
export function kindSoon(queue: Queue, open: string, isKind: (word: string) => boolean): string {
  const words = queue.entries.map((e) => (e.key === "begin" ? e.kind : enteredText(e).trim().toLowerCase()));
  return words.filter(isKind).pop() ?? open;
}
