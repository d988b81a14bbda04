/** How the drawing is written as a file, and which file is looked at to be taken in; kept while the table is open. */
import { create } from "zustand";

import type { FileAsked } from "../api/types";

export type What = "ink" | "all" | "selected" | `group ${string}` | `pen ${string}`;

interface FileOptions {
  readonly format: string;
  readonly what: What;
  /** Empty for every digit. */
  readonly decimals: string;
  readonly content: "points" | "readings";
  readonly tool: string;
  readonly side: NonNullable<FileAsked["side"]>;
  readonly inch: boolean;
  /** A file that was chosen or dropped, to be taken in. */
  readonly dropped: File | null;
}

export const useFiles = create<FileOptions>()(() => ({
  format: "svg",
  what: "ink",
  decimals: "",
  content: "points",
  tool: "",
  side: "part",
  inch: false,
  dropped: null,
}));

/** What the server is asked for. */
export function asked(options: FileOptions, selected: readonly string[]): FileAsked {
  const { what } = options;
  const number = (text: string) => Number(text.replace(",", "."));
  return {
    figures: what === "selected" ? [...selected] : [],
    names: what.startsWith("group ") ? [what.slice(6)] : [],
    pens: what.startsWith("pen ") ? [what.slice(4)] : [],
    construction: what === "all",
    decimals: options.decimals === "" ? null : Number(options.decimals),
    content: options.content,
    within: 0,
    tool: options.tool === "" || !(number(options.tool) > 0) ? 0 : number(options.tool),
    side: options.side,
    feed: 600,
    inch: options.inch,
  };
}
