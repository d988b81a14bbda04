/** Which of the kinds of place that can be taken are on in this browser. */
import { DECLARED } from "../api/declared.gen";
import type { SnapKind, Snapping } from "../api/types";
import { useInterface } from "./interface";
import { usePreferences } from "./preferences";

export function isOn(kind: SnapKind, set: Readonly<Record<string, boolean>>): boolean {
  return set[kind.key] ?? kind.on;
}

/** What is sent with the pointer. */
export function snapping(): Snapping {
  const { snaps } = usePreferences.getState();
  const off = DECLARED.places.filter((kind) => !isOn(kind, snaps.set)).map((kind) => kind.key);
  const { parts, turn, turns, step, grid } = snaps;
  return { off, parts, turn, turns: [...turns], step, grid, ink_only: !useInterface.getState().pencil };
}
