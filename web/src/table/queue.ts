/** What was entered and is not done yet: one after the other, in the order of the keys. Nothing here asks the server. */
import type { Entry } from "./entry";

export interface Queue {
  /** The first is being done; the others wait for it. */
  readonly entries: readonly Entry[];
  /** What stood behind an entry that has to be mended; each comes back into the row once it is free. */
  readonly behind: readonly string[];
}

export const EMPTY: Queue = { entries: [], behind: [] };

export function pushed(queue: Queue, entry: Entry): Queue {
  return { ...queue, entries: [...queue.entries, entry] };
}

/** The first one is done. */
export function done(queue: Queue): Queue {
  return { ...queue, entries: queue.entries.slice(1) };
}

/** The first one goes back into the row to be mended; what was entered or typed after it is kept behind it. */
export function putBack(queue: Queue, typedSince: string): Queue {
  const rest = queue.entries.slice(1).flatMap((e) => (e.key === "enter" ? [e.text] : []));
  // An empty row that was entered would come back as nothing, and hold up what stands behind it.
  return { entries: [], behind: [...rest, typedSince, ...queue.behind].filter((text) => text !== "") };
}

/** What comes back into a free row, and what is left behind it then. */
export function comesBack(queue: Queue): { readonly text: string; readonly queue: Queue } | null {
  const [text, ...behind] = queue.behind;
  return text === undefined || queue.entries.length > 0 ? null : { text, queue: { ...queue, behind } };
}

/** The texts that wait, as they are shown. */
export function waiting(queue: Queue): readonly string[] {
  const entered = queue.entries.slice(1).flatMap((e) => (e.key === "enter" ? [e.text] : []));
  return [...entered, ...queue.behind].filter((text) => text !== "");
}

/** Whether everything will have been left once all is done. */
export function leaves(queue: Queue): boolean {
  return queue.entries.at(-1)?.key === "escape";
}

/** The kind that is open once everything entered is done: the last one that was begun, else the one that is open now. */
export function kindSoon(queue: Queue, open: string, isKind: (word: string) => boolean): string {
  const words = queue.entries.flatMap((e) =>
    e.key === "begin" || e.key === "enter" ? [e.text.trim().toLowerCase()] : [],
  );
  return words.filter(isKind).pop() ?? open;
}
