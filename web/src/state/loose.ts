/** The loose ends of the drawing, as the server tells them for the revision that is seen. */
import { create } from "zustand";

import { looseEnds } from "../api/client";
import type { Loose } from "../api/types";
import { useDocument } from "./document";
import { usePreferences } from "./preferences";

export const useLoose = create<{ of: string; shown: Loose | null }>()(() => ({ of: "", shown: null }));

export async function loadLoose(drawing: string): Promise<void> {
  const { revision } = useDocument.getState();
  const shown = await looseEnds(drawing, usePreferences.getState().limits[drawing]);
  // A later revision may have been asked for meanwhile.
  const now = useDocument.getState();
  if (now.id === drawing && now.revision === revision) useLoose.setState({ of: drawing, shown });
}

/** How near is too near to be meant, in this drawing; none for the usual. */
export function limitLoose(drawing: string, limit: number | null): void {
  const others = Object.entries(usePreferences.getState().limits).filter(([one]) => one !== drawing);
  usePreferences.setState({ limits: Object.fromEntries(limit === null ? others : [...others, [drawing, limit]]) });
}
