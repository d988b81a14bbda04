/** What is entered: a key with what was in hand when it was pressed; whether the pointer has moved on purpose; ids for what is made. */
import type { Hand, Kind, Outcome, Pointer } from "../api/types";

export type { Pointer };
export type Held = NonNullable<Kind["tab_order"]>;

/** What was in hand when a key was pressed, beside what hangs on the entries before it. */
export type Given = Partial<Pick<Hand, "text" | "pointer" | "opened" | "stroke" | "drag" | "carry" | "pull">>;

/** A movement that finishes something; done one after the other, in the order in which they were made. */
export type Entry =
  /** Enter, or a click (also letting go of what is dragged): what is read for what was in hand is done. */
  | {
      readonly key: "enter" | "click";
      readonly given: Given;
      /** What was in hand as a whole, and what was shown for it, where it was shown already. */
      readonly shown?: { readonly hand: Hand; readonly outcome: Outcome | null };
      /** Whether what is selected by it is added to what is selected. */
      readonly more?: boolean;
    }
  /** A kind of figure is taken, begun with some rows. */
  | { readonly key: "begin"; readonly kind: string; readonly rows?: readonly string[] }
  /** Steps through the solutions or readings of what was in the row. */
  | { readonly key: "turn"; readonly text: string; readonly by: number }
  | { readonly key: "escape" | "backspace" | "undo" }
  /** What is done beside the open line, in its turn. */
  | { readonly key: "act"; readonly act: () => unknown };

/** The text that was entered; empty where it was none. */
export const enteredText = (entry: Entry): string => (entry.key === "enter" ? (entry.given.text ?? "") : "");

/** Whether two outcomes are the same thing done. */
export const sameOutcome = (one: Outcome | null, other: Outcome | null): boolean =>
  JSON.stringify(one) === JSON.stringify(other);

const RESTING_PIXELS = 4;
/** What was chosen with the arrow keys is kept until the pointer goes somewhere else. */
export const ELSEWHERE_PIXELS = 48;

/** Whether the pointer has gone further than a hand trembles, or so many pixels. */
export function farFrom(pointer: NonNullable<Pointer>, rested: Pointer, pixels = RESTING_PIXELS): boolean {
  return !rested || Math.hypot(pointer.x - rested.x, pointer.y - rested.y) > pixels * pointer.pixel;
}

/** An id that nothing else has. */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(9));
  return Array.from(bytes, (b) => b.toString(36).padStart(2, "0")).join("");
}

/** What the row says after Tab, and what is entered: the held words in turn, or a word behind the distance in the same row. */
export function heldNext(
  held: Held | null,
  typed: string,
): { readonly text: string; readonly entered?: string } | null {
  if (!held) return null;
  const { words, behind } = held;
  if (behind !== "") {
    if (typed === "" || /[,@]/.test(typed) || typed.split(/\s+/).includes(behind)) return null;
    return { text: `${typed.startsWith("+") ? typed : `+ ${typed}`} ${behind} ` };
  }
  const at = words.indexOf(typed);
  // From word to word while no number is typed yet, and behind the last of them back to nothing.
  if (typed === "" || at >= 0) return { text: words[at + 1] === undefined ? "" : `${words[at + 1] ?? ""} ` };
  const word = words.find((one) => typed === one || typed.startsWith(`${one} `)) ?? words[0] ?? "";
  const next = words.length > 1 ? `${words[(words.indexOf(word) + 1) % words.length] ?? ""} ` : "";
  return { text: next, entered: typed.startsWith(`${word} `) ? typed : `${word} ${typed}` };
}
