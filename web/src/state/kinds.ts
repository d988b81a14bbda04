/** The kinds of figure and of reading that can be begun, and the pens, as the server declares them. */
import { create } from "zustand";

import { kinds, pens } from "../api/client";
import type { Kind, Pen } from "../api/types";

export const useKinds = create<{ kinds: readonly Kind[]; pens: readonly Pen[] }>()(() => ({ kinds: [], pens: [] }));

export async function loadKinds(): Promise<void> {
  if (useKinds.getState().kinds.length > 0) return;
  const [figures, drawnWith] = await Promise.all([kinds(), pens()]);
  useKinds.setState({ kinds: figures, pens: drawnWith });
}

export function kindOf(word: string): Kind | undefined {
  return useKinds.getState().kinds.find((kind) => kind.word === word);
}
