/** What is entered: a key with what stood in the row, where the pointer was, whether it has moved on purpose; ids for what is made. */
import type { ReadRequest } from "../api/types";

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
