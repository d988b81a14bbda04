/** How the drawing is written as a file, and which file is looked at to be taken in; kept while the table is open. */
import { create } from "zustand";

import type { FileAsked } from "../api/types";

export type What = "ink" | "all" | "selected" | `group ${string}` | `pen ${string}`;

export interface FileOptions {
  readonly format: string;
  readonly what: What;
  /** Empty for every digit. */
  readonly decimals: string;
  readonly content: "points" | "readings";
  /** Lengths as they are typed: the server reads them. */
  readonly within: string;
  readonly tool: string;
  readonly side: FileAsked["side"];
  readonly inch: boolean;
  /** A file that was chosen or dropped, to be taken in. */
  readonly dropped: File | null;
}

export const useFiles = create<FileOptions>()(() => ({
  format: "svg",
  what: "ink",
  decimals: "",
  content: "points",
  within: "",
  tool: "",
  side: "part",
  inch: false,
  dropped: null,
}));

/** What the server is asked for. */
export function asked(options: FileOptions, selected: readonly string[]): FileAsked {
  const { what, content, within, tool, side, inch, decimals } = options;
  return {
    // None of them, where nothing is selected any more: not all instead.
    figures: what === "selected" ? [...selected] : null,
    names: what.startsWith("group ") ? [what.slice(6)] : [],
    pens: what.startsWith("pen ") ? [what.slice(4)] : [],
    construction: what === "all",
    decimals: decimals === "" ? null : Number(decimals),
    content,
    within,
    tool,
    side,
    feed: 600,
    inch,
  };
}
