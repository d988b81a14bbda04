/** What is entered: a key with what stood in the row, where the pointer was, whether it has moved on purpose; ids for what is made. */
import type { Kind, Line, Pointer, ReadRequest } from "../api/types";

export type { Pointer };
export type Held = NonNullable<Kind["held"]>;
export type Drag = NonNullable<Kind["drag"]>;

/** A key that finishes something, with what stood in the row; done one after the other, in the order of the keys. */
export interface Entry {
  readonly key:
    "enter" | "escape" | "backspace" | "undo" | "begin" | "click" | "pick" | "turn" | "stroke" | "choose" | "act";
  readonly text: string;
  /** Whether a drag begins with it: what it states waits for the other end, even where it would do alone. */
  readonly begins?: boolean;
  /** Where a click was made. */
  readonly pointer?: Pointer;
  /** Where the pointer went from where it went down. */
  readonly stroke?: ReadRequest["stroke"] & object;
  /** Whether what is chosen is added to what is selected. */
  readonly more?: boolean;
  /** What a figure begins with. */
  readonly rows?: readonly string[];
  /** What is done beside the open line, in its turn. */
  readonly act?: () => unknown;
  /** Which way the solutions or readings are stepped through. */
  readonly by?: number;
}

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

/** The words of the two ends of a drag that begins where the pointer is, with so much given already; null where the figure takes no
 * two places. */
export function dragWords(drag: Drag | null, given: number, line: Line | null): Drag | null {
  if (drag?.behind !== given) return null;
  // From a figure, and not from a place of it: what is drawn between two figures.
  const { figure } = drag;
  return figure !== "" && line?.tag?.of_figure
    ? { ...drag, start: figure, end: figure, figure: drag.start }
    : { ...drag, figure: "" };
}

/** The word for the end of a drag: where it began at a figure and ends at a place, it runs from there. */
export function dragEnd(words: Drag, line: Line | null): string {
  return words.figure !== "" && !line?.tag?.of_figure ? words.figure : words.end;
}
