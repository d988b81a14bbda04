/** What is entered: a key with what stood in the row, where the pointer was, whether it has moved on purpose; ids for what is made. */
import type { Draft, Line, ReadRequest } from "../api/types";

export type Pointer = ReadRequest["pointer"];

/** A key that finishes something, with what stood in the row; done one after the other, in the order of the keys. */
export interface Entry {
  readonly key: "enter" | "escape" | "backspace" | "begin" | "click" | "pick" | "turn";
  readonly text: string;
  /** Where a click was made. */
  readonly pointer?: Pointer;
  /** Which way the solutions or readings are stepped through. */
  readonly by?: number;
}

const RESTING_PIXELS = 4;

/** Whether the pointer has gone further than a hand trembles. */
export function farFrom(pointer: NonNullable<Pointer>, rested: Pointer): boolean {
  return !rested || Math.hypot(pointer.x - rested.x, pointer.y - rested.y) > RESTING_PIXELS * pointer.pixel;
}

/** An id that nothing else has. */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(9));
  return Array.from(bytes, (b) => b.toString(36).padStart(2, "0")).join("");
}

/** What the row says after Tab, and what is entered: length and direction in turn, in a chain the direction after the distance. */
export function heldNext(kind: string, typed: string): { readonly text: string; readonly entered?: string } | null {
  if (kind === "path") {
    if (typed === "" || /[,@]|\bat\b/.test(typed)) return null;
    return { text: `${typed.startsWith("+") ? typed : `+ ${typed}`} at ` };
  }
  if (kind !== "line") return null;
  if (typed === "") return { text: "length " };
  if (typed === "length") return { text: "direction " };
  if (typed === "direction") return { text: "" };
  const word = /^(length|direction)\b/.exec(typed)?.[0] ?? "length";
  const entered = typed.startsWith(word) ? typed : `${word} ${typed}`;
  return { text: word === "length" ? "direction " : "length ", entered };
}

type Ends = readonly [string, string];

/** What the two ends of a drag are, for each kind of figure that has two such places; none for two things to be measured. */
const BETWEEN: Readonly<Record<string, Ends>> = {
  circle: ["through", "through"],
  line: ["from", "to"],
  path: ["from", "to"],
  arc: ["from", "to"],
  rectangle: ["from", "to"],
  "measure distance": ["", ""],
  "measure direction": ["", ""],
};
const SQUARE: Ends = ["square", "square"];
export function dragWords(draft: Draft, line: Line | null): Ends | null {
  if (draft.rows.length > 0) return null;
  // From a figure, and not from a place of it: what is drawn between two figures is square to both.
  if (draft.kind === "line" && line?.tag?.of_figure) return SQUARE;
  return BETWEEN[draft.kind] ?? null;
}

/** The word for the end of a drag: where it ends at a place, the square line begins there. */
export function dragEnd(words: Ends, line: Line | null): string {
  return words === SQUARE && !line?.tag?.of_figure ? "from" : words[1];
}
