/** What this browser remembers: the pen, and what was being written in each drawing. Versioned; unknown versions are left alone. */
import { create } from "zustand";
import { persist } from "zustand/middleware";

import type { Draft, Pen } from "../api/types";

interface Unfinished {
  readonly draft: Draft | null;
  readonly text: string;
}

/** How places are taken: kinds set on or off here, and the steps that values are held to; 0 for none. */
export interface Snaps {
  readonly set: Readonly<Record<string, boolean>>;
  readonly parts: number;
  readonly turn: number;
  /** Directions of a list of one's own. */
  readonly turns: readonly number[];
  readonly step: number;
  readonly grid: number;
  /** In pixels. */
  readonly reach: number;
}

interface Preferences {
  pen: Pen["word"];
  snaps: Snaps;
  /** Whether the view turns with a datum along a sloping edge. */
  turnView: boolean;
  /** Whether the book is folded away, the open line along the foot. */
  folded: boolean;
  /** Whether every figure has its name beside it. */
  names: boolean;
  /** Whether others see where one is on the drawing, and one sees where they are. */
  together: boolean;
  /** Who reads what is only looked at: the core in this page, once it is awake, or the server. */
  answering: "page" | "server";
  /** Drawing paper, or pale lines on deep blue. */
  look: "paper" | "blueprint";
  /** By drawing: the groups that are locked, and the names of figures that are marked. */
  locked: Readonly<Record<string, readonly string[]>>;
  marked: Readonly<Record<string, readonly string[]>>;
  /** By drawing: how near is too near to be meant, where it is not the usual. */
  limits: Readonly<Record<string, number>>;
  unfinished: Readonly<Record<string, Unfinished>>;
}

const MOST_UNFINISHED = 40;

export const usePreferences = create<Preferences>()(
  persist(
    (): Preferences => ({
      pen: "ink",
      turnView: true,
      folded: false,
      names: false,
      together: true,
      answering: "page",
      look: "paper",
      snaps: { set: {}, parts: 3, turn: 0, turns: [], step: 0, grid: 0, reach: 10 },
      locked: {},
      marked: {},
      limits: {},
      unfinished: {},
    }),
    {
      name: "kentrograph",
      version: 1,
      // Settings that came later are not yet in what an older page has kept.
      merge: (kept, now) => {
        const before = (kept ?? {}) as Partial<Preferences>;
        return { ...now, ...before, snaps: { ...now.snaps, ...before.snaps } };
      },
    },
  ),
);

/** Keeps what is being written, so that a closed window loses nothing. */
export function keepUnfinished(drawing: string, draft: Draft | null, text: string): void {
  const { [drawing]: before, ...others } = usePreferences.getState().unfinished;
  if (draft === null && text === "") {
    if (before) usePreferences.setState({ unfinished: others });
    return;
  }
  const kept = Object.fromEntries(Object.entries(others).slice(-MOST_UNFINISHED));
  usePreferences.setState({ unfinished: { ...kept, [drawing]: { draft, text } } });
}
