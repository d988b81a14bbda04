/** The picture that lies under the drawing, or is pinned in a corner, and what is being done with it. */
import { create } from "zustand";

import { backingOf, placeBacking } from "../api/client";
import type { Backing, Placing } from "../api/types";

type Pair = readonly [number, number];

interface BackingState {
  readonly backing: Backing | null;
  readonly image: HTMLImageElement | null;
  /** Two places are being pointed at: to scale the picture by them, or to move it from the first to the second. */
  readonly asking: { readonly what: "scale" | "move"; readonly places: readonly Pair[] } | null;
}

const NONE: BackingState = { backing: null, image: null, asking: null };
export const useBacking = create<BackingState>()(() => NONE);

export function forgetBacking(): void {
  useBacking.setState(NONE);
}

export async function loadBacking(drawing: string): Promise<void> {
  takeBacking(drawing, await backingOf(drawing));
}

export function takeBacking(drawing: string, backing: Backing | null): void {
  const before = useBacking.getState().backing;
  useBacking.setState({ backing });
  if (!backing) useBacking.setState({ image: null, asking: null });
  else if (backing.version !== before?.version) {
    const image = new Image();
    image.onload = () => useBacking.setState({ image });
    image.src = `/api/drawings/${drawing}/backing/picture?version=${backing.version}`;
  }
}

export async function replaceBacking(drawing: string, change: Partial<Placing>): Promise<void> {
  const { backing } = useBacking.getState();
  if (backing) takeBacking(drawing, await placeBacking(drawing, { ...backing.placing, ...change }));
}

/** A place that was pointed at for the picture; a second one to move it to moves it at once. */
export async function pointForBacking(drawing: string, at: Pair): Promise<void> {
  const { asking, backing } = useBacking.getState();
  if (!asking || !backing || asking.places.length > 1) return;
  const places = [...asking.places, at];
  const [from, to] = places;
  if (asking.what === "scale" || !from || !to) useBacking.setState({ asking: { ...asking, places } });
  else {
    useBacking.setState({ asking: null });
    const { x, y } = backing.placing;
    await replaceBacking(drawing, { x: x + to[0] - from[0], y: y + to[1] - from[1] });
  }
}
