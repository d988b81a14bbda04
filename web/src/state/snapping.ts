/** The kinds of place that can be taken, as the server lists them, and which are on in this browser. */
import { create } from "zustand";

import { snapKinds } from "../api/client";
import type { SnapKind, Snapping } from "../api/types";
import { useInterface } from "./interface";
import { usePreferences } from "./preferences";

export const useSnapKinds = create<{ kinds: readonly SnapKind[] }>()(() => ({ kinds: [] }));

export async function loadSnapKinds(): Promise<void> {
  if (useSnapKinds.getState().kinds.length === 0) useSnapKinds.setState({ kinds: await snapKinds() });
}

export function isOn(kind: SnapKind, set: Readonly<Record<string, boolean>>): boolean {
  return set[kind.key] ?? kind.on;
}

/** What is sent with the pointer; until the kinds are known those are on that the server knows to be on from the start. */
export function snapping(): Snapping | null {
  const { kinds } = useSnapKinds.getState();
  const { snaps } = usePreferences.getState();
  const off = kinds.filter((kind) => !isOn(kind, snaps.set)).map((kind) => kind.key);
  const { parts, turn, turns, step, grid } = snaps;
  return { off, parts, turn, turns: [...turns], step, grid, ink_only: !useInterface.getState().pencil };
}
