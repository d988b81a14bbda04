/** The groups, symbols and pens of the drawing, as the server tells them; which groups are locked here, and what is marked. */
import { create } from "zustand";

import { groupsOf } from "../api/client";
import type { Groups } from "../api/types";
import { useDocument } from "./document";
import { figureBy } from "./figures";
import { usePreferences } from "./preferences";

export const useGroups = create<{ of: string; shown: Groups | null }>()(() => ({ of: "", shown: null }));

export async function loadGroups(drawing: string): Promise<void> {
  const shown = await groupsOf(drawing);
  // A later revision may have been asked for meanwhile.
  if (useDocument.getState().id === drawing) useGroups.setState({ of: drawing, shown });
}

const NONE: readonly string[] = [];

export function lockedIn(drawing: string): readonly string[] {
  return usePreferences.getState().locked[drawing] ?? NONE;
}

/** The names of figures that are marked in a drawing. */
export function markedIn(drawing: string): readonly string[] {
  return usePreferences.getState().marked[drawing] ?? NONE;
}

function set(which: "locked" | "marked", drawing: string, names: readonly string[]): void {
  const others = Object.entries(usePreferences.getState()[which]).filter(([one]) => one !== drawing);
  usePreferences.setState({ [which]: Object.fromEntries(names.length > 0 ? [...others, [drawing, names]] : others) });
}

export function lock(drawing: string, name: string, on: boolean): void {
  const others = lockedIn(drawing).filter((one) => one !== name);
  set("locked", drawing, on ? [...others, name] : others);
}

export function mark(drawing: string, names: readonly string[], on: boolean): void {
  const others = markedIn(drawing).filter((one) => !names.includes(one));
  set("marked", drawing, on ? [...others, ...names] : others);
}

/** Of some figures those that can be selected: locked ones are seen and snapped to, and not selected. */
export function unlocked(ids: readonly string[]): readonly string[] {
  const { id, byId } = useDocument.getState();
  const locked = lockedIn(id);
  if (locked.length === 0) return ids;
  const held = new Set(
    (useGroups.getState().shown?.groups ?? []).filter((g) => locked.includes(g.name)).flatMap((g) => g.figures),
  );
  const names = new Set([...held].map((one) => figureBy(byId, one)?.name ?? ""));
  return ids.filter((one) => !held.has(one) && !names.has(figureBy(byId, one)?.name ?? "?"));
}
