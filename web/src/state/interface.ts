/** What the person is doing: the open line, the step being mended, what is pointed at. */
import { create } from "zustand";

import type { Draft, Figure, Line, Problem, Working } from "../api/types";

export interface Mending {
  readonly id: string;
  readonly original: string;
  /** The given that stands in the row, as it was when it was opened. */
  readonly row?: string;
  /** What was being written when it was opened; it comes back afterwards. */
  readonly before: { readonly draft: Draft | null; readonly text: string };
}

export interface Interface {
  /** The figure being written, with the rows given so far. */
  draft: Draft | null;
  /** What stands in the row being written. */
  text: string;
  /** Entries finished with Enter while the one before them was still under way. */
  waiting: readonly string[];
  mend: Mending | null;
  /** The open line as last read by the server, without what changes with the pointer. */
  line: Line | null;
  /** What was wrong with the last act: its text has been put back. */
  refused: Problem | null;
  /** The figure that the pointer is over, and the one selected, by their ids. */
  pointed: string | null;
  selected: string | null;
  /** Further selected figures. */
  others: readonly string[];
  /** Whether steps were chosen in the book, and not figures on the surface. */
  inBook: boolean;
  /** A figure that is only looked at: what another value would make of the selected one. */
  trial: Figure | null;
  leaf: "book" | "checks" | "points" | "groups" | "help";
  /** The sheet that is looked at instead of the table, by its number from 1. */
  sheet: number | null;
  /** Whether the drawing is looked at as files. */
  files: boolean;
  /** Whether its history is shown over the table. */
  history: boolean;
  /** How many times as large it is shown as it fits, and what was chosen on it. */
  sheetZoom: number;
  sheetPart: string | null;
  /** Which solution, or which reading of a pick, was asked for with the arrow keys. */
  choice: number | null;
  /** The working that is shown, and the step that it belongs to. */
  working: { readonly step: string; readonly shown: Working } | null;
  /** What the step that is pointed at in the book works on, as it stood before it. */
  was: readonly Figure[];
  /** The handle of the selected figure that is being pulled. */
  pull: number | null;
  /** What was pasted and is put down by pointing. */
  placing: { readonly text: string; readonly figures: readonly Figure[] } | null;
  /** What was done last, where nothing else shows it. */
  said: string;
  /** Whether pencil is in sight. */
  pencil: boolean;
  /** Where the list at the pointer is open, in pixels of the surface. */
  menu: { readonly x: number; readonly y: number } | null;
  /** The step before which the next one is written; null writes at the end. */
  before: string | null;
}

/** Something that was refused, as a problem to show. */
export function refusal(message: string, start = 0, end = 0): Problem {
  return { kind: "refused", message, start, end, suggestion: null, suggested: null };
}

export const NOTHING: Interface = {
  draft: null,
  text: "",
  waiting: [],
  mend: null,
  line: null,
  refused: null,
  pointed: null,
  selected: null,
  others: [],
  inBook: false,
  trial: null,
  leaf: "book",
  sheet: null,
  files: false,
  history: false,
  sheetZoom: 1,
  sheetPart: null,
  choice: null,
  before: null,
  pull: null,
  placing: null,
  was: [],
  said: "",
  pencil: true,
  menu: null,
  working: null,
};

export const useInterface = create<Interface>()(() => NOTHING);
